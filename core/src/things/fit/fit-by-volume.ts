import { type Supply } from '../../record/plan/index.ts';
import { capacityOf, type Holder } from './holder.ts';
import { CLOSE, type Block, sorted } from './piece.ts';
import { type Fit, no } from './fit.ts';

/** Room that things thrown in take, as a share filled by the things themselves (docs/sources.md, 5). */
const PACKING = { loose: 0.6, blocks: 0.55, soft: 0.9 } as const;

/** Soft things are pressed to so much of their volume (own assumption). */
const SQUEEZED = 0.7;

/** Filled as it comes: by volume. */
export function thrownIn(holder: Holder, supply: Supply, piece: Block, count: number): Fit {
  const inside = sorted(holder);
  const outside = sorted(piece);
  const press = supply.form === 'soft' ? Math.cbrt(SQUEEZED) : 1;
  const over = Math.max(...outside.map((o, i) => o * press - inside[i]!));
  if (over > CLOSE) return no(`needs ${Math.ceil(over)} mm more`);
  const share = supply.form === 'loose' ? PACKING.loose : supply.form === 'soft' ? PACKING.soft : PACKING.blocks;
  const each = (piece.width * piece.depth * piece.height * (supply.form === 'soft' ? SQUEEZED : 1)) / share / 1e6;
  const fits = Math.max(1, Math.floor(capacityOf(holder) / each + CLOSE));
  if (fits < count) return no(`only ${fits} of ${count} go in`, fits);
  const use = Math.min(count * each, capacityOf(holder));
  return { ok: true, use, fits, hidden: count - 1, set: null, words: `${use.toFixed(1)} l thrown in` };
}
