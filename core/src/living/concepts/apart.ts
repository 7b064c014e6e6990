import { kindOf, likelyKinds, wordsOf } from '../../things/kinds/index.ts';
import { isShut, type Place, type Plan, type Supply } from '../../record/plan/index.ts';
import { type Aisle, isAisle } from './aisles.ts';
import { shelvedAs } from './shelved.ts';

/** Things that never share a place: what, from what, where, and why. */
export type ApartRule = {
  id: string;
  /** whether a thing is of the one side, and of the other */
  is: (thing: Told) => boolean;
  from: (thing: Told) => boolean;
  /** whether it counts in a place; always where it is left out */
  where?: (place: Place) => boolean;
  words: string;
  source: string;
};

/** A thing as the rules see it. */
export type Told = { supply: Supply; kind: string; aisle: Aisle | null; words: ReadonlySet<string> };

const COMMON = 'common practice: the label and the safety sheet come first';

const any = (words: string) => {
  const list = words.split(' ');
  return (thing: Told) => list.some((w) => thing.words.has(w));
};
const under =
  (...aisles: Aisle[]) =>
  (thing: Told) =>
    thing.aisle !== null && aisles.includes(thing.aisle);
const kindIn =
  (...kinds: string[]) =>
  (thing: Told) =>
    kinds.includes(thing.kind);
const has = (thing: Told, hazard: Supply['hazards'][number]) => thing.supply.hazards.includes(hazard);

const isCell = (t: Told) =>
  kindIn('coin-cell')(t) || (t.words.has('cell') && any('button coin')(t)) || (has(t, 'magnet') && has(t, 'small'));
const isChemistry = (t: Told) =>
  under('chemistry')(t) || (has(t, 'toxic') && !isCell(t) && under('casting', 'wet', 'inks')(t));
const goesWithChemistry = (t: Told) => isChemistry(t) || under('protection', 'wet')(t);
const isOxidiser = any('peroxide bleach permanganate persulfate persulphate nitrate chlorate perborate');
const burns = (t: Told) => has(t, 'flammable') || any('solvent turpentine alcohol spirit')(t);
const isSharp = (t: Told) => has(t, 'blade') && !under('drawing', 'machines')(t);
const isHot = (t: Told) => has(t, 'hot') && !under('machines')(t);
const needles = any('needle pin awl');
/** Like goes with like: with blades other tools and what is cut on; with needles and pins what is sewn with. */
const goesWithSharp = (t: Told) => isSharp(t) || under('cutting', 'tools', 'measuring', 'thread')(t) || needles(t);
const goesWithHot = (t: Told) =>
  isHot(t) || isSharp(t) || under('cutting', 'tools', 'adhesives', 'light', 'measuring', 'machines')(t);
const isMetal = (t: Told) =>
  under('wire', 'tools')(t) ||
  has(t, 'blade') ||
  any('steel metal wire nail screw key paperclip ring hoop')(t) ||
  kindIn('paper-clip', 'safety-pin', 'jump-ring', 'brad', 'eyelet', 'press-stud', 'hook-and-eye', 'rivet')(t);
const isLiquid = (t: Told) =>
  t.supply.form === 'bottle' && !any('bead powder glitter sequin')(t) && !kindIn('seed-bead-tube', 'candle-jar')(t);
/** One gropes in a drawer, a box or a tray; what hangs or stands in a slot of its own is seen. */
const groped = (place: Place) => place.kind !== 'hook' && place.kind !== 'board' && place.kind !== 'slot';

/**
 * What never shares a place (common practice, no published source; local codes, labels and safety sheets come first). No weight makes these less: *find homes* puts
 * none of it together, and what lies so is said.
 */
export const APART: readonly ApartRule[] = [
  {
    id: 'chemistry',
    is: isChemistry,
    from: (t) => !goesWithChemistry(t),
    words: 'Chemistry stands by itself, low and in a tray, with its gloves and wet tools and nothing else.',
    source: COMMON,
  },
  {
    id: 'oxidiser',
    is: isOxidiser,
    from: (t) => !isOxidiser(t) && burns(t),
    words: 'What feeds a fire stands apart from what burns.',
    source: COMMON,
  },
  {
    id: 'sharp',
    is: isSharp,
    from: (t) => !goesWithSharp(t) && !isHot(t),
    where: groped,
    words:
      'Blades and needles lie with their like or in a lane of their own, never where one gropes for something else.',
    source: COMMON,
  },
  {
    id: 'hot',
    is: isHot,
    from: (t) => !goesWithHot(t),
    where: groped,
    words: 'Hot tools lie with tools, away from paper, cloth and wool.',
    source: COMMON,
  },
  {
    id: 'cells',
    is: isCell,
    from: (t) => !isCell(t) && isMetal(t),
    words:
      'Button cells and small magnets lie in a closed box of their own, away from loose metal and out of a child’s reach.',
    source: COMMON,
  },
  {
    id: 'liquids',
    is: isLiquid,
    from: (t) => !isLiquid(t) && under('paper', 'pictures', 'light')(t),
    where: (place) => !isShut(place),
    words: 'Liquids do not stand over paper or electrics in one open place.',
    source: COMMON,
  },
];

const told = new WeakMap<Supply, { aisle: string | null; told: Told }>();
/** A thing as the rules see it. */
export function toldOf(plan: Plan, supply: Supply): Told {
  const id = shelvedAs(plan, supply.id)?.aisle?.id ?? null;
  const known = told.get(supply);
  if (known && known.aisle === id) return known.told;
  const likely = supply.kind === '' ? likelyKinds(supply.name, 1)[0] : undefined;
  const one: Told = {
    supply,
    kind: kindOf(supply.kind)?.id ?? (likely?.whole ? likely.kind.id : ''),
    aisle: id !== null && isAisle(id) ? id : null,
    words: new Set(wordsOf(`${supply.name} ${supply.family}`)),
  };
  told.set(supply, { aisle: id, told: one });
  return one;
}

/** Why two things may not share a place; null: they may. */
export function apartIn(plan: Plan, place: Place, a: Supply, b: Supply): ApartRule | null {
  const [one, other] = [toldOf(plan, a), toldOf(plan, b)];
  for (const rule of APART) {
    if (rule.where && !rule.where(place)) continue;
    if ((rule.is(one) && rule.from(other)) || (rule.is(other) && rule.from(one))) return rule;
  }
  return null;
}

export type Together = { placeId: string; rule: ApartRule; a: Supply; b: Supply };

/** Everything that lies together and must be apart: of each place and rule one pair for every thing that is to be apart. */
export function togetherThatMustBeApart(plan: Plan): Together[] {
  const inside = new Map<string, Supply[]>();
  for (const home of Object.values(plan.homes)) {
    const supply = plan.supplies[home.supplyId];
    if (!supply) continue;
    const list = inside.get(home.placeId) ?? [];
    inside.set(home.placeId, list);
    if (!list.includes(supply)) list.push(supply);
  }
  const out: Together[] = [];
  for (const [placeId, things] of inside) {
    const place = plan.places[placeId];
    if (!place || things.length < 2) continue;
    for (const rule of APART) {
      if (rule.where && !rule.where(place)) continue;
      for (const a of things) {
        if (!rule.is(toldOf(plan, a))) continue;
        const b = things.find((other) => other !== a && rule.from(toldOf(plan, other)));
        if (b) out.push({ placeId, rule, a, b });
      }
    }
  }
  return out;
}
