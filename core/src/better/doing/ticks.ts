import {
  apply,
  asOne,
  type Command,
  homesOf,
  type Job,
  type Move,
  placesDownTo,
  type Plan,
  sameRow,
  type Supply,
} from '../../record/plan/index.ts';
import { crossingTo, pairsBetween } from '../../living/moves/index.ts';
import { buysThings } from './adding.ts';
import { dividersOf, seatOf, standOf } from './difference.ts';
import { furnishedAs } from './carrying.ts';

/** The moves of a carrying job as they are now: what of it is not there yet, in an order in which it goes; nothing of other jobs. */
export function movesOf(now: Plan, then: Plan, job: Pick<Job, 'about' | 'to'>): Move[] {
  const own = ownPairs(job);
  // places that are not there yet cannot be carried to
  const wanted = { ...then, supplies: { ...then.supplies, ...furnishedAs(now, then).supplies } };
  const from = { ...now, moves: {} };
  return crossingTo(
    from,
    wanted,
    (n) => `m${n}`,
    undefined,
    (p) => own(p) && now.places[p.to] !== undefined,
  ).moves;
}

const ownPairs = (job: Pick<Job, 'about' | 'to'>) => {
  const [things, places] = [new Set(job.about), new Set(job.to)];
  return (p: { supply: { id: string }; to: string }): boolean => things.has(p.supply.id) && places.has(p.to);
};

/** One move as a command: things live where they were carried to; in the tray they have no home. */
export function moveCommandOf(now: Plan, move: Move, since: string): Command {
  const { supplyId, share, fromId, toId, count } = move;
  const from = Object.values(now.homes).find(
    (h) => h.supplyId === supplyId && h.share === share && h.placeId === fromId,
  );
  const home = from ? { homeId: from.id } : {};
  if (toId === null) return { type: 'leaveHome', supplyId, share, ...home };
  const part = count !== null && (from?.count === undefined || from.count === null || count < from.count);
  return { type: 'assignHome', supplyId, share, placeId: toId, since, ...home, ...(part ? { count } : {}) };
}

/** What a tick gathers: commands, and the plan as it is after each. */
class Ticking {
  readonly commands: Command[] = [];
  reason: string | null = null;
  constructor(public plan: Plan) {}
  run(command: Command): void {
    if (this.reason !== null) return;
    const ran = apply(this.plan, command);
    if (!ran.ok) this.reason = ran.reason;
    else {
      this.plan = ran.plan;
      this.commands.push(command);
    }
  }
}

/**
 * What ticking a job does to the plan, so that it is true: what the job is about becomes as it is in the plan that is wanted, nothing else. Jobs that change
 * nothing that is written down (buying furniture, deciding, those of one’s own) only are done.
 * @returns one command with one undo; or why it cannot be
 */
export function tickJob(
  now: Plan,
  then: Plan | null,
  job: Job,
  day: string,
  spent: number,
): { ok: true; command: Command } | { ok: false; reason: string } {
  const t = new Ticking(now);
  const set = (): Command => ({ type: 'setJob', id: job.id, set: { state: 'done', doneOn: day, spent } });
  if (!changes(job)) return { ok: true, command: set() };
  if (!then)
    return {
      ok: false,
      reason: 'The plan that is wanted is not here any more. Strike the job, or bring that plan back.',
    };
  if (buysThings(job)) takeIn(t, then, job.about, day);
  if (job.kind === 'bring') for (const id of job.about) bringIn(t, then, id);
  if (job.kind === 'move') moveUnits(t, then, job);
  if (job.kind === 'setIn') for (const id of inwards(then, job.about)) setIn(t, then, id);
  if (job.kind === 'carry') carry(t, then, job, day);
  if (job.kind === 'takeAway')
    for (const id of job.about) {
      if (t.plan.units[id]) t.run({ type: 'removeUnit', id });
      else if (t.plan.places[id]) t.run({ type: 'takeOut', id });
    }
  if (job.kind === 'passOn')
    for (const supplyId of job.about)
      for (const home of Object.values(t.plan.homes).filter((h) => h.supplyId === supplyId))
        t.run({ type: 'leaveHome', supplyId, share: home.share, homeId: home.id });
  if (job.kind === 'notes' || job.kind === 'labels')
    for (const id of job.about) label(t, then, id, job.kind === 'notes' ? 'trial' : 'permanent', day);
  t.run(set());
  return t.reason === null
    ? { ok: true, command: asOne(job.name, t.commands) }
    : { ok: false, reason: `${job.name}: ${t.reason}` };
}

/** Whether a job changes what is written down of the room. */
export const changes = (job: Pick<Job, 'id' | 'kind'>): boolean =>
  buysThings(job) || !(['own', 'buy', 'sort', 'measure'] as readonly Job['kind'][]).includes(job.kind);

/** Things that were bought are there: with what uses them, in the places they are to live in as far as these stand. */
function takeIn(t: Ticking, then: Plan, ids: readonly string[], since: string): void {
  const supplies: Supply[] = ids.flatMap((id) => (t.plan.supplies[id] ? [] : (then.supplies[id] ?? [])));
  if (supplies.length === 0) return;
  t.run({ type: 'addSupplies', supplies });
  const own = new Set(supplies.map((s) => s.id));
  for (const use of Object.values(then.uses))
    if (own.has(use.supplyId) && t.plan.activities[use.activityId] && !t.plan.uses[use.id])
      t.run({ type: 'addUse', use });
  for (const { supplyId, share, placeId, count } of Object.values(then.homes))
    if (own.has(supplyId) && t.plan.places[placeId])
      t.run({ type: 'assignHome', supplyId, share, placeId, since, ...(count === null ? {} : { count }) });
}

function bringIn(t: Ticking, then: Plan, unitId: string): void {
  const unit = then.units[unitId];
  if (!unit || t.plan.units[unitId]) return;
  const known = (table: 'places' | 'zones' | 'openings' | 'units', id: string | null) =>
    id !== null && t.plan[table][id] ? id : null;
  t.run({
    type: 'placeUnit',
    unit: {
      ...unit,
      hostId: known('units', unit.hostId),
      doorId: known('openings', unit.doorId),
      keptInId: known('places', unit.keptInId),
      zoneId: known('zones', unit.zoneId),
    },
  });
  const boxes = Object.values(then.places).filter((p) => p.unitId === unitId && p.organiserId !== null);
  for (const id of inwards(
    then,
    boxes.map((p) => p.id),
  ))
    setIn(t, then, id);
  for (const place of Object.values(then.places))
    if (
      place.unitId === unitId &&
      t.plan.places[place.id] &&
      dividersOf(t.plan, place.id) !== dividersOf(then, place.id)
    )
      t.run({ type: 'divide', id: place.id, into: dividersOf(then, place.id) });
}

/** Containers and dividers, what holds others first. */
const inwards = (then: Plan, ids: readonly string[]): string[] =>
  ids
    .flatMap((id) => (then.places[id] ? [{ id, depth: placesDownTo(then, then.places[id]).length }] : []))
    .sort((a, b) => a.depth - b.depth)
    .map((p) => p.id);

function setIn(t: Ticking, then: Plan, id: string): void {
  const place = then.places[id]!;
  if (place.organiserId !== null && place.inId !== null) {
    const { inId, left, front, bottom, turned } = place;
    if (!t.plan.places[id]) {
      const organiser = then.organisers[place.organiserId];
      if (organiser && !t.plan.organisers[organiser.id]) t.run({ type: 'addOrganiser', organiser });
      t.run({
        type: 'standIn',
        id,
        organiserId: place.organiserId,
        name: place.name,
        inId,
        left,
        front,
        bottom,
        turned,
      });
    } else if (!sameRow(standOf(t.plan.places[id]), standOf(place)))
      t.run({ type: 'moveContainer', id, inId, left, front, bottom, turned });
  }
  const into = dividersOf(then, id);
  if (t.plan.places[id] && dividersOf(t.plan, id) !== into) t.run({ type: 'divide', id, into });
}

function moveUnits(t: Ticking, then: Plan, job: Job): void {
  for (const id of job.about) {
    const [unit, wanted] = [t.plan.units[id], then.units[id]];
    if (unit && wanted) {
      const set = Object.fromEntries(
        Object.entries(wanted).filter(
          ([k, v]) => k !== 'id' && k !== 'zoneId' && !sameRow({ v: unit[k as 'x'] }, { v }),
        ),
      );
      if (Object.keys(set).length > 0) t.run({ type: 'setUnit', id, set });
    }
    for (const seat of Object.values(then.stations)) {
      const now = t.plan.stations[seat.id];
      if (!now || (seat.unitId !== id && seat.id !== id) || sameRow(seatOf(now), seatOf(seat))) continue;
      const unitId = seat.unitId !== null && t.plan.units[seat.unitId] ? seat.unitId : null;
      t.run({ type: 'setStation', id: seat.id, set: { ...seatOf(seat), unitId } });
    }
  }
}

function carry(t: Ticking, then: Plan, job: Job, since: string): void {
  for (const id of job.about) {
    const [now, wanted] = [t.plan.supplies[id], then.supplies[id]];
    if (now && wanted && now.storage !== wanted.storage)
      t.run({ type: 'setSupply', id, set: { storage: wanted.storage } });
  }
  // what rests in a place of its own, and does not any more, lies with the rest
  for (const supplyId of job.about)
    if (homesOf(then, supplyId, 'working').length > 0 && homesOf(then, supplyId, 'resting').length === 0)
      for (const home of homesOf(t.plan, supplyId, 'resting'))
        t.run({ type: 'leaveHome', supplyId, share: 'resting', homeId: home.id });
  const own = ownPairs(job);
  for (const pair of pairsBetween(t.plan, then).filter(own)) {
    const { supply, share, from, to, count, whole } = pair;
    if (!t.plan.places[to]) {
      t.reason ??= `${supply.name} cannot be put into ${then.places[to]?.name ?? 'its place'}, which is not there yet.`;
      return;
    }
    const home = Object.values(t.plan.homes).find(
      (h) => h.supplyId === supply.id && h.share === share && h.placeId === from,
    );
    const part = !whole && (home === undefined || home.count === null || count < home.count);
    t.run({
      ...{ type: 'assignHome', supplyId: supply.id, share, placeId: to, since },
      ...(home ? { homeId: home.id } : {}),
      ...(part ? { count } : {}),
    });
  }
}

function label(t: Ticking, then: Plan, id: string, as: 'trial' | 'permanent', day: string): void {
  const [now, wanted] = [t.plan.places[id], then.places[id]];
  if (!now || now.label === 'learnt' || now.label === as) return;
  // a label for good is not made a note again, and only what was on trial is made for good
  if (as === 'trial' ? now.label === 'permanent' : now.label !== 'trial') return;
  const words = wanted && wanted.labelWords !== now.labelWords ? { labelWords: wanted.labelWords } : {};
  t.run({ type: 'setPlace', id, set: { label: as, labelSince: day, ...words } });
}
