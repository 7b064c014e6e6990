import { type Point } from '../geometry/index.ts';
import { type Frame, inFrame } from './flat.ts';
import { inPicture, lengthBetween, type Plane, shrinkAt } from './plane.ts';

/** A rectangle drawn over a flat picture: its middle from the frame’s corner, its two sides, mm; turned clockwise, degrees. */
export type Rectangle = { x: number; y: number; width: number; depth: number; turn: number };

/** Its four corners, from the upper left round, mm of the frame. */
export function cornersOf({ x, y, width, depth, turn }: Rectangle): Point[] {
  const [c, s] = [Math.cos((turn * Math.PI) / 180), Math.sin((turn * Math.PI) / 180)];
  return [
    [-1, -1],
    [1, -1],
    [1, 1],
    [-1, 1],
  ].map(([i, j]) => {
    const [dx, dy] = [(i! * width) / 2, (j! * depth) / 2];
    return { x: x + c * dx - s * dy, y: y + s * dx + c * dy };
  });
}

/** The rectangle nearest to four corners, from the upper left round. */
export function rectangleOf(corners: readonly Point[]): Rectangle {
  const [a, b, c, d] = corners as [Point, Point, Point, Point];
  const side = (p: Point, q: Point, r: Point, s: Point) => ({
    x: (q.x - p.x + r.x - s.x) / 2,
    y: (q.y - p.y + r.y - s.y) / 2,
  });
  const across = side(a, b, c, d);
  const along = side(a, d, c, b);
  const width = Math.hypot(across.x, across.y);
  const depth = Math.hypot(along.x, along.y);
  // both sides say how it is turned, the longer one better
  const angle = Math.atan2(across.y * width - along.x * depth, across.x * width + along.y * depth);
  const turn = ((angle * 180) / Math.PI + 360) % 360;
  return { x: (a.x + b.x + c.x + d.x) / 4, y: (a.y + b.y + c.y + d.y) / 4, width, depth, turn };
}

/** The two sides of what was drawn, as it is: shortened where it stands above the plane and the camera’s height is known; with the larger of their doubts. */
export type Sides = {
  width: number;
  depth: number;
  plusMinus: number;
  /** it stands above the plane, and nothing says how much larger it therefore looks */
  unsaid: boolean;
};

/** @param above how high its upper side lies over the plane, mm */
export function sidesOf(plane: Plane, frame: Frame, drawn: Rectangle, above: number): Sides | null {
  const seen = cornersOf(drawn).map((p) => inPicture(plane, inFrame(frame, p)));
  if (seen.includes(null)) return null;
  const [a, b, , d] = seen as Point[];
  const by = shrinkAt(plane, above);
  const [across, along] = [
    lengthBetween(plane, a!, b!, by === null ? 0 : above),
    lengthBetween(plane, a!, d!, by === null ? 0 : above),
  ];
  if (!across || !along) return null;
  return {
    width: drawn.width * (by ?? 1),
    depth: drawn.depth * (by ?? 1),
    plusMinus: Math.max(across.plusMinus, along.plusMinus),
    unsaid: by === null,
  };
}
