import { fitOf, holderOf, seatsFor, standInCommands, stowageOf } from '../../things/fit/index.ts';
import {
  amountOf,
  apply,
  type Command,
  homesIn,
  natureOf,
  type Organiser,
  type Place,
  type Plan,
  type Share,
  type Supply,
} from '../../record/plan/index.ts';
import { keptOut } from './barred.ts';
import { costOfHome } from './cost.ts';
import { type HomeCost } from './own-cost.ts';
import { familyPlaces } from './refit.ts';
import { costWithoutHome } from './tally.ts';

/** One more of something that would give a share a home, with what it would cost there a year and what that saves, s. */
export type OneMore = { cost: HomeCost; saves: number } & (
  | { what: 'container'; organiser: Organiser; in: Place; buy: boolean; command: Command }
  | { what: 'place'; like: Place }
);

/** The id of no place there is. */
const NEW = '';
/** Places each kind of container is tried in, those with the shortest ways first. */
const TRIED = 4;

/**
 * What one more container of a kind the plan knows, set in where there is room for it, or one more place like one there is, would do for a share that
 * finds no room: each worked out with the thing in it, the most saving first, one of each kind.
 */
export function oneMoreFor(plan: Plan, supply: Supply, share: Share, since: string, count = 3): OneMore[] {
  // alone in its place it is called by its own name and found at the first look; to its family that is one place more
  const now = costWithoutHome(plan, supply, share) - familyPlaces(plan, supply, share)(NEW);
  const found: OneMore[] = [];
  const keep = (one: OneMore | null) => {
    if (one && Number.isFinite(one.cost.weighed) && one.saves > 0) found.push(one);
  };
  for (const organiser of Object.values(plan.organisers)) keep(container(plan, supply, share, since, organiser, now));
  const units = new Map<string, OneMore>();
  for (const like of Object.values(plan.places)) {
    // what can be had once more is a drawer, a shelf, a cubby; a container is had by its kind
    if (like.inId !== null || like.kind === 'top' || like.kind === 'away' || keptOut(plan, like) !== '') continue;
    if (!fitOf(holderOf(like), supply, amountOf(supply, share)).ok) continue;
    const gone = new Set(homesIn(plan, like.id).map((h) => h.id));
    const empty = { ...plan, homes: Object.fromEntries(Object.entries(plan.homes).filter(([id]) => !gone.has(id))) };
    const cost = costOfHome(empty, supply, share, like.id);
    if (!cost || !Number.isFinite(cost.weighed)) continue;
    const known = units.get(like.unitId);
    if (!known || cost.weighed < known.cost.weighed)
      units.set(like.unitId, { what: 'place', like, cost, saves: now - cost.weighed });
  }
  for (const one of units.values()) keep(one);
  return found.sort((a, b) => b.saves - a.saves).slice(0, count);
}

/** Nobody stands a box on a top, or into what is thrown together or stacked flat. */
const canHost = (p: Place): boolean => p.kind !== 'top' && ['row', 'area'].includes(natureOf(p));

function container(
  plan: Plan,
  supply: Supply,
  share: Share,
  since: string,
  organiser: Organiser,
  now: number,
): OneMore | null {
  const hosts = Object.values(plan.places)
    .filter(canHost)
    .filter((p) => keptOut(plan, p) === '' && seatsFor(plan, p, organiser, 1).length > 0)
    .map((host) => ({ host, near: costOfHome(plan, supply, share, host.id)?.fetching ?? Infinity }))
    .filter((h) => Number.isFinite(h.near))
    .sort((a, b) => a.near - b.near || (a.host.id < b.host.id ? -1 : 1))
    .slice(0, TRIED);
  let best: OneMore | null = null;
  for (const { host } of hosts) {
    const [stand] = standInCommands(plan, host, organiser, 1);
    const done = stand && apply(plan, stand);
    if (!stand || !done?.ok) continue;
    const inner = done.plan.places[stand.id]!;
    if (!fitOf(holderOf(inner), supply, amountOf(supply, share)).ok) continue;
    // what lies about in the place must still find room beside it
    if (stowageOf(done.plan, host).things.some((t) => t.over > 0)) continue;
    const cost = costOfHome(done.plan, supply, share, inner.id);
    if (!cost || (best && cost.weighed >= best.cost.weighed)) continue;
    const standing = Object.values(plan.places).filter((p) => p.organiserId === organiser.id).length;
    best = {
      what: 'container',
      organiser,
      in: host,
      buy: standing >= organiser.have,
      cost,
      saves: now - cost.weighed,
      command: {
        type: 'several',
        words: `one more ${organiser.name} for ${supply.name}`.slice(0, 120),
        commands: [stand, { type: 'assignHome', supplyId: supply.id, share, placeId: inner.id, since }] as never,
      },
    };
  }
  return best;
}
