import { type Plan } from './plan.ts';
import { type DoneAt, type Station } from './rows/index.ts';

/** Where an activity is done, as a maker says it. */
export const DONE_AT_WORDS: Record<DoneAt, string> = {
  here: 'in this room',
  otherRoom: 'in another room',
  outside: 'outside',
  away: 'at somebody’s',
};

/**
 * Whether what is done at a seat is done elsewhere: the seat is then the spot where its things are taken out of the room and come back to (the door, as a
 * rule), and nobody works there.
 */
export const isElsewhere = (plan: Pick<Plan, 'activities'>, station: Pick<Station, 'activityId'>): boolean =>
  (plan.activities[station.activityId]?.doneAt ?? 'here') !== 'here';

/** The seats at which somebody works in this room. */
export const seatsHere = (plan: Pick<Plan, 'activities' | 'stations'>): Station[] =>
  Object.values(plan.stations).filter((s) => !isElsewhere(plan, s));
