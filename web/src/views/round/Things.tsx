import { memo, useMemo } from 'react';
import { piecesIn } from '@heronstone/core/fit';
import { type Plan } from '@heronstone/core/plan';

/** What no colour is known of (own choice: undyed). */
const UNDYED = 'var(--sand)';

/** The things of a place in their colours; drawn once, and only stretched when the room turns. */
export const Things = memo(function Things({ plan, placeId }: { plan: Plan; placeId: string }) {
  const place = plan.places[placeId];
  const pieces = useMemo(() => (place ? piecesIn(plan, place) : []), [plan, place]);
  return pieces.map((p, i) => (
    <rect
      key={i}
      x={p.left}
      width={p.width}
      y={1 - p.low - p.height}
      height={p.height}
      fill={p.colour ?? UNDYED}
      stroke="var(--paper)"
      strokeWidth={0.6}
      vectorEffect="non-scaling-stroke"
    />
  ));
});
