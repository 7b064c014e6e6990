import { type Pair } from '../../../state/pair.ts';
import { FIGURE_WORDS } from '../../../ui/figures.ts';
import { longWords } from '../../../ui/words.ts';

const FACES = [
  ['found', 'Unit by unit'],
  ['both', 'In the room'],
] as const;

/** How two states are looked at, and which of them is shown. */
export function WhichSide({
  sides,
  face,
  at,
  onFace,
  onSide,
}: {
  sides: Pair['sides'];
  face: 'found' | 'both';
  at: 0 | 1;
  onFace: (face: 'found' | 'both') => void;
  onSide: (side: 0 | 1) => void;
}) {
  return (
    <>
      <div role="group" aria-label="By unit or in the room" className="flex gap-1">
        {FACES.map(([id, words]) => (
          <button
            key={id}
            type="button"
            aria-pressed={face === id}
            className={`rounded-full px-2.5 py-0.5 text-[14px] ${face === id ? 'bg-stone font-semibold' : 'hover:bg-stone'}`}
            onClick={() => onFace(id)}
          >
            {words}
          </button>
        ))}
      </div>
      <div role="group" aria-label="Shown" className="flex flex-wrap gap-1">
        {sides.map((side, i) => (
          <button
            key={side.name}
            type="button"
            aria-pressed={at === i}
            title="The other one ( B )"
            onClick={() => onSide(i as 0 | 1)}
            className={`rounded-md border px-2.5 py-0.5 text-left ${at === i ? 'border-ink bg-ink text-ground' : 'border-line bg-paper hover:border-heron'}`}
          >
            {side.name} · {FIGURE_WORDS.year} <span className="tabular-nums">{longWords(side.sum.year)}</span>
            {side.sum.without > 0 && ` · ${side.sum.without} without a home`}
          </button>
        ))}
      </div>
    </>
  );
}
