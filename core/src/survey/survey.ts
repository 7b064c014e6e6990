import { type Point, angleBetween, direction, heading, isSimplePolygon } from '../geometry/index.ts';

/** A wall as it is measured: its length in mm and the turn in degrees at its end (right positive) to the next one. */
export type MeasuredWall = { length: number; turn: number };

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
  /** index of the wall whose direction fits the misclosure best, when one does within 15°; else null */
  suspect: number | null;
  /** mm to add to the suspect wall to close best */
  suspectBy: number;
  /** enough walls, misclosure no worse than 1 : 100, no two walls crossing */
  closes: boolean;
  /** one plain sentence about the state */
  words: string;
};

const WORST_RATIO = 100;
const SUSPECT_WITHIN = 15;

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
  const { suspect, suspectBy } = error > 1 ? findSuspect(headings, misclosure) : { suspect: null, suspectBy: 0 };
  const crossing = walls.length > 2 && !isSimplePolygon(outline);
  const closes = walls.length > 2 && ratio >= WORST_RATIO && !crossing;
  const words = sayIt(walls.length, error, ratio, angleError, crossing);
  return { walked, outline, misclosure, error, perimeter, ratio, angleError, suspect, suspectBy, closes, words };
}

function clean(n: number): number {
  return Math.abs(n) < 1e-9 ? 0 : n;
}

function findSuspect(headings: readonly number[], misclosure: Point): { suspect: number | null; suspectBy: number } {
  const error = Math.hypot(misclosure.x, misclosure.y);
  const bearing = heading({ x: 0, y: 0 }, misclosure);
  let suspect: number | null = null;
  let best = SUSPECT_WITHIN;
  let suspectBy = 0;
  headings.forEach((h, i) => {
    const off = Math.abs(angleBetween(h, bearing));
    const away = Math.min(off, 180 - off);
    if (away < best - 1e-9) {
      best = away;
      suspect = i;
      suspectBy = error * Math.cos((off * Math.PI) / 180);
    }
  });
  return { suspect, suspectBy };
}

function sayIt(walls: number, error: number, ratio: number, angleError: number, crossing: boolean): string {
  if (walls === 0) return 'No walls yet. Stand before one and type its length.';
  if (walls < 3) return `${walls} ${walls === 1 ? 'wall' : 'walls'} so far; a room needs at least three.`;
  if (crossing) return 'Two walls cross each other. One of the lengths or turns is wrong.';
  if (error < 1) return 'The walls close.';
  const by = `${Math.round(error)} mm`;
  if (ratio >= WORST_RATIO) return `The walls close to ${by} (1 : ${Math.round(ratio)}).`;
  const angle =
    Math.abs(angleError) > 0.5 ? ` The turns add up to ${Math.round(360 - angleError)}° instead of 360°.` : '';
  return `The walls do not close: the end misses the start by ${by} (1 : ${Math.max(1, Math.round(ratio))}).${angle}`;
}

/** The walls of a plain rectangular room, mm; the first wall is the left one. */
export function rightAngled(width: number, depth: number): MeasuredWall[] {
  return [depth, width, depth, width].map((length) => ({ length, turn: 90 }));
}
