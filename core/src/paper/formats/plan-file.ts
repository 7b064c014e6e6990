import { z } from 'zod';
import {
  PHOTO_TABLES,
  broughtUpToDate,
  LATER_TABLES,
  type Organiser,
  type OrganiserSet,
  type Place,
  placeUpToDate,
  type Plan,
  PlanHead,
  planTrouble,
  setAsPlaces,
  TABLE_NAMES,
  TABLES,
  type TableName,
  topOf,
  type Unit,
} from '../../record/plan/index.ts';

/**
 * The version of the plan file goes with that of the tables: one more with every change of what a plan can hold. Versions 1 to 3 were all
 * called 1; what they leave out tells them apart.
 */
export const PLAN_VERSION = 19;
const FORMAT = `heronstone-plan/${PLAN_VERSION}`;

const rows = <T extends TableName>(table: T) => z.array(TABLES[table].row).max(50_000);

/** A whole plan as one open JSON file, `*.heron.json` (schema in docs/formats). Lists are in order of id, walls as walked. */
export const PlanFile = z.strictObject({
  format: z.literal(FORMAT, { error: `must be "${FORMAT}"` }),
  plan: PlanHead,
  ...(Object.fromEntries(TABLE_NAMES.map((t) => [t, rows(t)])) as unknown as {
    [T in TableName]: ReturnType<typeof rows<T>>;
  }),
  /** pictures that go with it, by hash, as JPEG in base64; left out where they stay at home */
  photos: z.record(z.string().regex(/^[0-9a-f]{64}$/), z.base64()).optional(),
});

export type PlanRead =
  { ok: true; plan: Plan; photos?: Readonly<Record<string, string>> } | { ok: false; reason: string };

function canonical(row: object): object {
  return Object.fromEntries(Object.entries(row).sort(([a], [b]) => (a < b ? -1 : 1)));
}

/** Which pictures a plan shows, by hash, in order. */
export const photosOf = (plan: Plan): string[] =>
  [
    ...new Set(
      PHOTO_TABLES.flatMap((t) => Object.values<{ photo: string | null }>(plan[t]).flatMap((row) => row.photo ?? [])),
    ),
  ].sort();

/** The plan with its pictures under other hashes; those not named keep theirs. */
export function withPhotosAs(plan: Plan, names: ReadonlyMap<string, string>): Plan {
  const renamed = <T extends { photo: string | null }>(rows: Readonly<Record<string, T>>): Record<string, T> =>
    Object.fromEntries(
      Object.entries(rows).map(([id, row]) => [
        id,
        row.photo !== null && names.has(row.photo) ? { ...row, photo: names.get(row.photo)! } : row,
      ]),
    );
  return { ...plan, ...Object.fromEntries(PHOTO_TABLES.map((t) => [t, renamed<{ photo: string | null }>(plan[t])])) };
}

/**
 * The plan as text; the same plan always gives the same bytes.
 * @param photos pictures to go with it, JPEG in base64 by hash; none: they stay at home
 */
export function exportPlan(plan: Plan, photos: Readonly<Record<string, string>> = {}): string {
  const out: Record<string, unknown> = { format: FORMAT, plan: canonical(plan.head) };
  for (const table of TABLE_NAMES) {
    const list = Object.values(plan[table]) as { id: string; seq?: number }[];
    list.sort((a, b) => (a.seq ?? 0) - (b.seq ?? 0) || (a.id < b.id ? -1 : 1));
    out[table] = list.map(canonical);
  }
  if (Object.keys(photos).length > 0) out.photos = canonical(photos);
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
  const { plan: head, photos, ...rest } = parsed.data;
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
    : { ok: true, plan: plan as Plan, ...(photos ? { photos } : {}) };
}

function versionOf(json: unknown): number | null {
  const format = typeof json === 'object' && json !== null ? (json as { format?: unknown }).format : undefined;
  const said = typeof format === 'string' ? /^heronstone-plan\/([1-9]\d{0,5})$/.exec(format) : null;
  return said && Number(said[1]);
}

type Row = Record<string, unknown>;
const isRow = (value: unknown): value is Row => typeof value === 'object' && value !== null && !Array.isArray(value);

/** Files of earlier versions lack what came later; everything else about them is left for the schema to judge. */
function upToDate(json: unknown, version: number | null): unknown {
  if (version === null || version === PLAN_VERSION) return json;
  const file: Row = { ...(json as object), format: FORMAT };
  for (const table of LATER_TABLES) file[table] ??= [];
  if (isRow(file.plan)) file.plan = broughtUpToDate('head', file.plan);
  const kinds = new Map(list(file.units).flatMap((u) => (isRow(u) ? [[u.id, u.kind]] : [])));
  for (const table of TABLE_NAMES)
    file[table] = each(file[table], (row) =>
      table === 'places' ? placeUpToDate(row, kinds.get(row.unitId)) : broughtUpToDate(table, row),
    );
  if (version < 5) file.places = [...list(file.places), ...topsOf(file), ...containersOf(file)];
  delete file.organiserSets;
  return file;
}

const list = (value: unknown): unknown[] => (Array.isArray(value) ? value : []);
const each = (value: unknown, change: (row: Row) => Row): unknown =>
  Array.isArray(value) ? value.map((row: unknown) => (isRow(row) ? change(row) : row)) : value;

/** The rows of a table that are whole, by id. */
function whole<T extends TableName>(file: Row, table: T): Map<unknown, Row> {
  return new Map(
    list(file[table]).flatMap((row) =>
      TABLES[table].row.safeParse(row).success ? [[(row as Row).id, row as Row]] : [],
    ),
  );
}

/** The tops of units, which were no places before version 5. */
function topsOf(file: Row): Place[] {
  return [...whole(file, 'units').values()].flatMap((unit) => topOf(unit as unknown as Unit) ?? []);
}

/** Sets of organisers as the containers they are since version 5. */
function containersOf(file: Row): Place[] {
  const organisers = whole(file, 'organisers');
  const places = whole(file, 'places');
  return list(file.organiserSets).flatMap((set) => {
    const { organiserId, placeId } = (isRow(set) ? set : {}) as Partial<OrganiserSet>;
    const [organiser, place] = [organisers.get(organiserId), places.get(placeId)];
    return organiser && place
      ? setAsPlaces(set as OrganiserSet, organiser as unknown as Organiser, place as unknown as Place)
      : [];
  });
}

/** A file name made from the plan's name. */
export function planFileName(plan: Plan): string {
  const name = plan.head.name
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, '-')
    .replace(/^-|-$/g, '');
  return `${name || 'plan'}.heron.json`;
}
