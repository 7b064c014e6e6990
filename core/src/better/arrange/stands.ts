import { type Command, type Plan } from '../../record/plan/index.ts';
import { type Random } from '../../living/slotting/index.ts';
import { type SunGrid } from './cost.ts';
import { type Pose } from './pieces.ts';
import { Search } from './search.ts';

/** Where a piece could stand: roughly what that costs a year, and the command that puts it there with all that goes with it. */
export type Stand = { pose: Pose; seconds: number; command: Command };

/** Two stands nearer than this and alike turned are one, mm (own assumption). */
const SAME = 250;

/**
 * Where units of a plan could stand besides, one asked after the other: each with all on it and the seats at it, drawn along the walls and turned where it
 * is, breaking no rule it does not break now, the best by the search’s own measure first, no two of them alike. Empty for what is pinned or hangs on a door.
 * @returns roughly what the plan costs a year, and a question: for which unit, and how many draws are looked at
 */
export function standsIn(
  plan: Plan,
  sun: SunGrid,
  random: Random,
): { now: number; of: (unitId: string, draws?: number) => Stand[] } {
  const search = new Search(plan, sun, random);
  return { now: search.energy, of: (unitId, draws = 80) => standsOf(search, unitId, draws) };
}

function standsOf(search: Search, unitId: string, draws: number): Stand[] {
  const i = search.pieces.findIndex((p) => p.unit.id === unitId);
  const piece = search.pieces[i];
  if (!piece?.movable) return [];
  const { unit } = piece;
  const here = { x: unit.x, y: unit.y, facing: unit.facing };
  const turned = piece.hangs
    ? []
    : [90, 180, 270].map((by) => ({ ...here, facing: ((((unit.facing + by + 180) % 360) + 360) % 360) - 180 }));
  const limit = search.broken() + 0.5;
  const found: { pose: Pose; energy: number }[] = [];
  for (const pose of [...turned, ...Array.from({ length: draws }, () => search.againstWall(i))]) {
    const { energy, broken } = search.with(i, pose);
    if (broken <= limit) found.push({ pose, energy });
  }
  found.sort((a, b) => a.energy - b.energy);
  const stands: Stand[] = [];
  for (const { pose, energy } of found) {
    const near = (p: Pose) => Math.hypot(p.x - pose.x, p.y - pose.y) < SAME && Math.abs(p.facing - pose.facing) < 10;
    if (near(here) || stands.some((s) => near(s.pose))) continue;
    const command = search.command(search.poses.map((p, k) => (k === i ? pose : p)));
    if (command) stands.push({ pose, seconds: energy, command });
  }
  return stands;
}
