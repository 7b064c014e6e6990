/** Several of a few words, each pressed or not. */
export function Ticks<T extends string>({
  legend,
  all,
  words,
  chosen,
  onCommit,
}: {
  legend: string;
  all: readonly T[];
  words?: Record<T, string>;
  chosen: readonly T[];
  onCommit: (next: T[]) => void;
}) {
  return (
    <fieldset>
      <legend className="text-[13px] font-semibold">{legend}</legend>
      <div className="flex flex-wrap gap-1">
        {all.map((t) => {
          const on = chosen.includes(t);
          return (
            <button
              key={t}
              type="button"
              aria-pressed={on}
              className={`rounded-full border px-2.5 py-0.5 text-[14px] ${on ? 'border-ink bg-ink text-ground' : 'border-line bg-paper'}`}
              onClick={() => onCommit(on ? chosen.filter((c) => c !== t) : [...chosen, t])}
            >
              {words?.[t] ?? t}
            </button>
          );
        })}
      </div>
    </fieldset>
  );
}
