export {
  arrangeRoom,
  bestAtRandom,
  quickMeasureOf,
  SEARCHES,
  STEPS,
  type Arranged,
  type NearMiss,
  type Arrangement,
  type Arranging,
} from './arrange.ts';
export { type Lane, laneHere, shared } from './lane.ts';
export { findingsOnlyIn, HARD, secondsOf, standingOf, sunGrid, type Standing, type SunGrid } from './cost.ts';
export { withHomes, worthOf, type Pacing, type Worth } from './worth.ts';
export { standMap, type Stood, type StandMap } from './stand-map.ts';
export { standsIn, type Stand } from './stands.ts';
export { carried, flowsOf, handOnLength } from './flows.ts';
export { type MovedThing } from './stand-as.ts';
