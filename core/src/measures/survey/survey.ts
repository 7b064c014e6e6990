import { type Point, angleBetween, direction, heading, isSimplePolygon } from '../geometry/index.ts';

/** A wall as it is measured: its length in mm and the turn in degrees at its end (right positive) to the next one. */
export type MeasuredWall = { length: number; turn: number };

/** A wall that may be measured wrong: its index, and what to add to it to close best, mm. */
export type Suspect = { wall: number; by: number };

export type Survey = {
  /** corner where each wall begins, then the point where the walk ended, as measured */
  walked: Point[];
  /** closed outline: the misclosure spread over the walls by the compass rule; one corner per wall */
  outline: Point[];
  /** vector in mm from where the walk ended back to where it began */
  misclosure: Point;
  /** its length, mm */
  error: number;
  perimeter: number;
  /** n of “1 : n”; Infinity when it closes exactly */
  ratio: number;
  /** degrees by which the turns miss a full circle (positive: turned too little) */
  angleError: number;
  /** walls whose direction fits the misclosure within 15°, best first; of parallel ones all, because they fit alike */
  suspects: Suspect[];
  /** enough walls, misclosure no worse than 1 : 100, no two walls crossing */
  closes: boolean;
  /** one plain sentence about the state */
  words: string;
};

const WORST_RATIO = 100;
/** So far off the misclosure a wall's direction may be, degrees; and so much farther off than the best that fits (own assumptions). */
const SUSPECT_WITHIN = 15;
const AS_GOOD = 4;
/** A room that closes better than this is measured as well as a tape does, and no wall is suspected (own assumption). */
const GOOD_RATIO = 400;
/** The turns have come round when they are so near a full circle, degrees (own assumption: less than any corner of a room). */
const ROUND_WITHIN = 30;

/**
 * Walks the walls from the origin, the first one up the page (+y), the room on the right hand, and says how well they close.
 * The error is spread by the compass (Bowditch) rule: each corner moves by its share of the walked length.
 * Works for any number of walls; fewer than three never close.
 */
export function surveyWalls(walls: readonly MeasuredWall[]): Survey {
  const walked: Point[] = [{ x: 0, y: 0 }];
  let facing = 0;
  let perimeter = 0;
  const headings: number[] = [];
  for (const wall of walls) {
    const from = walked[walked.length - 1]!;
    const d = direction(facing);
    headings.push(facing);
    walked.push({ x: clean(from.x + d.x * wall.length), y: clean(from.y + d.y * wall.length) });
    perimeter += wall.length;
    facing += wall.turn;
  }
  const end = walked[walked.length - 1]!;
  const misclosure = { x: clean(-end.x), y: clean(-end.y) };
  const error = Math.hypot(misclosure.x, misclosure.y);
  const ratio = error < 1e-6 ? Infinity : perimeter / error;
  const angleError = walls.length ? clean(360 - facing) : 360;
  let run = 0;
  const outline = walls.map((wall, i) => {
    const share = perimeter > 0 ? run / perimeter : 0;
    run += wall.length;
    return { x: walked[i]!.x + misclosure.x * share, y: walked[i]!.y + misclosure.y * share };
  });
  // before the turns come round there are walls to come, and none is wrong for that
  const round = Math.abs(angleError) < ROUND_WITHIN;
  const suspects = error > 1 && ratio < GOOD_RATIO && round ? findSuspects(headings, misclosure) : [];
  const crossing = walls.length > 2 && !isSimplePolygon(outline);
  const closes = walls.length > 2 && ratio >= WORST_RATIO && !crossing;
  const words = sayIt(walls.length, error, ratio, angleError, crossing);
  return { walked, outline, misclosure, error, perimeter, ratio, angleError, suspects, closes, words };
}

function clean(n: number): number {
  return Math.abs(n) < 1e-9 ? 0 : n;
}

function findSuspects(headings: readonly number[], misclosure: Point): Suspect[] {
  const error = Math.hypot(misclosure.x, misclosure.y);
  const bearing = heading({ x: 0, y: 0 }, misclosure);
  const all = headings.map((h, wall) => {
    const off = Math.abs(angleBetween(h, bearing));
    return { wall, by: error * Math.cos((off * Math.PI) / 180), away: Math.min(off, 180 - off) };
  });
  const best = Math.min(...all.map((s) => s.away));
  return all
    .filter((s) => s.away < SUSPECT_WITHIN && s.away <= best + AS_GOOD)
    .sort((x, y) => Math.round(x.away - y.away) || x.wall - y.wall)
    .map(({ wall, by }) => ({ wall, by }));
}

function sayIt(walls: number, error: number, ratio: number, angleError: number, crossing: boolean): string {
  if (walls === 0) return 'No walls yet. Stand before one and type its length.';
  if (walls < 3) return `${walls} ${walls === 1 ? 'wall' : 'walls'} so far; a room needs at least three.`;
  if (crossing) return 'Two walls cross each other. One of the lengths or turns is wrong.';
  if (error < 1) return 'The walls close.';
  const by = `${Math.round(error)} mm`;
  if (ratio >= GOOD_RATIO)
    return `The walls close to ${by} (1 : ${Math.round(ratio)}; from 1 : ${GOOD_RATIO} on that is as good as a tape, and no wall is doubted).`;
  if (ratio >= WORST_RATIO) return `The walls close to ${by} (1 : ${Math.round(ratio)}).`;
  const angle =
    Math.abs(angleError) > 0.5 ? ` The turns add up to ${Math.round(360 - angleError)}° instead of 360°.` : '';
  return `The walls do not close: the end misses the start by ${by} (1 : ${Math.max(1, Math.round(ratio))}).${angle}`;
}

/** The walls of a plain rectangular room, mm; the first wall is the left one. */
export function rightAngled(width: number, depth: number): MeasuredWall[] {
  return [depth, width, depth, width].map((length) => ({ length, turn: 90 }));
}
