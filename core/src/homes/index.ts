export { fetchesPerYear, consumedPerFetch, type YearlyUse, yearlyUses } from './uses.ts';
export {
  costOfHome,
  costInPlace,
  type HomeCost,
  assessHomes,
  type Assessment,
  type HomeState,
  penaltiesFor,
  childReaches,
  childAt,
  type ChildReach,
} from './cost.ts';
export { slottingOf, settleCommand, lotId } from './slotting.ts';
export { findHomes, isWorse, type Found, type FindProgress } from './find.ts';
export { tallyOf, type Tally } from './tally.ts';
export { placeFilling, coveredIn, type Filling } from './filling.ts';
export { bringingOf, bringingPerYear, type Bringing } from './bringing.ts';
