import { isThere } from '@heronstone/core/upkeep';
import { type Plan } from '@heronstone/core/plan';

/** One question of a look test as it stands: where was looked so far, and what came of it. */
export type Answer = {
  supplyId: string;
  looked: readonly string[];
  /** null: it is still looked for */
  found: 'first' | 'second' | 'not' | null;
};

/** After so many wrong places she is told. */
const LOOKS = 2;

/** The test at its beginning. */
export const begun = (supplyIds: readonly string[]): Answer[] =>
  supplyIds.map((supplyId) => ({ supplyId, looked: [], found: null }));

/** The number of the question that is asked now; null: all are answered. */
export function askedNow(answers: readonly Answer[]): number | null {
  const at = answers.findIndex((a) => a.found === null);
  return at < 0 ? null : at;
}

/** A look into a place (null: she does not know): found, looked once more, or told. The same place twice is one look. */
export function look(plan: Plan, answers: readonly Answer[], placeId: string | null): Answer[] {
  const at = askedNow(answers);
  if (at === null) return [...answers];
  const now = answers[at]!;
  if (placeId !== null && now.looked.includes(placeId)) return [...answers];
  return answers.with(at, answered(plan, now, placeId));
}

function answered(plan: Plan, now: Answer, placeId: string | null): Answer {
  if (placeId === null) return { ...now, found: 'not' };
  const looked = [...now.looked, placeId];
  if (isThere(plan, now.supplyId, placeId)) return { ...now, looked, found: looked.length === 1 ? 'first' : 'second' };
  return { ...now, looked, found: looked.length < LOOKS ? null : 'not' };
}

/** How many were found at the first look, at the second, not. */
export function scoreOf(answers: readonly Answer[]): { first: number; second: number; not: number } {
  const score = { first: 0, second: 0, not: 0 };
  for (const { found } of answers) if (found) score[found]++;
  return score;
}
