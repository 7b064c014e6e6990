import {
  findingsOnlyIn,
  secondsOf,
  standingOf,
  type Standing,
  sunGrid,
  type SunGrid,
  withHomes,
  type Worth,
  worthOf,
} from '../../arrange/index.ts';
import { asIn, findHomes, tallyOf, type Tally } from '../../homes/index.ts';
import { apply, asOne, type Command, type Plan } from '../../plan/index.ts';
import { wallFrames } from '../../room/index.ts';
import { Random } from '../../slotting/index.ts';
import { type Change } from './change.ts';
import { carts, lids, movedOut, moves, seats } from './costs-nothing.ts';
import { kits } from './kits.ts';
import { cutAheads, doors, labelling, otherStorage } from './takes-work.ts';
import { containers, moreUnits, secondTools } from './to-buy.ts';

/** A change worked out on a copy with homes found again. */
export type Helped = Change & {
  /** seconds a year less than the plan with its homes found and nothing changed; negative: more */
  saves: number;
  /** of these the fetching, handing on and penalties alone; the rest is set for what has no home and what lies apart */
  saved: number;
  /** how many more things have a home that works */
  homed: number;
  mended: string[];
  brought: string[];
  /** the plan as it then is */
  plan: Plan;
  /** the change with the homes found for it, as one change of the plan it was asked for */
  take: Command;
  /** what it is made of, where it is several together: ids */
  of: string[];
};

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

export type HelpOptions = {
  /** no new change is begun after so long, s; 30 by default */
  seconds?: number;
  seed?: number;
  now: () => number;
  since: string;
  onFound?: (changes: readonly Helped[], tried: number, share: number) => void;
  cancelled?: () => boolean;
  breathe?: () => Promise<void>;
};

/** Work of finding homes after a change, see the slotting engine; and the passes of it for the plan itself. */
const WORK = 50_000;
const FOR_BASE = [
  { work: 200_000, polish: false },
  { work: WORK, polish: true },
];
/** So many of the best are tried once more when the plan’s own homes have become better. */
const AGAIN = 8;
/** Share of the time that is kept for trying the best ones together, and how many of them are. */
const FOR_TOGETHER = 0.25;
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
  const trying = new Trying(options, sun);
  let base = await withHomes(plan, sun, FOR_BASE, options);
  if (options.cancelled?.()) return null;
  const random = new Random(seed);
  /** what has been tried, worked out against which base */
  const kept: { helped: Helped; of: Worth }[] = [];
  const ranked = () =>
    kept
      .map(({ helped, of }) => against(helped, of, base))
      .filter(isHelp)
      .sort(byHelp);
  /** No change is praised for homes that are as good without it: they are given to the plan itself. */
  const keep = (helped: Helped) => {
    kept.push({ helped, of: base });
    const better = helped.homesStay ? null : trying.sameHomes(base, helped.plan);
    if (better) base = better;
  };
  let tried = 0;
  let whole = true;
  for (const change of changesOf(base.plan, sun, random, since)) {
    if (options.cancelled?.() || spent() > 1 - FOR_TOGETHER) {
      whole = false;
      break;
    }
    if (!change) continue;
    const helped = await trying.one(plan, base, change);
    tried++;
    if (helped && helped.saves > 0) keep(helped);
    options.onFound?.(ranked(), tried, Math.min(1, spent()));
    await options.breathe?.();
  }
  // what was tried while the plan’s own homes were worse is tried again beside the best ones
  const byTotal = kept
    .filter((k) => !k.helped.homesStay)
    .sort((a, b) => a.of.total - a.helped.saves - b.of.total + b.helped.saves);
  for (const k of byTotal.slice(0, AGAIN)) {
    if (options.cancelled?.() || k.of === base) continue;
    const again = await trying.one(plan, base, k.helped);
    if (!again || again.saves < against(k.helped, k.of, base).saves) continue;
    kept.splice(kept.indexOf(k), 1);
    keep(again);
  }
  const changes = ranked();
  if (whole || !options.cancelled?.()) options.onFound?.(changes, tried, Math.min(1, spent()));
  const together = await trying.together(plan, base, changes.slice(0, BEST), () => spent() > 1);
  return { base, changes, together, tried, whole };
}

/** What a change saves against another base than the one it was tried on. */
function against(helped: Helped, of: Worth, base: Worth): Helped {
  if (helped.homesStay || of === base) return helped;
  const paid = (w: Worth) => w.tally.fetching + secondsOf(w.standing);
  return { ...helped, saves: helped.saves - of.total + base.total, saved: helped.saved - paid(of) + paid(base) };
}

/** Saves enough, or mends something and costs nothing. */
const isHelp = (h: Helped) => h.saves >= WORTH_IT || (h.mended.length > 0 && h.saves > 0);
const byHelp = (a: Helped, b: Helped) => b.saves - a.saves || (a.id < b.id ? -1 : 1);

/**
 * Every change there is to try: of each kind in turn the most promising, so that the first ten are of many kinds; what takes long to think of comes in
 * after a few rounds.
 */
function* changesOf(plan: Plan, sun: SunGrid, random: Random, since: string): Generator<Change | null> {
  const kinds: { from: number; of: Iterator<Change | null> | null }[] = [
    { from: 0, of: lazily(() => containers(plan)) },
    { from: 0, of: lazily(() => seats(plan)) },
    { from: 0, of: lazily(() => lids(plan)) },
    { from: 0, of: lazily(() => labelling(plan)) },
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

/** Plans worked out with their homes found. */
class Trying {
  constructor(
    private readonly options: HelpOptions,
    private readonly sun: SunGrid,
  ) {}

  /** The plan without a change, but with the homes that were found for it; null when they are no better there. */
  sameHomes(base: Worth, then: Plan): Worth | null {
    const kept = {
      ...then,
      supplies: Object.fromEntries(
        Object.entries(then.supplies).filter(([id, s]) => base.plan.supplies[id]?.storage === s.storage),
      ),
    };
    const commands = asIn(base.plan, kept, this.options.since).map((c) =>
      c.type === 'settle'
        ? { ...c, homes: c.homes.filter((h) => h.placeId === null || base.plan.places[h.placeId]) }
        : c,
    );
    if (commands.length === 0) return null;
    const done = apply(base.plan, asOne('homes as found', commands));
    if (!done.ok) return null;
    const tally = tallyOf(done.plan);
    return tally.total < base.tally.total - 1 ? worthOf(done.plan, tally, standingOf(done.plan, this.sun)) : null;
  }

  private find(plan: Plan) {
    const { now, since, cancelled, breathe } = this.options;
    return findHomes(plan, {
      ...{ work: WORK, polish: true, seed: 1, now, since },
      ...(cancelled ? { cancelled } : {}),
      ...(breathe ? { breathe } : {}),
    });
  }

  /**
   * One change on a copy; null when it cannot be made, breaks a rule, or was cancelled.
   * @param from the plan it is made of, and what makes that of the plan it was asked for: the base, or one with other changes made
   */
  async one(
    plan: Plan,
    base: Worth,
    change: Change,
    from: { plan: Plan; of: readonly Change[] } = { plan: base.plan, of: [] },
  ): Promise<Helped | null> {
    const done = apply(from.plan, change.command);
    const all = joined([...from.of, change]);
    const present = apply(plan, all.command);
    if (!done.ok || !present.ok) return null;
    const stands = STANDS.has(change.kind) || from.of.length > 0;
    const standing = stands ? standingOf(done.plan, this.sun) : base.standing;
    const before = new Set(base.standing.broken.map((f) => f.key));
    if (standing.broken.some((f) => !before.has(f.key))) return null;
    // what homes know nothing of changes no home
    const found = all.homesStay ? null : await this.find(done.plan);
    if (!found && !all.homesStay) return null;
    const best = found && found.after.total < found.before.total ? found.plan : done.plan;
    const tally = found ? (best === found.plan ? found.after : found.before) : base.tally;
    const paid = (t: Tally, s: Standing) => t.fetching + secondsOf(s);
    const helped: Helped = {
      ...all,
      saves: base.total - tally.total - secondsOf(standing) + all.besides,
      saved: paid(base.tally, base.standing) - paid(tally, standing) + all.besides,
      homed: base.tally.without.length - tally.without.length,
      mended: [],
      brought: [],
      plan: best,
      take: all.command,
      of: from.of.map((c) => c.id),
    };
    if (helped.saves <= 0) return helped;
    const then = best === done.plan && stands ? standing : standingOf(best, this.sun);
    return {
      ...helped,
      mended: findingsOnlyIn(base.standing, then),
      brought: findingsOnlyIn(then, base.standing),
      take: asOne(all.words, [all.command, ...asIn(present.plan, best, this.options.since)]),
    };
  }

  /** The best two of some changes together, and these with the best third one. */
  async together(plan: Plan, base: Worth, best: readonly Helped[], late: () => boolean): Promise<Helped[]> {
    const out: Helped[] = [];
    const stop = (found: unknown) => this.options.cancelled?.() === true || (late() && Boolean(found));
    let pair: { helped: Helped; parts: Helped[] } | null = null;
    for (const [i, a] of best.entries())
      for (const b of best.slice(i + 1)) {
        if (stop(pair)) break;
        if (a.subject === b.subject) continue;
        const helped = await this.one(plan, base, b, { plan: a.plan, of: [a] });
        if (helped && (!pair || helped.saves > pair.helped.saves)) pair = { helped, parts: [a, b] };
      }
    // two that get in each other’s way are no better than one
    if (!pair || pair.helped.saves <= Math.max(...pair.parts.map((p) => p.saves))) return out;
    const { parts } = pair;
    out.push({ ...pair.helped, of: parts.map((p) => p.id) });
    let three: Helped | null = null;
    for (const c of best) {
      if (parts.some((p) => p.subject === c.subject) || stop(three)) continue;
      const all = await this.one(plan, base, c, { plan: pair.helped.plan, of: parts });
      if (all && (!three || all.saves > three.saves)) three = { ...all, of: [...parts, c].map((p) => p.id) };
    }
    if (three && three.saves > pair.helped.saves) out.push(three);
    return out;
  }
}

/** Changes after which things stand otherwise than before. */
const STANDS: ReadonlySet<Change['kind']> = new Set(['move', 'seat', 'cart', 'kit', 'container', 'unit']);

/** Several changes as one. */
function joined(parts: readonly Change[]): Change {
  if (parts.length === 1) return parts[0]!;
  const efforts = parts.map((p) => p.effort);
  return {
    id: parts.map((p) => p.id).join(' + '),
    kind: parts[0]!.kind,
    subject: parts.map((p) => p.subject).join(' + '),
    words: parts.map((p) => p.words).join('; '),
    effort: efforts.includes('buy') ? 'buy' : efforts.includes('work') ? 'work' : 'free',
    minutes: parts.reduce((sum, p) => sum + p.minutes, 0),
    price: parts.some((p) => p.price === null && p.effort === 'buy')
      ? null
      : parts.reduce((sum, p) => sum + (p.price ?? 0), 0),
    command: asOne(
      'several changes',
      parts.map((p) => p.command),
    ),
    unitIds: [...new Set(parts.flatMap((p) => p.unitIds))],
    besides: parts.reduce((sum, p) => sum + p.besides, 0),
    homesStay: parts.every((p) => p.homesStay),
  };
}
