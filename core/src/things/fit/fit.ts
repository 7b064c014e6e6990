import { type Supply } from '../../record/plan/index.ts';
import { type Holder } from './holder.ts';
import { CLOSE, MARGIN, type Block, sorted } from './piece.ts';

/** How a number of one supply goes into a place that has nothing else in it. */
export type Fit =
  | {
      ok: true;
      /** what they use, in the measure of the place’s nature */
      use: number;
      /** how many would go in at most */
      fits: number;
      /** pieces behind, under or among others of their kind */
      hidden: number;
      /** how they are turned and set; null where they are thrown in or put into pockets */
      set: Setting | null;
      words: string;
    }
  | { ok: false; reason: string; /** how many go in, not all of them */ fits: number };

/** One kind set in a place: stacks of so many layers, each with its rectangle; in a row, columns of so many stacks one behind another. */
export type Setting = {
  pose: Block;
  /** rectangle of one stack with its play */
  width: number;
  depth: number;
  layers: number;
  /** pieces in one stack */
  pieces: number;
  /** height of one stack of all layers, mm */
  height: number;
  stacks: number;
  /** stacks one behind another in a column of a row */
  deep: number;
  /** frontage in a row, mm */
  frontage: number;
  /** staggered circles in one block, not a grid */
  staggered: boolean;
  mayTurn: boolean;
};

/** It does not go in, why, and how many would. */
export const no = (reason: string, fits = 0): Fit => ({ ok: false, reason, fits });

/** How stacks of one piece are set, in rows and columns of the grid; what is otherwise is said by who calls it. */
export const setting = (
  pose: Block,
  width: number,
  depth: number,
  layers: number,
  height: number,
  stacks: number,
): Setting => ({
  pose: { width: pose.width, depth: pose.depth, height: pose.height },
  width,
  depth,
  layers,
  pieces: layers,
  height,
  stacks,
  deep: 1,
  frontage: 0,
  staggered: false,
  mayTurn: true,
});

/** How many pieces of a height (mm) lie on each other in a place, as far as they bear it. */
export function layersOf(holder: Holder, supply: Supply, height: number): number {
  return Math.min(Math.floor((holder.height + CLOSE) / height), supply.stackLimit ?? Infinity);
}

/** Stacks of one thing beyond so many are laid in blocks. */
export const MANY = 24;

/** By how much the piece, in its best turn, is too big; sizes compared in order of length. */
export function shortBy(holder: Holder, piece: Block): string {
  const inside = sorted(holder);
  const over = Math.max(...sorted(piece).map((o, i) => o + 2 * MARGIN - inside[i]!));
  return over > 0 ? `needs ${Math.ceil(over)} mm more` : 'does not go in the way it must lie';
}

/** Ways a supply may be kept, and whether a place is for hanging. */
export const lies = (supply: Supply) => supply.lies.includes('flat');
export const stands = (supply: Supply) => supply.lies.some((way) => way === 'upright' || way === 'edge');
export const hangs = (holder: Holder) => ['board', 'hook', 'hanger'].includes(holder.kind);
