import { nameFor, nameOfPlace, shelvedAs } from '../concepts/index.ts';
import { DIVIDER, type DivisionKind } from '../../record/catalogue/index.ts';
import { contentsOf, holderOf, stow, type Thing } from '../../things/fit/index.ts';
import {
  apply,
  asOne,
  type Command,
  homesIn,
  homesOf,
  natureOf,
  type Place,
  placesIn,
  type Plan,
  type Supply,
} from '../../record/plan/index.ts';
import { foundAgainIn } from './again.ts';
import { tallyOf } from './tally.ts';

/** A place parted into lanes, each for what goes by one name. */
export type Lanes = {
  place: Place;
  /** what it is called before */
  said: string;
  /** from the left, or from the front */
  lanes: { name: string; supplies: Supply[] }[];
  along: DivisionKind;
  command: Command;
};
/** … and what that comes to. */
export type LanesOffer = Lanes & {
  plan: Plan;
  /** seconds a year less, by the total that homes are found with */
  saves: number;
  /** how many places the things that lie there are looked for in, on average */
  looks: { before: number; after: number };
};

/** More lanes are no drawer any more. */
const MOST_LANES = 4;
const PARTED: ReadonlySet<Place['kind']> = new Set(['drawer', 'container', 'tray', 'box']);
/** What is thrown in among others, piled or pocketed is kept apart by no lane. */
const canPart = (place: Place): boolean => PARTED.has(place.kind) && ['area', 'row'].includes(natureOf(place));
/** Widths are tried in steps of this, mm. */
const STEP = 5;
/** Fewer seconds a year are no offer (own assumption: ten minutes). */
const WORTH = 600;

/**
 * What lies in a drawer, a box or a tray and takes several names, parted into lanes with a name each: as wide as each needs to be laid for real, what is over shared
 * between them.
 * @param since ISO date of the homes in the lanes
 * @returns null where it goes by one name, is parted already, or not everything finds room so
 */
export function lanesFor(plan: Plan, place: Place, since: string): Lanes | null {
  const name = nameOfPlace(plan, place.id);
  if (!name || name.typed || !canPart(place) || placesIn(plan, place.id).length > 0) return null;
  const homes = homesIn(plan, place.id);
  // a share that lives in several places, or is pinned here, is left as it is
  if (homes.some((h) => h.pinned || homesOf(plan, h.supplyId, h.share).length > 1)) return null;
  const groups = new Map<string, Supply[]>();
  for (const id of new Set(homes.map((h) => h.supplyId))) {
    const shelved = shelvedAs(plan, id)!;
    const by = name.names.find((c) => shelved[c.level]?.id === c.id);
    const key = by ? `${by.level} ${by.id}` : `alone ${id}`;
    groups.set(key, [...(groups.get(key) ?? []), plan.supplies[id]!]);
  }
  if (groups.size < 2 || groups.size > MOST_LANES) return null;
  const lanes = [...groups.values()].map((supplies) => ({
    supplies,
    name: nameFor(
      { id: '', labelWords: '' },
      supplies.map((s) => shelvedAs(plan, s.id)!),
    )!.words,
  }));
  const { things, boxes } = contentsOf(plan, place.id);
  // a box that is kept there needs the whole of it
  if (boxes.length > 0) return null;
  const groupOf = (thing: Thing) => lanes.findIndex(({ supplies }) => supplies.some((s) => s.id === thing.supply.id));
  const inLanes = lanes.map((_, i) => things.filter((t) => groupOf(t) === i));
  for (const along of ['lanes', 'rows'] as const) {
    const sizes = sizesFor(place, along, inLanes);
    if (!sizes) continue;
    const command = asOne(`part ${place.name} into ${along}`, [
      { type: 'divide', id: place.id, into: `${along} ${[...sizes.slice(0, -1), 'rest'].join(',')}` },
      ...lanes.flatMap(({ supplies }, i) =>
        homes
          .filter((h) => supplies.some((s) => s.id === h.supplyId))
          .map(({ supplyId, share }) => ({
            ...{ type: 'assignHome' as const, supplyId, share, since },
            placeId: `${place.id}.d${i + 1}`,
          })),
      ),
    ]);
    return { place, said: name.words, lanes, along, command };
  }
  return null;
}

/** How wide (or deep) each lane must be, mm; null where they do not all go in. */
function sizesFor(place: Place, along: 'lanes' | 'rows', inLanes: readonly (readonly Thing[])[]): number[] | null {
  const total = (along === 'lanes' ? place.width : place.depth) - DIVIDER * (inLanes.length - 1);
  const least: number[] = [];
  let left = total;
  for (const things of inLanes) {
    const size = leastSize(place, along, things, left);
    if (size === null) return null;
    least.push(size);
    left -= size;
  }
  const over = Math.max(0, left) / least.length;
  const sizes = least.map((mm) => Math.floor(mm + over));
  return sizes.every((mm, i) => goIn(place, along, inLanes[i]!, mm)) ? sizes : null;
}

/** Whether some things can be laid in a lane of that size. */
function goIn(place: Place, along: 'lanes' | 'rows', things: readonly Thing[], mm: number): boolean {
  const inside = { ...place, kind: 'lane' as const, [along === 'lanes' ? 'width' : 'depth']: mm };
  return stow(holderOf(inside), { things, standing: [], boxes: [] }).things.every((t) => t.alone.ok && t.over === 0);
}

/** The least size of a lane that they are laid in, in steps; more room is taken to lay no fewer. */
function leastSize(place: Place, along: 'lanes' | 'rows', things: readonly Thing[], most: number): number | null {
  let [low, high] = [1, Math.floor(most / STEP)];
  if (high < 1 || !goIn(place, along, things, high * STEP)) return null;
  while (low < high) {
    const middle = Math.floor((low + high) / 2);
    if (goIn(place, along, things, middle * STEP)) high = middle;
    else low = middle + 1;
  }
  return low * STEP;
}

/** Every place that can be parted so, with what it saves as homes are, the most first. */
export function lanesThatHelp(plan: Plan, since: string, most = 3): LanesOffer[] {
  const before = tallyOf(plan).total;
  const looksIn = (of: Plan, supplies: ReadonlySet<string>) => {
    const all = foundAgainIn(of).of;
    const looks = Object.values(of.homes).flatMap((h) =>
      supplies.has(h.supplyId) ? (all.get(h.id)?.looks ?? []) : [],
    );
    return looks.reduce((a, b) => a + b, 0) / Math.max(1, looks.length);
  };
  return Object.values(plan.places)
    .flatMap((place): LanesOffer[] => {
      const lanes = lanesFor(plan, place, since);
      const done = lanes && apply(plan, lanes.command);
      if (!done?.ok) return [];
      const saves = before - tallyOf(done.plan).total;
      if (saves < WORTH) return [];
      const supplies = new Set(lanes!.lanes.flatMap((l) => l.supplies.map((s) => s.id)));
      return [
        {
          ...lanes!,
          plan: done.plan,
          saves,
          looks: { before: looksIn(plan, supplies), after: looksIn(done.plan, supplies) },
        },
      ];
    })
    .sort((a, b) => b.saves - a.saves || (a.place.id < b.place.id ? -1 : 1))
    .slice(0, most);
}
