import { kindOf, pluralOf } from '../../things/kinds/index.ts';
import { type Plan, readsSame, type Supply } from '../../record/plan/index.ts';
import { AISLES, type Aisle, aisleOfFamily, aisleOfKind, aisleOfThing, isAisle } from './aisles.ts';

/** What a place can be called by: a thing, all of a kind, a family, what one activity has for its own, an aisle; the narrowest first. */
export const LEVELS = ['thing', 'kind', 'family', 'own', 'aisle'] as const;
export type Level = (typeof LEVELS)[number];
export type Concept = { level: Level; id: string; words: string };

/** All that one thing can be called by; what it has none of is null. */
export type Shelved = Readonly<Record<Level, Concept | null>> & { thing: Concept };

/** A supply is one activity’s own that is fetched for it so often of all its fetches (computation 18). */
export const OWN = 0.7;

/** The activity that fetches a thing nearly always, if there is one. */
export function ownerOf(plan: Plan, supplyId: string): string | null {
  return ownersIn(plan).get(supplyId) ?? null;
}

const owners = new WeakMap<object, { plan: Plan; of: ReadonlyMap<string, string> }>();
function ownersIn(plan: Plan): ReadonlyMap<string, string> {
  const known = owners.get(plan.uses);
  if (known && readsSame(['activities'], known.plan, plan)) return known.of;
  const fetched = new Map<string, Map<string, number>>();
  for (const use of Object.values(plan.uses)) {
    const activity = plan.activities[use.activityId];
    if (!activity) continue;
    const by = fetched.get(use.supplyId) ?? new Map<string, number>();
    fetched.set(use.supplyId, by);
    const year = use.fetches * activity.sessionsPerMonth * activity.months.length;
    by.set(use.activityId, (by.get(use.activityId) ?? 0) + year);
  }
  const of = new Map<string, string>();
  for (const [supply, by] of fetched) {
    const all = [...by.values()].reduce((a, b) => a + b, 0);
    for (const [activity, n] of by) if (n > 0 && n >= OWN * all) of.set(supply, activity);
  }
  owners.set(plan.uses, { plan, of });
  return of;
}

/** A name as it stands inside a sentence: “Kite parts” → “kite parts”; what is written in capitals stays. */
export const inSentence = (name: string): string =>
  /^\p{Lu}\p{Ll}/u.test(name) ? name[0]!.toLowerCase() + name.slice(1) : name;

/** The aisle a family stands under: where its maker has put it, else where its name or its things say. */
export function aisleFor(plan: Plan, family: string): Aisle | null {
  return familiesIn(plan).get(family)?.aisle ?? null;
}

export type FamilyIn = { family: string; aisle: Aisle | null; moved: boolean; things: readonly Supply[] };
const families = new WeakMap<object, { plan: Plan; of: ReadonlyMap<string, FamilyIn> }>();
/** Every family of a plan with its aisle and its things; `moved`: its maker has said so. */
export function familiesIn(plan: Plan): ReadonlyMap<string, FamilyIn> {
  const known = families.get(plan.supplies);
  if (known && readsSame(['familyAisles'], known.plan, plan)) return known.of;
  const things = new Map<string, Supply[]>();
  for (const supply of Object.values(plan.supplies)) {
    if (supply.family === '') continue;
    const list = things.get(supply.family);
    if (list) list.push(supply);
    else things.set(supply.family, [supply]);
  }
  const said = new Map(
    Object.values(plan.familyAisles).flatMap(({ family, aisle }) => (isAisle(aisle) ? [[family, aisle] as const] : [])),
  );
  const of = new Map(
    [...things].map(([family, list]): [string, FamilyIn] => {
      const moved = said.get(family);
      return [
        family,
        { family, aisle: moved ?? aisleOfFamily(family, list), moved: moved !== undefined, things: list },
      ];
    }),
  );
  families.set(plan.supplies, { plan, of });
  return of;
}

/** The aisle a thing stands under: its family’s where the maker has moved that; else its kind’s, which may be another than its family’s; else its family’s. */
export function aisleOf(plan: Plan, supply: Supply): Aisle | null {
  const family = familiesIn(plan).get(supply.family);
  if (family?.moved) return family.aisle;
  return (supply.kind === '' ? null : aisleOfKind(supply.kind)) ?? family?.aisle ?? aisleOfThing(supply);
}

const shelves = new WeakMap<object, { plan: Plan; of: Map<string, Shelved> }>();
/** What a thing can be called by; the same object as long as nothing it is told by has changed. */
export function shelvedAs(plan: Plan, supplyId: string): Shelved | null {
  const supply = plan.supplies[supplyId];
  if (!supply) return null;
  let known = shelves.get(plan.supplies);
  if (!known || !readsSame(['familyAisles', 'uses', 'activities'], known.plan, plan))
    shelves.set(plan.supplies, (known = { plan, of: new Map() }));
  let shelved = known.of.get(supplyId);
  if (!shelved) known.of.set(supplyId, (shelved = shelve(plan, supply)));
  return shelved;
}

function shelve(plan: Plan, supply: Supply): Shelved {
  const kind = kindOf(supply.kind);
  const owner = ownerOf(plan, supply.id);
  const activity = owner === null ? undefined : plan.activities[owner];
  const aisle = aisleOf(plan, supply);
  return {
    thing: { level: 'thing', id: supply.id, words: supply.name },
    kind: kind && { level: 'kind', id: kind.id, words: pluralOf(kind.name) },
    family: supply.family === '' ? null : { level: 'family', id: supply.family, words: inSentence(supply.family) },
    own: activity ? { level: 'own', id: activity.id, words: `for ${inSentence(activity.name)}` } : null,
    aisle: aisle && { level: 'aisle', id: aisle, words: AISLES[aisle] },
  };
}
