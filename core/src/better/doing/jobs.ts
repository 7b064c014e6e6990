import { factsOf } from '../../record/catalogue/index.ts';
import { countIn, homesOf, isLeaving, type Job, massOf, type Plan, type Unit } from '../../record/plan/index.ts';
import { massInUnit } from '../../things/fit/index.ts';
import { HANDFUL, litresOf } from '../../living/moves/index.ts';
import { LOAD_CONSTANT } from '../../space/loads/index.ts';
import { carryGroups, wholeCrossing } from './carrying.ts';
import { type Difference, differenceOf } from './difference.ts';
import { DELIVERY_DAYS, LAID_OUT, minutesOf, TAKES } from './minutes.ts';
import { savingsOf, shareKey } from './savings.ts';

/** A job as it follows from what differs, before anything was said about it. */
const BLANK = {
  ...{ why: '', about: [], to: [], typed: false, people: 1, floor: 0, money: null, saves: 0, after: [], splits: true },
  ...{ notBefore: null, readyBy: null, delivery: 0, state: 'open', spent: 0, left: null, doneOn: null },
} satisfies Partial<Job>;

const some = (n: number, one: string, more: string): string => `${n} ${n === 1 ? one : more}`;
const idOf = (kind: string, ...parts: string[]): string => [kind, ...parts].join('-').slice(0, 80);

/**
 * What is to be done so that the room as it is becomes the plan that is wanted: from what differs, and what is undecided or only guessed. Each with why, how
 * long, how many people, what it covers, costs and saves, and what comes before it.
 */
export function jobsBetween(now: Plan, then: Plan): Job[] {
  const d = differenceOf(now, then);
  const jobs: Job[] = [];
  const add = (job: Pick<Job, 'id' | 'kind' | 'name'> & Partial<Job>, seconds: number): Job => {
    const whole: Job = { ...BLANK, ...minutesOf(seconds), ...job };
    jobs.push(whole);
    return whole;
  };
  const saves = savingsOf(now, then);
  const left = new Map(saves);
  const first = beginnings(now, d, add);
  const made = furniture(now, then, d, add, first);
  carrying(now, then, add, made, left);
  finishing(then, d, add, jobs);
  seatsLeft(then, d, jobs, left, add);
  return jobs;
}

type Add = (job: Pick<Job, 'id' | 'kind' | 'name'> & Partial<Job>, seconds: number) => Job;

/** Sorting out and measuring: what comes before anything is bought. */
function beginnings(now: Plan, d: Difference, add: Add): string[] {
  const first: string[] = [];
  const undecided = Object.values(now.supplies).filter((s) => s.decision === 'undecided');
  if (undecided.length > 0)
    first.push(
      add(
        {
          ...{ id: 'sort', kind: 'sort', about: undecided.map((s) => s.id) },
          name: `Decide on ${some(undecided.length, 'thing', 'things')}`,
          why: 'What goes need not be measured, bought for or carried.',
        },
        undecided.length * TAKES.decide,
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
          name: `Measure ${some(guessed.length, 'thing that is', 'things that are')} only guessed`,
          why: 'Boxes are bought for what is measured.',
        },
        guessed.length * TAKES.measure,
      ).id,
    );
  const leaving = Object.values(now.supplies).filter(isLeaving);
  if (leaving.length > 0)
    add(
      {
        ...{ id: 'passOn', kind: 'passOn', about: leaving.map((s) => s.id), after: first.slice(0, 1) },
        name: `Pass on or throw ${some(leaving.length, 'thing', 'things')}`,
        why: 'What goes first makes room for the rest.',
      },
      leaving.length * TAKES.passOn,
    );
  return first;
}

/** What was made ready by which job: units and containers by their ids. */
type Made = Map<string, string>;

/** Buying, bringing in, moving, setting in: what must stand before anything is carried to it. */
function furniture(now: Plan, then: Plan, d: Difference, add: Add, first: readonly string[]): Made {
  const made: Made = new Map();
  const guests = (plan: Plan, unit: Unit): Unit[] =>
    Object.values(plan.units)
      .filter((u) => u.hostId === unit.id && u.id !== unit.id)
      .flatMap((u) => [u, ...guests(plan, u)]);
  const kinds = new Map<string, Unit[]>();
  for (const u of d.come) kinds.set(u.kind, [...(kinds.get(u.kind) ?? []), u]);
  const bought = new Map<string, string>();
  for (const [kind, units] of kinds) {
    const each = then.prices[kind]?.price ?? now.prices[kind]?.price;
    const job = add(
      {
        ...{ id: idOf('buy', kind), kind: 'buy', about: units.map((u) => u.id), after: [...first] },
        ...{ money: each === undefined ? null : each * units.length, delivery: DELIVERY_DAYS },
        name: `Buy ${units.length === 1 ? units[0]!.name : `${units.length} × ${units[0]!.name}`}`,
        why: 'It stands in the plan that is wanted and not in the room.',
      },
      TAKES.order,
    );
    for (const u of units) bought.set(u.id, job.id);
  }
  for (const unit of d.come.filter((u) => u.hostId === null || !d.come.some((o) => o.id === u.hostId))) {
    const all = [unit, ...guests(then, unit).filter((u) => d.come.includes(u))];
    const places = Object.values(then.places).filter((p) => all.some((u) => u.id === p.unitId)).length;
    const heavy = all.reduce((sum, u) => sum + massOf(u), 0) / 1000 > LOAD_CONSTANT;
    const job = add(
      {
        ...{ id: idOf('bring', unit.id), kind: 'bring', about: all.map((u) => u.id), splits: false },
        ...{ after: all.flatMap((u) => bought.get(u.id) ?? []), people: heavy ? 2 : 1, floor: footprint(unit) },
        name: `Bring in ${unit.name}`,
        why: heavy ? 'Too heavy for one: two lift it.' : 'What is to live in it waits for it.',
      },
      TAKES.bring + places * TAKES.eachPlace + (unit.fixed ? TAKES.fasten : 0),
    );
    for (const u of all) made.set(u.id, job.id);
  }
  for (const { now: was, then: unit } of d.move) {
    const along = guests(now, was);
    const inside = [was, ...along].reduce((sum, u) => sum + massInUnit(now, u.id), 0);
    const heavy = [was, ...along].reduce((sum, u) => sum + massOf(u), 0) / 1000 > LOAD_CONSTANT;
    const rolls = factsOf(was.kind).mobile;
    const out = rolls ? { seconds: 0, floor: 0 } : laidOut(now, [was, ...along]);
    const reshaped = was.width !== unit.width || was.rows !== unit.rows || was.columns !== unit.columns;
    const job = add(
      {
        ...{ id: idOf('move', unit.id), kind: 'move', about: [unit.id, ...along.map((u) => u.id)], splits: false },
        ...{ people: heavy && !rolls ? 2 : 1, floor: out.floor + (inside > 0 && !rolls ? footprint(was) : 0) },
        name: reshaped ? `Change ${unit.name}` : `Move ${unit.name}`,
        why:
          inside > 0 && !rolls
            ? 'Emptied, moved and filled again in one go, so that nothing lies about in the evening.'
            : 'It stands elsewhere in the plan that is wanted.',
      },
      2 * out.seconds + TAKES.shift * (1 + along.length) + (unit.fixed && !rolls ? TAKES.fasten : 0),
    );
    made.set(unit.id, job.id);
  }
  const byKind = new Map<string, string[]>();
  for (const box of d.boxesCome) byKind.set(box.organiserId!, [...(byKind.get(box.organiserId!) ?? []), box.id]);
  for (const [organiserId, boxes] of byKind) {
    const organiser = then.organisers[organiserId]!;
    const packs = Math.ceil(Math.max(0, boxes.length - (now.organisers[organiserId]?.have ?? 0)) / organiser.packOf);
    if (packs === 0) continue;
    const job = add(
      {
        ...{ id: idOf('buy', organiserId), kind: 'buy', about: boxes, after: [...first] },
        ...{ money: organiser.price === null ? null : organiser.price * packs, delivery: DELIVERY_DAYS },
        name: `Buy ${boxes.length} × ${organiser.name}${organiser.packOf > 1 ? ` (${some(packs, 'pack', 'packs')} of ${organiser.packOf})` : ''}`,
        why: 'Boxes last: once what goes into them is sorted and measured.',
      },
      TAKES.order,
    );
    for (const id of boxes) bought.set(id, job.id);
  }
  const inUnits = new Map<string, { boxes: string[]; divided: string[] }>();
  for (const p of [...d.boxesCome, ...d.boxesMove]) {
    const row = inUnits.get(p.unitId) ?? { boxes: [], divided: [] };
    row.boxes.push(p.id);
    inUnits.set(p.unitId, row);
  }
  for (const p of d.divided) {
    const row = inUnits.get(p.unitId) ?? { boxes: [], divided: [] };
    row.divided.push(p.id);
    inUnits.set(p.unitId, row);
  }
  for (const [unitId, { boxes, divided }] of inUnits) {
    const what = [
      ...(boxes.length > 0 ? [some(boxes.length, 'container', 'containers')] : []),
      ...(divided.length > 0 ? [some(divided.length, 'divider', 'dividers')] : []),
    ];
    const job = add(
      {
        ...{ id: idOf('setIn', unitId), kind: 'setIn', about: [...boxes, ...divided] },
        after: [
          ...new Set([...boxes.flatMap((b) => bought.get(b) ?? []), ...(made.get(unitId) ? [made.get(unitId)!] : [])]),
        ],
        name: `Set ${what.join(' and ')} into ${then.units[unitId]?.name ?? 'a unit'}`,
        why: 'What is to lie in them waits for them.',
      },
      boxes.length * TAKES.setIn + divided.length * TAKES.divide,
    );
    for (const id of [...boxes, ...divided]) made.set(id, job.id);
  }
  return made;
}

/** What lives in units taken out and laid aside: s, and m² it covers. */
function laidOut(plan: Plan, units: readonly Unit[]): { seconds: number; floor: number } {
  const own = new Set(units.map((u) => u.id));
  let [seconds, litres] = [0, 0];
  for (const home of Object.values(plan.homes)) {
    const place = plan.places[home.placeId];
    const supply = plan.supplies[home.supplyId];
    if (!place || !supply || !own.has(place.unitId)) continue;
    const some = litresOf(supply, countIn(plan, home, supply));
    litres += some;
    // out of the place and down beside it
    seconds += TAKES.layOut + TAKES.handful * Math.ceil(some / HANDFUL);
  }
  return { seconds, floor: Math.round((litres / 1000 / (LAID_OUT / 1000)) * 100) / 100 };
}

const footprint = (unit: Unit): number => Math.round((unit.width * unit.depth) / 1e4) / 100;

/** Carrying things to where they will live. */
function carrying(now: Plan, then: Plan, add: Add, made: Made, left: Map<string, number>): void {
  const crossing = wholeCrossing(now, then);
  const { pairs } = crossing;
  const unitOf = (placeId: string) => then.places[placeId]?.unitId ?? '';
  const groups = carryGroups(crossing, unitOf);
  // what a share saves it saves when the last of it has come
  const lastOf = new Map<string, number>();
  for (const [g, group] of groups.entries())
    for (const p of group.pairs) lastOf.set(shareKey(pairs[p]!.supply.id, pairs[p]!.share), g);
  const ids: string[] = [];
  const comesHome = restingNoMore(now, then, pairs);
  for (const [g, group] of groups.entries()) {
    const own = group.pairs.map((p) => pairs[p]!);
    if (own.length === 0) {
      ids.push('');
      continue;
    }
    const units = [...new Set(own.map((p) => unitOf(p.to)))];
    const things = new Set(own.map((p) => p.supply.id));
    if (ids.every((id) => id === '')) for (const id of comesHome) things.add(id);
    let saved = 0;
    for (const key of new Set(own.map((p) => shareKey(p.supply.id, p.share))))
      if (lastOf.get(key) === g) {
        saved += left.get(key) ?? 0;
        left.delete(key);
      }
    const homeless = own.filter((p) => p.from === null).length;
    const names = units.map((u) => then.units[u]?.name ?? 'a unit');
    const where =
      names.length > 3
        ? `${names.slice(0, 2).join(', ')} and ${names.length - 2} more`
        : names.join(names.length === 2 ? ' and ' : ', ');
    const id = idOf('carry', units[0]!.slice(0, 60), ...(group.part ? [String(group.part.no)] : []));
    const needs = new Set<string>();
    for (const p of own) {
      for (let place = then.places[p.to]; place; place = place.inId === null ? undefined : then.places[place.inId])
        if (made.has(place.id)) needs.add(made.get(place.id)!);
      const unit = unitOf(p.to);
      for (let u = then.units[unit]; u; u = u.hostId === null ? undefined : then.units[u.hostId]) {
        if (made.has(u.id)) needs.add(made.get(u.id)!);
        if (u.hostId === u.id) break;
      }
    }
    add(
      {
        ...{
          id,
          kind: 'carry',
          about: [...things].sort(),
          to: [...new Set(own.map((p) => p.to))].sort(),
          saves: saved,
          readyBy: wantedBy(now, things),
        },
        after: [...needs, ...group.after.flatMap((a) => (ids[a] ? [ids[a]] : []))],
        name: `Carry ${some(things.size, 'thing', 'things')} to ${where}${group.part ? `, part ${group.part.no} of ${group.part.of}` : ''}`,
        why: whyCarried(homeless, units.length, own.length),
      },
      group.seconds,
    );
    ids.push(id);
  }
}

/** The first day on which something is made with any of these things for a day of its own: a market, a class. */
function wantedBy(now: Plan, things: ReadonlySet<string>): string | null {
  const days = Object.values(now.projects).flatMap((p) => {
    if (p.forDay === null || p.activityId === null || p.state === 'done') return [];
    const uses = Object.values(now.uses).filter((u) => u.activityId === p.activityId);
    return uses.some((u) => things.has(u.supplyId)) ? [p.forDay] : [];
  });
  return days.sort()[0] ?? null;
}

/** What rests in a place of its own today, in the wanted plan with the rest of it, and is not carried besides. */
const restingNoMore = (now: Plan, then: Plan, pairs: readonly { supply: { id: string } }[]): string[] =>
  Object.values(now.homes)
    .filter((h) => h.share === 'resting' && homesOf(then, h.supplyId, 'resting').length === 0)
    .filter((h) => homesOf(then, h.supplyId, 'working').length > 0)
    .flatMap((h) => (pairs.some((p) => p.supply.id === h.supplyId) ? [] : [h.supplyId]));

function whyCarried(homeless: number, units: number, all: number): string {
  const words: string[] = [];
  if (homeless === all) words.push('They have no home yet.');
  else if (homeless > 0) words.push(`${homeless} of them ${homeless === 1 ? 'has' : 'have'} no home yet.`);
  if (units > 1) words.push('These wait for each other: what leaves one goes into the next.');
  return words.join(' ') || 'They lie nearer the hand that needs them there.';
}

/** What is taken away once it is empty, notes on trial, labels for good. */
function finishing(then: Plan, d: Difference, add: Add, jobs: readonly Job[]): void {
  const carried = jobs.filter((j) => j.kind === 'carry');
  for (const unit of d.go)
    add(
      {
        ...{ id: idOf('takeAway', unit.id), kind: 'takeAway', about: [unit.id], splits: false },
        ...{
          after: carried.map((j) => j.id),
          people: massOf(unit) / 1000 > LOAD_CONSTANT ? 2 : 1,
          floor: footprint(unit),
        },
        name: `Take ${unit.name} away`,
        why: 'It is not in the plan that is wanted.',
      },
      TAKES.takeAway,
    );
  const gone = d.boxesGo.filter((p) => !d.boxesGo.some((o) => o.id === p.inId));
  if (gone.length > 0)
    add(
      {
        ...{ id: 'takeAway-boxes', kind: 'takeAway', about: gone.map((p) => p.id), after: carried.map((j) => j.id) },
        name: `Take out ${some(gone.length, 'container', 'containers')}`,
        why: 'They are not in the plan that is wanted.',
      },
      gone.length * TAKES.setIn,
    );
  const places = [...new Set(carried.flatMap((j) => j.to))].filter((id) => {
    const place = then.places[id];
    return place && place.label !== 'learnt' && then.units[place.unitId]?.mount !== 'away';
  });
  if (places.length === 0) return;
  const notes = add(
    {
      ...{ id: 'notes', kind: 'notes', about: places, after: carried.map((j) => j.id) },
      name: `Notes on trial for ${some(places.length, 'place', 'places')}`,
      why: 'Eight weeks on trial before labels for good.',
    },
    places.length * TAKES.note,
  );
  add(
    {
      ...{ id: 'labels', kind: 'labels', about: places, after: [notes.id] },
      name: `Labels for good for ${some(places.length, 'place', 'places')}`,
      why: 'What has worked for eight weeks stays.',
    },
    places.length * TAKES.label,
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
