import { fitSupply } from '../fit/index.ts';
import { type Command, massOf, type Plan, type Share, type Supply } from '../plan/index.ts';
import { sceneOf, type Spot } from '../reach/index.ts';
import { type Homes, type SlottingProblem } from '../slotting/index.ts';
import { costInPlace } from './cost.ts';
import { boxTakes } from './filling.ts';
import { costWithoutHome, heldIn, SPREAD } from './tally.ts';

/** Moving a share from today's home once, s (own assumption until the moves are worked out). */
const MOVE_ONCE = 45;
/** So much more than its width a place may be said to hold, mm: rounding of sizes that were added up. */
const CLOSE = 0.5;
/** Width of an average kind in a place, mm: how many kinds a full place is taken to show (own assumption). */
const KIND_WIDTH = 120;

export const lotId = (supply: Pick<Supply, 'id'>, share: Share): string => `${supply.id}.${share}`;

/** A plan as a slotting problem before it is said how much of each place's room may be used. */
export type Translation = {
  lots: SlottingProblem['lots'];
  families: SlottingProblem['families'];
  /** by place id, in order: inside width, what pins and boxes take of it, what today's movable homes take, mm; load left, g */
  places: ReadonlyMap<string, { width: number; fixed: number; today: number; load: number; target: number }>;
  /** today's homes that work, those that matter most first */
  today: Homes;
};

/**
 * Translates a plan: one lot for every share with a count, costs in seconds a year, use as frontage in mm. A share that is pinned, or has a
 * home and could go nowhere else (not measured yet, say), is no lot and takes its room. Yields after each supply, so that a caller can breathe.
 */
export function* translating(plan: Plan): Generator<void, Translation> {
  const scene = sceneOf(plan);
  const spots = [...scene.spots.values()].sort((a, b) => (a.place.id < b.place.id ? -1 : 1));
  const places = new Map(
    spots.map(({ place }) => [
      place.id,
      { width: place.width, fixed: 0, today: 0, load: place.load, target: place.width * (1 - plan.head.growth) },
    ]),
  );
  const take = (placeId: string, frontage: number, mass: number) => {
    const place = places.get(placeId);
    if (!place) return;
    place.fixed += frontage;
    place.load = Math.max(0, place.load - mass);
  };
  for (const box of Object.values(plan.units)) {
    const place = box.keptInId ? plan.places[box.keptInId] : undefined;
    if (!place) continue;
    const takes = boxTakes(plan, box, place);
    // what will be in the box is not known yet: so much of the load is kept for it, and no more goes into it
    const inside = Object.values(plan.places).filter((p) => p.unitId === box.id);
    const loads = inside.reduce((sum, p) => sum + p.load, 0);
    const empty = massOf(box);
    const kept = Math.max(takes.mass - empty, Math.min(loads, (place.load - empty) / 2));
    take(place.id, takes.frontage, empty + kept);
    for (const p of inside) places.get(p.id)!.load *= loads > 0 ? Math.max(0, kept) / loads : 0;
  }
  const lots: SlottingProblem['lots'] = [];
  const families = new Map<string, string[]>();
  for (const supply of Object.values(plan.supplies).sort((a, b) => (a.id < b.id ? -1 : 1))) {
    for (const share of ['working', 'backstock'] as const) {
      const count = supply[share];
      if (count === 0) continue;
      const id = lotId(supply, share);
      const home = plan.homes[id];
      const weight = count * supply.mass;
      const options = home?.pinned
        ? []
        : spots.flatMap((spot) => option(plan, supply, share, count, spot, home?.placeId));
      // what could go nowhere else stays where it lies
      if (home && options.length === 0) {
        const spot = scene.spots.get(home.placeId);
        const fit = spot ? fitSupply(spot.place, supply, count) : null;
        const unknown = fit && !fit.ok && fit.reason === 'not measured yet';
        take(home.placeId, fit?.ok ? fit.frontage : unknown ? 0 : (spot?.place.width ?? 0), weight);
        continue;
      }
      lots.push({
        id,
        weight,
        leave: costWithoutHome(plan, supply, share),
        options,
      });
      if (supply.family && share === 'working')
        families.set(supply.family, [...(families.get(supply.family) ?? []), id]);
    }
    yield;
  }
  const frontage = new Map<string, number>();
  for (const lot of lots) for (const o of lot.options) frontage.set(`${lot.id} ${o.place}`, o.use);
  const leave = new Map(lots.map((lot) => [lot.id, lot.leave]));
  const today: { lot: string; place: string }[] = [];
  for (const { place } of spots)
    for (const home of heldIn(plan, place)) {
      const use = frontage.get(`${home.id} ${place.id}`);
      if (use === undefined) continue;
      places.get(place.id)!.today += use;
      today.push({ lot: home.id, place: place.id });
    }
  today.sort((a, b) => leave.get(b.lot)! - leave.get(a.lot)!);
  return {
    lots,
    families: [...families]
      .filter(([, ids]) => ids.length > 1)
      .map(([id, ids]) => ({ id, lots: ids, spread: SPREAD[plan.head.grouping] })),
    places,
    today,
  };
}

/**
 * The problem with so much of each place's width for use (mm, pins and boxes included; by default what is free of room to grow, or what today's
 * homes use where that is more). A thing that needs more than that but not more than the place is wide may fill it by itself.
 */
export function problemOf(translation: Translation, room: (placeId: string) => number = roomBefore(translation)) {
  const { places, lots, families } = translation;
  const most = new Map([...places.keys()].map((id) => [id, room(id)]));
  return {
    format: 'heronstone-slotting/1' as const,
    places: [...places].map(([id, p]) => ({ id, capacity: Math.max(0, most.get(id)! - p.fixed), load: p.load })),
    lots: lots.map((lot) => ({
      ...lot,
      options: lot.options.map((o) => ({ ...o, use: Math.floor(Math.min(o.use, most.get(o.place)!) * 100) / 100 })),
    })),
    families,
  } satisfies SlottingProblem;
}

/** What may be used of a place before room to grow gives way: today's homes keep what they have. */
export const roomBefore =
  ({ places }: Translation) =>
  (placeId: string): number => {
    const { width, fixed, today, target } = places.get(placeId)!;
    return Math.max(target, Math.min(width + CLOSE, fixed + today));
  };

/** The plan as a slotting problem, room to grow kept free where today's homes leave it. */
export function slottingOf(plan: Plan): SlottingProblem {
  const work = translating(plan);
  for (;;) {
    const step = work.next();
    if (step.done) return problemOf(step.value);
  }
}

function option(
  plan: Plan,
  supply: Supply,
  share: Share,
  count: number,
  spot: Spot,
  today: string | undefined,
): { place: string; cost: number; use: number }[] {
  const fit = fitSupply(spot.place, supply, count);
  if (!fit.ok) return [];
  const kinds = Math.max(1, Math.min(12, Math.round(spot.place.width / KIND_WIDTH)));
  const cost = costInPlace(plan, supply, share, spot.place.id, kinds);
  if (!cost || !Number.isFinite(cost.seconds)) return [];
  const move = today !== undefined && today !== spot.place.id ? MOVE_ONCE : 0;
  return [{ place: spot.place.id, cost: Math.round((cost.seconds + move) * 100) / 100, use: fit.frontage }];
}

/** The command that moves every share where the answer puts it; pinned homes are not in the answer and stay. */
export function settleCommand(
  plan: Plan,
  answer: { homes: Homes; unplaced: readonly string[] },
  since: string,
): Command & { type: 'settle' } {
  const split = (lot: string): { supplyId: string; share: Share } => {
    const dot = lot.lastIndexOf('.');
    return { supplyId: lot.slice(0, dot), share: lot.slice(dot + 1) as Share };
  };
  const moved = answer.homes.filter(({ lot, place }) => plan.homes[lot]?.placeId !== place);
  const left = answer.unplaced.filter((lot) => plan.homes[lot]);
  return {
    type: 'settle',
    since,
    homes: [
      ...left.map((lot) => ({ ...split(lot), placeId: null })),
      ...moved.map(({ lot, place }) => ({ ...split(lot), placeId: place })),
    ],
  };
}
