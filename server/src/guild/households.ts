import {
  createReadStream,
  createWriteStream,
  existsSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createInterface } from 'node:readline';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { createGunzip, createGzip } from 'node:zlib';
import { backUp, dumpOf } from '../store/backup.ts';
import { type Database, openDatabase } from '../store/database.ts';
import { DataFolder } from '../store/data-folder.ts';
import { type Queries } from '../store/queries.ts';
import { Trouble } from '../store/trouble.ts';
import { broughtUp } from './bring-up.ts';
import {
  type Carried,
  carriedFrom,
  carryInto,
  difference,
  fileHead,
  mustBeFile,
  type Sum,
  summing,
  sumOf,
} from './carry.ts';
import { invite, type Role } from './members.ts';
import { NOBODY, Pool, type Scope } from './pool.ts';

/** A household's word in addresses, made of its name. */
export const wordOf = (name: string): string =>
  name
    .normalize('NFKD')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 40)
    .padEnd(2, '-h');

export type Household = { id: string; name: string; plans: number; members: number };

/** What whoever runs a guild does with households, as the owner of the tables. */
export class Households {
  private constructor(private readonly pool: Pool) {}

  /** @param ownerUrl of the role the tables belong to */
  static open(ownerUrl: string): Households {
    return new Households(new Pool({ url: ownerUrl, role: null, connections: 2, statementTimeout: 3_600_000 }));
  }

  close(): Promise<void> {
    return this.pool.close();
  }

  private as(id: string): Scope {
    return { household: id, member: { id: '', name: 'the operator' } };
  }

  list(): Promise<Household[]> {
    return this.pool.as(NOBODY).query(
      `SELECT id, name, (SELECT count(*)::int FROM plans p WHERE p.household_id = h.id) AS plans,
         (SELECT count(*)::int FROM members m WHERE m.household_id = h.id AND left_at IS NULL) AS members
       FROM households h ORDER BY id`,
    ) as Promise<Household[]>;
  }

  /** Makes a household. @returns its word, and the secret of an invitation for its first keeper */
  async add(name: string, id = wordOf(name), keeper = name): Promise<{ id: string; secret: string }> {
    if (!/^[a-z0-9][a-z0-9-]{1,39}$/.test(id))
      throw new Trouble(
        `“${id}” is no word for addresses: small letters, digits and -, two to forty of them. Say one: --id WORD.`,
      );
    return this.pool.transaction(this.as(id), async (tx) => {
      const made = await tx.query(
        'INSERT INTO households (id, name) VALUES ($1, $2) ON CONFLICT DO NOTHING RETURNING 1',
        [id, name],
      );
      if (made.length === 0)
        throw new Trouble(`There is a household ${id} already. Say another word for it: --id WORD.`);
      return { id, secret: await this.inviteIn(tx, keeper, 'keeper') };
    });
  }

  /** An invitation of the operator's, for a household whose keepers are all gone too. */
  async invite(id: string, forWhom: string, role: Role): Promise<string> {
    await this.mustBe(id);
    return this.pool.transaction(this.as(id), (tx) => this.inviteIn(tx, forWhom, role));
  }

  private inviteIn(tx: Queries, forWhom: string, role: Role): Promise<string> {
    return invite(tx, { role, forWhom, by: 'the operator' });
  }

  private async mustBe(id: string): Promise<string> {
    const [row] = await this.pool.as(NOBODY).query('SELECT name FROM households WHERE id = $1', [id]);
    if (!row) throw new Trouble(`There is no household ${id}.`);
    return row.name as string;
  }

  async setLimits(
    id: string,
    set: Partial<Record<'plans' | 'pictures' | 'megabytes' | 'changes', number>>,
  ): Promise<void> {
    await this.mustBe(id);
    await this.pool.as(NOBODY).query(
      `UPDATE households SET most_plans = coalesce($2, most_plans), most_pictures = coalesce($3, most_pictures),
         most_bytes = coalesce($4::bigint * 1000000, most_bytes), changes_a_minute = coalesce($5, changes_a_minute) WHERE id = $1`,
      [id, set.plans ?? null, set.pictures ?? null, set.megabytes ?? null, set.changes ?? null],
    );
  }

  /** Rows of one household alone: the owner sees all of them, so it goes on as the role that does not. */
  private still<T>(id: string, work: (tx: Queries) => Promise<T>): Promise<T> {
    return this.pool.transaction(
      this.as(id),
      async (tx) => {
        await tx.exec('SET LOCAL ROLE heronstone_servers');
        return work(tx);
      },
      true,
    );
  }

  /** Writes everything a household has into one file. @returns what was written */
  async export(id: string, file: string): Promise<Sum> {
    const name = await this.mustBe(id);
    if (existsSync(file)) throw new Trouble(`${file} is there already.`);
    return this.still(id, async (tx) => {
      const { pass, sum } = summing();
      const lines = async function* () {
        yield `${JSON.stringify(fileHead(name))}\n`;
        for await (const { table, row } of pass(carriedFrom(tx))) yield `["${table}",${row}]\n`;
      };
      await pipeline(Readable.from(lines()), createGzip(), createWriteStream(file, { mode: 0o600, flags: 'wx' }));
      return sum();
    });
  }

  /** Makes a household of such a file, one of an earlier program too; all of it or nothing. @returns its word, an invitation's secret, what was read */
  async import(file: string, id?: string): Promise<{ id: string; secret: string; sum: Sum }> {
    if (!existsSync(file)) throw new Trouble(`There is no file ${file}.`);
    const lines = createInterface({ input: createReadStream(file).pipe(createGunzip()), crlfDelay: Infinity })[
      Symbol.asyncIterator
    ]();
    const first = await lines.next().catch(() => ({ value: '' }));
    const head = mustBeFile(String(first.value ?? ''));
    const rows = async function* (): AsyncGenerator<Carried> {
      for await (const line of { [Symbol.asyncIterator]: () => lines }) {
        const cut = /^\["([a-z_]+)",(.*)\]$/.exec(line);
        if (!cut) throw new Trouble('The file of this household is damaged. Nothing was changed.');
        yield { table: cut[1]!, row: cut[2]! };
      }
    };
    return this.make(head.name, id, broughtUp(head.version, rows()));
  }

  private async make(name: string, id = wordOf(name), rows: AsyncIterable<Carried>) {
    const { pass, sum } = summing();
    const secret = await this.pool.transaction(this.as(id), async (tx) => {
      const made = await tx.query(
        'INSERT INTO households (id, name) VALUES ($1, $2) ON CONFLICT DO NOTHING RETURNING 1',
        [id, name],
      );
      if (made.length === 0)
        throw new Trouble(`There is a household ${id} already. Say another word for it: --id WORD.`);
      await carryInto(tx, pass(rows));
      return this.inviteIn(tx, name, 'keeper');
    });
    // the invitation is one line more in the log of what was done
    const wrong = difference(sum(), await this.still(id, sumOf), ['acts']);
    if (wrong !== null) throw new Error(`What was carried is not what came: ${wrong}`);
    return { id, secret, sum: sum() };
  }

  /** Carries a data folder into a household of its own. The folder stays as it is. */
  async fromFolder(path: string, name: string, id?: string) {
    const aside = mkdtempSync(join(tmpdir(), 'heronstone-carry-'));
    try {
      const folder = await DataFolder.open(path);
      const dump = join(aside, 'folder.tar.gz');
      try {
        if (folder.broken) throw new Trouble(`The plans in ${path} cannot be opened: ${folder.broken}.`);
        await folder.backUp('by-hand', dump);
      } finally {
        await folder.close();
      }
      const db = await openDatabase(join(aside, 'database'), async () => undefined, readFileSync(dump));
      try {
        return await this.make(name, id, carriedFrom(db));
      } finally {
        await db.close();
      }
    } finally {
      rmSync(aside, { recursive: true, force: true });
    }
  }

  /** Carries a household into a data folder that is not there yet; it stays on the guild as it is. */
  async toFolder(id: string, path: string): Promise<Sum> {
    await this.mustBe(id);
    if (existsSync(path) && readdirSync(path).length > 0) throw new Trouble(`${path} is not empty.`);
    const aside = mkdtempSync(join(tmpdir(), 'heronstone-carry-'));
    try {
      const db = await openDatabase(join(aside, 'database'), async () => undefined);
      let carried: Sum;
      let file: string;
      try {
        carried = await this.still(id, async (tx) => {
          const { pass, sum } = summing();
          await db.transaction((into) => carryInto(into, plansOnly(pass(carriedFrom(tx)))));
          return sum();
        });
        await mustAgree(carried, db);
        file = await backUp(await dumpOf(db), aside, 'by-hand', join(aside, 'household.tar.gz'));
      } finally {
        await db.close();
      }
      const folder = await DataFolder.open(path);
      try {
        // a restore begins a lineage: journal, backup and seal as of any other folder
        rmSync(await folder.restore(file), { recursive: true, force: true });
      } finally {
        await folder.close();
      }
      return carried;
    } finally {
      rmSync(aside, { recursive: true, force: true });
    }
  }

  /** A backup was put back: windows that come back read their plans anew, whatever the revision. */
  async restored(): Promise<void> {
    await this.pool
      .as(NOBODY)
      .query(`UPDATE guild_state SET id = 'guild-' || replace(gen_random_uuid()::text, '-', '')`);
  }

  /** Erases a household for good. @returns how many rows of it are left in each table, counted afterwards by the owner, who sees all */
  async erase(id: string): Promise<Record<string, number>> {
    await this.mustBe(id);
    await this.pool.transaction(this.as(id), async (tx) => {
      for (const { digest } of await tx.query('SELECT digest FROM sessions WHERE household_id = $1', [id]))
        await tx.query('SELECT pg_notify($1, $2)', ['heronstone', `session ${String(digest)}`]);
      await tx.query('DELETE FROM households WHERE id = $1', [id]);
      await tx.query(`DELETE FROM tries WHERE key LIKE $1`, [`person ${id}/%`]);
    });
    return this.left(id);
  }

  /** Rows of a household in every table that has a household's rows. */
  async left(id: string): Promise<Record<string, number>> {
    const db = this.pool.as(NOBODY);
    const tables = await db.query(
      `SELECT table_name AS name FROM information_schema.columns WHERE table_schema = 'public' AND column_name = 'household_id' ORDER BY 1`,
    );
    const left: Record<string, number> = {};
    for (const { name } of tables) {
      const [row] = await db.query(`SELECT count(*)::int AS n FROM "${String(name)}" WHERE household_id = $1`, [id]);
      left[name as string] = row!.n as number;
    }
    const [row] = await db.query('SELECT count(*)::int AS n FROM households WHERE id = $1', [id]);
    return { ...left, households: row!.n as number };
  }
}

async function* plansOnly(rows: AsyncIterable<Carried>): AsyncGenerator<Carried> {
  for await (const one of rows) if (one.table !== 'acts' && one.table !== 'receipts') yield one;
}

async function mustAgree(carried: Sum, db: Database): Promise<void> {
  const wrong = difference(carried, await sumOf(db));
  if (wrong !== null) throw new Error(`What was carried is not what stands there now: ${wrong}`);
}
