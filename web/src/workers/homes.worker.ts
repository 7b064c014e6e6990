import { expose } from 'comlink';
import {
  type Effect,
  effectOf,
  findHomes,
  type FindProgress,
  type Found,
  foundUnder,
  isWorse,
  type OneMore,
  oneMoreFor,
  type Tally,
} from '@heronstone/core/homes';
import { crossingTo } from '@heronstone/core/moves';
import { type Command, type Plan, type PlanHead, type Share } from '@heronstone/core/plan';

export type Counted = Omit<Tally, 'without'> & { without: number };
export type FoundHomes = Pick<Found, 'answer' | 'command' | 'keeping' | 'growthGaveWay'> & {
  moves: number;
  before: Counted;
  after: Counted;
  worse: boolean;
};

/** Homes as found under one way of working. */
export type WayFound = { plan: Plan; sum: Counted };

/** The order of moves, ready to be kept in the plan. */
export type PlannedMoves = {
  moves: (Command & { type: 'planMoves' })['moves'];
  seconds: number;
  inTray: number;
  stuck: string[];
};

const counted = (tally: Tally): Counted => ({ ...tally, without: tally.without.length });
let stop = false;
const pausing = {
  now: () => performance.now(),
  cancelled: () => stop,
  breathe: () => new Promise<void>((resolve) => setTimeout(resolve, 0)),
};

/** Find homes, off the screen's thread: lets messages in between short pieces of work, so that cancel is heard at once. */
const api = {
  /** @returns null when it was stopped before there was an answer */
  async find(
    plan: Plan,
    seconds: number,
    since: string,
    onProgress: (p: FindProgress) => void,
  ): Promise<FoundHomes | null> {
    stop = false;
    const found = await findHomes(plan, { ...pausing, seconds, since, onProgress: (p) => onProgress(p) });
    return (
      found && {
        answer: found.answer,
        command: found.command,
        keeping: found.keeping,
        growthGaveWay: found.growthGaveWay,
        moves: found.command.homes.length,
        before: counted(found.before),
        after: counted(found.after),
        worse: isWorse(found),
      }
    );
  },
  /** What homes would come to under other ways of working, one after the other. */
  async effects(
    plan: Plan,
    sets: Partial<PlanHead>[],
    work: number,
    since: string,
    tell: (index: number, effect: Effect) => void,
  ): Promise<void> {
    stop = false;
    for (const [i, set] of sets.entries()) {
      const effect = await effectOf(plan, set, { ...pausing, work, since });
      if (!effect || stop) return;
      tell(i, effect);
    }
  },
  /** Homes found twice with the same work: as one works now, and as one would with something of the plan's head another. */
  async bothWays(
    plan: Plan,
    set: Partial<PlanHead>,
    work: number,
    since: string,
  ): Promise<[WayFound, WayFound] | null> {
    stop = false;
    const both: WayFound[] = [];
    for (const head of [{}, set]) {
      const found = await foundUnder(plan, head, { ...pausing, work, since });
      if (!found || stop) return null;
      both.push({ plan: found.plan, sum: counted(found.after) });
    }
    return both as [WayFound, WayFound];
  },
  /** What one more of something would do for what finds no room. */
  oneMore(plan: Plan, supplyId: string, share: Share, since: string): OneMore[] {
    const supply = plan.supplies[supplyId];
    return supply ? oneMoreFor(plan, supply, share, since) : [];
  },
  /** The way from one plan’s homes to another’s. */
  crossing(now: Plan, then: Plan): PlannedMoves {
    const { moves, seconds, inTray, stuck } = crossingTo(
      now,
      then,
      (n) => `move-${n}-${crypto.randomUUID().slice(0, 8)}`,
    );
    return { moves, seconds, inTray, stuck: stuck.map((s) => s.supply.name) };
  },
  cancel() {
    stop = true;
  },
};
export type HomesWorker = typeof api;
expose(api);
