import { type CommandOf } from './commands.ts';
import { type Edit, gone, type Ran, reject } from './edit.ts';
import { amountOf } from './plan.ts';
import { sharePhrase } from './share-words.ts';
import { type Home, type Share, type Supply } from './rows/index.ts';

const homesOf = (edit: Edit, supplyId: string, share: Share): Home[] =>
  edit
    .having('homes', 'supplyId', supplyId)
    .filter((h) => h.share === share)
    .sort((a, b) => (a.id < b.id ? -1 : 1));

/** The id of a further home of a share: made of its supply, so that every side that runs the command makes the same one. */
export function newHomeId(edit: Edit, supplyId: string, share: Share): string {
  const id = `${supplyId}.${share}`;
  for (let n = 1; ; n++) {
    const one = n === 1 ? id : `${id}.${n}`;
    if (!edit.get('homes', one)) return one;
  }
}

const countedIn = (homes: readonly Home[]) => homes.reduce((sum, h) => sum + (h.count ?? 0), 0);
const heldBy = (home: Home, homes: readonly Home[], supply: Supply) =>
  home.count ?? Math.max(0, amountOf(supply, home.share) - countedIn(homes));

/** Puts what a home holds into another place, together with what lies there of the same share. */
export function mergeHome(edit: Edit, home: Home, placeId: string, more: Partial<Home> = {}): Ran {
  const there = homesOf(edit, home.supplyId, home.share).find((h) => h.placeId === placeId && h.id !== home.id);
  if (!there) return edit.put('homes', { ...home, ...more, placeId });
  edit.remove('homes', home.id);
  const count = there.count === null || home.count === null ? null : there.count + home.count;
  return edit.put('homes', { ...there, ...more, count });
}

/** Gives a share, what one of its homes holds, or so many pieces of it a home. */
export function assignHome(edit: Edit, command: CommandOf<'assignHome'>): Ran {
  const { supplyId, share, placeId, since, pinned, homeId, count } = command;
  const supply = edit.get('supplies', supplyId);
  if (!supply) return gone('supplies');
  if (!edit.get('places', placeId)) return gone('places');
  const total = amountOf(supply, share);
  if (total === 0) return reject(`${supply.name} has nothing ${sharePhrase(share)} to give a home to.`);
  const homes = homesOf(edit, supplyId, share);
  const named = homeId === undefined ? undefined : homes.find((h) => h.id === homeId);
  if (homeId !== undefined && !named) return gone('homes');
  if (count === undefined && !named) return assignAll(edit, supply, homes, command);
  const free = total - countedIn(homes);
  const loose = homes.some((h) => h.count === null) ? 0 : Math.max(0, free);
  const from = named ?? (count !== undefined && loose >= count ? undefined : largest(homes, supply));
  const available = from ? heldBy(from, homes, supply) : loose;
  const wanted = count ?? available;
  if (wanted > available) return reject(`There are only ${available} of ${supply.name} to put there, not ${wanted}.`);
  if (from?.placeId === placeId)
    return edit.put('homes', {
      ...from,
      count: count === undefined ? from.count : wanted,
      pinned: pinned ?? from.pinned,
    });
  const more = { since, ...(pinned === undefined ? {} : { pinned }) };
  if (from && wanted === available) return mergeHome(edit, from, placeId, more);
  const less = from && from.count !== null ? edit.put('homes', { ...from, count: from.count - wanted }) : null;
  if (less) return less;
  const there = homes.find((h) => h.placeId === placeId);
  if (there) return edit.put('homes', { ...there, count: there.count === null ? null : there.count + wanted, ...more });
  const id = newHomeId(edit, supplyId, share);
  return edit.put('homes', { id, supplyId, share, placeId, count: wanted, pinned: pinned ?? false, since });
}

const largest = (homes: readonly Home[], supply: Supply): Home | undefined =>
  homes.length === 0
    ? undefined
    : homes.reduce((a, b) => (heldBy(b, homes, supply) > heldBy(a, homes, supply) ? b : a));

/** The whole share in one place, whatever homes it had. */
function assignAll(edit: Edit, supply: Supply, homes: readonly Home[], command: CommandOf<'assignHome'>): Ran {
  const { share, placeId, since, pinned } = command;
  const now = homes.find((h) => h.placeId === placeId) ?? homes[0];
  for (const other of homes) if (other.id !== now?.id) edit.remove('homes', other.id);
  return edit.put('homes', {
    id: now?.id ?? newHomeId(edit, supply.id, share),
    supplyId: supply.id,
    share,
    placeId,
    count: null,
    pinned: pinned ?? now?.pinned ?? false,
    since: now?.placeId === placeId ? now.since : since,
  });
}

/** Takes a share, or one of its homes, out of where it lives. */
export function leaveHome(edit: Edit, { supplyId, share, homeId }: CommandOf<'leaveHome'>): Ran {
  for (const home of homesOf(edit, supplyId, share))
    if (homeId === undefined || home.id === homeId) edit.remove('homes', home.id);
  return null;
}

export function pinHome(edit: Edit, { supplyId, share, homeId, pinned }: CommandOf<'pinHome'>): Ran {
  const homes = homesOf(edit, supplyId, share).filter((h) => homeId === undefined || h.id === homeId);
  if (homes.length === 0) return reject('It has no home to pin.');
  for (const home of homes) {
    const trouble = edit.put('homes', { ...home, pinned });
    if (trouble) return trouble;
  }
  return null;
}

/** Takes over found homes: those of every share named come in the stead of the ones it has. */
export function settle(edit: Edit, { homes, since }: CommandOf<'settle'>): Ran {
  const wanted = new Map<string, CommandOf<'settle'>['homes']>();
  for (const home of homes) {
    const key = `${home.share} ${home.supplyId}`;
    wanted.set(key, [...(wanted.get(key) ?? []), home]);
  }
  for (const parts of wanted.values()) {
    const trouble = settleShare(edit, parts, since);
    if (trouble) return trouble;
  }
  return null;
}

function settleShare(edit: Edit, parts: CommandOf<'settle'>['homes'], since: string): Ran {
  const { supplyId, share } = parts[0]!;
  const supply = edit.get('supplies', supplyId);
  const now = homesOf(edit, supplyId, share);
  const into = parts.filter((p) => p.placeId !== null);
  for (const home of now)
    if (home.pinned && !into.some((p) => p.placeId === home.placeId))
      return reject(`${supply?.name ?? 'A supply'} is pinned where it is.`);
  if (into.length > 0 && !supply) return gone('supplies');
  if (into.some((p) => !edit.get('places', p.placeId!))) return gone('places');
  if (supply && into.length > 0 && amountOf(supply, share) === 0)
    return reject(`${supply.name} has nothing ${sharePhrase(share)} to give a home to.`);
  const counted = into.reduce((sum, p) => sum + (p.count ?? 0), 0);
  if (supply && counted > amountOf(supply, share))
    return reject(`There are only ${amountOf(supply, share)} of ${supply.name} to put there, not ${counted}.`);
  // what stays where it is keeps its row, what moves takes over one that is free
  const spare = now.filter((h) => !into.some((p) => p.placeId === h.placeId));
  for (const home of spare) edit.remove('homes', home.id);
  const ids = spare.map((h) => h.id);
  for (const { placeId, count } of into) {
    const there = now.find((h) => h.placeId === placeId);
    const id = there?.id ?? ids.shift() ?? newHomeId(edit, supplyId, share);
    const trouble = edit.put('homes', {
      id,
      supplyId,
      share,
      placeId: placeId!,
      count: count ?? null,
      pinned: there?.pinned ?? false,
      since: there?.since ?? since,
    });
    if (trouble) return trouble;
  }
  return null;
}
