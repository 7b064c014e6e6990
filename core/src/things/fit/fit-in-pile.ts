import { type Supply } from '../../record/plan/index.ts';
import { type Holder, isUpright } from './holder.ts';
import { CLOSE, MARGIN, type Block, sorted } from './piece.ts';
import { LOOSENESS, sheetsIn } from './sheets.ts';
import { type Fit, no, shortBy, setting } from './fit.ts';

/** What is thicker than so much of its middle side is not flat, and lies in no pile (own assumption). */
export const FLAT = 0.25;

/** Flat things on each other: in a slot standing side by side. */
export function inPile(holder: Holder, supply: Supply, piece: Block, count: number): Fit {
  const sheet = supply.form === 'sheet';
  const [thin, a, b] = sheet ? [piece.height, piece.width, piece.depth] : sorted(piece);
  if (thin > FLAT * Math.min(a, b)) return no('it is not flat');
  const upright = isUpright(holder);
  const floor = upright ? { width: holder.height, depth: holder.depth } : { width: holder.width, depth: holder.depth };
  const room = upright ? holder.width : holder.height;
  const each = sheet ? thin * LOOSENESS : thin;
  const perPile = Math.min(
    sheet ? sheetsIn(room, thin) : Math.floor(room / each + CLOSE),
    supply.stackLimit ?? Infinity,
  );
  const play = sheet ? 0 : MARGIN;
  let best: { piles: number; w: number; d: number } | null = null;
  for (const [w, d] of [
    [a + 2 * play, b + 2 * play],
    [b + 2 * play, a + 2 * play],
  ] as const) {
    const piles = Math.floor((floor.width + CLOSE) / w) * Math.floor((floor.depth + CLOSE) / d);
    if (piles > 0 && (!best || piles > best.piles)) best = { piles, w, d };
  }
  if (!best || perPile < 1) return no(shortBy(holder, piece));
  const fits = best.piles * perPile;
  if (fits < count) return no(`only ${fits} of ${count} go in`, fits);
  const stacks = Math.ceil(count / perPile);
  const layers = Math.min(count, perPile);
  // of a floor with several piles beside each other a pile uses its part
  const use = (count * each) / best.piles;
  return {
    ok: true,
    use,
    fits,
    hidden: count - stacks,
    set: setting(
      { width: best.w - 2 * play, depth: best.d - 2 * play, height: thin },
      best.w,
      best.d,
      layers,
      layers * each,
      stacks,
    ),
    words: `${count === 1 ? 'one lies' : `${count} lie`} ${Math.max(1, Math.round((count * each) / stacks))} mm high`,
  };
}
