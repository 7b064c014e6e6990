import { type Said } from '../../measures/lengths/index.ts';
import { type PlaceKind, type Nature } from '../../record/catalogue/index.ts';
import { fitOf, type Holder, holderOf, measureOf, pieceOf } from '../../things/fit/index.ts';
import {
  countIn,
  homesOf,
  natureOf,
  type Place,
  type Plan,
  OWN_SHARES,
  type Supply,
  zoneOf,
  zonesOf,
} from '../../record/plan/index.ts';
import { isTop, offerOf } from '../../living/zones/index.ts';
import { Doubt, doubtedNeed, doubtedOffer } from './doubt.ts';

/** What room is asked for: drawers and boxes seen from above, boards, shelves, hooks and rails, bins, piles, pockets. */
export const TAPES = ['drawer', 'board', 'shelf', 'hanging', 'bin', 'pile', 'pocket'] as const;
export type TapeName = (typeof TAPES)[number];

const NATURE_OF: Record<TapeName, Nature> = {
  drawer: 'area',
  board: 'area',
  shelf: 'row',
  hanging: 'row',
  bin: 'bulk',
  pile: 'pile',
  pocket: 'pockets',
};

/** The tape that places of a kind and nature are on. */
export function tapeOf(kind: PlaceKind, nature: Nature): TapeName {
  if (kind === 'board') return 'board';
  if (kind === 'hook' || kind === 'hanger') return 'hanging';
  return ({ area: 'drawer', row: 'shelf', bulk: 'bin', pile: 'pile', pockets: 'pocket' } as const)[nature];
}

export type Amount = { low: number; likely: number; high: number };
/** A stretch of a tape: what one supply asks for, in the tape’s measure, without room to grow. */
export type Stretch = { supplyId: string; amount: number; guessed: boolean };

/** What is asked of one kind of room, in one zone or in none, against what there is. */
export type Tape = {
  zoneId: string | null;
  tape: TapeName;
  nature: Nature;
  /** with room to grow */
  demand: Amount;
  offer: number;
  /** what there is may be so much more or less: units of which nobody measured the size */
  offerBy: number;
  /** largest first */
  stretches: Stretch[];
  /** places of this kind that there are, each size once, those there are most of first: how many more of one of them the likely demand asks for */
  more: readonly { place: string; count: number }[];
};

export type Budget = {
  tapes: Tape[];
  /** supplies of which nothing is known how large they are */
  unmeasured: string[];
  /** supplies that go into no place there is */
  nowhere: string[];
  /** share of the likely demand that leans on guesses, 0 to 1 */
  guessed: number;
};

/** What leaves the house, or is away for the season, asks for no room here. */
export const LEAVING: readonly Supply['decision'][] = ['passOn', 'throw'];

/**
 * Room asked for and offered, by zone and kind of room. A thing that belongs to two zones counts half in each; what leaves the house is not counted, what
 * is away for the season only against places outside the room. Demand carries the doubt of guessed sizes and counts (see {@link Doubt}).
 * @param without decisions that are taken as if those things had left
 */
export function budgetOf(plan: Plan, without: readonly Supply['decision'][] = LEAVING): Budget {
  const tapes = new Map<string, { tape: Tape; doubt: Doubt; offered: Doubt }>();
  const at = (zoneId: string | null, tape: TapeName) => {
    const key = `${zoneId ?? ''} ${tape}`;
    let of = tapes.get(key);
    if (!of) {
      const empty = { low: 0, likely: 0, high: 0 };
      of = {
        tape: { zoneId, tape, nature: NATURE_OF[tape], demand: empty, offer: 0, offerBy: 0, stretches: [], more: [] },
        doubt: new Doubt(),
        offered: new Doubt(),
      };
      tapes.set(key, of);
    }
    return of;
  };
  const grown = 1 / (1 - plan.head.growth);
  const unmeasured: string[] = [];
  let likely = 0;
  let leaning = 0;
  const inRoom = Object.values(plan.places).filter((p) => !isAway(plan, p) && p.keptOut === '' && !isTop(p));
  for (const supply of Object.values(plan.supplies)) {
    if (without.includes(supply.decision) || supply.decision === 'away') continue;
    if (!pieceOf(supply)) {
      unmeasured.push(supply.id);
      continue;
    }
    const zones: (string | null)[] = [...zonesOf(plan, supply)];
    if (zones.length === 0) zones.push(null);
    for (const { count, place } of partsOf(plan, supply)) {
      if (place && isAway(plan, place)) continue;
      const need = doubtedNeed(supply, count, place);
      if (!need) continue;
      const part = 1 / zones.length;
      const guessed = need.moves.length > 0;
      likely += relative(need.nature, need.amount);
      if (guessed) leaning += relative(need.nature, need.amount);
      for (const zone of zones) {
        const { tape, doubt } = at(zone, tapeOf(need.kind, need.nature));
        tape.demand.likely += need.amount * grown * part;
        doubt.add(need.moves, grown * part);
        tape.stretches.push({ supplyId: supply.id, amount: need.amount * part, guessed });
      }
    }
  }
  const examples = new Map<string, { place: Place; offer: number }[]>();
  for (const place of inRoom) {
    const name = tapeOf(place.kind, natureOf(place));
    const offer = offerOf(plan, place);
    const of = at(zoneOf(plan, place), name);
    of.tape.offer += offer;
    of.offered.add(doubtedOffer(plan, place, offer), 1);
    if (!examples.has(name)) examples.set(name, []);
    examples.get(name)!.push({ place, offer });
  }
  for (const { tape, doubt, offered } of tapes.values()) {
    const { half } = doubt;
    tape.offerBy = offered.half;
    tape.demand = {
      low: Math.max(0, tape.demand.likely - half),
      likely: tape.demand.likely,
      high: tape.demand.likely + half,
    };
    tape.stretches = together(tape.stretches);
    tape.more = moreOf(tape, examples.get(tape.tape) ?? []);
  }
  const order = (t: Tape) => `${t.zoneId === null ? '~' : (plan.zones[t.zoneId]?.name ?? '')} ${TAPES.indexOf(t.tape)}`;
  return {
    tapes: [...tapes.values()].map((t) => t.tape).sort((a, b) => (order(a) < order(b) ? -1 : 1)),
    unmeasured,
    nowhere: goNowhere(plan, without),
    guessed: likely > 0 ? leaning / likely : 0,
  };
}

/** What is outside the room, and boxes that stand there. */
const isAway = (plan: Plan, place: Place): boolean => plan.units[place.unitId]?.mount === 'away';

/** Amounts of different natures in one rough measure, so that a share of them can be said: a shelf of 800 mm, a drawer of 0.27 m², a bin of 25 l, a pile of 70 mm, a binder of 50 pockets. */
const ORDINARY: Record<Nature, number> = { row: 800, area: 270_000, bulk: 25, pile: 70, pockets: 50 };
const relative = (nature: Nature, amount: number) => amount / ORDINARY[nature];

/** What a supply has, home by home; what has none as one. */
function partsOf(plan: Plan, supply: Supply): { count: number; place: Place | undefined }[] {
  return OWN_SHARES.flatMap((share) => {
    if (supply[share] === 0) return [];
    const homes = homesOf(plan, supply.id, share);
    const parts = homes.map((h) => ({ count: countIn(plan, h, supply), place: plan.places[h.placeId] }));
    const rest = supply[share] - parts.reduce((sum, p) => sum + p.count, 0);
    return [...parts.filter((p) => p.count > 0), ...(rest > 0 ? [{ count: rest, place: undefined }] : [])];
  });
}

/**
 * Tapes of all zones put together. Their doubts are added whole: the same usual sizes are in all of them.
 */
export function sumOfTapes(tapes: readonly Tape[]): Tape[] {
  const by = new Map<TapeName, Tape>();
  for (const t of tapes) {
    const before = by.get(t.tape);
    if (!before) {
      by.set(t.tape, { ...t, zoneId: null, demand: { ...t.demand } });
      continue;
    }
    before.offer += t.offer;
    before.offerBy += t.offerBy;
    before.demand = {
      low: before.demand.low + t.demand.low,
      likely: before.demand.likely + t.demand.likely,
      high: before.demand.high + t.demand.high,
    };
    before.stretches = together([...before.stretches, ...t.stretches]);
    before.more = [];
  }
  return [...by.values()];
}

/** Stretches of one supply as one, largest first. */
function together(stretches: readonly Stretch[]): Stretch[] {
  const by = new Map<string, Stretch>();
  for (const s of stretches) {
    const before = by.get(s.supplyId);
    if (before) before.amount += s.amount;
    else by.set(s.supplyId, { ...s });
  }
  return [...by.values()].sort((a, b) => b.amount - a.amount || (a.supplyId < b.supplyId ? -1 : 1));
}

/** How many more of the places there are most of would hold what is short. */
function moreOf(tape: Tape, examples: readonly { place: Place; offer: number }[]): Tape['more'] {
  const short = tape.demand.likely - tape.offer;
  if (short <= 0) return [];
  const sizes = new Map<string, { place: Place; offer: number; times: number }>();
  for (const { place, offer } of examples) {
    if (offer <= 0) continue;
    const key = `${place.kind} ${Math.round(place.width / 20)} ${Math.round(place.depth / 20)}`;
    const before = sizes.get(key);
    if (before) before.times++;
    else sizes.set(key, { place, offer, times: 1 });
  }
  return [...sizes.values()]
    .sort((a, b) => b.times - a.times || b.offer - a.offer)
    .map(({ place, offer }) => ({ place: place.id, count: Math.ceil(short / offer - 1e-9) }));
}

const holders = new WeakMap<object, Holder[]>();
/** The places of a plan as what holds, the roomiest first, each shape once. */
function holdersOf(plan: Plan): Holder[] {
  let list = holders.get(plan.places);
  if (!list) {
    const shapes = new Map<string, Holder>();
    for (const place of Object.values(plan.places)) {
      const holder = holderOf(place);
      shapes.set(JSON.stringify(holder), holder);
    }
    const litres = (h: Holder) => h.width * h.depth * h.height;
    list = [...shapes.values()].sort((a, b) => litres(b) - litres(a));
    holders.set(plan.places, list);
  }
  return list;
}

const nowhereIn = new WeakMap<Supply, { holders: readonly Holder[]; nowhere: boolean }>();

/** Measured supplies of which not one piece goes into any place there is. */
export function goNowhere(plan: Plan, without: readonly Supply['decision'][] = LEAVING): string[] {
  const list = holdersOf(plan);
  if (list.length === 0) return [];
  return Object.values(plan.supplies)
    .filter((supply) => {
      if (without.includes(supply.decision) || !pieceOf(supply)) return false;
      let known = nowhereIn.get(supply);
      if (known?.holders !== list) {
        known = { holders: list, nowhere: !list.some((holder) => fitOf(holder, supply, 1).ok) };
        nowhereIn.set(supply, known);
      }
      return known.nowhere;
    })
    .map((s) => s.id);
}

/** How much may be missing of a kind of room where guesses are wrong, of what is asked for and of what there is; nought or less: nothing. */
export const mayBeMissing = ({ demand, offer, offerBy }: Tape): number =>
  demand.likely - offer + Math.hypot(demand.high - demand.likely, offerBy);

const OF: Record<TapeName, string> = {
  drawer: 'of drawer',
  board: 'of board',
  shelf: 'of shelf',
  hanging: 'of hooks and rails',
  bin: 'of bins',
  pile: 'of piles',
  pocket: 'in binders',
};

/** “1.40 m² of drawer”. */
export const roomWordsOf = (tape: TapeName, amount: number, said: Said): string =>
  `${measureOf(NATURE_OF[tape], amount, said)} ${OF[tape]}`;
