import { placeFilling } from '../../living/homes/index.ts';
import { liftLimit } from '../../space/loads/index.ts';
import { goesIn } from '../../things/fit/index.ts';
import {
  type Command,
  homesIn,
  homesOf,
  massOf,
  type Place,
  placeTitle,
  type Plan,
  type Station,
  type Supply,
  type Unit,
  saidIn,
} from '../../record/plan/index.ts';

/** What travels to a station, and whether it is packed for it. */
export type Packing = {
  traveller: Unit;
  places: Place[];
  /** used by the activity and in it */
  packed: Supply[];
  /** used by the activity and somewhere else */
  missing: Supply[];
  /** in it and not used by the activity */
  idle: Supply[];
  /** box and contents, g */
  mass: number;
  /** what is not right, in sentences */
  trouble: string[];
  care: string | null;
};

/** Hands before the ankles when a box is carried close, mm; from a shelf to a table, mm (own assumptions). */
const CARRY = { horizontal: 400, travel: 500 };

/** A kit’s box or a cart against what its activity reaches for. Null for a station without one. */
export function packingOf(plan: Plan, station: Station): Packing | null {
  const traveller = station.travellerId ? plan.units[station.travellerId] : undefined;
  if (!traveller || station.housing === 'station') return null;
  const places = Object.values(plan.places)
    .filter((p) => p.unitId === traveller.id)
    .sort((a, b) => (a.id < b.id ? -1 : 1));
  const inside = new Set(
    places.flatMap((p) => homesIn(plan, p.id).flatMap((h) => (h.share === 'working' ? [h.supplyId] : []))),
  );
  const used = suppliesOf(plan, station.activityId);
  const fillings = places.map((p) => placeFilling(plan, p));
  const mass = massOf(traveller) + fillings.reduce((sum, f) => sum + f.mass, 0);
  const trouble = fillings.flatMap((f, i) => f.faults.map((fault) => `${placeTitle(plan, places[i]!)}: ${fault}.`));
  const holder = traveller.keptInId ? plan.places[traveller.keptInId] : undefined;
  if (holder) {
    const fit = goesIn(holder, traveller);
    if (!fit.ok) trouble.push(`${traveller.name} does not go into ${placeTitle(plan, holder)}: ${fit.words}.`);
  }
  let care: string | null = null;
  if (station.housing === 'kit') {
    const from = holder ? (plan.units[holder.unitId]?.bottom ?? 0) + holder.bottom : traveller.bottom;
    const limit = 1000 * liftLimit({ ...CARRY, vertical: Math.max(0, from), twist: 0, coupling: 'fair' });
    if (mass > limit) {
      trouble.push(
        `Packed it weighs ${(mass / 1000).toFixed(1)} kg; lifted from where it is kept, ${(limit / 1000).toFixed(1)} kg is advised (revised NIOSH equation, from memory).`,
      );
      care = 'Lift with two, or pack two boxes. Whoever has a bad back asks a doctor first.';
    }
  }
  return {
    traveller,
    places,
    packed: used.filter((s) => inside.has(s.id)),
    missing: used.filter((s) => !inside.has(s.id)),
    idle: [...inside].flatMap((id) => (used.some((s) => s.id === id) ? [] : (plan.supplies[id] ?? []))),
    mass,
    trouble: trouble.map((words) => saidIn(plan, words)),
    care,
  };
}

/** What an activity reaches for, the most fetched first. */
export function suppliesOf(plan: Plan, activityId: string): Supply[] {
  return Object.values(plan.uses)
    .filter((u) => u.activityId === activityId && u.fetches > 0)
    .sort((a, b) => b.fetches - a.fetches || (a.supplyId < b.supplyId ? -1 : 1))
    .flatMap((u) => plan.supplies[u.supplyId] ?? []);
}

/**
 * Puts what is missing into the box or cart, the most fetched first, as long as it goes in with what is there already; what does not go in
 * stays where it is. Null when nothing more goes in.
 * @param since ISO date
 */
export function packCommand(
  plan: Plan,
  station: Station,
  since: string,
  tryOut: (plan: Plan, command: Command) => Plan | null,
): { command: Command; packed: Supply[]; left: Supply[] } | null {
  const packing = packingOf(plan, station);
  if (!packing) return null;
  let now = plan;
  const commands: Command[] = [];
  const packed: Supply[] = [];
  for (const supply of packing.missing) {
    if (supply.working === 0 || homesOf(plan, supply.id, 'working').some((h) => h.pinned)) continue;
    for (const place of packing.places) {
      const command: Command = { type: 'assignHome', supplyId: supply.id, share: 'working', placeId: place.id, since };
      const next = tryOut(now, command);
      const before = placeFilling(now, place).faults.length;
      if (!next || placeFilling(next, place).faults.length > before) continue;
      now = next;
      commands.push(command);
      packed.push(supply);
      break;
    }
  }
  if (commands.length === 0) return null;
  const left = packing.missing.filter((s) => !packed.includes(s));
  return {
    command: { type: 'several', words: `pack ${packing.traveller.name}`, commands: commands as never },
    packed,
    left,
  };
}
