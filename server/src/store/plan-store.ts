import {
  apply,
  type Command,
  commandUpToDate,
  describeCommand,
  emptyPlan,
  isForLog,
  LOG_TABLES,
  newId,
  PHOTO_TABLES,
  type Plan,
  type PlanHead,
  type Restore,
  type RowChange,
  sameRow,
  type Sent,
  TABLE_NAMES,
} from '@heronstone/core/plan';
import { KEPT } from './clock.ts';
import { type Engine, type Held, type Listener, standing, type Tips } from './engine.ts';
import { type Entry } from './entry.ts';
import { type Queries } from './queries.ts';
import { type Outcome, type PlanEvent, type PlanSummary, type Standing, type Store, Unstorable } from './store.ts';
import { type Prepared } from './writer.ts';

type Step = 'done' | 'undone';
/** Until when what was thrown away can be brought back, ISO. */
export const untilOf = (since: Date | string): string => new Date(new Date(since).getTime() + KEPT).toISOString();

/** Plans on an engine, changed one command after the other. */
export class PlanStore implements Store {
  constructor(readonly engine: Engine) {}

  get id(): string {
    return this.engine.id;
  }

  get source(): object {
    return this.engine.source;
  }

  onEvent(planId: string, listener: Listener): Promise<() => void> {
    return this.engine.onEvent(planId, listener);
  }

  async list(): Promise<PlanSummary[]> {
    const rows = await this.engine.db.query(`
      SELECT p.id, p.name, p.forked_from AS "forkedFrom",
        (SELECT count(*)::int FROM supplies s WHERE s.plan_id = p.id) AS supplies,
        (SELECT count(*)::int FROM places s WHERE s.plan_id = p.id) AS places,
        (SELECT count(*)::int FROM units s WHERE s.plan_id = p.id) AS units,
        p.away_since AS "awaySince"
      FROM plans p ORDER BY p.created_at, p.id`);
    return (rows as (Omit<PlanSummary, 'keptUntil'> & { awaySince: Date | null })[]).map(({ awaySince, ...row }) => ({
      ...row,
      keptUntil: awaySince && untilOf(awaySince),
    }));
  }

  /** Throws a plan away, or brings it back: nothing of it is lost for thirty days. False when there is no such plan. */
  async throwAway(planId: string, away: boolean): Promise<boolean> {
    const since = away ? new Date().toISOString() : null;
    const done = await this.beside(planId, { kind: 'away', since });
    if (done) this.engine.tell({ planId, keptUntil: since && untilOf(since), gone: false });
    return done;
  }

  async keptUntil(planId: string): Promise<string | null> {
    const [row] = await this.engine.db.query('SELECT away_since AS since FROM plans WHERE id = $1', [planId]);
    return row?.since ? untilOf(row.since as Date) : null;
  }

  async removeOld(isOver: (until: number) => boolean): Promise<string[]> {
    const names: string[] = [];
    for (const { id, name, keptUntil } of await this.list()) {
      if (keptUntil === null || !isOver(Date.parse(keptUntil))) continue;
      if (!(await this.beside(id, { kind: 'removed' }))) continue;
      this.engine.forget(id);
      this.engine.tell({ planId: id, keptUntil: null, gone: true });
      names.push(name);
    }
    return names;
  }

  /** Writes what is about a plan and not in it. */
  private beside(planId: string, what: Entry['what']): Promise<boolean> {
    return this.engine.run<boolean>(planId, async (tx, tips) => {
      const held = await this.engine.now(tx, tips, planId, true);
      if (!held) return { answer: false };
      return { answer: true, write: { entry: { planId, revision: held.revision, changes: [], what }, held } };
    });
  }

  /**
   * Adds a plan, empty or read from a file, under a new id or one that is named.
   * @throws Unstorable when the database refuses it
   */
  async add(source: { head: Partial<PlanHead> } | { plan: Plan }, id = newId('plan')): Promise<string> {
    const plan = 'plan' in source ? { ...source.plan, id } : emptyPlan(id, source.head);
    const changes: RowChange[] = [
      { table: 'head', id: 'head', before: null, after: plan.head },
      ...TABLE_NAMES.flatMap((table) =>
        Object.values(plan[table]).map((row): RowChange => ({ table, id: row.id, before: null, after: row })),
      ),
    ];
    const held: Held = { plan, revision: 0, undo: null, redo: null };
    const write = { entry: { planId: id, revision: 0, changes, what: { kind: 'added' } as const }, held };
    const why = await this.engine.run<string | null>(
      id,
      async () => ({ answer: null, write }),
      (reason) => reason,
    );
    if (why !== null) throw new Unstorable(why);
    return id;
  }

  /** The hashes of the pictures that any plan shows. */
  async photosInUse(): Promise<Set<string>> {
    const rows = await this.engine.db.query(
      PHOTO_TABLES.map((t) => `SELECT photo FROM ${t} WHERE photo IS NOT NULL`).join(' UNION '),
    );
    return new Set(rows.map((row) => row.photo as string));
  }

  /** A plan of its own with everything the named one has now; null when there is no such plan. */
  async fork(planId: string, name: string): Promise<string | null> {
    const held = await this.get(planId);
    if (!held) return null;
    return this.add({ plan: { ...held.plan, head: { ...held.plan.head, name, forkedFrom: planId } } });
  }

  async get(planId: string): Promise<(Standing & { plan: Plan }) | null> {
    const held = await this.engine.read(planId);
    if (!held) return null;
    const { plan, revision, undo, redo } = held;
    return { plan, revision, undo, redo };
  }

  /** Applies a command to the newest state. A command id seen before is not applied again: the answer to it was lost, not the command. */
  run(planId: string, commandId: string, command: Sent): Promise<Outcome> {
    return this.change(planId, async (tx, held) => {
      if (await isLogged(tx, planId, commandId))
        return { answer: { ok: true, event: eventOf(planId, commandId, [], held) } };
      const words = describeCommand(command);
      // a line of the log is no step: what can be undone and done again stays so
      const jot = isForLog(command);
      const what = { kind: 'command', commandId, command, words, drops: !jot && held.redo !== null } as const;
      const next = jot ? { undo: held.undo, redo: held.redo } : { undo: words, redo: null };
      return this.applied(held, commandId, command, what, async () => next);
    });
  }

  /** Makes a plan stand as another one does, all but its name and where it comes from: one change, which undo takes back. */
  takeOver(planId: string, fromId: string): Promise<Outcome> {
    return this.change(planId, async (tx, held, tips) => {
      const from = await this.engine.now(tx, tips, fromId, false);
      if (!from) return { answer: noPlan };
      const changes = between(held.plan, from.plan);
      if (changes.length === 0)
        return { answer: { ok: false, kind: 'nothing', reason: 'Both plans are the same already.' } };
      const words = `take over ${from.plan.head.name}`.slice(0, 120);
      const command: Restore = { type: 'restore', of: words, changes };
      const commandId = newId('takeover');
      const what = { kind: 'command', commandId, command, words, drops: held.redo !== null } as const;
      return this.applied(held, commandId, command, what, async () => ({ undo: words, redo: null }));
    });
  }

  undo(planId: string): Promise<Outcome> {
    return this.step(planId, 'done', 'undone');
  }

  redo(planId: string): Promise<Outcome> {
    return this.step(planId, 'undone', 'done');
  }

  private step(planId: string, from: Step, to: Step): Promise<Outcome> {
    return this.change(planId, async (tx, held) => {
      const undo = from === 'done';
      const [entry] = await tx.query(
        `SELECT seq, ${undo ? 'inverse' : 'command'} AS command FROM command_log WHERE plan_id = $1 AND state = $2 ORDER BY seq ${undo ? 'DESC' : 'ASC'} LIMIT 1`,
        [planId, from],
      );
      if (!entry) {
        const reason = undo ? 'There is nothing to undo.' : 'There is nothing to redo.';
        return { answer: { ok: false, kind: 'nothing', reason } };
      }
      const command = undo
        ? (entry.command as Restore)
        : commandUpToDate(entry.command as Command, (table, id) => held.plan[table][id]);
      const commandId = `${from}-${newId('step')}`;
      const what = { kind: 'step', commandId, seq: entry.seq as number, to } as const;
      return this.applied(held, commandId, command, what, () => standing(tx, planId));
    });
  }

  /** Has something done to a plan in its turn; every tab hears of it once it is on the disk. */
  private async change(
    planId: string,
    work: (tx: Queries, held: Held, tips: Tips) => Promise<Prepared<Outcome, Held>>,
  ): Promise<Outcome> {
    const outcome = await this.engine.run(
      planId,
      async (tx, tips): Promise<Prepared<Outcome, Held>> => {
        const held = await this.engine.now(tx, tips, planId, true);
        return held ? work(tx, held, tips) : { answer: noPlan };
      },
      unstorable,
    );
    if (outcome.ok && outcome.event.changes.length > 0) this.engine.tell(outcome.event);
    return outcome;
  }

  private async applied(
    held: Held,
    commandId: string,
    command: Sent | Restore,
    what: Entry['what'],
    next: () => Promise<Pick<Standing, 'undo' | 'redo'>>,
  ): Promise<Prepared<Outcome, Held>> {
    const planId = held.plan.id;
    const done = apply(held.plan, command);
    if (!done.ok) return { answer: { ok: false, kind: 'refused', reason: done.reason } };
    const revision = held.revision + 1;
    const after: Held = { ...held, plan: done.plan, revision };
    const event = eventOf(planId, commandId, done.changes, after);
    const still = what.kind === 'command' && done.changes.length === 0;
    return {
      answer: { ok: true, event },
      write: {
        entry: { planId, revision, changes: done.changes, what: still ? { ...what, drops: false, still } : what },
        held: after,
        // what undo and redo would do next is known once the log has the change
        then: async () => {
          const words = still ? { undo: held.undo, redo: held.redo } : await next();
          Object.assign(after, words);
          Object.assign(event, words);
        },
      },
    };
  }
}

/** The changes that make one plan stand as another. */
function between(plan: Plan, as: Plan): RowChange[] {
  const head = { ...as.head, name: plan.head.name, forkedFrom: plan.head.forkedFrom };
  const changes: RowChange[] = [{ table: 'head', id: 'head', before: plan.head, after: head }];
  for (const table of TABLE_NAMES) {
    // what happened here happened here
    if (LOG_TABLES.has(table)) continue;
    const [now, then] = [plan[table], as[table]];
    for (const id of new Set([...Object.keys(now), ...Object.keys(then)]))
      changes.push({ table, id, before: now[id] ?? null, after: then[id] ?? null });
  }
  return changes.filter(({ before, after }) => !sameRow(before, after));
}

const eventOf = (planId: string, commandId: string, changes: RowChange[], held: Held): PlanEvent => ({
  planId,
  commandId,
  changes,
  revision: held.revision,
  undo: held.undo,
  redo: held.redo,
});

async function isLogged(tx: Queries, planId: string, commandId: string): Promise<boolean> {
  const found = await tx.query('SELECT 1 FROM command_log WHERE plan_id = $1 AND command_id = $2', [planId, commandId]);
  return found.length > 0;
}

const noPlan: Outcome = { ok: false, kind: 'no plan', reason: 'There is no such plan.' };
const unstorable = (why: string): Outcome => ({ ok: false, kind: 'unstorable', reason: new Unstorable(why).message });
