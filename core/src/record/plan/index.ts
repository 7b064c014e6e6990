export { Id } from './fields.ts';
export * from './rows/index.ts';
export {
  TABLES,
  TABLE_NAMES,
  PHOTO_TABLES,
  REFERENCES,
  type Reference,
  type TableName,
  type RowOf,
  type AnyRow,
} from './tables.ts';
export {
  type Plan,
  emptyPlan,
  wallsInOrder,
  roomOf,
  middleOfRoom,
  homesIn,
  homesOf,
  homeOf,
  amountOf,
  countIn,
  withoutHome,
  isLeaving,
  unitShape,
  placeTitle,
  wholePath,
  placesDownTo,
  placesIn,
  placeWithAllIn,
  compartmentsOf,
  frontsOf,
  zonesOf,
  usesOf,
  natureOf,
  outerOf,
  zoneOf,
  keptOutOf,
} from './plan.ts';
export { readsSame, type Read } from './remembered.ts';
export { LOG_TABLES } from './log-months.ts';
export { mayBeSame } from './same-thing.ts';
export { asSeenIn } from './as-seen.ts';
export { asOne, Command, isForLog, Jot, Sent, type CommandOf, type Restore, describeCommand } from './commands.ts';
export { isHelping } from './helping.ts';
export { alikePlaces, isShut, isUnlabelled } from './labels.ts';
export { cutText, isStorable, shortBlanks, unstorableAt } from './text.ts';
export { applyChanges, keepingEqual, planTrouble } from './whole.ts';
export { apply, inverseOf, type Applied, type Rejection, type RowChange, type ApplyResult } from './apply.ts';
export { sameRow } from './edit.ts';
export {
  broughtUpToDate,
  placeUpToDate,
  changesUpToDate,
  commandUpToDate,
  topOf,
  LATER_TABLES,
  type Find,
} from './later.ts';
export { setAsPlaces, type OrganiserSet } from './organiser-sets.ts';
export { newId } from './ids.ts';
export { groupedBy } from './grouped.ts';
export { saidIn } from './said.ts';
export {
  blankSupply,
  placeLater,
  SUPPLY_LATER,
  usualLies,
  blankPerson,
  blankUnit,
  BY_TAPE,
  blankFixture,
  blankHeater,
  blankOpening,
  blankActivity,
  blankStation,
  blankOrganiser,
  massOf,
  HARMFUL,
  keepFromAt,
  statureAt,
} from './blank.ts';
export { MONTH_NAMES, monthWords } from './months.ts';
export { monthsIn } from './months-said.ts';
export {
  ALL_MONTHS,
  bySeason,
  homeNow,
  homesNow,
  livesIn,
  inMonth,
  isSeasonal,
  monthsOf,
  restingMonths,
  shareMonths,
  shareNow,
  wantedMonths,
} from './seasons.ts';
export { sharePhrase, shareWord } from './share-words.ts';
export { sameThings } from './same-things.ts';
export { type Leaf, leavesOf } from './leaves.ts';
export { sitsOn } from './sitting.ts';
export { DONE_AT_WORDS, isElsewhere, seatsHere } from './elsewhere.ts';
