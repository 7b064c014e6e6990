import { apply, type Command, type Plan } from '../plan/index.ts';
import { Random } from '../slotting/index.ts';
import { wallFrames } from '../room/index.ts';
import { type Score, scoreOf, type SunGrid, sunGrid } from './cost.ts';
import { piecesOf, type Pose } from './pieces.ts';
import { Search } from './search.ts';

/** A good way to arrange a room, with what it gains and costs against the way it is. */
export type Arrangement = {
  plan: Plan;
  command: Command;
  score: Score;
  /** seconds a year less than today; negative: more */
  saves: number;
  moved: { unitId: string; name: string; by: number; turned: boolean }[];
  /** findings that go, and that come, in words */
  gone: string[];
  come: string[];
};

export type Arranging = {
  seed?: number;
  /** changes tried in each of the searches */
  steps?: number;
  /** at most so many searches; fewer when three offers are found early */
  searches?: number;
  onProgress?: (share: number, best: readonly Arrangement[]) => void;
  cancelled?: () => boolean;
  breathe?: () => Promise<void>;
};

export type Arranged = { ok: true; now: Score; offers: Arrangement[]; tried: number } | { ok: false; reason: string };

/** Three are offered. */
const OFFERS = 3;
/** Two arrangements differ when so many units stand otherwise, by more than this many mm or turned (own assumption). */
const DIFFERENT = 3;
const OTHERWISE = 400;
/** Temperatures of the annealing, seconds a year. */
const HOT = 30_000;
const COLD = 100;
const BLOCK = 400;
/** After so many searches three offers are enough. */
const ENOUGH = 5;
/** How many of a search’s last states are looked at exactly. */
const EXACT = 14;

/**
 * Arrange for me: keeps what is pinned and offers up to three different good arrangements that break no hard rule, best first. Simulated
 * annealing over where each piece stands, with rough seconds; then every candidate is worked out exactly and checked by all findings.
 * Same seed and steps, same offers.
 */
export async function arrangeRoom(plan: Plan, options: Arranging = {}): Promise<Arranged> {
  const { seed = 1, steps = 40_000, searches = 12 } = options;
  const outline = wallFrames(plan).map((f) => f.a);
  if (outline.length === 0) return { ok: false, reason: 'The walls do not close yet: measure the room first.' };
  const sun = sunGrid(plan, outline);
  const now = scoreOf(plan, sun);
  const found: { plan: Plan; command: Command; score: Score }[] = [];
  let offers: Arrangement[] = [];
  let tried = 0;
  for (let k = 0; k < searches; k++) {
    const search = new Search(plan, sun, new Random(seed * 101 + k));
    if (search.movable.length === 0) return { ok: false, reason: 'Everything is pinned: there is nothing to arrange.' };
    if (k > 0) search.scatter();
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
    const best = [...candidates.values()].sort((a, b) => a.energy - b.energy).slice(0, EXACT);
    for (const { poses } of best) {
      const exact = exactly(plan, search, poses, sun);
      if (exact && isOffer(exact.score, now)) found.push(exact);
      await options.breathe?.();
      if (options.cancelled?.()) break;
    }
    offers = offersOf(plan, now, found);
    if (k + 1 >= ENOUGH && offers.length === OFFERS) break;
  }
  options.onProgress?.(1, offers);
  return { ok: true, now, offers, tried };
}

/** Breaks no hard rule, and puts nothing out of reach that was within it. */
const isOffer = (score: Score, now: Score): boolean =>
  score.broken.length === 0 && score.outOfReach.every((id) => now.outOfReach.includes(id));

function exactly(plan: Plan, search: Search, poses: readonly Pose[], sun: SunGrid) {
  const command = search.command(poses);
  const done = command ? apply(plan, command) : null;
  return command && done?.ok ? { plan: done.plan, command, score: scoreOf(done.plan, sun) } : null;
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

function offersOf(
  plan: Plan,
  now: Score,
  found: readonly { plan: Plan; command: Command; score: Score }[],
): Arrangement[] {
  const chosen: (typeof found)[number][] = [];
  // in a room of few pieces one that stands elsewhere is difference enough
  const enough = Math.max(1, Math.min(DIFFERENT, Math.floor(piecesOf(plan).filter((p) => p.movable).length / 3)));
  for (const one of [...found].sort((a, b) => a.score.total - b.score.total))
    if (chosen.length < OFFERS && chosen.every((c) => differing(c.plan, one.plan) >= enough)) chosen.push(one);
  return chosen.map((one) => ({
    ...one,
    saves: now.total - one.score.total,
    moved: Object.values(plan.units).flatMap((u) => {
      const v = one.plan.units[u.id]!;
      // what stands on another goes with it
      if (u.hostId !== null || u.mount === 'away') return [];
      const by = Math.hypot(u.x - v.x, u.y - v.y);
      const turned = u.facing !== v.facing;
      return by >= 1 || turned ? [{ unitId: u.id, name: u.name, by, turned }] : [];
    }),
    gone: words(now, one.score),
    come: words(one.score, now),
  }));
}

/** Findings of one that the other has not. */
function words(has: Score, hasNot: Score): string[] {
  const keys = new Set(hasNot.findings.map((f) => f.key));
  return has.findings.filter((f) => !keys.has(f.key)).map((f) => f.words);
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
