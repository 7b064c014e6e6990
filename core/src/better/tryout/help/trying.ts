import {
  findingsOnlyIn,
  secondsOf,
  type Standing,
  standingOf,
  type SunGrid,
  type Worth,
  worthOf,
} from '../../arrange/index.ts';
import { asIn, findHomes, tallyOf, type Tally } from '../../../living/homes/index.ts';
import { apply, asOne, type Command, type Plan } from '../../../record/plan/index.ts';
import { type Change } from './change.ts';

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

/** How trying is paced: milliseconds from anywhere, the day that new homes are since, a place to let others in, a way to end it. */
export type Trials = { now: () => number; since: string; breathe?: () => Promise<void>; cancelled?: () => boolean };

/** Somebody who tries changes of one plan beside others who do: here, or in a thread of its own, for all that it is handed and gives can be copied. */
export type HelpLane = {
  /**
   * one change on a copy of the base, homes found again; null when it cannot be made, breaks a rule, or was cancelled
   * @param thoroughly homes are looked for anew, as find homes does, and not only bettered
   */
  one(base: Worth, change: Change, thoroughly?: boolean): Promise<Helped | null>;
};

/** A lane in this thread. */
export function helpLaneHere(plan: Plan, sun: SunGrid, trials: Trials): HelpLane {
  const trying = new Trying(trials, sun);
  return { one: (base, change, thoroughly = false) => trying.one(plan, base, change, { thoroughly }) };
}

/** How homes are found after a change, see the slotting engine: quickly; and what is promised of the best. */
const QUICKLY = { work: 50_000, polish: true };
const THOROUGHLY = { work: 300_000, polish: false };

type How = { from?: { plan: Plan; of: readonly Change[] }; thoroughly?: boolean };

/** Plans worked out with their homes found. */
export class Trying {
  constructor(
    private readonly options: Trials,
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

  private find(plan: Plan, thoroughly: boolean) {
    const { now, since, cancelled, breathe } = this.options;
    return findHomes(plan, {
      ...(thoroughly ? THOROUGHLY : QUICKLY),
      ...{ seed: 1, now, since },
      ...(cancelled ? { cancelled } : {}),
      ...(breathe ? { breathe } : {}),
    });
  }

  /**
   * One change on a copy; null when it cannot be made, breaks a rule, or was cancelled.
   * @param how the plan it is made of, and what makes that of the plan it was asked for: the base, or one with other changes made; how well homes are looked for
   */
  async one(
    plan: Plan,
    base: Worth,
    change: Change,
    { from = { plan: base.plan, of: [] }, thoroughly = false }: How = {},
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
    const found = all.homesStay ? null : await this.find(done.plan, thoroughly);
    if (!found && !all.homesStay) return null;
    const best = found && found.after.total < found.before.total ? found.plan : done.plan;
    const tally = found ? (best === found.plan ? found.after : found.before) : base.tally;
    const paid = (t: Tally, s: Standing) => t.year + t.places + secondsOf(s);
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
        const helped = await this.one(plan, base, b, { from: { plan: a.plan, of: [a] } });
        if (helped && (!pair || helped.saves > pair.helped.saves)) pair = { helped, parts: [a, b] };
      }
    // two that get in each other’s way are no better than one
    if (!pair || pair.helped.saves <= Math.max(...pair.parts.map((p) => p.saves))) return out;
    const { parts } = pair;
    out.push({ ...pair.helped, of: parts.map((p) => p.id) });
    let three: Helped | null = null;
    for (const c of best) {
      if (parts.some((p) => p.subject === c.subject) || stop(three)) continue;
      const all = await this.one(plan, base, c, { from: { plan: pair.helped.plan, of: parts } });
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
