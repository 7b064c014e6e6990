import { standInCommands } from '../../things/fit/index.ts';
import { wordsOf } from '../../things/kinds/index.ts';
import {
  blankOrganiser,
  type Command,
  type CommandOf,
  countIn,
  groupedBy,
  homesOf,
  mayBeSame,
  newId,
  type Organiser,
  type Place,
  type Plan,
  type Supply,
} from '../../record/plan/index.ts';
import { type KnownHolder, type SaidContainer } from './containers.ts';
import { type LineContext, type LineRead } from './line-read.ts';

type Simple = CommandOf<'several'>['commands'][number];

/** Places of a plan that a line may name: those of one unit by their own names, containers, and every place by its whole path. */
function holdersFor(plan: Plan, place: Place | null): KnownHolder[] {
  const near = place ? Object.values(plan.places).filter((p) => p.unitId === place.unitId) : Object.values(plan.places);
  return near.map(({ id, name, width, depth, height, organiserId }) => ({
    id,
    name,
    width,
    depth,
    height,
    organiserId,
  }));
}

/** What a line of a list is understood by in a plan. @param place the one looked into, if any: its unit’s places are meant */
export const lineContextOf = (plan: Plan, place: Place | null): LineContext => ({
  ...{ measure: plan.head.measure, south: plan.head.latitude < 0, region: plan.head.region },
  holders: holdersFor(plan, place),
});

const keyOf = (name: string): string => wordsOf(name).join(' ') || name;

const named = groupedBy<Supply>((supply) => keyOf(supply.name));

/**
 * The entry of the list that a new line is about: the same words in the same number, and nothing that tells them apart (a brayer of 4 in is none of
 * 6 in); null when there is none, or several.
 */
export function sameAs(plan: Pick<Plan, 'supplies'>, said: Omit<Supply, 'id'>): Supply | null {
  const same = named(plan.supplies, keyOf(said.name)).filter((s) => mayBeSame(s, said));
  return same.length === 1 ? same[0]! : null;
}

/** Walls of a container people have at home, mm a side (own assumption). */
const WALL = 2;

/** The kind of container that is meant: the plan’s own where it has one of that name, else a new one. */
function organiserFor(
  plan: Plan,
  container: Pick<SaidContainer, 'name' | 'width' | 'depth' | 'height' | 'nature' | 'lid' | 'organiserId'>,
): { organiser: Organiser; add: Simple[] } {
  const own = container.organiserId === null ? undefined : plan.organisers[container.organiserId];
  const key = wordsOf(container.name).join(' ');
  const named = own ?? Object.values(plan.organisers).find((o) => wordsOf(o.name).join(' ') === key);
  if (named) return { organiser: named, add: [] };
  const { width, depth, height, nature, lid } = container;
  const name = `${container.name.charAt(0).toUpperCase()}${container.name.slice(1)}`.replace(/(?<=[^s])s$/, '');
  const organiser: Organiser = {
    ...blankOrganiser(newId('organiser'), name, width + 2 * WALL, depth + 2 * WALL, height + WALL),
    nature,
    lid,
    carried: true,
  };
  return { organiser, add: [{ type: 'addOrganiser', organiser }] };
}

/** More containers in one line than this are a slip of the keyboard. */
const MOST_CONTAINERS = 60;

/**
 * What a line does to a plan: a new supply (or more of one that is there), which lives in the place it was typed for; containers found there are set in.
 * A thing said to fill a box lives in that box.
 * @param place the place in hand on the tour; null: from a list, without a home
 * @returns one change that undo takes back, or why not
 */
export function takeIn(
  plan: Plan,
  place: Place | null,
  read: LineRead,
  today: string,
): { ok: true; command: Command; supplyId: string | null } | { ok: false; reason: string } {
  if (read.what === 'nothing') return { ok: false, reason: read.reason };
  if (read.what === 'containers') {
    if (!place) return { ok: false, reason: 'Say on the tour where containers stand.' };
    if (read.container.count > MOST_CONTAINERS)
      return { ok: false, reason: `More than ${MOST_CONTAINERS} containers at once: set them in in parts.` };
    const { organiser, add } = organiserFor(plan, read.container);
    const commands = standInCommands(plan, place, organiser, read.container.count);
    return {
      ok: true,
      command: {
        type: 'several',
        words: `set ${read.container.count} × ${organiser.name} in`.slice(0, 120),
        commands: [...add, ...commands],
      },
      supplyId: null,
    };
  }
  const commands: Simple[] = [];
  let into = place;
  const { container } = read;
  if (place && container) {
    const known = container.holderId === null ? undefined : plan.places[container.holderId];
    if (known) into = known;
    else if (container.count <= MOST_CONTAINERS) {
      const { organiser, add } = organiserFor(plan, container);
      const standing = standInCommands(plan, place, organiser, container.count);
      commands.push(...add, ...standing);
      return withSupply(
        plan,
        read.supply,
        standing.map((c) => c.id),
        commands,
        today,
      );
    }
  }
  return withSupply(plan, read.supply, into ? [into.id] : [], commands, today);
}

/** A supply, new or more of one that is there, shared over the places it lies in. */
function withSupply(
  plan: Plan,
  said: Omit<Supply, 'id'>,
  placeIds: readonly string[],
  before: Simple[],
  today: string,
): { ok: true; command: Command; supplyId: string } {
  const there = sameAs(plan, said);
  const id = there?.id ?? newId('supply');
  const commands: Simple[] = [...before];
  const homed = there ? homesOf(plan, id, 'working') : [];
  if (!there) commands.push({ type: 'addSupplies', supplies: [{ ...said, id }] });
  else if (placeIds.length > 0 && homed.length === 0) {
    // on the list already, and now it is known where: how many is what lies here, where that was only guessed
    const set = said.working > there.working ? { working: said.working } : {};
    if (Object.keys(set).length > 0) commands.push({ type: 'setSupply', id, set });
  } else {
    // a second place of the same thing: what has a home for all the rest has it for so many as there were
    for (const home of homed)
      if (home.count === null && placeIds.length > 0)
        commands.push({
          type: 'assignHome',
          supplyId: id,
          share: 'working',
          placeId: home.placeId,
          since: home.since,
          homeId: home.id,
          count: Math.max(1, countIn(plan, home, there)),
        });
    commands.push({
      type: 'setSupply',
      id,
      set: { working: there.working + said.working, backstock: there.backstock + said.backstock },
    });
  }
  const each = shares(said.working, placeIds.length);
  placeIds.forEach((placeId, i) => {
    if (each[i]! < 1) return;
    const alone = placeIds.length === 1 && (!there || homed.length === 0);
    commands.push({
      type: 'assignHome',
      supplyId: id,
      share: 'working',
      placeId,
      since: today,
      ...(alone ? {} : { count: each[i]! }),
    });
  });
  const words = `take in ${said.name}`.slice(0, 120);
  return {
    ok: true,
    supplyId: id,
    command: commands.length === 1 ? commands[0]! : { type: 'several', words, commands },
  };
}

/** A number in so many parts as alike as can be. */
function shares(total: number, parts: number): number[] {
  return Array.from(
    { length: parts },
    (_, i) => Math.floor((total * (i + 1)) / parts) - Math.floor((total * i) / parts),
  );
}

/** Many lines at once, as one change; entries of the same words are added to what is there. */
export function takeInAll(plan: Plan, reads: readonly LineRead[], ids: () => string): Command | null {
  const added: Supply[] = [];
  const changed = new Map<string, Pick<Supply, 'working' | 'backstock'>>();
  for (const read of reads) {
    if (read.what !== 'supply') continue;
    const { supply } = read;
    const key = keyOf(supply.name);
    const before = added.find((a) => keyOf(a.name) === key && mayBeSame(a, supply));
    if (before) {
      before.working += supply.working;
      before.backstock += supply.backstock;
      continue;
    }
    const there = sameAs(plan, supply);
    if (!there) added.push({ ...supply, id: ids() });
    else {
      const so = changed.get(there.id) ?? there;
      changed.set(there.id, { working: so.working + supply.working, backstock: so.backstock + supply.backstock });
    }
  }
  const commands: Simple[] = [];
  if (added.length > 0) commands.push({ type: 'addSupplies', supplies: added });
  for (const [id, set] of changed) commands.push({ type: 'setSupply', id, set });
  if (commands.length === 0) return null;
  return commands.length === 1
    ? commands[0]!
    : { type: 'several', words: `take in ${added.length + changed.size} supplies`, commands };
}
