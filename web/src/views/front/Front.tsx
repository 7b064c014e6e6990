import { useDroppable } from '@dnd-kit/core';
import { Fragment, type KeyboardEvent, type SVGProps } from 'react';
import { compartmentsOf, homesIn, type Plan, type Unit, zoneOf } from '@heronstone/core/plan';
import { factsOf } from '@heronstone/core/catalogue';
import { nameOfPlace } from '@heronstone/core/concepts';
import { placeFilling } from '@heronstone/core/homes';
import { LEAST_LETTER, useDrawnScale } from '../../ui/drawn-scale.ts';
import { useRoving } from '../../ui/roving.ts';
import { bandColour } from '../../ui/words.ts';
import { type PlaceLook } from '../round/looks.ts';
import { Things } from '../round/Things.tsx';
import { frontBox } from './front-box.ts';
import { patternOf, ZonePatterns } from '../zones/marks.tsx';
import { Boxes } from './Boxes.tsx';
import { Contents } from './Contents.tsx';

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
