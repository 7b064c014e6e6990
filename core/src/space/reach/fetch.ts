import { coverMotions, type Motion } from './covers.ts';
import { graspOf, type Handling } from './handling.ts';
import { storedMotions } from './stored.ts';
import { type Maker } from './maker.ts';
import { findTmu, inches, moveB, reachB, reachC, SECONDS_PER_TMU, TMU } from './mtm.ts';
import { type Unit } from '../../record/plan/index.ts';
import { type Scene, type Spot } from './spot.ts';
import { coverTravel, type Refusal } from './way.ts';
import { cheapestWay, type Ways } from './ways.ts';

/** Bands by what the body does; index = number. */
export const BANDS = ['', 'hand', 'arm', 'turn', 'rise', 'walk', 'climb', 'away'] as const;
export type BandNumber = 1 | 2 | 3 | 4 | 5 | 6 | 7;

export type ReachMotion = Motion & { part: 'get' | 'put back' };
export type Fetched = {
  ok: true;
  band: BandNumber;
  tmu: number;
  seconds: number;
  motions: ReachMotion[];
  /** what the body does on the way there and back; made again to put it back */
  way: readonly Motion[];
  getTmu: number;
};
export type OutOfReach = { ok: false; refusal: Refusal; reason: string };
/** What one fetch (getting it and putting it back) asks of a maker; or why she does not get there. */
export type Fetch = Fetched | OutOfReach;

const WHY: Record<Refusal, string> = {
  climb: 'it needs a step stool, which is not wanted',
  stoop: 'it needs stooping too low',
  kneel: 'it needs kneeling',
  blocked: 'another unit is in the way of the arm',
  floor: 'there is no free floor before it to stand on',
  way: 'there is no way over free floor to walk there',
  high: 'it is higher than the reach from a wheelchair',
  far: 'it is too far behind other furniture',
};

/** Ways per maker and spot: everything but the thing itself, so that many supplies share one search. */
let cache = new WeakMap<object, WeakMap<Maker, WeakMap<Spot, Ways>>>();

/** Forgets what was worked out (for the bench). */
export function clearFetchCache(): void {
  cache = new WeakMap();
}

/** The cheapest way to a place, or why there is none; searched once per scene, maker and spot. */
export function wayTo(scene: Scene, maker: Maker, spot: Spot): Ways {
  let makers = cache.get(scene.ground);
  if (!makers) cache.set(scene.ground, (makers = new WeakMap()));
  let spots = makers.get(maker);
  if (!spots) makers.set(maker, (spots = new WeakMap()));
  let ways = spots.get(spot);
  if (!ways) spots.set(spot, (ways = cheapestWay(scene, maker, spot)));
  return ways;
}

/**
 * One fetch from a seat to a place: band, seconds and the ledger of motions in order.
 * Motion times after MTM-1 (from memory); of all ways that get a hand there the cheapest counts.
 */
export function fetchFrom(scene: Scene, maker: Maker, spot: Spot, handling: Handling): Fetch {
  if (spot.away) return awayFetch(spot.away, handling);
  const found = wayTo(scene, maker, spot);
  if (!found.ok)
    return {
      ok: false,
      refusal: found.refusal,
      reason: `Out of reach for ${maker.person.name}: ${WHY[found.refusal]}.`,
    };
  const { way } = found;
  const covers = spot.place.covers.map((c) => coverMotions(c, way.handle, coverTravel(spot, c)));
  const open = covers.map((c) => c.open);
  const shut = covers.map((c) => c.shut).reverse();
  const clearing = clearingOf(handling, way.hand);
  const r = inches(way.hand);
  const grasp = graspOf(handling);
  const jumble = handling.grasp === 'jumble';
  const reach: Motion = {
    code: `R${r}${jumble ? 'C' : 'B'}`,
    tmu: jumble ? reachC(way.hand) : reachB(way.hand),
    text: 'reach',
  };
  const move: Motion = { code: `M${r}B`, tmu: moveB(way.hand), text: 'move it to the work' };
  const find: Motion = {
    code: 'EF',
    tmu: findTmu(handling.kinds),
    text: handling.kinds > 1 ? `find among ${handling.kinds}` : 'look',
  };
  const stored = storedMotions(handling.storage);
  const get = [...way.there, ...open, find, ...clearing, reach, grasp, ...stored.get, ...shut, ...way.back, move];
  const tight = spot.place.kind === 'hook' || spot.place.kind === 'board' || spot.place.kind === 'slot';
  const position: Motion = tight
    ? { code: 'P2', tmu: TMU.positionClose, text: 'fit it in' }
    : { code: 'P1', tmu: TMU.positionLoose, text: 'lay it in' };
  const putBack = handling.consumed
    ? []
    : [
        ...way.there,
        ...open,
        ...clearing,
        { ...move, text: 'move it there' },
        ...stored.back,
        position,
        { code: 'RL1', tmu: TMU.release, text: 'let go' },
        ...shut,
        ...way.back,
      ];
  return fetched(way.band, get, putBack, [...way.there, ...way.back]);
}

/** Each thing in front or on top: two rounds of reach, grasp, move and release. */
function clearingOf({ covered }: Handling, hand: number): Motion[] {
  if (covered <= 0) return [];
  return [
    {
      code: `${2 * covered}×(R G1A M RL1)`,
      tmu: 2 * covered * (reachB(hand) + TMU.graspClear + moveB(hand) + TMU.release),
      text: `lift ${covered} aside and back`,
    },
  ];
}

/** So far the hand goes to a box that stands on the table by the work, mm (own assumption). */
export const BESIDE_WORK = 300;

/** A fetch out of a box that was brought to the table and stands open there: look, reach, grasp, move; the bringing is not in it. */
export function fetchAtTable(handling: Handling): Fetched {
  const grasp = graspOf(handling);
  const jumble = handling.grasp === 'jumble';
  const r = inches(BESIDE_WORK);
  const reach = {
    code: `R${r}${jumble ? 'C' : 'B'}`,
    tmu: jumble ? reachC(BESIDE_WORK) : reachB(BESIDE_WORK),
    text: 'reach into the box on the table',
  };
  const move = { code: `M${r}B`, tmu: moveB(BESIDE_WORK), text: 'move it to the work' };
  const find = {
    code: 'EF',
    tmu: findTmu(handling.kinds),
    text: handling.kinds > 1 ? `find among ${handling.kinds}` : 'look',
  };
  const clearing = clearingOf(handling, BESIDE_WORK);
  const stored = storedMotions(handling.storage);
  const putBack = handling.consumed
    ? []
    : [
        { ...move, text: 'move it there' },
        ...stored.back,
        { code: 'P1', tmu: TMU.positionLoose, text: 'lay it in' },
        { code: 'RL1', tmu: TMU.release, text: 'let go' },
      ];
  return fetched(1, [find, ...clearing, reach, grasp, ...stored.get, move], putBack, []);
}

/** The minutes there and back to a unit outside the room, s. */
export const awaySeconds = (unit: Unit): number => unit.awayMinutes * 60;

function awayFetch(unit: Unit, handling: Handling): Fetched {
  const out: Motion = {
    code: 'OUT',
    tmu: awaySeconds(unit) / SECONDS_PER_TMU,
    text: `go to ${unit.name} and back`,
  };
  const grasp = graspOf(handling);
  const stored = storedMotions(handling.storage);
  const get = [out, { code: 'EF', tmu: findTmu(handling.kinds), text: 'find' }, grasp, ...stored.get];
  return fetched(
    7,
    get,
    handling.consumed ? [] : [out, ...stored.back, { code: 'RL1', tmu: TMU.release, text: 'let go' }],
    [out],
  );
}

function fetched(band: BandNumber, get: Motion[], putBack: Motion[], way: readonly Motion[]): Fetched {
  const getTmu = sum(get);
  const tmu = getTmu + sum(putBack);
  return {
    ok: true,
    band,
    tmu,
    seconds: tmu * SECONDS_PER_TMU,
    getTmu,
    way,
    // most fetches are only counted: the ledger is written when somebody reads it
    get motions() {
      return [
        ...get.map((m) => ({ ...m, part: 'get' as const })),
        ...putBack.map((m) => ({ ...m, part: 'put back' as const })),
      ];
    },
  };
}

function sum(motions: readonly Motion[]): number {
  let tmu = 0;
  for (const m of motions) tmu += m.tmu;
  return tmu;
}
