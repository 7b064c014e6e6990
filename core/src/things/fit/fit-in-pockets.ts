import { type Holder, POCKET_THICK } from './holder.ts';
import { CLOSE, type Block, sorted } from './piece.ts';
import { type Fit, no } from './fit.ts';

export function inPockets(holder: Holder, piece: Block, count: number): Fit {
  const [thick, a, b] = sorted(piece);
  const [, short, long] = sorted(holder);
  if (thick > POCKET_THICK) return no(`${Math.ceil(thick - POCKET_THICK)} mm too thick for a pocket`);
  const over = Math.max(a - short, b - long);
  if (over > CLOSE) return no(`needs pockets ${Math.ceil(over)} mm larger`);
  const each = Math.max(1, Math.floor(POCKET_THICK / thick + CLOSE));
  const use = Math.ceil(count / each);
  const fits = each * holder.pockets;
  if (fits < count) return no(`only ${fits} of ${count} go in`, fits);
  return { ok: true, use, fits, hidden: count - use, set: null, words: `${use} pockets, ${each} in each` };
}
