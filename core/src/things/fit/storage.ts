import { type Nature } from '../../record/catalogue/index.ts';
import { kindOf } from '../kinds/index.ts';
import { type StorageForm, STORAGE_FORMS, type Supply } from '../../record/plan/index.ts';
import { type Block, pieceOf, sorted } from './piece.ts';

/** A way of keeping things: what holds so many of them, and what that is like (docs/sources.md). */
export type StorageFacts = {
  name: string;
  /** what one buys for it, one and several; null: nothing */
  buy: readonly [one: string, several: string] | null;
  /** natures of holding it goes into, best first */
  natures: readonly Nature[];
  /** forms of things it suits */
  forms: readonly Supply['form'][];
};

export const STORAGE: Record<StorageForm, StorageFacts> = {
  asBought: { name: 'as bought', buy: null, natures: ['row', 'area', 'bulk', 'pile'], forms: [] },
  loose: {
    name: 'loose in a box',
    buy: null,
    natures: ['bulk'],
    forms: ['block', 'stick', 'spool', 'soft', 'loose', 'pocket'],
  },
  edge: {
    name: 'on edge in a row',
    buy: null,
    natures: ['row', 'area'],
    forms: ['block', 'sheet', 'pocket', 'spool', 'soft', 'stick'],
  },
  magnet: {
    name: 'upright on magnet sheets',
    buy: ['magnet sheet', 'magnet sheets'],
    natures: ['row', 'area'],
    forms: ['pocket'],
  },
  pockets: {
    name: 'in binder pockets',
    buy: ['pocket page', 'pocket pages'],
    natures: ['pockets'],
    forms: ['pocket', 'sheet'],
  },
  jar: { name: 'in a jar', buy: ['jar', 'jars'], natures: ['row', 'area'], forms: ['loose', 'bottle'] },
  cards: {
    name: 'wound on cards',
    buy: ['card to wind on', 'cards to wind on'],
    natures: ['area', 'row'],
    forms: ['soft', 'spool'],
  },
  ring: { name: 'on a ring', buy: ['ring', 'rings'], natures: ['area', 'row'], forms: ['pocket', 'sheet', 'loose'] },
  hanging: {
    name: 'hanging',
    buy: null,
    natures: ['area', 'row'],
    forms: ['block', 'stick', 'soft', 'long', 'pocket'],
  },
};

/** A magnet sheet with what lies on it, mm: A4 less a margin, and so thick (common practice). */
const MAGNET = { width: 300, depth: 210, thick: 1.5 };
/** A jar, mm, and the share of it that loose things fill (common practice; the share as in bulk). */
const JAR = { diameter: 70, height: 100, fill: 0.85 * 0.6 };
/** A card with some metres wound on it, mm (common practice). */
const CARD = { width: 60, depth: 90, height: 8 };
/** A ring holds things of so many millimetres together (common practice). */
const RING = 40;

/** One holder as it lies or stands: a thing of its own, so many pieces on it. */
export type Held = { supply: Supply; per: number };

const held = new WeakMap<Supply, Held>();

/** What a supply is where it is kept: the pieces themselves, or the sheets, jars, cards and rings that hold them. */
export function heldAs(supply: Supply): Held {
  if (supply.storage === 'asBought') return { supply, per: 1 };
  let known = held.get(supply);
  if (!known) held.set(supply, (known = holding(supply)));
  return known;
}

/** One piece out of its package: as thick as its kind is bare. */
function barePiece(supply: Supply): Block | null {
  const piece = pieceOf(supply);
  const bare = kindOf(supply.kind)?.bare ?? null;
  if (!piece || bare === null) return piece;
  const [thin] = sorted(piece);
  const less = (mm: number) => (mm === thin ? Math.min(mm, bare) : mm);
  return { width: less(piece.width), depth: less(piece.depth), height: less(piece.height) };
}

const as = (supply: Supply, size: Block, more: Partial<Supply>): Supply => ({
  ...supply,
  ...size,
  grammage: null,
  ...more,
});

function holding(supply: Supply): Held {
  const piece = barePiece(supply);
  if (!piece) return { supply, per: 1 };
  const [thin, middle, long] = sorted(piece);
  const of = (per: number, size: Block, more: Partial<Supply>): Held => ({
    supply: as(supply, size, { mass: supply.mass * per, ...more }),
    per,
  });
  switch (supply.storage) {
    case 'asBought':
      return { supply, per: 1 };
    case 'loose':
      return { supply: as(supply, piece, { form: supply.form === 'soft' ? 'soft' : 'loose' }), per: 1 };
    case 'edge':
      if (supply.form === 'sheet') return { supply: { ...supply, lies: ['upright', 'edge'] }, per: 1 };
      // in a row nothing stands on another
      return { supply: as(supply, pieceOf(supply)!, { lies: ['edge', 'upright'], stackLimit: 1 }), per: 1 };
    case 'magnet': {
      const across = (a: number, b: number) => Math.floor(MAGNET.width / a) * Math.floor(MAGNET.depth / b);
      const per = Math.max(1, across(middle, long), across(long, middle));
      return of(
        per,
        { width: MAGNET.width, depth: MAGNET.depth, height: MAGNET.thick },
        { form: 'pocket', lies: ['upright', 'edge'] },
      );
    }
    case 'pockets':
      return { supply: as(supply, piece, { form: 'pocket' }), per: 1 };
    case 'jar': {
      const inside = Math.PI * (JAR.diameter / 2) ** 2 * JAR.height * JAR.fill;
      // what comes in a bottle is poured over, half as much again to a jar of a third of a litre
      const volume = thin * middle * long * (supply.form === 'bottle' ? Math.PI / 4 : 1);
      const per = Math.max(1, Math.floor(inside / volume));
      return of(
        per,
        { width: JAR.diameter, depth: JAR.diameter, height: JAR.height },
        { form: 'bottle', lies: ['upright'] },
      );
    }
    case 'cards':
      return of(1, CARD, { form: 'block', lies: ['edge', 'flat', 'upright'] });
    case 'ring': {
      const per = Math.max(1, Math.floor(RING / thin));
      return of(
        per,
        { width: middle, depth: long, height: Math.min(RING, per * thin) },
        { form: 'pocket', lies: ['hanging', 'flat', 'edge'] },
      );
    }
    case 'hanging':
      return { supply: as(supply, piece, { lies: ['hanging'] }), per: 1 };
  }
}

/** Ways a supply may be kept: those of its kind, else those that suit its form; as bought always. */
export function storageFormsOf(supply: Supply): StorageForm[] {
  const kind = kindOf(supply.kind);
  return STORAGE_FORMS.filter(
    (form) => form === 'asBought' || (kind ? kind.keeps.includes(form) : STORAGE[form].forms.includes(supply.form)),
  );
}
