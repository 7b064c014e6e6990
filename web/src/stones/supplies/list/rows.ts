import { pieceOf } from '@heronstone/core/fit';
import { type Plan, type Supply, withoutHome } from '@heronstone/core/plan';
import { duplicatesOf, toReorder } from '@heronstone/core/stock';
import { findSupplies } from '../../../state/search.ts';
import { type Column, COLUMNS } from './columns.ts';

export type Looking = { text: string; only: string; sortBy: string; descending: boolean; groupBy: string };
/** A row of the list: a supply, or the head of a group. */
export type Row = { supply: Supply } | { group: string; count: number };

const collator = new Intl.Collator('en', { numeric: true, sensitivity: 'base' });

function narrowed(plan: Plan, only: string): Supply[] {
  const all = Object.values(plan.supplies);
  if (only === 'size') return all.filter((s) => !pieceOf(s));
  if (only === 'guess') return all.filter((s) => s.usual.length + s.unsure.length > 0);
  if (only === 'home')
    return all.filter((s) => withoutHome(plan, s, 'working') > 0 || withoutHome(plan, s, 'backstock') > 0);
  if (only === 'buy') return toReorder(plan);
  if (only === 'double') return duplicatesOf(plan).flat();
  return all;
}

const column = (id: string): Column | undefined => COLUMNS.find((c) => c.id === id);

/** The rows as the maker looks at them: narrowed, sorted, put together. Keys are worked out once a row, not once a comparison. */
export function rowsOf(plan: Plan, { text, only, sortBy, descending, groupBy }: Looking): Row[] {
  let list = narrowed(plan, only);
  const typed = text.trim() !== '';
  if (typed) {
    const found = findSupplies(plan.supplies, text, 20_000);
    const among = new Set(list.map((s) => s.id));
    list = found.filter((s) => among.has(s.id));
  }
  const by = column(sortBy);
  // what was typed is answered best first, until another order is asked for
  const asFound = (typed && sortBy === '') || only === 'double';
  if (!asFound) list = sorted(plan, list, by ?? column('name')!, descending);
  const group = column(groupBy);
  if (!group) return list.map((supply) => ({ supply }));
  const groups = new Map<string, Supply[]>();
  for (const supply of list) {
    const key = group.text(plan, supply) || '–';
    const of = groups.get(key);
    if (of) of.push(supply);
    else groups.set(key, [supply]);
  }
  return [...groups]
    .sort(([a], [b]) => collator.compare(a, b))
    .flatMap(([key, of]): Row[] => [{ group: key, count: of.length }, ...of.map((supply) => ({ supply }))]);
}

function sorted(plan: Plan, list: readonly Supply[], by: Column, descending: boolean): Supply[] {
  const way = descending ? -1 : 1;
  const keyed = list.map((supply) => ({ supply, key: by.sort ? by.sort(plan, supply) : by.text(plan, supply) }));
  keyed.sort((a, b) => {
    const order =
      typeof a.key === 'number' && typeof b.key === 'number'
        ? a.key - b.key
        : collator.compare(String(a.key), String(b.key));
    return way * (order || collator.compare(a.supply.name, b.supply.name));
  });
  return keyed.map((k) => k.supply);
}
