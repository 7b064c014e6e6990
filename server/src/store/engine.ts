import { type Plan } from '@heronstone/core/plan';
import { type Queries } from './queries.ts';
import { readPlan } from './rows.ts';
import { type AwayEvent, type PlanEvent, type Standing } from './store.ts';
import { type Work } from './writer.ts';

/** A plan as the tables have it. */
export type Held = Standing & { plan: Plan };
export type Tips = ReadonlyMap<string, Held>;

/**
 * What plans stand on: the folder's database with its journal, or a PostgreSQL that several servers share. It says in which order changes of a plan
 * come, and answers once they are durable; what a change is, it does not know.
 */
export interface Engine {
  /** another one after whatever may have put back an earlier state under the same revision */
  readonly id: string;
  /** where its events come from: engines of one source tell the same */
  readonly source: object;
  /** questions that change nothing, or one thing by one statement */
  readonly db: Queries;
  /**
   * Has something written in its turn.
   * @param planId the plan it is about
   * @param unstorable the answer when the database refuses the data; without it that is an error
   */
  run<A>(planId: string, work: Work<A, Held>, unstorable?: (why: string) => A): Promise<A>;
  /** a plan as it is inside a turn; where it is to be changed nobody else changes it before the turn has ended */
  now(tx: Queries, tips: Tips, planId: string, changing: boolean): Promise<Held | null>;
  /** a plan as it is, outside any turn */
  read(planId: string): Promise<Held | null>;
  /** nothing of this plan is remembered any more */
  forget(planId: string): void;
  /** tells of everything that happens to a plan from when this has resolved; resolves with the way to stop it */
  onEvent(planId: string, listener: Listener): Promise<() => void>;
  /** something was written: everybody who listens is told, here or wherever else */
  tell(event: PlanEvent | AwayEvent): void;
}

export type Listener = (event: PlanEvent | AwayEvent) => void;

/** Listeners of plans, told one after the other. */
export class Listeners {
  private readonly of = new Map<string, Set<Listener>>();

  add(planId: string, listener: Listener): () => void {
    const mine = this.of.get(planId) ?? new Set();
    this.of.set(planId, mine.add(listener));
    return () => {
      mine.delete(listener);
      if (mine.size === 0 && this.of.get(planId) === mine) this.of.delete(planId);
    };
  }

  has(planId: string): boolean {
    return this.of.has(planId);
  }

  tell(event: PlanEvent | AwayEvent): void {
    const mine = this.of.get(event.planId) ?? [];
    for (const listener of mine) {
      try {
        listener(event);
      } catch {
        // who cannot be told is no reason to say that the change was not made
        this.of.get(event.planId)?.delete(listener);
      }
    }
  }
}

/** Reads a whole plan with where it stands; null when there is none. */
export async function readHeld(tx: Queries, planId: string): Promise<Held | null> {
  const read = await readPlan(tx, planId);
  return read && { ...read, ...(await standing(tx, planId)) };
}

/** What undo and redo would do next, in words. */
export async function standing(db: Queries, planId: string): Promise<Pick<Standing, 'undo' | 'redo'>> {
  const [row] = await db.query(
    `SELECT (SELECT words FROM command_log WHERE plan_id = $1 AND state = 'done' ORDER BY seq DESC LIMIT 1) AS undo,
            (SELECT words FROM command_log WHERE plan_id = $1 AND state = 'undone' ORDER BY seq LIMIT 1) AS redo`,
    [planId],
  );
  return { undo: (row?.undo as string | null) ?? null, redo: (row?.redo as string | null) ?? null };
}
