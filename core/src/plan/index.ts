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
export { Command, type CommandOf, type Restore, describeCommand } from './commands.ts';
export { cutText, isStorable, unstorableAt } from './text.ts';
export {
  apply,
  applyChanges,
  keepingEqual,
  inverseOf,
  planTrouble,
  type Applied,
  type Rejection,
  type RowChange,
  type ApplyResult,
} from './apply.ts';
export { sameRow } from './edit.ts';
export { broughtUpToDate, commandUpToDate, LATER_TABLES } from './later.ts';
export { newId } from './ids.ts';
export { saidIn } from './said.ts';
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
