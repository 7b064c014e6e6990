import { type Coloured, compareBy, type Order } from './order.ts';

/** What is to stand in a row, and in how many slots. */
export type Wanted = Coloured & { slots: number };

/** A row of slots: an id in each, null where a gap is kept. */
export type Slots = readonly (string | null)[];

/**
 * How many slots a colour takes: as its stock needs, and one more where it goes fast (common practice: white and black have two).
 * @param count pieces
 * @param each that go into a slot
 */
export const slotsFor = (count: number, each: number, fast: boolean): number =>
  Math.max(1, Math.ceil(count / Math.max(1, each)) + (fast && count <= each ? 1 : 0));

/**
 * A row laid out anew: everything in order, what is over kept as gaps, spread as evenly as newcomers are to be expected between any two.
 * @returns null when it does not go in
 */
export function layRow(wanted: readonly Wanted[], order: Order, length: number): (string | null)[] | null {
  const sorted = [...wanted].sort(compareBy(order));
  const taken = sorted.reduce((sum, w) => sum + w.slots, 0);
  const gaps = length - taken;
  if (gaps < 0) return null;
  const row: (string | null)[] = [];
  let given = 0;
  for (const [i, w] of sorted.entries()) {
    for (let k = 0; k < w.slots; k++) row.push(w.id);
    // after so many of them so many of the gaps
    const due = Math.floor(((i + 1) * gaps) / sorted.length);
    for (; given < due; given++) row.push(null);
  }
  while (row.length < length) row.push(null);
  return row;
}

export type Placed = { slots: (string | null)[]; at: number; /** neighbours that move by a slot */ moved: string[] };

/**
 * Where a newcomer goes in a row that is in order, with as few neighbours moving as can be: into a gap between its neighbours where there is one, else
 * everything up to the nearest gap moves by one.
 * @returns null when there is no gap left at all
 */
export function insertInto(
  slots: Slots,
  things: ReadonlyMap<string, Coloured>,
  newcomer: Coloured,
  order: Order,
): Placed | null {
  const compare = compareBy(order);
  // the newcomer stands between slot `from` and slot `to`: whatever is before `from` comes before it
  let from = -1;
  for (const [i, id] of slots.entries()) {
    const thing = id === null ? undefined : things.get(id);
    if (thing && compare(thing, newcomer) < 0) from = i;
  }
  let to = slots.length;
  for (let i = slots.length - 1; i > from; i--) if (slots[i] !== null) to = i;
  const put = (at: number, moved: string[], next: (string | null)[]): Placed => {
    next[at] = newcomer.id;
    return { slots: next, at, moved };
  };
  // a gap between the two: in the middle of it, so that the next newcomer finds room on either side
  if (to - from > 1) return put(Math.floor((from + to) / 2), [], [...slots]);
  const right = slots.findIndex((id, i) => i >= to && id === null);
  let left = -1;
  for (let i = 0; i <= from; i++) if (slots[i] === null) left = i;
  if (right < 0 && left < 0) return null;
  const steps = (a: number, b: number) => (a < 0 || b < 0 ? Infinity : Math.abs(a - b));
  if (steps(right, to) < steps(from, left) || left < 0) {
    const next = [...slots];
    next.splice(right, 1);
    next.splice(to, 0, null);
    return put(to, idsOf(slots.slice(to, right)), next);
  }
  const next = [...slots];
  next.splice(left, 1);
  next.splice(from, 0, null);
  return put(from, idsOf(slots.slice(left + 1, from + 1)), next);
}

const idsOf = (slots: Slots): string[] => [...new Set(slots.filter((id) => id !== null))];
