import { type EventAttributes } from 'ics';
import { type Plan } from '../../record/plan/index.ts';
import { freeOn, sessionsFrom } from '../../better/doing/index.ts';

/** A day without a time of its own begins at ten. */
const TEN = 600;
/** Days on which there is time and nothing to do are taken back as far as this. */
const MOST_TAKEN_BACK = 40;

/**
 * The days on which something is to be done, each one entry with its jobs. A day keeps its name however often days are planned anew, with a number that
 * grows, so that a calendar takes the newer one for the older; free days on which nothing is left to do are taken back.
 * @param alarm hours before; null: none
 */
export function daysOf(plan: Plan, day: string, alarm: number | null): EventAttributes[] {
  const doing = Object.values(plan.doings)[0];
  if (!doing) return [];
  const rows = Object.values(plan.sittings).filter((s) => s.on >= day && plan.jobs[s.jobId]);
  const days = [...new Set(rows.map((r) => r.on))].sort();
  const common = (
    on: string,
  ): Pick<EventAttributes, 'uid' | 'sequence' | 'start' | 'startInputType' | 'startOutputType'> => {
    const starts = freeOn(plan, on)?.starts ?? TEN;
    return {
      ...{ uid: `doing-${plan.id}-${on}`.replace(/[^A-Za-z0-9.-]/g, '_') + '@heronstone', sequence: doing.planned },
      start: [...(on.split('-').map(Number) as [number, number, number]), Math.floor(starts / 60), starts % 60],
      ...{ startInputType: 'local', startOutputType: 'local' },
    };
  };
  const events = days.map((on): EventAttributes => {
    const own = rows.filter((r) => r.on === on).sort((a, b) => a.from - b.from);
    const end = Math.max(15, ...own.map((r) => Math.ceil(r.to)));
    const jobs = own.map((r) => plan.jobs[r.jobId]!);
    return {
      ...common(on),
      duration: { hours: Math.floor(end / 60), minutes: end % 60 },
      title:
        jobs.length === 1 ? jobs[0]!.name : `${jobs.length} jobs: ${jobs.map((j) => j.name).join('; ')}`.slice(0, 200),
      description: own.map((r) => `${Math.round(r.to - r.from)} min: ${plan.jobs[r.jobId]!.name}`).join('\n'),
      ...(alarm === null
        ? {}
        : {
            alarms: [
              { action: 'display' as const, description: 'In the craft room', trigger: { hours: alarm, before: true } },
            ],
          }),
    };
  });
  if (doing.planned < 2) return events;
  const free = sessionsFrom(plan, day).slice(0, MOST_TAKEN_BACK);
  const none = free.filter((s) => !days.includes(s.date));
  return [
    ...events,
    ...none.map((s): EventAttributes => ({
      ...common(s.date),
      title: 'Nothing to do',
      duration: { minutes: 15 },
      status: 'CANCELLED',
    })),
  ];
}
