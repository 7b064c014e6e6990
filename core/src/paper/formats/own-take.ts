import { fetchesOfEach, usualFetches } from '../../living/sessions/index.ts';
import {
  blankActivity,
  type Command,
  type CommandOf,
  cutText,
  homeOf,
  newId,
  type Plan,
  usesOf,
} from '../../record/plan/index.ts';
import { type Meaning, type OwnTable } from './own-meanings.ts';
import { activityNamed } from './own-row.ts';
import { ALL, type OwnReading } from './own-reading.ts';

/**
 * What taking a list over does, as one change that undo takes back: new supplies, changed ones, uses, homes, and the list itself, so that it is known
 * again and can be written as it was.
 * @returns null when there is nothing to do
 */
export function takeOwnTable(
  plan: Plan,
  reading: OwnReading,
  own: { table: OwnTable; meanings: readonly Meaning[]; name: string } | null,
  today: string,
): Command | null {
  const commands: CommandOf<'several'>['commands'] = [];
  if (own) {
    const { table, meanings } = own;
    const name = cutText(own.name.trim() || 'My list', 120);
    const list = {
      headings: table.headings.map((h) => cutText(h, 120)),
      meanings: [...meanings],
      measure: reading.measure,
    };
    const before = Object.values(plan.ownLists).find((l) => l.name === name);
    if (!before) commands.push({ type: 'addOwnList', ownList: { id: newId('list'), name, ...list } });
    else commands.push({ type: 'setOwnList', id: before.id, set: list });
  }
  const added = new Map<string, string>();
  const all = Object.keys(plan.activities);
  for (const activity of reading.activities) {
    const id = newId('activity');
    added.set(activity, id);
    all.push(id);
    commands.push({ type: 'addActivity', activity: blankActivity(id, activity) });
  }
  if (reading.fresh.length > 0) commands.push({ type: 'addSupplies', supplies: reading.fresh.map((r) => r.supply) });
  for (const { supplyId, set } of reading.changed)
    if (Object.keys(set).length > 0) commands.push({ type: 'setSupply', id: supplyId, set });
  const rows = [
    ...reading.fresh.map((row) => ({ row, id: row.supply.id })),
    ...reading.changed.map(({ row, supplyId }) => ({ row, id: supplyId })),
  ];
  const wantedBy = ({ row }: (typeof rows)[number]) =>
    new Set(row.uses.includes(ALL) ? all : row.uses.flatMap((use) => added.get(use) ?? activityNamed(plan, use) ?? []));
  // what a column says an activity uses is what may be fetched for it: so many of a family a session, not all of it every time
  const sortOf = ({ supply }: (typeof rows)[number]['row']) => supply.family || supply.kind || supply.id;
  const together = new Map<string, number>();
  for (const each of rows)
    for (const activityId of wantedBy(each)) {
      const key = `${activityId} ${sortOf(each.row)}`;
      together.set(key, (together.get(key) ?? 0) + 1);
    }
  for (const { row, id } of rows) {
    const wanted = wantedBy({ row, id });
    const has = new Set(plan.supplies[id] ? usesOf(plan, id).map((u) => u.activityId) : []);
    for (const activityId of wanted) {
      if (has.has(activityId)) continue;
      const fetches = fetchesOfEach(usualFetches(row.supply), together.get(`${activityId} ${sortOf(row)}`)!);
      commands.push({ type: 'addUse', use: { id: newId('use'), activityId, supplyId: id, fetches, usedUp: 0 } });
    }
    if (row.placeId !== null && row.supply.working > 0 && !homeOf(plan, id, 'working'))
      commands.push({ type: 'assignHome', supplyId: id, share: 'working', placeId: row.placeId, since: today });
  }
  if (rows.length === 0) return null;
  return { type: 'several', words: `read ${own?.name ?? 'a list'}: ${rows.length} supplies`.slice(0, 120), commands };
}
