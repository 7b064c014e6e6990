import { type Point } from '../geometry/index.ts';
import { focalFrom, focalOf, type ImageSize, middleOf, type Pose, poseOf } from './camera.ts';
import { type Homography, homographyOf, inverted, mapped } from './homography.ts';
import { KNOWN, type KnownSize } from './known.ts';
import { bent, type Lens, lensOf, straightened } from './lens.ts';

/** A point is pressed to so many points of the picture (standard deviation; design: a pixel and a half), and found so well by a code (own measurement). */
export const POINTING = 1.5;
export const CODED = 0.15;
/** Nineteen of twenty lie within so many standard deviations. */
export const NINETEEN = 1.96;

/** What is marked in a picture of a plane. */
export type Marked = {
  image: ImageSize;
  /** the four corners of what is known, one after the other, the first side its width; px */
  corners: readonly Point[];
  known: KnownSize;
  /** points along edges that are straight; px */
  straight?: readonly (readonly Point[])[];
  /** how well the corners, or the marks, are marked, px (standard deviation) */
  pointing?: number;
  /** points of the plane (mm) and where they are seen (px), where more than the corners are known; the corners are then for show */
  marks?: readonly Mark[];
  /** how the lens bends, where that is known already */
  lens?: Lens;
};
/** A point of the plane, mm, and where it is seen, px. */
export type Mark = { on: Point; at: Point };

/** A camera, as far as it is known: focal length in px with its doubt (share, standard deviation), and how it stands to the plane. */
type Camera = { focal: number; doubt: number; pose: Pose };

/** A plane in a picture, ready to be measured in. Its origin is the first corner of what is known, x along the first side. */
export type Plane = {
  image: ImageSize;
  corners: readonly Point[];
  known: KnownSize;
  lens: Lens;
  toPicture: Homography;
  toPlane: Homography;
  camera: Camera | null;
  /** the same plane with one thing marked a standard deviation otherwise: what a length then is says how much it leans on that */
  leaning: readonly Leaning[];
};
type Leaning = { toPlane: Homography; lens: Lens; height: number | null };

export type PlaneRead = { ok: true; plane: Plane } | { ok: false; trouble: string };

/** Seen flatter than this, what is far is a few points for a hand’s breadth (own limit; the design asks for 50°), degrees from straight. */
const MOST_TILT = 68;
/** Sides of the known thing shorter than this say too little, px (own limit). */
const LEAST_SIDE = 24;
/** What a picture’s own word for its focal length is rounded to, mm: a whole one, so 0.29 standard deviation. */
const FOCAL_ROUNDED = 0.29;
/** Ratios that differ by less than this are taken for the same (own limit: A4 and Letter differ by 0.089). */
const SAME_RATIO = 0.03;
/** Lenses at hand bow by about so much where nothing tells (own assumption). */
const USUAL_BOW = 0.05;
/** Focal lengths of cameras at hand, mm as of 35 mm film: tried where a picture says none. */
const USUAL_FOCALS = Array.from({ length: 19 }, (_, i) => 20 * 1.08 ** i);

const squareOf = ({ width, height }: KnownSize): Point[] => [
  { x: 0, y: 0 },
  { x: width, y: 0 },
  { x: width, y: height },
  { x: 0, y: height },
];

/** Four corners go round one way, none of them inwards. */
function goesRound(corners: readonly Point[]): boolean {
  const turns = corners.map((p, i) => {
    const q = corners[(i + 1) % 4]!;
    const r = corners[(i + 2) % 4]!;
    return (q.x - p.x) * (r.y - q.y) - (q.y - p.y) * (r.x - q.x);
  });
  return turns.every((t) => t > 0) || turns.every((t) => t < 0);
}

/** How far the farthest of four corners lies from the line through its neighbours, for the one nearest to it, px. */
const leastBreadth = (corners: readonly Point[]): number =>
  Math.min(
    ...corners.map((p, i) => {
      const [a, b] = [corners[(i + 3) % 4]!, corners[(i + 1) % 4]!];
      const long = Math.hypot(b.x - a.x, b.y - a.y);
      return Math.abs((b.x - a.x) * (a.y - p.y) - (a.x - p.x) * (b.y - a.y)) / Math.max(long, 1e-9);
    }),
  );

/**
 * Reads the plane that four corners of a thing of known size lie in.
 * @returns the plane, or why it cannot be measured in, in words
 */
export function planeIn(marked: Marked): PlaneRead {
  const { image, corners, straight = [] } = marked;
  const marks = marksOf(marked);
  const no = (trouble: string): PlaneRead => ({ ok: false, trouble });
  if (corners.length !== 4) return no('Four corners are wanted, one after the other.');
  const sides = corners.map((p, i) => Math.hypot(p.x - corners[(i + 1) % 4]!.x, p.y - corners[(i + 1) % 4]!.y));
  if (Math.min(...sides) < 1e-6) return no('Two of the corners lie on each other.');
  if (leastBreadth(corners) < 2)
    return no('Three of the corners lie in a line: it is seen edge-on, or they are not its corners.');
  if (!goesRound(corners))
    return no('These corners do not go round: press them one after the other, the way round the sheet.');
  if (Math.min(...sides) < LEAST_SIDE)
    return no(
      `What is known is only ${Math.round(Math.min(...sides))} points wide in this picture: go nearer, or take a larger sheet.`,
    );
  const bowed = marked.lens === undefined ? lensOf(straight, image, POINTING) : { lens: marked.lens, doubt: 0 };
  const lens = bowed?.lens ?? 0;
  const h = fitted(marks, lens, image);
  const back = h && inverted(h);
  if (!h || !back) return no('These corners are of nothing flat with four right angles: are they where they belong?');
  const camera = cameraOf(h, lens, marked);
  const tilt = camera?.pose.tilt ?? tiltAt(h, image);
  if (tilt > MOST_TILT)
    return no(
      `It is seen too much from the side (about ${Math.round(tilt)}° from straight): hold the camera more over it.`,
    );
  const wrong = wrongSheet(marked, lens, bowed?.doubt ?? USUAL_BOW, camera);
  if (wrong) return no(wrong);
  const plane = { image, corners, known: marked.known, lens, toPicture: h, toPlane: back, camera };
  return { ok: true, plane: { ...plane, leaning: leaningOf(marked, lens, bowed?.doubt ?? 0, camera) } };
}

const marksOf = ({ marks, corners, known }: Marked): readonly Mark[] =>
  marks ?? squareOf(known).map((on, i) => ({ on, at: corners[i]! }));

/** Marks again and again, each time one of them pulled a little to one side or down. */
const pulledOf = (marks: readonly Mark[], by: number): Mark[][] =>
  marks.flatMap((_, i) =>
    [
      [by, 0],
      [0, by],
    ].map(([dx, dy]) => marks.map((m, k) => (k === i ? { on: m.on, at: { x: m.at.x + dx!, y: m.at.y + dy! } } : m))),
  );

const fitted = (marks: readonly Mark[], lens: Lens, image: ImageSize): Homography | null =>
  homographyOf(
    marks.map((m) => m.on),
    marks.map((m) => straightened(m.at, lens, image)),
  );

/** The camera by what the picture says of itself; else by how the known right angles are seen, where that says it. */
function cameraOf(h: Homography, lens: Lens, marked: Marked): Camera | null {
  const { image, pointing = POINTING } = marked;
  const middle = middleOf(image);
  if (image.focal35 !== undefined) {
    const focal = focalOf(image, image.focal35);
    return { focal, doubt: FOCAL_ROUNDED / image.focal35, pose: poseOf(h, focal, middle) };
  }
  const focal = focalFrom(h, middle);
  if (focal === null) return null;
  let squares = 0;
  for (const at of pulledOf(marksOf(marked), pointing)) {
    const other = fitted(at, lens, image);
    const then = other && focalFrom(other, middle);
    if (!then) return null;
    squares += ((then - focal) / focal) ** 2;
  }
  const doubt = Math.sqrt(squares);
  return doubt < 0.12 ? { focal, doubt, pose: poseOf(h, focal, middle) } : null;
}

/** Tilt where no focal length is known: as a usual camera would have it. */
const tiltAt = (h: Homography, image: ImageSize): number => poseOf(h, focalOf(image, 28), middleOf(image)).tilt;

/** Says that what lies there has other sides than what was named; null: it may well be it. */
function wrongSheet(marked: Marked, lens: Lens, lensDoubt: number, camera: Camera | null): string | null {
  const { image, known, pointing = POINTING } = marked;
  const middle = middleOf(image);
  // as if it were a square: how much longer one side is comes out
  const marks = marksOf(marked).map(({ on, at }) => ({ on: { x: on.x / known.width, y: on.y / known.height }, at }));
  const ratioOf = (at: readonly Mark[], focal: number, by = lens): number | null => {
    const h = fitted(at, by, image);
    return h && poseOf(h, focal, middle).ratio;
  };
  const said = image.focal35 === undefined ? null : camera;
  const focals = said ? [said.focal] : USUAL_FOCALS.map((f) => focalOf(image, f));
  const named = known.width / known.height;
  const off = (ratio: number, of: number) => Math.abs(Math.log(ratio / of));
  let best: { ratio: number; focal: number } | null = null;
  for (const focal of focals) {
    const ratio = ratioOf(marks, focal);
    if (ratio !== null && (!best || off(ratio, named) < off(best.ratio, named))) best = { ratio, focal };
  }
  if (!best) return null;
  const { ratio, focal } = best;
  let squares = said ? off(ratioOf(marks, focal * (1 + said.doubt)) ?? ratio, ratio) ** 2 : 0;
  squares += off(ratioOf(marks, focal, lens - lensDoubt) ?? ratio, ratio) ** 2;
  for (const at of pulledOf(marks, pointing)) squares += off(ratioOf(at, focal) ?? ratio, ratio) ** 2;
  const doubt = 3 * Math.sqrt(squares) + SAME_RATIO;
  if (off(ratio, named) <= doubt) return null;
  const close = (of: number) => off(ratio, of) <= doubt && off(ratio, of) < off(ratio, named);
  if (close(1 / named))
    return 'It lies the other way: begin at another corner, so that its first side is the one named first.';
  const ofAName = Object.values(KNOWN).some((k) => k.width === known.width && k.height === known.height);
  const other = Object.values(KNOWN).find(
    (k) => ofAName && Math.abs(k.width - known.width) > 1 && (close(k.width / k.height) || close(k.height / k.width)),
  );
  const sides = `its sides are as 1 to ${Math.max(ratio, 1 / ratio).toFixed(2)}, and not as 1 to ${Math.max(named, 1 / named).toFixed(2)}`;
  return other
    ? `This looks like ${other.name}: ${sides}.`
    : `What lies there is not what was named: ${sides}. Are the corners where they belong?`;
}

function leaningOf(marked: Marked, lens: Lens, lensDoubt: number, camera: Camera | null): Leaning[] {
  const { image, pointing = POINTING } = marked;
  const marks = marksOf(marked);
  const middle = middleOf(image);
  const out: Leaning[] = [];
  const add = (at: readonly Mark[], by: Lens, focal: number | null) => {
    const h = fitted(at, by, image);
    const back = h && inverted(h);
    if (h && back)
      out.push({ toPlane: back, lens: by, height: focal === null ? null : poseOf(h, focal, middle).height });
  };
  const focal = camera?.focal ?? null;
  for (const at of pulledOf(marks, pointing)) add(at, lens, focal);
  if (lensDoubt > 0) add(marks, lens + lensDoubt, focal);
  if (camera) add(marks, lens, camera.focal * (1 + camera.doubt));
  return out;
}

/** A point of the picture in the plane, mm from its origin; null beyond the horizon. */
export const onPlane = (plane: Plane, p: Point): Point | null =>
  mapped(plane.toPlane, straightened(p, plane.lens, plane.image));

/** A point of the plane in the picture, px. */
export function inPicture(plane: Plane, p: Point): Point | null {
  const at = mapped(plane.toPicture, p);
  return at && bent(at, plane.lens, plane.image);
}

/** A length with nineteen-in-twenty doubt, mm. */
export type Measured = { length: number; plusMinus: number };

/** By how much what stands so high over the plane is to be shortened: what is nearer looks larger. */
export const shrinkAt = (plane: Plane, above: number): number | null => {
  if (above === 0) return 1;
  const height = plane.camera?.pose.height;
  return height === undefined || height <= above ? null : (height - above) / height;
};

/**
 * How long it is from one point of the picture to another, in the plane or so high over it.
 * @param pointing how well the two ends are marked, px (standard deviation)
 * @returns mm with what it may be more or less; null beyond the horizon, or above the plane where the camera’s height is not known
 */
export function lengthBetween(plane: Plane, from: Point, to: Point, above = 0, pointing = POINTING): Measured | null {
  const lengthWith = (toPlane: Homography, lens: Lens, height: number | null, a: Point, b: Point): number | null => {
    const p = mapped(toPlane, straightened(a, lens, plane.image));
    const q = mapped(toPlane, straightened(b, lens, plane.image));
    if (!p || !q) return null;
    const by = above === 0 ? 1 : height === null || height <= above ? null : (height - above) / height;
    return by === null ? null : Math.hypot(p.x - q.x, p.y - q.y) * by;
  };
  const height = plane.camera?.pose.height ?? null;
  const length = lengthWith(plane.toPlane, plane.lens, height, from, to);
  if (length === null) return null;
  let squares = 0;
  for (const l of plane.leaning) {
    const then = lengthWith(l.toPlane, l.lens, above === 0 ? 1 : l.height, from, to);
    if (then !== null) squares += (then - length) ** 2;
  }
  for (const [dx, dy] of [
    [pointing, 0],
    [0, pointing],
  ] as const)
    for (const [a, b] of [
      [{ x: from.x + dx, y: from.y + dy }, to],
      [from, { x: to.x + dx, y: to.y + dy }],
    ] as const) {
      const then = lengthWith(plane.toPlane, plane.lens, height, a, b);
      if (then !== null) squares += (then - length) ** 2;
    }
  return { length, plusMinus: NINETEEN * Math.sqrt(squares) };
}
