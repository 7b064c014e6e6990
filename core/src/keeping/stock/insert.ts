import { divideInside, type DivisionKind } from '../../record/catalogue/index.ts';
import { slotsFor } from '../../things/colour/index.ts';
import { goesIn, pieceOf, setInCommand, sheetsIn } from '../../things/fit/index.ts';
import { handsPerYear, yearlyUses } from '../../living/homes/index.ts';
import {
  asOne,
  type Command,
  homesIn,
  type Organiser,
  type Place,
  placesIn,
  type Plan,
  type Supply,
} from '../../record/plan/index.ts';
import { BOWS_BELOW, FAST } from './slots.ts';

type Inside = Pick<Place, 'width' | 'depth' | 'height'>;

/** Narrower slots and lower trays are not got into by a hand, mm (own assumption). */
const NARROWEST = { slots: 12, trays: 15 } as const;
const MOST_PARTS = 60;
/** Places of these kinds are not divided into slots for sheets. */
const NO_ROOM: readonly Place['kind'][] = ['slot', 'lane', 'board', 'hook', 'top', 'dowel', 'hanger', 'away', 'files'];

/** A way to come by slots: free places of one size to be divided, or inserts of a kind to be set into free places. */
export type InsertWay = {
  id: string;
  name: string;
  kind: Extract<DivisionKind, 'slots' | 'trays'>;
  /** the insert, where it is one */
  organiser: Organiser | null;
  /** inside of one of them, mm */
  inside: Inside;
  /** free places it can be made in, each as often as it goes in */
  places: Place[];
  /** slots of one, where that is given */
  each: number | null;
};

/** Some slots planned for some colours. */
export type InsertPlan = {
  /** slots of one insert, how wide (trays: how high) each is, mm, and how many sheets of the thickest paper it takes */
  each: number;
  size: number;
  most: number;
  /** slots wanted: one a colour, more where its stock or its use asks for it, and those kept free for newcomers */
  slots: number;
  free: number;
  several: { id: string; slots: number }[];
  /** inserts wanted, the places they come into, and how many have none */
  inserts: number;
  places: Place[];
  lacking: number;
  /** to be bought, whole packs; 0 where places are divided or enough are at hand */
  buy: number;
  /** colours that fill less than two thirds of an upright slot */
  bows: number;
  /** of the paper that is there, and of all slots full of the heaviest, g; what the places carry */
  mass: number;
  full: number;
  load: number;
};

const sheetsOf = (plan: Plan, ids: readonly string[]): Supply[] =>
  ids.flatMap((id) => {
    const supply = plan.supplies[id];
    return supply && pieceOf(supply) && ['sheet', 'pocket'].includes(supply.form) ? supply : [];
  });

/** Whether every one of some sheets goes upright, or flat, into an inside. */
function takes(inside: Inside, kind: InsertWay['kind'], sheets: readonly Supply[]): boolean {
  const across = kind === 'slots' ? inside.height : inside.width;
  return sheets.every((s) => {
    const [a, b] = [s.width!, s.depth!];
    return (a <= across + 0.01 && b <= inside.depth + 0.01) || (b <= across + 0.01 && a <= inside.depth + 0.01);
  });
}

/** Ways to come by slots for some supplies, upright ones first, those with the most room before others; none when none of them is a sheet with a size. */
export function insertWays(plan: Plan, ids: readonly string[]): InsertWay[] {
  const sheets = sheetsOf(plan, ids);
  if (sheets.length === 0) return [];
  const free = Object.values(plan.places).filter(
    (p) =>
      !NO_ROOM.includes(p.kind) &&
      p.keptOut === '' &&
      homesIn(plan, p.id).length === 0 &&
      placesIn(plan, p.id).length === 0,
  );
  const ways: InsertWay[] = [];
  for (const kind of ['slots', 'trays'] as const) {
    const alike = new Map<string, Place[]>();
    for (const place of free) {
      if (!takes(place, kind, sheets)) continue;
      const key = `${place.unitId} ${place.kind} ${[place.width, place.depth, place.height].map(Math.round).join(' ')}`;
      alike.set(key, [...(alike.get(key) ?? []), place]);
    }
    for (const [key, places] of alike) {
      const [{ unitId, width, depth, height }] = places as [Place, ...Place[]];
      const name = plan.units[unitId]?.name ?? '';
      ways.push({
        id: `${kind} ${key}`,
        name,
        kind,
        organiser: null,
        inside: { width, depth, height },
        places,
        each: null,
      });
    }
  }
  for (const organiser of Object.values(plan.organisers)) {
    const [kind, count] = organiser.divided.split(' ');
    if (kind !== 'slots' && kind !== 'trays') continue;
    const { innerWidth: width, innerDepth: depth, innerHeight: height } = organiser;
    const inside = { width, depth, height };
    if (!takes(inside, kind, sheets)) continue;
    const places = free.flatMap((place) => {
      const fit = goesIn(place, organiser);
      return fit.ok ? new Array<Place>(fit.fits).fill(place) : [];
    });
    ways.push({
      id: organiser.id,
      name: organiser.name,
      kind,
      organiser,
      inside,
      places,
      each: Number(count),
    });
  }
  return ways.sort(
    (a, b) =>
      +(a.kind === 'trays') - +(b.kind === 'trays') || b.places.length - a.places.length || (a.id < b.id ? -1 : 1),
  );
}

/**
 * Slots for some supplies: how many there must be of a way, so many in each that the fewest are wanted, and of those ways the one in which the fewest
 * papers lean and bow.
 * @param growth share of the slots that is kept free for newcomers
 * @param each slots of one, where the maker says so
 * @returns null when it cannot be done so
 */
export function planInsert(
  plan: Plan,
  ids: readonly string[],
  way: InsertWay,
  growth: number,
  each: number | null = way.each,
): InsertPlan | null {
  const sheets = sheetsOf(plan, ids);
  const counts = each === null ? Array.from({ length: MOST_PARTS }, (_, i) => i + 1) : [each];
  const fast = new Set(sheets.flatMap((s) => (handsPerYear(yearlyUses(plan, s, 'working')) >= FAST ? s.id : [])));
  let best: InsertPlan | null = null;
  for (const n of counts) {
    const made = divideInside(way.inside, `${way.kind} ${n}`);
    if (!made.ok) continue;
    const part = made.parts[0]!;
    const size = way.kind === 'slots' ? part.width : part.height;
    if (each === null && size < NARROWEST[way.kind]) continue;
    const next = planned(sheets, fast, way, growth, n, size);
    if (next && (!best || next.inserts < best.inserts || (next.inserts === best.inserts && next.bows < best.bows)))
      best = next;
  }
  return best;
}

function planned(
  sheets: readonly Supply[],
  fast: ReadonlySet<string>,
  way: InsertWay,
  growth: number,
  each: number,
  size: number,
): InsertPlan | null {
  let most = Infinity;
  let fullest = 0;
  let slots = 0;
  let bows = 0;
  const several: InsertPlan['several'] = [];
  for (const s of sheets) {
    const takes = sheetsIn(size, pieceOf(s)!.height);
    if (takes < 1) return null;
    most = Math.min(most, takes);
    fullest = Math.max(fullest, takes * s.mass);
    const wanted = slotsFor(s.working, takes, fast.has(s.id));
    slots += wanted;
    if (wanted > 1) several.push({ id: s.id, slots: wanted });
    if (way.kind === 'slots' && s.working > 0 && s.working / (wanted * takes) < BOWS_BELOW) bows++;
  }
  const all = Math.ceil(slots / (1 - Math.min(0.9, growth)) - 1e-9);
  const inserts = Math.ceil(all / each);
  const places = way.places.slice(0, inserts);
  const { organiser } = way;
  const lacking = organiser ? Math.max(0, inserts - organiser.have) : 0;
  return {
    ...{ each, size, most, slots: all, free: inserts * each - slots, several, inserts, places },
    lacking: inserts - places.length,
    buy: organiser ? Math.ceil(lacking / organiser.packOf) * organiser.packOf : 0,
    bows,
    mass: sheets.reduce((sum, s) => sum + s.working * s.mass, 0),
    full: fullest * inserts * each,
    load: [...new Set(places)].reduce((sum, p) => sum + p.load, 0),
  };
}

/** The command that makes the slots: the places divided, or the inserts set into them; null when there is no place for them. */
export function insertCommand(plan: Plan, way: InsertWay, { each, places }: InsertPlan): Command | null {
  const { organiser } = way;
  const commands = [...new Set(places)].flatMap((place): Command[] => {
    if (!organiser) return [{ type: 'divide', id: place.id, into: `${way.kind} ${each}` }];
    const command = setInCommand(plan, place, organiser, places.filter((p) => p === place).length);
    return command ? [command] : [];
  });
  return commands.length === 0 ? null : asOne('make slots', commands);
}
