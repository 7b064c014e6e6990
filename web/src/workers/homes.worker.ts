import { expose } from 'comlink';
import {
  asItsKin,
  assessHomes,
  type Assessment,
  bestPlacesFor,
  bestPlacesStep,
  type Effect,
  effectOf,
  findHomes,
  type FindProgress,
  type Found,
  foundUnder,
  type HeapBeside,
  heapsBeside,
  isWorse,
  type LanesOffer,
  lanesThatHelp,
  type OneMore,
  oneMoreFor,
  type Refit,
  refitAround,
  type Tally,
  tallyOf,
  tellFound,
} from '@heronstone/core/homes';
import { crossingTo } from '@heronstone/core/moves';
import { type Command, homesOf, inMonth, type Plan, type PlanHead, type Share } from '@heronstone/core/plan';

export type Counted = Omit<Tally, 'without'> & { without: number };
export type FoundHomes = Pick<Found, 'answer' | 'command' | 'keeping' | 'growthGaveWay'> & {
  moves: number;
  before: Counted;
  after: Counted;
  worse: boolean;
  /** what was done, in a few sentences */
  told: string[];
};

export type Standing = Pick<Assessment, 'fetchesByBand'> & { tally: Counted };

/** What makes room for a thing: the best free place's change in seconds a year, and the re-fits that beat it. */
export type MakingRoom = { free: number | null; refits: Refit[] };

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

let held: Plan | null = null;
/** the plan as it was last told */
function plan(): Plan {
  if (!held) throw new Error('it was told of no plan');
  return held;
}
/** what would make room, by number of the question */
let lastAsked = 0;
/** messages are heard at least so often, ms */
const PIECE = 30;
/** long work by number: a new piece of it ends the one before */
let under = 0;
function pausing() {
  const mine = ++under;
  return {
    now: () => performance.now(),
    cancelled: () => mine !== under,
    breathe: () => new Promise<void>((resolve) => setTimeout(resolve, 0)),
  };
}

/** What the plan's homes are asked, off the screen's thread: long work lets messages in between short pieces, so that cancel is heard at once. */
const api = {
  /** The plan, or those of its tables that changed since it was last told. */
  tell(tables: Partial<Plan>): void {
    held = tables.id === undefined && held ? { ...held, ...tables } : (tables as Plan);
  },
  /** How the homes stand: what all fetching comes to, and its shares by band. */
  standing(): Standing {
    const assessed = assessHomes(plan());
    return { fetchesByBand: assessed.fetchesByBand, tally: counted(tallyOf(plan(), assessed)) };
  },
  /** @returns null when it was stopped before there was an answer */
  async find(
    seconds: number,
    since: string,
    onProgress: (p: FindProgress) => void,
    undo?: string,
  ): Promise<FoundHomes | null> {
    const given = { ...pausing(), seconds, since, onProgress: (p: FindProgress) => onProgress(p) };
    const found = await findHomes(plan(), undo === undefined ? given : { ...given, undo });
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
        told: tellFound({ plan: plan(), tally: found.before }, { plan: found.plan, tally: found.after }),
      }
    );
  },
  /** What homes would come to under other ways of working, one after the other. */
  async effects(
    sets: Partial<PlanHead>[],
    work: number,
    since: string,
    tell: (index: number, effect: Effect) => void,
  ): Promise<void> {
    const pauses = pausing();
    const of = plan();
    for (const [i, set] of sets.entries()) {
      const effect = await effectOf(of, set, { ...pauses, work, since });
      if (!effect || pauses.cancelled()) return;
      tell(i, effect);
    }
  },
  /** Homes found twice with the same work: as one works now, and as one would with something of the plan's head another. */
  async bothWays(set: Partial<PlanHead>, work: number, since: string): Promise<[WayFound, WayFound] | null> {
    const pauses = pausing();
    const of = plan();
    const both: WayFound[] = [];
    for (const head of [{}, set]) {
      const found = await foundUnder(of, head, { ...pauses, work, since });
      if (!found || pauses.cancelled()) return null;
      both.push({ plan: found.plan, sum: counted(found.after) });
    }
    return both as [WayFound, WayFound];
  },
  /** Where a share could go if one or two things made room for it, and what the best place that is free would change. */
  async makingRoom(supplyId: string, share: Share, since: string, asKin: boolean): Promise<MakingRoom> {
    const mine = ++lastAsked;
    await new Promise((resolve) => setTimeout(resolve, 0));
    const supply = plan().supplies[supplyId];
    // asked about something else meanwhile: nobody waits for this any more
    if (!supply || mine !== lastAsked) return { free: null, refits: [] };
    const of = asKin ? asItsKin(plan(), supply).plan : plan();
    // what has no home is set against the best place that is free, what has one against that
    const [free] = homesOf(of, supply.id, share).length > 0 ? [] : bestPlacesFor(of, supply, share, since, 1);
    const steps = bestPlacesStep(of, supply, share, since, 3, 2);
    let rested = performance.now();
    for (;;) {
      const step = steps.next();
      if (step.done) {
        const refits = step.value.filter((r) => r.displaced.length > 0 && r.change < (free?.change ?? 0));
        return { free: free?.change ?? null, refits };
      }
      if (performance.now() - rested < PIECE) continue;
      await new Promise((resolve) => setTimeout(resolve, 0));
      if (mine !== lastAsked) return { free: null, refits: [] };
      rested = performance.now();
    }
  },
  /** What would have to make room for a share in one place; null: two things are not enough. */
  refit(supplyId: string, share: Share, placeId: string, since: string): Refit | null {
    const supply = plan().supplies[supplyId];
    return supply ? refitAround(plan(), supply, share, placeId, since, 2) : null;
  },
  /** Places with several names that can be parted so that each gets one. */
  lanes(since: string): Omit<LanesOffer, 'plan'>[] {
    return lanesThatHelp(plan(), since).map(({ plan: _with, ...offer }) => offer);
  },
  /** Heaps with emptier places beside them, and why these stay so. */
  heaps(since: string): HeapBeside[] {
    return heapsBeside(plan(), since);
  },
  /** What one more of something would do for what finds no room. */
  oneMore(supplyId: string, share: Share, since: string, asKin: boolean): OneMore[] {
    const supply = plan().supplies[supplyId];
    return supply ? oneMoreFor(asKin ? asItsKin(plan(), supply).plan : plan(), supply, share, since) : [];
  },
  /** The way from one plan’s homes to those of the plan held, as both are in a month. */
  crossing(from: Plan, month: number): PlannedMoves {
    const { moves, seconds, inTray, stuck } = crossingTo(
      inMonth(from, month),
      inMonth(plan(), month),
      (n) => `move-${n}-${crypto.randomUUID().slice(0, 8)}`,
    );
    return { moves, seconds, inTray, stuck: stuck.map((s) => s.supply.name) };
  },
  cancel() {
    under++;
  },
};
export type HomesWorker = typeof api;
expose(api);
