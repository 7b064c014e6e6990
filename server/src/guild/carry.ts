import { createHash } from 'node:crypto';
import { TABLE_NAMES } from '@heronstone/core/plan';
import { TABLES_VERSION } from '../store/database.ts';
import { snake } from '../store/names.ts';
import { type Queries } from '../store/queries.ts';
import { Trouble } from '../store/trouble.ts';

/** The tables plans are made of, in an order in which they can be filled; then the pictures. */
const PLAN_TABLES = ['plans', ...TABLE_NAMES.map(snake), 'command_log', 'photos'] as const;
/** What a household has besides, on a guild alone. */
const GUILD_TABLES = ['acts', 'receipts'] as const;
/** Columns that belong to where rows stand, not to them. */
const WITHOUT = `- 'household_id' - 'member_id' - 'kept_at'`;
/** Rows read or written by one statement; pictures are large. */
const SLICE = 400;
const PICTURES = 8;

/** A row as the database writes it down in JSON: what is read from one engine goes into the other to the last digit. */
export type Carried = { table: string; row: string };

/** Whether only a guild keeps rows of it. */
export const isOfGuild = ({ table }: Carried): boolean => GUILD_TABLES.includes(table as never);

const exists = async (db: Queries, table: string) =>
  (await db.query('SELECT to_regclass($1) IS NOT NULL AS is', [table]))[0]!.is === true;

/**
 * Every row a household has: plans with all their rows, the thrown-away ones, log and undo, pictures.
 * @param db sees the rows of this household and of no other
 */
export async function* carriedFrom(db: Queries): AsyncGenerator<Carried> {
  // times are written down alike wherever they are read
  await db.exec(`SET TIME ZONE 'UTC'`);
  for (const table of [...PLAN_TABLES, ...GUILD_TABLES]) {
    if (!(await exists(db, table))) continue;
    // each row is of one moment: the transaction it is read in sees one state
    const [count] = await db.query(`SELECT count(*)::int AS n FROM ${table}`);
    const slice = table === 'photos' ? PICTURES : SLICE;
    for (let from = 0; from < Number(count!.n); from += slice) {
      const rows = await db.query(
        `SELECT (to_jsonb(t) ${WITHOUT})::text AS row FROM ${table} t ORDER BY ${keyOf(table)} LIMIT ${slice} OFFSET ${from}`,
      );
      for (const { row } of rows) yield { table, row: row as string };
    }
  }
}

const keyOf = (table: string): string =>
  table === 'plans'
    ? 'id'
    : table === 'photos'
      ? 'hash'
      : table === 'command_log'
        ? 'plan_id, seq'
        : GUILD_TABLES.includes(table as never)
          ? 'id'
          : 'plan_id, id';

/**
 * Writes rows that were carried.
 * @param tx inside one transaction for the household they go to, or a folder's database
 * @throws Trouble when a plan of the same id is there already
 */
export async function carryInto(tx: Queries, rows: AsyncIterable<Carried> | Iterable<Carried>): Promise<void> {
  let table = '';
  let waiting: string[] = [];
  const write = async () => {
    if (waiting.length === 0) return;
    const rows = `[${waiting.join(',')}]`;
    const columns = Object.keys(JSON.parse(waiting[0]!) as object)
      .map((c) => `"${c}"`)
      .join(', ');
    waiting = [];
    try {
      await tx.query(
        `INSERT INTO ${table} (${columns}) SELECT ${columns} FROM jsonb_populate_recordset(NULL::${table}, $1::jsonb)`,
        [rows],
      );
    } catch (error) {
      if (table === 'plans' && (error as { code?: string }).code === '23505')
        throw new Trouble('One of these plans is on this server already. Nothing was changed.', { cause: error });
      throw error;
    }
  };
  for await (const one of rows) {
    if (![...PLAN_TABLES, ...GUILD_TABLES].includes(one.table as never))
      throw new Trouble(`There is no table ${one.table.slice(0, 40)} of ours. Nothing was changed.`);
    if (one.table !== table || waiting.length >= (table === 'photos' ? PICTURES : SLICE)) await write();
    table = one.table;
    waiting.push(one.row);
  }
  await write();
}

/** What tells two sets of carried rows apart: per table how many, and a hash of all of them. */
export type Sum = Readonly<Record<string, { rows: number; sum: string }>>;

/** Sums up rows while they pass. */
export function summing(): { pass: (rows: AsyncIterable<Carried>) => AsyncGenerator<Carried>; sum: () => Sum } {
  const hashes = new Map<string, { rows: number; hash: ReturnType<typeof createHash> }>();
  async function* pass(rows: AsyncIterable<Carried>): AsyncGenerator<Carried> {
    for await (const one of rows) {
      const of = hashes.get(one.table) ?? { rows: 0, hash: createHash('sha256') };
      hashes.set(one.table, { rows: of.rows + 1, hash: of.hash.update(one.row).update('\n') });
      yield one;
    }
  }
  const sum = () =>
    Object.fromEntries([...hashes].map(([table, { rows, hash }]) => [table, { rows, sum: hash.copy().digest('hex') }]));
  return { pass, sum };
}

/** What the rows that stand there now come to. */
export async function sumOf(db: Queries): Promise<Sum> {
  const { pass, sum } = summing();
  for await (const one of pass(carriedFrom(db))) void one;
  return sum();
}

/**
 * Where two sums differ, in words; null where they are alike.
 * @param without tables that only one side can have
 */
export function difference(a: Sum, b: Sum, without: readonly string[] = GUILD_TABLES): string | null {
  for (const table of new Set([...Object.keys(a), ...Object.keys(b)]))
    if (!without.includes(table) && (a[table]?.sum !== b[table]?.sum || a[table]?.rows !== b[table]?.rows))
      return `${table}: ${a[table]?.rows ?? 0} rows on one side, ${b[table]?.rows ?? 0} on the other, or not the same`;
  return null;
}

/** The first line of a household's file. */
export const FILE_FORMAT = 'heronstone-household/1';
export type FileHead = { format: typeof FILE_FORMAT; version: number; name: string };

export const fileHead = (name: string): FileHead => ({ format: FILE_FORMAT, version: TABLES_VERSION, name });

/** Households have been written into files since this version of the tables. */
const OLDEST = 16;

/** @throws Trouble when a file is none, or of a version of the tables that this program does not know */
export function mustBeFile(line: string): FileHead {
  let head: Partial<FileHead>;
  try {
    head = JSON.parse(line) as Partial<FileHead>;
  } catch {
    head = {};
  }
  if (head?.format !== FILE_FORMAT || typeof head.version !== 'number' || typeof head.name !== 'string')
    throw new Trouble('That is no file of a household.');
  if (head.version > TABLES_VERSION)
    throw new Trouble(
      `That file is of version ${head.version} of the tables, and this program has ${TABLES_VERSION}. Read it with a newer Heronstone.`,
    );
  if (!Number.isInteger(head.version) || head.version < OLDEST)
    throw new Trouble(
      `That file says it is of version ${head.version} of the tables; there was no file of a household then.`,
    );
  return head as FileHead;
}
