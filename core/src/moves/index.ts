export { orderJobs, type Job, type Step } from './order.ts';
export { crossingTo, ROUNDABOUT, pairsBetween, TRAY, type Crossing } from './crossing.ts';
