import { type Body, bodyOf } from '../../space/body/index.ts';
import { type Person, type Plan, type Supply } from '../../record/plan/index.ts';
import { type Spot } from '../../space/reach/index.ts';

/** On tiptoe one is so much taller, mm (own assumption). */
const TIPTOE = 60;

export type ChildReach = { person: Person; /** so high the hand comes at full stretch, mm */ top: number };

const reaches = new WeakMap<object, ChildReach[]>();

const stretched = (body: Body): number => body.shoulder + body.gripReach + TIPTOE;

/** The lowest edge over which a hand comes into a place, mm: a child needs no more than that. */
const lowestEdge = (spot: Spot): number =>
  spot.place.opens === 'top' ? spot.mouth.z : spot.place.covers.includes('drawer') ? spot.high : spot.low;

/** Children of the plan with how high they reach, arm stretched up and on tiptoe, the tallest first. */
export function childReaches(plan: Plan): readonly ChildReach[] {
  let all = reaches.get(plan.people);
  if (!all) {
    all = Object.values(plan.people)
      .filter((p) => p.child)
      .map((person) => ({ person, top: stretched(bodyOf(person, null)) }))
      .sort((a, b) => b.top - a.top);
    reaches.set(plan.people, all);
  }
  return all;
}

/** The tallest child that gets at a place and must be kept from what is to lie there; undefined when none does. */
export function childAt(plan: Plan, supply: Supply, spot: Spot): ChildReach | undefined {
  if (supply.hazards.length === 0 || spot.away || spot.place.lockable) return undefined;
  return childReaches(plan).find(
    ({ person, top }) => lowestEdge(spot) < top && supply.hazards.some((h) => person.keepFrom.includes(h)),
  );
}
