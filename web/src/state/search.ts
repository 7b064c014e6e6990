import MiniSearch from 'minisearch';
import { type Plan, type Supply } from '@heronstone/core/plan';

const indexes = new WeakMap<object, MiniSearch<Supply>>();

/** Supplies that answer a few typed letters, best first; forgiving of a wrong letter. The index is made once per set of supplies. */
export function findSupplies(supplies: Plan['supplies'], text: string, most = 12): Supply[] {
  let index = indexes.get(supplies);
  if (!index) {
    index = new MiniSearch<Supply>({
      fields: ['name', 'family', 'note'],
      searchOptions: { prefix: true, fuzzy: 0.2, boost: { name: 3 } },
    });
    index.addAll(Object.values(supplies));
    indexes.set(supplies, index);
  }
  if (text.trim() === '') return [];
  return index
    .search(text)
    .slice(0, most)
    .map((hit) => supplies[hit.id as string]!);
}
