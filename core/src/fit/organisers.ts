import { type Organiser, type Place, type Plan } from '../plan/index.ts';
import { type Block, type Cavity } from './blocks.ts';

/** Free play an organiser needs in each direction, mm (docs/computation.md 5.2). */
export const PLAY = 3;

export type GoesIn =
  | {
      ok: true;
      fits: number;
      across: number;
      deep: number;
      stacked: number;
      /** turned by a quarter, so that its depth runs across the front */
      turned: boolean;
      /** free width left beside the last one, mm */
      spare: number;
      words: string;
    }
  | { ok: false; /** by how much it is too big, mm, in the direction it misses most */ short: number; words: string };

type Front = Cavity & { covers?: readonly string[]; opens?: 'front' | 'top' };
type Thing = Block & { lid?: boolean; lidRise?: number };

/**
 * Whether an organiser or any box-like thing goes into a place standing as it stands, and how many across, deep and stacked. A lid must open
 * where it stands, unless the place is pulled out or opens at its top.
 * @param lying also try it on its side (things, not organisers)
 */
export function goesIn(place: Front, thing: Thing, lying = false): GoesIn {
  const { width: w, depth: d, height: h } = thing;
  const ways: Block[] = [{ width: w, depth: d, height: h }];
  if (w !== d) ways.push({ width: d, depth: w, height: h });
  if (lying)
    ways.push(
      { width: w, depth: h, height: d },
      { width: h, depth: w, height: d },
      { width: d, depth: h, height: w },
      { width: h, depth: d, height: w },
    );
  const free = place.covers?.includes('drawer') || place.opens === 'top';
  const rise = thing.lid && !free ? (thing.lidRise ?? 0) : 0;
  let best: (GoesIn & { ok: true }) | null = null;
  let least = { short: Infinity, words: '' };
  for (const [i, way] of ways.entries()) {
    const across = Math.floor((place.width + 1e-9) / (way.width + PLAY));
    const deep = Math.floor((place.depth + 1e-9) / (way.depth + PLAY));
    // every lid of a stack is opened, so a stack of lids that rise is one high
    const high = Math.floor((place.height + 1e-9) / (way.height + PLAY));
    const stacked = rise > 0 ? (place.height + 1e-9 >= way.height + PLAY + rise ? 1 : 0) : high;
    const fits = across * deep * stacked;
    if (fits > 0) {
      const spare = place.width - across * (way.width + PLAY);
      if (!best || fits > best.fits)
        best = {
          ok: true,
          fits,
          across,
          deep,
          stacked,
          turned: i % 2 === 1,
          spare,
          words: says(across, deep, stacked),
        };
      continue;
    }
    const over = [
      { by: way.width + PLAY - place.width, of: 'width' },
      { by: way.depth + PLAY - place.depth, of: 'depth' },
      { by: way.height + PLAY + rise - place.height, of: rise > 0 ? 'height for its lid to open' : 'height' },
    ].sort((a, b) => b.by - a.by)[0]!;
    if (over.by < least.short) least = { short: over.by, words: `needs ${Math.ceil(over.by)} mm more ${over.of}` };
  }
  return best ?? { ok: false, short: Math.ceil(least.short), words: least.words };
}

function says(across: number, deep: number, stacked: number): string {
  return `${across} across, ${deep} deep, ${stacked} stacked`;
}

export type ShoppingRow = {
  organiser: Organiser;
  /** wanted in all places, packs to buy and what is then over */
  need: number;
  packs: number;
  buy: number;
  spare: number;
  where: { place: Place; count: number }[];
};

/** What to buy so that every place has its organisers: counts rounded up to packs, and the spares. */
export function shoppingList(plan: Pick<Plan, 'organisers' | 'organiserSets' | 'places'>): ShoppingRow[] {
  return Object.values(plan.organisers)
    .sort((a, b) => (a.name < b.name ? -1 : 1))
    .map((organiser) => {
      const where = Object.values(plan.organiserSets)
        .filter((s) => s.organiserId === organiser.id && plan.places[s.placeId])
        .map((s) => ({ place: plan.places[s.placeId]!, count: s.count }));
      const need = where.reduce((sum, w) => sum + w.count, 0);
      const packs = Math.ceil(Math.max(0, need - organiser.have) / organiser.packOf);
      const buy = packs * organiser.packOf;
      return { organiser, need, packs, buy, spare: organiser.have + buy - need, where };
    });
}
