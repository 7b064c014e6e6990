import { type Point } from '../../measures/geometry/index.ts';

export const LAYERS = [
  'walls',
  'openings',
  'fixtures',
  'units',
  'places',
  'containers',
  'things',
  'floor-uses',
  'seats',
  'names',
  'lengths',
] as const;
export type Layer = (typeof LAYERS)[number];

/** One stroke of a drawing, in millimetres of the room, y upwards. */
export type Mark =
  | {
      kind: 'path';
      layer: Layer;
      points: Point[];
      closed: boolean;
      dashed?: boolean;
      /** colour it is filled with, #rrggbb */ fill?: string;
    }
  | {
      kind: 'text';
      layer: Layer;
      at: Point;
      text: string;
      /** height of capitals, mm in the room */
      size: number;
      /** degrees counter-clockwise */
      angle: number;
      /** it has to go into so much room, mm: said in the longest of these ways that does, or not at all */
      within?: { width: number; height: number; ways: readonly string[] };
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

/** A box filled with a colour. */
export const filled = (
  layer: Layer,
  left: number,
  bottom: number,
  width: number,
  height: number,
  fill: string,
): Mark => ({
  ...(box(layer, left, bottom, width, height) as Extract<Mark, { kind: 'path' }>),
  fill,
});

/** Words in the middle of a box, in the longest way that goes in; nothing where there is nothing to say. */
export const named = (
  box: { left: number; bottom: number; width: number; height: number },
  ways: readonly string[],
  size: number,
): Mark[] =>
  ways.length === 0
    ? []
    : [
        {
          kind: 'text',
          layer: 'names',
          at: { x: box.left + box.width / 2, y: box.bottom + box.height / 2 },
          text: ways[0]!,
          size,
          angle: 0,
          within: { width: box.width, height: box.height, ways },
        },
      ];

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

/** One thing to be marked out: where it is along the line and across it (from where it is drawn), mm. */
export type Marked = { at: number; from: number };

/**
 * Running dimensions from a common origin (ISO 129-1, memory): a tick at each distance with the distance beside it, a thin line from the
 * thing. Words that would be on top of each other are moved apart.
 * @param along `x`: below the drawing, distances from the left; `y`: left of it, heights from the floor
 */
export function running(
  things: readonly Marked[],
  along: 'x' | 'y',
  off: number,
  words: (mm: number) => string,
  size: number,
): Mark[] {
  const nearest = new Map<number, number>();
  for (const { at, from } of things) {
    const key = Math.round(at);
    nearest.set(key, Math.min(nearest.get(key) ?? Infinity, from));
  }
  const all = [...nearest].sort((a, b) => a[0] - b[0]);
  if (all.length === 0) return [];
  const point = (at: number, across: number): Point => (along === 'x' ? { x: at, y: across } : { x: across, y: at });
  const marks: Mark[] = [path('lengths', [point(0, -off), point(all.at(-1)![0], -off)], false)];
  let last = -Infinity;
  for (const [at, from] of all) {
    const shown = Math.max(at, last + size * 1.5);
    last = shown;
    marks.push(
      path('lengths', [point(at, from), point(at, -off - size * 0.4)], false, true),
      text(
        'lengths',
        point(shown, -off - size * (0.8 + 0.3 * words(at).length)),
        words(at),
        size,
        along === 'x' ? 90 : 0,
      ),
    );
  }
  return marks;
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
    else if (!mark.within) {
      const half = mark.text.length * mark.size * 0.4;
      const flat = Math.abs(mark.angle) < 45;
      take(mark.at.x - (flat ? half : mark.size), mark.at.y - (flat ? mark.size : half));
      take(mark.at.x + (flat ? half : mark.size), mark.at.y + (flat ? mark.size : half));
    }
  }
  return Number.isFinite(box.left) ? box : { left: 0, bottom: 0, right: 1000, top: 1000 };
}

/** How wide a letter is about, as a share of its size. */
const LETTER_WIDTH = 0.52;

/** A name in the longest way that goes into its box, where the widths of letters are not known; null where none does. */
export function roughly(mark: Extract<Mark, { kind: 'text' }>): { words: string; size: number } | null {
  const { width, height, ways } = mark.within!;
  const most = Math.min(mark.size * 1.4, height * 0.8);
  for (const words of ways) {
    const size = Math.min(most, width / Math.max(1, words.length * LETTER_WIDTH));
    if (size >= most * 0.6) return { words, size };
  }
  return null;
}
