export { arrangeRoom, bestAtRandom, energyOf, type Arranged, type Arrangement, type Arranging } from './arrange.ts';
export { HARD, scoreOf, secondsOf, standingOf, sunGrid, type Score, type Standing, type SunGrid } from './cost.ts';
export { standingsFor, type Stand } from './stands.ts';
export { carrySeconds, flowsOf, handOnLength, handOnSeconds } from './flows.ts';
