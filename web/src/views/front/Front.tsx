import { Fragment, type KeyboardEvent } from 'react';
import { homesIn, type Place, type Plan, type Unit } from '@heronstone/core/plan';
import { placeFilling } from '@heronstone/core/homes';
import { useRoving } from '../../ui/roving.ts';
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
  const roving = useRoving<SVGSVGElement>(true);
  const pad = Math.max(unit.width, unit.height) * 0.02;
  return (
    <svg
      viewBox={`${-pad} ${-pad} ${unit.width + 2 * pad} ${unit.height + 2 * pad}`}
      className={className ?? 'h-full w-full'}
      role={onChoose ? 'group' : 'img'}
      aria-label={`${unit.name} from the front`}
      ref={roving.ref}
      onKeyDown={roving.onKeyDown}
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
        const names = homesIn(plan, p.id).flatMap((h) => plan.supplies[h.supplyId]?.name ?? []);
        const words = [
          `${p.name}: ${names.length === 0 ? 'empty' : `${Math.round(full * 100)} % full`}`,
          ...filling.faults,
        ].join(', ');
        const button = onChoose && {
          role: 'button',
          'data-row': '',
          'aria-label': names.length === 0 ? words : `${words}; ${names.join(', ')}`,
          'aria-pressed': p.id === chosen,
          className: 'cursor-pointer',
          onClick: () => onChoose(p.id),
          onKeyDown: (e: KeyboardEvent) => {
            if (e.key !== 'Enter' && e.key !== ' ') return;
            e.preventDefault();
            onChoose(p.id);
          },
        };
        return (
          <Fragment key={p.id}>
            <g {...button}>
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
              <title>{words}</title>
            </g>
            <Contents plan={plan} place={p} y={y} />
          </Fragment>
        );
      })}
    </svg>
  );
}

/** Names of what lives in a place, as many lines as it is high enough for. */
function Contents({ plan, place, y }: { plan: Plan; place: Place; y: number }) {
  const names = homesIn(plan, place.id).flatMap((h) => plan.supplies[h.supplyId]?.name ?? []);
  const longest = Math.max(5, ...names.map((n) => n.length));
  const size = Math.min(34, (place.width / longest) * 1.8, place.height * 0.7);
  const lines = Math.floor(place.height / (size * 1.15));
  if (names.length === 0 || lines < 1) return null;
  const shown = names.length > lines ? [...names.slice(0, lines - 1), `and ${names.length - lines + 1} more`] : names;
  return (
    <g aria-hidden pointerEvents="none" fontSize={size} fill="var(--ink)" textAnchor="middle">
      {shown.map((name, i) => (
        <text
          key={i}
          x={place.left + place.width / 2}
          y={y + place.height / 2 + (i - (shown.length - 1) / 2 + 0.35) * size * 1.15}
        >
          {name}
        </text>
      ))}
    </g>
  );
}
