import { setTimeout as wait } from 'node:timers/promises';
import { LRUCache } from 'lru-cache';
import pg from 'pg';
import { type RowChange } from '@heronstone/core/plan';
import { type Held, type Listener, Listeners } from '../store/engine.ts';
import { untilOf } from '../store/plan-store.ts';
import { type Queries } from '../store/queries.ts';
import { type Pool } from './pool.ts';

/** The channel on which servers tell each other. */
export const CHANNEL = 'heronstone';
/** Plans that a server remembers, so that a change need not read them whole (own assumption). */
const REMEMBERED = 120;
/** How long is waited before the database is called again, ms; the last is kept to. */
const WAITS = [100, 250, 500, 1_000, 2_000];

/** How often the connection that brings word is asked whether it is there, and how long it may take to answer, ms (own assumption). */
const BEAT = 15_000;

/** A plan that windows of this server look at: what they were told last. */
type Watched = { household: string; revision: number; away: string | null; turn: Promise<void> };

/**
 * What one server knows of plans that several change: what it has read of them, and word of every change, its own included, from the database. Word
 * that was missed while the connection was broken is asked for when it is there again.
 */
export class Hub {
  readonly held = new LRUCache<string, Held>({ max: REMEMBERED });
  private readonly listeners = new Listeners();
  private readonly watched = new Map<string, Watched>();
  private readonly endings = new Set<(digest: string) => void>();
  private readonly turns = new Map<string, Promise<unknown>>();
  private client: pg.Client | null = null;
  private closed = false;
  private taking = false;

  private constructor(
    readonly pool: Pool,
    /** what windows compare to know whether a server goes on from the same state */
    readonly id: string,
    private readonly warn: (words: string) => void,
  ) {}

  static async open(pool: Pool, warn: (words: string) => void): Promise<Hub> {
    const [state] = await pool.as({ household: null }).query('SELECT id FROM guild_state');
    const hub = new Hub(pool, state!.id as string, warn);
    await hub.listen();
    return hub;
  }

  /** Whether it hears of what other servers do. */
  get hears(): boolean {
    return this.client !== null;
  }

  /** Does what is about one plan one after the other, so that those that wait hold no connection meanwhile. */
  inTurn<T>(planId: string, work: () => Promise<T>): Promise<T> {
    const mine = (this.turns.get(planId) ?? Promise.resolve()).then(work, work);
    const settled = mine
      .catch(() => undefined)
      .then(() => {
        if (this.turns.get(planId) === settled) this.turns.delete(planId);
      });
    this.turns.set(planId, settled);
    return mine;
  }

  /** Tells of everything that happens to a plan of a household from when this has resolved. */
  async watch(household: string, planId: string, listener: Listener): Promise<() => void> {
    if (!this.watched.has(planId)) {
      const first = { household, revision: -1, away: null, turn: Promise.resolve() };
      this.watched.set(planId, first);
      first.turn = this.look(planId, first);
    }
    const end = this.listeners.add(planId, listener);
    const stop = () => {
      end();
      if (!this.listeners.has(planId)) this.watched.delete(planId);
    };
    try {
      await this.watched.get(planId)!.turn;
      return stop;
    } catch (error) {
      stop();
      throw error;
    }
  }

  /** Told the digest of every session that has ended, wherever it was ended. */
  onSessionEnd(listener: (digest: string) => void): void {
    this.endings.add(listener);
  }

  private async listen(): Promise<void> {
    const client = new pg.Client({
      ...this.pool.config,
      options: undefined,
      application_name: 'heronstone word',
      query_timeout: BEAT,
    });
    // a connection that is cut somewhere on the way says nothing: it is asked now and then
    const beat = setInterval(() => void client.query('SELECT 1').catch((e: Error) => lost(e.message)), BEAT).unref();
    const lost = (words: string) => {
      clearInterval(beat);
      client.removeAllListeners('notification');
      void client.end().catch(() => undefined);
      if (this.client !== client) return;
      this.client = null;
      if (!this.closed) void this.again(words);
    };
    client.on('error', (error) => lost(error.message));
    client.on('end', () => lost('the connection ended'));
    try {
      await client.connect();
      client.on('notification', ({ payload }) => this.heard(payload ?? ''));
      await client.query(`LISTEN ${CHANNEL}`);
    } catch (error) {
      lost((error as Error).message);
      throw error;
    }
    this.client = client;
  }

  /** Takes up word of others again; once at a time, until it is there. */
  private async again(words: string): Promise<void> {
    if (this.taking) return;
    this.taking = true;
    this.warn(`Word of other servers broke off (${words}); it is taken up again.`);
    for (let failures = 0; !this.closed && !this.client; failures++) {
      await wait(WAITS[Math.min(failures, WAITS.length - 1)], undefined, { ref: false });
      await this.listen().catch(() => undefined);
    }
    this.taking = false;
    // what happened meanwhile was told to nobody
    for (const [planId, one] of this.watched) this.follow(planId, one);
  }

  private heard(payload: string): void {
    const [kind, what = ''] = payload.split(' ');
    if (kind === 'session') for (const listener of this.endings) listener(what);
    const one = kind === 'plan' ? this.watched.get(what) : undefined;
    if (one) this.follow(what, one);
  }

  private follow(planId: string, one: Watched): void {
    one.turn = one.turn
      .catch(() => undefined)
      .then(() => this.look(planId, one))
      .catch((error: Error) => this.warn(`A plan could not be followed: ${error.message}`));
  }

  /** Reads what came after the last revision that was told, and tells it. */
  private async look(planId: string, one: Watched): Promise<void> {
    const [now, rows] = await this.pool.transaction(
      { household: one.household },
      async (tx) =>
        [
          (await tx.query('SELECT revision, away_since AS since FROM plans WHERE id = $1', [planId]))[0],
          one.revision < 0 ? [] : await changesAfter(tx, planId, one.revision),
        ] as const,
      true,
    );
    const begins = one.revision < 0;
    if (!now) {
      if (!begins) this.listeners.tell({ planId, keptUntil: null, gone: true });
      return;
    }
    const away = now.since ? untilOf(now.since as Date) : null;
    const revision = now.revision as number;
    if (!begins) {
      const [first] = rows;
      if (revision > one.revision && first?.revision !== one.revision + 1)
        // the rows between are not kept any more: a revision that leaps makes windows read the plan anew
        this.listeners.tell({ planId, commandId: '', changes: [], revision: revision + 1, undo: null, redo: null });
      else for (const row of rows) this.listeners.tell({ planId, ...row });
      if (away !== one.away) this.listeners.tell({ planId, keptUntil: away, gone: false });
    }
    one.revision = revision;
    one.away = away;
  }

  async close(): Promise<void> {
    this.closed = true;
    await this.client?.end().catch(() => undefined);
  }
}

export type Change = {
  commandId: string;
  changes: RowChange[];
  revision: number;
  undo: string | null;
  redo: string | null;
};

/** The changes of a plan after a revision, oldest first; those that are not kept any more are missing at the beginning. */
export async function changesAfter(tx: Queries, planId: string, revision: number): Promise<Change[]> {
  const rows = await tx.query(
    `SELECT revision, command_id AS "commandId", changes, undo, redo FROM plan_changes
     WHERE plan_id = $1 AND revision > $2 ORDER BY revision`,
    [planId, revision],
  );
  return rows as Change[];
}
