import { type Point } from '../geometry/index.ts';
import { type Homography, homographyOf, inverted, mapped } from './homography.ts';
import { KNOWN } from './known.ts';
import { type Mark } from './plane.ts';
import { greyAt, type Greys, partOf, shrunkTo, whiten } from './pixels.ts';
import { CODE_SQUARE, CODE_SQUARES, findersOf, readCorner, type SheetPaper } from './sheet.ts';

/** What a decoder of QR codes says of the first one it finds: its words, its corners, and the middles of its three finder patterns, px. */
export type Decoded = {
  data: string;
  location: Record<
    | 'topLeftCorner'
    | 'topRightCorner'
    | 'bottomRightCorner'
    | 'bottomLeftCorner'
    | 'topLeftFinderPattern'
    | 'topRightFinderPattern'
    | 'bottomLeftFinderPattern',
    Point
  >;
};
export type Decode = (data: Uint8ClampedArray, width: number, height: number) => Decoded | null;

/** The measuring sheet as it lies in a picture. */
export type FoundSheet = {
  paper: SheetPaper;
  /** its corners, upper left first, px */
  corners: Point[];
  /** its marks, mm from its upper left corner, and where they are seen */
  marks: Mark[];
  /** how many of its four codes are seen */
  codes: number;
  /** how far its marks lie from where a flat sheet has them (root mean square), mm */
  bowed: number;
  /** how far the one of its four codes that is farthest off lies from where the other three say, mm; 0 where not all are seen */
  lifted: number;
};

/** Codes are looked for in a picture so large, points along its longer side; then in parts of a larger one. */
const FIRST_LOOK = 1100;
const LOOKED_AT = 1700;
/** A sheet is bent when its marks lie farther off than this, mm (own measurement: flat ones stay below 0.4). */
export const MOST_BOWED = 0.6;
/**
 * A corner of it is lifted, or folded, when its code lies farther off than this, mm (own measurement: flat ones stay below 1.4 whatever the lens, one lifted by
 * 4 cm under a camera a metre above lies about 4 mm off, which the marks themselves hardly tell: four corners fit many a plane).
 */
export const MOST_LIFTED = 1.7;
/** Dark and light must be so far apart for a mark to be seen, of 255 (own assumption). */
const LEAST_CONTRAST = 28;

type Seen = { paper: SheetPaper; corner: number; finders: Point[] };

/** No code is read in a part that is smaller, points. */
const LEAST_PART = 40;
/** A picture taken at a slant has a code so much of its distance elsewhere than one taken straight (own assumption). */
const SLANTED = 0.3;
const minus = (a: Point, b: Point): Point => ({ x: a.x - b.x, y: a.y - b.y });
const middleOf = (points: readonly Point[]): Point => ({
  x: points.reduce((sum, p) => sum + p.x, 0) / points.length,
  y: points.reduce((sum, p) => sum + p.y, 0) / points.length,
});

/** Where another code of the sheet must lie, by one that was read as if the picture were taken straight: its middle and how far round it one looks, px. */
function windowOf(seen: Seen, corner: number): { x: number; y: number; reach: number } {
  const from = findersOf(seen.paper, seen.corner);
  const [o, a, b] = from as [Point, Point, Point];
  const [p, q, r] = seen.finders as [Point, Point, Point];
  const [u, v] = [minus(a, o), minus(b, o)];
  const det = u.x * v.y - u.y * v.x;
  const middle = middleOf(findersOf(seen.paper, corner));
  const d = minus(middle, o);
  const [s, t] = [(d.x * v.y - d.y * v.x) / det, (u.x * d.y - u.y * d.x) / det];
  const [across, along] = [minus(q, p), minus(r, p)];
  const size = Math.sqrt(Math.abs((across.x * along.y - across.y * along.x) / det));
  return {
    x: p.x + s * across.x + t * along.x,
    y: p.y + s * across.y + t * along.y,
    reach: size * (CODE_SQUARE * CODE_SQUARES + SLANTED * Math.hypot(d.x, d.y)),
  };
}

/**
 * So many codes of our sheets, where so many are to be read: in parts of the picture that overlap by half, for one too small or too slanted among others is
 * found by itself; quickly, then finely. Where one was read the others are looked for where they must be.
 */
function codesIn(greys: Greys, decode: Decode, enough: number): Seen[] {
  const { greys: small, by } = shrunkTo(greys, FIRST_LOOK);
  const { greys: fine, by: scale } = shrunkTo(greys, LOOKED_AT);
  const seen = new Map<string, Seen>();
  const done = () => seen.size >= enough;
  const look = (of: Greys, scale: number, left: number, top: number, w: number, h: number, most: number): void => {
    const part = partOf(of, left, top, w, h);
    for (let i = 0; i < most && !done(); i++) {
      const found = decode(part.data, part.width, part.height);
      if (!found) return;
      const { location } = found;
      whiten(part, [
        location.topLeftCorner,
        location.topRightCorner,
        location.bottomRightCorner,
        location.bottomLeftCorner,
      ]);
      const corner = readCorner(found.data);
      if (!corner) continue;
      const whole = (p: Point) => ({ x: (left + p.x) * scale, y: (top + p.y) * scale });
      const key = `${corner.paper} ${corner.corner}`;
      if (seen.has(key)) continue;
      const code: Seen = {
        ...corner,
        finders: [location.topLeftFinderPattern, location.topRightFinderPattern, location.bottomLeftFinderPattern].map(
          whole,
        ),
      };
      seen.set(key, code);
      for (let other = 0; other < 4 && !done(); other++)
        if (!seen.has(`${corner.paper} ${other}`)) lookAt(windowOf(code, other));
    }
  };
  const lookAt = ({ x, y, reach }: { x: number; y: number; reach: number }): void => {
    const [left, right] = [x - reach, x + reach].map((n) => Math.round(Math.min(fine.width, Math.max(0, n / scale))));
    const [top, low] = [y - reach, y + reach].map((n) => Math.round(Math.min(fine.height, Math.max(0, n / scale))));
    const [w, h] = [right! - left!, low! - top!];
    if (w >= LEAST_PART && h >= LEAST_PART) look(fine, scale, left!, top!, w, h, 1);
  };
  const inParts = (of: Greys, scale: number, parts: number, most: number): void => {
    const w = Math.floor((of.width * 2) / (parts + 1));
    const h = Math.floor((of.height * 2) / (parts + 1));
    for (let i = 0; i < parts * parts && !done(); i++)
      look(of, scale, Math.floor(((i % parts) * w) / 2), Math.floor((Math.floor(i / parts) * h) / 2), w, h, most);
  };
  inParts(small, by, 3, 1);
  if (!done()) look(small, by, 0, 0, small.width, small.height, 2);
  for (const parts of [3, 2]) inParts(fine, scale, parts, 2);
  return [...seen.values()];
}

/** Where a finder pattern is sampled, in squares from its middle: the dark middle, the light ring, the dark ring. */
const DARK = [-0.9, 0, 0.9].flatMap((x) => [-0.9, 0, 0.9].map((y) => [x, y] as const));
const ringAt = (far: number, steps: readonly number[]) =>
  steps.flatMap((s) => [[-far, s] as const, [far, s] as const, [s, -far] as const, [s, far] as const]);
const LIGHT = ringAt(2, [-1.8, -0.9, 0, 0.9]);
const ROUND = ringAt(3, [-2.6, -1.3, 0, 1.3]);

/** How dark and how light a finder pattern with its middle there would be; null when what is there is none. */
function patternAt(greys: Greys, h: Homography, at: Point): { low: number; high: number } | null {
  const sample = ([x, y]: readonly [number, number]): number => {
    const p = mapped(h, { x: at.x + x * CODE_SQUARE, y: at.y + y * CODE_SQUARE });
    return p && p.x >= 1 && p.y >= 1 && p.x < greys.width - 1 && p.y < greys.height - 1
      ? greyAt(greys, p.x, p.y)
      : Number.NaN;
  };
  const dark = DARK.map(sample);
  const light = LIGHT.map(sample);
  const mean = (list: readonly number[]) => list.reduce((sum, v) => sum + v, 0) / list.length;
  const [low, high] = [mean(dark), mean(light)];
  // written so that what lies outside the picture is none
  if (!(high - low >= LEAST_CONTRAST)) return null;
  const half = (low + high) / 2;
  const round = ROUND.map(sample);
  const wrong =
    dark.filter((v) => v > half).length +
    light.filter((v) => v < half).length +
    round.filter((v) => !(v < half)).length;
  return wrong <= 2 ? { low, high } : null;
}

/** So many squares round where a mark is thought to be it is looked for. */
const LOOKED_ROUND = 7;

/** Where a pattern is, looked for outwards from where it is thought to be, mm; null: nowhere near. */
function patternNear(greys: Greys, h: Homography, at: Point): { at: Point; low: number; high: number } | null {
  for (let far = 0; far <= LOOKED_ROUND; far += 0.7) {
    const steps = far === 0 ? 1 : Math.ceil((2 * Math.PI * far) / 0.7);
    for (let i = 0; i < steps; i++) {
      const angle = (2 * Math.PI * i) / steps;
      const there = {
        x: at.x + far * CODE_SQUARE * Math.cos(angle),
        y: at.y + far * CODE_SQUARE * Math.sin(angle),
      };
      const found = patternAt(greys, h, there);
      if (found) return { at: there, ...found };
    }
  }
  return null;
}

/**
 * Where the middle of a finder pattern really lies: the middle of the dark square in its midst, weighed by how dark each point is.
 * @param on where it lies on the sheet, mm
 * @returns px; null where no such mark is to be seen
 */
function markAt(greys: Greys, h: Homography, back: Homography, on: Point): Point | null {
  let near = patternNear(greys, h, on);
  for (let turn = 0; turn < 3 && near; turn++) {
    const shift = middleOfDark(greys, h, back, near);
    if (!shift) return null;
    near = { ...near, at: { x: near.at.x + shift.x * CODE_SQUARE, y: near.at.y + shift.y * CODE_SQUARE } };
    if (Math.hypot(shift.x, shift.y) < 0.02) break;
  }
  return near && mapped(h, near.at);
}

/** How far the middle of the dark square lies from where it was thought, in squares of the code: in the sheet’s own plane, so that what is nearer does not pull at it. */
function middleOfDark(
  greys: Greys,
  h: Homography,
  back: Homography,
  { at, low, high }: { at: Point; low: number; high: number },
): Point | null {
  const reach = 2.1 * CODE_SQUARE;
  const box = [
    [-reach, -reach],
    [reach, -reach],
    [reach, reach],
    [-reach, reach],
  ].flatMap(([x, y]) => mapped(h, { x: at.x + x!, y: at.y + y! }) ?? []);
  if (box.length < 4) return null;
  const span = (list: readonly number[], most: number) =>
    [Math.max(0, Math.floor(Math.min(...list))), Math.min(most, Math.ceil(Math.max(...list)))] as const;
  const [left, right] = span(
    box.map((p) => p.x),
    greys.width,
  );
  const [top, bottom] = span(
    box.map((p) => p.y),
    greys.height,
  );
  let [sum, sumX, sumY] = [0, 0, 0];
  for (let y = top; y < bottom; y++)
    for (let x = left; x < right; x++) {
      const on = mapped(back, { x: x + 0.5, y: y + 0.5 });
      if (!on) continue;
      const [u, v] = [(on.x - at.x) / CODE_SQUARE, (on.y - at.y) / CODE_SQUARE];
      if (Math.abs(u) > 2 || Math.abs(v) > 2) continue;
      const darkness = (high - greys.data[y * greys.width + x]!) / (high - low);
      const weight = Math.min(1, Math.max(0, (darkness - 0.15) / 0.7));
      sum += weight;
      sumX += weight * u;
      sumY += weight * v;
    }
  return sum < 4 ? null : { x: sumX / sum, y: sumY / sum };
}

/** The codes of one paper: of two sheets in a picture the one of which more is seen. */
function ofOnePaper(all: readonly Seen[]): readonly Seen[] {
  const by = (paper: SheetPaper) => all.filter((s) => s.paper === paper);
  return by('a4').length >= by('letter').length ? by('a4') : by('letter');
}

/** The marks of all four codes, looked for where those that were read say; of one that was read and looks otherwise there, as the decoder has them. */
function marksBy(greys: Greys, codes: readonly Seen[]): { marks: Mark[]; seen: number } | null {
  const { paper } = codes[0]!;
  let marks = codes.flatMap((c) => findersOf(paper, c.corner).map((on, i) => ({ on, at: c.finders[i]! })));
  let seen = codes.length;
  for (let turn = 0; turn < 3; turn++) {
    const h = homographyOf(
      marks.map((m) => m.on),
      marks.map((m) => m.at),
    );
    const back = h && inverted(h);
    if (!h || !back) return null;
    const now = [0, 1, 2, 3].map((corner) => {
      const found = findersOf(paper, corner).map((on) => ({ on, at: markAt(greys, h, back, on) }));
      // a code is seen whole or not at all: what looks like one of its marks alone is something else
      if (!found.some((m) => m.at === null)) return found as Mark[];
      const read = codes.find((c) => c.corner === corner);
      return read ? findersOf(paper, corner).map((on, i) => ({ on, at: read.finders[i]! })) : [];
    });
    marks = now.flat();
    seen = now.filter((list) => list.length > 0).length;
  }
  return { marks, seen };
}

/**
 * Finds the measuring sheet in a picture.
 * @param decode a decoder of QR codes that finds one at a time
 * @returns null when fewer than two of its codes are to be read
 */
export function findSheet(greys: Greys, decode: Decode): FoundSheet | null {
  let codes = ofOnePaper(codesIn(greys, decode, 2));
  if (codes.length < 2) return null;
  let found = marksBy(greys, codes);
  // where two codes say the others are, they are not: the sheet is bent, or covered
  if (found && found.seen < 4) {
    codes = ofOnePaper(codesIn(greys, decode, 4));
    if (codes.length >= 2) found = marksBy(greys, codes);
  }
  if (!found || codes.length < 2) return null;
  const { paper } = codes[0]!;
  const { marks } = found;
  const h = homographyOf(
    marks.map((m) => m.on),
    marks.map((m) => m.at),
  );
  const back = h && inverted(h);
  if (!h || !back) return null;
  const squares = marks.reduce((sum, { on, at }) => {
    const q = mapped(back, at);
    return sum + (q ? (q.x - on.x) ** 2 + (q.y - on.y) ** 2 : 1e6);
  }, 0);
  const { width, height } = KNOWN[paper];
  const corners = [
    { x: 0, y: 0 },
    { x: width, y: 0 },
    { x: width, y: height },
    { x: 0, y: height },
  ].map((p) => mapped(h, p));
  if (corners.includes(null)) return null;
  const bowed = Math.sqrt(squares / marks.length);
  return { paper, corners: corners as Point[], marks, codes: found.seen, bowed, lifted: liftedIn(marks) };
}

/** How far the code farthest off lies from where the other three say, mm. @param marks those of a code one after the other */
function liftedIn(marks: readonly Mark[]): number {
  const each = 3;
  if (marks.length < 4 * each) return 0;
  const off = [0, 1, 2, 3].map((code) => {
    const own = marks.slice(code * each, (code + 1) * each);
    const rest = marks.filter((m) => !own.includes(m));
    const h = homographyOf(
      rest.map((m) => m.on),
      rest.map((m) => m.at),
    );
    const back = h && inverted(h);
    const there = own.flatMap(({ at }) => (back ? (mapped(back, at) ?? []) : []));
    if (there.length < each) return 0;
    const d = minus(middleOf(there), middleOf(own.map((m) => m.on)));
    return Math.hypot(d.x, d.y);
  });
  return Math.max(...off);
}
