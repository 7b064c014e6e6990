export { orderJobs, type Job, type Step } from './order.ts';
export { EXACT_STOPS, roundLength, shortestRound } from './round.ts';
export { crossingTo, HANDFUL, litresOf, ROUNDABOUT, pairsBetween, TRAY, type Crossing, type Pair } from './crossing.ts';
