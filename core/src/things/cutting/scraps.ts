import { colourDifference, type HueFamily, isWarm, toneOf } from '../colour/index.ts';
import { type Scrap } from '../../record/plan/index.ts';

/** What a scrap is looked for by: its size, and a colour near which, a family, or warm or cold; nothing: any. */
export type Sought = {
  width: number;
  depth: number;
  colour?: string | undefined;
  family?: HueFamily | undefined;
  warm?: boolean | undefined;
};

/** Colours further apart than this are not of one colour to anybody (CIEDE2000; own assumption). */
export const ALIKE = 15;

/** Whether a piece can be cut out of a scrap, turned if need be. */
export const holds = (scrap: Pick<Scrap, 'width' | 'depth'>, piece: { width: number; depth: number }): boolean =>
  (scrap.width >= piece.width && scrap.depth >= piece.depth) ||
  (scrap.width >= piece.depth && scrap.depth >= piece.width);

/** Scraps that will do, the smallest first; of two alike in size the nearer colour. */
export function scrapsFor(scraps: readonly Scrap[], sought: Sought): Scrap[] {
  const far = (s: Scrap) => (sought.colour && s.colour ? colourDifference(s.colour, sought.colour) : 0);
  return scraps
    .filter((s) => s.count > 0 && holds(s, sought))
    .filter((s) => !sought.colour || (s.colour !== null && far(s) <= ALIKE))
    .filter((s) => !sought.family || (s.colour !== null && toneOf(s.colour).family === sought.family))
    .filter((s) => sought.warm === undefined || (s.colour !== null && isWarm(s.colour) === sought.warm))
    .sort((a, b) => a.width * a.depth - b.width * b.depth || far(a) - far(b) || (a.id < b.id ? -1 : 1));
}

/** Scraps out of which nothing that is made here can be cut. */
export const tooSmall = (scraps: readonly Scrap[], pieces: readonly { width: number; depth: number }[]): Scrap[] =>
  pieces.length === 0 ? [] : scraps.filter((s) => !pieces.some((p) => holds(s, p)));

/** Shorter than this a rest is filed only where something that is kept cut comes out of it, mm (own assumption). */
const SMALLEST = 50;

/** Whether a rest is worth filing: something kept cut comes out of it; where nothing is kept cut, it is no mere strip. */
export const worthFiling = (
  rest: { width: number; depth: number },
  pieces: readonly { width: number; depth: number }[],
): boolean => (pieces.length === 0 ? Math.min(rest.width, rest.depth) >= SMALLEST : pieces.some((p) => holds(rest, p)));

type Rect = { width: number; depth: number };

/**
 * What is left of a scrap when one piece is cut out of its corner in two cuts from edge to edge: of the four ways (turned or not, either cut first) the
 * one with the largest single rest. Empty when the piece does not come out of it or nothing is left.
 */
export function restsOf(scrap: Rect, piece: Rect): Rect[] {
  let best: Rect[] = [];
  const largest = (rests: readonly Rect[]) => Math.max(0, ...rests.map((r) => r.width * r.depth));
  for (const [w, d] of [
    [piece.width, piece.depth],
    [piece.depth, piece.width],
  ] as const) {
    if (w > scrap.width || d > scrap.depth) continue;
    for (const rests of [
      [
        { width: scrap.width - w, depth: scrap.depth },
        { width: w, depth: scrap.depth - d },
      ],
      [
        { width: scrap.width, depth: scrap.depth - d },
        { width: scrap.width - w, depth: d },
      ],
    ])
      if (largest(rests) > largest(best)) best = rests;
  }
  return best.filter((r) => r.width > 0 && r.depth > 0);
}

/** Pieces that come out of scraps before a sheet is cut: one of a scrap, the largest pieces first, each out of the smallest scrap of its paper. */
export function outOfScraps<P extends { id: string; supplyId: string; width: number; depth: number }>(
  scraps: readonly Scrap[],
  wanted: readonly { piece: P; count: number }[],
): { piece: P; scrap: Scrap; count: number }[] {
  const left = new Map(scraps.map((s) => [s.id, s.count]));
  const out: { piece: P; scrap: Scrap; count: number }[] = [];
  const order = [...wanted].sort((a, b) => b.piece.width * b.piece.depth - a.piece.width * a.piece.depth);
  for (const { piece, count } of order) {
    let open = count;
    for (const scrap of scrapsFor(
      scraps.filter((s) => s.supplyId === piece.supplyId),
      { width: piece.width, depth: piece.depth },
    )) {
      const n = Math.min(open, left.get(scrap.id)!);
      if (n === 0) continue;
      left.set(scrap.id, left.get(scrap.id)! - n);
      out.push({ piece, scrap, count: n });
      open -= n;
      if (open === 0) break;
    }
  }
  return out;
}
