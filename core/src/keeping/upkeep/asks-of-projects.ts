import { asOne, type Command, type Plan } from '../../record/plan/index.ts';
import { nextOfKit, kitsTogether } from './life.ts';
import { daysBetween, timesUsed } from './log.ts';
import { toPutBack } from './put-back.ts';
import { type Ask, names, count, safe } from './ask.ts';

/** A project that rests so long is asked about, days; a trip so many days before (own assumptions). */
export const RESTS_DAYS = 60;

const BEFORE_TRIP = 14;

/** What is planned for today on the way to another plan of the room, and days of it that have gone by. */
export function daysOfDoing(plan: Plan, day: string): Ask[] {
  const open = Object.values(plan.sittings).filter((s) => {
    const state = plan.jobs[s.jobId]?.state;
    return state === 'open' || state === 'half';
  });
  const gone = open.filter((s) => s.on < day);
  const own = open.filter((s) => s.on === day).sort((a, b) => a.from - b.from);
  const jobs = (rows: typeof open) => [...new Set(rows.map((s) => s.jobId))].flatMap((id) => plan.jobs[id] ?? []);
  const ask = (words: string, rows: typeof open): Ask => ({
    ...{ key: `doing:${rows[0]!.on}`, kind: 'doing', answers: [], go: { view: 'doing' } },
    words,
    detail: names(jobs(rows)),
  });
  return [
    ...(own.length > 0
      ? [ask(`${count(jobs(own).length, 'job', 'jobs')} today on the way to the room that is wanted`, own)]
      : []),
    ...(gone.length > 0
      ? [ask(`${count(jobs(gone).length, 'job', 'jobs')} left over from days that have gone by`, gone)]
      : []),
  ];
}

export function putBack(plan: Plan): Ask[] {
  const outs = toPutBack(plan);
  if (outs.length === 0) return [];
  const things = outs.flatMap((o) => plan.supplies[o.supplyId] ?? []);
  return [
    {
      ...{ key: 'putBack', kind: 'putBack', answers: [], go: { view: 'back' } },
      words: `${count(outs.length, 'thing lies', 'things lie')} about`,
      detail: names(things),
    },
  ];
}

export function trips(plan: Plan, day: string): Ask[] {
  return Object.values(plan.projects).flatMap((p): Ask[] => {
    if (p.kind !== 'trip' || p.forDay === null || p.state === 'done') return [];
    const days = daysBetween(day, p.forDay);
    const open = Object.values(plan.outs).filter((o) => o.projectId === p.id && o.state !== 'back');
    const wanted = open.filter((o) => o.state === 'wanted').length;
    const out = open.length - wanted;
    if (days > BEFORE_TRIP || (days < 0 && out === 0)) return [];
    return [
      {
        ...{ key: safe(`trip:${p.id}:${p.forDay}`), kind: 'trip', answers: [], go: { view: 'projects' } },
        words:
          days < 0
            ? `${p.name} is over`
            : days === 0
              ? `${p.name} is today`
              : `${p.name} in ${count(days, 'day', 'days')}`,
        detail: days < 0 ? `${count(out, 'thing is', 'things are')} not back yet` : `${wanted} still to pack`,
      },
    ];
  });
}

export function kits(plan: Plan): Ask[] {
  return kitsTogether(plan).flatMap((kit): Ask[] => {
    const used = kit.supplies.map((s) => timesUsed(plan, s.id, null)).filter((n) => n > 0).length;
    // new ones wait until something of them was used; what is in the second bin waits until half of it was
    const due = kit.stage === 'new' ? used > 0 : used * 2 >= kit.supplies.length;
    if (!due) return [];
    const { words, command } = nextOfKit(kit);
    return [
      {
        ...{ key: safe(`kit:${kit.name}:${kit.stage}`), kind: 'kit', go: null },
        words: `${kit.name}: ${words}?`,
        detail: names(kit.supplies),
        answers: [{ words: 'Do it', command }],
      },
    ];
  });
}

export function resting(plan: Plan, day: string): Ask[] {
  return Object.values(plan.projects).flatMap((p): Ask[] => {
    const days = daysBetween(p.since, day);
    if (p.state !== 'resting' || days < RESTS_DAYS) return [];
    const out = Object.values(plan.outs).filter((o) => o.projectId === p.id && o.state === 'out');
    return [
      {
        ...{ key: safe(`rests:${p.id}:${p.since}`), kind: 'resting', go: { view: 'projects' } },
        words: `${p.name} rests for ${Math.floor(days / 7)} weeks`,
        detail: p.note.split('\n')[0]!.slice(0, 80),
        answers: [
          { words: 'Go on with it', command: { type: 'setProject', id: p.id, set: { state: 'going', since: day } } },
          { words: 'Give it up', command: endProject(plan, p.id, day, out) },
        ],
      },
    ];
  });
}

/** A project is done or given up: what is out for it waits to be put back, what was only wanted is wanted no more. */
export function endProject(
  plan: Pick<Plan, 'outs'>,
  projectId: string,
  day: string,
  outs = Object.values(plan.outs).filter((o) => o.projectId === projectId && o.state === 'out'),
): Command {
  const rest = Object.values(plan.outs).filter((o) => o.projectId === projectId && o.state !== 'out');
  return asOne('end a project', [
    // a second one that is kept packed has no home to go back to
    ...outs.map((o): Command =>
      o.double ? { type: 'removeOut', id: o.id } : { type: 'setOut', id: o.id, set: { projectId: null } },
    ),
    ...rest.map((o): Command => ({ type: 'removeOut', id: o.id })),
    { type: 'setProject', id: projectId, set: { state: 'done', since: day } },
  ]);
}
