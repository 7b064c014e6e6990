import { fitSupply } from '../fit/index.ts';
import { type Command, type Plan, type Share, type Supply } from '../plan/index.ts';
import { sceneOf, type Spot } from '../reach/index.ts';
import { type SlottingAnswer, type SlottingProblem } from '../slotting/index.ts';
import { costInPlace } from './cost.ts';
import { boxTakes } from './filling.ts';
import { yearlyUses } from './uses.ts';

/** Yearly seconds for a family's second and every further place, by school (own assumption). */
const SPREAD = { kind: 900, activity: 240 } as const;
/** A thing without a home is dug out of a pile, and left lying in the way: seconds a year, plus seconds a fetch (own assumption). */
const LEAVE_YEAR = 3600;
const LEAVE_FETCH = 180;
/** Moving a share from today's home once, s (own assumption until the moves are worked out). */
const MOVE_ONCE = 45;
/** Width of an average kind in a place, mm: how many kinds a full place is taken to show (own assumption). */
const KIND_WIDTH = 120;

export const lotId = (supply: Supply, share: Share): string => `${supply.id}.${share}`;

/**
 * The plan as a slotting problem: one lot for every share with a count, places with their frontage less the room to grow,
 * costs in seconds a year. A share that is not measured has no option and stays without a home; a pinned one has its home only.
 */
export function slottingOf(plan: Plan): SlottingProblem {
  const scene = sceneOf(plan);
  const spots = [...scene.spots.values()].sort((a, b) => (a.place.id < b.place.id ? -1 : 1));
  const families = new Map<string, string[]>();
  const pinnedUse = new Map<string, number>();
  const pinnedMass = new Map<string, number>();
  const lots: SlottingProblem['lots'] = [];
  const supplies = Object.values(plan.supplies).sort((a, b) => (a.id < b.id ? -1 : 1));
  for (const box of Object.values(plan.units)) {
    const place = box.keptInId ? plan.places[box.keptInId] : undefined;
    if (!place) continue;
    const takes = boxTakes(plan, box, place);
    pinnedUse.set(place.id, (pinnedUse.get(place.id) ?? 0) + takes.frontage);
    pinnedMass.set(place.id, (pinnedMass.get(place.id) ?? 0) + takes.mass);
  }
  for (const supply of supplies) {
    for (const share of ['working', 'backstock'] as const) {
      const count = supply[share];
      if (count === 0) continue;
      const id = lotId(supply, share);
      const home = plan.homes[id];
      const weight = count * supply.mass;
      if (home?.pinned) {
        const spot = scene.spots.get(home.placeId);
        const fit = spot ? fitSupply(spot.place, supply, count) : null;
        const use = fit?.ok ? fit.frontage : (spot?.place.width ?? 0);
        pinnedUse.set(home.placeId, (pinnedUse.get(home.placeId) ?? 0) + use);
        pinnedMass.set(home.placeId, (pinnedMass.get(home.placeId) ?? 0) + weight);
        continue;
      }
      const fetches = yearlyUses(plan, supply, share).reduce((s, u) => s + u.fetches, 0);
      lots.push({
        id,
        weight,
        leave: LEAVE_YEAR + fetches * LEAVE_FETCH,
        options: spots.flatMap((spot) => option(plan, supply, share, count, spot, home?.placeId)),
      });
      if (supply.family && share === 'working')
        families.set(supply.family, [...(families.get(supply.family) ?? []), id]);
    }
  }
  return {
    format: 'heronstone-slotting/1',
    places: spots.map(({ place }) => ({
      id: place.id,
      capacity: Math.max(0, place.width * (1 - plan.head.growth) - (pinnedUse.get(place.id) ?? 0)),
      load: Math.max(0, place.load - (pinnedMass.get(place.id) ?? 0)),
    })),
    lots,
    families: [...families]
      .filter(([, ids]) => ids.length > 1)
      .map(([id, ids]) => ({ id, lots: ids, spread: SPREAD[plan.head.grouping] })),
  };
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
  // a thing that fills a place by itself may have it: there is no room to grow to be kept
  const use = Math.min(fit.frontage, spot.place.width * (1 - plan.head.growth));
  return [
    { place: spot.place.id, cost: Math.round((cost.seconds + move) * 100) / 100, use: Math.floor(use * 100) / 100 },
  ];
}

/** The command that moves every share where the answer puts it; pinned homes are not in the answer and stay. */
export function settleCommand(plan: Plan, answer: Pick<SlottingAnswer, 'homes' | 'unplaced'>, since: string): Command {
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
