import { asIn, tallyOf } from '../homes/index.ts';
import { apply, asOne, type Command, type Plan } from '../plan/index.ts';
import { Random } from '../slotting/index.ts';
import { wallFrames } from '../room/index.ts';
import { findingsOnlyIn, standingOf, sunGrid, type SunGrid } from './cost.ts';
import { piecesOf, type Pose } from './pieces.ts';
import { energyOf, NOT_WORTH, refine } from './refine.ts';
import { Search } from './search.ts';
import { movedBetween, type MovedThing, standAs } from './stand-as.ts';
import { type Pacing, type Pass, withHomes, type Worth, worthOf } from './worth.ts';

/** A good way to arrange a room, with what it gains and costs against the way it is, homes found before and after. */
export type Arrangement = {
  /** the room so arranged, with the homes found for it */
  plan: Plan;
  /** moves the furniture and gives everything these homes, as one change */
  command: Command;
  score: Worth;
  /** seconds a year less than today with its homes found */
  saves: number;
  moved: MovedThing[];
  /** findings that go, and that come, in words */
  gone: string[];
  come: string[];
};

export type Arranging = Pacing & {
  seed?: number;
  /** quick searches for somewhere to begin */
  searches?: number;
  /** changes priced exactly in all */
  steps?: number;
  onProgress?: (share: number, best: readonly Arrangement[]) => void;
};

export type Arranged = { ok: true; now: Worth; offers: Arrangement[]; tried: number } | { ok: false; reason: string };

/** Three are offered. */
const OFFERS = 3;
/** Two arrangements differ when so many pieces of furniture stand otherwise, by more than this many mm or turned (own assumption). */
const DIFFERENT = 3;
const OTHERWISE = 400;
/** A quick search first mends what is broken: changes tried, from one temperature to another, mm. */
const MEND = { changes: 3000, hot: 100, cold: 2 };
/** Then it looks for what costs less: changes tried, temperatures of its annealing, s a year, by how much rules may still be broken by what it finds, mm, and how often it looks up. */
const QUICK = 4_000;
const HOT = 2000;
const COLD = 50;
const NEARLY = 60;
const BLOCK = 400;
/** So many beginnings are refined for this part of a whole search, the best of them to the end. */
const RUNNERS = 3;
const HEAT = 1 / 3;
/** How the work is shared among quick searches, the first part of refining, and the rest. */
const SHARES = [0.3, 0.35, 0.35] as const;
/** Finding homes for the room as it is, and for a beginning. */
const FOR_NOW: readonly Pass[] = [
  { work: 150_000, polish: false },
  { work: 100_000, polish: true },
];
const FOR_START: readonly Pass[] = [{ work: 60_000, polish: true }];
/** Less than this a year is nothing saved, s (own assumption: ten minutes). */
const NOTHING = 600;

/**
 * Arrange for me: keeps what is pinned and offers up to three different good arrangements that break no hard rule, best first. It begins with the room as it is and
 * with what a few quick searches find, each with homes found for it; the best of these are refined change by change (see {@link refine}), and the best of those to
 * the end. What saves nothing against the room as it is with its homes found and mends nothing is not offered. Same seed, searches and steps, same offers.
 */
export async function arrangeRoom(plan: Plan, options: Arranging = {}): Promise<Arranged> {
  const { seed = 1, searches = 6, steps = 500 } = options;
  const outline = wallFrames(plan).map((f) => f.a);
  if (outline.length === 0) return { ok: false, reason: 'The walls do not close yet: measure the room first.' };
  if (!piecesOf(plan).some((p) => p.movable))
    return { ok: false, reason: 'Everything is pinned: there is nothing to arrange.' };
  const sun = sunGrid(plan, outline);
  const now = await withHomes(plan, sun, FOR_NOW, options);
  const found: Worth[] = [];
  const known = new Map<Worth, Arrangement>();
  const offers = () =>
    unlike(
      plan,
      found.filter((worth) => isOffer(worth, now)),
      now,
    ).flatMap((worth) => {
      const offer = known.get(worth) ?? offerOf(plan, now, worth, sun, options.since);
      known.set(worth, offer);
      // rounded to what is entered it is counted once more
      return isOffer(offer.score, now) ? [offer] : [];
    });
  let best: Arrangement[] = [];
  let tried = 0;
  const note = (worth: Worth) => {
    found.push(worth);
    if (isOffer(worth, now)) best = offers();
  };
  const cheapest = (worths: readonly Worth[]) => [...worths].sort((a, b) => energyOf(a, now) - energyOf(b, now));
  const over = options.cancelled ?? (() => false);
  const starts = [now];
  for (let k = 0; k < searches && !over(); k++) {
    const start = await quickStart(now, sun, new Random(seed * 101 + k), options);
    if (start) starts.push(start);
    options.onProgress?.((SHARES[0] * (k + 1)) / searches, best);
  }
  const runners = cheapest(starts).slice(0, RUNNERS);
  const refined = (start: Worth, n: number, part: readonly [number, number], at: number, to: number) =>
    refine(start, now, sun, new Random(seed * 101 + 50 + Math.round(100 * at)), {
      ...{ ...options, steps: n, part, onFound: note },
      onShare: (done) => options.onProgress?.(at + ((to - at) * (done - part[0])) / (part[1] - part[0]), best),
    });
  const ahead: Worth[] = [];
  const each = Math.ceil((steps * HEAT) / runners.length);
  const [, racing] = SHARES;
  for (const [k, start] of runners.entries()) {
    if (over()) break;
    const at = SHARES[0] + (k * racing) / runners.length;
    ahead.push(await refined(start, each, [0, HEAT], at, at + racing / runners.length));
    tried += each;
  }
  const [first] = cheapest(ahead);
  if (first && !over()) {
    await refined(first, steps - tried, [HEAT, 1], SHARES[0] + racing, 1);
    tried = steps;
  }
  options.onProgress?.(1, best);
  return { ok: true, now, offers: best, tried };
}

/** Breaks no hard rule, leaves nothing more without a home, and saves something, or mends something and costs nothing. */
function isOffer(score: Worth, now: Worth): boolean {
  if (score.standing.broken.length > 0 || score.tally.without.length > now.tally.without.length) return false;
  const mends =
    findingsOnlyIn(now.standing, score.standing).length > findingsOnlyIn(score.standing, now.standing).length;
  return score.total <= now.total - NOTHING || (score.total <= now.total && mends);
}

/** The best few, no two of them alike; what brings findings comes after what brings none and saves about as much. */
function unlike(plan: Plan, found: readonly Worth[], now: Worth): Worth[] {
  // in a room of few pieces one that stands elsewhere is difference enough
  const enough = Math.max(1, Math.min(DIFFERENT, Math.floor(piecesOf(plan).filter((p) => p.movable).length / 3)));
  const differs = (a: Plan, b: Plan) =>
    movedBetween(a, b, OTHERWISE).filter((m) => a.units[m.unitId ?? '']?.hostId === null).length >= enough;
  // of two that cost about the same the one with less to carry
  const price = (w: Worth) => energyOf(w, now) + NOT_WORTH * movedBetween(plan, w.plan).length;
  const prices = new Map(found.map((w) => [w, price(w)]));
  const chosen: Worth[] = [];
  for (const one of [...found].sort((a, b) => prices.get(a)! - prices.get(b)!))
    if (chosen.length < OFFERS && chosen.every((c) => differs(c.plan, one.plan))) chosen.push(one);
  return chosen;
}

function offerOf(plan: Plan, now: Worth, found: Worth, sun: SunGrid, since = '2000-01-01'): Arrangement {
  const moves = standAs(plan, found.plan);
  const moved = applied(plan, moves);
  const command = asOne('arrange the room', [...moves, ...asIn(moved, found.plan, since)]);
  const then = applied(plan, [command]);
  const score = worthOf(then, tallyOf(then), standingOf(then, sun));
  return {
    ...{ plan: then, command, score, saves: now.total - score.total, moved: movedBetween(plan, then) },
    gone: findingsOnlyIn(now.standing, score.standing),
    come: findingsOnlyIn(score.standing, now.standing),
  };
}

function applied(plan: Plan, commands: readonly Command[]): Plan {
  let now = plan;
  for (const command of commands) {
    const done = apply(now, command);
    if (!done.ok) throw new Error(done.reason);
    now = done.plan;
  }
  return now;
}

/** An arrangement that breaks hardly any rule, looked for quickly from the one there is, with homes found for it; null when none was found. */
async function quickStart(now: Worth, sun: SunGrid, random: Random, pacing: Pacing): Promise<Worth | null> {
  const search = new Search(now.plan, sun, random);
  await pacing.breathe?.();
  if (search.mend(MEND.changes, MEND.hot, MEND.cold) > NEARLY) return null;
  let best: { energy: number; poses: Pose[] } = { energy: search.energy, poses: [...search.poses] };
  for (let step = 0; step < QUICK; step++) {
    const share = step / QUICK;
    const stays = search.tryPoses(search.draw(1 - share), HOT * (COLD / HOT) ** share);
    if (stays && search.energy < best.energy && search.broken() < NEARLY)
      best = { energy: search.energy, poses: [...search.poses] };
    if (step % BLOCK !== 0) continue;
    await pacing.breathe?.();
    if (pacing.cancelled?.()) return null;
  }
  const command = search.command(best.poses);
  const done = command ? apply(now.plan, command) : null;
  return done?.ok ? withHomes(done.plan, sun, FOR_START, pacing) : null;
}

/** The best of many random arrangements by the same measure, rules broken counted in: what searching is worth. For tests and bench. */
export function bestAtRandom(plan: Plan, count: number, seed: number): { energy: number; broken: number } {
  const sun = sunGrid(
    plan,
    wallFrames(plan).map((f) => f.a),
  );
  const search = new Search(plan, sun, new Random(seed));
  let best = { energy: Infinity, broken: Infinity };
  for (let i = 0; i < count; i++) {
    search.scatter();
    if (search.energy < best.energy) best = { energy: search.energy, broken: search.broken() };
  }
  return best;
}

/** The quick search’s own measure of a plan as it stands. */
export function quickMeasureOf(plan: Plan): { energy: number; broken: number } {
  const sun = sunGrid(
    plan,
    wallFrames(plan).map((f) => f.a),
  );
  const search = new Search(plan, sun, new Random(1));
  return { energy: search.energy, broken: search.broken() };
}
