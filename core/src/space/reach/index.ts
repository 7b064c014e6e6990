export {
  BANDS,
  type BandNumber,
  type Fetch,
  type Fetched,
  type OutOfReach,
  type ReachMotion,
  fetchFrom,
  fetchAtTable,
  clearFetchCache,
} from './fetch.ts';
export { type WayPrice, wayPrice, tablePrice, fetchSeconds, overTable, waySeconds } from './price.ts';
export { headShort } from './head.ts';
export { type Maker, makerAt, makerOf, type SeatSpec } from './maker.ts';
export { type Handling, PLAIN, graspOf, handlingOf } from './handling.ts';
export { lineIsFree } from './free-line.ts';
export { type Scene, type Spot } from './spot.ts';
export {
  type Stand,
  standingSpot,
  standingSpots,
  floorIsFree,
  BODY_HALF,
  WHEELCHAIR_HALF,
  LEANING_HALF,
  STAND_OFF,
} from './standing.ts';
export { sceneOf } from './scene.ts';
export { WHEELS } from './gait.ts';
export { SECONDS_PER_TMU, PACE, TMU, reachB, reachC, moveB, sideStep, turnTmu, findTmu } from './mtm.ts';
export { coverMotions, type Motion } from './covers.ts';
export { highestGrip } from './on-foot.ts';
export { type Way } from './way.ts';
export { cut, mostAhead, type Seen, seePlace, seeUnit, type Stretch, stretchesBetween, unitsAround } from './seen.ts';
export { walkLengthTo, walkOf, halfOf } from './walks.ts';
export { cartBeside, planAsWorked, sceneAt, workingSpot, type Spotted } from './worked.ts';
export { storedMotions, storedTmu } from './stored.ts';
