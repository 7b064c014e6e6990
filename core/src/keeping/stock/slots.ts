import { insertInto, isInOrder, layRow, nearestColours, type Order, slotsFor } from '../../things/colour/index.ts';
import { capacityOf, fitOf, holderOf, pieceOf, sheetsIn } from '../../things/fit/index.ts';
import { handsPerYear, inReading, yearlyUses } from '../../living/homes/index.ts';
import {
  type ColourRow,
  type Command,
  countIn,
  homesIn,
  homesOf,
  natureOf,
  type Place,
  placeTitle,
  type Plan,
  type Supply,
} from '../../record/plan/index.ts';

/** Slots beside each other, or one place in which things lie in a row. */
export type SlotRow = { id: string; name: string; places: Place[]; /** how many colours stand in it */ length: number };

/** Fewer slots, or fewer things in one place, are no row. */
const FEWEST = 3;
/** More pockets of one binder are not drawn as a row. */
const MOST_POCKETS = 120;

/**
 * Every row of slots of a plan (those of equal inserts in one unit are one row), and every place in which several coloured things lie beside each other
 * or in pockets one after the other: files, the pages of a binder.
 */
export function slotRowsOf(plan: Plan): SlotRow[] {
  const groups = new Map<string, Place[]>();
  for (const place of Object.values(plan.places)) {
    if (place.kind !== 'slot' && place.kind !== 'tray') continue;
    const size = [place.width, place.depth, place.height].map(Math.round).join(' ');
    const key = `${place.unitId} ${place.kind} ${place.inId === null ? '' : size}`;
    groups.set(key, [...(groups.get(key) ?? []), place]);
  }
  const rows: SlotRow[] = [];
  for (const places of groups.values()) {
    if (places.length < FEWEST) continue;
    places.sort((a, b) => inReading(plan, a, b));
    const [first] = places as [Place, ...Place[]];
    const holders = new Set(places.map((p) => p.inId));
    const holder = first.inId === null || holders.size > 1 ? undefined : plan.places[first.inId];
    const name = holder ? placeTitle(plan, holder) : (plan.units[first.unitId]?.name ?? 'Slots');
    rows.push({ id: holder?.id ?? first.unitId, name, places, length: places.length });
  }
  for (const place of Object.values(plan.places)) {
    if (!['row', 'area', 'pockets'].includes(natureOf(place)) || place.kind === 'slot') continue;
    const coloured = homesIn(plan, place.id).filter((h) => h.share === 'working' && plan.supplies[h.supplyId]?.colour);
    if (coloured.length < FEWEST) continue;
    const holder = holderOf(place);
    if (holder.nature === 'pockets') {
      const length = Math.min(MOST_POCKETS, holder.pockets);
      if (length >= FEWEST) rows.push({ id: place.id, name: placeTitle(plan, place), places: [place], length });
      continue;
    }
    const use = coloured.reduce((sum, h) => sum + useIn(place, plan.supplies[h.supplyId]!), 0);
    const room = use > 0 ? Math.floor((coloured.length * capacityOf(holder)) / use) : coloured.length;
    const length = Math.min(60, Math.max(coloured.length, room));
    rows.push({ id: place.id, name: placeTitle(plan, place), places: [place], length });
  }
  return rows.sort((a, b) => b.places.length - a.places.length || (a.name < b.name ? -1 : 1));
}

/** What all of a supply takes of a place, in its measure; 0 where it does not go in. */
function useIn(place: Place, supply: Supply): number {
  const fit = fitOf(holderOf(place), supply, supply.working);
  return fit.ok ? fit.use : 0;
}

/** Upright sheets that fill less of a slot lean and bow (common practice: a slot should be two thirds full). */
export const BOWS_BELOW = 2 / 3;
/** A sheet that slides in so much too far needs a stop, mm (own assumption). */
const TOO_FAR = 20;

/** How some sheets stand in a slot. */
export type InSlot = {
  /** sheets that go in; 0: the sheet does not go in at all */
  most: number;
  /** of the slot that is filled */
  share: number;
  /** so deep a stop is needed behind the sheets, mm; 0: none */
  stop: number;
  bows: boolean;
};

/** What a slot makes of so many sheets of one paper; null for what is no paper, or not measured. */
export function inSlot(place: Place, supply: Supply, count: number): InSlot | null {
  const piece = pieceOf(supply);
  if (!piece || (supply.form !== 'sheet' && supply.form !== 'pocket')) return null;
  const upright = place.kind === 'slot';
  const room = upright ? place.width : place.height;
  const across = upright ? place.height : place.width;
  const ways = [
    [piece.width, piece.depth],
    [piece.depth, piece.width],
  ].filter(([a, b]) => a! <= across + 0.01 && b! <= place.depth + 0.01);
  if (ways.length === 0) return { most: 0, share: 0, stop: 0, bows: false };
  const most = sheetsIn(room, piece.height);
  const share = most > 0 ? Math.min(1, count / most) : 0;
  const over = place.depth - Math.max(...ways.map(([, b]) => b!));
  return { most, share, stop: over > TOO_FAR ? over : 0, bows: upright && count > 0 && share < BOWS_BELOW };
}

/** What a row of slots weighs as it is, and with every slot full of the heaviest paper in it, g; what its slots carry. */
export function rowMass(plan: Plan, row: SlotRow): { now: number; full: number; load: number } {
  let now = 0;
  let fullest = 0;
  for (const place of row.places)
    for (const home of homesIn(plan, place.id)) {
      const supply = plan.supplies[home.supplyId];
      if (!supply) continue;
      now += countIn(plan, home, supply) * supply.mass;
      fullest = Math.max(fullest, (inSlot(place, supply, 1)?.most ?? 0) * supply.mass);
    }
  return { now, full: fullest * row.length, load: row.places.reduce((sum, p) => sum + p.load, 0) };
}

/** What is in a row today, slot by slot: as it was laid where it still is so, else as the homes say. */
export function rowNow(plan: Plan, row: SlotRow): (string | null)[] {
  const kept = plan.colourRows[row.id];
  const here = (id: string, place: Place | undefined) =>
    place !== undefined && homesOf(plan, id, 'working').some((h) => h.placeId === place.id);
  if (row.places.length > 1)
    return row.places.map((place) => homesIn(plan, place.id).find((h) => h.share === 'working')?.supplyId ?? null);
  const [place] = row.places;
  const ids = homesIn(plan, place!.id)
    .filter((h) => h.share === 'working' && plan.supplies[h.supplyId]?.colour)
    .map((h) => h.supplyId);
  const slots = (kept?.slots ?? []).map((id) => (id !== '' && here(id, place) ? id : null)).slice(0, row.length);
  const missing = ids.filter((id) => !slots.includes(id));
  const all = kept ? [...slots, ...missing] : ids;
  return [...all, ...new Array<null>(Math.max(0, row.length - all.length)).fill(null)];
}

/** Fetches a year from which a colour goes fast: it has a second slot (own assumption). */
export const FAST = 100;

/** A row as it would be laid anew, or with a newcomer in it. */
export type RowPlan = {
  slots: (string | null)[];
  /** ids of what changes its slot */
  moved: string[];
};

/**
 * The row in the order of a school, gaps kept, colours that go fast in two slots where there is room for that.
 * @param more supplies that are to stand in it besides
 * @returns null when there are more of them than slots
 */
export function rowInOrder(plan: Plan, row: SlotRow, order: Order, more: readonly string[] = []): RowPlan | null {
  const now = rowNow(plan, row);
  // two that share a slot today are two
  const there = row.places.flatMap((p) => homesIn(plan, p.id).filter((h) => h.share === 'working'));
  const several = row.places.length > 1 ? there.map((h) => h.supplyId) : [];
  const ids = [...new Set([...now.flatMap((id) => id ?? []), ...several, ...more])].filter((id) => plan.supplies[id]);
  const wanted = (fast: boolean) =>
    ids.map((id) => {
      const supply = plan.supplies[id]!;
      const [place] = row.places as [Place, ...Place[]];
      if (row.places.length === 1)
        return { ...supply, slots: natureOf(place) === 'pockets' ? Math.max(1, Math.ceil(useIn(place, supply))) : 1 };
      const most = inSlot(row.places[0]!, supply, supply.working)?.most ?? Infinity;
      const fetches = handsPerYear(yearlyUses(plan, supply, 'working'));
      const slots = Number.isFinite(most) && most > 0 ? slotsFor(supply.working, most, fast && fetches >= FAST) : 1;
      return { ...supply, slots };
    });
  const slots = layRow(wanted(true), order, row.length) ?? layRow(wanted(false), order, row.length);
  return slots && { slots, moved: ids.filter((id) => now.indexOf(id) !== slots.indexOf(id)) };
}

/** Where something new goes in a row that is in order; null when the row is full or is in no order. */
export function rowWith(plan: Plan, row: SlotRow, order: Order, supply: Supply): RowPlan | null {
  const now = rowNow(plan, row);
  const things = new Map(now.flatMap((id) => (id ? [[id, plan.supplies[id]!] as const] : [])));
  if (
    things.has(supply.id) ||
    !isInOrder(
      now.map((id) => (id ? things.get(id)! : null)),
      order,
    )
  )
    return null;
  const placed = insertInto(now, things, supply, order);
  return placed && { slots: placed.slots, moved: placed.moved };
}

/** The command that lays a row so: what stands in each slot has its home there, and the order is kept. */
export function rowCommand(
  plan: Plan,
  row: SlotRow,
  order: Order,
  slots: readonly (string | null)[],
  since: string,
): Command {
  const kept: ColourRow = {
    id: row.id,
    name: row.name.slice(0, 120),
    order,
    placeIds: row.places.map((p) => p.id),
    slots: slots.map((id) => id ?? ''),
  };
  const homes: (Command & { type: 'settle' })['homes'] = [];
  for (const id of new Set(slots.flatMap((s) => s ?? []))) {
    const supply = plan.supplies[id];
    if (!supply || supply.working === 0) continue;
    const places =
      row.places.length === 1 ? [row.places[0]!] : slots.flatMap((s, i) => (s === id ? [row.places[i]!] : []));
    let left = supply.working;
    for (const [i, place] of places.entries()) {
      const most = inSlot(place, supply, left)?.most ?? left;
      const count = Math.min(left, Math.max(1, most));
      if (left <= 0) break;
      const last = i === places.length - 1 || count >= left;
      homes.push({ supplyId: id, share: 'working', placeId: place.id, ...(last ? {} : { count }) });
      left -= count;
      if (last) break;
    }
  }
  const known = plan.colourRows[row.id];
  const keep = known
    ? { type: 'setColourRow', id: row.id, set: { order, placeIds: kept.placeIds, slots: kept.slots } }
    : { type: 'addColourRow', colourRow: kept };
  return {
    type: 'several',
    words: 'lay a row of colours',
    commands: [keep, { type: 'settle', since, homes }] as never,
  };
}

/** Supplies and scraps nearest to a colour, the nearest first. */
export function nearestInStock(plan: Plan, colour: string, count = 6) {
  const supplies = nearestColours(
    Object.values(plan.supplies).filter((s) => s.working + s.backstock > 0),
    colour,
    count,
  );
  const scraps = nearestColours(
    Object.values(plan.scraps).filter((s) => s.count > 0),
    colour,
    3,
  );
  return { supplies, scraps };
}
