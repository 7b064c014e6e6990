export * from './rows.ts';
export {
  TABLES,
  type Plan,
  type TableName,
  type RowOf,
  type AnyRow,
  emptyPlan,
  wallsInOrder,
  roomOf,
  middleOfRoom,
  homesIn,
  homeOf,
  unitShape,
  placeTitle,
} from './plan.ts';
export { Command, type CommandOf, describeCommand } from './commands.ts';
export {
  apply,
  applyChanges,
  planTrouble,
  type Applied,
  type Rejection,
  type RowChange,
  type ApplyResult,
} from './apply.ts';
export { broughtUpToDate, LATER_TABLES } from './later.ts';
export { newId } from './ids.ts';
export {
  blankSupply,
  blankPerson,
  blankUnit,
  blankFixture,
  blankActivity,
  blankStation,
  massOf,
  HARMFUL,
  keepFromAt,
  statureAt,
} from './blank.ts';
export { MONTH_NAMES, monthWords } from './months.ts';
