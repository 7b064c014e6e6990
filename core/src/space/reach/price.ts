import { coverMotions } from './covers.ts';
import { awaySeconds, type BandNumber, BESIDE_WORK, wayTo } from './fetch.ts';
import { graspOf, type Handling } from './handling.ts';
import { type Maker } from './maker.ts';
import { findTmu, moveB, reachB, reachC, SECONDS_PER_TMU, TMU } from './mtm.ts';
import { type Scene, type Spot } from './spot.ts';
import { storedTmu } from './stored.ts';
import { coverTravel } from './way.ts';

/** What getting a hand to a place and back costs a maker, whatever the thing is: worked out once per seat and place, TMU. */
export type WayPrice = {
  band: BandNumber;
  /** what the body does on the way there and back: turns, rising, paces, posture; it is in `get` and in `back` */
  ways: number;
  /** the way there and back, covers opened and shut, the move to the work */
  get: number;
  /** the same for putting it back, with position and letting go */
  back: number;
  reach: number;
  reachJumble: number;
  /** of getting it and putting it back each: covers opened and shut */
  covers: number;
  /** taking one thing aside that lies before or on it, and back; again when it is put back */
  aside: number;
  asideAgain: number;
};

const prices = new WeakMap<object, WeakMap<Maker, WeakMap<Spot, WayPrice | null>>>();

/** The price of the way to a place; null when a maker does not get there. */
export function wayPrice(scene: Scene, maker: Maker, spot: Spot): WayPrice | null {
  let makers = prices.get(scene.ground);
  if (!makers) prices.set(scene.ground, (makers = new WeakMap()));
  let spots = makers.get(maker);
  if (!spots) makers.set(maker, (spots = new WeakMap()));
  let price = spots.get(spot);
  if (price === undefined) spots.set(spot, (price = spot.away ? awayPrice(spot) : priced(scene, maker, spot)));
  return price;
}

function priced(scene: Scene, maker: Maker, spot: Spot): WayPrice | null {
  const found = wayTo(scene, maker, spot);
  if (!found.ok) return null;
  const { way } = found;
  let ways = 0;
  for (const m of way.there) ways += m.tmu;
  for (const m of way.back) ways += m.tmu;
  let covers = 0;
  for (const c of spot.place.covers) {
    const { open, shut } = coverMotions(c, way.handle, coverTravel(spot, c));
    covers += open.tmu + shut.tmu;
  }
  const tight = spot.place.kind === 'hook' || spot.place.kind === 'board' || spot.place.kind === 'slot';
  const move = moveB(way.hand);
  return {
    band: way.band,
    ways,
    get: ways + covers + move,
    back: ways + covers + move + (tight ? TMU.positionClose : TMU.positionLoose) + TMU.release,
    reach: reachB(way.hand),
    reachJumble: reachC(way.hand),
    covers,
    aside: 2 * (reachB(way.hand) + TMU.graspClear + move + TMU.release),
    asideAgain: 2 * (reachB(way.hand) + TMU.graspClear + move + TMU.release),
  };
}

function awayPrice(spot: Spot): WayPrice {
  const out = awaySeconds(spot.away!) / SECONDS_PER_TMU;
  return {
    band: 7,
    ways: out,
    get: out,
    back: out + TMU.release,
    reach: 0,
    reachJumble: 0,
    covers: 0,
    aside: 0,
    asideAgain: 0,
  };
}

const TABLE: WayPrice = {
  band: 1,
  ways: 0,
  get: moveB(BESIDE_WORK),
  back: moveB(BESIDE_WORK) + TMU.positionLoose + TMU.release,
  reach: reachB(BESIDE_WORK),
  reachJumble: reachC(BESIDE_WORK),
  covers: 0,
  aside: 2 * (reachB(BESIDE_WORK) + TMU.graspClear + moveB(BESIDE_WORK) + TMU.release),
  // the box stands open, what was moved aside still is
  asideAgain: 0,
};

/** The price of a box that was brought to the table and stands open there. */
export const tablePrice = (): WayPrice => TABLE;

/** What of getting something is the body's way there and back, s; putting it back takes the same once more. Who takes several things on one way pays it once. */
export const waySeconds = (price: WayPrice): number => price.ways * SECONDS_PER_TMU;

/** Seconds of one reach for a thing that lies out on the table: reach, grasp, move, and laid down again where it is not used up. Nothing is looked for. */
export function overTable(handling: Pick<Handling, 'grasp' | 'consumed'>): number {
  const grasp = handling.grasp === 'flat' ? TMU.graspFlat : TMU.graspClear;
  const laid = moveB(BESIDE_WORK) + TMU.release;
  const tmu = reachB(BESIDE_WORK) + grasp + moveB(BESIDE_WORK) + (handling.consumed ? 0 : laid);
  return tmu * SECONDS_PER_TMU;
}

/** Seconds of one fetch of a thing at the price of its way: what {@link fetchFrom} adds up motion by motion. */
export function fetchSeconds(price: WayPrice, handling: Handling): number {
  const jumble = handling.grasp === 'jumble';
  const aside = handling.covered > 0 ? handling.covered * price.aside : 0;
  // outside the room one goes for a whole trip: nothing is cleared there
  const get =
    price.get + findTmu(handling.kinds) + aside + (jumble ? price.reachJumble : price.reach) + graspOf(handling).tmu;
  const back = handling.consumed ? 0 : price.back + (handling.covered > 0 ? handling.covered * price.asideAgain : 0);
  return (get + back + storedTmu(handling.storage, handling.consumed)) * SECONDS_PER_TMU;
}
