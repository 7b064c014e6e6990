export { fetchesPerYear, consumedPerFetch, type YearlyUse, yearlyUses } from './uses.ts';
export {
  costOfHome,
  costInPlace,
  type HomeCost,
  assessHomes,
  shareStates,
  carryingPerYear,
  type Assessment,
  type HomeState,
  penaltiesFor,
  childReaches,
  childAt,
  type ChildReach,
} from './cost.ts';
export { slottingOf, translating, type Translation } from './slotting.ts';
export { findHomes, isWorse, type Found, type FindProgress } from './find.ts';
export { tallyOf, type Tally } from './tally.ts';
export { barredFrom, NOT_IN_ZONE } from './barred.ts';
export { carriedOf, isCarriedTo, sessionsAt } from './carrying.ts';
export { proposeContainers, type ContainerOffer } from './proposing.ts';
export { mindAt, sunOn, type Mind } from './minds.ts';
export { placeFilling, coveredIn, type Filling } from './filling.ts';
export { bringingOf, bringingPerYear, type Bringing } from './bringing.ts';
