import { asIn } from '../../living/homes/index.ts';
import { apply, asOne, type Command, type Plan } from '../../record/plan/index.ts';
import { snapUnit, wallFrames } from '../../space/room/index.ts';
import { Random } from '../../living/slotting/index.ts';
import { type Best, type FloorMap, floorGrid, type Pace } from '../stations/index.ts';
import { findingsOnlyIn, standingOf, sunGrid } from './cost.ts';
import { type Pose } from './pieces.ts';
import { Search } from './search.ts';
import { type Pacing, type Pass, withHomes } from './worth.ts';

/** A spot worked out with homes found for it, and the change that takes it, homes and all. */
export type Stood = Best & { saves: number; mends: string[]; command: Command };

/** As the map of a seat: its shades are quick figures with quick new homes, its best spots exact ones. `now` is exact too. */
export type StandMap = Omit<FloorMap, 'best'> & { best: Stood[] };

/** So many spots are looked at with all findings, so many with real homes, at most so many offered. */
const TRIED = 24;
const LOOKED = 6;
const BESTS = 3;
/** Spots this near each other and alike turned are one, mm (own assumption). */
const SAME = 400;
/** A millimetre of rounding breaks no rule. */
const SLACK = 0.5;
/** How often the search looks up, in cells. */
const BREATH = 12;
const FOR_NOW: readonly Pass[] = [false, true].map((polish) => ({ work: 200_000, polish }));
const FOR_EACH: readonly Pass[] = [true, false].map((polish) => ({ work: 100_000, polish }));

/**
 * Where should this unit stand? A quick yearly figure for each spot of the floor where it, with all on it and the seats at it, breaks no more rules than now, turned
 * the best way its walls ask for; then the best spots that make no new finding, with homes found for them against the room as it is with its homes found. None of
 * them costs more than that. Null while the walls do not close, for what is pinned, and for what goes with another unit.
 * @param step of the grid, mm
 */
export async function standMap(
  plan: Plan,
  unitId: string,
  step: number,
  pace: Pace & Pacing = {},
): Promise<StandMap | null> {
  const outline = wallFrames(plan).map((f) => f.a);
  if (outline.length === 0) return null;
  const sun = sunGrid(plan, outline);
  const search = new Search(plan, sun, new Random(1));
  const i = search.pieces.findIndex((p) => p.unit.id === unitId);
  const piece = search.pieces[i];
  if (!piece?.movable) return null;
  const { unit } = piece;
  const limit = search.broken() + SLACK;
  const now = await withHomes(plan, sun, FOR_NOW, pace);
  const map = floorGrid(outline, step);
  const facings = [...new Set(wallFrames(plan).map((f) => Math.round(f.facing)))];
  const list: (Pose & { energy: number })[] = [];
  for (let cell = 0; cell < map.seconds.length; cell++) {
    const spot = { x: map.x + (cell % map.columns) * step, y: map.y + Math.floor(cell / map.columns) * step };
    for (const facing of facings) {
      const { x, y, facing: turned } = snapUnit(plan, { ...unit, facing }, spot);
      const pose = { x, y, facing: turned };
      // what hangs slides to its wall from anywhere: only what is near is this spot
      if (Math.hypot(x - spot.x, y - spot.y) > step) continue;
      const { energy, broken } = search.with(i, pose);
      if (broken > limit) continue;
      if (!(map.seconds[cell]! <= energy)) map.seconds[cell] = energy;
      list.push({ ...pose, energy });
    }
    if (cell % BREATH === 0) {
      pace.onProgress?.((0.5 * cell) / map.seconds.length);
      await pace.breathe?.();
      if (pace.cancelled?.()) break;
    }
  }
  const like = (a: Pose, b: Pose) => Math.hypot(a.x - b.x, a.y - b.y) < SAME && Math.abs(a.facing - b.facing) < 10;
  const tried: Pose[] = [];
  const best: Stood[] = [];
  const known = new Set(now.standing.broken.map((f) => f.key));
  let homed = 0;
  for (const { x, y, facing } of list.sort((a, b) => a.energy - b.energy)) {
    const pose = { x, y, facing };
    if (homed === LOOKED || tried.length === TRIED || pace.cancelled?.()) break;
    if (like(pose, unit) || tried.some((p) => like(p, pose))) continue;
    const command = search.command(search.poses.map((p, k) => (k === i ? pose : p)));
    const done = command ? apply(now.plan, command) : null;
    const moved = command ? apply(plan, command) : null;
    if (!command || !done?.ok || !moved?.ok) continue;
    tried.push(pose);
    // what breaks a rule for certain needs no homes
    if (standingOf(done.plan, sun).broken.some((f) => !known.has(f.key))) continue;
    homed++;
    const then = await withHomes(done.plan, sun, FOR_EACH, pace);
    const saves = now.total - then.total;
    const mends = findingsOnlyIn(now.standing, then.standing);
    pace.onProgress?.(0.5 + (0.5 * homed) / LOOKED);
    if (saves <= 0 || findingsOnlyIn(then.standing, now.standing).length > 0) continue;
    const settled = asIn(moved.plan, then.plan, pace.since ?? '2000-01-01');
    best.push({
      ...{ x: pose.x, y: pose.y, heading: pose.facing, seconds: then.total, saves, mends, words: mendsWords(mends) },
      command: asOne(`move ${unit.name}`, [command, ...settled]),
    });
  }
  best.sort((a, b) => b.saves - a.saves);
  return { ...map, now: now.total, best: best.slice(0, BESTS) };
}

const mendsWords = (mends: readonly string[]) =>
  mends.length === 0
    ? 'nothing new wrong'
    : mends.length === 1
      ? `mends: ${mends[0]!}`
      : `mends ${mends.length} findings`;
