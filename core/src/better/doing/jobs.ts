import { isLeaving, type Job, massOf, type Plan } from '../../record/plan/index.ts';
import { LOAD_CONSTANT } from '../../space/loads/index.ts';
import { type Add, BUY_THINGS, footprint, idOf, some } from './adding.ts';
import { priceOf } from './buying.ts';
import { carrying } from './carry-jobs.ts';
import { type Difference, differenceOf } from './difference.ts';
import { furniture } from './furniture-jobs.ts';
import { DELIVERY_DAYS, LIFTED, minutesOf, TAKES } from './minutes.ts';
import { labelling } from './labelling.ts';
import { type Names, pilesParted } from './piles.ts';
import { savingsOf, shareKey } from './savings.ts';

/** A job as it follows from what differs, before anything was said about it. */
const BLANK = {
  ...{
    why: '',
    about: [],
    to: [],
    typed: false,
    people: 1,
    lifts: false,
    byHand: false,
    floor: 0,
    money: null,
    saves: 0,
    after: [],
    splits: true,
  },
  ...{ notBefore: null, readyBy: null, delivery: 0, state: 'open', spent: 0, left: null, doneOn: null },
} satisfies Partial<Job>;

/**
 * What is to be done so that the room as it is becomes the plan that is wanted: from what differs, and what is undecided or only guessed. Each with why, how
 * long, how many people, what it covers, costs and saves, and what comes before it.
 */
export function jobsBetween(now: Plan, then: Plan): Job[] {
  const d = differenceOf(now, then);
  const jobs: Job[] = [];
  const names: Names = new Map();
  const add: Add = (job, seconds, named) => {
    const whole: Job = { ...BLANK, ...minutesOf(seconds), ...job };
    jobs.push(whole);
    if (named) names.set(whole.id, named);
    return whole;
  };
  const saves = savingsOf(now, then);
  const left = new Map(saves);
  const first = beginnings(now, d, add);
  const made = furniture(now, then, d, add, first);
  newThings(now, then, d, add);
  carrying(now, then, add, made, left);
  takingAway(d, add, jobs);
  labelling(now, then, add, jobs);
  seatsLeft(then, d, jobs, left, add);
  return pilesParted(jobs, now.jobs, then, names);
}

/** What a pile of so many things is called. */
function pileName(kind: 'sort' | 'measure' | 'passOn', n: number): string {
  if (kind === 'sort') return `Decide on ${some(n, 'thing', 'things')}`;
  if (kind === 'measure') return `Measure ${some(n, 'thing that is', 'things that are')} only guessed`;
  return `Pass on or throw ${some(n, 'thing', 'things')}`;
}

/** Sorting out and measuring: what comes before anything is bought. */
function beginnings(now: Plan, d: Difference, add: Add): string[] {
  const first: string[] = [];
  const undecided = Object.values(now.supplies).filter((s) => s.decision === 'undecided');
  if (undecided.length > 0)
    first.push(
      add(
        {
          ...{ id: 'sort', kind: 'sort', about: undecided.map((s) => s.id) },
          name: pileName('sort', undecided.length),
          why: 'What goes need not be measured, bought for or carried.',
        },
        undecided.length * TAKES.decide,
        (ids) => pileName('sort', ids.length),
      ).id,
    );
  const bought = d.boxesCome.length > 0 || d.come.length > 0;
  const guessed = Object.values(now.supplies).filter(
    (s) =>
      !isLeaving(s) && (['width', 'depth', 'height'] as const).some((f) => s.unsure.includes(f) || s.usual.includes(f)),
  );
  if (bought && guessed.length > 0)
    first.push(
      add(
        {
          ...{ id: 'measure', kind: 'measure', about: guessed.map((s) => s.id), after: [...first] },
          name: pileName('measure', guessed.length),
          why: 'Boxes are bought for what is measured.',
        },
        guessed.length * TAKES.measure,
        (ids) => pileName('measure', ids.length),
      ).id,
    );
  const leaving = Object.values(now.supplies).filter(isLeaving);
  if (leaving.length > 0)
    add(
      {
        ...{ id: 'passOn', kind: 'passOn', about: leaving.map((s) => s.id), after: first.slice(0, 1) },
        name: pileName('passOn', leaving.length),
        why: 'What goes first makes room for the rest.',
      },
      leaving.length * TAKES.passOn,
      (ids) => pileName('passOn', ids.length),
    );
  return first;
}

/** So many names are said one by one. */
const SAID = 3;

/** What is in the wanted plan and not here: bought, and put where it lives there. */
function newThings(now: Plan, then: Plan, { thingsCome }: Difference, add: Add): void {
  if (thingsCome.length === 0) return;
  const named = (ids: readonly string[]): string => {
    const names = thingsCome.flatMap((s) => (ids.includes(s.id) ? [s.name] : []));
    const more = names.length > SAID ? ` and ${names.length - SAID} more` : '';
    return `Buy ${names.slice(0, SAID).join(', ')}${more}`.slice(0, 120);
  };
  const costs = thingsCome.map((s) => priceOf(now, then, s.id));
  add(
    {
      ...{ id: BUY_THINGS, kind: 'buy', about: thingsCome.map((s) => s.id), delivery: DELIVERY_DAYS },
      money: costs.includes(null) ? null : costs.reduce<number>((sum, c) => sum + c!, 0),
      name: named(thingsCome.map((s) => s.id)),
      why: 'In the plan that is wanted, and not in the room: ticked once it is there and lies in its place.',
    },
    TAKES.order + thingsCome.length * TAKES.eachPlace,
    named,
  );
}

/** What is taken away once it is empty. */
function takingAway(d: Difference, add: Add, jobs: readonly Job[]): void {
  const carried = jobs.filter((j) => j.kind === 'carry');
  for (const unit of d.go)
    add(
      {
        ...{ id: idOf('takeAway', unit.id), kind: 'takeAway', about: [unit.id], splits: false },
        ...{
          after: carried.map((j) => j.id),
          people: massOf(unit) / 1000 > LOAD_CONSTANT ? 2 : 1,
          lifts: massOf(unit) > LIFTED,
          floor: footprint(unit),
        },
        name: `Take ${unit.name} away`,
        why: 'It is not in the plan that is wanted.',
      },
      TAKES.takeAway,
    );
  const gone = d.boxesGo.filter((p) => !d.boxesGo.some((o) => o.id === p.inId));
  const takenOut = (ids: readonly string[]) => `Take out ${some(ids.length, 'container', 'containers')}`;
  if (gone.length > 0)
    add(
      {
        ...{ id: 'takeAway-boxes', kind: 'takeAway', about: gone.map((p) => p.id), after: carried.map((j) => j.id) },
        name: takenOut(gone.map((p) => p.id)),
        why: 'They are not in the plan that is wanted.',
      },
      gone.length * TAKES.setIn,
      takenOut,
    );
}

/** What nothing that is carried accounts for is saved by what is moved: its unit, or the seat at it. */
function seatsLeft(then: Plan, d: Difference, jobs: Job[], left: Map<string, number>, add: Add): void {
  const moved = jobs.filter((j) => j.kind === 'move' || j.kind === 'bring');
  const rest = d.seats.filter((s) => !moved.some((j) => s.unitId !== null && j.about.includes(s.unitId)));
  if (rest.length > 0)
    add(
      {
        ...{ id: 'move-seats', kind: 'move', about: rest.map((s) => s.id) },
        name: `Sit elsewhere: ${rest.map((s) => s.name).join(', ')}`.slice(0, 120),
        why: 'These seats are elsewhere in the plan that is wanted.',
      },
      rest.length * TAKES.shift,
    );
  const to = jobs.filter((j) => j.kind === 'move');
  if (to.length === 0) return;
  for (const home of Object.values(then.homes)) {
    const key = shareKey(home.supplyId, home.share);
    const saved = left.get(key);
    if (saved === undefined) continue;
    left.delete(key);
    const unit = then.places[home.placeId]?.unitId;
    const own = to.find((j) => unit !== undefined && j.about.includes(unit)) ?? to[0]!;
    own.saves += saved;
  }
}
