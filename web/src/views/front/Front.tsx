import { useDroppable } from '@dnd-kit/core';
import { Fragment, type KeyboardEvent, type SVGProps } from 'react';
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
import { factsOf } from '@heronstone/core/catalogue';
import { nameOfPlace, shorterNames } from '@heronstone/core/concepts';
import { placeFilling } from '@heronstone/core/homes';
import { LEAST_LETTER, useDrawnScale } from '../../ui/drawn-scale.ts';
import { halo } from '../../ui/halo.ts';
import { useRoving } from '../../ui/roving.ts';
import { bandColour } from '../../ui/words.ts';
import { type PlaceLook } from '../round/looks.ts';
import { Things } from '../round/Things.tsx';
import { frontBox } from './front-box.ts';
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
  drop = false,
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
  /** a thing may be let go over a place */
  drop?: boolean;
  className?: string;
}) {
  const places = compartmentsOf(plan, unit.id);
  const box = frontBox(plan, unit);
  const { pad, strip } = box;
  const roving = useRoving<SVGSVGElement>(true);
  const scale = useDrawnScale(roving.ref, box.w, box.h);
  const least = LEAST_LETTER / Math.max(scale, 1e-6);
  return (
    <svg
      viewBox={`${box.x} ${box.y} ${box.w} ${box.h}`}
      className={className ?? 'h-full w-full'}
      role={onChoose ? 'group' : 'img'}
      aria-label={`${unit.name} from the front`}
      ref={roving.ref}
      onKeyDown={roving.onKeyDown}
    >
      {factsOf(unit.kind).body === 'top' ? (
        <path d={onLegs(unit)} fill="var(--wood)" stroke="var(--wood-line)" strokeWidth={pad / 4} />
      ) : (
        <rect
          width={unit.width}
          height={unit.height}
          fill="var(--wood)"
          stroke="var(--wood-line)"
          strokeWidth={pad / 4}
        />
      )}
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
            <PlaceGroup id={p.id} drop={drop} {...button}>
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
            </PlaceGroup>
            <Boxes plan={plan} place={p} y={y} height={height} least={least} named={named && !silent} />
            {named && !silent && <Contents plan={plan} place={p} y={y} height={height} least={least} />}
          </Fragment>
        );
      })}
    </svg>
  );
}

/** A top on its legs, as wide as a slab and a leg usually are (own assumption: 30 mm and 45 mm). */
function onLegs({ width: w, height: h }: Unit): string {
  const slab = Math.min(30, h);
  const leg = Math.min(45, w / 2);
  return `M0 0H${w}V${h}H${w - leg}V${slab}H${leg}V${h}H0Z`;
}

/** A place of a front, over which a thing may be let go. */
function PlaceGroup({ id, drop, ...rest }: { id: string; drop: boolean } & SVGProps<SVGGElement>) {
  const { setNodeRef, isOver } = useDroppable({ id: `front:${id}`, data: { placeId: id }, disabled: !drop });
  return <g {...rest} ref={(e) => setNodeRef(e as unknown as HTMLElement | null)} opacity={isOver ? 0.6 : undefined} />;
}

/** Containers that reach no higher than this share of their place leave room for its name. */
const LOW = 0.55;

/** Letters on a front are no larger, mm of the unit. */
const MOST_LETTER = 34;

/** What a place is called, in the longest way that goes into so much room in letters that can be read; null: none does, or nothing lives there. */
function nameThatFits(plan: Plan, placeId: string, width: number, height: number, least: number) {
  const name = height < least * 1.1 ? null : nameOfPlace(plan, placeId);
  if (!name) return null;
  const words = shorterNames(name).find((w) => w.length * LETTER_WIDTH * least <= width);
  if (words === undefined) return null;
  return { words, size: Math.max(least, Math.min(MOST_LETTER, width / (words.length * LETTER_WIDTH), height * 0.7)) };
}
/** How wide a letter is about, as a share of its size. */
const LETTER_WIDTH = 0.55;

/** What stands in a place, as it is seen from the front. */
function Boxes({ plan, place, y, height, least, named }: Shown & { named: boolean }) {
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

/** Names of what lives in a place, as many lines as it is high enough for. */
type Shown = {
  plan: Plan;
  place: Place;
  y: number;
  height: number;
  /** letters smaller than this are not drawn, mm of the unit */
  least: number;
};

function Contents({ plan, place, y, height, least }: Shown) {
  // names of what stands in it would lie over its own
  const named = placesIn(plan, place.id).filter((p) => homesIn(plan, p.id).length > 0);
  if (named.some((p) => p.bottom + outerOf(plan, p).height > height * LOW)) return null;
  // a thing and its reserve are one name
  const names = [...new Set(homesIn(plan, place.id).flatMap((h) => plan.supplies[h.supplyId]?.name ?? []))];
  const called = names.length > 1 ? nameOfPlace(plan, place.id) : null;
  if (called && (names.length > 3 || called.names.length === 1)) names.unshift(called.words);
  const longest = Math.max(5, ...names.map((n) => n.length));
  const whole = Math.min(Math.max(MOST_LETTER, least), (place.width / longest) * 1.8, height * 0.7);
  // where what lies there cannot be read, what it is called can
  const said = whole < least ? nameThatFits(plan, place.id, place.width, height, least) : null;
  const size = said?.size ?? whole;
  const lines = Math.floor(height / (size * 1.15));
  if (names.length === 0 || lines < 1 || (whole < least && said === null)) return null;
  // what has room for one line says what it is called
  const one = lines === 1 && called !== null;
  const shown = said
    ? [said.words]
    : one
      ? [called.words]
      : names.length > lines
        ? [...names.slice(0, lines - 1), `and ${names.length - lines + 1} more`]
        : names;
  return (
    <g aria-hidden pointerEvents="none" fontSize={size} fill="var(--ink)" textAnchor="middle" {...halo(size / 5)}>
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
