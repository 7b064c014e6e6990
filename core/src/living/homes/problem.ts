import { type Plan } from '../../record/plan/index.ts';
import {
  apartOf,
  groups,
  type Homes,
  LOAD,
  mixingOf,
  resourceOf,
  rowsOf,
  type SlottingProblem,
  type SlottingTable,
} from '../slotting/index.ts';
import { Mixing } from './mixing.ts';
import { SAG, type Translation } from './translation.ts';
import { translated } from './translating.ts';

/**
 * The problem with so much of each place's room for use (in its measure, pins and boxes included; by default what is free of room to grow, or what
 * today's homes use where that is more). A thing that needs more than that but not more than the place holds may fill it by itself.
 */
export function problemOf(translation: Translation, room: (placeId: string) => number = roomBefore(translation)) {
  const { places, lots, lotOf, periods, families, charges, sorts, lookSpread, rows } = translation;
  const most = new Map([...places.keys()].map((id) => [id, room(id)]));
  /** one figure for the whole year, or one a period */
  const inPeriods = (use: number, there: number): number | number[] =>
    periods === 1 ? use : Array.from({ length: periods }, (_, t) => ((there >> t) & 1 ? use : 0));
  return {
    format: 'heronstone-slotting/3' as const,
    places: [...places].map(([id, p]) => ({
      id,
      capacity: Math.max(0, most.get(id)! - p.fixed),
      load: p.load,
      ...(p.sagFrom < p.load ? { sag: { from: p.sagFrom, cost: SAG } } : {}),
    })),
    lots: lots
      .map((lot) => ({
        ...lot,
        options: lot.options.map((o) => ({
          ...o,
          use: inPeriods(Math.floor(Math.min(o.use, most.get(o.place)!) * 100) / 100, lotOf.get(lot.id)!.periods),
        })),
      }))
      .concat(
        sorts.staying.map(({ id, place }) => ({
          ...{ id, weight: 0, leave: STAYS },
          options: [{ place, cost: 0, use: 0 }],
        })),
      ),
    families: families.map((f) => ({ ...f, spread: f.spread + (lookSpread.get(f.id) ?? 0) })),
    charges,
    mixing: {
      concepts: membersOf(sorts).map((lots, c) => ({ id: sorts.concepts[c]!, lots })),
      cost: 0,
      at: Object.fromEntries(sorts.nameMore),
    },
    apart: apartOfLots(sorts),
    rows: rows.map((row) => [...row]),
  } satisfies SlottingProblem;
}

/** The lots, and what stays, of each concept. */
function membersOf(sorts: Translation['sorts']): string[][] {
  const members: string[][] = sorts.concepts.map(() => []);
  for (const [lot, concepts] of sorts.conceptsOf) for (const c of concepts) members[c]!.push(lot);
  return members;
}

/** What stays never leaves: a lot of it without a home would cost so much. */
const STAYS = 1e6;

/** What lots must be apart from each other; from what stays their options are struck already. */
const apartOfLots = ({ apart, staying }: Translation['sorts']): Translation['sorts']['apart'] => {
  const stays = new Set(staying.map((s) => s.id));
  const lots = (list: readonly string[]) => list.filter((id) => !stays.has(id));
  return apart.flatMap((pair) => {
    const [some, from] = [lots(pair.lots), lots(pair.from)];
    return some.length > 0 && from.length > 0 ? [{ ...pair, lots: some, from }] : [];
  });
};

/**
 * {@link problemOf} as the engine takes it, without an object for every option.
 * @param spreads false: without the stand-in for looking, where that is counted besides
 */
export function tableOf(
  translation: Translation,
  room: (placeId: string) => number = roomBefore(translation),
  spreads = true,
): SlottingTable {
  const { places, lotOf, periods, families, charges, sorts, lookSpread, rows } = translation;
  const { lots: own } = translation;
  const lots = [
    ...own,
    ...sorts.staying.map(({ id, place }) => ({
      ...{ id, weight: 0, leave: STAYS },
      options: [{ place, cost: 0, use: 0 }],
    })),
  ];
  const ids = [...places.keys()];
  const placeIndex = new Map(ids.map((id, i) => [id, i]));
  const lotIndex = new Map(lots.map((lot, i) => [lot.id, i]));
  const most = Float64Array.from(ids, room);
  const resources = periods + 1;
  const capacity = new Float64Array(ids.length * resources);
  for (const [p, id] of ids.entries()) {
    const { fixed, load } = places.get(id)!;
    for (let t = 0; t < periods; t++) capacity[p * resources + resourceOf(t)] = Math.max(0, most[p]! - fixed);
    capacity[p * resources + LOAD] = load;
  }
  const optStart = new Int32Array(lots.length + 1);
  for (const [l, lot] of lots.entries()) optStart[l + 1] = optStart[l]! + lot.options.length;
  const n = optStart[lots.length]!;
  const optPlace = new Int32Array(n);
  const optCost = new Float64Array(n);
  const optUse = new Float64Array(n * resources);
  let i = 0;
  for (const lot of lots) {
    const there = lotOf.get(lot.id)?.periods ?? 0;
    for (const o of lot.options) {
      const p = placeIndex.get(o.place)!;
      optPlace[i] = p;
      optCost[i] = o.cost;
      const use = Math.floor(Math.min(o.use, most[p]!) * 100) / 100;
      for (let t = 0; t < periods; t++) if ((there >> t) & 1) optUse[i * resources + resourceOf(t)] = use;
      optUse[i * resources + LOAD] = lot.weight;
      i++;
    }
  }
  const members = groups(families.map((f) => f.lots.map((id) => lotIndex.get(id)!)));
  const over = groups(charges.map((c) => c.places.map((id) => placeIndex.get(id)!)));
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
    spread: Float64Array.from(families, (f) => f.spread + (spreads ? (lookSpread.get(f.id) ?? 0) : 0)),
    rowOf: rowsOf(
      rows.map((row) => row.map((id) => placeIndex.get(id)!)),
      ids.length,
    ),
    chargeStart: charged.start,
    chargeLot: charged.flat,
    chargePlaceStart: over.start,
    chargePlace: over.flat,
    chargeCost: Float64Array.from(charges, (c) => c.cost),
    sagFrom: Float64Array.from(ids, (id) => places.get(id)!.sagFrom),
    sagCost: Float64Array.from(ids, (id) => (places.get(id)!.sagFrom < places.get(id)!.load ? SAG : 0)),
    ...mixingOf(
      membersOf(sorts).map((members) => members.map((id) => lotIndex.get(id)!)),
      Float64Array.from(ids, (id) => sorts.nameMore.get(id)!),
    ),
    ...apartOf(
      apartOfLots(sorts).map(({ lots, from, places }) => ({
        lots: lots.map((id) => lotIndex.get(id)!),
        from: from.map((id) => lotIndex.get(id)!),
        ...(places ? { places: places.map((id) => placeIndex.get(id)!) } : {}),
      })),
      lots.length,
      ids.length,
    ),
  };
}

/**
 * What homes cost by the engine’s measure: what {@link problemOf} would say, without making it.
 * @param spreads false: without the stand-in for looking
 */
export function totalOf(
  { lots, families, charges, places, sorts, lookSpread, rows }: Translation,
  homes: Homes,
  spreads = true,
): number {
  const rowOf = new Map(rows.flatMap((row) => row.map((id) => [id, row[0]!])));
  const placeOf = new Map(homes.map((h) => [h.lot, h.place]));
  const carried = new Map<string, number>();
  let total = 0;
  for (const lot of lots) {
    const place = placeOf.get(lot.id);
    total += place === undefined ? lot.leave : lot.options.find((o) => o.place === place)!.cost;
    if (place !== undefined) carried.set(place, (carried.get(place) ?? 0) + lot.weight);
  }
  for (const [id, mass] of carried) if (mass > places.get(id)!.sagFrom + 1e-6) total += SAG;
  for (const { id, lots: members, spread } of families)
    total +=
      (spread + (spreads ? (lookSpread.get(id) ?? 0) : 0)) *
      Math.max(0, new Set(members.flatMap((id) => rowOf.get(placeOf.get(id)!) ?? placeOf.get(id) ?? [])).size - 1);
  for (const { places: over, lots: members, cost } of charges) {
    const any = new Set(over);
    if (members.some((id) => any.has(placeOf.get(id) ?? ''))) total += cost;
  }
  return total + new Mixing(sorts, homes).total;
}

/** What may be used of a place before room to grow gives way: today's homes keep what they have, they are laid there. */
export const roomBefore =
  ({ places }: Translation) =>
  (placeId: string): number => {
    const { fixed, today, target } = places.get(placeId)!;
    return Math.max(target, fixed + today);
  };

/** The plan as a slotting problem, room to grow kept free where today's homes leave it. */
export const slottingOf = (plan: Plan): SlottingProblem => problemOf(translated(plan));

/** What is used of places in each period of the year with some homes, and what they carry; pins and boxes included. */
export class Used {
  private readonly room = new Map<string, Float64Array>();
  private readonly carry = new Map<string, Float64Array>();

  constructor(
    private readonly translation: Translation,
    homes: Homes = [],
  ) {
    const { places, periods, lots } = translation;
    for (const [id, { fixed }] of places) {
      this.room.set(id, new Float64Array(periods).fill(fixed));
      this.carry.set(id, new Float64Array(periods));
    }
    if (homes.length === 0) return;
    const byId = new Map(lots.map((lot) => [lot.id, lot]));
    for (const { lot, place } of homes) this.add(byId.get(lot)!, place);
  }

  private useOf(lot: Translation['lots'][number], place: string): number {
    return lot.options.find((o) => o.place === place)!.use;
  }

  add(lot: Translation['lots'][number], place: string, use = this.useOf(lot, place)): void {
    const there = this.translation.lotOf.get(lot.id)!.periods;
    const [room, carry] = [this.room.get(place)!, this.carry.get(place)!];
    for (let t = 0; t < room.length; t++)
      if ((there >> t) & 1) {
        room[t]! += use;
        carry[t]! += lot.weight;
      }
  }

  /** Whether a lot goes in beside what is there, while it is there. */
  takes(lot: Translation['lots'][number], place: string, use: number, most: number, slack = 0): boolean {
    const { load } = this.translation.places.get(place)!;
    const there = this.translation.lotOf.get(lot.id)!.periods;
    const [room, carry] = [this.room.get(place)!, this.carry.get(place)!];
    for (let t = 0; t < room.length; t++)
      if ((there >> t) & 1 && (room[t]! + use > most + slack || carry[t]! + lot.weight > load + 1e-9)) return false;
    return true;
  }

  /** What a lot costs more where the board is seen to sag only with it, s a year. */
  sagWith(lot: Translation['lots'][number], place: string): number {
    const now = Math.max(...this.carry.get(place)!);
    const { sagFrom } = this.translation.places.get(place)!;
    return now <= sagFrom + 1e-6 && now + lot.weight > sagFrom + 1e-6 ? SAG : 0;
  }

  /** What is used of a place when it is fullest. */
  most(place: string): number {
    return Math.max(...this.room.get(place)!);
  }
}
