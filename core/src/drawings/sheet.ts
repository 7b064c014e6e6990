import { type Point } from '../geometry/index.ts';

export const LAYERS = ['walls', 'openings', 'fixtures', 'units', 'places', 'floor-uses', 'seats', 'lengths'] as const;
export type Layer = (typeof LAYERS)[number];

/** One stroke of a drawing, in millimetres of the room, y upwards. */
export type Mark =
  | { kind: 'path'; layer: Layer; points: Point[]; closed: boolean; dashed?: boolean }
  | {
      kind: 'text';
      layer: Layer;
      at: Point;
      text: string;
      /** height of capitals, mm in the room */
      size: number;
      /** degrees counter-clockwise */
      angle: number;
    };

/** A drawing without a scale of its own: what is put to paper or file by the writers. */
export type Sheet = { title: string; marks: Mark[] };

export const path = (layer: Layer, points: Point[], closed = true, dashed = false): Mark => ({
  kind: 'path',
  layer,
  points,
  closed,
  ...(dashed ? { dashed } : {}),
});
export const box = (layer: Layer, left: number, bottom: number, width: number, height: number): Mark =>
  path(layer, [
    { x: left, y: bottom },
    { x: left + width, y: bottom },
    { x: left + width, y: bottom + height },
    { x: left, y: bottom + height },
  ]);
export const text = (layer: Layer, at: Point, words: string, size: number, angle = 0): Mark => ({
  kind: 'text',
  layer,
  at,
  text: words,
  size,
  angle,
});

/** A dimension: ticks at both ends of a line set off to one side, its length in words in the middle. */
export function dimension(a: Point, b: Point, off: number, words: string, size: number): Mark[] {
  const long = Math.hypot(b.x - a.x, b.y - a.y) || 1;
  const n = { x: -(b.y - a.y) / long, y: (b.x - a.x) / long };
  const at = (p: Point, by: number): Point => ({ x: p.x + n.x * by, y: p.y + n.y * by });
  const tick = Math.sign(off) * size * 0.4;
  let angle = (Math.atan2(b.y - a.y, b.x - a.x) * 180) / Math.PI;
  if (angle > 90.01) angle -= 180;
  if (angle < -89.99) angle += 180;
  const middle = { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 };
  return [
    path('lengths', [at(a, off), at(b, off)], false),
    path('lengths', [at(a, off - tick), at(a, off + tick)], false),
    path('lengths', [at(b, off - tick), at(b, off + tick)], false),
    text('lengths', at(middle, off + Math.sign(off) * size * 0.9), words, size, angle),
  ];
}

/** Left, bottom, right and top of everything drawn, mm; a text counts with its rough width. */
export function extent({ marks }: Sheet): { left: number; bottom: number; right: number; top: number } {
  const box = { left: Infinity, bottom: Infinity, right: -Infinity, top: -Infinity };
  const take = (x: number, y: number) => {
    box.left = Math.min(box.left, x);
    box.right = Math.max(box.right, x);
    box.bottom = Math.min(box.bottom, y);
    box.top = Math.max(box.top, y);
  };
  for (const mark of marks) {
    if (mark.kind === 'path') for (const p of mark.points) take(p.x, p.y);
    else {
      const half = mark.text.length * mark.size * 0.4;
      const flat = Math.abs(mark.angle) < 45;
      take(mark.at.x - (flat ? half : mark.size), mark.at.y - (flat ? mark.size : half));
      take(mark.at.x + (flat ? half : mark.size), mark.at.y + (flat ? mark.size : half));
    }
  }
  return Number.isFinite(box.left) ? box : { left: 0, bottom: 0, right: 1000, top: 1000 };
}
