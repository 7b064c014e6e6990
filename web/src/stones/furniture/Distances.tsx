import { formatLength } from '@heronstone/core/lengths';
import { type Plan, roomOf, type Unit } from '@heronstone/core/plan';
import { frameOf, wallGaps } from '@heronstone/core/room';
import { LengthField } from '../../ui/fields.tsx';

/** Clear distance from each wall, to be typed: “380 mm from the east wall”. */
export function Distances({
  plan,
  unit,
  onMove,
}: {
  plan: Plan;
  unit: Unit;
  onMove: (to: { x: number; y: number }) => void;
}) {
  if (!roomOf(plan).closes)
    return <p className="mt-2 text-[13px] text-soft">Once the walls close, distances from them can be typed here.</p>;
  return (
    <div className="mt-2 flex flex-wrap items-end gap-2">
      <span className="pb-1.5 text-[13px] text-soft">from the wall:</span>
      {wallGaps(plan, unit).map(({ wallId, name, gap }) =>
        gap < -0.5 ? (
          <p key={wallId} className="w-28 text-[13px] text-clash">
            {name}: {formatLength(-gap, plan.head.measure)} through it
          </p>
        ) : (
          <LengthField
            key={wallId}
            className="w-24"
            label={name}
            mm={Math.max(0, Math.round(gap * 10) / 10)}
            onCommit={(mm) => {
              const inward = frameOf(plan, wallId)?.inward;
              if (mm !== null && inward)
                onMove({ x: unit.x + inward.x * (mm - gap), y: unit.y + inward.y * (mm - gap) });
            }}
          />
        ),
      )}
    </div>
  );
}
