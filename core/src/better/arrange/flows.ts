import { type Activity, type Plan, type Station } from '../../record/plan/index.ts';
import { makerOf, PACE, SECONDS_PER_TMU, sceneAt, TMU, walkLengthTo, WHEELS } from '../../space/reach/index.ts';

export const sessionsPerYear = (a: Activity): number => a.sessionsPerMonth * a.months.length;

/** Seconds to carry a piece of work from one seat to another. */
export function carrySeconds(mm: number, fromSeated: boolean, toSeated: boolean): number {
  const paces = Math.ceil(mm / PACE - 1e-9);
  const tmu = paces * TMU.paceLaden + (fromSeated ? TMU.stand : 0) + (toSeated ? TMU.sit : 0);
  return tmu * SECONDS_PER_TMU;
}

/** Flows of a plan, from seat to seat: times a year; an activity’s stations share evenly. */
export function flowsOf(plan: Plan): { from: Station; to: Station; times: number }[] {
  const at = (activityId: string) => Object.values(plan.stations).filter((s) => s.activityId === activityId);
  return Object.values(plan.flows).flatMap((flow) => {
    const activity = plan.activities[flow.fromId];
    const froms = at(flow.fromId);
    const tos = at(flow.toId);
    if (!activity) return [];
    const times = (flow.times * sessionsPerYear(activity)) / Math.max(1, froms.length * tos.length);
    return froms.flatMap((from) => tos.map((to) => ({ from, to, times })));
  });
}

/** Where nobody gets to over free floor it is counted as so far, mm (own assumption). */
const NO_WAY = 20_000;

/** How far work is carried from one seat to another over the free floor, mm. */
export function handOnLength(plan: Plan, from: Station, to: Station): number {
  const maker = makerOf(plan, from);
  const length = maker ? walkLengthTo(sceneAt(plan, from), maker, to) : Infinity;
  return Number.isFinite(length) ? length : NO_WAY;
}

/** Seconds of handing work on once from one seat to another. */
export const handOnSeconds = (plan: Plan, from: Station, to: Station): number =>
  carried(plan, from, to, handOnLength(plan, from, to)).seconds;

/** What carrying work from one seat to another takes, and how it is gone: paces on foot, metres on wheels. */
export function carried(
  plan: Plan,
  from: Station,
  to: Station,
  mm: number,
): { seconds: number; paces: number; wheeled: number } {
  if (plan.people[from.personId]?.mobility === 'wheelchair')
    return { seconds: WHEELS.rollTmu(mm) * SECONDS_PER_TMU, paces: 0, wheeled: mm / 1000 };
  return { seconds: carrySeconds(mm, !from.standing, !to.standing), paces: Math.ceil(mm / PACE - 1e-9), wheeled: 0 };
}
