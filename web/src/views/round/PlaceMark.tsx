import { useDroppable } from '@dnd-kit/core';
import { memo } from 'react';
import { type Plan } from '@heronstone/core/plan';
import { type Seen } from '@heronstone/core/reach';
import { type Reading } from '../../state/reading.ts';
import { useHover } from '../../state/selection.ts';
import { bandColour, bandName, fetchWords } from '../../ui/words.ts';
import { widestOf, x } from './geometry.ts';
import { type PlaceLook } from './looks.ts';
import { Letters } from './names.tsx';
import { Things } from './Things.tsx';

type MarkProps = {
  id: string;
  plan: Plan;
  reading: Reading;
  /** its name, as far as it goes in */
  label: string | null;
  title: string;
  seen: Seen;
  y: (mm: number) => number;
  look: PlaceLook | undefined;
  chosen: boolean;
  focusable: boolean;
};

/** A place of the ribbon, drawn by the reading that is chosen; what a press means is for the ribbon to say. */
export const PlaceMark = memo(function PlaceMark({
  id,
  plan,
  reading,
  label,
  title,
  seen,
  y,
  look,
  chosen,
  focusable,
}: MarkProps) {
  const { setNodeRef, isOver } = useDroppable({ id: `round:${id}`, data: { placeId: id } });
  const hovered = useHover((s) => s.place === id);
  // with a thing in hand every place says how far it is for that, whatever is read otherwise
  const band = look?.dim ? 'var(--stone)' : bandColour(look?.band ?? null);
  const colour = { what: 'var(--paper)', far: band, much: 'var(--heron)' }[reading];
  const top = y(seen.high);
  const height = Math.max(2, y(seen.low) - top);
  const full = Math.min(1, look?.full ?? 0);
  const strong = chosen || isOver || hovered;
  const widest = widestOf(seen);
  const used = usedRadius(look?.fetches ?? 0) * (reading === 'what' ? 0.6 : 1);
  const words = `${title}. ${bandName(look?.band ?? null)}${look?.seconds ? `, ${fetchWords(look.seconds)}` : ''}. ${look?.kinds ? `${look.kinds} kinds, ${Math.round((look.full ?? 0) * 100)} % full` : 'empty'}.`;
  return (
    <g
      ref={setNodeRef as unknown as (e: SVGGElement | null) => void}
      data-place={id}
      role="button"
      aria-label={words}
      aria-pressed={chosen}
      tabIndex={focusable ? 0 : -1}
      className="cursor-pointer outline-none"
      onFocus={() => useHover.setState({ place: id })}
      onBlur={() => useHover.setState({ place: null })}
    >
      {seen.stretches.map((s) => {
        const left = x(s.from) + 0.75;
        const width = Math.max(1.5, x(s.to) - x(s.from) - 1.5);
        return (
          <g key={s.from}>
            <rect
              x={left}
              y={top + 0.75}
              width={width}
              height={Math.max(1.5, height - 1.5)}
              rx={1.5}
              fill={colour}
              fillOpacity={
                { what: seen.front ? 0.75 : 0.3, far: seen.front ? 0.8 : 0.2, much: seen.front ? 0.12 : 0.05 }[reading]
              }
            />
            {reading === 'what' && seen.front && (
              <g transform={`translate(${left} ${top + 0.75}) scale(${width} ${Math.max(1.5, height - 1.5)})`}>
                <Things plan={plan} placeId={id} />
              </g>
            )}
            {reading === 'what' && look?.asked && (
              <rect
                x={left}
                y={top + 0.75}
                width={width}
                height={Math.max(1.5, height - 1.5)}
                rx={1.5}
                fill={band}
                fillOpacity={0.75}
              />
            )}
            {reading === 'much' && seen.front && (
              <rect
                x={left}
                y={top + height - Math.max(0, height - 1.5) * full}
                width={width}
                height={Math.max(0, height - 1.5) * full}
                rx={1.5}
                fill={colour}
                fillOpacity={0.6}
              />
            )}
            <rect
              x={left}
              y={top + 0.75}
              width={width}
              height={Math.max(1.5, height - 1.5)}
              rx={1.5}
              fill="none"
              stroke={strong ? 'var(--ink)' : look?.fault ? 'var(--clash)' : 'var(--wood-line)'}
              strokeWidth={strong ? 2.6 : look?.fault ? 2 : 1}
              strokeDasharray={seen.front ? undefined : '3 3'}
            />
          </g>
        );
      })}
      {look && look.fetches > 0 && (
        // in a corner: it must not hide what it speaks of
        <circle
          cx={x(widest.to) - Math.min(6.5, 2 + used)}
          cy={top + Math.min(height / 2, 2 + used)}
          r={used}
          fill="var(--paper)"
          stroke="var(--ink)"
          strokeWidth={1.2}
        />
      )}
      {label !== null && <Letters x={(x(widest.from) + x(widest.to)) / 2} y={top + height / 2} words={label} />}
      {look?.here && (
        <path d={`M ${(x(widest.from) + x(widest.to)) / 2} ${top - 3} l -6 -9 h 12 z`} fill="var(--heron)" />
      )}
    </g>
  );
});

/** How often the hand goes there, as the radius of a mark, px. */
const usedRadius = (fetches: number): number => Math.min(5, 1.2 + 0.2 * Math.sqrt(fetches));
