import { stowageOf } from '../../things/fit/index.ts';
import { apply, type Plan, type PlanHead, type Supply } from '../../record/plan/index.ts';
import { findHomes, type FindOptions, type Found } from './find.ts';
import { yearlyUses } from './uses.ts';

/** A way of working that can be chosen, in the maker’s words, with what each choice is (docs: the schools of the trade; common practice, no source). */
export type School = {
  key: 'seen' | 'grouping' | 'packaging' | 'leaving' | 'growth' | 'newThings' | 'display' | 'tools';
  question: string;
  choices: readonly (readonly [value: PlanHead[School['key']], words: string])[];
};

export const SCHOOLS: readonly School[] = [
  {
    key: 'seen',
    question: 'Seen or shut',
    choices: [
      ['either', 'as it comes'],
      ['seen', 'in view, so that it is used'],
      ['shut', 'shut away, so that the room is calm'],
    ],
  },
  {
    key: 'grouping',
    question: 'Together by',
    choices: [
      ['activity', 'what is used together'],
      ['kind', 'what is of one kind'],
      ['nature', 'each by its nature: an activity’s own with it, what is shared by kind'],
    ],
  },
  {
    key: 'packaging',
    question: 'Lids and packaging',
    choices: [
      ['on', 'as they were bought, against dust and to stack'],
      ['off', 'out of it, where that makes the better home'],
    ],
  },
  {
    key: 'leaving',
    question: 'While one works',
    choices: [
      ['untilDone', 'what was got out lies by the hand until done'],
      ['atOnce', 'back at once: a calm table, children, a shared room'],
    ],
  },
  {
    key: 'growth',
    question: 'Room to grow',
    choices: [
      [0.25, 'a quarter kept free'],
      [0.2, 'a fifth kept free'],
      [0.1, 'a tenth kept free'],
      [0, 'full is the limit'],
    ],
  },
  {
    key: 'newThings',
    question: 'New things',
    choices: [
      ['merged', 'straight to their family'],
      ['apart', 'by themselves until used'],
    ],
  },
  {
    key: 'display',
    question: 'Show or work',
    choices: [
      ['work', 'the working order comes first'],
      ['show', 'what you want on show is on show'],
    ],
  },
  {
    key: 'tools',
    question: 'Tools used at several stations',
    choices: [
      ['shared', 'one, shared'],
      ['oneEach', 'one at each'],
    ],
  },
];

/** What homes found one way come to. */
export type Effect = {
  /** fetching, bringing and what is out of order, s a year: the figure two ways are set against each other by */
  seconds: number;
  /** things without a home */
  without: number;
  /** room of the places that is taken, l */
  litres: number;
  /** to be bought for it */
  buy: { supply: Supply; more: number }[];
};

/** Tools that several stations use and of which there are fewer than stations. */
export function toolsToBuy(plan: Plan): Effect['buy'] {
  return Object.values(plan.supplies).flatMap((supply) => {
    const uses = yearlyUses(plan, supply, 'working').filter((u) => !u.consumed);
    const stations = new Set(uses.map((u) => u.station.id)).size;
    return supply.working > 0 && stations > 1 && supply.working < stations
      ? [{ supply, more: stations - supply.working }]
      : [];
  });
}

/** The plan as it would be worked in: with something of its head another, and, one tool at each station, with those tools bought. */
function asIf(plan: Plan, set: Partial<PlanHead>): { plan: Plan; buy: Effect['buy'] } {
  const done = apply(plan, { type: 'setPlan', set });
  if (!done.ok) throw new Error(done.reason);
  if (done.plan.head.tools !== 'oneEach') return { plan: done.plan, buy: [] };
  const buy = toolsToBuy(done.plan);
  const supplies = { ...done.plan.supplies };
  for (const { supply, more } of buy) supplies[supply.id] = { ...supply, working: supply.working + more };
  return { plan: { ...done.plan, supplies }, buy };
}

/** Homes found as if one worked otherwise: with something of the plan's head another, and the tools bought that it asks for. */
export async function foundUnder(
  plan: Plan,
  set: Partial<PlanHead>,
  options: FindOptions,
): Promise<(Found & { buy: Effect['buy'] }) | null> {
  const other = asIf(plan, set);
  const found = await findHomes(other.plan, options);
  return found && { ...found, buy: other.buy };
}

/** What the homes would come to if one worked otherwise: found anew, with so much work for every way that they can be set against each other. */
export async function effectOf(
  plan: Plan,
  set: Partial<PlanHead>,
  options: Pick<FindOptions, 'now' | 'breathe' | 'cancelled' | 'since'> & { work: number },
): Promise<Effect | null> {
  const found = await foundUnder(plan, set, options);
  if (!found) return null;
  const litres = Object.values(found.plan.places).reduce((sum, place) => {
    const { used, capacity } = stowageOf(found.plan, place);
    return sum + (capacity > 0 ? (Math.min(1, used / capacity) * place.width * place.depth * place.height) / 1e6 : 0);
  }, 0);
  return {
    seconds: found.after.year + found.after.places + found.after.withoutSeconds,
    without: found.after.without.length,
    litres,
    buy: found.buy,
  };
}
