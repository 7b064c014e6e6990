import { asIn, tallyOf } from '../../living/homes/index.ts';
import { apply, asOne, type Command, homesIn, type Place, type Plan } from '../../record/plan/index.ts';
import { Random } from '../../living/slotting/index.ts';
import { wallFrames } from '../../space/room/index.ts';
import { findingsOnlyIn, standingOf, sunGrid, type SunGrid } from './cost.ts';
import { type Lane, laneHere, shared } from './lane.ts';
import { piecesOf } from './pieces.ts';
import { energyOf, NOT_WORTH } from './refine.ts';
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
  /** of these the seconds really spent */
  saved: number;
  moved: MovedThing[];
  /** findings that go, and that come, in words */
  gone: string[];
  come: string[];
};

export type Arranging = Pacing & {
  seed?: number;
  /** how often somewhere to begin is looked for */
  searches?: number;
  /** changes priced exactly in all */
  steps?: number;
  onProgress?: (share: number, best: readonly Arrangement[]) => void;
  /** who looks; one in this thread by default. The answer is the same whoever does. */
  lanes?: (now: Worth, sun: SunGrid) => readonly Lane[];
};

/** What came nearest to an offer where there is none: what it would save, s a year, and what stands in its way, in words. */
export type NearMiss = { plan: Plan; saves: number; why: string[] };

/** `stopped`: it was cancelled before its end; `miss` only where there is no offer */
export type Arranged =
  | { ok: true; now: Worth; offers: Arrangement[]; miss: NearMiss | null; tried: number; stopped: boolean }
  | { ok: false; reason: string };

/** Three are offered. */
const OFFERS = 3;
/** Two arrangements differ when so many pieces of furniture stand otherwise, by more than this many mm or turned (own assumption). */
const DIFFERENT = 3;
const OTHERWISE = 400;
/** The best beginnings are bettered a little, and the best of these thoroughly: how many, and with what share of all changes priced each. */
const ROUNDS = [
  { runners: 5, share: 0.1 },
  { runners: 2, share: 0.25 },
];
/** Beginnings looked for and changes priced, where nobody asks for more or fewer. */
export const SEARCHES = 16;
export const STEPS = 320;
/** What share of the whole looking for beginnings is. */
const BEGUN = 0.35;
/** Finding homes for the room as it is. */
const FOR_NOW: readonly Pass[] = [
  { work: 150_000, polish: false },
  { work: 100_000, polish: true },
];
/** Less than this a year is nothing saved, s (own assumption: ten minutes). */
const NOTHING = 600;

/**
 * Arrange for me: keeps what is pinned and offers up to three different good arrangements that break no hard rule, best first. It begins with the room as it is and
 * with what is put together at random (see `Fitting`), each with homes found for it; the best of these are bettered change by change (see `refine`), and the best of
 * those more thoroughly.
 * What saves nothing against the room as it is with its homes found and mends nothing is not offered. Same seed, searches and steps, same offers.
 */
export async function arrangeRoom(plan: Plan, options: Arranging = {}): Promise<Arranged> {
  const { seed = 1, searches = SEARCHES, steps = STEPS } = options;
  const outline = wallFrames(plan).map((f) => f.a);
  if (outline.length === 0) return { ok: false, reason: 'The walls do not close yet: measure the room first.' };
  if (!piecesOf(plan).some((p) => p.movable))
    return { ok: false, reason: 'Everything is pinned: there is nothing to arrange.' };
  const sun = sunGrid(plan, outline);
  const now = await withHomes(plan, sun, FOR_NOW, options);
  const lanes = options.lanes?.(now, sun) ?? [laneHere(now, sun, options)];
  const known = new Map<Worth, Arrangement>();
  const offers = (found: readonly Worth[]) =>
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
  const over = options.cancelled ?? (() => false);
  let looked = 0;
  const starts = await shared(
    lanes,
    Array.from({ length: searches }, (_, k) => seed * 101 + k),
    async (lane, from) => {
      const start = over() ? null : await lane.begin(from);
      options.onProgress?.((BEGUN * ++looked) / searches, best);
      return start;
    },
  );
  let runners = [now, ...starts.flatMap((start) => start ?? [])];
  /** by round and runner, so that who was quicker makes no difference */
  const found: Worth[][] = [];
  let tried = 0;
  let done = BEGUN;
  for (const [round, { runners: most, share }] of ROUNDS.entries()) {
    runners = runners.sort((a, b) => energyOf(a, now) - energyOf(b, now)).slice(0, most);
    const each = Math.ceil(steps * share);
    const shares = runners.map(() => 0);
    const came = runners.map((): Worth[] => []);
    found.push(...came);
    const part = (1 - BEGUN) / ROUNDS.length;
    runners = await shared(lanes, runners, async (lane, start, k) => {
      if (over()) return start;
      tried += each;
      return lane.better(
        start,
        { steps: each, tidy: round === ROUNDS.length - 1, seed: seed * 101 + 50 + 20 * round + k },
        (of) => {
          shares[k] = of;
          options.onProgress?.(done + (part * shares.reduce((a, b) => a + b, 0)) / shares.length, best);
        },
        (worth) => {
          came[k]!.push(worth);
          if (isOffer(worth, now)) best = offers(found.flat());
        },
      );
    });
    done += part;
  }
  best = offers(found.flat());
  options.onProgress?.(1, best);
  const miss = best.length > 0 ? null : nearMiss(plan, now, [...runners, ...found.flat()]);
  return { ok: true, now, offers: best, miss, tried, stopped: over() };
}

/** Of what was found and is no offer the one that is nearest to one: the cheapest, rules broken counted in; null where nothing stands otherwise. */
function nearMiss(plan: Plan, now: Worth, found: readonly Worth[]): NearMiss | null {
  const [nearest] = [...found]
    .sort((a, b) => energyOf(a, now) - energyOf(b, now))
    .filter((worth) => movedBetween(plan, worth.plan).length > 0);
  if (!nearest) return null;
  const saves = now.total - nearest.total;
  const more = nearest.tally.without.length - now.tally.without.length;
  const why = nearest.standing.broken.map((f) => f.words);
  if (more > 0)
    why.push(more === 1 ? 'One thing more would be without a home.' : `${more} things more would be without a home.`);
  if (why.length === 0) why.push('It would save less than ten minutes a year and mend nothing.');
  return { plan: nearest.plan, saves, why };
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
    movedBetween(a, b, OTHERWISE).filter(
      ({ unitId }) => unitId !== null && a.units[unitId]!.hostId === null && isUsed(a, b, unitId),
    ).length >= enough;
  // of two that cost about the same the one with less to carry
  const price = (w: Worth) => energyOf(w, now) + NOT_WORTH * movedBetween(plan, w.plan).length;
  const prices = new Map(found.map((w) => [w, price(w)]));
  const chosen: Worth[] = [];
  for (const one of [...found].sort((a, b) => prices.get(a)! - prices.get(b)!))
    if (chosen.length < OFFERS && chosen.every((c) => differs(c.plan, one.plan))) chosen.push(one);
  return chosen;
}

/** Whether a piece is worked at, or anything lives in it or on it, in one of two plans; what is not furniture to keep things in always is. */
function isUsed(a: Plan, b: Plan, unitId: string): boolean {
  return [a, b].some((plan) => {
    if (Object.values(plan.stations).some((s) => s.unitId === unitId)) return true;
    const within = (id: string): readonly Place[] => {
      const own = Object.values(plan.places).filter((p) => p.unitId === id);
      const boxes = Object.values(plan.units).filter((u) => own.some((p) => p.id === u.keptInId));
      return [...own, ...boxes.flatMap((box) => within(box.id))];
    };
    const places = within(unitId);
    return places.length === 0 || places.some((p) => homesIn(plan, p.id).length > 0);
  });
}

function offerOf(plan: Plan, now: Worth, found: Worth, sun: SunGrid, since = '2000-01-01'): Arrangement {
  const moves = standAs(plan, found.plan);
  const moved = applied(plan, moves);
  const command = asOne('arrange the room', [...moves, ...asIn(moved, found.plan, since)]);
  const then = applied(plan, [command]);
  const score = worthOf(then, tallyOf(then), standingOf(then, sun));
  return {
    ...{
      plan: then,
      command,
      score,
      saves: now.total - score.total,
      saved: now.spent - score.spent,
      moved: movedBetween(plan, then),
    },
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

/** The best of many random arrangements by the same measure, rules broken counted in: what searching is worth. For tests and bench. */
export function bestAtRandom(plan: Plan, count: number, seed: number): { energy: number; broken: number; plan: Plan } {
  const sun = sunGrid(
    plan,
    wallFrames(plan).map((f) => f.a),
  );
  const search = new Search(plan, sun, new Random(seed));
  let best: { energy: number; broken: number; command: Command | null } = {
    ...{ energy: Infinity, broken: Infinity, command: null },
  };
  for (let i = 0; i < count; i++) {
    search.scatter();
    if (search.energy < best.energy)
      best = { energy: search.energy, broken: search.broken(), command: search.command(search.poses) };
  }
  const { energy, broken, command } = best;
  return { energy, broken, plan: command ? applied(plan, [command]) : plan };
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
