import { cartBeside } from '../../space/reach/index.ts';
import { type Unit } from '../../record/plan/index.ts';
import { type Site } from './cost.ts';
import { placed, type Shape } from './pieces.ts';
import { deep, outside, type Ground, type Taking } from './rules.ts';

/** A cart that is rolled up beside a seat while somebody works there: the number of that seat, which of the pieces it is, its shapes at the origin. */
export type Visit = { seat: number; cart: Unit; piece: number; solids: readonly Shape[] };

/**
 * How much a cart would be in walls and other things beside a seat, on the side where it has more room, mm.
 * @param pieces what stands in the room; the cart itself among them is not in its own way
 */
export function visitBroken(
  ground: Ground,
  { cart, piece, solids }: Visit,
  at: Site,
  pieces: readonly (Taking | undefined)[],
): number {
  const beside = (side: number) => {
    const spot = cartBeside(at, cart, side);
    let sum = 0;
    for (const solid of solids) {
      const there = placed(solid, spot);
      for (const corner of there.corners) sum += outside(ground, corner);
      for (const [i, other] of pieces.entries())
        if (other && i !== piece) for (const s of other.solids) sum += deep(there, s);
    }
    return sum;
  };
  const first = beside(1);
  return first === 0 ? 0 : Math.min(first, beside(-1));
}
