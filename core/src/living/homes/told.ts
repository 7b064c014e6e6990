import { isElsewhere, type Plan, type Share, type Station, type Supply } from '../../record/plan/index.ts';
import { inUseIn, type InUse, liesOut, sessionsAt } from '../sessions/index.ts';
import { visitsOf } from './visits.ts';

/** How a station uses a thing, and what it is got together with if it lives in a unit. */
export type ToldUse = {
  station: Station;
  use: Readonly<InUse>;
  out: boolean;
  /** it is carried out of the room with the rest */
  elsewhere: boolean;
  /** sessions a month of this seat in the months it is done */
  aMonth: number;
  /** other things that are got on the same way out of the unit */
  others: number;
};

/** How the sessions of a plan use a thing at hand, each station by itself, those that reach for it most first. */
export function toldUses(plan: Plan, supply: Supply, share: Share, unitId: string | null): ToldUse[] {
  if (share !== 'working') return [];
  return Object.values(plan.stations)
    .flatMap((station): ToldUse[] => {
      const use = inUseIn(plan).get(station.id)?.get(supply.id);
      if (!use || use.reaches * use.sessions <= 0) return [];
      const visit = unitId === null ? undefined : visitsOf(plan).visits.get(`${station.id} ${unitId}`);
      const others = new Set((visit?.taken ?? []).flatMap((t) => (t.supply.id === supply.id ? [] : [t.supply.id])));
      return [
        {
          ...{ station, use, out: liesOut(use), others: use.gathered > 0 ? others.size : 0 },
          aMonth: sessionsAt(plan, station) / Math.max(1, plan.activities[station.activityId]?.months.length ?? 1),
          elsewhere: isElsewhere(plan, station),
        },
      ];
    })
    .sort((a, b) => b.use.reaches * b.use.sessions - a.use.reaches * a.use.sessions);
}
