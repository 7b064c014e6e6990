import { distance, type Point } from '../../measures/geometry/index.ts';
import { type Activity, type Plan, type Station, seatsHere } from '../../record/plan/index.ts';

/** Dust and splashes fly about so far, noise disturbs so far, mm (own assumptions). */
export const FLIES = 1500;
export const HEARD = 3000;

export type Nuisance = 'noise' | 'splashes';

/** Whether work of one kind at a point disturbs other work so far off, in months in which both are done; work of the same activity does not. */
export function disturbs(nuisance: Nuisance, other: Activity, at: Point, activity: Activity, here: Point): boolean {
  if (other.id === activity.id || !other.months.some((m) => activity.months.includes(m))) return false;
  return nuisance === 'noise'
    ? activity.traits.includes('quiet') && other.traits.includes('noisy') && distance(at, here) < HEARD
    : activity.traits.includes('clean') &&
        other.traits.some((t) => t === 'wet' || t === 'dusty') &&
        distance(at, here) < FLIES;
}

/** Stations whose work disturbs a station. */
export function neighboursWith(plan: Plan, station: Station, nuisance: Nuisance): Station[] {
  const activity = plan.activities[station.activityId];
  if (!activity) return [];
  return seatsHere(plan).filter((s) => {
    const other = plan.activities[s.activityId];
    return s.id !== station.id && other !== undefined && disturbs(nuisance, other, s, activity, station);
  });
}
