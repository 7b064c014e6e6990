import { PLAY } from '../../record/catalogue/index.ts';
import { blankOrganiser, type Organiser, outerOf, type Place, type Plan } from '../../record/plan/index.ts';
import { standingIn } from './contents.ts';
import { type Area, freeAreas } from './floor.ts';
import { type Block, type Cavity } from './piece.ts';

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
  /** standing in places, packs to buy and what is then over */
  need: number;
  packs: number;
  buy: number;
  spare: number;
  where: { place: Place; count: number }[];
};

/** What to buy so that every place has its containers: counts rounded up to packs, and the spares. */
export function shoppingList(plan: Pick<Plan, 'organisers' | 'places'>): ShoppingRow[] {
  const containers = Object.values(plan.places).filter((p) => p.organiserId !== null);
  return Object.values(plan.organisers)
    .sort((a, b) => (a.name < b.name ? -1 : 1))
    .map((organiser) => {
      const where = new Map<string, number>();
      for (const c of containers) if (c.organiserId === organiser.id) where.set(c.inId!, (where.get(c.inId!) ?? 0) + 1);
      const need = [...where.values()].reduce((sum, n) => sum + n, 0);
      const packs = Math.ceil(Math.max(0, need - organiser.have) / organiser.packOf);
      const buy = packs * organiser.packOf;
      const spare = organiser.have + buy - need;
      return {
        organiser,
        need,
        packs,
        buy,
        spare,
        where: [...where].map(([id, n]) => ({ place: plan.places[id]!, count: n })),
      };
    });
}

/** Seats are looked for one by one: more than so many are not counted. */
export const MOST_BESIDE = 60;

/**
 * How many of a box-like thing go into a place beside the containers that stand in it, at most {@link MOST_BESIDE} where any stand there; {@link goesIn}
 * tells how many would if it were empty. A thing may also lie on its sides, each of them tried.
 */
export function goesInBeside(
  plan: Pick<Plan, 'places' | 'organisers'>,
  place: Place,
  thing: Thing,
  lying = false,
): number {
  const { width, depth, height } = thing;
  if (standingIn(plan, place.id).length === 0) {
    const empty = goesIn(place, thing, lying);
    return empty.ok ? empty.fits : 0;
  }
  const ways = [{ width, depth, height }];
  if (lying) ways.push({ width, depth: height, height: depth }, { width: height, depth, height: width });
  return Math.max(
    ...ways.map((way) => {
      const empty = goesIn(place, { ...thing, ...way });
      if (!empty.ok) return 0;
      const organiser = {
        ...blankOrganiser('asked', 'asked', way.width, way.depth, way.height),
        ...{ lid: thing.lid ?? false, lidRise: thing.lidRise ?? 0 },
      };
      return seatsFor(plan, place, organiser, Math.min(MOST_BESIDE, empty.fits)).length;
    }),
  );
}

/** Where a container can stand in a place: from its left, front and floor, mm. */
export type Seat = { left: number; front: number; bottom: number; turned: boolean };

/**
 * Free seats for so many of a container in a place, beside and on what stands there already, from the left and the front.
 * @returns as many as there are, at most `count`
 */
export function seatsFor(
  plan: Pick<Plan, 'places' | 'organisers'>,
  place: Place,
  organiser: Organiser,
  count: number,
  without: string | null = null,
): Seat[] {
  const standing = standingIn(plan, place.id).filter((s) => s.id !== without);
  const seats: Seat[] = [];
  const rise = organiser.lid && place.opens !== 'top' && !place.covers.includes('drawer') ? organiser.lidRise : 0;
  if (organiser.height + rise > place.height + 1e-6) return seats;
  while (seats.length < count) {
    const taken: Area[] = standing.map((s) => ({
      x: s.left,
      y: s.front,
      width: s.width + PLAY,
      depth: s.depth + PLAY,
    }));
    const free = freeAreas(place.width, place.depth, taken);
    const seat = firstOn(free, organiser) ?? onTop(standing, place, organiser, rise);
    if (!seat) break;
    seats.push(seat);
    const outer = outerOf(
      { organisers: { [organiser.id]: organiser } },
      { organiserId: organiser.id, turned: seat.turned, width: 0, depth: 0, height: 0 },
    );
    standing.push({
      id: `new ${seats.length}`,
      name: organiser.name,
      left: seat.left,
      front: seat.front,
      bottom: seat.bottom,
      ...outer,
    });
  }
  return seats;
}

/** The seat farthest to the left, then nearest to the front, as it is or a quarter turned. */
function firstOn(free: readonly Area[], { width, depth }: Organiser): Seat | null {
  let best: Seat | null = null;
  for (const turned of width === depth ? [false] : [false, true]) {
    const [w, d] = turned ? [depth, width] : [width, depth];
    for (const f of free) {
      if (w > f.width + 1e-6 || d > f.depth + 1e-6) continue;
      const seat = { left: f.x, front: f.y, bottom: 0, turned };
      if (
        !best ||
        (best.turned === turned &&
          (seat.left < best.left - 1e-6 || (seat.left < best.left + 1e-6 && seat.front < best.front)))
      )
        best = seat;
    }
    if (best) return best;
  }
  return best;
}

/** On a container of the same footprint, where the height allows it and no lid has to rise. */
function onTop(
  standing: readonly ReturnType<typeof standingIn>[number][],
  place: Place,
  organiser: Organiser,
  rise: number,
): Seat | null {
  if (rise > 0) return null;
  for (const s of standing) {
    const same =
      (Math.abs(s.width - organiser.width) < 1 && Math.abs(s.depth - organiser.depth) < 1) ||
      (Math.abs(s.width - organiser.depth) < 1 && Math.abs(s.depth - organiser.width) < 1);
    const top = s.bottom + s.height;
    if (!same || top + organiser.height > place.height + 1e-6) continue;
    const covered = standing.some(
      (o) =>
        o !== s &&
        o.bottom >= top - 1e-6 &&
        o.left < s.left + s.width - 1 &&
        s.left < o.left + o.width - 1 &&
        o.front < s.front + s.depth - 1 &&
        s.front < o.front + o.depth - 1,
    );
    if (!covered)
      return { left: s.left, front: s.front, bottom: top, turned: Math.abs(s.width - organiser.width) >= 1 };
  }
  return null;
}
