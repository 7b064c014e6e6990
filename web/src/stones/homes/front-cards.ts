import { type ComeAndGone } from '@heronstone/core/homes';
import { type Plan, type Supply, type Unit } from '@heronstone/core/plan';

/** What happened in a place. */
export type Mark = 'came' | 'went';
/** A unit as a card of the wall of fronts. */
export type FrontCard = { unit: Unit; came: Supply[]; went: Supply[]; marks: ReadonlyMap<string, Mark> };

/** The units in which something lives, or lived: those in which most changed first, then by name. What stands in a place of a unit counts as that unit’s. */
export function cardsOf(plan: Plan, changes: ReadonlyMap<string, ComeAndGone>): FrontCard[] {
  const cards = new Map<string, { unit: Unit; came: Supply[]; went: Supply[]; marks: Map<string, Mark> }>();
  for (const [placeId, { came, went }] of changes) {
    const place = plan.places[placeId];
    const unit = place && plan.units[place.unitId];
    if (!unit) continue;
    const card = cards.get(unit.id) ?? { unit, came: [], went: [], marks: new Map<string, Mark>() };
    cards.set(unit.id, card);
    card.came.push(...came);
    card.went.push(...went);
    const mark = came.length > 0 ? 'came' : went.length > 0 ? 'went' : null;
    // what a box holds is seen on the place it stands in
    for (let p: typeof place | undefined = place; mark && p; p = p.inId === null ? undefined : plan.places[p.inId])
      if (card.marks.get(p.id) !== 'came') card.marks.set(p.id, mark);
  }
  for (const card of cards.values()) {
    // from one place of a unit to another is no coming and going of the unit
    const [came, went] = [new Set(card.came), new Set(card.went)];
    card.came = [...came].filter((s) => !went.has(s));
    card.went = [...went].filter((s) => !came.has(s));
  }
  return [...cards.values()].sort((a, b) => b.marks.size - a.marks.size || (a.unit.name < b.unit.name ? -1 : 1));
}

/** So many things are named. */
const NAMED = 3;

/** “came: Ruler, Awls and 4 more · went: Twine”; “as it was” where nothing changed. */
export function cameWords(came: readonly Supply[], went: readonly Supply[], most = NAMED): string {
  const list = (word: string, some: readonly Supply[]) => {
    const names = some.slice(0, most).map((s) => s.name);
    const more = some.length - names.length;
    return some.length === 0 ? [] : [`${word}: ${names.join(', ')}${more > 0 ? ` and ${more} more` : ''}`];
  };
  return [...list('came', came), ...list('went', went)].join(' · ') || 'the same things as before';
}
