import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { PGlite } from '@electric-sql/pglite';

export type Row = Record<string, unknown>;
/** All SQL goes through this, so that another PostgreSQL can stand in for the embedded one. */
export interface Queries {
  query(sql: string, params?: unknown[]): Promise<Row[]>;
}
export interface Database extends Queries {
  transaction<T>(work: (tx: Queries) => Promise<T>): Promise<T>;
  /** the whole database as one gzipped tar file */
  dump(): Promise<Uint8Array>;
  close(): Promise<void>;
}

const MIGRATIONS = fileURLToPath(new URL('../sql/migrations/', import.meta.url));

function migrationFiles(): { name: string; sql: string }[] {
  return readdirSync(MIGRATIONS)
    .filter((f) => f.endsWith('.sql'))
    .sort()
    .map((name) => ({ name, sql: readFileSync(join(MIGRATIONS, name), 'utf8') }));
}

class Embedded implements Database {
  constructor(private readonly pg: PGlite) {}
  async query(sql: string, params: unknown[] = []): Promise<Row[]> {
    return (await this.pg.query<Row>(sql, params)).rows;
  }
  transaction<T>(work: (tx: Queries) => Promise<T>): Promise<T> {
    return this.pg.transaction((tx) =>
      work({ query: async (sql, params = []) => (await tx.query<Row>(sql, params)).rows }),
    );
  }
  async dump(): Promise<Uint8Array> {
    return new Uint8Array(await (await this.pg.dumpDataDir('gzip')).arrayBuffer());
  }
  close(): Promise<void> {
    return this.pg.close();
  }
}

/**
 * Opens the embedded PostgreSQL in a folder, bringing its tables up to date.
 * @param beforeMigration called with the open database when an existing one is about to be migrated
 * @param from a dump to start a new folder from
 */
export async function openDatabase(
  folder: string,
  beforeMigration: (db: Database) => Promise<void>,
  from?: Uint8Array,
): Promise<Database> {
  const isNew = !existsSync(join(folder, 'PG_VERSION'));
  const start = isNew ? (from ?? (await template())) : null;
  const pg = await PGlite.create(folder, start ? { loadDataDir: new Blob([start as BlobPart]) } : {});
  const db = new Embedded(pg);
  await migrate(pg, db, isNew && !from ? null : beforeMigration);
  return db;
}

async function migrate(pg: PGlite, db: Database, before: ((db: Database) => Promise<void>) | null): Promise<void> {
  await pg.exec(
    'CREATE TABLE IF NOT EXISTS schema_migrations (name text PRIMARY KEY, applied_at timestamptz NOT NULL DEFAULT now())',
  );
  const done = new Set((await db.query('SELECT name FROM schema_migrations')).map((r) => r.name as string));
  const pending = migrationFiles().filter((m) => !done.has(m.name));
  if (pending.length > 0 && before) await before(db);
  for (const { name, sql } of pending)
    await pg.transaction(async (tx) => {
      await tx.exec(sql);
      await tx.query('INSERT INTO schema_migrations (name) VALUES ($1)', [name]);
    });
}

/** A migrated empty database, made once per set of migrations and kept beside the packages: making one takes seconds, loading it does not. */
async function template(): Promise<Uint8Array> {
  const root = fileURLToPath(new URL('../../../', import.meta.url));
  const hash = createHash('sha256').update(
    readFileSync(join(root, 'node_modules', '@electric-sql', 'pglite', 'package.json')),
  );
  for (const m of migrationFiles()) hash.update(m.name).update(m.sql);
  const file = join(root, 'node_modules', '.cache', 'heronstone', `template-${hash.digest('hex').slice(0, 16)}.tar`);
  if (existsSync(file)) return readFileSync(file);
  const pg = await PGlite.create();
  await migrate(pg, new Embedded(pg), null);
  const bytes = new Uint8Array(await (await pg.dumpDataDir('none')).arrayBuffer());
  await pg.close();
  mkdirSync(dirname(file), { recursive: true });
  writeFileSync(`${file}.${process.pid}`, bytes);
  renameSync(`${file}.${process.pid}`, file);
  return bytes;
}
