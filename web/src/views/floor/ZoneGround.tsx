import { useId } from 'react';
import { type Point, prismFootprint } from '@heronstone/core/geometry';
import { compartmentsOf, type Plan, roomOf, type Unit, type Zone, zoneOf } from '@heronstone/core/plan';
import { unitPrism } from '@heronstone/core/room';
import { patternOf, ZonePatterns } from '../zones/marks.tsx';
import { path, type Turn } from './turn.ts';

/** So far the ground of a zone reaches round its units, mm. */
const AROUND = 130;

type Ground = { key: string; zone: Zone; corners: Point[]; at: Point; area: number };

/** The ground of every zone: what lies round its units; a unit of several zones has a strip of each. */
function groundsOf(plan: Plan, turn: Turn): Ground[] {
  return Object.values(plan.units).flatMap((unit) => {
    if (unit.mount === 'away' || unit.keptInId !== null) return [];
    const own = zonesOfUnit(plan, unit);
    return own.map((zoneId, i) => {
      const middle = stripAt(unit, i, own.length);
      const strip = unit.width / own.length;
      const width = strip + (own.length === 1 ? 2 * AROUND : 0);
      const body = unitPrism({ ...unit, ...middle, width, depth: unit.depth + 2 * AROUND });
      const corners = prismFootprint(body).map((p) => turn(p));
      return {
        key: `${unit.id} ${zoneId}`,
        zone: plan.zones[zoneId]!,
        corners,
        at: turn(middle),
        area: strip * unit.depth,
      };
    });
  });
}

/** Zones as ground under their units, within the walls. */
export function ZoneGround({ plan, turn, scale }: { plan: Plan; turn: Turn; scale: number }) {
  const id = useId();
  const zones = Object.values(plan.zones);
  if (zones.length === 0) return null;
  const { outline, closes } = roomOf(plan);
  return (
    <g pointerEvents="none" clipPath={closes ? `url(#${id})` : undefined}>
      <ZonePatterns zones={zones} on={id} size={9 * scale} />
      {closes && (
        <clipPath id={id}>
          <path d={`${path(outline.map((p) => turn(p)))}Z`} />
        </clipPath>
      )}
      {groundsOf(plan, turn).map(({ key, zone, corners }) => (
        <path key={key} data-zone-ground={zone.id} d={`${path(corners)}Z`} fill={patternOf(zone, id)} />
      ))}
    </g>
  );
}

/** The name of every zone, once, on its largest ground. */
export function ZoneNames({ plan, turn, scale }: { plan: Plan; turn: Turn; scale: number }) {
  const largest = new Map<string, Ground>();
  for (const ground of groundsOf(plan, turn))
    if (ground.area > (largest.get(ground.zone.id)?.area ?? 0)) largest.set(ground.zone.id, ground);
  return (
    <g pointerEvents="none">
      {[...largest.values()].map(({ zone, at }) => (
        <text
          key={zone.id}
          x={at.x}
          y={at.y + 24 * scale}
          fontSize={12.5 * scale}
          fontStyle="italic"
          textAnchor="middle"
          fill="var(--ink)"
          stroke="var(--ground)"
          strokeWidth={3 * scale}
          paintOrder="stroke"
        >
          {zone.name}
        </text>
      ))}
    </g>
  );
}

/** Zones that a unit has places of, its own first. */
export function zonesOfUnit(plan: Plan, unit: Unit): string[] {
  const zones = new Set<string>();
  if (unit.zoneId !== null) zones.add(unit.zoneId);
  for (const place of compartmentsOf(plan, unit.id)) {
    const zone = zoneOf(plan, place);
    if (zone !== null) zones.add(zone);
  }
  return [...zones].filter((id) => plan.zones[id]);
}

/** The middle of one of several strips of a unit, from its left. */
function stripAt(unit: Unit, i: number, of: number): { x: number; y: number } {
  const body = unitPrism(unit);
  const u = ((i + 0.5) / of - 0.5) * unit.width;
  return { x: unit.x + body.rightX * u, y: unit.y + body.rightY * u };
}
