import { Fragment, type KeyboardEvent } from 'react';
import {
  compartmentsOf,
  homesIn,
  outerOf,
  type Place,
  placesIn,
  type Plan,
  type Unit,
  zoneOf,
} from '@heronstone/core/plan';
import { nameOfPlace } from '@heronstone/core/concepts';
import { placeFilling } from '@heronstone/core/homes';
import { useRoving } from '../../ui/roving.ts';
import { bandColour } from '../../ui/words.ts';
import { type PlaceLook } from '../round/looks.ts';
import { Things } from '../round/Things.tsx';
import { patternOf, ZonePatterns } from '../zones/marks.tsx';

/** A unit straight from the front, to scale, with how full each place is. */
export function Front({
  plan,
  unit,
  looks,
  chosen,
  onChoose,
  zones = false,
  named = true,
  silent = false,
  marks,
  className,
}: {
  plan: Plan;
  unit: Unit;
  looks?: ReadonlyMap<string, PlaceLook>;
  chosen?: string | null;
  onChoose?: (id: string) => void;
  /** places drawn in the mark of the zone they are kept for */
  zones?: boolean;
  /** names of what lives in each place */
  named?: boolean;
  /** nothing is told or shown of what lives where */
  silent?: boolean;
  /** places to which something came, or that something left; things are drawn in their colours then, in place of how full it is */
  marks?: ReadonlyMap<string, 'came' | 'went'>;
  className?: string;
}) {
  const places = compartmentsOf(plan, unit.id);
  // what is seen of a top from the front is a strip
  const strip = places.some((p) => p.kind === 'top') ? Math.max(unit.width, unit.height) * TOP_STRIP : 0;
  const roving = useRoving<SVGSVGElement>(true);
  const pad = Math.max(unit.width, unit.height) * 0.02;
  return (
    <svg
      viewBox={`${-pad} ${-pad - strip} ${unit.width + 2 * pad} ${unit.height + strip + 2 * pad}`}
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
      {zones && (
        <ZonePatterns zones={Object.values(plan.zones)} on={`front-${unit.id}`} size={Math.max(20, unit.width / 30)} />
      )}
      {places.map((p) => {
        const filling = placeFilling(plan, p);
        const full = silent ? 0 : Math.min(1, filling.used / filling.capacity);
        const height = p.kind === 'top' ? strip : p.height;
        const y = unit.height - p.bottom - height;
        const colour = looks ? bandColour(looks.get(p.id)?.band ?? null) : 'var(--heron)';
        const zone = zones ? plan.zones[zoneOf(plan, p) ?? ''] : undefined;
        const names = homesIn(plan, p.id).flatMap((h) => plan.supplies[h.supplyId]?.name ?? []);
        const mark = marks?.get(p.id);
        const called = named ? nameOfPlace(plan, p.id)?.words : undefined;
        const words = silent
          ? p.name
          : [
              `${p.name}${called ? `, ${called}` : ''}: ${names.length === 0 ? 'empty' : `${Math.round(full * 100)} % full`}`,
              ...(zone ? [`kept for ${zone.name}`] : []),
              ...(mark ? [mark === 'came' ? 'something came' : 'something left'] : []),
              ...filling.faults,
            ].join(', ');
        // its edge lies over what is drawn in it
        const box = { x: p.left, y, width: p.width, height };
        const edge = (
          <rect
            {...box}
            fill="none"
            stroke={p.id === chosen ? 'var(--heron)' : mark ? 'var(--ink)' : 'var(--wood-line)'}
            strokeWidth={p.id === chosen || mark === 'came' ? pad / 1.5 : mark ? pad / 3 : pad / 6}
            strokeDasharray={mark === 'went' ? `${pad} ${pad}` : undefined}
            pointerEvents="none"
          />
        );
        const button = onChoose && {
          role: 'button',
          'data-row': '',
          'aria-label': names.length === 0 || silent ? words : `${words}; ${names.join(', ')}`,
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
              <rect {...box} fill={zone ? patternOf(zone, `front-${unit.id}`) : 'var(--paper)'} />
              {marks ? (
                <g transform={`translate(${p.left} ${y}) scale(${p.width} ${height})`} pointerEvents="none">
                  <Things plan={plan} placeId={p.id} />
                </g>
              ) : (
                <rect
                  x={p.left}
                  y={y + height * 0.12}
                  width={p.width * full}
                  height={height * 0.88}
                  fill={filling.faults.length && !silent ? 'var(--clash)' : colour}
                  fillOpacity={p.id === chosen ? 0.9 : 0.5}
                  pointerEvents="none"
                />
              )}
              {edge}
              <title>{words}</title>
            </g>
            <Boxes plan={plan} place={p} y={y} height={height} named={named && !silent} />
            {named && !silent && <Contents plan={plan} place={p} y={y} height={height} />}
          </Fragment>
        );
      })}
    </svg>
  );
}

/** Height of the strip in which a top is drawn, as a share of the larger side of the unit. */
const TOP_STRIP = 0.07;

/** What stands in a place, as it is seen from the front. */
function Boxes({ plan, place, y, height, named }: Shown & { named: boolean }) {
  return (
    <g aria-hidden pointerEvents="none">
      {placesIn(plan, place.id).map((p) => {
        const outer = outerOf(plan, p);
        const high = Math.min(outer.height, height);
        const names = homesIn(plan, p.id).flatMap((h) => plan.supplies[h.supplyId]?.name ?? []);
        const size = Math.min(30, (outer.width / Math.max(5, (names[0] ?? p.name).length)) * 1.7, high * 0.5);
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
            {named && (
              <text
                x={place.left + p.left + outer.width / 2}
                y={y + height - p.bottom - high / 2 + size / 3}
                fontSize={size}
                textAnchor="middle"
                fill="var(--ink)"
              >
                {names.length > 1 ? `${names[0]} +${names.length - 1}` : (names[0] ?? '')}
              </text>
            )}
          </g>
        );
      })}
    </g>
  );
}

/** Names of what lives in a place, as many lines as it is high enough for. */
type Shown = { plan: Plan; place: Place; y: number; height: number };

function Contents({ plan, place, y, height }: Shown) {
  if (placesIn(plan, place.id).length > 0) return null;
  // a thing and its reserve are one name
  const names = [...new Set(homesIn(plan, place.id).flatMap((h) => plan.supplies[h.supplyId]?.name ?? []))];
  const called = names.length > 1 ? nameOfPlace(plan, place.id) : null;
  if (called && (names.length > 3 || called.names.length === 1)) names.unshift(called.words);
  const longest = Math.max(5, ...names.map((n) => n.length));
  const size = Math.min(34, (place.width / longest) * 1.8, height * 0.7);
  const lines = Math.floor(height / (size * 1.15));
  if (names.length === 0 || lines < 1) return null;
  // what has room for one line says what it is called
  const one = lines === 1 && called !== null;
  const shown = one
    ? [called.words]
    : names.length > lines
      ? [...names.slice(0, lines - 1), `and ${names.length - lines + 1} more`]
      : names;
  return (
    <g
      aria-hidden
      pointerEvents="none"
      fontSize={size}
      fill="var(--ink)"
      textAnchor="middle"
      stroke="var(--paper)"
      strokeWidth={size / 5}
      strokeLinejoin="round"
      paintOrder="stroke"
    >
      {shown.map((name, i) => (
        <text
          key={i}
          fontWeight={called && i === 0 && name === called.words ? 700 : 400}
          x={place.left + place.width / 2}
          y={y + height / 2 + (i - (shown.length - 1) / 2 + 0.35) * size * 1.15}
        >
          {name}
        </text>
      ))}
    </g>
  );
}
