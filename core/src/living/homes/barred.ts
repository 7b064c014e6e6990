import {
  type Ban,
  groupedBy,
  keptOutOf,
  type Place,
  type Plan,
  type Share,
  type Supply,
  zoneOf,
  zonesOf,
} from '../../record/plan/index.ts';
import { type Spot } from '../../space/reach/index.ts';
import { hasTravellers, strangerTo } from './arranged.ts';

/** What does not belong to a zone pays so much a year for living in it, and what belongs to one for living elsewhere, s (own assumption). */
export const NOT_IN_ZONE = 120;

const bySupply = groupedBy((ban: Ban) => ban.supplyId);

const cm = (mm: number) => `${Math.round(mm / 10)} cm`;

/**
 * Why a supply may not live in a place at all: a zone that is kept for other things only, a box packed for what it is not used for, or the maker’s own ban. Null: it may. A place kept out
 * of *find homes* is not barred: the maker may put there what she likes.
 */
export function barredFrom(plan: Plan, supply: Supply, spot: Spot): string | null {
  for (const ban of bySupply(plan.bans, supply.id)) {
    if (ban.unitId === spot.unit.id) return `${supply.name} is never to lie in ${spot.unit.name}.`;
    if (spot.away) continue;
    if (ban.above !== null && spot.grip.z > ban.above) return `${supply.name} is never to lie above ${cm(ban.above)}.`;
    if (ban.below !== null && spot.grip.z < ban.below) return `${supply.name} is never to lie below ${cm(ban.below)}.`;
  }
  const stranger = hasTravellers(plan) ? strangerTo(plan, supply, spot.unit.id) : null;
  if (stranger) return stranger;
  const zone = zoneAt(plan, spot.place);
  if (zone?.rule === 'only' && !zonesOf(plan, supply).has(zone.id))
    return `Only what is for ${zone.name} may live there.`;
  return null;
}

/** Whether there is anything that could bar a supply from any place: looked at before every place is. */
export const mayBeBarred = (plan: Plan, supply: Supply): boolean =>
  hasZones(plan) || hasTravellers(plan) || bySupply(plan.bans, supply.id).length > 0;

const zoned = new WeakMap<object, boolean>();
/** Whether a plan has any zones. */
export function hasZones(plan: Plan): boolean {
  let any = zoned.get(plan.zones);
  if (any === undefined) zoned.set(plan.zones, (any = Object.keys(plan.zones).length > 0));
  return any;
}

const zoneAt = (plan: Plan, place: Place) => {
  // the spot of a nested place is told in its unit’s measure; the zone is the plan’s
  const zoneId = zoneOf(plan, plan.places[place.id] ?? place);
  return zoneId === null ? undefined : plan.zones[zoneId];
};

/** What living in a foreign zone, or out of its own one, is set at a year; what is out of season may rest anywhere. Null: nothing. */
export function zonePenalty(
  plan: Plan,
  supply: Supply,
  place: Place,
  share: Share = 'working',
): { seconds: number; words: string } | null {
  if (!hasZones(plan)) return null;
  const zones = zonesOf(plan, supply);
  const zone = zoneAt(plan, place);
  if (zone && !zones.has(zone.id)) return { seconds: NOT_IN_ZONE, words: `The place is kept for ${zone.name} first.` };
  const [own] = zones;
  if (share !== 'resting' && !zone && own !== undefined && hasPlaces(plan, own))
    return { seconds: NOT_IN_ZONE, words: `It lies outside ${plan.zones[own]?.name ?? 'its zone'}.` };
  return null;
}

const placed = new WeakMap<object, { places: object; zones: Set<string> }>();
/** Whether any place is kept for a zone at all. */
function hasPlaces(plan: Plan, zoneId: string): boolean {
  let known = placed.get(plan.units);
  if (known?.places !== plan.places) {
    const zones = new Set<string>();
    for (const row of [...Object.values(plan.units), ...Object.values(plan.places)])
      if (row.zoneId !== null) zones.add(row.zoneId);
    placed.set(plan.units, (known = { places: plan.places, zones }));
  }
  return known.zones.has(zoneId);
}

/** Why *find homes* gives nothing a home in a place: it, or what it stands in, is kept out. Empty: it does. */
export const keptOut = (plan: Plan, place: Place): string => keptOutOf(plan, plan.places[place.id] ?? place);
