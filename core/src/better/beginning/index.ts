export { beginCupboard, beginRoom, CUPBOARDS } from './cupboard.ts';
export { nextStepAt, nextSteps, type NextStep, type Stone } from './next.ts';
