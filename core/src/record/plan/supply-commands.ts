import { type CommandOf } from './commands.ts';
import { type Edit, gone, type Ran, reject } from './edit.ts';
import { newHomeId } from './home-commands.ts';
import { amountOf } from './plan.ts';
import { stillDoubted } from './said-anew.ts';
import { SHARES, type Supply } from './rows/index.ts';

type SetSupply = CommandOf<'setSupply'>;

/** Changes a supply. A size or count that is said anew is known from then on, unless the same change says that it is not. */
export function setSupply(edit: Edit, command: SetSupply, set: (command: SetSupply) => Ran): Ran {
  const before = edit.get('supplies', command.id);
  if (!before) return gone('supplies');
  const trouble = set({ ...command, set: { ...stillDoubted(before, command.set), ...command.set } });
  if (trouble) return trouble;
  const supply = edit.get('supplies', command.id)!;
  for (const home of edit.having('homes', 'supplyId', supply.id))
    if (amountOf(supply, home.share) === 0) edit.remove('homes', home.id);
  return null;
}

/** Counts pieces of a supply on or off; whether its count is sure stays as it is. */
export function countSupply(edit: Edit, { id, by }: CommandOf<'countSupply'>, set: (command: SetSupply) => Ran): Ran {
  const supply = edit.get('supplies', id);
  if (!supply) return gone('supplies');
  const counted = Object.entries(by).map(([share, more]) => {
    const now = supply[share as keyof typeof by];
    return [share, Math.max(0, now + more)] as const;
  });
  const { usual, unsure } = supply;
  return setSupply(edit, { type: 'setSupply', id, set: { ...Object.fromEntries(counted), usual, unsure } }, set);
}

/** Puts entries of one thing together in the first: nothing counted, homed, used or banned is lost. */
export function mergeSupplies(edit: Edit, { id, others }: CommandOf<'mergeSupplies'>): Ran {
  if (others.includes(id) || new Set(others).size < others.length)
    return reject('A thing cannot be put together with itself.');
  for (const otherId of others) {
    const [kept, other] = [edit.get('supplies', id), edit.get('supplies', otherId)];
    if (!kept || !other) return gone('supplies');
    const trouble = mergeOne(edit, kept, other);
    if (trouble) return trouble;
  }
  return null;
}

function mergeOne(edit: Edit, kept: Supply, other: Supply): Ran {
  // what has a home "for all the rest" has it for so many as there are now: the rest of the other one is another one
  for (const supply of [kept, other]) {
    const trouble = countHomes(edit, supply);
    if (trouble) return trouble;
  }
  const sum = {
    ...kept,
    working: kept.working + other.working,
    backstock: kept.backstock + other.backstock,
    width: kept.width ?? other.width,
    depth: kept.depth ?? other.depth,
    height: kept.height ?? other.height,
    mass: kept.mass || other.mass,
    grammage: kept.grammage ?? other.grammage,
    colour: kept.colour ?? other.colour,
    openWidth: kept.openWidth ?? other.openWidth,
    // two lengths of one stuff are as long together
    openLength:
      kept.openLength === null && other.openLength === null ? null : (kept.openLength ?? 0) + (other.openLength ?? 0),
    family: kept.family || other.family,
    line: kept.line || other.line,
    maker: kept.maker || other.maker,
    theme: kept.theme || other.theme,
    kind: kept.kind || other.kind,
    note: [kept.note, other.note]
      .filter((n, i, all) => n !== '' && all.indexOf(n) === i)
      .join('\n')
      .slice(0, 2000),
    unsure: [...new Set([...kept.unsure, ...other.unsure.filter((f) => f === 'working' || f === 'backstock')])],
  };
  const trouble = edit.put('supplies', sum);
  if (trouble) return trouble;
  for (const home of edit.having('homes', 'supplyId', other.id)) {
    edit.remove('homes', home.id);
    const there = edit
      .having('homes', 'supplyId', kept.id)
      .find((h) => h.share === home.share && h.placeId === home.placeId);
    const wrong = edit.put(
      'homes',
      there
        ? { ...there, count: (there.count ?? 0) + (home.count ?? 0) }
        : { ...home, id: newHomeId(edit, kept.id, home.share), supplyId: kept.id },
    );
    if (wrong) return wrong;
  }
  for (const use of edit.having('uses', 'supplyId', other.id)) {
    const same = edit.having('uses', 'supplyId', kept.id).find((u) => u.activityId === use.activityId);
    edit.remove('uses', use.id);
    const wrong = edit.put(
      'uses',
      same
        ? { ...same, fetches: Math.max(same.fetches, use.fetches), usedUp: Math.max(same.usedUp, use.usedUp) }
        : { ...use, supplyId: kept.id },
    );
    if (wrong) return wrong;
  }
  for (const ban of edit.having('bans', 'supplyId', other.id)) {
    const wrong = edit.put('bans', { ...ban, supplyId: kept.id });
    if (wrong) return wrong;
  }
  return renameIn(edit, other.id, kept.id) ?? edit.takeOut('supplies', other.id);
}

/** What is cut of a supply, its scraps, and where it is named among colours, said of another one. */
function renameIn(edit: Edit, from: string, to: string): Ran {
  const again = (id: string) => (id === from ? to : id);
  const rows = [
    ...edit.having('cutPieces', 'supplyId', from).map((r) => () => edit.put('cutPieces', { ...r, supplyId: to })),
    ...edit.having('scraps', 'supplyId', from).map((r) => () => edit.put('scraps', { ...r, supplyId: to })),
    ...edit
      .all('palettes')
      .filter((r) => r.supplyIds.includes(from))
      .map((r) => () => edit.put('palettes', { ...r, supplyIds: [...new Set(r.supplyIds.map(again))] })),
    ...edit
      .all('colourRows')
      .filter((r) => r.slots.includes(from))
      .map((r) => () => edit.put('colourRows', { ...r, slots: r.slots.map(again) })),
  ];
  for (const put of rows) {
    const trouble = put();
    if (trouble) return trouble;
  }
  return null;
}

/** Says of every home of a supply how many it holds; one that holds none goes. */
function countHomes(edit: Edit, supply: Supply): Ran {
  for (const share of SHARES) {
    const homes = edit.having('homes', 'supplyId', supply.id).filter((h) => h.share === share);
    const counted = homes.reduce((sum, h) => sum + (h.count ?? 0), 0);
    for (const home of homes) {
      if (home.count !== null) continue;
      const rest = amountOf(supply, share) - counted;
      if (rest < 1) edit.remove('homes', home.id);
      else {
        const trouble = edit.put('homes', { ...home, count: rest });
        if (trouble) return trouble;
      }
    }
  }
  return null;
}
