import { type Plan } from './plan.ts';
import { type AnyRow, REFERENCES, type RowOf, type TableName, TABLES } from './tables.ts';
import { PlanHead } from './rows/index.ts';

/** One row before and after a command; `head` is the plan's own row. */
export type RowChange = {
  table: TableName | 'head';
  id: string;
  before: AnyRow | PlanHead | null;
  after: AnyRow | PlanHead | null;
};

export type Rejection = { ok: false; reason: string };
export const reject = (reason: string): Rejection => ({ ok: false, reason });

/** What went wrong, or null. */
export type Ran = Rejection | null;

export const gone = (table: TableName) => reject(`This ${TABLES[table].word} is not in the plan any more.`);

/** Equal as JSON values (rows are flat: no nesting but short lists). */
export function sameRow(a: unknown, b: unknown): boolean {
  if (a === b) return true;
  if (typeof a !== 'object' || typeof b !== 'object' || !a || !b) return false;
  const keys = Object.keys(a);
  if (keys.length !== Object.keys(b).length) return false;
  return keys.every((k) => sameRow((a as Record<string, unknown>)[k], (b as Record<string, unknown>)[k]));
}

const FIELD_WORDS: Record<string, string> = {
  length: 'length',
  stature: 'height',
  sessionsPerMonth: 'sessions a month',
  working: 'count at hand',
  backstock: 'count in reserve',
  fetches: 'fetches a session',
  months: 'months',
  openWidth: 'width opened out',
  openLength: 'length left',
  usedUp: 'used up a session',
  lies: 'how it may lie',
  surfaceWidth: 'width of the worktop',
  surfaceDepth: 'depth of the worktop',
  times: 'times a session',
};

/** No plan needs more rows of one kind, and no command touches more rows: beyond, one command would hold up every other plan. */
const MOST_ROWS = 50_000;
const MOST_WRITES = 60_000;

/** Collects what a command does to a plan without touching the plan itself. */
export class Edit {
  private readonly touched = new Map<string, RowChange>();
  private readonly tables = new Map<TableName, Record<string, AnyRow>>();
  private readonly counts = new Map<TableName, number>();
  /** per table and field: which rows have which value there; made when first asked for, kept up with every write */
  private readonly indexes = new Map<TableName, Map<string, Map<unknown, Set<string>>>>();
  private writes = 0;
  private head: PlanHead;

  constructor(private readonly plan: Plan) {
    this.head = plan.head;
  }

  get<T extends TableName>(table: T, id: string): RowOf<T> | undefined {
    const rows = this.rows(table) as Record<string, RowOf<T>>;
    return Object.hasOwn(rows, id) ? rows[id] : undefined;
  }

  all<T extends TableName>(table: T): RowOf<T>[] {
    return Object.values(this.rows(table) as Record<string, RowOf<T>>);
  }

  /** The rows of a table that have some value in a field, found by index. */
  having<T extends TableName>(table: T, field: keyof RowOf<T> & string, value: unknown): RowOf<T>[] {
    let fields = this.indexes.get(table);
    if (!fields) this.indexes.set(table, (fields = new Map()));
    let index = fields.get(field);
    if (!index) {
      fields.set(field, (index = new Map()));
      for (const row of Object.values(this.rows(table))) noteIn(index, (row as Loose)[field], row.id);
    }
    return [...(index.get(value) ?? [])].map((id) => this.get(table, id)!);
  }

  private rows(table: TableName): Record<string, AnyRow> {
    return this.tables.get(table) ?? (this.plan[table] as Record<string, AnyRow>);
  }

  get planHead(): PlanHead {
    return this.head;
  }

  /** Adds or replaces a row after checking it against its schema. */
  put<T extends TableName>(table: T, row: RowOf<T>): Rejection | null {
    const parsed = TABLES[table].row.safeParse(row);
    if (!parsed.success) return reject(firstIssue(parsed.error.issues, (row as { name?: string }).name));
    if (this.writes >= MOST_WRITES) return reject('That is more than can be done at once. Do it in smaller parts.');
    if (this.count(table) >= MOST_ROWS && !this.get(table, row.id))
      return reject(`A plan holds at most ${MOST_ROWS.toLocaleString('en')} rows of one kind (${TABLES[table].word}).`);
    this.write(table, row.id, parsed.data as RowOf<T>);
    return null;
  }

  remove(table: TableName, id: string): void {
    if (this.get(table, id)) this.write(table, id, null);
  }

  /** Takes a row out, and does to the rows that name it what their tables say: they go along, name none, or refuse. */
  takeOut(table: TableName, id: string): Rejection | null {
    const row = this.get(table, id);
    if (!row) return gone(table);
    for (const { from, field, to, reference } of REFERENCES) {
      if (to !== table) continue;
      for (const other of this.having(from, field as never, id)) {
        // a row may go along by two ways
        if (!this.get(from, other.id)) continue;
        if (reference.gone === 'refuse') return reject(reference.words(nameOf(row), nameOf(other)));
        const emptied = reference.gone === 'empty' ? [field, ...(reference.with ?? [])] : [];
        const trouble =
          reference.gone === 'cascade'
            ? this.takeOut(from, other.id)
            : this.put(from, { ...other, ...Object.fromEntries(emptied.map((f) => [f, null])) } as never);
        if (trouble) return trouble;
      }
    }
    this.remove(table, id);
    return null;
  }

  setHead(head: PlanHead): Rejection | null {
    const parsed = PlanHead.safeParse(head);
    if (!parsed.success) return reject(firstIssue(parsed.error.issues, undefined));
    this.note('head', 'head', this.head, parsed.data);
    this.head = parsed.data;
    return null;
  }

  private count(table: TableName): number {
    let n = this.counts.get(table);
    if (n === undefined) this.counts.set(table, (n = Object.keys(this.rows(table)).length));
    return n;
  }

  private write(table: TableName, id: string, row: AnyRow | null): void {
    const before = this.get(table, id) ?? null;
    this.note(table, id, before, row);
    this.writes++;
    this.counts.set(table, this.count(table) + (row ? 1 : 0) - (before ? 1 : 0));
    for (const [field, index] of this.indexes.get(table) ?? []) {
      if (before) index.get((before as Loose)[field])?.delete(id);
      if (row) noteIn(index, (row as Loose)[field], id);
    }
    let rows = this.tables.get(table);
    if (!rows) this.tables.set(table, (rows = { ...(this.plan[table] as Record<string, AnyRow>) }));
    if (row) rows[id] = row;
    else delete rows[id];
  }

  private note(
    table: TableName | 'head',
    id: string,
    before: AnyRow | PlanHead | null,
    after: AnyRow | PlanHead | null,
  ): void {
    const key = `${table}/${id}`;
    const seen = this.touched.get(key);
    if (seen) seen.after = after;
    else this.touched.set(key, { table, id, before, after });
  }

  /** What changed in the end; rows put back to what they were are left out. */
  changes(): RowChange[] {
    return [...this.touched.values()].filter((c) => !sameRow(c.before, c.after));
  }

  result(): Plan {
    return { ...this.plan, head: this.head, ...Object.fromEntries(this.tables) } as Plan;
  }
}

const nameOf = (row: AnyRow): string => ('name' in row ? row.name : row.id);

type Loose = Record<string, unknown>;

function noteIn(index: Map<unknown, Set<string>>, value: unknown, id: string): void {
  const ids = index.get(value);
  if (ids) ids.add(id);
  else index.set(value, new Set([id]));
}

function firstIssue(issues: readonly { path: PropertyKey[]; message: string }[], name: string | undefined): string {
  const issue = issues[0]!;
  const field = String(issue.path[0] ?? 'it');
  return `${name ? `${name}: ` : ''}${FIELD_WORDS[field] ?? field} ${issue.message}.`;
}
