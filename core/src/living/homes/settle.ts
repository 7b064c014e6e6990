import {
  type Command,
  countIn,
  type Home,
  homesOf,
  type Plan,
  type Share,
  shareNow,
  SHARES,
  type Supply,
} from '../../record/plan/index.ts';
import { type Homes } from '../slotting/index.ts';
import { type Translation } from './translation.ts';

/** What an answer asks to be kept otherwise. */
export function keepingCommands(
  translation: Pick<Translation, 'lotOf' | 'keptAs'>,
  answer: { homes: Homes },
): (Command & { type: 'setSupply' })[] {
  return answer.homes.flatMap(({ lot, place }) => {
    const kept = translation.keptAs.get(lot)?.get(place);
    return kept ? [{ type: 'setSupply' as const, id: kept.id, set: { storage: kept.storage } }] : [];
  });
}

/** The command that moves every share where the answer puts it; pinned homes are not in the answer and stay. */
export function settleCommand(
  plan: Plan,
  translation: Pick<Translation, 'lotOf' | 'stays'>,
  answer: { homes: Homes; unplaced: readonly string[] },
  since: string,
): Command & { type: 'settle' } {
  type Wanted = { supply: Supply; share: Share; at: Map<string, number>; left: number };
  const shares = new Map<string, Wanted>();
  const placeOf = new Map(answer.homes.map((h) => [h.lot, h.place]));
  for (const [id, { supply, share, count }] of translation.lotOf) {
    const key = `${share} ${supply.id}`;
    const wanted = shares.get(key) ?? { supply, share, at: new Map<string, number>(), left: 0 };
    shares.set(key, wanted);
    const place = placeOf.get(id);
    if (place === undefined) wanted.left += count;
    else wanted.at.set(place, (wanted.at.get(place) ?? 0) + count);
  }
  const homes: (Command & { type: 'settle' })['homes'] = [];
  for (const wanted of shares.values()) {
    const { supply, share, at } = wanted;
    // what rests where it lives in its season, or nowhere, has no home of its own for that
    const [stays] = share === 'resting' ? (shares.get(`working ${supply.id}`)?.at.keys() ?? []) : [];
    if (share === 'resting' && (stays === undefined || at.has(stays) || wanted.left > 0)) {
      at.clear();
      wanted.left = 0;
    }
    const { left } = wanted;
    const now = homesOf(plan, supply.id, share);
    for (const home of now.filter((h) => translation.stays.has(h.id)))
      at.set(home.placeId, (at.get(home.placeId) ?? 0) + countIn(plan, home, supply));
    const same = at.size === now.length && now.every((h) => at.get(h.placeId) === countIn(plan, h, supply));
    if (same) continue;
    // one home alone takes all there is, also what comes later; of several the largest takes the rest
    const rest = left > 0 ? null : [...at].sort((a, b) => b[1] - a[1] || (a[0] < b[0] ? -1 : 1))[0]?.[0];
    if (at.size === 0) homes.push({ supplyId: supply.id, share, placeId: null });
    for (const [placeId, count] of at)
      homes.push({ supplyId: supply.id, share, placeId, ...(placeId === rest ? {} : { count }) });
  }
  return { type: 'settle', since, homes: homes.sort((a, b) => +(a.placeId !== null) - +(b.placeId !== null)) };
}

/**
 * The command that puts the homes of a plan back where another state of it had them, so that what lies there can be carried from there; what is pinned
 * stays where it is pinned. Where a thing is at another time of the year than now there is nothing to carry: that it keeps as it is.
 * @param since today; its month says what is where
 */
export function backTo(then: Plan, now: Plan, since: string): Command & { type: 'settle' } {
  const month = Number(since.slice(5, 7));
  const homes: (Command & { type: 'settle' })['homes'] = [];
  for (const supply of Object.values(then.supplies))
    for (const share of SHARES) {
      const is = homesOf(now, supply.id, share);
      const was = share === 'backstock' ? homesOf(then, supply.id, share) : lyingIn(then, supply, month);
      if (share !== 'backstock' && share !== shareNow(now, supply, month)) continue;
      const same =
        was.length === is.length && was.every((h) => is.some((i) => i.placeId === h.placeId && i.count === h.count));
      if (same || is.some((h) => h.pinned)) continue;
      if (was.length === 0) homes.push({ supplyId: supply.id, share, placeId: null });
      for (const { placeId, count } of was)
        homes.push({ supplyId: supply.id, share, placeId, ...(count === null ? {} : { count }) });
    }
  return { type: 'settle', since, homes };
}

/** Where what is at hand lies in a month. */
const lyingIn = (plan: Plan, supply: Supply, month: number): readonly Home[] =>
  homesOf(plan, supply.id, shareNow(plan, plan.supplies[supply.id] ?? supply, month));

/** The commands that give everything of a plan the homes, and keep it the way, another state of it does; pinned or not. */
export function asIn(now: Plan, then: Plan, since: string): Command[] {
  const homes: (Command & { type: 'settle' })['homes'] = [];
  const commands: Command[] = [];
  for (const supply of Object.values(now.supplies)) {
    const other = then.supplies[supply.id];
    if (!other) continue;
    if (other.storage !== supply.storage)
      commands.push({ type: 'setSupply', id: supply.id, set: { storage: other.storage } });
    for (const share of SHARES) {
      const is = homesOf(now, supply.id, share);
      const was = homesOf(then, supply.id, share);
      const alike = (a: Home, b: Home) => a.placeId === b.placeId && a.count === b.count;
      if (is.length === was.length && was.every((h) => is.some((i) => alike(h, i)))) continue;
      if (was.length === 0) homes.push({ supplyId: supply.id, share, placeId: null });
      for (const { placeId, count } of was)
        homes.push({ supplyId: supply.id, share, placeId, ...(count === null ? {} : { count }) });
    }
  }
  return homes.length > 0 ? [...commands, { type: 'settle', since, homes }] : commands;
}
