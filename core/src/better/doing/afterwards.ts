import { foundAgainSum } from '../../living/homes/index.ts';
import { sessionsOf } from '../../living/sessions/index.ts';
import { dayAfter, daysBetween, holdingEntries } from '../../keeping/upkeep/index.ts';
import { type Plan } from '../../record/plan/index.ts';

/** After so many weeks it is looked at what has come true (common practice, no source). */
export const LOOKED_BACK = [4, 12] as const;

/** What the log says of the first weeks after it was done. */
export type CameTrue = {
  weeks: (typeof LOOKED_BACK)[number];
  /** the day on which they are over */
  on: string;
  /** sessions in the log in that time, and how many were reckoned with */
  sessions: number;
  expected: number;
  /** of what was promised so much has come true, s: as many sessions as there were of those that were reckoned with; null: nothing was promised */
  saved: number | null;
};

export type Afterwards = {
  /** the day on which the last job was done; labels for good come weeks later */
  since: string;
  /** whole days since then */
  days: number;
  /** sessions in the log since then */
  sessions: number;
  /** four and twelve weeks, as far as they are over */
  cameTrue: CameTrue[];
  /** the day on which the next of them is over; null: both are */
  next: string | null;
  /** things asked for in look tests since then: how many, how many were at the first look; and the share that was reckoned with, 0 to 1 */
  looks: { asked: number; atFirst: number; reckoned: number };
};

/** What was promised against what has come true, once all is done. @param day ISO date of today */
export function afterwardsOf(plan: Plan, day: string): Afterwards {
  const doing = Object.values(plan.doings)[0];
  const since =
    Object.values(plan.jobs)
      .flatMap((j) => (j.doneOn && j.kind !== 'labels' ? [j.doneOn] : []))
      .sort()
      .at(-1) ?? day;
  // a line that was struck is no session
  const began = holdingEntries(plan).flatMap((d) =>
    d.what === 'began' && d.day > since && d.day <= day ? [d.day] : [],
  );
  const yearly = Object.keys(plan.activities).reduce((sum, id) => sum + sessionsOf(plan, id), 0);
  const promised = doing?.promised ?? 0;
  const all = LOOKED_BACK.map((weeks): CameTrue => {
    const on = dayAfter(since, 7 * weeks);
    const sessions = began.filter((b) => b <= on).length;
    const expected = (yearly * weeks) / 52;
    return {
      ...{ weeks, on, sessions, expected },
      saved: promised > 0 && expected > 0 ? (promised * weeks * sessions) / (52 * expected) : null,
    };
  });
  const looked = Object.values(plan.looks).filter((l) => l.lookedOn > since && l.lookedOn <= day);
  return {
    since,
    days: daysBetween(since, day),
    sessions: began.length,
    cameTrue: all.filter((c) => c.on <= day),
    next: all.find((c) => c.on > day)?.on ?? null,
    looks: {
      asked: looked.length,
      atFirst: looked.filter((l) => l.found === 'first').length,
      reckoned: foundAgainSum(plan).atFirstLook,
    },
  };
}
