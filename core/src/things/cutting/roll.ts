import { type Cut, type Piece } from './guillotine.ts';

/** Pieces cut off a roll or a bolt. */
export type OffRoll = {
  /** what is cut off, as wide as the roll and as long as is used; null: nothing */
  cut: Cut | null;
  /** length used, mm */
  used: number;
  /** of each piece, how many come out of it */
  counts: number[];
  /** no way needs less: the area of the pieces over the width of the roll, or the longest piece, mm */
  bound: number;
};

type Strip = {
  length: number;
  left: number;
  pieces: { piece: number; turned: boolean; across: number; along: number }[];
};

/**
 * Pieces off a roll in strips from edge to edge: the longest first, each into the first strip with room beside what is there (first fit by decreasing
 * height; Coffman, Garey, Johnson and Tarjan 1980, memory: never more than 1.7 times the shortest and the longest piece over). Both ways of turning all
 * pieces, and each as it is shortest, are tried; the shortest of the three is taken. The grain runs along the roll.
 * @param width of the roll, mm
 * @param length there is, mm: what does not come out of it is not counted
 * @param wanted of each piece
 */
export function offRoll(width: number, length: number, pieces: readonly Piece[], wanted: readonly number[]): OffRoll {
  let best: Strip[] | null = null;
  for (const how of ['short', 'asIs', 'turned'] as const) {
    const strips = stripsOf(width, length, pieces, wanted, how);
    if (!best || better(strips, best)) best = strips;
  }
  const counts = pieces.map(() => 0);
  for (const s of best!) for (const p of s.pieces) counts[p.piece]!++;
  const used = usedBy(best!);
  const area = pieces.reduce((sum, p, i) => sum + counts[i]! * p.width * p.depth, 0);
  const longest = Math.max(0, ...pieces.map((p, i) => (counts[i]! > 0 ? Math.min(...alongs(p, width)) : 0)));
  return { cut: treeOf(best!, width), used, counts, bound: Math.max(area / width, longest) };
}

const usedBy = (strips: readonly Strip[]) => strips.reduce((sum, s) => sum + s.length, 0);
const countOf = (strips: readonly Strip[]) => strips.reduce((sum, s) => sum + s.pieces.length, 0);
const better = (a: readonly Strip[], b: readonly Strip[]) =>
  countOf(a) > countOf(b) || (countOf(a) === countOf(b) && usedBy(a) < usedBy(b) - 1e-9);

/** How long a piece may lie along the roll. */
const alongs = (p: Piece, width: number): number[] => [
  ...(p.grain !== 'width' && p.width <= width + 1e-9 ? [p.depth] : []),
  ...(p.grain !== 'depth' && p.depth <= width + 1e-9 ? [p.width] : []),
];

function stripsOf(
  width: number,
  length: number,
  pieces: readonly Piece[],
  wanted: readonly number[],
  how: 'short' | 'asIs' | 'turned',
): Strip[] {
  const list = pieces.flatMap((p, piece) => {
    const ways = [
      ...(p.grain !== 'width' && p.width <= width + 1e-9 ? [{ turned: false, across: p.width, along: p.depth }] : []),
      ...(p.grain !== 'depth' && p.depth <= width + 1e-9 ? [{ turned: true, across: p.depth, along: p.width }] : []),
    ];
    const liked = how === 'short' ? undefined : ways.find((w) => w.turned === (how === 'turned'));
    const way = liked ?? ways.sort((a, b) => a.along - b.along)[0];
    return way ? Array.from({ length: wanted[piece]! }, () => ({ piece, ...way })) : [];
  });
  list.sort((a, b) => b.along - a.along || b.across - a.across || a.piece - b.piece);
  const strips: Strip[] = [];
  for (const one of list) {
    let strip = strips.find((s) => s.left >= one.across - 1e-9);
    if (!strip) {
      if (usedBy(strips) + one.along > length + 1e-9) continue;
      strips.push((strip = { length: one.along, left: width, pieces: [] }));
    }
    strip.pieces.push(one);
    strip.left -= one.across;
  }
  return strips;
}

/** Strips as cuts: one after the other off the roll, each then across its width. */
function treeOf(strips: readonly Strip[], width: number): Cut | null {
  let rest: Cut | null = null;
  let restLength = 0;
  for (const strip of [...strips].reverse()) {
    const one = stripTree(strip, width);
    const depth: number = strip.length + restLength;
    rest = rest ? { what: 'cut', across: 'depth', at: strip.length, width, depth, first: one, second: rest } : one;
    restLength = depth;
  }
  return rest;
}

function stripTree({ pieces, length, left }: Strip, width: number): Cut {
  let rest: Cut | null = left > 1e-9 ? { what: 'left', width: left, depth: length } : null;
  let restWidth = Math.max(0, left);
  for (const p of [...pieces].reverse()) {
    const piece: Cut = { what: 'piece', piece: p.piece, turned: p.turned, width: p.across, depth: p.along };
    const over = length - p.along;
    const column: Cut =
      over > 1e-9
        ? {
            what: 'cut',
            across: 'depth',
            at: p.along,
            width: p.across,
            depth: length,
            first: piece,
            second: { what: 'left', width: p.across, depth: over },
          }
        : piece;
    const all: number = p.across + restWidth;
    rest = rest
      ? { what: 'cut', across: 'width', at: p.across, width: all, depth: length, first: column, second: rest }
      : column;
    restWidth = all;
  }
  return rest ?? { what: 'left', width, depth: length };
}
