import { type Command, type Plan } from '../../record/plan/index.ts';
import { knownByHeart } from './by-heart.ts';
import { type Ask } from './ask.ts';
import { daysOfDoing, putBack, trips, kits, resting } from './asks-of-projects.ts';
import { seasons, buying, fresh, reviews, uses } from './asks-of-supplies.ts';
import { changedByHeart, byHeart, notes, overFull } from './asks-of-places.ts';

/**
 * What asks for a hand today, the pressing first: what lies about, what the month changes, what runs out, notes to decide on, new things, kits, places that are
 * over-full, what rests or was never used. What was put off is not in it until its day.
 */
export function asksToday(plan: Plan, day: string): Ask[] {
  const known = knownByHeart(plan);
  const all = [
    ...daysOfDoing(plan, day),
    ...putBack(plan),
    ...seasons(plan, day),
    ...trips(plan, day),
    ...buying(plan, day),
    ...changedByHeart(plan, day),
    ...byHeart(plan, known, day),
    ...notes(plan, new Set(known.map((k) => k.place.id)), day),
    ...fresh(plan, day),
    ...kits(plan),
    ...overFull(plan),
    ...resting(plan, day),
    ...reviews(plan, day),
    ...uses(plan),
  ];
  return all.filter((a) => !((plan.putOffs[a.key]?.until ?? '') > day));
}

/** The command that puts an ask off to a day. */
export const putOffCommand = (ask: Pick<Ask, 'key'>, until: string): Command => ({
  type: 'putOff',
  putOff: { id: ask.key, until },
});
