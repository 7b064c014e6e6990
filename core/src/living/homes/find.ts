import { togetherThatMustBeApart } from '../concepts/index.ts';
import { apply, type Command, type Plan } from '../../record/plan/index.ts';
import { type Homes, type SlottingAnswer, solveSlotting } from '../slotting/index.ts';
import { annealed, exactTotal, type Limits, overIn } from './annealing.ts';
import { assessHomes, type Assessment } from './cost.ts';
import { bettering } from './bettering.ts';
import { finishing } from './finishing.ts';
import { inOrder } from './in-order.ts';
import { Mixing } from './mixing.ts';
import { layingRest } from './laying.ts';
import { roomBefore, tableOf, totalOf, Used } from './problem.ts';
import { keepingCommands, settleCommand } from './settle.ts';
import { type Translation } from './translation.ts';
import { translating } from './translating.ts';
import { type Tally, tallyOf } from './tally.ts';
import { weightOf } from './weights.ts';

export type FindProgress = {
  phase: 'measuring' | 'searching' | 'counting';
  /** 0 to 1 within the phase */
  done: number;
  /** seconds a year, by the engine's measure set against today's; null before the first answer */
  total: number | null;
};

export type FindOptions = {
  /** s for the search, 3 by default; measuring and counting come on top */
  seconds?: number;
  /** instead of that a limit in work, see the slotting engine */
  work?: number;
  seed?: number;
  /** key of what its maker has arranged that is not kept this once, see {@link decisionsIn} */
  undo?: string;
  /** only betters the homes there are, in the order of a second: for asking what a change would do, over and over */
  polish?: boolean;
  now: () => number;
  since: string;
  onProgress?: (progress: FindProgress) => void;
  /** true ends the search with the best homes so far; while measuring it ends everything */
  cancelled?: () => boolean;
  breathe?: () => Promise<void>;
};

export type Found = {
  /** moves everything to its found home; no homes in it when all are where they are best */
  command: Command & { type: 'settle' };
  /** what is to be kept in another way for that: on edge, on magnet sheets … */
  keeping: (Command & { type: 'setSupply' })[];
  /** today's homes and the found ones, counted alike */
  before: Tally;
  after: Tally;
  assessedBefore: Assessment;
  assessed: Assessment;
  /** places that give up room to grow so that nothing loses its home, ids */
  growthGaveWay: string[];
  answer: SlottingAnswer;
  plan: Plan;
};

/** All that is found must save so much a year together, or mend something: ten minutes (own assumption). */
const WORTH = 600;
/** What only betters homes looks at so much of what is usual. */
const POLISHING = 0.25;
/** How long it is looked for where nobody says, s. */
const SECONDS = 3;
/** So much of the time goes into an answer that leaves looking out: what the exact search starts from, and a bound. */
const ROUGHLY = 0.1;
/** With more lots than this the exact search has too little time to begin hot: it betters what a longer rough one has found (measured with 1,000 and 450 lots). */
const MANY = 600;
const ROUGHLY_MANY = 0.7;
/** How long one waits between two breaths, ms. */
const BREATH = 40;

/**
 * Find homes: the plan translated, searched from today's homes, and counted before and after by one rule. Where things are left without a home
 * although there is width for them, room to grow gives way, only as much as they need.
 * @returns null when it was cancelled before there was anything to answer
 */
export async function findHomes(plan: Plan, options: FindOptions): Promise<Found | null> {
  const { now } = options;
  const translation = await translatedFor(plan, options);
  if (!translation) return null;
  const assessedBefore = assessHomes(plan);
  const before = tallyOf(plan, assessedBefore);
  const room = roomBefore(translation);
  const named = weightOf(plan, 'weighAgain') > 0;
  const many = translation.lots.length > MANY;
  const roughShare = many ? ROUGHLY_MANY : ROUGHLY;
  const { staying } = translation.sorts;
  const ours = (answer: SlottingAnswer): SlottingAnswer => ({
    ...answer,
    // what stays is no answer
    homes: answer.homes.filter((h) => translation.lotOf.has(h.lot)),
  });
  /** what the engine is given: a share of the limit, from where the bar stands to where it goes, and what today’s homes come to in its measure */
  const limits = (from: number, to: number, held: number): Limits => ({
    ...(options.work === undefined
      ? { seconds: (options.seconds ?? SECONDS) * (to - from) }
      : { work: options.work * (to - from) }),
    seed: options.seed ?? 1,
    ...(options.polish ? { polish: true } : {}),
    now,
    ...(options.cancelled ? { cancelled: options.cancelled } : {}),
    ...(options.breathe ? { breathe: options.breathe } : {}),
    onProgress: (p) =>
      options.onProgress?.({
        phase: 'searching',
        done: from + (to - from) * p.done,
        total: before.total + p.total - held,
      }),
  });
  const feasible = feasiblePart(translation, room);
  /** looking left out: quickly, and how much better there can be but for that is proven */
  const roughly = async (share: number) =>
    ours(
      await solveSlotting(tableOf(translation, room, false), {
        ...limits(0, share, totalOf(translation, feasible, false)),
        over: overIn(plan, translation),
        start: [...staying.map(({ id, place }) => ({ lot: id, place })), ...translation.today],
      }),
    );
  /** by the measure that is shown, from the better of some homes and today’s */
  const exactly = async (rough: SlottingAnswer | null): Promise<SlottingAnswer> => {
    const today = exactTotal(plan, translation, feasible);
    const from = rough && exactTotal(plan, translation, rough.homes) < today ? rough.homes : feasible;
    const answer = ours(
      await annealed(plan, translation, from, room, {
        ...limits(rough ? roughShare : 0, 1, today),
        ...(many ? { polish: true } : {}),
        ...(rough?.prices ? { prices: rough.prices } : {}),
      }),
    );
    return rough ? { ...answer, bound: rough.bound } : answer;
  };
  const searched = async (): Promise<SlottingAnswer> => {
    if (!named) return roughly(1);
    if (options.polish) return exactly(null);
    const rough = await roughly(roughShare);
    return options.cancelled?.() ? rough : exactly(rough);
  };
  let rested = now();
  /** lets messages in from time to time; whether it is enough */
  const pause = async (): Promise<boolean> => {
    if (now() - rested >= BREATH) {
      await options.breathe?.();
      rested = now();
    }
    return options.cancelled?.() ?? false;
  };
  const tallied = (answer: SlottingAnswer) => {
    const settled = settling(plan, translation, answer, options.since);
    const assessed = assessHomes(settled.plan);
    return { ...settled, answer, assessed, after: tallyOf(settled.plan, assessed) };
  };
  /** homes as the engine has them laid for real and bettered by the exact measure */
  const laidOut = async (answer: SlottingAnswer) => {
    await options.breathe?.();
    const laid = layingRest(plan, translation, answer.homes, room);
    const bettered = await bettering(plan, translation, laid.homes, room, {
      // where it is asked over and over it may take less
      share: options.polish ? POLISHING : 1,
      pause,
    });
    const homes = options.polish ? bettered : inOrder(plan, translation, bettered);
    const homed = new Set(homes.map((h) => h.lot));
    return tallied({
      ...answer,
      prices: null,
      homes,
      unplaced: laid.left.filter((lot) => !homed.has(lot)),
      // the bound holds of the problem as it was first put: what can be laid is a part of it
      ...totalsOf(translation, homes, answer),
    });
  };
  let last = await laidOut(await searched());
  /** keeps other homes where they are better by the count that is shown */
  const takeIfBetter = (homes: Homes) => {
    const again = tallied({ ...last.answer, homes: [...homes], ...totalsOf(translation, homes, last.answer) });
    if (again.after.total < last.after.total) last = again;
  };
  options.onProgress?.({ phase: 'counting', done: 0, total: null });
  if (!options.polish) {
    await options.breathe?.();
    const found = { plan: last.plan, homes: last.answer.homes };
    takeIfBetter(inOrder(plan, translation, await finishing(plan, translation, found, room, options.since, pause)));
  }
  // little changes for little: homes one knows stay where nothing is mended and a year gains less than that
  const mends =
    last.after.without.length < before.without.length ||
    togetherThatMustBeApart(last.plan).length < togetherThatMustBeApart(plan).length;
  const asMany = translation.lots.length - translation.today.length <= last.answer.unplaced.length;
  if (!options.polish && !mends && asMany && before.total - last.after.total < WORTH)
    last = tallied(asToday(translation, last.answer));
  const { command, keeping, assessed, after, answer } = last;
  return {
    command,
    keeping,
    before,
    after,
    assessedBefore,
    assessed,
    growthGaveWay: usedIn(translation, answer.homes)
      .filter(([id, used]) => used > room(id) * 1.002 + 0.01)
      .map(([id]) => id),
    answer,
    plan: last.plan,
  };
}

/** The homes of today as an answer. */
function asToday(translation: Translation, answer: SlottingAnswer): SlottingAnswer {
  const homes = [...translation.today];
  const homed = new Set(homes.map((h) => h.lot));
  const unplaced = translation.lots.flatMap((lot) => (homed.has(lot.id) ? [] : [lot.id]));
  return { ...answer, homes, unplaced, ...totalsOf(translation, homes, answer) };
}

/** The commands that give a plan the homes of an answer, and the plan with them. */
function settling(plan: Plan, translation: Translation, answer: SlottingAnswer, since: string) {
  const command = settleCommand(plan, translation, answer, since);
  const keeping = keepingCommands(translation, answer);
  const done = apply(plan, { type: 'several', words: 'find homes', commands: [command, ...keeping] as never });
  if (!done.ok) throw new Error(done.reason);
  return { command, keeping, plan: done.plan };
}

async function translatedFor(plan: Plan, options: FindOptions): Promise<Translation | null> {
  const supplies = Math.max(1, Object.keys(plan.supplies).length);
  const work = translating(plan, options.undo ?? null);
  let breath = -Infinity;
  for (let n = 0; ; n++) {
    if (options.now() - breath >= BREATH) {
      breath = options.now();
      options.onProgress?.({ phase: 'measuring', done: n / supplies, total: null });
      await options.breathe?.();
    }
    if (options.cancelled?.()) return null;
    const step = work.next();
    if (step.done) return step.value;
  }
}

/** Total and gap of homes that were changed after the search. */
function totalsOf(
  translation: Translation,
  homes: Homes,
  { bound }: SlottingAnswer,
): Pick<SlottingAnswer, 'total' | 'gap'> {
  const total = totalOf(translation, homes, false);
  // the bound knows of no names and no looking: what it is held against is what homes cost without them
  const proven = total - new Mixing(translation.sorts, homes).total;
  return { total, gap: proven <= bound ? 0 : bound > 0 ? proven / bound - 1 : null };
}

/** What is used of each place with some homes when it is fullest, pins and boxes included, in its measure. */
function usedIn(translation: Translation, homes: Homes): [id: string, used: number][] {
  const used = new Used(translation, homes);
  return [...translation.places.keys()].map((id) => [id, used.most(id)]);
}

/** Today's homes, as many as go in with the room given: what the engine starts from. */
function feasiblePart(translation: Translation, room: (placeId: string) => number): Homes {
  const used = new Used(translation);
  const lots = new Map(translation.lots.map((lot) => [lot.id, lot]));
  return translation.today.filter(({ lot, place }) => {
    const row = lots.get(lot)!;
    const use = Math.min(room(place), row.options.find((o) => o.place === place)!.use);
    if (!used.takes(row, place, use, room(place), 0.01)) return false;
    used.add(row, place, use);
    return true;
  });
}

/** Whether the found homes are worse than today's, counted alike; a minute a year is no difference. */
export const isWorse = ({ before, after }: Pick<Found, 'before' | 'after'>): boolean => after.total > before.total + 60;
