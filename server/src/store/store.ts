import { type Plan, type PlanHead, type RowChange, type Sent } from '@heronstone/core/plan';

export type PlanSummary = {
  id: string;
  name: string;
  forkedFrom: string | null;
  supplies: number;
  places: number;
  units: number;
  /** until when it can be brought back, ISO; null while it is not thrown away */
  keptUntil: string | null;
};
/** Where a plan stands: what undo and redo would do next, in words. */
export type Standing = { revision: number; undo: string | null; redo: string | null };
/** A change that was written, as every open tab hears of it. */
export type PlanEvent = Standing & { planId: string; commandId: string; changes: RowChange[] };
/** A plan was thrown away or brought back (`keptUntil`: until when it can be, ISO), or has gone for good. */
export type AwayEvent = { planId: string; keptUntil: string | null; gone: boolean };
export type Outcome =
  | { ok: true; event: PlanEvent }
  | { ok: false; kind: 'no plan' | 'refused' | 'nothing' | 'unstorable'; reason: string };

/** The database refused the data itself. Its message is for the maker. */
export class Unstorable extends Error {
  constructor(why: string) {
    super(`The database cannot hold this (${why}). Nothing was changed.`);
  }
}

/** What was asked for cannot be done as things are: a limit was reached, the last keeper would go. Its message is for the maker. */
export class Refusal extends Error {}

/**
 * Plans that change one command after the other, and are on the disk once it is said. All that the server knows of how they are kept: the embedded
 * database stands behind it today, a PostgreSQL elsewhere may.
 */
export interface Store {
  /** another one after every start and every restore */
  readonly id: string;
  /** where its events come from: stores of one source tell the same */
  readonly source: object;
  list(): Promise<PlanSummary[]>;
  get(planId: string): Promise<(Standing & { plan: Plan }) | null>;
  /** @throws Unstorable when the database refuses it */
  add(source: { head: Partial<PlanHead> } | { plan: Plan }, id?: string): Promise<string>;
  /** a plan of its own with everything the named one has now; null when there is no such plan */
  fork(planId: string, name: string): Promise<string | null>;
  /** throws a plan away, or brings it back; false when there is no such plan */
  throwAway(planId: string, away: boolean): Promise<boolean>;
  /**
   * Removes plans that were thrown away; their names.
   * @param isOver whether what is kept until a moment (ms) has had its time
   */
  removeOld(isOver: (until: number) => boolean): Promise<string[]>;
  /** a command id seen before is not applied again */
  run(planId: string, commandId: string, command: Sent): Promise<Outcome>;
  takeOver(planId: string, fromId: string): Promise<Outcome>;
  undo(planId: string): Promise<Outcome>;
  redo(planId: string): Promise<Outcome>;
  /** until when a plan that was thrown away can be brought back, ISO; null for one that was not */
  keptUntil(planId: string): Promise<string | null>;
  /** tells of every change of a plan, and when it is thrown away or brought back, from when this has resolved; resolves with the way to stop it */
  onEvent(planId: string, listener: (event: PlanEvent | AwayEvent) => void): Promise<() => void>;
}
