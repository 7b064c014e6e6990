import { type Plan } from '../plan/index.ts';
import { groups, type Homes, LOAD, type SlottingProblem, type SlottingTable } from '../slotting/index.ts';
import { type Translation, translating } from './slotting.ts';

/**
 * The problem with so much of each place's room for use (in its measure, pins and boxes included; by default what is free of room to grow, or what
 * today's homes use where that is more). A thing that needs more than that but not more than the place holds may fill it by itself.
 */
export function problemOf(translation: Translation, room: (placeId: string) => number = roomBefore(translation)) {
  const { places, lots, families, charges } = translation;
  const most = new Map([...places.keys()].map((id) => [id, room(id)]));
  return {
    format: 'heronstone-slotting/2' as const,
    places: [...places].map(([id, p]) => ({ id, capacity: Math.max(0, most.get(id)! - p.fixed), load: p.load })),
    lots: lots.map((lot) => ({
      ...lot,
      options: lot.options.map((o) => ({ ...o, use: Math.floor(Math.min(o.use, most.get(o.place)!) * 100) / 100 })),
    })),
    families,
    charges,
  } satisfies SlottingProblem;
}

/** {@link problemOf} as the engine takes it, without an object for every option. */
export function tableOf(
  translation: Translation,
  room: (placeId: string) => number = roomBefore(translation),
): SlottingTable {
  const { places, lots, families, charges } = translation;
  const ids = [...places.keys()];
  const placeIndex = new Map(ids.map((id, i) => [id, i]));
  const lotIndex = new Map(lots.map((lot, i) => [lot.id, i]));
  const most = Float64Array.from(ids, room);
  const resources = 2;
  const capacity = new Float64Array(ids.length * resources);
  for (const [p, id] of ids.entries()) {
    const { fixed, load } = places.get(id)!;
    capacity[p * resources] = Math.max(0, most[p]! - fixed);
    capacity[p * resources + LOAD] = load;
  }
  const optStart = new Int32Array(lots.length + 1);
  for (const [l, lot] of lots.entries()) optStart[l + 1] = optStart[l]! + lot.options.length;
  const n = optStart[lots.length]!;
  const optPlace = new Int32Array(n);
  const optCost = new Float64Array(n);
  const optUse = new Float64Array(n * resources);
  let i = 0;
  for (const lot of lots)
    for (const o of lot.options) {
      const p = placeIndex.get(o.place)!;
      optPlace[i] = p;
      optCost[i] = o.cost;
      optUse[i * resources] = Math.floor(Math.min(o.use, most[p]!) * 100) / 100;
      optUse[i * resources + LOAD] = lot.weight;
      i++;
    }
  const members = groups(families.map((f) => f.lots.map((id) => lotIndex.get(id)!)));
  const charged = groups(charges.map((c) => c.lots.map((id) => lotIndex.get(id)!)));
  return {
    lots: lots.map((lot) => lot.id),
    places: ids,
    resources,
    capacity,
    leave: Float64Array.from(lots, (lot) => lot.leave),
    optStart,
    optPlace,
    optCost,
    optUse,
    famStart: members.start,
    famLot: members.flat,
    spread: Float64Array.from(families, (f) => f.spread),
    chargeStart: charged.start,
    chargeLot: charged.flat,
    chargePlace: Int32Array.from(charges, (c) => placeIndex.get(c.place)!),
    chargeCost: Float64Array.from(charges, (c) => c.cost),
  };
}

/** What homes cost by the engine’s measure: what {@link problemOf} would say, without making it. */
export function totalOf({ lots, families, charges }: Translation, homes: Homes): number {
  const placeOf = new Map(homes.map((h) => [h.lot, h.place]));
  let total = 0;
  for (const lot of lots) {
    const place = placeOf.get(lot.id);
    total += place === undefined ? lot.leave : lot.options.find((o) => o.place === place)!.cost;
  }
  for (const { lots: members, spread } of families)
    total += spread * Math.max(0, new Set(members.flatMap((id) => placeOf.get(id) ?? [])).size - 1);
  for (const { place, lots: members, cost } of charges)
    if (members.some((id) => placeOf.get(id) === place)) total += cost;
  return total;
}

/** What may be used of a place before room to grow gives way: today's homes keep what they have, they are laid there. */
export const roomBefore =
  ({ places }: Translation) =>
  (placeId: string): number => {
    const { fixed, today, target } = places.get(placeId)!;
    return Math.max(target, fixed + today);
  };

/** The plan as a slotting problem, room to grow kept free where today's homes leave it. */
export function slottingOf(plan: Plan): SlottingProblem {
  const work = translating(plan);
  for (;;) {
    const step = work.next();
    if (step.done) return problemOf(step.value);
  }
}
