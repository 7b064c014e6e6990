import { placeSaid } from '../../living/concepts/index.ts';
import { type Command, MONTH_NAMES, type Plan } from '../../record/plan/index.ts';
import { newcomers, unusedForAYear } from './life.ts';
import { dayWords } from './log.ts';
import { toBuy } from './reorder.ts';
import { seasonChanges } from './season.ts';
import { loggedUses, usesFromLog } from './uses-logged.ts';
import { type Ask, safe, count, names } from './ask.ts';

/** So many of one kind are named one by one. */
export const OF_A_KIND = 3;

export function seasons(plan: Plan, day: string): Ask[] {
  return seasonChanges(plan, day).map(({ box, way, month }) => ({
    key: safe(`season:${day.slice(0, 4)}-${month}:${way}:${box.supplies.map((s) => s.id).join('.')}`),
    kind: 'season',
    words: `${way === 'in' ? 'Bring in' : 'Take out'} ${box.name}`,
    detail: `${box.rests ? `${placeSaid(plan, box.rests)}, ` : ''}${(box.grams / 1000).toFixed(1)} kg; ${way === 'in' ? 'wanted from' : 'its season is over since'} ${MONTH_NAMES[(way === 'in' ? month : month + 10) % 12]!}`,
    answers: [
      {
        words: 'Done',
        jots: box.supplies.map((s) => ({ what: 'season', supplyId: s.id, placeId: box.rests?.id ?? null, words: way })),
      },
    ],
    go: { view: 'seasons' },
  }));
}

export function buying(plan: Plan, day: string): Ask[] {
  const list = toBuy(plan, day);
  if (list.length === 0) return [];
  const [first] = list;
  return [
    {
      ...{ key: safe(`buy:${list.length}:${first!.supply.id}`), kind: 'buy', answers: [], go: { view: 'buy' } },
      words: `${count(list.length, 'thing', 'things')} to buy`,
      detail: names(list.map((b) => b.supply)),
    },
  ];
}

export function fresh(plan: Plan, day: string): Ask[] {
  const asked = newcomers(plan, day).filter((n) => n.ask !== null && n.supply.kit === '');
  return asked.slice(0, OF_A_KIND).map(({ supply, used, days, ask }) => ({
    key: safe(`new:${supply.id}:${ask}`),
    kind: 'new',
    words: ask === 'merge' ? `${supply.name} is no longer new` : `${supply.name}: new and unused`,
    detail: ask === 'merge' ? `used on ${used} days; to its family?` : `for ${days} days`,
    answers: [
      {
        words: ask === 'merge' ? 'To its family' : 'It stays new',
        command:
          ask === 'merge'
            ? { type: 'setSupply', id: supply.id, set: { isNew: false } }
            : { type: 'setSupply', id: supply.id, set: { boughtOn: day } },
      },
      ...(ask === 'unused'
        ? [
            {
              words: 'Pass it on',
              command: { type: 'setSupply', id: supply.id, set: { decision: 'passOn' } } as Command,
            },
          ]
        : []),
    ],
    go: { stone: 'supplies', query: `view=list&supply=${supply.id}` },
  }));
}

export function reviews(plan: Plan, day: string): Ask[] {
  const undecided = Object.values(plan.supplies).filter(
    (s) => s.decision === 'undecided' && s.decideBy !== null && s.decideBy <= day,
  );
  const decide = undecided.slice(0, OF_A_KIND).map((s): Ask => ({
    ...{
      key: safe(`decide:${s.id}`),
      kind: 'review',
      words: `${s.name}: to be decided by ${dayWords(s.decideBy!)}`,
      detail: '',
    },
    answers: [
      {
        words: 'Keep',
        command: { type: 'setSupply', id: s.id, set: { decision: 'keep', decideBy: null } },
        jots: [{ what: 'decided', supplyId: s.id, words: 'keep' }],
      },
      {
        words: 'Pass on',
        command: { type: 'setSupply', id: s.id, set: { decision: 'passOn', decideBy: null } },
        jots: [{ what: 'decided', supplyId: s.id, words: 'pass on' }],
      },
    ],
    go: { stone: 'supplies', query: `view=sort` },
  }));
  const unused = unusedForAYear(plan, day)
    .slice(0, OF_A_KIND)
    .map(({ supply, since, days }): Ask => ({
      key: safe(`review:${supply.id}`),
      kind: 'review',
      words: `${supply.name}: unused for ${Math.floor(days / 30.4)} months`,
      detail: `last on ${dayWords(since)}`,
      answers: [
        { words: 'Used it', command: { type: 'setSupply', id: supply.id, set: { usedOn: day } } },
        {
          words: 'Retire it',
          command: { type: 'setSupply', id: supply.id, set: { life: 'retired' } },
          jots: [{ what: 'decided', supplyId: supply.id, words: 'retired' }],
        },
        {
          words: 'Pass on',
          command: { type: 'setSupply', id: supply.id, set: { decision: 'passOn' } },
          jots: [{ what: 'decided', supplyId: supply.id, words: 'pass on' }],
        },
      ],
      go: { stone: 'supplies', query: `view=list&supply=${supply.id}` },
    }));
  return [...decide, ...unused];
}

export function uses(plan: Plan): Ask[] {
  const told = loggedUses(plan);
  const command = usesFromLog(plan, told);
  const [first] = told;
  if (!command || !first) return [];
  const changed = told.filter((u) => Math.abs(u.fetches.weighed - u.fetches.guess) >= 0.5).length;
  if (changed === 0) return [];
  return [
    {
      ...{ key: 'uses', kind: 'uses', answers: [], go: { view: 'log' } },
      words: `The log knows ${count(changed, 'use', 'uses')} better`,
      detail: `${first.supply.name}: ${first.fetches.guess} a session guessed, ${first.fetches.logged.toFixed(1)} logged`,
    },
  ];
}
