import { isForLog, type Restore, type RowChange, type Sent } from '@heronstone/core/plan';

/** One acknowledged change: what it did to rows and to the log of a plan. Its number is one more than that of the change before it. */
export type Entry = {
  n: number;
  planId: string;
  /** of the plan after it */
  revision: number;
  at: string;
  changes: RowChange[];
  what:
    | { kind: 'added' }
    // drops: what was undone before it can no longer be redone; still: it changed nothing
    | { kind: 'command'; commandId: string; command: Sent | Restore; words: string; drops: boolean; still?: true }
    | { kind: 'step'; commandId: string; seq: number; to: 'done' | 'undone' }
    // thrown away, or brought back; then gone for good: the plan's revision stays
    | { kind: 'away'; since: string | null }
    | { kind: 'removed' };
  /** what the plan is known by after it; null when it is gone, undefined in journals of versions before there were seals */
  seal?: Seal | null;
};

/**
 * What a plan in the tables is known by: two that have the same seal are the same plan with the same log. It is kept up to date change by
 * change, without reading the plan, and stands in the journal beside each of them.
 */
export type Seal = {
  /** version of the tables: rows of another one have other fields, and how a sum is worked out changes with it only */
  v: number;
  revision: number;
  /** since when it is thrown away, ISO; null when it is not */
  away: string | null;
  /** how many rows it has, its head not counted */
  rows: number;
  /** sum of the digests of its rows and its head, modulo 2^128, hexadecimal: the order in which they came does not matter */
  sum: string;
  log: LogSeal;
};
/** The log of a plan: its newest number, how many entries are done and undone with the sums of their numbers, and a sum of the digests of their ids. */
export type LogSeal = { last: number; done: number; doneSum: number; undone: number; undoneSum: number; ids: string };

/** Whether undo takes a command back: a line of the log is none, nor is what changed nothing (two windows that said the same). */
export const isStep = ({ command, still }: { command: Sent | Restore; still?: true }): boolean =>
  !still && !isForLog(command);
