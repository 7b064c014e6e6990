import { type Result, type Values } from '../input.ts';

/** What the command line can be asked to do. */
export type Verb = {
  /** a line for each way it is said, after “heronstone” */
  usage: readonly string[];
  /** the flags it takes */
  flags: readonly (keyof Values)[];
  /** how many files it takes at least and at most; left out: one */
  files?: readonly [least: number, most: number];
  /** @param to a second file, where it takes two; empty: none was said */
  run: (file: string, values: Values, to: string) => Result | Promise<Result>;
};
