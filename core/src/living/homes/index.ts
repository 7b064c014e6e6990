export { fetchesPerYear, handsPerYear, walksTo, type YearlyUse, yearlyUses } from './uses.ts';
export { costOfHome, costInPlace, assessHomes, shareStates, type Assessment } from './cost.ts';
export { type HomeCost, type HomeState } from './own-cost.ts';
export { decisionOf, decisionsIn, type Decision } from './arranged.ts';
export { type Lanes, lanesFor, type LanesOffer, lanesThatHelp } from './lanes.ts';
export { inReading, rowOf } from './rows.ts';
export { toldUses, type ToldUse } from './told.ts';
export { carryingPerYear } from './brought.ts';
export { visitsOf, type Visit, type Visited } from './visits.ts';
export { penaltiesFor, penaltiesOf, type Penalty } from './penalties.ts';
export { isOnShow, isSmall } from './penalty-case.ts';
export { childReaches, childAt, type ChildReach } from './child-reach.ts';
export { growthIn, wayOf, weightOf, type Weighed } from './weights.ts';
export { translated } from './translating.ts';
export { type Translation } from './translation.ts';
export { slottingOf } from './problem.ts';
export { asIn, backTo } from './settle.ts';
export { type Again, foundAgainIn, foundAgainOf, foundAgainSum, type FoundAgain } from './again.ts';
export { MOST_SENTENCES, tellFound } from './in-words.ts';
export { findHomes, isWorse, type FindOptions, type Found, type FindProgress } from './find.ts';
export { DIGGING_OUT as DUG_OUT } from '../recall/index.ts';
export { costWithoutHome, tallyOf, type Tally } from './tally.ts';
export { barredFrom, NOT_IN_ZONE } from './barred.ts';
export { carriedOf, isCarriedTo } from './carrying.ts';
export { proposeContainers, type ContainerOffer } from './proposing.ts';
export { mindAt, sunOn, type Mind } from './minds.ts';
export { HEAP_KINDS, heapsPerYear } from './heaps.ts';
export { heapsBeside, type EmptyBeside, type HeapBeside } from './beside-heaps.ts';
export { placeFilling, coveredIn, type Filling } from './filling.ts';
export { bringingOf, bringingPerYear, type Bringing } from './bringing.ts';
export { comeAndGone, type ComeAndGone } from './come-and-gone.ts';
export { compareHomes, stationSums, type Compared, type Change, type StationSum } from './compare.ts';
export {
  refitAround,
  bestPlacesFor,
  bestPlacesStep,
  optionsFor,
  type Refit,
  type Displaced,
  type Option,
} from './refit.ts';
export { SCHOOLS, effectOf, foundUnder, toolsToBuy, type School, type Effect } from './schools.ts';
export { asItsKin, type AsItsKin } from './newcomer.ts';
export { oneMoreFor, type OneMore } from './onemore.ts';
export { fetchingsOf, type Fetching } from './fetchings.ts';
export { type Errand } from './errands.ts';
export { Rehoming, type Moved } from './rehoming.ts';
