import { newId, applyChanges } from '@heronstone/core/plan';
import { type Engine, type Held, type Listener, readHeld, type Tips } from '../store/engine.ts';
import { writeEntry } from '../store/entries.ts';
import { type Entry } from '../store/entry.ts';
import { type Queries } from '../store/queries.ts';
import { isDataFault, type Prepared, type Work } from '../store/writer.ts';
import { changesAfter, CHANNEL, type Hub } from './hub.ts';
import { mayAddPlan, mustBeSlower } from './limits.ts';
import { type Scope } from './pool.ts';

/** So many changes of a plan are kept as rows, for servers and windows that were away (own assumption). */
const KEPT_CHANGES = 400;
const NO_TIPS: Tips = new Map();

/** Plans of one household on a PostgreSQL that any number of servers share: a plan’s changes follow each other by a lock on its row. */
export class GuildEngine implements Engine {
  readonly db: Queries;

  constructor(
    private readonly hub: Hub,
    private readonly scope: Scope & { household: string },
  ) {
    this.db = hub.pool.as(scope);
  }

  get id(): string {
    return this.hub.id;
  }
  get source(): object {
    return this.hub;
  }

  run<A>(planId: string, work: Work<A, Held>, unstorable?: (why: string) => A): Promise<A> {
    return this.hub.inTurn(planId, async () => {
      try {
        const { answer, write } = await this.hub.pool.transaction(this.scope, async (tx) => {
          const prepared = await work(tx, NO_TIPS);
          if (prepared.write) await this.write(tx, prepared.write);
          return prepared;
        });
        if (write) this.hub.held.set(this.key(planId), write.held);
        return answer;
      } catch (error) {
        // whether it was committed is not known: what is remembered may be of before
        this.forget(planId);
        if (unstorable && isDataFault(error)) return unstorable((error as Error).message);
        throw error;
      }
    });
  }

  private async write(
    tx: Queries,
    { entry, held, then }: NonNullable<Prepared<unknown, Held>['write']>,
  ): Promise<void> {
    const { planId, revision, changes, what } = entry;
    if (what.kind === 'added') await mayAddPlan(tx, this.scope.household);
    await writeEntry(tx, { ...entry, n: 0, at: new Date().toISOString() });
    await then?.();
    const changed = what.kind === 'command' || what.kind === 'step';
    if (changed)
      await tx.query(
        `INSERT INTO plan_changes (plan_id, revision, command_id, changes, undo, redo) VALUES ($1, $2, $3, $4, $5, $6)`,
        [planId, revision, what.commandId, JSON.stringify(changes), held.undo, held.redo],
      );
    if (revision % 50 === 0)
      await tx.query('DELETE FROM plan_changes WHERE plan_id = $1 AND revision <= $2', [
        planId,
        revision - KEPT_CHANGES,
      ]);
    // the log of who did what, how many that makes in a minute, and word to every server
    const [row] = await tx.query(
      `WITH act AS (INSERT INTO acts (id, about, plan_name, words) VALUES ($1, $2, $3, $4))
       SELECT changes_a_minute AS most, pg_notify($5, $6),
         (SELECT count(*)::int FROM acts WHERE household_id = $7 AND at > now() - interval '1 minute') AS now
       FROM households WHERE id = $7`,
      [
        newId('act'),
        planId,
        held.plan.head.name,
        actWords(what, held),
        CHANNEL,
        `plan ${planId}`,
        this.scope.household,
      ],
    );
    mustBeSlower(changed ? (row!.now as number) : 0, row!.most as number);
  }

  async now(tx: Queries, _tips: Tips, planId: string, changing: boolean): Promise<Held | null> {
    // whoever reads on behalf of a change must not see it half way through somebody else’s
    const [row] = await tx.query(`SELECT revision FROM plans WHERE id = $1 FOR ${changing ? 'UPDATE' : 'SHARE'}`, [
      planId,
    ]);
    return row ? this.upTo(tx, planId, row.revision as number) : null;
  }

  async read(planId: string): Promise<Held | null> {
    return this.hub.pool.transaction(
      this.scope,
      async (tx) => {
        const [row] = await tx.query('SELECT revision FROM plans WHERE id = $1', [planId]);
        return row ? this.upTo(tx, planId, row.revision as number) : null;
      },
      true,
    );
  }

  /** The plan as it is at this revision: what is remembered, brought up to it. */
  private async upTo(tx: Queries, planId: string, revision: number): Promise<Held | null> {
    const known = this.hub.held.get(this.key(planId));
    if (known?.revision === revision) return known;
    const missing = known && known.revision < revision ? await changesAfter(tx, planId, known.revision) : [];
    const last = missing.at(-1);
    const follows = last?.revision === revision && missing.length === revision - (known?.revision ?? 0);
    const held: Held | null =
      known && last && follows
        ? {
            plan: missing.reduce((plan, { changes }) => applyChanges(plan, changes), known.plan),
            revision,
            undo: last.undo,
            redo: last.redo,
          }
        : await readHeld(tx, planId);
    if (held) this.hub.held.set(this.key(planId), held);
    return held;
  }

  private key(planId: string): string {
    return `${this.scope.household}/${planId}`;
  }

  forget(planId: string): void {
    this.hub.held.delete(this.key(planId));
  }

  onEvent(planId: string, listener: Listener): Promise<() => void> {
    return this.hub.watch(this.scope.household, planId, listener);
  }

  /** Nobody is told from here: the database tells all servers, this one too, once it is committed. */
  tell(): void {
    return undefined;
  }
}

/** What stands in the household’s log. */
function actWords(what: Entry['what'], held: Held): string {
  switch (what.kind) {
    case 'added':
      return 'add this plan';
    case 'command':
      return what.words;
    case 'step':
      return what.to === 'undone' ? `undo: ${held.redo ?? 'a change'}` : `redo: ${held.undo ?? 'a change'}`;
    case 'away':
      return what.since === null ? 'bring this plan back' : 'throw this plan away';
    case 'removed':
      return 'remove this plan for good, thirty days after it was thrown away';
  }
}
