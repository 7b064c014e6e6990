import { prismFootprint } from '../../measures/geometry/index.ts';
import {
  frontsOf,
  type Fixture,
  type Opening,
  type Place,
  type Plan,
  type Slope,
  type Unit,
} from '../../record/plan/index.ts';
import { unitPrism } from './bodies.ts';
import { HEAD_HEIGHT, wallOutline } from './ceiling.ts';
import { fromWall, type WallFrame } from './frames.ts';

/** Something on or before a wall as one stands before it: from its left end and from the floor, mm. */
export type Drawn = { left: number; bottom: number; width: number; height: number };
export type UnitFront = Drawn & {
  unit: Unit;
  /** distance of its back from the wall, mm */
  off: number;
  /** its front looks into the room, so its places are seen; else one sees its side */
  facing: boolean;
  places: (Drawn & { place: Place })[];
};
export type WallFront = {
  frame: WallFrame;
  outline: { x: number; y: number }[];
  openings: (Drawn & { opening: Opening })[];
  fixtures: (Drawn & { fixture: Fixture })[];
  /** far ones first */
  units: UnitFront[];
  slopes: Slope[];
  /** its top slopes and is not all below head height: the line of head height is drawn */
  sloped: boolean;
};

/** Units farther from a wall than this do not belong to its front, mm (own assumption). */
const NEAR_WALL = 250;

/** Everything on a wall and close before it, as one elevation. */
export function wallFront(plan: Plan, frame: WallFrame): WallFront {
  const on = <T extends { wallId: string | null }>(rows: Readonly<Record<string, T>>) =>
    Object.values(rows).filter((row) => row.wallId === frame.wall.id);
  const units = Object.values(plan.units)
    .filter((u) => u.mount !== 'away')
    .flatMap((unit) => unitFront(plan, frame, unit) ?? [])
    .sort((a, b) => b.off - a.off);
  const outline = wallOutline(plan, frame);
  const tops = outline.slice(2).map((p) => p.y);
  return {
    frame,
    outline,
    sloped: tops.some((y) => y < plan.head.ceiling - 1) && tops.some((y) => y > HEAD_HEIGHT),
    openings: on(plan.openings).map((opening) => {
      const bottom = opening.kind === 'door' ? 0 : opening.sill;
      return { opening, left: opening.left, bottom, width: opening.width, height: opening.head - bottom };
    }),
    fixtures: on(plan.fixtures).map((fixture) => ({
      fixture,
      left: fixture.left,
      bottom: fixture.bottom,
      width: fixture.width,
      height: fixture.height,
    })),
    units,
    slopes: on(plan.slopes),
  };
}

function unitFront(plan: Plan, frame: WallFrame, unit: Unit): UnitFront | null {
  const body = unitPrism(unit);
  const seen = prismFootprint(body).map((p) => fromWall(frame, p));
  const off = Math.min(...seen.map((p) => p.out));
  const left = Math.min(...seen.map((p) => p.left));
  const right = Math.max(...seen.map((p) => p.left));
  const hosted = unit.hostId ? plan.units[unit.hostId] : undefined;
  const near =
    off < NEAR_WALL || (hosted !== undefined && unitFront(plan, frame, { ...hosted, hostId: null }) !== null);
  if (!near || right < 1 || left > frame.length - 1) return null;
  const facing = body.frontX * frame.inward.x + body.frontY * frame.inward.y > 0.99;
  const places = facing
    ? frontsOf(plan, unit.id).map((place) => ({
        place,
        left: left + place.left,
        bottom: unit.bottom + place.bottom,
        width: place.width,
        height: place.height,
      }))
    : [];
  return { unit, off, facing, places, left, bottom: unit.bottom, width: right - left, height: unit.height };
}
