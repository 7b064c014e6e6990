import {
  type AnyRow,
  type Plan,
  PlanHead,
  type RowChange,
  TABLE_NAMES as names,
  TABLES,
  type TableName,
} from '@heronstone/core/plan';
import { snake } from './names.ts';
import { type Queries, type Row } from './queries.ts';

/** Fields of each table, as the core's schemas have them: the one place that says which columns there are. */
const fields = Object.fromEntries(names.map((t) => [t, Object.keys(TABLES[t].row.shape)])) as Record<
  TableName,
  string[]
>;
/** SQL name of a table or column. */
const sqlTable = Object.fromEntries(names.map((t) => [t, snake(t)])) as Record<TableName, string>;
const headFields = Object.keys(PlanHead.shape) as (keyof PlanHead)[];
const headColumns = headFields.map((f) => `"${snake(f)}"`);
const upserts = Object.fromEntries(
  names.map((t) => {
    const rest = fields[t].filter((f) => f !== 'id').map((f) => `"${snake(f)}" = excluded."${snake(f)}"`);
    const columns = ['plan_id', ...fields[t].map(snake)].map((c) => `"${c}"`).join(', ');
    return [
      t,
      `INSERT INTO ${sqlTable[t]} (${columns}) SELECT ${columns} FROM jsonb_populate_recordset(NULL::${sqlTable[t]}, $1::jsonb) ON CONFLICT (plan_id, id) DO UPDATE SET ${rest.join(', ')}`,
    ];
  }),
) as Record<TableName, string>;

/** Rows written by one statement: between two slices of a long list the server answers whoever else asks. */
const SLICE = 500;
const pause = () => new Promise<void>((go) => setImmediate(go));

/** Writes row changes of one plan; to be called inside a transaction. */
export async function writeChanges(tx: Queries, planId: string, changes: readonly RowChange[]): Promise<void> {
  for (const table of names) {
    const rows = changes
      .filter((c) => c.table === table && c.after)
      .map((c) => toColumns(planId, table, c.after as AnyRow));
    for (let i = 0; i < rows.length; i += SLICE) {
      await tx.query(upserts[table], [JSON.stringify(rows.slice(i, i + SLICE))]);
      if (i + SLICE < rows.length) await pause();
    }
  }
  for (const table of [...names].reverse()) {
    const gone = changes.filter((c) => c.table === table && !c.after).map((c) => c.id);
    if (gone.length > 0)
      await tx.query(`DELETE FROM ${sqlTable[table]} WHERE plan_id = $1 AND id = ANY($2)`, [planId, gone]);
  }
  const head = changes.find((c) => c.table === 'head')?.after as Plan['head'] | undefined;
  if (head)
    await tx.query(`UPDATE plans SET ${headColumns.map((c, i) => `${c} = $${i + 2}`).join(', ')} WHERE id = $1`, [
      planId,
      ...headFields.map((f) => head[f]),
    ]);
}

/** Adds a plan's own row, without anything in it. */
export async function insertHead(tx: Queries, planId: string, head: PlanHead): Promise<void> {
  const marks = headFields.map((_, i) => `$${i + 2}`).join(', ');
  await tx.query(`INSERT INTO plans (id, ${headColumns.join(', ')}) VALUES ($1, ${marks})`, [
    planId,
    ...headFields.map((f) => head[f]),
  ]);
}

function toColumns(planId: string, table: TableName, row: AnyRow): Row {
  const out: Row = { plan_id: planId };
  for (const f of fields[table]) out[snake(f)] = (row as unknown as Row)[f];
  return out;
}

/** Reads a whole plan, or null when there is none of that id. */
export async function readPlan(db: Queries, planId: string): Promise<{ plan: Plan; revision: number } | null> {
  const [head] = await db.query(`SELECT revision, ${headColumns.join(', ')} FROM plans WHERE id = $1`, [planId]);
  if (!head) return null;
  const { revision } = head;
  const plan: Row = { id: planId, head: Object.fromEntries(headFields.map((f) => [f, head[snake(f)]])) };
  for (const table of names) {
    const rows = await db.query(`SELECT * FROM ${sqlTable[table]} WHERE plan_id = $1 ORDER BY id`, [planId]);
    plan[table] = Object.fromEntries(
      rows.map((row) => [row.id as string, Object.fromEntries(fields[table].map((f) => [f, row[snake(f)]]))]),
    );
  }
  return { plan: plan as unknown as Plan, revision: revision as number };
}
