import { useWidth } from './width.ts';

export type Way = { id: string; name: string; tip: string };

/** The ways of one stone beside its name; on a phone without those that the bar below has. */
export function Ways<W extends Way>({
  stone,
  ways,
  now,
  inTheBar,
  onChoose,
}: {
  stone: string;
  ways: readonly W[];
  now: W;
  inTheBar: readonly string[];
  onChoose: (way: W) => void;
}) {
  const phone = useWidth() === 'phone';
  return (
    <div className="flex flex-wrap items-baseline gap-x-5 gap-y-1 py-1 print:hidden">
      <h1 className="font-display text-2xl font-semibold max-sm:sr-only">{stone}</h1>
      <nav aria-label={stone} className={`flex flex-wrap gap-x-4 ${phone ? 'text-[15px]' : ''}`}>
        {ways
          .filter((w) => !phone || !inTheBar.includes(w.id))
          .map((w) => (
            <button
              key={w.id}
              type="button"
              title={w.tip}
              aria-current={w === now ? 'page' : undefined}
              onClick={() => onChoose(w)}
              className={`min-h-8 border-b-2 ${w === now ? 'border-heron font-semibold' : 'border-transparent text-soft hover:text-ink'}`}
            >
              {w.name}
            </button>
          ))}
      </nav>
    </div>
  );
}
