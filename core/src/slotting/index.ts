export { Random } from './random.ts';
export { SlottingProblem, readSlotting, type SlottingRead } from './problem.ts';
export {
  solveSlotting,
  type Homes,
  type SlottingAnswer,
  type SlottingOptions,
  type SlottingProgress,
} from './solve.ts';
export { checkAnswer, slottingTotal } from './check.ts';
