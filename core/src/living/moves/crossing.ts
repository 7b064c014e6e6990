import {
  type Contents,
  contentsOf,
  holderOf,
  standingMass,
  pieceOf,
  stow,
  type Thing,
} from '../../things/fit/index.ts';
import {
  amountOf,
  countIn,
  homesOf,
  type Move,
  type Plan,
  type Share,
  SHARES,
  type Supply,
} from '../../record/plan/index.ts';
import { PACE, reachB, moveB, sceneOf, SECONDS_PER_TMU, TMU } from '../../space/reach/index.ts';
import { type Job, orderJobs } from './order.ts';

/** A tray one carries things on from place to place, l and g (own assumptions). */
export const TRAY = { litres: 18, mass: 8000 } as const;
/** Ways round the furniture are so much longer than straight ones (own assumption). */
export const ROUNDABOUT = 1.25;
/** One hand takes so much at once, l (own assumption). */
export const HANDFUL = 1.5;
/** How far a hand goes into a place and out of it, mm (own assumption). */
const INTO = 400;

/** The way from today’s homes to others, step by step. */
export type Crossing = {
  moves: Move[];
  /** of the whole, s */
  seconds: number;
  /** how often something is lifted into the tray */
  inTray: number;
  /** what is carried, whole: what each step carries a part of the way, by its number in `pairs` */
  pairs: readonly Pair[];
  steps: readonly number[];
  /** pairs that must have left a place before another comes into it: the one that leaves, the one that comes */
  waits: readonly (readonly [number, number])[];
  /** things that cannot be moved because the tray is too small for what must wait in it */
  stuck: { supply: Supply; share: Share }[];
};

/** So many of a share that change places. */
export type Pair = { supply: Supply; share: Share; from: string | null; to: string; count: number; whole: boolean };

/** What must be carried so that a plan’s homes are those of another one. */
export function pairsBetween(now: Plan, then: Plan): Pair[] {
  const pairs: Pair[] = [];
  for (const own of Object.values(now.supplies)) {
    // as it will be kept
    const supply = then.supplies[own.id] ?? own;
    for (const share of SHARES) {
      const held = (plan: Plan) =>
        new Map(
          homesOf(plan, supply.id, share).map((h) => [h.placeId, countIn(plan, h, plan.supplies[supply.id] ?? supply)]),
        );
      const [before, after] = [held(now), held(then)];
      const leaving = [...before].flatMap(([place, n]) => {
        const over = n - (after.get(place) ?? 0);
        return over > 0 ? [{ place: place as string | null, n: over }] : [];
      });
      const homed = [...before.values()].reduce((a, b) => a + b, 0);
      if (amountOf(supply, share) > homed) leaving.push({ place: null, n: amountOf(supply, share) - homed });
      for (const [to, n] of after) {
        let wanted = n - (before.get(to) ?? 0);
        while (wanted > 0 && leaving.length > 0) {
          const from = leaving[0]!;
          const count = Math.min(wanted, from.n);
          const whole = before.size <= 1 && after.size === 1 && count === amountOf(supply, share);
          pairs.push({ supply, share, from: from.place, to, count, whole });
          wanted -= count;
          from.n -= count;
          if (from.n === 0) leaving.shift();
        }
      }
    }
  }
  return pairs;
}

/** Beside the way and the hands every move takes so long, s: reading it, opening and shutting, making room, ticking it off (own assumption). */
const SETTLING = 40;

/**
 * The order of moves from a plan’s homes to those of another: no place ever holds more than it can (or more than it does today), rings broken through
 * a tray as seldom as possible, near things one after the other. Each place is laid for real at every step.
 * @param only which of what changes places is carried now
 */
export function crossingTo(
  now: Plan,
  then: Plan,
  makeId: (n: number) => string,
  tray = TRAY,
  only: (pair: Pair) => boolean = () => true,
): Crossing {
  const pairs = pairsBetween(now, then).filter(only);
  const jobs = pairs.map(({ supply, from, to, count }): Job => ({
    from,
    to,
    size: Math.max(litresOf(supply, count) / tray.litres, (supply.mass * count) / tray.mass),
  }));
  const scene = sceneOf(now);
  const at = (place: string | null) => (place === null ? undefined : scene.spots.get(place)?.grip);
  const far = (a: string | null, b: string | null) => {
    const [p, q] = [at(a), at(b)];
    return p && q ? Math.hypot(p.x - q.x, p.y - q.y) : 0;
  };
  const takes = layingOf(now, pairs);
  const { steps, stuck } = orderJobs(jobs, {
    tray: 1,
    takes,
    way: (after, job) => (after === null ? 0 : far(pairs[after]!.to, pairs[job]!.from ?? pairs[job]!.to)),
  });
  let seconds = 0;
  let where: string | null = null;
  const moves = steps.map(({ job, into, outOf }, seq): Move => {
    const { supply, share, from, to, count, whole } = pairs[job]!;
    const [a, b] = [outOf === 'tray' ? null : from, into === 'tray' ? null : to];
    const walked = far(where, a) + far(a, b);
    const hands = Math.max(1, Math.ceil(litresOf(supply, count) / HANDFUL));
    const tmu =
      ((walked * ROUNDABOUT) / PACE) * TMU.paceLaden +
      hands * (2 * (reachB(INTO) + moveB(INTO)) + TMU.graspClear + TMU.positionLoose + 2 * TMU.release);
    const step = Math.round((tmu * SECONDS_PER_TMU + SETTLING) * 10) / 10;
    seconds += step;
    where = b ?? a ?? where;
    return {
      id: makeId(seq),
      seq,
      supplyId: supply.id,
      share,
      count: whole ? null : count,
      fromId: a,
      toId: b,
      seconds: step,
      doneOn: null,
    };
  });
  return {
    moves,
    seconds,
    pairs,
    steps: steps.map((s) => s.job),
    waits: waitsOf(
      pairs,
      steps.map((s) => s.job),
      takes,
    ),
    inTray: steps.filter((s) => s.into === 'tray').length,
    stuck: stuck.map((job) => ({ supply: pairs[job]!.supply, share: pairs[job]!.share })),
  };
}

/** Who must have left a place before who comes into it, as far as they are ordered so; a place that takes all beside what is there keeps nobody waiting. */
function waitsOf(
  pairs: readonly Pair[],
  steps: readonly number[],
  takes: ReturnType<typeof layingOf>,
): (readonly [number, number])[] {
  const turn = new Map(steps.map((job, i) => [job, i]));
  const waits: [number, number][] = [];
  for (const place of new Set(pairs.map((p) => p.to))) {
    const coming = pairs.flatMap((p, i) => (p.to === place ? [i] : []));
    const come = new Set<number>();
    const allGo = coming.every((job) => {
      const goes = takes(place, new Set(), come, job);
      come.add(job);
      return goes;
    });
    if (allGo) continue;
    for (const [i, { from }] of pairs.entries())
      if (from === place)
        for (const job of coming) if ((turn.get(i) ?? Infinity) < (turn.get(job) ?? -1)) waits.push([i, job]);
  }
  return waits;
}

/** What so many pieces of a thing take up, l; nothing where it is not measured. */
export function litresOf(supply: Supply, count: number): number {
  const piece = pieceOf(supply);
  return piece ? (piece.width * piece.depth * piece.height * count) / 1e6 : 0;
}

/** Whether a place takes a job beside what is there then, laid for real; a place that is over-full today may stay as full, not become fuller. */
function layingOf(plan: Plan, pairs: readonly Pair[]) {
  const fixed = new Map<string, Contents>();
  const known = new Map<string, boolean>();
  const leaving = new Map<string, number[]>();
  const coming = new Map<string, number[]>();
  for (const [i, { from, to }] of pairs.entries()) {
    if (from !== null) leaving.set(from, [...(leaving.get(from) ?? []), i]);
    coming.set(to, [...(coming.get(to) ?? []), i]);
  }
  const thingsIn = (place: string, gone: ReadonlySet<number>, come: readonly number[]): Thing[] => {
    let base = fixed.get(place);
    if (!base) fixed.set(place, (base = contentsOf(plan, place)));
    const less = new Map<string, number>();
    for (const job of leaving.get(place) ?? []) {
      if (!gone.has(job)) continue;
      const { supply, share, count } = pairs[job]!;
      less.set(`${share} ${supply.id}`, (less.get(`${share} ${supply.id}`) ?? 0) + count);
    }
    const things = base.things.flatMap((t) => {
      const home = plan.homes[t.id]!;
      const count = t.count - (less.get(`${home.share} ${home.supplyId}`) ?? 0);
      return count > 0 ? [{ ...t, count }] : [];
    });
    return [
      ...things,
      ...come.map((job) => ({ id: `job ${job}`, supply: pairs[job]!.supply, count: pairs[job]!.count })),
    ];
  };
  return (place: string, gone: ReadonlySet<number>, come: ReadonlySet<number>, job: number): boolean => {
    const left = (leaving.get(place) ?? []).filter((j) => gone.has(j));
    const there = (coming.get(place) ?? []).filter((j) => come.has(j) && j !== job);
    const key = `${place}|${left.join()}|${there.join()}|${job}`;
    let ok = known.get(key);
    if (ok === undefined) known.set(key, (ok = goes(place, new Set(left), there, job)));
    return ok;
  };

  function goes(place: string, left: ReadonlySet<number>, there: readonly number[], job: number): boolean {
    const row = plan.places[place]!;
    const base = contentsOf(plan, place);
    const things = thingsIn(place, left, [...there, job]);
    const over = stow(holderOf(row), { ...base, things }).things.reduce((sum, t) => sum + t.over, 0);
    const mass = (list: readonly Thing[]) => list.reduce((sum, t) => sum + t.count * t.supply.mass, 0);
    const own = standingMass(plan, row);
    if (over === 0 && own + mass(things) <= row.load + 1e-6) return true;
    // as full as it is, not fuller
    const before = thingsIn(place, left, there);
    const was = stow(holderOf(row), { ...base, things: before }).things.reduce((sum, t) => sum + t.over, 0);
    const worse = over > was || (own + mass(things) > row.load + 1e-6 && mass(things) > mass(base.things) + 1e-6);
    return !worse;
  }
}
