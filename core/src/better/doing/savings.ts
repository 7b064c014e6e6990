import { assessHomes, tallyOf } from '../../living/homes/index.ts';
import { type Plan, type Share } from '../../record/plan/index.ts';

/** The key of a share of a supply. */
export const shareKey = (supplyId: string, share: Share): string => `${share} ${supplyId}`;

/** What each share costs a year in one plan: with what speaks against its place, or while it has no home, s. */
function costs(plan: Plan): Map<string, number> {
  const each = new Map<string, number>();
  for (const s of assessHomes(plan).states) {
    const key = shareKey(s.supply.id, s.share);
    const works = s.cost !== null && s.cost.reason === null;
    each.set(key, (each.get(key) ?? 0) + (works ? s.cost!.seconds : 0));
  }
  return each;
}

/** What a thing without a home that works costs a year more, s: dug out of a pile, and in the way (own assumption). */
const ASTRAY = 3600;

function astray(plan: Plan): Set<string> {
  const keys = new Set<string>();
  for (const s of assessHomes(plan).states)
    if (s.cost === null || s.cost.reason !== null) keys.add(shareKey(s.supply.id, s.share));
  return keys;
}

/** What each share saves a year between two plans, s; less than none where it has to stand back for another. */
export function savingsOf(now: Plan, then: Plan): Map<string, number> {
  const [a, b] = [costs(now), costs(then)];
  const [lost, still] = [astray(now), astray(then)];
  const saves = new Map<string, number>();
  for (const key of new Set([...a.keys(), ...b.keys()])) {
    const was = (a.get(key) ?? 0) + (lost.has(key) ? ASTRAY : 0);
    const is = (b.get(key) ?? 0) + (still.has(key) ? ASTRAY : 0);
    // what has no home yet has no walk to be saved
    const walk = lost.has(key) && !still.has(key) ? (b.get(key) ?? 0) : 0;
    saves.set(key, was - is + walk);
  }
  return saves;
}

/** What a year takes in a plan, s: what is promised is the difference. */
export const yearOf = (plan: Plan): number => tallyOf(plan).year;
