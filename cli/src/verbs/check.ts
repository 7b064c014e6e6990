import { CHECKS, findingsOf, FIRST } from '@heronstone/core/findings';
import { json, planOf, type Result } from '../input.ts';
import { type Verb } from './verb.ts';

export const checkVerb: Verb = {
  usage: ['check PLAN.heron.json'],
  flags: [],
  run: check,
};

/** Every finding of a plan, with where its limit comes from and the caution. */
function check(file: string): Result {
  const rows = findingsOf(planOf(file)).map(({ key, check: name, words, unitIds, placeIds, acknowledged }) => ({
    key,
    check: CHECKS[name].title,
    words,
    units: unitIds,
    places: placeIds,
    source: CHECKS[name].source,
    care: CHECKS[name].care && `${CHECKS[name].care} ${FIRST}`,
    acknowledged: acknowledged && { reason: acknowledged.reason, since: acknowledged.since },
  }));
  return { code: 0, out: json(rows) };
}
