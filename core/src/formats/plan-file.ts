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

const rows = <T extends TableName>(table: T) => z.array(TABLES[table]).max(50_000);

/** A whole plan as one open JSON file, `*.heron.json` (schema in docs/formats). Lists are in order of id, walls as walked. */
export const PlanFile = z.strictObject({
  format: z.literal('heronstone-plan/1', { error: 'must be "heronstone-plan/1"' }),
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
  const out: Record<string, unknown> = { format: 'heronstone-plan/1', plan: canonical(plan.head) };
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
  const parsed = PlanFile.safeParse(upToDate(json));
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

/** Files of earlier versions lack what came later; everything else about them is left for the schema to judge. */
function upToDate(json: unknown): unknown {
  if (typeof json !== 'object' || json === null || Array.isArray(json)) return json;
  const file: Record<string, unknown> = { ...json };
  for (const table of LATER_TABLES) file[table] ??= [];
  const row = (table: TableName | 'head', value: unknown) =>
    typeof value === 'object' && value !== null ? broughtUpToDate(table, value as Record<string, unknown>) : value;
  file.plan = row('head', file.plan);
  for (const table of ['units', 'places'] as const)
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
