import MiniSearch from 'minisearch';
import { toneOf, webColour } from '@heronstone/core/colour';
import { kindOf } from '@heronstone/core/kinds';
import { parseLength } from '@heronstone/core/lengths';
import { homesIn, placeTitle, type Plan, type Supply } from '@heronstone/core/plan';

/** A supply as it is looked for: also by other names, by what its kind is called besides, by its colour in a word. */
function asLookedFor(supply: Supply) {
  const kind = kindOf(supply.kind);
  return {
    id: supply.id,
    name: supply.name,
    also: [supply.alsoCalled, kind ? [kind.name, ...kind.others].join(', ') : ''].join(', '),
    family: supply.family,
    more: [supply.maker, supply.line, supply.theme, supply.kit, supply.shop, supply.note].join(' '),
    colour: supply.colour ? toneOf(supply.colour).family : '',
    size: [supply.width, supply.depth, supply.height].map((mm) => (mm === null ? '' : asWord(mm))).join(' '),
  };
}

/** Lengths as one word in millimetres, whatever they were written in: “6mm”, “6 mm”, “0.6 cm” and “1/4 in” are found by each other. */
function words(text: string): string[] {
  const plain = text
    .toLowerCase()
    .replace(/(\d+(?:[.,]\d+)?(?:\s+\d+\/\d+)?|\d+\/\d+)\s*(mm|cm|m|in(?:ch(?:es)?)?|["″])(?![a-z])/g, (said) => {
      const got = parseLength(said.replace(',', '.'), 'metric');
      return got.ok ? ` ${asWord(got.mm)} ` : said;
    });
  return plain.split(/[^\p{L}\p{N}]+/u).filter((word) => word !== '');
}
const asWord = (mm: number): string => `${Math.round(mm)}mm`;

const index = new MiniSearch<ReturnType<typeof asLookedFor>>({
  fields: ['name', 'also', 'family', 'more', 'colour', 'size'],
  tokenize: words,
  searchOptions: {
    // a length is that length, and no other that begins with it
    prefix: (term) => !/^\d/.test(term),
    // a short word is misspelt less often than it is another one
    fuzzy: (term) => (term.length > 3 && !/^\d/.test(term) ? 0.2 : false),
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
  // not all of it is known of anything: what it is counts, not what colour or size it has
  const what = words(text)
    .filter((word) => !/^\d/.test(word) && webColour(word) === null)
    .join(' ');
  // as it is written before a wrong letter is forgiven
  const tries = [
    () => index.search(text, { combineWith: 'AND', fuzzy: false }),
    () => index.search(what, { combineWith: 'AND', fuzzy: false }),
    () => index.search(text, { combineWith: 'AND' }),
    () => index.search(what),
  ];
  let hits = tries[0]!();
  for (let k = 1; hits.length === 0 && k < tries.length; k++) hits = tries[k]!();
  return hits.slice(0, most).map((hit) => supplies[hit.id as string]!);
}

/** What lives in places of a name, where nothing is called so: the place itself is what was asked for. */
function livingIn(plan: Asked, text: string): Supply[] {
  const asked = words(text);
  if (asked.length === 0) return [];
  const places = Object.values(plan.places).filter((place) => {
    const title = words(`${placeTitle(plan, place)} ${place.labelWords}`);
    return asked.every((word) => title.some((t) => t.startsWith(word)));
  });
  const ids = places.flatMap((place) => homesIn(plan, place.id).map((home) => home.supplyId));
  return [...new Set(ids)].flatMap((id) => plan.supplies[id] ?? []);
}

type Asked = Pick<Plan, 'supplies' | 'projects' | 'outs' | 'places' | 'units' | 'homes'>;

/** The same, what is out for a project of that name, and what lives in a place of that name. */
export function findAnything(plan: Asked, text: string, most = 12): Supply[] {
  const said = text.trim().toLowerCase();
  if (said === '') return [];
  upTo(plan.supplies);
  const called = said.length < 3 || index.search(text, { combineWith: 'AND', fuzzy: false }).length > 0;
  // places are looked through only where nothing is called so
  const here = called ? [] : livingIn(plan, text).slice(0, most);
  const found = here.length > 0 ? here : findSupplies(plan.supplies, text, most);
  if (said.length < 3) return found;
  const projects = new Set(
    Object.values(plan.projects).flatMap((p) => (p.name.toLowerCase().includes(said) ? [p.id] : [])),
  );
  if (projects.size === 0) return found;
  const out = Object.values(plan.outs).flatMap((o) =>
    o.projectId !== null && projects.has(o.projectId) ? (plan.supplies[o.supplyId] ?? []) : [],
  );
  return [...new Set([...out, ...found])].slice(0, most);
}
