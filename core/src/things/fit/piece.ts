import { type Supply } from '../../record/plan/index.ts';
import { caliperOf } from './sheets.ts';

/** Inside of a place, mm. */
export type Cavity = { width: number; depth: number; height: number };
/** One piece: outer sizes as it lies flat, mm. */
export type Block = { width: number; depth: number; height: number };

/** Free space on each side of a piece that stands beside another or a wall, mm; nothing between the layers of a stack (docs/sources.md, 5). */
export const MARGIN = 2;
/** Rounding of sizes that were added up, mm. */
export const CLOSE = 1e-6;

/** Outer sizes of one piece, or null while it is not measured. A sheet's thickness may come from its grammage. */
export function pieceOf(supply: Supply): Block | null {
  const { width, depth } = supply;
  const height = supply.height ?? (supply.form === 'sheet' && supply.grammage ? caliperOf(supply.grammage) : null);
  return width !== null && depth !== null && height !== null ? { width, depth, height } : null;
}

/** Sizes of a piece in order of length. */
export const sorted = ({ width, depth, height }: Block): [small: number, middle: number, large: number] =>
  [width, depth, height].sort((a, b) => a - b) as [number, number, number];

/** Diameter and length of what is round, or null: two of its sizes are alike and it is of a round form. */
export function roundOf(supply: Pick<Supply, 'form'>, piece: Block): { diameter: number; length: number } | null {
  if (!ROUND.includes(supply.form)) return null;
  const [small, middle, large] = sorted(piece);
  const alike = (a: number, b: number) => Math.abs(b - a) <= 0.03 * Math.max(a, b);
  // as wide as it is deep: it is round about its own height
  if (alike(piece.width, piece.depth)) return { diameter: Math.max(piece.width, piece.depth), length: piece.height };
  // a spool lower than it is wide: a disc
  if (alike(middle, large) && !alike(small, middle)) return { diameter: large, length: small };
  return alike(small, middle) ? { diameter: middle, length: large } : null;
}
const ROUND: readonly string[] = ['bottle', 'roll', 'spool', 'stick', 'long'];

/** What stands by itself one way up alone: its given height is its own upright. */
export const OWN_UPRIGHT: readonly string[] = ['bottle', 'machine'];

/** A way a piece may be turned: sizes across, backwards and upwards. `round`: standing round, or a bundle of round sticks lying with their ends to the front or the side. */
export type Pose = Block & { way: 'flat' | 'edge' | 'upright'; round: 'standing' | 'endOn' | 'across' | null };

/** The turns that the allowed ways of lying give, each also a quarter round: flat on the largest face, on the long edge, upright. */
export function posesOf(supply: Pick<Supply, 'form' | 'lies'>, piece: Block): Pose[] {
  const [small, middle, large] = sorted(piece);
  const round = roundOf(supply, piece);
  const out: Pose[] = [];
  const add = (way: Pose['way'], a: number, b: number, height: number) => {
    // a disc flat on its face, or a bottle on its feet, stands round; a roll lying shows its end or its side
    const stands = round !== null && Math.abs(height - round.length) < CLOSE;
    const shown = (width: number): Pose['round'] =>
      round === null
        ? null
        : stands
          ? 'standing'
          : Math.abs(width - round.diameter) < 0.03 * round.diameter + CLOSE
            ? 'endOn'
            : 'across';
    out.push({ way, width: a, depth: b, height, round: shown(a) });
    if (a !== b) out.push({ way, width: b, depth: a, height, round: shown(b) });
  };
  if (supply.lies.includes('flat')) add('flat', middle, large, small);
  if (supply.lies.includes('edge')) add('edge', small, large, middle);
  if (supply.lies.includes('upright')) {
    if (OWN_UPRIGHT.includes(supply.form)) add('upright', piece.width, piece.depth, piece.height);
    else add('upright', small, middle, large);
  }
  return out;
}
