export { arrangeRoom, bestAtRandom, energyOf, type Arranged, type Arrangement, type Arranging } from './arrange.ts';
export { HARD, scoreOf, sunGrid, type Score } from './cost.ts';
export { carrySeconds, flowsOf, handOnLength, handOnSeconds } from './flows.ts';
