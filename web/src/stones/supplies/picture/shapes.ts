import { newId } from '@heronstone/core/plan';
import { type SeenWay } from '@heronstone/core/lines';
import { cornersOf, type Frame, inFrame, ofFrame, type Rectangle, rectangleOf } from '@heronstone/core/picture';

export type Point = { x: number; y: number };
export const TOOLS = ['box', 'round', 'long'] as const;
export type Tool = (typeof TOOLS)[number];

/** What was drawn over the flat picture, and what is said of it; lengths in mm of the frame. */
export type Shape = Rectangle & {
  id: string;
  round: boolean;
  line: string;
  chosen: string | null;
  /** null: as such things usually lie */
  way: SeenWay | null;
  /** how high it stands, where somebody said so */
  height: number | null;
  /** that height is by picture, more or less so much, mm; null: somebody typed it */
  heightBy: number | null;
  colour: string | null;
  takesColour: boolean;
};

/** A long thing drawn by its length alone is so thick until its edges say otherwise, mm. */
const THICK = 12;
/** Smaller than this it was a slip of the hand, mm. */
const LEAST = 4;

const blank = (of: Rectangle, round: boolean): Shape => ({
  ...of,
  ...{
    id: newId('seen'),
    round,
    line: '',
    chosen: null,
    way: null,
    height: null,
    heightBy: null,
    colour: null,
    takesColour: false,
  },
});

/** What a drag from one point to another makes of a tool; null: a slip of the hand. */
export function drawn(tool: Tool, from: Point, to: Point): Shape | null {
  const [dx, dy] = [to.x - from.x, to.y - from.y];
  const length = Math.hypot(dx, dy);
  const middle = { x: (from.x + to.x) / 2, y: (from.y + to.y) / 2 };
  if (tool === 'long') {
    const turn = ((Math.atan2(dy, dx) * 180) / Math.PI + 360) % 360;
    return length < LEAST ? null : blank({ ...middle, width: length, depth: THICK, turn }, false);
  }
  if (tool === 'round') {
    const across = 2 * length;
    return length < LEAST / 2 ? null : blank({ ...from, width: across, depth: across, turn: 0 }, true);
  }
  const [width, depth] = [Math.abs(dx), Math.abs(dy)];
  return Math.min(width, depth) < LEAST ? null : blank({ ...middle, width, depth, turn: 0 }, false);
}

/** A shape as the edges say, where at least two of its sides found one, and it is still nearly what was drawn. */
export function snappedTo(shape: Shape, corners: readonly Point[], sides: number): Shape {
  if (shape.round || sides < 2) return shape;
  const found = rectangleOf(corners);
  const near = (a: number, b: number) => Math.abs(a - b) <= Math.max(12, 0.35 * a);
  const turned = Math.abs(((found.turn - shape.turn + 540) % 360) - 180);
  return near(shape.width, found.width) && near(shape.depth, found.depth) && turned < 20
    ? { ...shape, ...found }
    : shape;
}

/** A shape as it lies in another frame of the same plane. */
export function reframed(shape: Shape, from: Frame, to: Frame): Shape {
  const moved = rectangleOf(cornersOf(shape).map((p) => ofFrame(to, inFrame(from, p))));
  return { ...shape, ...moved };
}

export const GRIPS = ['move', 'size', 'turn'] as const;
export type Grip = (typeof GRIPS)[number];

/** What is chosen, pulled by its middle, its lower right corner or its turning knob to a point, mm of the frame. */
export function pulled(shape: Shape, grip: Grip, to: Point, from: Point): Shape {
  if (grip === 'move') return { ...shape, x: shape.x + to.x - from.x, y: shape.y + to.y - from.y };
  const [dx, dy] = [to.x - shape.x, to.y - shape.y];
  if (grip === 'turn') return { ...shape, turn: ((Math.atan2(dy, dx) * 180) / Math.PI + 450) % 360 };
  if (shape.round) {
    const across = Math.max(LEAST, 2 * Math.hypot(dx, dy));
    return { ...shape, width: across, depth: across };
  }
  // the opposite corner stays where it is
  const [fixed] = cornersOf(shape);
  const [c, s] = [Math.cos((shape.turn * Math.PI) / 180), Math.sin((shape.turn * Math.PI) / 180)];
  const [u, v] = [to.x - fixed!.x, to.y - fixed!.y];
  const width = Math.max(LEAST, c * u + s * v);
  const depth = Math.max(LEAST, -s * u + c * v);
  return {
    ...shape,
    ...{ width, depth },
    x: fixed!.x + (c * width - s * depth) / 2,
    y: fixed!.y + (s * width + c * depth) / 2,
  };
}

/** A key that moves, stretches or turns what is chosen: arrows a millimetre, with Shift ten, with Alt its size; comma and full stop turn it. */
export function byKey(shape: Shape, key: string, shift: boolean, alt: boolean): Shape | null {
  const step = shift ? 10 : 1;
  const arrows: Record<string, Point> = {
    ArrowLeft: { x: -step, y: 0 },
    ArrowRight: { x: step, y: 0 },
    ArrowUp: { x: 0, y: -step },
    ArrowDown: { x: 0, y: step },
  };
  const by = arrows[key];
  if (by && alt) {
    const width = Math.max(LEAST, shape.width + by.x);
    const depth = Math.max(LEAST, shape.depth - by.y);
    if (!shape.round) return { ...shape, width, depth };
    const across = by.x !== 0 ? width : depth;
    return { ...shape, width: across, depth: across };
  }
  if (by) return { ...shape, x: shape.x + by.x, y: shape.y + by.y };
  if (key === ',' || key === '.') return { ...shape, turn: (shape.turn + (key === '.' ? step : -step) + 360) % 360 };
  return null;
}
