import { formatLength, formatWeight, type Measure } from '../../measures/lengths/index.ts';
import type { Supply } from '../../record/plan/index.ts';
import { cutText, type Plan, usesOf } from '../../record/plan/index.ts';
import { type RowRead, type OwnReading, keyOf, ALL, type Change } from './own-reading.ts';
import { activityNamed } from './own-row.ts';

/** Rows against what the plan has: new, changed, the same. Names tell them. */
export function readAgainst(
  plan: Plan,
  rows: readonly RowRead[],
  measure: Measure,
  told: Pick<OwnReading, 'troubles' | 'kept'>,
): OwnReading {
  const out: OwnReading = {
    measure,
    fresh: [],
    changed: [],
    same: [],
    activities: [],
    troubles: told.troubles,
    kept: told.kept,
  };
  const activities = new Set<string>();
  const known = new Map<string, Supply[]>();
  for (const s of Object.values(plan.supplies)) known.set(keyOf(s.name), [...(known.get(keyOf(s.name)) ?? []), s]);
  for (const row of rows) {
    for (const use of row.uses) if (use !== ALL && activityNamed(plan, use) === undefined) activities.add(use);
    const there = known.get(keyOf(row.supply.name))?.shift();
    if (!there) {
      out.fresh.push(row);
      continue;
    }
    const { set, changes } = differences(plan, there, row, measure);
    if (changes.length > 0) out.changed.push({ row, supplyId: there.id, set, changes });
    else out.same.push({ ...row, supply: { ...row.supply, id: there.id } });
  }
  out.activities = [...activities];
  return out;
}

/** Entries of one name are told apart by their colour, and else by their number. */
export function tellApart(rows: RowRead[]): void {
  const by = new Map<string, RowRead[]>();
  for (const row of rows) by.set(keyOf(row.supply.name), [...(by.get(keyOf(row.supply.name)) ?? []), row]);
  const taken = new Set<string>();
  for (const [, same] of by) {
    for (const [i, row] of same.entries()) {
      const colour = /^(?:.*\n)*?[^\n:]*(?:colou?r|shade|hue)[^\n:]*: ([^\n]+)/i.exec(row.supply.note)?.[1];
      const wanted = same.length > 1 && colour ? `${row.supply.name}, ${colour}` : row.supply.name;
      let name = cutText(wanted, 120);
      for (let n = 2; taken.has(keyOf(name)); n++) name = `${cutText(wanted, 112)} (${n})`;
      if (i >= 0) row.supply.name = name;
      taken.add(keyOf(name));
    }
  }
}

/** What a line says otherwise than the plan has it. Usual sizes never come over measured ones. */
function differences(
  plan: Plan,
  there: Supply,
  row: RowRead,
  measure: Measure,
): { set: Partial<Supply>; changes: Change[] } {
  const set: Record<string, unknown> = {};
  const changes: Change[] = [];
  const words = (field: keyof Supply, value: unknown): string => {
    if (value === null || value === '') return '–';
    if (field === 'width' || field === 'depth' || field === 'height') return formatLength(value as number, measure);
    if (field === 'mass') return formatWeight(value as number, measure);
    return String(value);
  };
  const differ = (field: keyof Supply, a: unknown, b: unknown) =>
    typeof a === 'number' && typeof b === 'number'
      ? words(field, a) !== words(field, b)
      : JSON.stringify(a) !== JSON.stringify(b);
  for (const field of row.said) {
    if (field === 'name' || !differ(field, there[field], row.supply[field])) continue;
    set[field] = row.supply[field];
    changes.push({ field, from: words(field, there[field]), to: words(field, row.supply[field]) });
  }
  const note = mergedNote(there.note, row.supply.note);
  if (note !== there.note) {
    set.note = note;
    changes.push({ field: 'note', from: there.note, to: note });
  }
  const has = new Set(usesOf(plan, there.id).map((u) => u.activityId));
  const missing = row.uses.filter((use) => use !== ALL && !has.has(activityNamed(plan, use) ?? ''));
  if (missing.length > 0) changes.push({ field: 'uses', from: '', to: missing.join(', ') });
  return { set: set as Partial<Supply>, changes };
}

/** The note with the lines of the list as they are now; what the maker wrote herself stays. */
function mergedNote(before: string, now: string): string {
  const heading = (line: string) => /^([^:\n]{1,60}): /.exec(line)?.[1] ?? line;
  const lines = now === '' ? [] : now.split('\n');
  const named = new Set(lines.map(heading));
  const kept = before.split('\n').filter((line) => line !== '' && !named.has(heading(line)));
  return cutText([...lines, ...kept].filter((l, i, all) => all.indexOf(l) === i).join('\n'), 2000);
}
