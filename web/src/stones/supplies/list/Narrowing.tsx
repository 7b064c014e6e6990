import { ColumnMenu } from './ColumnMenu.tsx';
import { COLUMNS, ONLY } from './columns.ts';
import { type Looking } from './rows.ts';
import { Views } from './Views.tsx';

type Props = {
  looking: Looking;
  /** columns */
  shown: readonly string[];
  phone: boolean;
  onLook: (part: Partial<Looking>) => void;
  onShow: (columns: readonly string[]) => void;
  onTake: (looking: Looking, columns: readonly string[]) => void;
};

/** Which supplies are listed, put together by what, in which columns. */
export function Narrowing({ looking, shown, phone, onLook, onShow, onTake }: Props) {
  return (
    <>
      <input
        aria-label="Narrow the list"
        placeholder="Narrow the list"
        className="w-44 rounded-full border border-edge bg-paper px-3 py-1"
        value={looking.text}
        onChange={(e) => onLook({ text: e.target.value })}
      />
      <select
        aria-label="Only"
        className="rounded-full border border-edge bg-paper px-2 py-1"
        value={looking.only}
        onChange={(e) => onLook({ only: e.target.value })}
      >
        {ONLY.map(([value, words]) => (
          <option key={value} value={value}>
            {words}
          </option>
        ))}
      </select>
      {!phone && (
        <>
          <select
            aria-label="Put together by"
            className="rounded-full border border-edge bg-paper px-2 py-1"
            value={looking.groupBy}
            onChange={(e) => onLook({ groupBy: e.target.value })}
          >
            <option value="">not put together</option>
            {COLUMNS.filter((c) => c.groups).map((c) => (
              <option key={c.id} value={c.id}>
                by {c.title}
              </option>
            ))}
          </select>
          <ColumnMenu shown={shown} onChange={onShow} />
          <Views looking={looking} shown={shown} onTake={onTake} />
        </>
      )}
    </>
  );
}
