export {
  arrangeRoom,
  bestAtRandom,
  energyOf,
  type Arranged,
  type Arrangement,
  type Arranging,
  type Homed,
} from './arrange.ts';
export { findingsOnlyIn, HARD, secondsOf, standingOf, sunGrid, type Standing, type SunGrid } from './cost.ts';
export { standsIn, type Stand } from './stands.ts';
export { carrySeconds, flowsOf, handOnLength, handOnSeconds } from './flows.ts';
