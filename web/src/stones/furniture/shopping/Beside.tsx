import { type Organiser, outerOf, type Place, placesIn, placeTitle, type Plan } from '@heronstone/core/plan';

/** One scale for all of them, so that a large box is drawn large: mm a unit of the drawing. */
const SCALE = 4;

/** A container from above beside the place it stands in, at one scale. */
export function Beside({ plan, organiser, place }: { plan: Plan; organiser: Organiser; place: Place | null }) {
  const gap = 40;
  const width = organiser.width + (place ? gap + place.width : 0);
  const depth = Math.max(organiser.depth, place?.depth ?? 0);
  const boxes = place ? placesIn(plan, place.id) : [];
  const words = place
    ? `${organiser.name} beside ${placeTitle(plan, place)}, from above`
    : `${organiser.name} from above`;
  return (
    <svg
      viewBox={`-6 -6 ${width + 12} ${depth + 12}`}
      style={{ width: Math.min(240, width / SCALE) }}
      className="max-w-full self-start"
      role="img"
      aria-label={words}
    >
      <rect
        y={depth - organiser.depth}
        width={organiser.width}
        height={organiser.depth}
        rx={8}
        fill="var(--stone)"
        stroke="var(--ink)"
        strokeWidth={4}
      />
      {organiser.lid && (
        <line
          x1={0}
          x2={organiser.width}
          y1={depth - organiser.depth}
          y2={depth}
          stroke="var(--ink)"
          strokeWidth={3}
          strokeOpacity={0.5}
        />
      )}
      {place && (
        <g transform={`translate(${organiser.width + gap} ${depth - place.depth})`}>
          <rect
            width={place.width}
            height={place.depth}
            fill="var(--paper)"
            stroke="var(--wood-line)"
            strokeWidth={5}
          />
          {boxes.map((p) => {
            const outer = outerOf(plan, p);
            const own = p.organiserId === organiser.id;
            return (
              <rect
                key={p.id}
                x={p.left}
                y={place.depth - p.front - outer.depth}
                width={outer.width}
                height={outer.depth}
                rx={8}
                fill={own ? 'var(--stone)' : 'none'}
                stroke="var(--ink)"
                strokeOpacity={own ? 1 : 0.4}
                strokeWidth={4}
              />
            );
          })}
        </g>
      )}
    </svg>
  );
}
