import { wordsOf } from '../../things/kinds/index.ts';
import {
  homesIn,
  homesNow,
  homesOf,
  type Place,
  type Plan,
  placeTitle,
  readsSame,
  type Supply,
} from '../../record/plan/index.ts';
import { andJoined, isOddsAndEnds, isOneName, type Naming, namingOf } from './naming.ts';
import { type Concept, inSentence, LEVELS, shelvedAs, type Shelved } from './shelved.ts';

/** What a place is called: what its maker has written on it, else the shortest saying for what lies in it. */
export type PlaceName = Naming & {
  /** its maker’s own words */
  typed: boolean;
};

const READS = ['supplies', 'homes', 'places', 'familyAisles', 'uses', 'activities'] as const;
type Known = { plan: Plan; saying: Map<string, PlaceName | null>; called: Map<string, PlaceName | null> };
const names = new WeakMap<object, Known>();

function knownIn(plan: Plan): Known {
  let known = names.get(plan.homes);
  if (!known || !readsSame(READS, known.plan, plan))
    names.set(plan.homes, (known = { plan, saying: new Map(), called: new Map() }));
  return known;
}

/**
 * What a place is called, told apart from what else is called so: what holds reserves only says so, and of two drawers of cutting in one unit each says which.
 * @returns null when nothing lives in it and nothing is written on it; remembered until what lives there changes
 */
export function nameOfPlace(plan: Plan, placeId: string): PlaceName | null {
  const { called } = knownIn(plan);
  let name = called.get(placeId);
  if (name === undefined) {
    const saying = sayingOf(plan, placeId);
    called.set(placeId, (name = saying && { ...saying, words: toldApart(plan, plan.places[placeId]!, saying) }));
  }
  return name;
}

/** The shortest saying for what lies in a place, whatever others are called. */
function sayingOf(plan: Plan, placeId: string): PlaceName | null {
  const { saying } = knownIn(plan);
  let name = saying.get(placeId);
  if (name === undefined) {
    const place = plan.places[placeId];
    const things = new Set(homesIn(plan, placeId).map((h) => h.supplyId));
    name = place
      ? nameFor(
          place,
          [...things].flatMap((id) => shelvedAs(plan, id) ?? []),
        )
      : null;
    saying.set(placeId, name);
  }
  return name;
}

/** More things than this are not said one by one. */
const SAID_SINGLY = 3;

/** The words of a place with nothing but reserves, or where another one goes by the same: “Address labels, reserve”, “Cutting: craft knife and hot knife”. */
function toldApart(plan: Plan, place: Place, { words, typed }: PlaceName): string {
  const inside = homesIn(plan, place.id);
  if (typed || inside.length === 0) return words;
  // what is opened lies where one works: who opens this looks in vain for it
  if (inside.every((h) => h.share === 'backstock'))
    return inside.some((h) => homesOf(plan, h.supplyId, 'working').length > 0) ? `${words}, reserve` : words;
  const isSame = (id: string) => id !== place.id && sayingOf(plan, id)?.words === words;
  const mine = singly(plan, place.id, words);
  const twins = Object.values(plan.places).filter((p) => p.unitId === place.unitId && isSame(p.id));
  const differs = twins.some((p) => {
    const theirs = homesIn(plan, p.id);
    return theirs.some((h) => h.share !== 'backstock') && singly(plan, p.id, words) !== mine;
  });
  return differs && mine !== '' ? `${words}: ${mine}` : words;
}

/** What lies in a place, thing by thing as far as they are few, without what the place is called by: “white and yellow”. */
function singly(plan: Plan, placeId: string, words: string): string {
  const ids = [...new Set(homesIn(plan, placeId).map((h) => h.supplyId))];
  const said = ids
    .map((id) => plan.supplies[id]!.name)
    .filter((name) => name.toLowerCase() !== words.toLowerCase())
    .map((name) => (name.toLowerCase().startsWith(`${words.toLowerCase()}, `) ? name.slice(words.length + 2) : name))
    .map((name) => inSentence(name))
    .sort();
  return andJoined(said.length <= SAID_SINGLY ? said : [...said.slice(0, SAID_SINGLY - 1), 'more']);
}

/** What a place would be called with some things in it. */
export function nameFor(place: Pick<Place, 'id' | 'labelWords'>, inside: readonly Shelved[]): PlaceName | null {
  // of names as good the same one, whatever came first into the place
  const things = [...inside].sort((a, b) => (a.thing.id < b.thing.id ? -1 : 1));
  if (place.labelWords.trim() !== '') return typedName(place, things);
  return things.length === 0 ? null : { ...namingOf(things), typed: false };
}

/** A name its maker has written covers what it says; where it says nothing the program knows, all that lies there. */
function typedName(place: Pick<Place, 'id' | 'labelWords'>, things: readonly Shelved[]): PlaceName {
  const said = new Set(wordsOf(place.labelWords));
  const known = new Map<string, Concept>();
  const covered = new Set<string>();
  for (const thing of things)
    for (const level of LEVELS) {
      const concept = thing[level];
      if (!concept) continue;
      const words = wordsOf(concept.words);
      if (words.length === 0 || !words.every((w) => said.has(w))) continue;
      known.set(`${level} ${concept.id}`, concept);
      covered.add(thing.thing.id);
    }
  const own: Concept = { level: 'family', id: `place ${place.id}`, words: place.labelWords.trim() };
  const uncovered = known.size === 0 ? [] : things.map((t) => t.thing.id).filter((id) => !covered.has(id));
  return { words: place.labelWords.trim(), names: [own, ...known.values()], uncovered, price: 0, typed: true };
}

/** A place as one speaks of it: where it is, and what it is called: “Left pedestal › drawer 1 · Adhesives”. A board is one, and seen at a glance. */
export function placeSaid(plan: Plan, place: Place): string {
  const name = nameOfPlace(plan, place.id);
  return name && isSaid(name, place) ? `${placeTitle(plan, place)} · ${name.words}` : placeTitle(plan, place);
}

/** Whether a place is spoken of by its name. */
const isSaid = (name: PlaceName, place: Pick<Place, 'kind'>): boolean => name.typed || place.kind !== 'board';

/**
 * Where a supply is to be looked for in a month, what the place is called first, since that is what one remembers: “Adhesives · Left pedestal › drawer 1”; every place
 * once, `; ` between them. A place that is called as the thing itself says nothing by that. Empty: it has none.
 */
export function livesSaid(plan: Plan, supply: Supply, month: number): string {
  const said = homesNow(plan, supply, month).flatMap(({ placeId }) => {
    const place = plan.places[placeId];
    if (!place) return [];
    const name = nameOfPlace(plan, placeId);
    const title = placeTitle(plan, place);
    const known = !name || name.words.toLowerCase() === supply.name.toLowerCase() || !isSaid(name, place);
    return [known ? title : `${name.words} · ${title}`];
  });
  return [...new Set(said)].join('; ');
}

/**
 * How many names the things of a plan take: as wide as aisles, and family by family (what has none counts by itself); and how many places there are to be named: those that
 * things may be given a home in, boards and tops left out.
 */
export function namesWanted(plan: Plan): { aisles: number; families: number; places: number } {
  const [aisles, families] = [new Set<string>(), new Set<string>()];
  for (const id of Object.keys(plan.supplies)) {
    const { aisle, family } = shelvedAs(plan, id)!;
    aisles.add(aisle?.id ?? `alone ${id}`);
    families.add(family?.id ?? `alone ${id}`);
  }
  const places = Object.values(plan.places).filter(
    (p) => p.kind !== 'top' && p.kind !== 'board' && p.keptOut === '',
  ).length;
  return { aisles: aisles.size, families: families.size, places };
}

/**
 * How well the places of a plan can be said: places with two things or more, how many of them have one name, how many are odds and ends. A board is seen at a
 * glance and needs no name.
 */
export function sayingsIn(plan: Plan): { places: number; oneName: number; oddsAndEnds: number } {
  const sum = { places: 0, oneName: 0, oddsAndEnds: 0 };
  for (const id of Object.keys(plan.places)) {
    if (plan.places[id]!.kind === 'board' || new Set(homesIn(plan, id).map((h) => h.supplyId)).size < 2) continue;
    const name = nameOfPlace(plan, id)!;
    sum.places++;
    if (isOddsAndEnds(name)) sum.oddsAndEnds++;
    else if (isOneName(name) || name.typed) sum.oneName++;
  }
  return sum;
}
