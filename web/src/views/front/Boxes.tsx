import { outerOf, placesIn } from '@heronstone/core/plan';
import { halo } from '../../ui/halo.ts';
import { type Shown } from './shown.ts';
import { nameThatFits } from './name-that-fits.ts';

/** Containers that reach no higher than this share of their place leave room for its name. */
export const LOW = 0.55;

/** What stands in a place, as it is seen from the front. */
export function Boxes({ plan, place, y, height, least, named }: Shown & { named: boolean }) {
  const boxes = placesIn(plan, place.id)
    .map((p) => ({ p, outer: outerOf(plan, p) }))
    .sort((a, b) => b.p.front - a.p.front);
  return (
    <g aria-hidden pointerEvents="none">
      {boxes.map(({ p, outer }, i) => {
        const high = Math.min(outer.height, height);
        // what stands before it would lie over its name
        const hidden = boxes
          .slice(i + 1)
          .some(
            ({ p: q, outer: o }) =>
              q.left < p.left + outer.width - 1 &&
              q.left + o.width > p.left + 1 &&
              q.bottom < p.bottom + outer.height - 1 &&
              q.bottom + o.height > p.bottom + 1,
          );
        const said = named && !hidden ? nameThatFits(plan, p.id, outer.width, high, least) : null;
        return (
          <g key={p.id}>
            <rect
              x={place.left + p.left}
              y={y + height - Math.min(p.bottom, height) - high}
              width={outer.width}
              height={high}
              rx={p.organiserId === null ? 0 : 6}
              fill="var(--stone)"
              fillOpacity={0.6}
              stroke="var(--ink)"
              strokeOpacity={0.6}
              strokeWidth={2}
            />
            {said && (
              <text
                x={place.left + p.left + outer.width / 2}
                y={y + height - p.bottom - high / 2 + said.size / 3}
                fontSize={said.size}
                textAnchor="middle"
                fill="var(--ink)"
                {...halo(said.size / 5)}
              >
                {said.words}
              </text>
            )}
          </g>
        );
      })}
    </g>
  );
}
