import { asIn } from '../homes/index.ts';
import { apply, asOne, type Command, type Plan } from '../plan/index.ts';
import { Random } from '../slotting/index.ts';
import { wallFrames } from '../room/index.ts';
import { findingsOnlyIn, standingOf, sunGrid } from './cost.ts';
import { piecesOf, type Pose } from './pieces.ts';
import { Search } from './search.ts';
import { type Pacing, type Pass, withHomes, type Worth } from './worth.ts';

/** A good way to arrange a room, with what it gains and costs against the way it is, homes found before and after. */
export type Arrangement = {
  /** the room so arranged, with the homes found for it */
  plan: Plan;
  /** moves the furniture and gives everything these homes, as one change */
  command: Command;
  score: Worth;
  /** seconds a year less than today with its homes found */
  saves: number;
  moved: { unitId: string; name: string; by: number; turned: boolean }[];
  /** findings that go, and that come, in words */
  gone: string[];
  come: string[];
};

export type Arranging = Pacing & {
  seed?: number;
  /** changes tried in each of the searches */
  steps?: number;
  /** so many searches */
  searches?: number;
  onProgress?: (share: number, best: readonly Arrangement[]) => void;
};

export type Arranged = { ok: true; now: Worth; offers: Arrangement[]; tried: number } | { ok: false; reason: string };

/** Three are offered. */
const OFFERS = 3;
/** Two arrangements differ when so many units stand otherwise, by more than this many mm or turned (own assumption). */
const DIFFERENT = 3;
const OTHERWISE = 400;
/** Temperatures of the annealing, seconds a year. */
const HOT = 6000;
const COLD = 50;
const BLOCK = 400;
/** So many of each search’s best states are given homes and worked out exactly; so many are looked at for that, some break a rule after all. */
const EXACT = 2;
const LOOKED = 8;
/** Two states of a search are alike when everything stands within this, mm. */
const ALIKE = 300;
/** Finding homes for the room as it is, and for each candidate. */
const FOR_NOW: readonly Pass[] = [false, true, true].map((polish) => ({ work: 300_000, polish }));
const FOR_EACH: readonly Pass[] = [true, false].map((polish) => ({ work: 100_000, polish }));
/** Less than this a year is nothing saved, s (own assumption: ten minutes). */
const NOTHING = 600;

/**
 * Arrange for me: keeps what is pinned and offers up to three different good arrangements that break no hard rule, best first. Simulated
 * annealing over where each piece stands, with rough seconds of quick new homes; then the best candidates are given real homes and checked by all
 * findings. The room as it is has its homes found too: what saves nothing against that and mends nothing is not offered. Same seed and steps, same offers.
 */
export async function arrangeRoom(plan: Plan, options: Arranging = {}): Promise<Arranged> {
  const { seed = 1, steps = 16_000, searches = 6 } = options;
  const outline = wallFrames(plan).map((f) => f.a);
  if (outline.length === 0) return { ok: false, reason: 'The walls do not close yet: measure the room first.' };
  if (!piecesOf(plan).some((p) => p.movable))
    return { ok: false, reason: 'Everything is pinned: there is nothing to arrange.' };
  const sun = sunGrid(plan, outline);
  const now = await withHomes(plan, sun, FOR_NOW, options);
  const found: Candidate[] = [];
  let offers: Arrangement[] = [];
  let tried = 0;
  for (let k = 0; k < searches; k++) {
    const search = new Search(now.plan, sun, new Random(seed * 101 + k));
    // some begin with the room as it is, the others anywhere
    if (k % 2 === 1) search.scatter();
    const candidates = new Map<string, { energy: number; poses: Pose[] }>();
    const note = () => {
      if (search.broken() > 0.5) return;
      const key = search.poses
        .map((p) => `${Math.round(p.x / 150)},${Math.round(p.y / 150)},${Math.round(p.facing)}`)
        .join(';');
      const known = candidates.get(key);
      if (known && known.energy <= search.energy) return;
      candidates.set(key, { energy: search.energy, poses: [...search.poses] });
    };
    for (let step = 0; step < steps; step++) {
      const share = step / steps;
      const temperature = HOT * (COLD / HOT) ** share;
      if (search.tryPoses(search.draw(1 - share), temperature) && share > 0.3) note();
      tried++;
      if (step % BLOCK === 0) {
        options.onProgress?.((k + share) / searches, offers);
        await options.breathe?.();
        if (options.cancelled?.()) return { ok: true, now, offers, tried };
      }
    }
    const best = unlike([...candidates.values()].sort((a, b) => a.energy - b.energy));
    let exact = 0;
    for (const { poses } of best) {
      if (exact >= EXACT || options.cancelled?.()) break;
      const command = search.command(poses);
      const done = command ? apply(now.plan, command) : null;
      if (!command || !done?.ok || standingOf(done.plan, sun).broken.length > 0) continue;
      exact++;
      const score = await withHomes(done.plan, sun, FOR_EACH, options);
      if (isOffer(score, now)) found.push({ command, score });
      await options.breathe?.();
    }
    offers = offersOf(plan, now, found, options.since);
  }
  options.onProgress?.(1, offers);
  return { ok: true, now, offers, tried };
}

/** The best of some states, no two of them alike. */
function unlike<T extends { poses: readonly Pose[] }>(states: readonly T[]): T[] {
  const out: T[] = [];
  const alike = (a: T, b: T) =>
    a.poses.every(
      (p, i) => Math.hypot(p.x - b.poses[i]!.x, p.y - b.poses[i]!.y) < ALIKE && p.facing === b.poses[i]!.facing,
    );
  for (const state of states) {
    if (out.length === LOOKED) break;
    if (!out.some((o) => alike(o, state))) out.push(state);
  }
  return out;
}

type Candidate = { command: Command; score: Worth };

/** Breaks no hard rule, leaves nothing more without a home, and saves something, or mends something and costs nothing. */
function isOffer(score: Worth, now: Worth): boolean {
  if (score.standing.broken.length > 0 || score.tally.without.length > now.tally.without.length) return false;
  const mends =
    findingsOnlyIn(now.standing, score.standing).length > findingsOnlyIn(score.standing, now.standing).length;
  return score.total <= now.total - NOTHING || (score.total <= now.total && mends);
}

function differing(a: Plan, b: Plan): number {
  let count = 0;
  for (const u of Object.values(a.units)) {
    const v = b.units[u.id];
    if (!v || u.hostId !== null) continue;
    const turned = Math.abs(((((u.facing - v.facing) % 360) + 540) % 360) - 180) > 20;
    if (turned || Math.hypot(u.x - v.x, u.y - v.y) > OTHERWISE) count++;
  }
  return count;
}

function offersOf(plan: Plan, now: Worth, found: readonly Candidate[], since = '2000-01-01'): Arrangement[] {
  const chosen: Candidate[] = [];
  // in a room of few pieces one that stands elsewhere is difference enough
  const enough = Math.max(1, Math.min(DIFFERENT, Math.floor(piecesOf(plan).filter((p) => p.movable).length / 3)));
  for (const one of [...found].sort((a, b) => a.score.total - b.score.total))
    if (chosen.length < OFFERS && chosen.every((c) => differing(c.score.plan, one.score.plan) >= enough))
      chosen.push(one);
  return chosen.flatMap(({ command, score }) => {
    const moved = apply(plan, command);
    if (!moved.ok) return [];
    return {
      plan: score.plan,
      command: asOne('arrange the room', [command, ...asIn(moved.plan, score.plan, since)]),
      score,
      saves: now.total - score.total,
      moved: Object.values(plan.units).flatMap((u) => {
        const v = score.plan.units[u.id]!;
        // what stands on another goes with it
        if (u.hostId !== null || u.mount === 'away') return [];
        const by = Math.hypot(u.x - v.x, u.y - v.y);
        const turned = u.facing !== v.facing;
        return by >= 1 || turned ? [{ unitId: u.id, name: u.name, by, turned }] : [];
      }),
      gone: findingsOnlyIn(now.standing, score.standing),
      come: findingsOnlyIn(score.standing, now.standing),
    };
  });
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

/** The search’s own measure of a plan as it stands. */
export function energyOf(plan: Plan): { energy: number; broken: number } {
  const sun = sunGrid(
    plan,
    wallFrames(plan).map((f) => f.a),
  );
  const search = new Search(plan, sun, new Random(1));
  return { energy: search.energy, broken: search.broken() };
}
