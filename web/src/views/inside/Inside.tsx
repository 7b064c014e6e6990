import { useMemo } from 'react';
import { packPlace } from '@heronstone/core/fit';
import { type Place, type Plan } from '@heronstone/core/plan';

/** A place seen from above, its front below: organisers and stacks where they really go. */
export function Inside({ plan, place, className }: { plan: Plan; place: Place; className?: string }) {
  const inside = useMemo(() => packPlace(plan, place), [plan, place]);
  const pad = Math.max(place.width, place.depth) * 0.03;
  return (
    <figure className={className}>
      <svg
        viewBox={`${-pad} ${-pad} ${place.width + 2 * pad} ${place.depth + 2 * pad}`}
        className="max-h-full w-full"
        role="img"
        aria-label={`${place.name} seen from above`}
      >
        <rect
          width={place.width}
          height={place.depth}
          fill="var(--paper)"
          stroke="var(--wood-line)"
          strokeWidth={pad / 2}
        />
        {inside.stacks.map((s, i) => {
          const y = place.depth - s.y - s.depth;
          const upright = s.depth > s.width * 1.3;
          const [long, short] = upright ? [s.depth, s.width] : [s.width, s.depth];
          const size = Math.min(short * 0.45, (long / Math.max(5, s.name.length)) * 1.75, place.width / 16);
          return (
            <g key={i}>
              <rect
                x={s.x + 1}
                y={y + 1}
                width={Math.max(1, s.width - 2)}
                height={Math.max(1, s.depth - 2)}
                rx={3}
                fill={s.kind === 'organiser' ? 'none' : (plan.supplies[s.id]?.colour ?? 'var(--arm)')}
                fillOpacity={0.5}
                stroke="var(--ink)"
                strokeWidth={s.kind === 'organiser' ? 4 : 1.5}
              >
                <title>
                  {s.name}, {s.pieces}
                </title>
              </rect>
              {size > place.width / 60 && (
                <text
                  transform={`translate(${s.x + s.width / 2} ${y + s.depth / 2}) ${upright ? 'rotate(-90)' : ''}`}
                  fontSize={size}
                  textAnchor="middle"
                  dominantBaseline="middle"
                  fill="var(--ink)"
                >
                  {s.name}
                  {s.pieces > 1 ? ` ×${s.pieces}` : ''}
                </text>
              )}
            </g>
          );
        })}
        <line x1={0} x2={place.width} y1={place.depth} y2={place.depth} stroke="var(--wood-line)" strokeWidth={pad} />
      </svg>
      <figcaption className="text-[13px] text-soft">
        From above, front below.
        {inside.left.length > 0 && (
          <span className="text-clash">
            {' '}
            No room for {inside.left.map((l) => `${l.name}${l.pieces > 1 ? ` ×${l.pieces}` : ''}`).join(', ')}.
          </span>
        )}
      </figcaption>
    </figure>
  );
}
