export { beginCupboard, beginRoom, CUPBOARDS, type CupboardKind } from './cupboard.ts';
export { nextStepAt, nextSteps, type NextStep, type Stone } from './next.ts';
export { tableToSitAt } from './table-to-sit-at.ts';
