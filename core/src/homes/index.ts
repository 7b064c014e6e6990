export { fetchesPerYear, consumedPerFetch, type YearlyUse, yearlyUses } from './uses.ts';
export {
  costOfHome,
  costInPlace,
  type HomeCost,
  assessHomes,
  type Assessment,
  type HomeState,
  penaltiesFor,
  childReach,
  HARMFUL,
} from './cost.ts';
export { slottingOf, settleCommand, lotId } from './slotting.ts';
export { placeFilling, type Filling } from './filling.ts';
