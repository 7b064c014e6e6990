import { type Supply } from '../../record/plan/index.ts';
import { faceOf, type Holder } from './holder.ts';
import { CLOSE, MARGIN, type Block, sorted } from './piece.ts';
import { LOOSENESS, sheetsIn } from './sheets.ts';
import { type Fit, no, setting, shortBy } from './fit.ts';
import { lies, stands } from './fit.ts';
import { laidEitherWay } from './fit-on-floor.ts';
import { FLAT } from './fit-in-pile.ts';

/** Sheets lie in piles, or stand on an edge like files; on a floor or a shelf. */
export function sheetsStood(holder: Holder, supply: Supply, piece: Block, count: number): Fit {
  const { width: a, depth: b, height: caliper } = piece;
  let best: (Fit & { ok: true }) | null = null;
  let most = 0;
  const offer = (use: Fit) => {
    if (use.ok && (!best || use.use < best.use)) best = use;
    else if (!use.ok) most = Math.max(most, use.fits);
  };
  const face = faceOf(holder);
  const each = caliper * LOOSENESS;
  if (lies(supply)) {
    const perPile = Math.min(sheetsIn(holder.height, caliper), supply.stackLimit ?? Infinity);
    const stacks = Math.max(1, Math.ceil(count / perPile));
    for (const [w, d] of [
      [a, b],
      [b, a],
    ] as const) {
      // a sheet needs its play to the sides alone: it is drawn out to the front
      const across = Math.floor((face.width + CLOSE) / (w + 2 * MARGIN));
      const deep =
        holder.nature === 'row'
          ? Math.min(1, Math.floor((face.depth + CLOSE) / d))
          : Math.floor((face.depth + CLOSE) / d);
      const piles =
        holder.nature === 'area' && stacks > across * deep
          ? Math.max(across * deep, laidEitherWay(face, w + 2 * MARGIN, d))
          : across * deep;
      const fits = piles * (perPile < 1 ? 0 : perPile);
      if (fits < count || fits < 1) {
        offer(no('', fits));
        continue;
      }
      const use = holder.nature === 'row' ? stacks * (w + 2 * MARGIN) : stacks * (w + 2 * MARGIN) * d;
      const layers = Math.ceil(count / stacks);
      const set = {
        ...setting({ width: w, depth: d, height: caliper }, w + 2 * MARGIN, d, layers, layers * each, stacks),
        frontage: stacks * (w + 2 * MARGIN),
      };
      offer({
        ok: true,
        use,
        fits,
        hidden: count - stacks,
        set,
        words: `${count} lie in ${stacks === 1 ? 'a pile' : `${stacks} piles`}`,
      });
    }
  }
  const filed = filedUpright(holder, supply, piece, count, LOOSENESS);
  if (filed) offer(filed);
  if (best) return best;
  return most > 0 ? no(`only ${most} of ${count} go in`, most) : no(shortBy(holder, piece));
}

/** Flat things standing one behind another like files; null where they may not stand or are too large. */
export function filedUpright(
  holder: Holder,
  supply: Supply,
  piece: Block,
  count: number,
  looseness: number,
): Fit | null {
  if (!stands(supply)) return null;
  const face = faceOf(holder);
  const [thin, a, b] = supply.form === 'sheet' ? [piece.height, piece.width, piece.depth] : sorted(piece);
  if (thin > FLAT * Math.min(a, b)) return null;
  const each = thin * looseness;
  let best: (Fit & { ok: true }) | null = null;
  let most = 0;
  for (const [d, h] of [
    [a, b],
    [b, a],
  ] as const) {
    if (d > face.depth + CLOSE || h > holder.height + CLOSE) continue;
    const fits = Math.floor((face.width - 2 * MARGIN) / each + CLOSE);
    most = Math.max(most, fits);
    if (fits < count) continue;
    const frontage = count * each + 2 * MARGIN;
    const use = holder.nature === 'row' ? frontage : frontage * (d + 2 * MARGIN);
    if (best && use >= best.use) continue;
    const set = {
      ...setting({ width: frontage, depth: d, height: h }, frontage, Math.min(face.depth, d + 2 * MARGIN), 1, h, 1),
      frontage,
      pieces: count,
    };
    best = { ok: true, use, fits, hidden: 0, set, words: `${count} stand ${Math.round(frontage)} mm wide` };
  }
  return best ?? (most > 0 ? no(`only ${most} of ${count} go in`, most) : null);
}
