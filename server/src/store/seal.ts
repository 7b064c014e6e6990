import { hash } from 'node:crypto';
import { PlanHead, type RowChange, TABLE_NAMES, TABLES, type TableName } from '@heronstone/core/plan';
import { type Entry, isStep, type LogSeal, type Seal } from './entry.ts';
import { type Queries, type Row } from './queries.ts';
import { snake } from './names.ts';

const MODULUS = 1n << 128n;
const EMPTY_LOG: LogSeal = { last: 0, done: 0, doneSum: 0, undone: 0, undoneSum: 0, ids: '0' };

/** JSON that does not depend on the order in which keys were written: PostgreSQL sorts those of what it keeps as JSON. */
function canonical(value: unknown): string {
  if (value === null || typeof value !== 'object') return JSON.stringify(value) ?? 'null';
  if (Array.isArray(value)) return `[${value.map(canonical).join()}]`;
  const of = value as Record<string, unknown>;
  const keys = Object.keys(of).filter((key) => of[key] !== undefined);
  return `{${keys
    .sort()
    .map((key) => `${JSON.stringify(key)}:${canonical(of[key])}`)
    .join()}}`;
}

const digest = (text: string): bigint => BigInt(`0x${hash('sha256', text).slice(0, 32)}`);
const plus = (sum: string, ...by: bigint[]): string =>
  (((by.reduce((a, b) => a + b, BigInt(`0x${sum}`)) % MODULUS) + MODULUS) % MODULUS).toString(16);

const HEAD = Object.keys(PlanHead.shape);
const FIELDS = Object.fromEntries(TABLE_NAMES.map((t) => [t, Object.keys(TABLES[t].row.shape)])) as Record<
  TableName,
  string[]
>;
/** Digest of one row of a table, by its fields in their order, or by the columns of the database that are these fields. */
const rowDigest = (table: TableName | 'head', row: Row, fields: readonly string[]): bigint =>
  digest(`${table} ${fields.map((f) => canonical(row[f] ?? null)).join()}`);
const entryDigest = (seq: number, commandId: string): bigint => digest(`log ${seq} ${commandId}`);

/**
 * The seal of a plan after a change that is in the journal.
 * @param before null for a plan that is only just added
 * @returns null when the plan is gone for good
 */
export function sealAfter(before: Seal | null, entry: Omit<Entry, 'seal'>, v: number): Seal | null {
  const { what, revision, changes } = entry;
  if (what.kind === 'removed') return null;
  const seal = before ?? { v, revision, away: null, rows: 0, sum: '0', log: EMPTY_LOG };
  if (what.kind === 'away') return { ...seal, away: what.since };
  const parts = changes.map((c) => partOf(c));
  return {
    v,
    revision,
    away: seal.away,
    rows: seal.rows + parts.reduce((n, p) => n + p.rows, 0),
    sum: plus(seal.sum, ...parts.map((p) => p.sum)),
    log: logAfter(seal.log, what),
  };
}

function partOf({ table, before, after }: RowChange): { rows: number; sum: bigint } {
  const fields = table === 'head' ? HEAD : FIELDS[table];
  const of = (row: unknown): bigint => (row ? rowDigest(table, row as Row, fields) : 0n);
  return { rows: table === 'head' ? 0 : Number(after !== null) - Number(before !== null), sum: of(after) - of(before) };
}

function logAfter(log: LogSeal, what: Entry['what']): LogSeal {
  if (what.kind === 'step') {
    const by = what.to === 'done' ? 1 : -1;
    return {
      ...log,
      done: log.done + by,
      doneSum: log.doneSum + by * what.seq,
      undone: log.undone - by,
      undoneSum: log.undoneSum - by * what.seq,
    };
  }
  if (what.kind !== 'command') return log;
  const seq = log.last + 1;
  const counts = isStep(what);
  return {
    last: seq,
    done: log.done + Number(counts),
    doneSum: log.doneSum + (counts ? seq : 0),
    ...(what.drops ? { undone: 0, undoneSum: 0 } : { undone: log.undone, undoneSum: log.undoneSum }),
    ids: plus(log.ids, entryDigest(seq, what.commandId)),
  };
}

/** The seals of plans as the tables have them. @param planId of one plan alone */
export async function sealsIn(db: Queries, v: number, planId: string | null = null): Promise<Map<string, Seal>> {
  const only = planId === null ? '' : 'WHERE plan_id = $1';
  const params = planId === null ? [] : [planId];
  const seals = new Map<string, Seal>();
  for (const head of await db.query(`SELECT * FROM plans ${planId === null ? '' : 'WHERE id = $1'}`, params))
    seals.set(head.id as string, {
      v,
      revision: head.revision as number,
      away: (head.away_since as Date | null)?.toISOString() ?? null,
      rows: 0,
      sum: plus('0', rowDigest('head', head, HEAD.map(snake))),
      log: EMPTY_LOG,
    });
  for (const table of TABLE_NAMES) {
    const columns = FIELDS[table].map(snake);
    for (const row of await db.query(`SELECT * FROM ${snake(table)} ${only}`, params)) {
      const seal = seals.get(row.plan_id as string);
      if (!seal) continue;
      seal.rows++;
      seal.sum = plus(seal.sum, rowDigest(table, row, columns));
    }
  }
  for (const { plan_id, seq, command_id, state } of await db.query(
    `SELECT plan_id, seq, command_id, state FROM command_log ${only}`,
    params,
  )) {
    const seal = seals.get(plan_id as string);
    if (!seal) continue;
    const n = Number(seq);
    const log = { ...seal.log };
    log.last = Math.max(log.last, n);
    log.ids = plus(log.ids, entryDigest(n, command_id as string));
    if (state === 'done') [log.done, log.doneSum] = [log.done + 1, log.doneSum + n];
    if (state === 'undone') [log.undone, log.undoneSum] = [log.undone + 1, log.undoneSum + n];
    seal.log = log;
  }
  return seals;
}

/**
 * Where the tables are not what the journal says they are, in words; null where they are. Plans whose seal is of other tables are compared by
 * their revision alone.
 * @param whole whether the journal knows every plan there is
 */
export function disagreement(
  journal: ReadonlyMap<string, Seal>,
  tables: ReadonlyMap<string, Seal>,
  whole: boolean,
): string | null {
  for (const [id, wanted] of journal) {
    const found = tables.get(id);
    if (!found) return 'the database lacks a plan that the journal has';
    if (found.revision !== wanted.revision)
      return `the database has a plan as it was at change ${found.revision}, the journal at ${wanted.revision}`;
    if (found.v !== wanted.v) continue;
    if (found.rows !== wanted.rows)
      return `the database has ${found.rows} rows of a plan, the journal says ${wanted.rows}`;
    if (canonical(found) !== canonical(wanted)) return 'the database has other rows of a plan than the journal says';
  }
  if (whole)
    for (const id of tables.keys()) if (!journal.has(id)) return 'the database has a plan that the journal has not';
  return null;
}
