import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import pg from 'pg';
import { migrationFiles } from '../store/database.ts';
import { FILLS } from '../store/fill.ts';
import { type Queries, type Row } from '../store/queries.ts';
import { FolderNewer, Trouble } from '../store/trouble.ts';
import { passingTrouble } from './trouble.ts';

const GUILD = fileURLToPath(new URL('../sql/guild/', import.meta.url));
/** The role that servers take on: it owns nothing and bypasses nothing. */
export const SERVERS = 'heronstone_servers';
/** Any number; it keeps two migrations from running at once. */
const LOCK = 4377;

type Migration = { name: string; sql: string; phase: 'expand' | 'contract' };

/** Whether servers of before and after may run side by side, as the first line of a migration says. */
const phaseOf = (sql: string): Migration['phase'] => (sql.startsWith('-- contract') ? 'contract' : 'expand');

/** All migrations of a guild’s database: the folder’s own first, then what several households need. */
function guildMigrations(): Migration[] {
  const own = readdirSync(GUILD)
    .filter((f) => /^\d{4}-.*\.sql$/.test(f))
    .sort()
    .map((f) => ({ name: `guild/${f}`, sql: readFileSync(join(GUILD, f), 'utf8') }));
  return [...migrationFiles(), ...own].map((m) => ({ ...m, phase: phaseOf(m.sql) }));
}

const everyTime = () => readFileSync(join(GUILD, 'every-time.sql'), 'utf8');

/**
 * Brings the tables up to date, as their owner, and closes every table to all but its household.
 * @param url of a role that may make tables, and, the first time, roles
 * @returns how many migrations were run
 * @throws FolderNewer when a later program made the tables; Trouble in plain words
 */
export async function migrateGuild(url: string): Promise<number> {
  const client = new pg.Client({ connectionString: url, application_name: 'heronstone migrations' });
  try {
    await client.connect();
    const db: Queries = {
      query: async (sql, params = []) => (await client.query<Row>(sql, params)).rows,
      exec: async (sql) => void (await client.query(sql)),
    };
    await mustBeRecent(db);
    await serversRole(db);
    await db.query('SELECT pg_advisory_lock($1)', [LOCK]);
    await db.exec(
      `CREATE TABLE IF NOT EXISTS schema_migrations (name text PRIMARY KEY, applied_at timestamptz NOT NULL DEFAULT now());
       ALTER TABLE schema_migrations ADD COLUMN IF NOT EXISTS phase text NOT NULL DEFAULT 'expand'`,
    );
    const done = await mustBeKnown(db, true);
    const pending = guildMigrations().filter((m) => !done.has(m.name));
    await db.exec('BEGIN');
    for (const { sql } of pending) await db.exec(sql);
    for (const { name, phase } of pending) {
      await FILLS[name]?.(db);
      await db.query('INSERT INTO schema_migrations (name, phase) VALUES ($1, $2)', [name, phase]);
    }
    if (pending.length > 0) await db.exec(everyTime());
    await db.exec('COMMIT');
    return pending.length;
  } catch (error) {
    throw passingTrouble(error) ?? error;
  } finally {
    await client.end().catch(() => undefined);
  }
}

async function mustBeRecent(db: Queries): Promise<void> {
  const [row] = await db.query(`SELECT current_setting('server_version_num')::int / 10000 AS version`);
  if (Number(row!.version) < 15)
    throw new Trouble(`This PostgreSQL is version ${String(row!.version)}; Heronstone needs 15 or newer.`);
}

async function serversRole(db: Queries): Promise<void> {
  const [role] = await db.query('SELECT rolsuper OR rolbypassrls AS strong FROM pg_roles WHERE rolname = $1', [
    SERVERS,
  ]);
  if (role?.strong) throw new Trouble(`The role ${SERVERS} must be neither superuser nor BYPASSRLS.`);
  if (role) return;
  try {
    await db.exec(`CREATE ROLE ${SERVERS} NOLOGIN; GRANT ${SERVERS} TO CURRENT_USER`);
  } catch (error) {
    // another migration was quicker
    if ((error as { code?: string }).code === '42710') return;
    throw new Trouble(
      `The role ${SERVERS} is not there and this one may not make it. Let a superuser say: CREATE ROLE ${SERVERS} NOLOGIN; GRANT ${SERVERS} TO <the servers’ login>;`,
      { cause: error },
    );
  }
}

/**
 * Which migrations there are. Servers go on beside later ones that only add.
 * @param toMigrate whether the tables are about to be changed: then nothing may be unknown
 * @throws FolderNewer
 */
async function mustBeKnown(db: Queries, toMigrate = false): Promise<Set<string>> {
  const rows = await db.query('SELECT name, phase FROM schema_migrations');
  const known = new Set(guildMigrations().map((m) => m.name));
  if (rows.some((r) => !known.has(r.name as string) && (toMigrate || r.phase === 'contract')))
    throw new FolderNewer('The database');
  return new Set(rows.map((r) => r.name as string));
}

/**
 * Whether a server can work with the tables as they are.
 * @returns why not, in plain words, or null
 */
export async function tablesTrouble(db: Queries): Promise<string | null> {
  try {
    const done = await mustBeKnown(db);
    return guildMigrations().every((m) => done.has(m.name))
      ? null
      : 'The tables are older than this program. Run npm run -s guild -- migrate with DATABASE_OWNER_URL set.';
  } catch (error) {
    if (error instanceof FolderNewer) return error.message;
    // no such table: nothing was ever made here
    if (['42P01', '42501'].includes((error as { code?: string }).code ?? ''))
      return 'There are no tables of ours in this database, or this role may not read them. Run npm run -s guild -- migrate with DATABASE_OWNER_URL set.';
    throw error;
  }
}
