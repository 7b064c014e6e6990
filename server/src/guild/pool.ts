import pg from 'pg';
import { type Queries, type Row } from '../store/queries.ts';
import { passingTrouble } from './trouble.ts';

/** Whom a transaction is for: rows of this household alone are seen; `key`: a digest whose secret was shown, which opens its own row. */
export type Scope = {
  household: string | null;
  key?: string;
  /** who acts, for the log */
  member?: { id: string; name: string };
};

/** No household: nothing of anybody is seen. */
export const NOBODY: Scope = { household: null };

/** What a server waits for at most, ms (own assumptions): for a connection, for an answer of one statement, for somebody else’s lock. */
const FOR_CONNECTION = 8_000;
const FOR_STATEMENT = 20_000;
const FOR_LOCK = 10_000;
const CONNECTIONS = 12;
/** So often something is tried anew when the database says that two were in each other’s way. */
const TRIES = 4;

/** Settings of every connection: an answer means that the write-ahead log is on the disk; nobody waits for ever. */
const options = (role: string | null, timeout: number) =>
  [
    `-c synchronous_commit=on`,
    `-c statement_timeout=${timeout}`,
    `-c lock_timeout=${FOR_LOCK}`,
    `-c idle_in_transaction_session_timeout=${timeout}`,
    `-c timezone=UTC`,
    ...(role === null ? [] : [`-c role=${role}`]),
  ].join(' ');

export type PoolParts = {
  /** as DATABASE_URL names it; `sslmode=verify-full` and the like are heeded */
  url: string;
  /** the role taken on by every connection; null: that of the URL */
  role: string | null;
  connections?: number;
  statementTimeout?: number;
  /** how long is waited for one of them, ms */
  forConnection?: number;
  onTrouble?: (words: string) => void;
  /** told every question and what came with it, for tests that ask them again as somebody else */
  onQuestion?: (sql: string, params: unknown[]) => void;
};

/** Connections to a PostgreSQL. Every question is asked inside a transaction that says whom it is for. */
export class Pool {
  private readonly pool: pg.Pool;
  private closed = false;
  readonly config: pg.ClientConfig;

  private readonly onQuestion: PoolParts['onQuestion'];

  constructor({
    url,
    role,
    connections = CONNECTIONS,
    statementTimeout = FOR_STATEMENT,
    forConnection = FOR_CONNECTION,
    onTrouble,
    onQuestion,
  }: PoolParts) {
    this.onQuestion = onQuestion;
    this.config = {
      connectionString: url,
      options: options(role, statementTimeout),
      keepAlive: true,
      application_name: 'heronstone',
    };
    this.pool = new pg.Pool({
      ...this.config,
      max: connections,
      connectionTimeoutMillis: forConnection,
      idleTimeoutMillis: 60_000,
    });
    // one that lay idle and broke is not used again; whoever asks next gets another
    this.pool.on('error', (error) => {
      if (!this.closed) onTrouble?.(`A connection to the database broke off: ${error.message}`);
    });
  }

  /** Questions of a scope, each in a transaction of its own. */
  as(scope: Scope): Queries {
    return {
      query: (sql, params) => this.transaction(scope, (tx) => tx.query(sql, params)),
      exec: (sql) => this.transaction(scope, (tx) => tx.exec(sql)),
    };
  }

  /**
   * Does something whole or not at all. Where two were in each other’s way it is done again.
   * @param still whether it reads one state of everything and changes nothing
   * @throws Trouble in plain words when the database is away; what the database said otherwise
   */
  async transaction<T>(scope: Scope, work: (tx: Queries) => Promise<T>, still = false): Promise<T> {
    for (let tried = 1; ; tried++) {
      try {
        return await this.once(scope, work, still);
      } catch (error) {
        const { code } = error as { code?: string };
        if ((code === '40001' || code === '40P01') && tried < TRIES) continue;
        throw passingTrouble(error) ?? error;
      }
    }
  }

  private async once<T>(scope: Scope, work: (tx: Queries) => Promise<T>, still: boolean): Promise<T> {
    const client = await this.begun(still);
    let broken = false;
    try {
      await client.query(
        `SELECT set_config('heronstone.household', $1, true), set_config('heronstone.key', $2, true),
                set_config('heronstone.member', $3, true), set_config('heronstone.who', $4, true)`,
        [scope.household ?? '', scope.key ?? '', scope.member?.id ?? '', scope.member?.name ?? ''],
      );
      const result = await work(this.queriesOf(client));
      const { command } = await client.query('COMMIT');
      // a transaction in which something had failed ends with ROLLBACK and no error
      if (command !== 'COMMIT') throw new Error('The database took it back.');
      return result;
    } catch (error) {
      await client.query('ROLLBACK').catch(() => (broken = true));
      throw error;
    } finally {
      client.release(broken);
    }
  }

  /** A connection with a transaction begun on it; one that had broken unseen is replaced once. */
  private async begun(still: boolean): Promise<pg.PoolClient> {
    const words = still ? 'BEGIN ISOLATION LEVEL REPEATABLE READ READ ONLY' : 'BEGIN';
    for (let tried = 0; ; tried++) {
      const client = await this.pool.connect();
      // while it is out the pool does not listen: a connection that breaks between two questions must not end the process
      if (client.listenerCount('error') === 0) client.on('error', () => undefined);
      try {
        await client.query(words);
        return client;
      } catch (error) {
        client.release(true);
        if (tried > 0) throw error;
      }
    }
  }

  /** What is in use, waiting and idle, for metrics. */
  get numbers(): { open: number; idle: number; waiting: number } {
    return { open: this.pool.totalCount, idle: this.pool.idleCount, waiting: this.pool.waitingCount };
  }

  close(): Promise<void> {
    this.closed = true;
    return this.pool.end();
  }

  private queriesOf(client: pg.PoolClient): Queries {
    return {
      query: async (sql, params = []) => {
        this.onQuestion?.(sql, params);
        return (await client.query<Row>({ text: sql, values: params, ...named(sql) })).rows;
      },
      exec: async (sql) => void (await client.query(sql)),
    };
  }
}

/** Statements that were seen: each connection prepares one once and asks it by its name from then on. So many, at most (own assumption). */
const statements = new Map<string, string>();
const MOST_STATEMENTS = 400;

function named(sql: string): { name?: string } {
  const known = statements.get(sql);
  if (known !== undefined) return { name: known };
  if (statements.size >= MOST_STATEMENTS) return {};
  const name = `q${statements.size}`;
  statements.set(sql, name);
  return { name };
}
