import {
  type Command,
  compartmentsOf,
  newId,
  type Plan,
  type Zone,
  ZONE_MARKS,
  zonesOf,
} from '../../record/plan/index.ts';
import { NOT_IN_ZONE, translated, type Translation } from '../homes/index.ts';

/** A zone of its own for every activity that has none, at one key: a command, or null when all have one. */
export function zonesFromActivities(plan: Plan, makeId: () => string = () => newId('zone')): Command | null {
  const without = Object.values(plan.activities).filter((a) => a.zoneId === null);
  if (without.length === 0) return null;
  const taken = new Set(Object.values(plan.zones).map((z) => z.mark));
  let mark = 0;
  const commands = without.flatMap((activity): Command[] => {
    while (taken.has(mark % ZONE_MARKS) && mark < ZONE_MARKS) mark++;
    const id = makeId();
    const zone = { id, name: activity.name, rule: 'first' as const, mark: mark++ % ZONE_MARKS };
    return [
      { type: 'addZone', zone },
      { type: 'setActivity', id: activity.id, set: { zoneId: id } },
    ];
  });
  return { type: 'several', words: 'a zone for every activity', commands } as Command;
}

/** Which zone each unit is kept for; units left out are for all. */
export type Territory = ReadonlyMap<string, string>;

/** What the work goes on with: lots with their options by place, and which zones each may count as its own. */
type Quick = {
  lots: {
    leave: number;
    weight: number;
    zones: ReadonlySet<string>;
    options: { place: string; unit: string; cost: number; use: number }[];
  }[];
  rooms: ReadonlyMap<string, number>;
  rules: ReadonlyMap<string, Zone['rule']>;
};

/** The plan as it would be without any zone on it: everybody may live anywhere. */
export const withoutGround = (plan: Plan): Plan => ({
  ...plan,
  units: Object.fromEntries(
    Object.entries(plan.units).map(([id, u]) => [id, u.zoneId === null ? u : { ...u, zoneId: null }]),
  ),
  places: Object.fromEntries(
    Object.entries(plan.places).map(([id, p]) => [id, p.zoneId === null ? p : { ...p, zoneId: null }]),
  ),
});

function quickOf(plan: Plan, translation: Translation): Quick {
  const lots = translation.lots.map(({ id, leave, weight, options }) => ({
    leave,
    weight,
    zones: zonesOf(plan, translation.lotOf.get(id)!.supply),
    options: options
      .map((o) => ({ ...o, unit: plan.places[o.place]!.unitId }))
      .sort((a, b) => a.cost - b.cost || (a.place < b.place ? -1 : 1)),
  }));
  lots.sort((a, b) => b.leave - a.leave);
  const rooms = new Map([...translation.places].map(([id, p]) => [id, Math.max(0, p.target - p.fixed)]));
  return { lots, rooms, rules: new Map(Object.values(plan.zones).map((z) => [z.id, z.rule])) };
}

/**
 * Seconds a year of a quick homing under some territory: the dearest lot first, each to its cheapest place with room that is its own zone’s or
 * nobody’s. The measure the search goes by; the engine has the last word.
 */
export function territoryCost({ lots, rooms, rules }: Quick, territory: Territory): number {
  const left = new Map(rooms);
  const kept = new Set(territory.values());
  let total = 0;
  for (const lot of lots) {
    let cost = lot.leave;
    let best: (typeof lot.options)[number] | null = null;
    const homeless = [...lot.zones].some((z) => kept.has(z)) ? NOT_IN_ZONE : 0;
    for (const o of lot.options) {
      if (o.cost >= cost) break;
      const zone = territory.get(o.unit);
      const foreign = zone !== undefined && !lot.zones.has(zone);
      if ((foreign && rules.get(zone) === 'only') || o.use > left.get(o.place)!) continue;
      const there = o.cost + (foreign ? NOT_IN_ZONE : zone === undefined ? homeless : 0);
      if (there < cost) [cost, best] = [there, o];
    }
    if (best) left.set(best.place, left.get(best.place)! - best.use);
    total += cost;
  }
  return total;
}

export type Proposal = {
  territory: Territory;
  /** seconds a year by the quick homing: without zones, and with these */
  free: number;
  zoned: number;
};

/** Units that can be kept for a zone: they have places, and stand in the room. */
export const zonable = (plan: Plan): string[] =>
  Object.values(plan.units)
    .filter((u) => u.mount !== 'away' && compartmentsOf(plan, u.id).some((p) => p.kind !== 'top'))
    .map((u) => u.id)
    .sort();

/**
 * Zones for me: every unit to the zone that gains most. Begins with who would fetch most from each unit if all could live anywhere, then changes one
 * unit, or swaps two, as long as the quick homing costs less. A unit that serves several about alike is left to all. Where units are kept for zones already and
 * others would save less than ten minutes a year, they stay as they are.
 */
export function proposeZones(plan: Plan): Proposal {
  const bare = withoutGround(plan);
  const quick = quickOf(bare, translated(bare));
  const units = zonable(plan);
  // a zone to which nothing belongs yet gains nothing from a unit
  const zones = Object.keys(plan.zones)
    .filter((id) => quick.lots.some((lot) => lot.zones.has(id)))
    .sort();
  const free = territoryCost(quick, new Map());
  const tied = tiedUnits(plan);
  const territory = startFrom(quick, units, zones);
  for (const [unit, zone] of tied) territory.set(unit, zone);
  const open = units.filter((u) => !tied.has(u));
  let cost = territoryCost(quick, territory) + unsettled(units, territory);
  const attempt = (change: (t: Map<string, string>) => void): boolean => {
    const tried = new Map(territory);
    change(tried);
    const next = territoryCost(quick, tried) + unsettled(units, tried);
    if (next >= cost - 1e-6) return false;
    territory.clear();
    for (const [unit, zone] of tried) territory.set(unit, zone);
    cost = next;
    return true;
  };
  for (let better = true; better;) {
    better = false;
    for (const unit of open)
      for (const zone of [null, ...zones])
        better = attempt((t) => void (zone === null ? t.delete(unit) : t.set(unit, zone))) || better;
    for (const [i, a] of open.entries())
      for (const b of open.slice(i + 1))
        if (territory.get(a) !== territory.get(b))
          better =
            attempt((t) => {
              const [za, zb] = [t.get(a), t.get(b)];
              if (zb === undefined) t.delete(a);
              else t.set(a, zb);
              if (za === undefined) t.delete(b);
              else t.set(b, za);
            }) || better;
  }
  const today = territoryOf(plan, units);
  const stays = today.size > 0 && territoryCost(quick, today) + unsettled(units, today) - cost < WORTH;
  const kept = stays ? today : territory;
  return { territory: kept, free, zoned: territoryCost(quick, kept) };
}

/** Fewer seconds a year are no offer (own assumption: ten minutes). */
const WORTH = 600;

/** Which units are kept for which zones today. */
function territoryOf(plan: Plan, units: readonly string[]): Territory {
  return new Map(
    units.flatMap((id): [string, string][] => {
      const { zoneId } = plan.units[id]!;
      return zoneId === null ? [] : [[id, zoneId]];
    }),
  );
}

/** A unit left to all is worth so much less than one that somebody can count on, s a year (own assumption). */
const UNSETTLED = 600;
const unsettled = (units: readonly string[], territory: Territory): number =>
  UNSETTLED * units.filter((u) => !territory.has(u)).length;

/** What {@link proposeZones} makes as small as it can, for any territory of a plan; for checking it on small plans. */
export function proposalCosts(plan: Plan): (territory: Territory) => number {
  const bare = withoutGround(plan);
  const quick = quickOf(bare, translated(bare));
  return (territory) => territoryCost(quick, territory) + unsettled(zonable(plan), territory);
}

/** What one works at, and the cart or box that comes along, goes with the zone that alone is worked there. */
export function tiedUnits(plan: Plan): Map<string, string> {
  const zonesAt = new Map<string, Set<string>>();
  for (const station of Object.values(plan.stations)) {
    const zone = plan.activities[station.activityId]?.zoneId;
    for (const unit of [station.unitId, station.travellerId])
      if (unit !== null && zone) zonesAt.set(unit, (zonesAt.get(unit) ?? new Set()).add(zone));
  }
  const able = new Set(zonable(plan));
  return new Map(
    [...zonesAt].flatMap(([unit, zones]) => (zones.size === 1 && able.has(unit) ? [[unit, [...zones][0]!]] : [])),
  );
}

/** Who would fetch most from each unit if all could live anywhere. */
function startFrom({ lots, rooms }: Quick, units: readonly string[], zones: readonly string[]): Map<string, string> {
  const left = new Map(rooms);
  const weight = new Map<string, Map<string, number>>();
  for (const lot of lots)
    for (const o of lot.options) {
      const room = left.get(o.place)!;
      if (o.use > room || o.cost >= lot.leave) continue;
      left.set(o.place, room - o.use);
      const unit = weight.get(o.unit) ?? new Map<string, number>();
      weight.set(o.unit, unit);
      for (const zone of lot.zones) unit.set(zone, (unit.get(zone) ?? 0) + lot.leave / lot.zones.size);
      break;
    }
  const out = new Map<string, string>();
  for (const unit of units) {
    const [best] = [...(weight.get(unit) ?? [])]
      .filter(([z]) => zones.includes(z))
      .sort((a, b) => b[1] - a[1] || (a[0] < b[0] ? -1 : 1));
    if (best) out.set(unit, best[0]);
  }
  return out;
}

/** The command that keeps units for the zones proposed; places that say otherwise themselves keep to that. */
export function keepCommand(plan: Plan, territory: Territory): Command | null {
  const commands = zonable(plan).flatMap((id): Command[] => {
    const zoneId = territory.get(id) ?? null;
    return plan.units[id]!.zoneId === zoneId ? [] : [{ type: 'setUnit', id, set: { zoneId } }];
  });
  return commands.length === 0 ? null : ({ type: 'several', words: 'zones for me', commands } as Command);
}
