import { asIn, findHomes, tallyOf } from '../../living/homes/index.ts';
import { crossingTo, pairsBetween } from '../../living/moves/index.ts';
import {
  apply,
  asOne,
  type Command,
  homesOf,
  type Plan,
  SHARES,
  type Share,
  type Supply,
} from '../../record/plan/index.ts';

/** A move must be repaid within so many months (design page on moving in). */
export const REPAID_MONTHS = 3;
/** So many of the moves that homes found anew would ask for are looked at. */
const LOOKED = 60;
const WORK = 200_000;

/** One thing that would better live elsewhere: what that saves a year, how long carrying it takes. */
export type PayingMove = {
  supply: Supply;
  share: Share;
  from: string | null;
  to: string;
  /** seconds a year, and once */
  saves: number;
  takes: number;
};

export type Reslotting = {
  moves: PayingMove[];
  /** all of them as one change */
  command: Command | null;
  saves: number;
  takes: number;
  /** so many more would move if everything were found anew: they do not pay back in that time */
  leftAlone: number;
  leftAloneSaves: number;
};

export type ReslotOptions = {
  since: string;
  months?: number;
  now?: () => number;
  onProgress?: (share: number) => void;
  cancelled?: () => boolean;
  breathe?: () => Promise<void>;
};

/**
 * After months: homes are found anew, and of the moves that would take only those are proposed whose yearly saving repays the carrying within the time set, best
 * first. Each is tried by itself on top of those before it, so that what is said of them together is what they save together. Null when cancelled.
 */
export async function reslot(plan: Plan, options: ReslotOptions): Promise<Reslotting | null> {
  const { since, months = REPAID_MONTHS, now = () => 0, breathe, cancelled, onProgress } = options;
  const found = await findHomes(plan, {
    ...{ work: WORK, seed: 1, now, since },
    ...(breathe ? { breathe } : {}),
    ...(cancelled ? { cancelled } : {}),
  });
  if (!found || cancelled?.()) return null;
  const wanted = [...new Set(pairsBetween(plan, found.plan).map((p) => p.supply.id))];
  const whole = tallyOf(plan).total - found.after.total;
  const trials: { id: string; saves: number }[] = [];
  const start = tallyOf(plan).total;
  for (const [i, id] of wanted.slice(0, LOOKED).entries()) {
    const then = only(plan, found.plan, id, since);
    if (then) trials.push({ id, saves: start - tallyOf(then).total });
    onProgress?.((0.5 * i) / wanted.length);
    await breathe?.();
    if (cancelled?.()) return null;
  }
  trials.sort((a, b) => b.saves - a.saves || (a.id < b.id ? -1 : 1));
  let at = plan;
  let total = start;
  const moves: PayingMove[] = [];
  for (const [i, { id }] of trials.entries()) {
    const then = only(at, found.plan, id, since);
    if (then) {
      const after = tallyOf(then).total;
      const saves = total - after;
      const { seconds } = crossingTo(at, then, (n) => `m${n}`);
      if (saves > 0 && (saves * months) / 12 >= seconds) {
        const [pair] = pairsBetween(at, then);
        if (pair)
          moves.push({
            supply: plan.supplies[id]!,
            share: pair.share,
            from: pair.from,
            to: pair.to,
            saves,
            takes: seconds,
          });
        [at, total] = [then, after];
      }
    }
    onProgress?.(0.5 + (0.5 * i) / trials.length);
    await breathe?.();
    if (cancelled?.()) return null;
  }
  const commands = asIn(plan, at, since);
  return {
    moves,
    command: commands.length > 0 ? asOne('move what pays back', commands) : null,
    saves: start - total,
    takes: moves.reduce((sum, m) => sum + m.takes, 0),
    leftAlone: wanted.length - moves.length,
    leftAloneSaves: Math.max(0, whole - (start - total)),
  };
}

/** A plan in which one thing alone lives as it does in another; null when that is the same, or cannot be. */
function only(plan: Plan, as: Plan, supplyId: string, since: string): Plan | null {
  const homes = Object.fromEntries(
    [
      ...Object.values(plan.homes).filter((h) => h.supplyId !== supplyId),
      ...SHARES.flatMap((share) => homesOf(as, supplyId, share)),
    ].map((h) => [h.id, h]),
  );
  const commands = asIn(plan, { ...plan, homes }, since);
  if (commands.length === 0) return null;
  const done = apply(plan, asOne('one move', commands));
  return done.ok ? done.plan : null;
}
