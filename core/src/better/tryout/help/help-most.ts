import { secondsOf, shared, sunGrid, type SunGrid, withHomes, type Worth } from '../../arrange/index.ts';
import { type Plan } from '../../../record/plan/index.ts';
import { wallFrames } from '../../../space/room/index.ts';
import { Random } from '../../../living/slotting/index.ts';
import { type Change } from './change.ts';
import { carts, lids, movedOut, moves, seats } from './costs-nothing.ts';
import { kits } from './kits.ts';
import { cutAheads, doors, labelling, otherStorage, parted } from './takes-work.ts';
import { containers, moreUnits, secondTools } from './to-buy.ts';
import { helpLaneHere, type HelpLane, type Helped, type Trials, Trying } from './trying.ts';

export type HelpMost = {
  base: Worth;
  /** the best first; what saves nothing and mends nothing is not among them */
  changes: Helped[];
  /** the best two and the best three together */
  together: Helped[];
  tried: number;
  /** everything there was to try has been tried */
  whole: boolean;
};

export type HelpOptions = Trials & {
  /** no new change is begun after so long, s; 30 by default */
  seconds?: number;
  seed?: number;
  onFound?: (changes: readonly Helped[], tried: number, share: number) => void;
  /** who tries; one in this thread by default */
  lanes?: (plan: Plan, sun: SunGrid) => readonly HelpLane[];
};

/** Passes of finding homes for the plan itself: first quickly, so that there is something to set changes beside; then, when a screenful has been tried, thoroughly. */
const FOR_BASE = [{ work: 250_000, polish: true }];
const DEEPER = [{ work: 200_000, polish: false }];
const SCREENFUL = 10;
/** So many of the best are tried once more when the plan’s own homes have become better. */
const AGAIN = 8;
/** Share of the time that is kept for looking thoroughly at the best ones and for trying them together, and how many of them are. */
const FOR_TOGETHER = 0.35;
const BEST = 4;
/** Less than this a year is no help, s (own assumption: ten minutes). */
const WORTH_IT = 600;

/**
 * What would help most: one change at a time tried on a copy of the plan, homes found again, and set beside the plan as it is with its homes found. A
 * change that breaks a hard rule is not offered. Anytime: what is found is told as it is found.
 */
export async function helpMost(plan: Plan, options: HelpOptions): Promise<HelpMost | null> {
  const { now, since, seed = 1, seconds = 30 } = options;
  const started = now();
  const spent = () => (now() - started) / 1000 / seconds;
  const outline = wallFrames(plan).map((f) => f.a);
  const sun = sunGrid(plan, outline);
  const lanes = options.lanes?.(plan, sun) ?? [helpLaneHere(plan, sun, options)];
  const trying = new Trying(options, sun);
  let base = await withHomes(plan, sun, FOR_BASE, options);
  if (options.cancelled?.()) return null;
  /** what has been tried, worked out against which base */
  const kept: { helped: Helped; of: Worth }[] = [];
  const ranked = () =>
    kept
      .map(({ helped, of }) => against(helped, of, base))
      .filter(isHelp)
      .sort(byHelp);
  /** No change is praised for homes that are as good without it: they are given to the plan itself. */
  const keep = (helped: Helped, of: Worth) => {
    kept.push({ helped, of });
    const better = helped.homesStay ? null : trying.sameHomes(base, helped.plan);
    if (better) base = better;
  };
  let tried = 0;
  let whole = true;
  const start = base.plan;
  function* untilLate(): Generator<Change> {
    for (const change of changesOf(start, plan, sun, new Random(seed), since)) {
      if (options.cancelled?.() || spent() > 1 - FOR_TOGETHER) {
        whole = false;
        return;
      }
      if (change) yield change;
    }
  }
  await shared(lanes, untilLate(), async (lane, change) => {
    const of = base;
    const helped = await lane.one(of, change);
    if (helped && helped.saves > 0) keep(helped, of);
    tried++;
    options.onFound?.(ranked(), tried, Math.min(1, spent()));
    if (tried === SCREENFUL) {
      const deeper = await withHomes(base.plan, sun, DEEPER, options);
      if (deeper.total < base.total) base = deeper;
    }
    await options.breathe?.();
  });
  /** tries some once more; what is better so takes the place of what was */
  const onceMore = (some: readonly (typeof kept)[number][], thoroughly: boolean) =>
    shared(lanes, some, async (lane, k) => {
      const of = base;
      if (options.cancelled?.() || (thoroughly ? spent() > 1 : k.of === of)) return;
      const again = await lane.one(of, k.helped, thoroughly);
      if (!again || again.saves < against(k.helped, k.of, of).saves) return;
      kept.splice(kept.indexOf(k), 1);
      keep(again, of);
    });
  const moving = () => kept.filter((k) => !k.helped.homesStay);
  // what was tried while the plan’s own homes were worse is tried again beside the best ones
  const byTotal = moving().sort((a, b) => a.of.total - a.helped.saves - b.of.total + b.helped.saves);
  await onceMore(
    ofEither(byTotal, (k) => k.helped, AGAIN),
    false,
  );
  // of what gives most room to live in, a quick look finds only a part
  const told = new Map(moving().map((k) => [k.helped.id, k]));
  await onceMore(
    ofEither(ranked(), (c) => c, BEST).flatMap((c) => told.get(c.id) ?? []),
    true,
  );
  const changes = ranked();
  if (whole || !options.cancelled?.()) options.onFound?.(changes, tried, Math.min(1, spent()));
  const together = await trying.together(plan, base, changes.slice(0, BEST), () => spent() > 1);
  return { base, changes, together, tried, whole };
}

/** What a change saves against another base than the one it was tried on. */
function against(helped: Helped, of: Worth, base: Worth): Helped {
  if (helped.homesStay || of === base) return helped;
  const paid = (w: Worth) => w.tally.year + w.tally.places + secondsOf(w.standing);
  return { ...helped, saves: helped.saves - of.total + base.total, saved: helped.saved - paid(of) + paid(base) };
}

/** So many of the first that cost nothing, and as many of the first that are bought: what is dear does not keep what is free from being looked at. */
const ofEither = <T>(list: readonly T[], of: (one: T) => Change, many: number): T[] => [
  ...list.filter((one) => of(one).effort !== 'buy').slice(0, many),
  ...list.filter((one) => of(one).effort === 'buy').slice(0, many),
];

/** Saves enough, or mends something and costs nothing. */
const isHelp = (h: Helped) => h.saves >= WORTH_IT || (h.mended.length > 0 && h.saves > 0);
const byHelp = (a: Helped, b: Helped) => b.saves - a.saves || (a.id < b.id ? -1 : 1);

/**
 * Every change there is to try: of each kind in turn the most promising, so that the first ten are of many kinds; what takes long to think of comes in
 * after a few rounds.
 * @param plan with its homes found; @param today as it is: a label says what lies there now
 */
function* changesOf(plan: Plan, today: Plan, sun: SunGrid, random: Random, since: string): Generator<Change | null> {
  const kinds: { from: number; of: Iterator<Change | null> | null }[] = [
    { from: 0, of: lazily(() => containers(plan)) },
    { from: 0, of: lazily(() => seats(plan)) },
    { from: 0, of: lazily(() => lids(plan)) },
    { from: 0, of: lazily(() => labelling(today)) },
    { from: 0, of: lazily(() => parted(plan, since)) },
    { from: 1, of: lazily(() => doors(plan)) },
    { from: 0, of: lazily(() => cutAheads(plan)) },
    { from: 0, of: lazily(() => otherStorage(plan)) },
    { from: 0, of: lazily(() => carts(plan)) },
    { from: 2, of: lazily(() => kits(plan, since)) },
    { from: 1, of: lazily(() => moves(plan, sun, random)) },
    { from: 2, of: lazily(() => moreUnits(plan, sun, random)) },
    { from: 2, of: lazily(() => secondTools(plan, since)) },
    { from: 3, of: lazily(() => movedOut(plan, since)) },
  ];
  for (let round = 0; kinds.some((k) => k.of !== null); round++)
    for (const kind of kinds) {
      if (kind.from > round) continue;
      const step = kind.of?.next();
      if (step?.done) kind.of = null;
      else if (step) yield step.value;
    }
}

function* lazily(make: () => Iterable<Change | null>): Generator<Change | null> {
  yield* make();
}
