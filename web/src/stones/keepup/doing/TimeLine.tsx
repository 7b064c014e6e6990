import { type FreeTime } from '@heronstone/core/plan';
import { usePlan } from '../../../state/plan-store.ts';
import { NumberField, TextField } from '../../../ui/fields/index.ts';
import { clockWords } from './days.ts';
import { doingOf } from './use-doing.ts';
import { Gone } from './Gone.tsx';

export const WHOLE = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'] as const;

/** Minutes after midnight of “10:00”; null: that is no time. */
const minutesOfClock = (text: string): number | null => {
  const m = /^(\d{1,2})[:.]?(\d{2})?$/.exec(text.trim());
  const n = m ? Number(m[1]) * 60 + Number(m[2] ?? 0) : NaN;
  return Number.isInteger(n) && n < 1440 && Number(m?.[2] ?? 0) < 60 ? n : null;
};

export function TimeLine({ row, name, onChanged }: { row: FreeTime; name: string; onChanged: () => void }) {
  const livable = usePlan((s) => doingOf(s.plan)?.livable ?? false);
  const dispatch = usePlan((s) => s.dispatch);
  const set = (part: Partial<FreeTime>) => {
    const done = dispatch({ type: 'setFreeTime', id: row.id, set: part });
    if (done) onChanged();
    return done;
  };
  return (
    <li>
      <div className="flex items-center gap-x-2">
        <span className="grow font-semibold">{name}</span>
        {livable && (
          <button
            type="button"
            aria-pressed={row.lies}
            title="Things may lie about on the evening after"
            className={`min-h-8 shrink-0 rounded-full border px-2 text-[13px] ${row.lies ? 'border-ink bg-ink text-ground' : 'border-edge hover:border-heron'}`}
            onClick={() => set({ lies: !row.lies })}
          >
            may lie<span className="sr-only"> about: {name}</span>
          </button>
        )}
        <Gone id={row.id} name={name} onChanged={onChanged} />
      </div>
      <div className="flex items-end gap-x-2">
        <TextField
          label={`${name} from`}
          hideLabel
          className="w-16"
          value={clockWords(row.starts)}
          onCommit={(text) => {
            const starts = minutesOfClock(text);
            return starts === null ? false : set({ starts });
          }}
        />
        <NumberField
          label={`${name}, minutes`}
          hideLabel
          unit="min"
          whole
          min={1}
          max={1440}
          value={row.minutes}
          onCommit={(minutes) => set({ minutes })}
          className="w-20"
        />
      </div>
      <div className="mt-1 flex items-center gap-x-2 text-[13px] text-soft">
        <span>helped by</span>
        <NumberField
          label={`${name}, helpers`}
          hideLabel
          unit="who lift,"
          whole
          max={20}
          value={row.helpers}
          onCommit={(helpers) => set({ helpers })}
          className="w-24"
        />
        <NumberField
          label={`${name}, helpers who do not lift`}
          hideLabel
          unit="who do not"
          whole
          max={20}
          value={row.hands}
          onCommit={(hands) => set({ hands })}
          className="w-28"
        />
      </div>
    </li>
  );
}
