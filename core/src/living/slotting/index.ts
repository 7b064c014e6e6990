export { Random } from './random.ts';
export {
  SlottingFile,
  type SlottingProblem,
  SlottingProblem1,
  SlottingProblem2,
  readSlotting,
  periodsOf,
  inPeriod,
  type SlottingRead,
} from './problem.ts';
export {
  solveSlotting,
  type Homes,
  type SlottingAnswer,
  type SlottingOptions,
  type SlottingProgress,
} from './solve.ts';
export { type Besides } from './search.ts';
export { type SlottingTable, LOAD, resourceOf, groups, mixingOf, apartOf, rowsOf } from './table.ts';
export { fewestNames } from './cover.ts';
export { checkAnswer, slottingTotal } from './check.ts';
