import { type Place, type Plan, type Share, type Station, type Supply } from '../../record/plan/index.ts';
import { sessionsAt } from '../sessions/index.ts';
import { carriedOf } from './carrying.ts';
import { carryingPerYear } from './brought.ts';
import { type Ground, joins } from './ground.ts';
import { countOf } from './own-cost.ts';
import { type YearlyUse, yearlyUses } from './uses.ts';

/** Paid once if any of its lots lives in any of its places, s a year. */
export type Charge = { places: string[]; lots: string[]; cost: number };

/** Which container is brought to whom, for the charge of the same number. */
export type Brought = { station: Station; container: Place };

const round = (x: number) => Math.round(x * 100) / 100;

/** Containers that are carried to a seat: bringing them once a session, if anything that is used there lives anywhere in them. */
export function bringingCharges(
  plan: Plan,
  lots: readonly { id: string }[],
  lotOf: ReadonlyMap<string, { supply: Supply; share: Share }>,
): { charges: Charge[]; brought: Brought[] } {
  const charges: Charge[] = [];
  const brought: Brought[] = [];
  const containers = new Map<string, string[]>();
  for (const place of Object.values(plan.places)) {
    const container = carriedOf(plan, place);
    if (container) containers.set(container.id, [...(containers.get(container.id) ?? []), place.id]);
  }
  if (containers.size === 0) return { charges, brought };
  const byStation = new Map<string, string[]>();
  for (const { id } of lots) {
    const { supply, share } = lotOf.get(id)!;
    if (share === 'resting') continue;
    for (const { station } of yearlyUses(plan, supply, share))
      byStation.set(station.id, [...(byStation.get(station.id) ?? []), id]);
  }
  for (const [id, places] of containers) {
    const container = plan.places[id]!;
    for (const station of Object.values(plan.stations)) {
      const cost = carryingPerYear(plan, station, container);
      const under = byStation.get(station.id) ?? [];
      if (cost <= 0 || under.length === 0) continue;
      charges.push({ places, lots: under, cost: round(cost) });
      brought.push({ station, container });
    }
  }
  return { charges, brought };
}

/**
 * Visits: what a session gets together from one unit pays the way there once, and once more to bring it back; the way is that to the farthest. Of the ways
 * to the places of a unit each stretch is a charge over the places that lie beyond it, so that together they are the farthest. One load is counted
 * with, whatever it weighs.
 */
export function visitCharges(
  plan: Plan,
  {
    ground,
    lots,
    ledger,
  }: {
    ground: Ground;
    lots: readonly { id: string }[];
    ledger: readonly { uses: readonly YearlyUse[]; part: number }[];
  },
): Charge[] {
  const members = new Map<Station, { tools: string[]; usedUp: string[] }>();
  for (const [l, { uses, part }] of ledger.entries())
    for (const use of uses) {
      if (!joins(plan, use, part)) continue;
      const of = members.get(use.station) ?? { tools: [], usedUp: [] };
      members.set(use.station, of);
      (use.consumed ? of.usedUp : of.tools).push(lots[l]!.id);
    }
  const charges: Charge[] = [];
  for (const [station, { tools, usedUp }] of members) {
    const sessions = sessionsAt(plan, station) * countOf(plan, station);
    for (const stretches of ground.stretchesFrom(station.id))
      for (const { seconds, places } of stretches) {
        const cost = round(sessions * seconds);
        if (cost === 0) continue;
        if (usedUp.length === 0) charges.push({ places, lots: tools, cost: round(2 * sessions * seconds) });
        else {
          charges.push({ places, lots: [...tools, ...usedUp], cost });
          if (tools.length > 0) charges.push({ places, lots: tools, cost });
        }
      }
  }
  return charges;
}
