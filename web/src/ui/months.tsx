import { MONTH_NAMES, monthsIn } from '@heronstone/core/plan';
import { usePlan } from '../state/plan-store.ts';
import { WordsField } from './fields/index.ts';

/** Twelve buttons, the chosen months pressed; or said in words. */
export function MonthsField({
  label,
  hideLabel,
  months,
  onCommit,
}: {
  label: string;
  hideLabel?: boolean;
  months: readonly number[];
  onCommit: (months: number[]) => void;
}) {
  const south = usePlan((s) => s.plan.head.latitude < 0);
  return (
    <fieldset>
      <legend className={hideLabel ? 'sr-only' : 'text-[13px] text-soft'}>{label}</legend>
      <div className="flex flex-wrap items-center gap-1">
        {MONTH_NAMES.map((name, i) => {
          const month = i + 1;
          const on = months.includes(month);
          return (
            <button
              key={name}
              type="button"
              aria-pressed={on}
              onClick={() =>
                onCommit(on ? months.filter((m) => m !== month) : [...months, month].sort((a, b) => a - b))
              }
              className={`w-12 rounded-full border py-0.5 text-[13px] ${on ? 'border-ink bg-ink text-ground' : 'border-line bg-paper text-soft'}`}
            >
              {name.slice(0, 3)}
            </button>
          );
        })}
        <WordsField
          className="w-44"
          label={`${label}, in words`}
          hideLabel
          placeholder="or: Oct to Dec, summer"
          read={(text) => monthsIn(text, south)}
          wanted="say Oct to Dec, or summer, or not in August"
          onCommit={onCommit}
        />
      </div>
    </fieldset>
  );
}
