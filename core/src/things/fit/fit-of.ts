import { type Supply } from '../../record/plan/index.ts';
import { type Holder, isUpright } from './holder.ts';
import { CLOSE, pieceOf, type Block, posesOf } from './piece.ts';
import { heldAs } from './storage.ts';
import { type Fit, hangs, lies, no, shortBy, stands } from './fit.ts';
import { thrownIn } from './fit-by-volume.ts';
import { inPockets } from './fit-in-pockets.ts';
import { inPile } from './fit-in-pile.ts';
import { hung, onRod } from './fit-hung.ts';
import { sheetsStood, filedUpright } from './fit-of-sheets.ts';
import { inRow } from './fit-in-row.ts';
import { onFloor, diagonally } from './fit-on-floor.ts';

/**
 * Whether so many of a supply go into a place by themselves, and what they use of it in the measure of its nature. Exact for blocks, cylinders
 * and sheets; of an area the rectangles are counted, and whether they can be laid is said by `stow`.
 */
export function fitOf(holder: Holder, supply: Supply, count: number): Fit {
  const { supply: held, per } = heldAs(supply);
  const fit = fitAsItIs(holder, held, Math.ceil(count / per));
  return per === 1 ? fit : { ...fit, fits: fit.fits * per };
}

/** The same for what is kept as it comes: the sheets, jars and cards that hold things are things themselves. */
export function fitAsItIs(holder: Holder, supply: Supply, count: number): Fit {
  const piece = pieceOf(supply);
  if (!piece) return no('not measured yet');
  switch (holder.nature) {
    case 'bulk':
      return thrownIn(holder, supply, piece, count);
    case 'pockets':
      return inPockets(holder, piece, count);
    case 'pile':
      if (isUpright(holder) ? stands(supply) : lies(supply)) return inPile(holder, supply, piece, count);
      return no(isUpright(holder) ? 'it does not stand' : 'it does not lie flat');
    case 'row':
    case 'area':
      return hangs(holder) ? hung(holder, supply, piece, count) : stood(holder, supply, piece, count);
  }
}

/** Side by side on a shelf, or on a floor seen from above. */
function stood(holder: Holder, supply: Supply, piece: Block, count: number): Fit {
  if (supply.form === 'sheet') return sheetsStood(holder, supply, piece, count);
  if (holder.kind === 'dowel') return onRod(holder, supply, piece, count);
  const poses = posesOf(supply, piece);
  let best: (Fit & { ok: true }) | null = null;
  let most = 0;
  for (const pose of poses) {
    const use = holder.nature === 'row' ? inRow(holder, supply, pose, count) : onFloor(holder, supply, pose, count);
    if (use.ok && (!best || use.use < best.use - CLOSE || (use.use < best.use + CLOSE && use.fits > best.fits)))
      best = use;
    else if (!use.ok) most = Math.max(most, use.fits);
  }
  if (supply.form === 'pocket') {
    // flat things stand like files: each leans on the next, and none needs play of its own
    const filed = filedUpright(holder, supply, piece, count, 1);
    if (filed?.ok && (!best || filed.use < best.use)) best = filed;
    else if (filed && !filed.ok) most = Math.max(most, filed.fits);
  }
  if (best) return best;
  const across = supply.lies.includes('diagonal') ? diagonally(holder, piece, count) : null;
  if (across?.ok) return across;
  if (most > 0) return no(`only ${most} of ${count} go in`, most);
  if (poses.length === 0 && !supply.lies.includes('diagonal')) return no('it only hangs');
  return across ?? no(shortBy(holder, piece));
}
