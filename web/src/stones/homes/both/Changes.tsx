import { type Change } from '@heronstone/core/homes';
import { Which } from '../../../ui/which.tsx';
import { yearWords } from '../../../ui/words.ts';

export function Changes({
  title,
  list,
  chosen,
  onShow,
}: {
  title: string;
  list: readonly Change[];
  chosen: string | null;
  onShow: (change: Change) => void;
}) {
  return (
    <section aria-label={title} className="min-h-0 overflow-auto">
      <h2 className="font-semibold">{title}</h2>
      {list.length === 0 && <p className="text-soft">Nothing.</p>}
      <ul>
        {list.map((c) => (
          <li key={`${c.share} ${c.supply.id}`}>
            <button
              type="button"
              onClick={() => onShow(c)}
              className={`w-full rounded-md px-1.5 py-0.5 text-left text-[14px] hover:bg-stone ${chosen !== null && [c.fromId, c.toId].includes(chosen) ? 'bg-stone' : ''}`}
            >
              <span className="flex justify-between gap-2">
                <span className="truncate">
                  {c.supply.name}
                  <Which share={c.share} />
                </span>
                <span className="shrink-0 tabular-nums">
                  {yearWords(Math.abs(c.seconds))} {c.seconds < 0 ? 'less' : `more for ${c.person}`}
                </span>
              </span>
              <span className="block truncate text-[13px] text-soft">
                {c.from} → {c.to}
              </span>
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
