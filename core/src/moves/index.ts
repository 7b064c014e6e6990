export { orderJobs, type Job, type Step } from './order.ts';
export { crossingTo, pairsBetween, afterMoves, TRAY, type Crossing } from './crossing.ts';
