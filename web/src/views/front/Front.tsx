import { homesIn, type Plan, type Unit } from '@heronstone/core/plan';
import { placeFilling } from '@heronstone/core/homes';
import { bandColour } from '../../ui/words.ts';
import { type PlaceLook } from '../round/looks.ts';

/** A unit straight from the front, to scale, with how full each place is. */
export function Front({
  plan,
  unit,
  looks,
  chosen,
  onChoose,
  className,
}: {
  plan: Plan;
  unit: Unit;
  looks?: ReadonlyMap<string, PlaceLook>;
  chosen?: string | null;
  onChoose?: (id: string) => void;
  className?: string;
}) {
  const places = Object.values(plan.places).filter((p) => p.unitId === unit.id);
  const pad = Math.max(unit.width, unit.height) * 0.02;
  return (
    <svg
      viewBox={`${-pad} ${-pad} ${unit.width + 2 * pad} ${unit.height + 2 * pad}`}
      className={className ?? 'h-full w-full'}
      role="img"
      aria-label={`${unit.name} from the front`}
    >
      <rect
        width={unit.width}
        height={unit.height}
        fill="var(--wood)"
        stroke="var(--wood-line)"
        strokeWidth={pad / 4}
      />
      {places.map((p) => {
        const filling = placeFilling(plan, p);
        const full = Math.min(1, filling.used / filling.width);
        const y = unit.height - p.bottom - p.height;
        const colour = looks ? bandColour(looks.get(p.id)?.band ?? null) : 'var(--heron)';
        return (
          <g key={p.id} onClick={() => onChoose?.(p.id)} className={onChoose ? 'cursor-pointer' : ''}>
            <rect
              x={p.left}
              y={y}
              width={p.width}
              height={p.height}
              fill="var(--paper)"
              stroke={p.id === chosen ? 'var(--heron)' : 'var(--wood-line)'}
              strokeWidth={p.id === chosen ? pad / 1.5 : pad / 6}
            />
            <rect
              x={p.left}
              y={y + p.height * 0.12}
              width={p.width * full}
              height={p.height * 0.88}
              fill={filling.faults.length ? 'var(--clash)' : colour}
              fillOpacity={p.id === chosen ? 0.9 : 0.5}
              pointerEvents="none"
            />
            <title>{`${p.name}: ${homesIn(plan, p.id).length} kinds, ${Math.round(full * 100)} % full${filling.faults.length ? `, ${filling.faults.join(', ')}` : ''}`}</title>
          </g>
        );
      })}
    </svg>
  );
}
