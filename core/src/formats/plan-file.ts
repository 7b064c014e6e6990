import { z } from 'zod';
import {
  broughtUpToDate,
  LATER_TABLES,
  type Plan,
  PlanHead,
  planTrouble,
  TABLES,
  type TableName,
} from '../plan/index.ts';

/**
 * The version of the plan file goes with that of the tables: one more with every change of what a plan can hold. Versions 1 to 3 were all
 * called 1; what they leave out tells them apart.
 */
export const PLAN_VERSION = 4;
const FORMAT = `heronstone-plan/${PLAN_VERSION}`;

const rows = <T extends TableName>(table: T) => z.array(TABLES[table]).max(50_000);

/** A whole plan as one open JSON file, `*.heron.json` (schema in docs/formats). Lists are in order of id, walls as walked. */
export const PlanFile = z.strictObject({
  format: z.literal(FORMAT, { error: `must be "${FORMAT}"` }),
  plan: PlanHead,
  ...(Object.fromEntries((Object.keys(TABLES) as TableName[]).map((t) => [t, rows(t)])) as unknown as {
    [T in TableName]: ReturnType<typeof rows<T>>;
  }),
});

export type PlanRead = { ok: true; plan: Plan } | { ok: false; reason: string };

function canonical(row: object): object {
  return Object.fromEntries(Object.entries(row).sort(([a], [b]) => (a < b ? -1 : 1)));
}

/** The plan as text; the same plan always gives the same bytes. */
export function exportPlan(plan: Plan): string {
  const out: Record<string, unknown> = { format: FORMAT, plan: canonical(plan.head) };
  for (const table of Object.keys(TABLES) as TableName[]) {
    const list = Object.values(plan[table]) as { id: string; seq?: number }[];
    list.sort((a, b) => (a.seq ?? 0) - (b.seq ?? 0) || (a.id < b.id ? -1 : 1));
    out[table] = list.map(canonical);
  }
  return `${JSON.stringify(out, null, 1)}\n`;
}

/**
 * Reads a plan file; every row and every reference is checked.
 * @param id id of the new plan
 * @returns the plan, or one plain sentence on what is wrong with the file
 */
export function importPlan(text: string, id: string): PlanRead {
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch {
    return { ok: false, reason: 'The file is not whole: it ends in the middle, or it is not JSON.' };
  }
  const version = versionOf(json);
  if (version !== null && version > PLAN_VERSION)
    return {
      ok: false,
      reason: `This file is of a newer Heronstone (plan ${version}); this one reads files up to plan ${PLAN_VERSION}.`,
    };
  const parsed = PlanFile.safeParse(upToDate(json, version));
  if (!parsed.success) {
    const issue = parsed.error.issues[0]!;
    return { ok: false, reason: `This is not a plan file: ${issue.path.join('.') || 'the file'} ${issue.message}.` };
  }
  const { plan: head, ...rest } = parsed.data;
  const plan = { id, head } as Record<string, unknown>;
  for (const [table, list] of Object.entries(rest)) {
    if (!Array.isArray(list)) continue;
    const byId = Object.fromEntries(list.map((row) => [row.id, row]));
    if (Object.keys(byId).length < list.length)
      return { ok: false, reason: `This plan file has the same id twice in ${table}.` };
    plan[table] = byId;
  }
  const trouble = planTrouble(plan as Plan);
  return trouble
    ? { ok: false, reason: `This plan file contradicts itself: ${trouble}` }
    : { ok: true, plan: plan as Plan };
}

function versionOf(json: unknown): number | null {
  const format = typeof json === 'object' && json !== null ? (json as { format?: unknown }).format : undefined;
  const said = typeof format === 'string' ? /^heronstone-plan\/([1-9]\d{0,5})$/.exec(format) : null;
  return said && Number(said[1]);
}

/** Files of earlier versions lack what came later; everything else about them is left for the schema to judge. */
function upToDate(json: unknown, version: number | null): unknown {
  if (version === null || version === PLAN_VERSION) return json;
  const file: Record<string, unknown> = { ...(json as object), format: FORMAT };
  for (const table of LATER_TABLES) file[table] ??= [];
  const row = (table: TableName | 'head', value: unknown) =>
    typeof value === 'object' && value !== null ? broughtUpToDate(table, value as Record<string, unknown>) : value;
  file.plan = row('head', file.plan);
  for (const table of Object.keys(TABLES) as TableName[])
    if (Array.isArray(file[table])) file[table] = file[table].map((value) => row(table, value));
  return file;
}

/** A file name made from the plan's name. */
export function planFileName(plan: Plan): string {
  const name = plan.head.name
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, '-')
    .replace(/^-|-$/g, '');
  return `${name || 'plan'}.heron.json`;
}
