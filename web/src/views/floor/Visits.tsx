import { placeSaid } from '@heronstone/core/concepts';
import { type Plan } from '@heronstone/core/plan';
import { sceneOf } from '@heronstone/core/reach';
import { type Turn } from './turn.ts';

/** How often a hand goes where: a dot at each place, its area by how often, the rarest still to be seen; outside the room none. */
export function Visits({
  plan,
  visits,
  turn,
  scale,
}: {
  plan: Plan;
  visits: ReadonlyMap<string, number>;
  turn: Turn;
  scale: number;
}) {
  const scene = sceneOf(plan);
  const most = Math.max(...visits.values(), 1e-9);
  return (
    <g pointerEvents="none" data-visits>
      {[...visits].map(([placeId, times]) => {
        const spot = scene.spots.get(placeId);
        const place = plan.places[placeId];
        if (!spot || spot.away || !place || times <= 0) return null;
        const p = turn(spot.grip);
        return (
          <circle
            key={placeId}
            cx={p.x}
            cy={p.y}
            r={(2.5 + 10 * Math.sqrt(times / most)) * scale}
            fill="var(--heron)"
            fillOpacity={0.35}
            stroke="var(--heron)"
            strokeWidth={scale}
          >
            <title>{`${placeSaid(plan, place)}: ${times < 10 ? times.toFixed(1) : Math.round(times)} times a session`}</title>
          </circle>
        );
      })}
    </g>
  );
}
