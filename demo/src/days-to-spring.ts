import { jobsBetween, mergeJobs, ownJob, planDays, problemOf, sittingsOf, yearOf } from '@heronstone/core/doing';
import { findingsOf } from '@heronstone/core/findings';
import { apply, asOne, type Command, type Doing, type Plan } from '@heronstone/core/plan';
import { solveSchedule } from '@heronstone/core/schedule';

const BEGINS = '2026-10-01';

function done(plan: Plan, ...commands: Command[]): Plan {
  const ran = apply(plan, asOne('the way to Spring', commands));
  if (!ran.ok) throw new Error(ran.reason);
  return ran.plan;
}

/** The pump house with its way to Spring planned over October’s Saturdays: an hour and a quarter each, the tall one helps once, and a wall that is half painted. */
export async function withDaysToSpring(plan: Plan, spring: Plan): Promise<Plan> {
  const open = (p: Plan) => findingsOf(p).filter((f) => !f.acknowledged).length;
  const doing: Doing = {
    ...{ id: 'to-spring', toPlanId: 'spring', toName: spring.head.name, begins: BEGINS, livable: true, way: 'found' },
    ...{ moneyAMonth: 60, planned: 0, promised: yearOf(plan) - yearOf(spring) },
    ...{ findingsBefore: open(plan), findingsAfter: open(spring) },
  };
  const paint = ownJob('paint', 'Paint the north wall', 150, { money: 35 });
  let next = done(
    plan,
    { type: 'addDoing', doing },
    {
      type: 'addFreeTime',
      freeTime: {
        ...{
          id: 'saturdays',
          weekday: 6,
          on: null,
          starts: 600,
          minutes: 75,
          lies: false,
          helpers: 0,
          hands: 0,
          note: '',
        },
      },
    },
    {
      type: 'addFreeTime',
      freeTime: {
        ...{
          id: 'together',
          weekday: null,
          on: '2026-10-17',
          starts: 600,
          minutes: 120,
          lies: false,
          helpers: 1,
          hands: 0,
        },
        note: 'both of them',
      },
    },
    {
      type: 'addFreeTime',
      freeTime: {
        ...{ id: 'fair', weekday: null, on: '2026-10-24', starts: 600, minutes: 0, lies: false, helpers: 0, hands: 0 },
        note: 'the fair',
      },
    },
    { type: 'addJob', job: { ...paint, splits: true, state: 'half', spent: 60 } },
    ...mergeJobs(plan, jobsBetween(plan, spring)),
  );
  const answer = await solveSchedule(problemOf(next, doing, 'found', BEGINS), { work: 3000, now: () => 0 });
  next = done(next, ...planDays(next, doing, 'found', sittingsOf(next, answer), BEGINS));
  return next;
}
