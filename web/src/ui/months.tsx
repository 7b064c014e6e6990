import { MONTH_NAMES } from '@heronstone/core/plan';

/** Twelve buttons, the chosen months pressed. */
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
  return (
    <fieldset>
      <legend className={hideLabel ? 'sr-only' : 'text-[13px] text-soft'}>{label}</legend>
      <div className="flex flex-wrap gap-1">
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
      </div>
    </fieldset>
  );
}
