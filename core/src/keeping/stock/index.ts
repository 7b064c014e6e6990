export {
  budgetOf,
  goNowhere,
  roomWordsOf,
  mayBeMissing,
  sumOfTapes,
  tapeOf,
  LEAVING,
  TAPES,
  type Amount,
  type Budget,
  type Stretch,
  type Tape,
  type TapeName,
} from './budget.ts';
export { Doubt, doubtedNeed, COUNT_DOUBT, type DoubtedNeed } from './doubt.ts';
export { tourOf, tourState, unitsOnTour, type Stop, type TourState } from './tour.ts';
export {
  heapsOf,
  litresOf,
  tooMuch,
  usedByNobody,
  usuallyHad,
  yearsOf,
  TOO_MANY_YEARS,
  type Heap,
  type Missing,
} from './review.ts';
export { setMany, splitBy, splitCommand, toReorder, type AtHand } from './rules.ts';
export { duplicatesOf } from './duplicates.ts';
export { compareStorage, type StorageOption } from './storage-compare.ts';
export { triesFor, type Try } from './tries.ts';
export {
  slotRowsOf,
  inSlot,
  rowNow,
  rowInOrder,
  rowWith,
  rowCommand,
  rowMass,
  nearestInStock,
  FAST,
  type InSlot,
  type RowPlan,
  type SlotRow,
} from './slots.ts';
export { oneWalk, type OneWalk } from './one-walk.ts';
export {
  cutAhead,
  cutCommand,
  cutSaves,
  takeScrap,
  type Rest,
  isCut,
  isOffRoll,
  missingOf,
  type CutWork,
  type WantedPiece,
} from './cut-ahead.ts';
export { insertCommand, insertWays, planInsert, type InsertPlan, type InsertWay } from './insert.ts';
