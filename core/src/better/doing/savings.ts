import { assessHomes, costWithoutHome, tallyOf } from '../../living/homes/index.ts';
import { type Plan, type Share } from '../../record/plan/index.ts';

/** The key of a share of a supply. */
export const shareKey = (supplyId: string, share: Share): string => `${share} ${supplyId}`;

/** What each share costs a year in one plan: with what speaks against its place, or while it has no home that works, s. */
function costs(plan: Plan): Map<string, number> {
  const each = new Map<string, number>();
  for (const { supply, share, cost } of assessHomes(plan).states) {
    const key = shareKey(supply.id, share);
    const works = cost !== null && cost.reason === null;
    each.set(key, (each.get(key) ?? 0) + (works ? cost.seconds : costWithoutHome(plan, supply, share)));
  }
  return each;
}

/** What each share saves a year between two plans, s; less than none where it has to stand back for another. */
export function savingsOf(now: Plan, then: Plan): Map<string, number> {
  const [was, is] = [costs(now), costs(then)];
  return new Map(
    [...new Set([...was.keys(), ...is.keys()])].map((key) => [key, (was.get(key) ?? 0) - (is.get(key) ?? 0)]),
  );
}

/** What a year takes in a plan, whole s, as it is written down: what is promised is the difference. */
export const yearOf = (plan: Plan): number => Math.round(tallyOf(plan).year);
