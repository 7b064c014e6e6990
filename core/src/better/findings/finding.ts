import { convexOverlap, type Point, type Prism, prismFootprint } from '../../measures/geometry/index.ts';
import { formatLength } from '../../measures/lengths/index.ts';
import { type Acknowledgement, type Plan, type Unit } from '../../record/plan/index.ts';
import { unitPrism, unitSolids, type WallFrame, wallFrames } from '../../space/room/index.ts';
import { type CheckName } from './checks.ts';

/** One thing that is not as it should be, in plain words with its number. */
export type Finding = {
  /** the same for the same thing next time: acknowledgements hold on to it */
  key: string;
  check: CheckName;
  words: string;
  unitIds: string[];
  placeIds: string[];
  /** floor it is about, to be drawn on Floor; null when it is about a thing alone */
  area: Point[] | null;
  acknowledged: Acknowledgement | null;
};

export type Found = Omit<Finding, 'acknowledged'>;

/** What every check looks at, worked out once per run. */
export type Look = {
  plan: Plan;
  /** units in the room */
  units: Unit[];
  body: Map<string, Prism>;
  solids: Map<string, Prism[]>;
  frames: WallFrame[];
  outline: Point[];
  /** a length in the plan’s own measure */
  len: (mm: number) => string;
};

export function lookAt(plan: Plan): Look {
  const units = Object.values(plan.units).filter((u) => u.mount !== 'away' && u.keptInId === null);
  const frames = wallFrames(plan);
  return {
    plan,
    units,
    body: new Map(units.map((u) => [u.id, unitPrism(u)])),
    solids: new Map(units.map((u) => [u.id, unitSolids(u)])),
    frames,
    outline: frames.map((f) => f.a),
    len: (mm) => formatLength(mm, plan.head.measure),
  };
}

/** A finding about units, with what is drawn. */
export function found(check: CheckName, ids: string[], words: string, more: Partial<Found> = {}): Found {
  return { key: [check, ...ids].join(':'), check, words, unitIds: [], placeIds: [], area: null, ...more };
}

/** How much two boxes share in height, mm; 0 when one is above the other. */
export function sharedHeight(a: Prism, b: Prism): number {
  return Math.max(0, Math.min(a.top, b.top) - Math.max(a.bottom, b.bottom));
}

/** Whether two boxes are in each other by more than `slack` mm in every direction. */
export function inEachOther(a: Prism, b: Prism, slack = 2): boolean {
  if (sharedHeight(a, b) <= slack) return false;
  return convexOverlap(prismFootprint(a), prismFootprint(b)) > slack;
}

/** A strip of floor before one side of a box: from its edge outwards. */
export function strip(middle: Point, out: Point, width: number, length: number): Point[] {
  const side = { x: -out.y, y: out.x };
  const at = (u: number, v: number): Point => ({
    x: middle.x + side.x * u + out.x * v,
    y: middle.y + side.y * u + out.y * v,
  });
  return [at(-width / 2, 0), at(width / 2, 0), at(width / 2, length), at(-width / 2, length)];
}

export type Blocker = { name: string; id: string };

/**
 * How far something can go out from an edge before it meets furniture or a wall: free length in mm, at most `wanted`, and what it meets.
 * @param middle middle of the edge; `out` its outward unit vector; `low`, `high` the heights it goes through
 */
export function freeBefore(
  look: Look,
  middle: Point,
  out: Point,
  width: number,
  wanted: number,
  [low, high]: [number, number],
  without: ReadonlySet<string>,
): { free: number; by: Blocker | null } {
  let free = wanted;
  let by: Blocker | null = null;
  const blocked = (length: number, foot: readonly Point[]) =>
    convexOverlap(strip(middle, out, Math.max(2, width - 4), length), foot) > 1;
  const shorten = (foot: readonly Point[], blocker: Blocker) => {
    if (!blocked(free, foot)) return;
    let least = 0;
    let most = free;
    while (most - least > 0.5) {
      const half = (least + most) / 2;
      if (blocked(half, foot)) most = half;
      else least = half;
    }
    free = Math.max(0, least - 1);
    by = blocker;
  };
  for (const unit of look.units) {
    if (without.has(unit.id)) continue;
    for (const solid of look.solids.get(unit.id)!)
      if (solid.bottom < high - 1 && solid.top > low + 1) shorten(prismFootprint(solid), unit);
  }
  for (const frame of look.frames) {
    const back = { x: -frame.inward.x * 200, y: -frame.inward.y * 200 };
    const { a, b } = frame;
    shorten([a, b, { x: b.x + back.x, y: b.y + back.y }, { x: a.x + back.x, y: a.y + back.y }], {
      name: frame.name,
      id: frame.wall.id,
    });
  }
  return { free, by };
}
