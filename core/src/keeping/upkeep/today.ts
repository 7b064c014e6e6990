import { placeSaid } from '../../living/concepts/index.ts';
import { placeFilling } from '../../living/homes/index.ts';
import {
  asOne,
  type Command,
  type DiaryEntry,
  homesIn,
  MONTH_NAMES,
  type Place,
  type Plan,
  type Supply,
} from '../../record/plan/index.ts';
import { type ByHeart, knownByHeart, TRIAL_DAYS } from './by-heart.ts';
import { nextOfKit, kitsTogether, newcomers, unusedForAYear } from './life.ts';
import { daysBetween, dayWords, timesUsed } from './log.ts';
import { toPutBack } from './put-back.ts';
import { toBuy } from './reorder.ts';
import { seasonChanges } from './season.ts';
import { loggedUses, usesFromLog } from './uses-logged.ts';

/** What asks for a hand. */
export type AskKind =
  | 'putBack'
  | 'season'
  | 'trip'
  | 'buy'
  | 'label'
  | 'new'
  | 'kit'
  | 'overFull'
  | 'resting'
  | 'review'
  | 'uses'
  | 'doing';

/** One way to be done with it: a change of the plan, lines for the log, or both. */
export type Answer = {
  words: string;
  command?: Command;
  jots?: readonly (Pick<DiaryEntry, 'what'> & Partial<DiaryEntry>)[];
};

export type Ask = {
  /** the same as long as it asks for the same */
  key: string;
  kind: AskKind;
  words: string;
  detail: string;
  /** one tap each; none: it is done on its own page */
  answers: Answer[];
  /** page of keep-up, or what to show at another stone */
  go: { view: string } | { stone: string; query: string } | null;
};

/** A project that rests so long is asked about, days; a trip so many days before (own assumptions). */
export const RESTS_DAYS = 60;
const BEFORE_TRIP = 14;
/** So many of one kind are named one by one. */
const OF_A_KIND = 3;

const safe = (key: string) => key.replace(/[^A-Za-z0-9:._-]/g, '_').slice(0, 400);

/**
 * What asks for a hand today, the pressing first: what lies about, what the month changes, what runs out, notes to decide on, new things, kits, places that are
 * over-full, what rests or was never used. What was put off is not in it until its day.
 */
export function asksToday(plan: Plan, day: string): Ask[] {
  const known = knownByHeart(plan);
  const all = [
    ...daysOfDoing(plan, day),
    ...putBack(plan),
    ...seasons(plan, day),
    ...trips(plan, day),
    ...buying(plan, day),
    ...changedByHeart(plan, day),
    ...byHeart(plan, known, day),
    ...notes(plan, new Set(known.map((k) => k.place.id)), day),
    ...fresh(plan, day),
    ...kits(plan),
    ...overFull(plan),
    ...resting(plan, day),
    ...reviews(plan, day),
    ...uses(plan),
  ];
  return all.filter((a) => !((plan.putOffs[a.key]?.until ?? '') > day));
}

/** The command that puts an ask off to a day. */
export const putOffCommand = (ask: Pick<Ask, 'key'>, until: string): Command => ({
  type: 'putOff',
  putOff: { id: ask.key, until },
});

const count = (n: number, one: string, many: string) => `${n} ${n === 1 ? one : many}`;
const names = (list: readonly { name: string }[]) =>
  list.length > 4
    ? `${list
        .slice(0, 3)
        .map((s) => s.name)
        .join(', ')} and ${list.length - 3} more`
    : list.map((s) => s.name).join(', ');

/** What is planned for today on the way to another plan of the room, and days of it that have gone by. */
function daysOfDoing(plan: Plan, day: string): Ask[] {
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

function putBack(plan: Plan): Ask[] {
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

function seasons(plan: Plan, day: string): Ask[] {
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

function trips(plan: Plan, day: string): Ask[] {
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

function buying(plan: Plan, day: string): Ask[] {
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

const labelled = (places: readonly Place[], label: Place['label'], since: string): Command =>
  asOne(
    'decide on notes',
    places.map((p) => ({ type: 'setPlace', id: p.id, set: { label, labelSince: since } })),
  );

/** Places known by heart in which something has come to live since: whoever learnt them does not know of it. */
function changedByHeart(plan: Plan, day: string): Ask[] {
  const units = new Map<string, { places: Place[]; came: Supply[] }>();
  for (const place of Object.values(plan.places)) {
    const { label, labelSince } = place;
    if (label !== 'learnt' || labelSince === null) continue;
    const came = homesIn(plan, place.id).flatMap((home) =>
      home.since > labelSince ? (plan.supplies[home.supplyId] ?? []) : [],
    );
    if (came.length === 0) continue;
    const of = units.get(place.unitId) ?? { places: [], came: [] };
    units.set(place.unitId, { places: [...of.places, place], came: [...of.came, ...came] });
  }
  return [...units].map(([unitId, { places, came }]) => ({
    key: safe(`learnt:${unitId}`),
    kind: 'label',
    words: `${count(places.length, 'place', 'places')} of ${plan.units[unitId]?.name ?? 'a unit'} known by heart no more`,
    detail: `since they were learnt ${names(came)} came to live there`,
    answers: [
      { words: 'Notes on trial again', command: labelled(places, 'trial', day) },
      { words: 'We know by heart', command: labelled(places, 'learnt', day) },
    ],
    go: { view: 'labels' },
  }));
}

/** Labels that nobody needs any more: what they say was found at the first look without them. */
function byHeart(plan: Plan, known: readonly ByHeart[], day: string): Ask[] {
  const units = new Map<string, { places: Place[]; found: Supply[] }>();
  for (const { place, found } of known) {
    const of = units.get(place.unitId) ?? { places: [], found: [] };
    units.set(place.unitId, { places: [...of.places, place], found: [...of.found, ...found] });
  }
  return [...units].map(([unitId, { places, found }]) => ({
    key: safe(`byHeart:${unitId}`),
    kind: 'label',
    words: `${plan.units[unitId]?.name ?? 'A unit'}: ${count(places.length, 'label', 'labels')} not needed any more`,
    detail: `${names(found)}: found at the first look`,
    answers: [
      { words: places.length === 1 ? 'Take it off' : 'Take them off', command: labelled(places, 'learnt', day) },
      {
        words: places.length === 1 ? 'It stays' : 'They stay',
        command: asOne(
          'labels stay',
          places.map((p) => ({ type: 'setPlace', id: p.id, set: { labelSince: day } })),
        ),
      },
    ],
    go: { view: 'labels' },
  }));
}

function notes(plan: Plan, known: ReadonlySet<string>, day: string): Ask[] {
  const units = new Map<string, Place[]>();
  for (const p of Object.values(plan.places))
    if (
      !known.has(p.id) &&
      p.label === 'trial' &&
      p.labelSince !== null &&
      daysBetween(p.labelSince, day) >= TRIAL_DAYS
    )
      units.set(p.unitId, [...(units.get(p.unitId) ?? []), p]);
  return [...units].map(([unitId, places]) => ({
    key: safe(`label:${unitId}`),
    kind: 'label',
    words: `${count(places.length, 'note', 'notes')} on ${plan.units[unitId]?.name ?? 'a unit'} to decide on`,
    detail: `on trial for ${Math.floor(daysBetween(places[0]!.labelSince!, day) / 7)} weeks`,
    answers: [
      { words: 'Labels for good', command: labelled(places, 'permanent', day) },
      { words: 'Learnt, notes off', command: labelled(places, 'learnt', day) },
    ],
    go: { view: 'labels' },
  }));
}

function fresh(plan: Plan, day: string): Ask[] {
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

function kits(plan: Plan): Ask[] {
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
function overFull(plan: Plan): Ask[] {
  const found: Ask[] = [];
  for (const place of Object.values(plan.places)) {
    if (found.length === OF_A_KIND) break;
    if (homesIn(plan, place.id).length === 0) continue;
    const [fault] = placeFilling(plan, place).faults;
    if (!fault) continue;
    found.push({
      ...{ key: safe(`full:${place.id}`), kind: 'overFull', answers: [], words: placeSaid(plan, place) },
      detail: fault,
      go: { stone: 'furniture', query: `unit=${place.unitId}&place=${place.id}` },
    });
  }
  return found;
}

function resting(plan: Plan, day: string): Ask[] {
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

function reviews(plan: Plan, day: string): Ask[] {
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

function uses(plan: Plan): Ask[] {
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
