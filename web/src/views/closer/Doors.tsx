import { useRef } from 'react';
import { nameOfPlace, shorterNames } from '@heronstone/core/concepts';
import { type Leaf, type Plan, type Unit } from '@heronstone/core/plan';
import { LEAST_LETTER, useDrawnScale } from '../../ui/drawn-scale.ts';
import { notesOn, wordsOn } from './notes.ts';

/** How wide a letter is about, and how far lines are apart, as shares of its size. */
const LETTER_WIDTH = 0.55;
const LEADING = 1.15;
/** Letters on a note are no larger, mm. */
const MOST_LETTER = 40;

/** The doors of a unit from within, opened beside its front, to the same scale: the notes stuck on them, each at the height of what it is of. */
export function Doors({ plan, unit, leaves }: { plan: Plan; unit: Unit; leaves: readonly Leaf[] }) {
  return (
    <ul aria-label="Doors from within" className="flex h-full shrink-0 gap-2">
      {leaves.map((leaf, i) => (
        <li key={i} className="h-full">
          <Door plan={plan} unit={unit} leaf={leaf} words={leaves.length > 1 ? `door ${i + 1}` : 'the door'} />
        </li>
      ))}
    </ul>
  );
}

function Door({ plan, unit, leaf, words }: { plan: Plan; unit: Unit; leaf: Leaf; words: string }) {
  const svg = useRef<SVGSVGElement>(null);
  const pad = Math.max(unit.width, unit.height) * 0.02;
  const scale = useDrawnScale(svg, leaf.width + 2 * pad, unit.height + 2 * pad);
  const least = LEAST_LETTER / Math.max(scale, 1e-6);
  const notes = notesOn(leaf);
  const names = notes.map((n) => nameOfPlace(plan, n.place.id)?.words ?? n.place.name);
  const said = `${unit.name}, ${words} from within: ${names.join('; ') || 'no notes'}`;
  const top = unit.height - leaf.bottom - leaf.height;
  return (
    <svg
      ref={svg}
      role="img"
      aria-label={said}
      viewBox={`${-pad} ${-pad} ${leaf.width + 2 * pad} ${unit.height + 2 * pad}`}
      className="h-full"
      style={{ aspectRatio: `${leaf.width + 2 * pad} / ${unit.height + 2 * pad}` }}
    >
      <title>{said}</title>
      <rect
        y={top}
        width={leaf.width}
        height={leaf.height}
        fill="var(--stone)"
        fillOpacity={0.5}
        stroke="var(--wood-line)"
        strokeWidth={pad / 4}
      />
      {notes.map(({ place, box }) => {
        const name = nameOfPlace(plan, place.id);
        const lines = wordsOn(
          name ? shorterNames(name) : [place.name],
          Math.floor(box.width / (least * LETTER_WIDTH)),
          Math.floor(box.height / (least * LEADING)),
        );
        const longest = Math.max(1, ...(lines ?? []).map((l) => l.length));
        const most = Math.min(MOST_LETTER, box.width / (longest * LETTER_WIDTH));
        const size = Math.max(least, Math.min(most, box.height / ((lines?.length ?? 1) * LEADING)));
        const middle = unit.height - box.y - box.height / 2;
        return (
          <g key={place.id}>
            <rect
              {...box}
              y={unit.height - box.y - box.height}
              fill="var(--paper)"
              stroke="var(--ink)"
              strokeOpacity={0.5}
              strokeWidth={pad / 8}
            />
            {lines?.map((line, n) => (
              <text
                key={n}
                x={leaf.width / 2}
                y={middle + (n - (lines.length - 1) / 2) * size * LEADING + size * 0.35}
                fontSize={size}
                textAnchor="middle"
                fill="var(--ink)"
              >
                {line}
              </text>
            ))}
          </g>
        );
      })}
    </svg>
  );
}
