export { orderJobs, type Job, type Step } from './order.ts';
export { crossingTo, pairsBetween, TRAY, type Crossing } from './crossing.ts';
