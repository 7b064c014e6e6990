import { placeSaid } from '../concepts/index.ts';
import { type Home, type Plan, type Share, type Station, type Supply } from '../../record/plan/index.ts';
import { assessHomes, type Assessment } from './cost.ts';
import { type HomeState } from './own-cost.ts';

/** What one station fetches a year: seconds, and fetches per band (index = band number). */
export type StationSum = { station: Station; person: string; seconds: number; fetchesByBand: number[] };

/** What became better or worse for one share of a supply, s a year; where it lives, before and after. */
export type Change = {
  supply: Supply;
  share: Share;
  seconds: number;
  from: string;
  to: string;
  /** the places themselves, ids; the first where there are several */
  fromId: string;
  toId: string;
  /** whose change it is most */
  person: string;
};

export type Compared = {
  stations: { before: StationSum; after: StationSum }[];
  /** what gains most, the most first; what got worse, the worst first */
  gains: Change[];
  losses: Change[];
};

/** What is asked of each station by the homes of a plan. */
export function stationSums(plan: Plan, assessed: Assessment = assessHomes(plan)): Map<string, StationSum> {
  const sums = new Map<string, StationSum>();
  for (const station of Object.values(plan.stations))
    sums.set(station.id, {
      station,
      person: plan.people[station.personId]?.name ?? '',
      seconds: 0,
      fetchesByBand: new Array<number>(8).fill(0),
    });
  for (const { cost } of assessed.states)
    for (const { station, seconds, fetches, band } of cost?.by ?? []) {
      const sum = sums.get(station.id);
      if (!sum) continue;
      sum.seconds += seconds;
      sum.fetchesByBand[band ?? 0]! += fetches;
    }
  return sums;
}

const keyOf = (s: HomeState) => `${s.share} ${s.supply.id}`;

/** Two states of the homes of one room beside each other: by station and person, and what changed most. */
export function compareHomes(
  before: Plan,
  after: Plan,
  most = 10,
  [a, b]: readonly [Assessment, Assessment] = [assessHomes(before), assessHomes(after)],
): Compared {
  const [was, is] = [stationSums(before, a), stationSums(after, b)];
  const byShare = (list: readonly HomeState[]) => {
    const map = new Map<string, HomeState[]>();
    for (const s of list) map.set(keyOf(s), [...(map.get(keyOf(s)) ?? []), s]);
    return map;
  };
  const then = byShare(b.states);
  const changes: Change[] = [];
  for (const [key, states] of byShare(a.states)) {
    const next = then.get(key) ?? [];
    // only what had a home that works and has one can be set against itself
    const works = (list: readonly HomeState[]) => list.length > 0 && list.every((s) => s.cost?.reason === null);
    if (!works(states) || !works(next)) continue;
    const seconds = (list: readonly HomeState[]) => list.reduce((sum, s) => sum + s.cost!.seconds, 0);
    const change = seconds(next) - seconds(states);
    if (Math.abs(change) < 1) continue;
    const { supply, share } = states[0]!;
    const most = [...(next[0]!.cost!.by ?? [])].sort((x, y) => y.seconds - x.seconds)[0];
    changes.push({
      supply,
      share,
      seconds: change,
      from: titles(before, states),
      to: titles(after, next),
      fromId: states[0]!.home!.placeId,
      toId: next[0]!.home!.placeId,
      person: most ? (after.people[most.station.personId]?.name ?? '') : '',
    });
  }
  changes.sort((x, y) => x.seconds - y.seconds || (x.supply.id < y.supply.id ? -1 : 1));
  return {
    stations: [...was].flatMap(([id, before]) => (is.has(id) ? [{ before, after: is.get(id)! }] : [])),
    gains: changes.filter((c) => c.seconds < 0).slice(0, most),
    losses: changes
      .filter((c) => c.seconds > 0)
      .reverse()
      .slice(0, most),
  };
}

function titles(plan: Plan, states: readonly HomeState[]): string {
  const homes = states.flatMap((s) => (s.home ? [s.home] : [])) as Home[];
  return homes.map((h) => (plan.places[h.placeId] ? placeSaid(plan, plan.places[h.placeId]!) : '')).join(' and ');
}
