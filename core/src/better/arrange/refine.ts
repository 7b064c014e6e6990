import { type Finding, standingFindings } from '../findings/index.ts';
import { Rehoming, tallyOf } from '../../living/homes/index.ts';
import { type Plan } from '../../record/plan/index.ts';
import { type Random } from '../../living/slotting/index.ts';
import { type Change, changesBack, drawChange } from './changes.ts';
import { besidesHomes, breaks, cordSeconds, secondsOf, standingOf, type SunGrid } from './cost.ts';
import { Furnishing } from './furnishing.ts';
import { frontOf, roughFetch } from './rough.ts';
import { Ways } from './ways.ts';
import { type Pacing, type Pass, withHomes, type Worth, worthOf } from './worth.ts';

/** A finding that the room as it is has not, set at so many seconds a year while searching (own assumption: more than one change gains). */
const FRESH = 3000;
/** … and a rule that is broken (own assumption: more than any arrangement gains by breaking it). */
const BROKEN = 6000;
/** Temperatures of the annealing, as shares of what the room costs a year. */
const HOT = 0.0016;
const COLD = 0.0001;
/** After so many changes priced all is counted as it will be, homes found with so many proposals of the engine. */
const COUNT = 100;
const LONG = 30_000;
const AGAIN: readonly Pass[] = [{ work: 60_000, polish: true }];
/** So many temperatures above the best the search goes back to it. */
const LOST = 10;
/** Changes drawn for one that is priced, at most; what straight distances say costs so much more than it may, s a year, is not priced (own assumption). */
const DRAWN = 8;
const DOUBT = 800;
/** How often the search looks up, in changes priced. */
const BREATH = 4;
/** What saves less a year than this is not worth carrying furniture for, s (own assumption: three minutes). */
export const NOT_WORTH = 180;

export type Refining = Pacing & {
  /** changes priced */
  steps: number;
  /** in the end what saves next to nothing goes back to where it stood */
  tidy: boolean;
  onShare?: (share: number) => void;
  /** arrangements it came through, counted as they will be */
  onFound?: (worth: Worth) => void;
};

/** What of a room’s findings counts against an arrangement: those that the room as it is has not, and rules broken by what can be moved. */
type Against = (plan: Plan, findings: readonly Finding[], blamed?: Set<string>) => number;

function againstIn({ standing }: Worth): Against {
  const known = new Set(standing.findings.map((f) => f.key));
  return (plan, findings, blamed) => {
    let sum = 0;
    for (const f of findings) {
      const counts = breaks(plan, f) ? BROKEN : known.has(f.key) ? 0 : FRESH;
      sum += counts;
      if (counts > 0) for (const id of f.unitIds) blamed?.add(id);
    }
    return sum;
  };
}

/** What an arrangement costs a year, set back for each finding that the room as it is has not and each rule that is broken. */
export const energyOf = ({ plan, total, standing }: Worth, now: Worth): number =>
  total + againstIn(now)(plan, standing.findings);

/**
 * Betters an arrangement by small changes: a piece of furniture elsewhere, two that change places, a seat or a pedestal slid along its worktop. Each is priced exactly
 * for the homes there are; what is taken has its homes found anew by the engine, so that the two come to suit each other. Now and then all is counted as it will be.
 * @param now the room as it is: findings that it has may stay
 * @returns the best arrangement so counted, with its homes
 */
export async function refine(
  start: Worth,
  now: Worth,
  sun: SunGrid,
  random: Random,
  options: Refining,
): Promise<Worth> {
  const { steps, tidy, onShare, onFound, breathe, cancelled } = options;
  const room = new Refined(start, againstIn(now), sun, random, options);
  let best = start;
  const count = async () => {
    const worth = await room.counted();
    onFound?.(worth);
    return worth;
  };
  for (let step = 1; step <= steps; step++) {
    const share = step / steps;
    const temperature = start.total * HOT * (COLD / HOT) ** share;
    const more = -temperature * Math.log(random.next() + 1e-12);
    const change = drawLikely(room, random, 1 - share, more);
    if (change) await room.take(change, more);
    if (step % BREATH === 0) {
      onShare?.(share);
      await breathe?.();
      if (cancelled?.()) break;
    }
    if (step % COUNT !== 0 && step !== steps) continue;
    const worth = await count();
    const lost = energyOf(worth, now) - energyOf(best, now);
    if (lost < 0) best = worth;
    room.standAs(step === steps || lost > LOST * temperature ? best : worth);
  }
  if (!tidy) return best;
  let back = 0;
  for (const change of changesBack(now.plan, best.plan)) {
    const one = change(room.plan, room.furnishing);
    if (one && (await room.take(one, NOT_WORTH))) back++;
  }
  if (back === 0) return best;
  const tidied = await count();
  return energyOf(tidied, now) < energyOf(best, now) + back * NOT_WORTH ? tidied : best;
}

/** A change drawn at random that may cost no more than so much, for all that straight distances tell; null when none was drawn. */
function drawLikely(room: Refined, random: Random, heat: number, more: number): Change | null {
  for (let k = 0; k < DRAWN; k++) {
    const change = drawChange(room.plan, room.furnishing, random, heat, room.blamed);
    if (change && room.mayPay(change, more)) return change;
  }
  return null;
}

/** A room as it is refined: how it stands, with homes that follow, and what that costs a year. */
class Refined {
  plan!: Plan;
  furnishing!: Furnishing;
  private rehoming!: Rehoming;
  /** what its homes cost beyond what the engine’s measure says, as it was last counted */
  private beyond = 0;
  private handingOn = 0;
  private wrong = 0;
  /** units that what is wrong is about */
  blamed: ReadonlySet<string> = new Set();
  private energy = 0;
  private readonly bare: Ways;
  private kept = 0;

  constructor(
    start: Worth,
    private readonly against: Against,
    private readonly sun: SunGrid,
    private readonly random: Random,
    private readonly pacing: Pacing,
  ) {
    this.bare = new Ways(start.plan);
    this.standAs(start);
  }

  /** Begins anew from an arrangement that was counted. */
  standAs({ plan, tally, standing, total }: Worth): void {
    this.plan = plan;
    this.furnishing = new Furnishing(plan, this.random, this.bare);
    this.rehoming = new Rehoming(plan);
    this.beyond = tally.total - this.rehoming.total;
    this.handingOn = standing.handingOn;
    const blamed = new Set<string>();
    this.wrong = this.against(plan, standingFindings(plan), blamed);
    this.blamed = blamed;
    this.energy = total + this.wrong;
  }

  /** Whether a change may cost no more than so much, s a year: by straight distances, which tell little of small ones and all that need be known of most others. */
  mayPay({ plan, moved, mends }: Change, more: number): boolean {
    if (mends || [...moved.units].some((id) => this.blamed.has(id))) return true;
    const rough = ({ stations, units, places }: Plan, stationId: string, placeId: string) => {
      const station = stations[stationId]!;
      const unit = units[places[placeId]!.unitId]!;
      return roughFetch(station, station.standing, frontOf(unit), unit.id === station.travellerId);
    };
    let sum = 0;
    for (const { stationId, placeId, times } of this.rehoming.trafficOf(moved))
      sum += times * (rough(plan, stationId, placeId) - rough(this.plan, stationId, placeId));
    return sum < more + DOUBT;
  }

  /** Takes a change that costs no more than so much, s a year; tells whether it did. */
  async take({ plan, moved, bulky, mends }: Change, more: number): Promise<boolean> {
    const { rehoming, sun } = this;
    const limit = this.energy + more;
    const { handingOn, penalties } = besidesHomes(plan, sun, this.handsOn(moved.stations) ? undefined : this.handingOn);
    const beside = this.beyond + secondsOf({ handingOn, penalties });
    // which findings go by it is only known once they are looked for
    const may = mends || [...moved.units].some((id) => this.blamed.has(id));
    if (rehoming.ask(plan, moved) + beside + (may ? 0 : this.wrong) > limit) return false;
    const stands = standingFindings(plan);
    const blamed = new Set<string>();
    const wrong = this.against(plan, stands, blamed);
    const there = beside + cordSeconds(stands) + wrong;
    if (rehoming.ask(plan, moved, bulky) + there > limit) return false;
    const homes = await rehoming.keep(plan, moved, ++this.kept);
    this.plan = plan;
    this.furnishing = new Furnishing(plan, this.random, this.bare);
    this.handingOn = handingOn;
    this.wrong = wrong;
    this.blamed = blamed;
    this.energy = homes + there;
    return true;
  }

  /** Whether work is handed on to or from one of some seats. */
  private handsOn(stations: ReadonlySet<string>): boolean {
    const flows = Object.values(this.plan.flows);
    return [...stations].some((id) => {
      const { activityId } = this.plan.stations[id]!;
      return flows.some((f) => f.fromId === activityId || f.toId === activityId);
    });
  }

  /** How it stands with its homes, those it had when it was last counted or those found once more from there, whichever is best; counted as it will be. */
  async counted(): Promise<Worth> {
    const { plan, rehoming, sun, pacing } = this;
    const energy = ({ plan: there, total, standing }: Worth) => total + this.against(there, standing.findings);
    const best = (a: Worth, b: Worth) => (energy(b) < energy(a) ? b : a);
    await rehoming.settle(plan, ++this.kept, LONG);
    const now = [plan, rehoming.homed(plan, pacing.since ?? '2000-01-01')]
      .map((homed) => worthOf(homed, tallyOf(homed), standingOf(homed, sun)))
      .reduce(best);
    return best(now, await withHomes(now.plan, sun, AGAIN, pacing));
  }
}
