import { type Place, type Supply } from '../plan/index.ts';
import { type Block, fitBlocks } from './blocks.ts';
import { caliperOf, fitSheets } from './sheets.ts';

/** How a number of one supply goes into a place. */
export type Fit =
  | {
      ok: true;
      /** width taken, mm */ frontage: number;
      fits: number;
      /** pieces behind or under another */ hidden: number;
      words: string;
    }
  | { ok: false; reason: string };

/** Pitch of the holes of a wall board and finger room between things hung up, mm (docs/computation.md 5.2). */
const PITCH = 25.4;
const FINGER_ROOM = 15;

/** Outer sizes of one piece, or null while it is not measured. A sheet's thickness may come from its grammage. */
export function pieceOf(supply: Supply): Block | null {
  const { width, depth } = supply;
  const height = supply.height ?? (supply.form === 'sheet' && supply.grammage ? caliperOf(supply.grammage) : null);
  return width !== null && depth !== null && height !== null ? { width, depth, height } : null;
}

const no = (reason: string): Fit => ({ ok: false, reason });

/**
 * Whether `count` of a supply go into a place, and how much of its width they take.
 * Blocks and sheets are exact; a bottle, roll, stick, spool, soft or loose thing counts as the block around it.
 */
export function fitSupply(
  place: Pick<Place, 'kind' | 'width' | 'depth' | 'height'>,
  supply: Supply,
  count: number,
): Fit {
  const piece = pieceOf(supply);
  if (!piece) return no('not measured yet');
  if (place.kind === 'hook' || place.kind === 'board' || place.kind === 'hanger')
    return hang(place, supply, piece, count);
  if (supply.form === 'sheet') {
    const fit = supply.lies.includes('flat') ? fitSheets(place, piece.width, piece.depth, piece.height, count) : null;
    const upright = supply.lies.some((w) => w === 'upright' || w === 'edge') ? standSheets(place, piece, count) : null;
    const chosen = fit && fit.fits >= count ? fit : upright && upright.fits >= count ? upright : (fit ?? upright);
    if (!chosen) return no(shortBy(place, piece));
    if (chosen.fits < count) return no(`only ${chosen.fits} of ${count} go in`);
    return {
      ok: true,
      frontage: chosen.frontage,
      fits: chosen.fits,
      hidden: 0,
      words: `${count} sheets take ${Math.round(chosen.frontage)} mm`,
    };
  }
  const ways = supply.lies.filter((w) => w !== 'hanging');
  if (ways.length === 0) return no('it only hangs');
  const fit = fitBlocks(place, piece, count, ways, supply.stackLimit);
  if (!fit) return no(shortBy(place, piece));
  if (fit.fits < count) return no(`only ${fit.fits} of ${count} go in`);
  const columns = Math.round(fit.frontage / (fit.turned.width + 4));
  return {
    ok: true,
    frontage: fit.frontage,
    fits: fit.fits,
    hidden: Math.max(0, count - columns),
    words: `${columns} across, ${fit.rows} deep, ${fit.layers} high`,
  };
}

/** Sheets standing on an edge, like files: the frontage is the thickness of the pile. */
function standSheets(
  place: Pick<Place, 'width' | 'depth' | 'height'>,
  piece: Block,
  count: number,
): { frontage: number; fits: number } | null {
  const [a, b] = [piece.width, piece.depth];
  const stands = (a <= place.depth && b <= place.height) || (b <= place.depth && a <= place.height);
  const perSheet = piece.height * 1.05;
  const fits = Math.floor((place.width - 4) / perSheet);
  return stands && fits >= 1 ? { frontage: Math.min(count, fits) * perSheet + 4, fits } : null;
}

function hang(place: Pick<Place, 'width' | 'height'>, supply: Supply, piece: Block, count: number): Fit {
  if (!supply.lies.includes('hanging')) return no('it does not hang');
  const each = Math.ceil((piece.width + FINGER_ROOM) / PITCH) * PITCH;
  const fits = Math.floor((place.width + 1e-9) / each);
  if (Math.max(piece.depth, piece.height) > place.height + 1)
    return no(`hangs ${Math.round(Math.max(piece.depth, piece.height) - place.height)} mm too far down`);
  if (fits < count)
    return no(fits < 1 ? `needs ${Math.round(each - place.width)} mm more width` : `only ${fits} of ${count} go in`);
  return { ok: true, frontage: count * each, fits, hidden: 0, words: `${count} hung side by side` };
}

/** By how much the piece, in its best turn, is too big; sizes compared in order of length. */
function shortBy(place: Pick<Place, 'width' | 'depth' | 'height'>, piece: Block): string {
  const inside = [place.width, place.depth, place.height].sort((a, b) => a - b);
  const outside = [piece.width, piece.depth, piece.height].sort((a, b) => a - b);
  const over = Math.max(...outside.map((o, i) => o + 4 - inside[i]!));
  return over > 0 ? `needs ${Math.ceil(over)} mm more` : 'does not go in the way it must lie';
}
