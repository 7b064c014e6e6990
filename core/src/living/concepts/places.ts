import { wordsOf } from '../../things/kinds/index.ts';
import {
  homesIn,
  homesNow,
  type Place,
  type Plan,
  placeTitle,
  readsSame,
  type Supply,
} from '../../record/plan/index.ts';
import { isOddsAndEnds, isOneName, type Naming, namingOf } from './naming.ts';
import { type Concept, LEVELS, shelvedAs, type Shelved } from './shelved.ts';

/** What a place is called: what its maker has written on it, else the shortest saying for what lies in it. */
export type PlaceName = Naming & {
  /** its maker’s own words */
  typed: boolean;
};

const READS = ['supplies', 'homes', 'familyAisles', 'uses', 'activities'] as const;
const names = new WeakMap<object, { plan: Plan; of: Map<string, PlaceName | null> }>();

/** What a place is called; null: nothing lives in it and nothing is written on it. Remembered until what lives there changes. */
export function nameOfPlace(plan: Plan, placeId: string): PlaceName | null {
  const place = plan.places[placeId];
  if (!place) return null;
  let known = names.get(plan.homes);
  if (!known || !readsSame(READS, known.plan, plan)) names.set(plan.homes, (known = { plan, of: new Map() }));
  const key = `${placeId} ${place.labelWords}`;
  let name = known.of.get(key);
  if (name === undefined) {
    const things = new Set(homesIn(plan, placeId).map((h) => h.supplyId));
    known.of.set(
      key,
      (name = nameFor(
        place,
        [...things].flatMap((id) => shelvedAs(plan, id) ?? []),
      )),
    );
  }
  return name;
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
