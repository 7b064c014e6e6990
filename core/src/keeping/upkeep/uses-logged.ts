import { asOne, type Command, newId, type Plan, type Supply } from '../../record/plan/index.ts';
import { holdingEntries } from './log.ts';

/** The maker’s guess is worth so many sessions; the log is listened to once it has as many (design page on upkeep: own assumption). */
export const GUESS_WORTH = 10;

/** One figure of a use as it was guessed, as it was logged, and the two weighed. Per session. */
export type Weighed = { guess: number; logged: number; weighed: number };
export type LoggedUse = {
  activityId: string;
  supply: Supply;
  useId: string | null;
  sessions: number;
  fetches: Weighed;
  usedUp: Weighed;
};

/**
 * A rate weighed between a guess and what was counted: the mean of a gamma distribution whose prior is the guess, worth {@link GUESS_WORTH} sessions (Poisson
 * counts with a conjugate gamma prior: shape 10 g + n, rate 10 + s; a textbook result, from memory).
 * @param guess per session
 * @param count in all sessions
 */
export const weighedRate = (guess: number, count: number, sessions: number): number =>
  (GUESS_WORTH * guess + count) / (GUESS_WORTH + sessions);

/**
 * What the log says of uses: for every activity with at least ten sessions in it, and every supply fetched or used up in one of them. A thing that nobody ever
 * tapped says nothing about itself and is left as it was guessed.
 */
export function loggedUses(plan: Plan): LoggedUse[] {
  const out: LoggedUse[] = [];
  const entries = holdingEntries(plan);
  const gathered = Object.values(plan.monthSums);
  for (const activity of Object.values(plan.activities)) {
    // lines, and what months of them came to
    const of = [
      ...gathered.filter((s) => s.activityId === activity.id),
      ...entries.filter((e) => e.activityId === activity.id).map((e) => ({ ...e, times: 1, pieces: e.count ?? 1 })),
    ];
    const sessions = of.reduce((sum, e) => sum + (e.what === 'began' ? e.times : 0), 0);
    if (sessions < GUESS_WORTH) continue;
    const counts = new Map<string, { fetched: number; usedUp: number }>();
    for (const e of of) {
      if (e.supplyId === null || (e.what !== 'fetched' && e.what !== 'usedUp')) continue;
      const known = counts.get(e.supplyId) ?? { fetched: 0, usedUp: 0 };
      known[e.what] += e.pieces;
      counts.set(e.supplyId, known);
    }
    for (const [supplyId, { fetched, usedUp }] of counts) {
      const supply = plan.supplies[supplyId];
      if (!supply) continue;
      const use = Object.values(plan.uses).find((u) => u.activityId === activity.id && u.supplyId === supplyId);
      const weigh = (guess: number, count: number): Weighed => ({
        guess,
        logged: count / sessions,
        weighed: weighedRate(guess, count, sessions),
      });
      out.push({
        ...{ activityId: activity.id, supply, useId: use?.id ?? null, sessions },
        fetches: weigh(use?.fetches ?? 0, fetched),
        // what was never logged as used up says nothing about how fast it goes
        usedUp: usedUp > 0 ? weigh(use?.usedUp ?? 0, usedUp) : same(use?.usedUp ?? 0),
      });
    }
  }
  return out.sort(
    (a, b) => Math.abs(b.fetches.weighed - b.fetches.guess) - Math.abs(a.fetches.weighed - a.fetches.guess),
  );
}

const same = (guess: number): Weighed => ({ guess, logged: guess, weighed: guess });
const tidy = (n: number) => Math.round(n * 100) / 100;

/** The change that lets uses be as they are weighed; null when the log says nothing new. */
export function usesFromLog(plan: Plan, uses: readonly LoggedUse[] = loggedUses(plan)): Command | null {
  const commands = uses.flatMap((u): Command[] => {
    const fetches = tidy(u.fetches.weighed);
    const usedUp = tidy(u.usedUp.weighed);
    if (u.useId === null)
      return [
        { type: 'addUse', use: { id: newId('use'), activityId: u.activityId, supplyId: u.supply.id, fetches, usedUp } },
      ];
    if (fetches === u.fetches.guess && usedUp === u.usedUp.guess) return [];
    return [{ type: 'setUse', id: u.useId, set: { fetches, usedUp } }];
  });
  return commands.length > 0 ? asOne('uses as the log has them', commands) : null;
}
