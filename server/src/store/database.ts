import { createHash } from 'node:crypto';
import { cpSync, existsSync, readdirSync, readFileSync, renameSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { promisify } from 'node:util';
import { constants, gzip } from 'node:zlib';
import { PGlite } from '@electric-sql/pglite';
import { amcheck } from '@electric-sql/pglite/contrib/amcheck';
import { extract } from 'tar';
import { makeFolder } from './files.ts';
import { FILLS } from './fill.ts';
import { type Queries, type Row } from './queries.ts';
import { diskTrouble, FolderNewer } from './trouble.ts';

export type { Queries, Row } from './queries.ts';

export interface Database extends Queries {
  transaction<T>(work: (tx: Queries) => Promise<T>): Promise<T>;
  /** the whole database as one gzipped tar file */
  dump(): Promise<Uint8Array>;
  /** closes what is left of it and opens the folder again */
  reopen(): Promise<void>;
  close(): Promise<void>;
}

/** The database is there but does not open. */
export class DatabaseBroken extends Error {}

const MIGRATIONS = fileURLToPath(new URL('../sql/migrations/', import.meta.url));

export function migrationFiles(): { name: string; sql: string }[] {
  return readdirSync(MIGRATIONS)
    .filter((f) => f.endsWith('.sql'))
    .sort()
    .map((name) => ({ name, sql: readFileSync(join(MIGRATIONS, name), 'utf8') }));
}

/** The version of the tables: the number of the newest migration. */
export const TABLES_VERSION = Number(migrationFiles().at(-1)!.name.slice(0, 4));

const MIGRATIONS_TABLE =
  'CREATE TABLE IF NOT EXISTS schema_migrations (name text PRIMARY KEY, applied_at timestamptz NOT NULL DEFAULT now())';

class Embedded implements Database {
  private closed = false;

  constructor(
    private pg: PGlite,
    private readonly folder: string,
  ) {}
  async query(sql: string, params: unknown[] = []): Promise<Row[]> {
    return (await this.pg.query<Row>(sql, params)).rows;
  }
  async exec(sql: string): Promise<void> {
    await this.pg.exec(sql);
  }
  transaction<T>(work: (tx: Queries) => Promise<T>): Promise<T> {
    return this.pg.transaction((tx) =>
      work({
        query: async (sql, params = []) => (await tx.query<Row>(sql, params)).rows,
        exec: async (sql) => void (await tx.exec(sql)),
      }),
    );
  }
  async dump(): Promise<Uint8Array> {
    // packed on another thread: doing it in the database holds up every request for seconds
    const bytes = new Uint8Array(await (await this.pg.dumpDataDir('none')).arrayBuffer());
    // a seventh larger than at its smallest, in well under half the time
    return promisify(gzip)(bytes, { level: constants.Z_BEST_SPEED });
  }
  async reopen(): Promise<void> {
    if (this.closed) throw new Error('The database is closed.');
    await this.pg.close().catch(() => undefined);
    this.pg = await PGlite.create(this.folder);
  }
  close(): Promise<void> {
    this.closed = true;
    return this.pg.close();
  }
}

/**
 * Opens the embedded PostgreSQL in a folder, bringing its tables up to date.
 * @param folder a path
 * @param beforeMigration called with the open database when an existing one is about to be migrated
 * @param from a dump to start a new folder from
 * @param checked whether PostgreSQL’s own checks of tables and indexes are wanted at hand (the extension amcheck)
 * @throws FolderNewer; DatabaseBroken when it does not open or its tables cannot be read
 */
export async function openDatabase(
  folder: string,
  beforeMigration: (db: Database) => Promise<void>,
  from?: Uint8Array,
  checked = false,
): Promise<Database> {
  const isNew = !existsSync(join(folder, 'PG_VERSION'));
  if (isNew && from) unpack(from, folder);
  else if (isNew) cpSync(await template(), folder, { recursive: true });
  const db = await opened(folder, checked);
  try {
    await migrate(db, isNew && !from ? null : beforeMigration);
    return db;
  } catch (error) {
    await db.close().catch(() => undefined);
    throw error;
  }
}

/**
 * Makes a database with the empty tables of an earlier program: filled with its rows and opened again, it is brought up to date as any other.
 * @param folder a path where nothing is yet
 * @param version number of its newest migration
 */
export async function emptyOfVersion(folder: string, version: number): Promise<Database> {
  cpSync(await template(), folder, { recursive: true });
  const db = await opened(folder, false);
  await db.exec('DROP SCHEMA public CASCADE; CREATE SCHEMA public');
  await db.exec(MIGRATIONS_TABLE);
  for (const { name, sql } of migrationFiles().filter((m) => Number(m.name.slice(0, 4)) <= version)) {
    await db.exec(sql);
    await db.query('INSERT INTO schema_migrations (name) VALUES ($1)', [name]);
  }
  return db;
}

/** Unpacks a dump. @throws DatabaseBroken when it is none */
function unpack(dump: Uint8Array, folder: string): void {
  makeFolder(folder);
  const faults: unknown[] = [];
  // at once: what unpacks a dump does nothing else meanwhile, and waiting for each of its files takes twice as long
  const tar = extract({
    ...{ cwd: folder, preserveOwner: false, sync: true },
    onwarn: (code, message, data) => {
      // names in a dump begin with the root; they are unpacked below the folder
      if (code !== 'TAR_ENTRY_INFO') faults.push(data instanceof Error ? data : new Error(String(message)));
    },
  });
  tar.on('error', (error) => faults.push(error));
  try {
    tar.end(Buffer.from(dump.buffer, dump.byteOffset, dump.byteLength));
  } catch (error) {
    faults.push(error);
  }
  for (const cause of faults) throw diskTrouble(cause, folder) ?? new DatabaseBroken(NO_DUMP, { cause });
  // opening it would begin an empty one
  if (!existsSync(join(folder, 'PG_VERSION'))) throw new DatabaseBroken(NO_DUMP);
}

const NO_DUMP = 'what it is to be unpacked from is damaged, or no dump of a database';

async function opened(folder: string, checked: boolean): Promise<Database> {
  try {
    const pg = await PGlite.create(folder, checked ? { extensions: { amcheck } } : {});
    const db = new Embedded(pg, folder);
    await db.exec(MIGRATIONS_TABLE);
    return db;
  } catch (error) {
    const disk = diskTrouble(error, folder);
    if (disk) throw disk;
    throw new DatabaseBroken('the database is damaged and does not open', { cause: error });
  }
}

async function migrate(db: Database, before: ((db: Database) => Promise<void>) | null): Promise<void> {
  const done = new Set((await db.query('SELECT name FROM schema_migrations')).map((r) => r.name as string));
  const known = migrationFiles();
  if ([...done].some((name) => !known.some((m) => m.name === name))) throw new FolderNewer('This data');
  if (before) await readThrough(db);
  const pending = known.filter((m) => !done.has(m.name));
  if (pending.length > 0 && before) await before(db);
  if (pending.length === 0) return;
  await db.transaction(async (tx) => {
    for (const { sql } of pending) await tx.exec(sql);
    // what is filled in is written as it is kept today: all tables are as they are today then
    for (const { name } of pending) {
      await FILLS[name]?.(tx);
      await tx.query('INSERT INTO schema_migrations (name) VALUES ($1)', [name]);
    }
  });
}

/** @throws DatabaseBroken when a table cannot be read from its first row to its last */
export async function readThrough(db: Queries): Promise<void> {
  try {
    const tables = await db.query(
      `SELECT table_name AS name FROM information_schema.tables WHERE table_schema = 'public' AND table_type = 'BASE TABLE'`,
    );
    for (const { name } of tables) await db.query(`SELECT sum(length(t::text)) FROM "${name as string}" t`);
  } catch (error) {
    throw new DatabaseBroken('a part of the database is damaged and cannot be read', { cause: error });
  }
}

/**
 * PostgreSQL makes new databases by copying one of two patterns. There is only ever this one here, and the patterns are half of every folder
 * and two fifths of every backup.
 */
const WITHOUT_PATTERNS = [
  `UPDATE pg_database SET datistemplate = false, datallowconn = true WHERE datname IN ('template0', 'template1')`,
  'DROP DATABASE template0',
  'DROP DATABASE template1',
  'CHECKPOINT',
];

/** The folder of a migrated empty database, made once per set of migrations and kept beside the packages: making one takes seconds, copying it does not. */
export async function template(): Promise<string> {
  const root = fileURLToPath(new URL('../../../', import.meta.url));
  const hash = createHash('sha256').update(
    readFileSync(join(root, 'node_modules', '@electric-sql', 'pglite', 'package.json')),
  );
  for (const m of migrationFiles()) hash.update(m.name).update(m.sql);
  hash.update(WITHOUT_PATTERNS.join());
  const folder = join(root, 'node_modules', '.cache', 'heronstone', `template-${hash.digest('hex').slice(0, 16)}`);
  if (existsSync(folder)) return folder;
  const half = `${folder}.${process.pid}`;
  makeFolder(half);
  const pg = await PGlite.create(half);
  const db = new Embedded(pg, half);
  await db.exec(MIGRATIONS_TABLE);
  await migrate(db, null);
  for (const statement of WITHOUT_PATTERNS) await db.exec(statement);
  await db.close();
  try {
    renameSync(half, folder);
  } catch (error) {
    // another process was quicker
    rmSync(half, { recursive: true, force: true });
    if (!existsSync(folder)) throw error;
  }
  return folder;
}
