/** A sheet to be cut, mm; the side the grain runs along, where it has one. */
export type Sheet = { width: number; depth: number; grain: 'width' | 'depth' | null };
/** A piece wanted, mm; the side of it that is to run with the grain. */
export type Piece = { id: string; width: number; depth: number; grain: 'any' | 'width' | 'depth' };

/** How a sheet falls apart: a cut from edge to edge into two, a piece, or what is left over. */
export type Cut =
  | { what: 'piece'; piece: number; turned: boolean; width: number; depth: number }
  | { what: 'left'; width: number; depth: number }
  | { what: 'cut'; across: 'width' | 'depth'; at: number; width: number; depth: number; first: Cut; second: Cut };

/** Lengths are reckoned in hundredths of a millimetre, so that halves of inches are exact. */
const UNIT = 100;
const whole = (mm: number): number => Math.round(mm * UNIT);

/** A way a piece may lie, in hundredths of a millimetre. */
export type Way = { piece: number; turned: boolean; width: number; depth: number };

/** The ways a piece may lie on a sheet: as it is or turned, the grain as it is wanted. */
function waysOf(sheet: Sheet, pieces: readonly Piece[]): Way[] {
  return pieces.flatMap((p, piece) => {
    const along = (turned: boolean) =>
      p.grain === 'any' || sheet.grain === null || (p.grain === sheet.grain) !== turned;
    const [w, d] = [whole(p.width), whole(p.depth)];
    const ways: Way[] = [];
    if (along(false)) ways.push({ piece, turned: false, width: w, depth: d });
    // turned a square is another one only by its grain
    if (along(true) && (w !== d || !along(false))) ways.push({ piece, turned: true, width: d, depth: w });
    return ways;
  });
}

/** Where cuts are worth trying: sums of sides (normal positions; Herz 1972, Christofides and Whitlock 1977, memory), the last one the length itself. */
function positions(length: number, sides: readonly number[], kerf: number): number[] {
  const found = new Set<number>();
  const go = (at: number) => {
    for (const s of sides) {
      const next = at + s;
      if (next > length || found.has(next)) continue;
      found.add(next);
      go(next + kerf);
    }
  };
  go(0);
  return [...found].sort((a, b) => a - b);
}

/**
 * Of each position what is left behind an earlier one, where that is worth trying: the last position that fits into it, + 1; 0 for nothing. Without a
 * width of the cut the two halves of a cut may change places, and one order is enough.
 */
function behind(at: readonly number[], kerf: number): Int32Array[] {
  return at.map((end, i) => {
    const found: number[] = [];
    for (let a = 0; a < i; a++) {
      const rest = end - at[a]! - kerf;
      if (rest < at[a]! && kerf === 0) break;
      found.push(lastAtMost(at, rest) + 1);
    }
    return Int32Array.from(found);
  });
}

/**
 * Everything about one sheet, its pieces and the width of the cut that does not depend on what the pieces are worth: the best way to cut is then found
 * by dynamic programming over rectangles (Gilmore and Gomory 1966, memory), exact for any number of each piece.
 */
export class Guillotine {
  readonly ways: readonly Way[];
  /** where cuts are worth trying across the width and across the depth, hundredths of a millimetre */
  readonly xs: readonly number[];
  readonly ys: readonly number[];
  private readonly kerf: number;
  /** see {@link behind} */
  private readonly behindX: readonly Int32Array[];
  private readonly behindY: readonly Int32Array[];

  /** @param kerf what a cut takes away, mm */
  constructor(
    readonly sheet: Sheet,
    readonly pieces: readonly Piece[],
    kerf = 0,
  ) {
    this.kerf = whole(kerf);
    this.ways = waysOf(sheet, pieces).filter((w) => w.width <= whole(sheet.width) && w.depth <= whole(sheet.depth));
    const sides = (of: (w: Way) => number) => [...new Set(this.ways.map(of))];
    this.xs = positions(
      whole(sheet.width),
      sides((w) => w.width),
      this.kerf,
    );
    this.ys = positions(
      whole(sheet.depth),
      sides((w) => w.depth),
      this.kerf,
    );
    this.behindX = behind(this.xs, this.kerf);
    this.behindY = behind(this.ys, this.kerf);
  }

  /** So many cuts of rectangles there are to be tried for one sheet. */
  get trials(): number {
    const sum = (of: readonly Int32Array[]) => of.reduce((n, list) => n + list.length, 0);
    return sum(this.behindX) * this.ys.length + sum(this.behindY) * this.xs.length;
  }

  /** Whether a piece goes onto the sheet at all. */
  takes(piece: number): boolean {
    return this.ways.some((w) => w.piece === piece);
  }

  /**
   * Cuts of the rectangle between positions in two that are worth trying: `how` as in {@link Done}, and the two parts as positions, −1 for one that
   * takes nothing.
   */
  *splits(i: number, j: number): Generator<{ how: number; first: [number, number]; second: [number, number] }> {
    for (const [a, second] of this.behindX[i]!.entries()) yield { how: -1 - a, first: [a, j], second: [second - 1, j] };
    for (const [a, second] of this.behindY[j]!.entries())
      yield { how: -1 - this.xs.length - a, first: [i, a], second: [i, second - 1] };
  }

  /**
   * The most worth one sheet can be cut into, any number of each piece.
   * @param values of the pieces; what is worth nothing is not cut
   */
  best(values: readonly number[]): { value: number; cut: Cut } {
    const { xs, ys } = this;
    const nx = xs.length;
    // the first row and the first column stand for what takes nothing
    const stride = nx + 1;
    const value = new Float64Array(stride * (ys.length + 1));
    const done = new Int32Array(stride * (ys.length + 1));
    for (let j = 0; j < ys.length; j++)
      for (let i = 0; i < nx; i++) {
        let most = 0;
        let how = 0;
        for (let k = 0; k < this.ways.length; k++) {
          const way = this.ways[k]!;
          if (way.width <= xs[i]! && way.depth <= ys[j]! && values[way.piece]! > most) {
            most = values[way.piece]!;
            how = k + 1;
          }
        }
        const row = (j + 1) * stride;
        const across = this.behindX[i]!;
        for (let a = 0; a < across.length; a++) {
          const v = value[row + a + 1]! + value[row + across[a]!]!;
          if (v > most) {
            most = v;
            how = -1 - a;
          }
        }
        const down = this.behindY[j]!;
        for (let a = 0; a < down.length; a++) {
          const v = value[(a + 1) * stride + i + 1]! + value[down[a]! * stride + i + 1]!;
          if (v > most) {
            most = v;
            how = -1 - nx - a;
          }
        }
        value[row + i + 1] = most;
        done[row + i + 1] = how;
      }
    const at = (w: number, d: number): Done | null => {
      const [i, j] = [lastAtMost(xs, w), lastAtMost(ys, d)];
      if (i < 0 || j < 0) return null;
      return { how: done[(j + 1) * stride + i + 1]!, first: at, second: at };
    };
    return { value: value.at(-1)!, cut: this.cutOf(at) };
  }

  /** How the whole sheet falls apart, from what is done with every rectangle in turn. */
  cutOf(sheetDone: (w: number, d: number) => Done | null): Cut {
    const { xs, ys, kerf } = this;
    const cut = (across: 'width' | 'depth', at: number, w: number, d: number, first: Cut, second: Cut): Cut => ({
      what: 'cut',
      across,
      at: at / UNIT,
      width: w / UNIT,
      depth: d / UNIT,
      first,
      second,
    });
    const left = (w: number, d: number): Cut => ({ what: 'left', width: w / UNIT, depth: d / UNIT });
    const tree = (of: (w: number, d: number) => Done | null, w: number, d: number): Cut => {
      const done = of(w, d);
      if (!done || done.how === 0) return left(w, d);
      const { how, first, second } = done;
      if (how > 0) {
        const { piece, turned, width, depth } = this.ways[how - 1]!;
        const lies: Cut = { what: 'piece', piece, turned, width: width / UNIT, depth: depth / UNIT };
        // what is over is cut off: first across the width, then across the depth
        const strip =
          depth < d ? cut('depth', depth, width, d, lies, left(width, Math.max(0, d - depth - kerf))) : lies;
        return width < w ? cut('width', width, w, d, strip, left(Math.max(0, w - width - kerf), d)) : strip;
      }
      const across = how >= -xs.length ? 'width' : 'depth';
      if (across === 'width') {
        const at = xs[-1 - how]!;
        return cut('width', at, w, d, tree(first, at, d), tree(second, Math.max(0, w - at - kerf), d));
      }
      const at = ys[-1 - xs.length - how]!;
      return cut('depth', at, w, d, tree(first, w, at), tree(second, w, Math.max(0, d - at - kerf)));
    };
    return tree(sheetDone, whole(this.sheet.width), whole(this.sheet.depth));
  }
}

/**
 * What is done with a rectangle: its way + 1 for a piece, −1 − position of a cut across the width, −1 − positions across the width − position of one
 * across the depth, 0 for nothing; and what is done with the two parts of a cut, by their sides.
 */
export type Done = {
  how: number;
  first: (w: number, d: number) => Done | null;
  second: (w: number, d: number) => Done | null;
};

/** Position of the last number that is not above a limit; −1 where there is none. */
function lastAtMost(list: readonly number[], limit: number): number {
  let low = 0;
  let high = list.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (list[middle]! <= limit) low = middle + 1;
    else high = middle;
  }
  return low - 1;
}

/** How many of each piece a way of cutting gives. */
export function countsOf(cut: Cut, pieces: number): number[] {
  const counts = new Array<number>(pieces).fill(0);
  const go = (c: Cut) => {
    if (c.what === 'piece') counts[c.piece]!++;
    if (c.what === 'cut') [c.first, c.second].forEach(go);
  };
  go(cut);
  return counts;
}

/** So many of one piece come out of a sheet at most, and how they are cut. */
export function yieldOf(sheet: Sheet, piece: Piece, kerf = 0): { count: number; cut: Cut } {
  const { value, cut } = new Guillotine(sheet, [piece], kerf).best([1]);
  return { count: value, cut };
}

/** A piece where it lies on the sheet, mm from its left and its front. */
export type Laid = { piece: number; turned: boolean; x: number; y: number; width: number; depth: number };
/** A cut as it is made: of what came of the cuts before, at so much from its edge. */
export type Stroke = { across: 'width' | 'depth'; at: number; x: number; y: number; width: number; depth: number };

/** Where pieces lie, what is left over, and the cuts in the order in which they are made. */
export function drawnOf(
  cut: Cut,
  kerf = 0,
): { laid: Laid[]; left: Omit<Laid, 'piece' | 'turned'>[]; strokes: Stroke[] } {
  const laid: Laid[] = [];
  const left: Omit<Laid, 'piece' | 'turned'>[] = [];
  const strokes: Stroke[] = [];
  const go = (c: Cut, x: number, y: number) => {
    const { width, depth } = c;
    if (c.what === 'piece') laid.push({ piece: c.piece, turned: c.turned, x, y, width, depth });
    else if (c.what === 'left') {
      if (width > 0 && depth > 0) left.push({ x, y, width, depth });
    } else {
      strokes.push({ across: c.across, at: c.at, x, y, width, depth });
      go(c.first, x, y);
      if (c.across === 'width') go(c.second, x + c.at + kerf, y);
      else go(c.second, x, y + c.at + kerf);
    }
  };
  go(cut, 0, 0);
  return { laid, left, strokes };
}
