import {
  apply,
  type Command,
  describeCommand,
  emptyPlan,
  newId,
  type Plan,
  type PlanHead,
  type RowChange,
  TABLES,
  type TableName,
} from '@heronstone/core/plan';
import { type Database, type Queries } from './database.ts';
import { insertHead, readPlan, writeChanges } from './rows.ts';

export type PlanSummary = {
  id: string;
  name: string;
  forkedFrom: string | null;
  supplies: number;
  places: number;
  units: number;
};
/** Where a plan stands: what undo and redo would do next, in words. */
export type Standing = { revision: number; undo: string | null; redo: string | null };
/** A change that was written, as every open tab hears of it. */
export type PlanEvent = Standing & { planId: string; commandId: string; changes: RowChange[] };
export type Outcome =
  { ok: true; event: PlanEvent } | { ok: false; kind: 'no plan' | 'refused' | 'nothing'; reason: string };

type Held = { plan: Plan; revision: number };

/** Plans in the database, changed one command at a time per plan. */
export class PlanStore {
  private readonly held = new Map<string, Held>();
  private readonly queues = new Map<string, Promise<unknown>>();
  private readonly listeners = new Set<(event: PlanEvent) => void>();

  constructor(private readonly db: Database) {}

  onEvent(listener: (event: PlanEvent) => void): () => void {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  }

  async list(): Promise<PlanSummary[]> {
    const rows = await this.db.query(`
      SELECT p.id, p.name, p.forked_from AS "forkedFrom",
        (SELECT count(*)::int FROM supplies s WHERE s.plan_id = p.id) AS supplies,
        (SELECT count(*)::int FROM places s WHERE s.plan_id = p.id) AS places,
        (SELECT count(*)::int FROM units s WHERE s.plan_id = p.id) AS units
      FROM plans p ORDER BY p.created_at, p.id`);
    return rows as PlanSummary[];
  }

  /** Adds a plan, empty or read from a file, under a new id. */
  async add(source: { head: Partial<PlanHead> } | { plan: Plan }): Promise<string> {
    const id = newId('plan');
    const plan = 'plan' in source ? { ...source.plan, id } : emptyPlan(id, source.head);
    const changes: RowChange[] = (Object.keys(TABLES) as TableName[]).flatMap((table) =>
      Object.values(plan[table]).map((row) => ({ table, id: row.id, before: null, after: row })),
    );
    await this.db.transaction(async (tx) => {
      await insertHead(tx, id, plan.head);
      await writeChanges(tx, id, changes);
    });
    return id;
  }

  /** A plan of its own with everything the named one has now; null when there is no such plan. */
  async fork(planId: string, name: string): Promise<string | null> {
    const held = await this.get(planId);
    if (!held) return null;
    return this.add({ plan: { ...held.plan, head: { ...held.plan.head, name, forkedFrom: planId } } });
  }

  async get(planId: string): Promise<(Held & Standing) | null> {
    return this.inTurn(planId, async () => {
      const held = await this.load(planId);
      return held && { ...held, ...(await this.standing(this.db, planId, held.revision)) };
    });
  }

  /** Applies a command to the newest state. A command id seen before is not applied again: the answer to it was lost, not the command. */
  run(planId: string, commandId: string, command: Command): Promise<Outcome> {
    return this.inTurn(planId, async () => {
      const held = await this.load(planId);
      if (!held) return noPlan;
      const [seen] = await this.db.query('SELECT seq FROM command_log WHERE plan_id = $1 AND command_id = $2', [
        planId,
        commandId,
      ]);
      if (seen)
        return {
          ok: true,
          event: { planId, commandId, changes: [], ...(await this.standing(this.db, planId, held.revision)) },
        };
      const done = apply(held.plan, command);
      if (!done.ok) return { ok: false, kind: 'refused', reason: done.reason };
      return this.commit(planId, commandId, done.plan, done.changes, held.revision + 1, async (tx) => {
        await tx.query(`UPDATE command_log SET state = 'dropped' WHERE plan_id = $1 AND state = 'undone'`, [planId]);
        await tx.query(
          `INSERT INTO command_log (plan_id, seq, command_id, words, command, inverse, state)
           SELECT $1, coalesce(max(seq), 0) + 1, $2, $3, $4, $5, 'done' FROM command_log WHERE plan_id = $1`,
          [planId, commandId, describeCommand(command), JSON.stringify(command), JSON.stringify(done.inverse)],
        );
      });
    });
  }

  undo(planId: string): Promise<Outcome> {
    return this.step(planId, 'done', 'undone');
  }

  redo(planId: string): Promise<Outcome> {
    return this.step(planId, 'undone', 'done');
  }

  private step(planId: string, from: 'done' | 'undone', to: 'done' | 'undone'): Promise<Outcome> {
    return this.inTurn(planId, async () => {
      const held = await this.load(planId);
      if (!held) return noPlan;
      const undo = from === 'done';
      const [entry] = await this.db.query(
        `SELECT seq, ${undo ? 'inverse' : 'command'} AS command FROM command_log WHERE plan_id = $1 AND state = $2 ORDER BY seq ${undo ? 'DESC' : 'ASC'} LIMIT 1`,
        [planId, from],
      );
      if (!entry)
        return { ok: false, kind: 'nothing', reason: undo ? 'There is nothing to undo.' : 'There is nothing to redo.' };
      const done = apply(held.plan, entry.command as Command);
      if (!done.ok) return { ok: false, kind: 'refused', reason: done.reason };
      return this.commit(planId, `${from}-${newId('step')}`, done.plan, done.changes, held.revision + 1, async (tx) => {
        await tx.query('UPDATE command_log SET state = $3 WHERE plan_id = $1 AND seq = $2', [planId, entry.seq, to]);
      });
    });
  }

  private async commit(
    planId: string,
    commandId: string,
    plan: Plan,
    changes: RowChange[],
    revision: number,
    log: (tx: Queries) => Promise<void>,
  ): Promise<Outcome> {
    const standing = await this.db.transaction(async (tx) => {
      await writeChanges(tx, planId, changes);
      await log(tx);
      await tx.query('UPDATE plans SET revision = $2 WHERE id = $1', [planId, revision]);
      return this.standing(tx, planId, revision);
    });
    this.held.set(planId, { plan, revision });
    const event: PlanEvent = { planId, commandId, changes, ...standing };
    for (const listener of this.listeners) listener(event);
    return { ok: true, event };
  }

  private async standing(db: Queries, planId: string, revision: number): Promise<Standing> {
    const [row] = await db.query(
      `SELECT (SELECT words FROM command_log WHERE plan_id = $1 AND state = 'done' ORDER BY seq DESC LIMIT 1) AS undo,
              (SELECT words FROM command_log WHERE plan_id = $1 AND state = 'undone' ORDER BY seq LIMIT 1) AS redo`,
      [planId],
    );
    return { revision, undo: (row?.undo as string | null) ?? null, redo: (row?.redo as string | null) ?? null };
  }

  private async load(planId: string): Promise<Held | null> {
    const known = this.held.get(planId);
    if (known) return known;
    const read = await readPlan(this.db, planId);
    if (read) this.held.set(planId, read);
    return read;
  }

  /** One after the other per plan. */
  private inTurn<T>(planId: string, work: () => Promise<T>): Promise<T> {
    const turn = (this.queues.get(planId) ?? Promise.resolve()).then(work, work);
    const settled = turn.catch(() => undefined);
    this.queues.set(planId, settled);
    void settled.then(() => this.queues.get(planId) === settled && this.queues.delete(planId));
    return turn;
  }
}

const noPlan: Outcome = { ok: false, kind: 'no plan', reason: 'There is no such plan.' };
