import MiniSearch from 'minisearch';
import { toneOf } from '@heronstone/core/colour';
import { kindOf } from '@heronstone/core/kinds';
import { type Plan, type Supply } from '@heronstone/core/plan';

/** A supply as it is looked for: also by other names, by what its kind is called besides, by its colour in a word. */
function asLookedFor(supply: Supply) {
  const kind = kindOf(supply.kind);
  return {
    id: supply.id,
    name: supply.name,
    also: [supply.alsoCalled, kind ? [kind.name, ...kind.others].join(', ') : ''].join(', '),
    family: supply.family,
    more: [supply.line, supply.theme, supply.kit, supply.shop, supply.note].join(' '),
    colour: supply.colour ? toneOf(supply.colour).family : '',
  };
}

const index = new MiniSearch<ReturnType<typeof asLookedFor>>({
  fields: ['name', 'also', 'family', 'more', 'colour'],
  searchOptions: {
    prefix: true,
    // a short word is misspelt less often than it is another one
    fuzzy: (term) => (term.length > 3 ? 0.2 : false),
    boost: { name: 4, also: 3, family: 2 },
  },
});
let indexed: Plan['supplies'] = {};

/** Brings the index up to the supplies there are now; only what has changed is read anew. */
function upTo(supplies: Plan['supplies']): void {
  if (indexed === supplies) return;
  const gone = Object.keys(indexed).filter((id) => indexed[id] !== supplies[id]);
  if (gone.length > Object.keys(supplies).length / 2) {
    index.removeAll();
    index.addAll(Object.values(supplies).map(asLookedFor));
  } else {
    for (const id of gone) index.discard(id);
    index.addAll(
      Object.values(supplies)
        .filter((s) => indexed[s.id] !== s)
        .map(asLookedFor),
    );
  }
  indexed = supplies;
}

/** Supplies that answer a few typed letters, best first; forgiving of a wrong letter. */
export function findSupplies(supplies: Plan['supplies'], text: string, most = 12): Supply[] {
  if (text.trim() === '') return [];
  upTo(supplies);
  const hits = index.search(text, { combineWith: 'AND' });
  return (hits.length > 0 ? hits : index.search(text)).slice(0, most).map((hit) => supplies[hit.id as string]!);
}

/** The same, and what is out for a project of that name. */
export function findAnything(plan: Pick<Plan, 'supplies' | 'projects' | 'outs'>, text: string, most = 12): Supply[] {
  const found = findSupplies(plan.supplies, text, most);
  const words = text.trim().toLowerCase();
  if (words.length < 3) return found;
  const projects = new Set(
    Object.values(plan.projects).flatMap((p) => (p.name.toLowerCase().includes(words) ? [p.id] : [])),
  );
  if (projects.size === 0) return found;
  const out = Object.values(plan.outs).flatMap((o) =>
    o.projectId !== null && projects.has(o.projectId) ? (plan.supplies[o.supplyId] ?? []) : [],
  );
  return [...new Set([...out, ...found])].slice(0, most);
}
