import { type Plan, saidIn } from '../plan/index.ts';
import { CHECKS, type CheckName } from './checks.ts';
import { contents } from './contents.ts';
import { doors } from './doors.ts';
import { type Finding, lookAt } from './finding.ts';
import { keepFree } from './keep-free.ts';
import { lights } from './light.ts';
import { openings } from './opening.ts';
import { overlaps } from './overlap.ts';
import { power } from './power.ts';
import { space } from './space.ts';
import { stationChecks } from './stations.ts';
import { ways } from './ways.ts';
import { weight } from './weight.ts';
import { zoneChecks } from './zones.ts';

const ORDER = Object.keys(CHECKS) as CheckName[];

/**
 * Everything in a plan that is not as it should be: what can hurt somebody first, then in the order of {@link CHECKS}; acknowledged ones
 * last, with their reason. Works for any plan, also one whose walls do not close (then what needs walls is not looked at).
 */
export function findingsOf(plan: Plan): Finding[] {
  const look = lookAt(plan);
  const all = [
    overlaps,
    ways,
    doors,
    openings,
    keepFree,
    power,
    space,
    weight,
    lights,
    stationChecks,
    contents,
    zoneChecks,
  ].flatMap((check) => check(look));
  const rank = (f: Finding) => (f.acknowledged ? 1000 : 0) + (CHECKS[f.check].care ? 0 : 100) + ORDER.indexOf(f.check);
  return all
    .map((f): Finding => ({
      ...f,
      words: saidIn(plan, f.words),
      acknowledged: plan.acknowledgements[f.key] ?? null,
    }))
    .sort((a, b) => rank(a) - rank(b) || (a.key < b.key ? -1 : 1));
}
