import { type Plan, saidIn } from '../../record/plan/index.ts';
import { CHECKS, type CheckName } from './checks.ts';
import { contents } from './contents.ts';
import { doors } from './doors.ts';
import { type Finding, type Found, type Look, lookAt } from './finding.ts';
import { keepFree } from './keep-free.ts';
import { lights } from './light.ts';
import { nameChecks } from './names.ts';
import { openings } from './opening.ts';
import { overlaps } from './overlap.ts';
import { power } from './power.ts';
import { space } from './space.ts';
import { stationChecks } from './stations.ts';
import { ways } from './ways.ts';
import { weight } from './weight.ts';
import { besideChecks, zoneChecks } from './zones.ts';

const ORDER = Object.keys(CHECKS) as CheckName[];

/** Checks of how things stand, whatever is in them. */
const STANDING = [overlaps, ways, doors, openings, keepFree, power, space, lights, stationChecks, besideChecks];
/** Checks of what is in them, and of zones for what is in them. */
const HOLDING = [weight, contents, nameChecks, zoneChecks];

/**
 * Everything in a plan that is not as it should be: what can hurt somebody first, then in the order of {@link CHECKS}; acknowledged ones
 * last, with their reason. Works for any plan, also one whose walls do not close (then what needs walls is not looked at).
 */
export const findingsOf = (plan: Plan): Finding[] => foundBy(plan, [...STANDING, ...HOLDING]);

/** The same without what depends on where things live: quicker by half, for what moves furniture about. */
export const standingFindings = (plan: Plan): Finding[] => foundBy(plan, STANDING);

function foundBy(plan: Plan, checks: readonly ((look: Look) => Found[])[]): Finding[] {
  const look = lookAt(plan);
  const all = checks.flatMap((check) => check(look));
  const rank = (f: Finding) => (f.acknowledged ? 1000 : 0) + (CHECKS[f.check].care ? 0 : 100) + ORDER.indexOf(f.check);
  return all
    .map((f): Finding => ({
      ...f,
      words: saidIn(plan, f.words),
      acknowledged: plan.acknowledgements[f.key] ?? null,
    }))
    .sort((a, b) => rank(a) - rank(b) || (a.key < b.key ? -1 : 1));
}
