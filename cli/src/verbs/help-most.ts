import { helpMost } from '@heronstone/core/tryout';
import { json, now, number, planOf, type Result, round, type Values } from '../input.ts';
import { type Verb } from './verb.ts';

export const helpMostVerb: Verb = {
  usage: ['help-most PLAN.heron.json [--seconds N]'],
  flags: ['seconds'],
  run: helpMostOf,
};

/** What would help most, best first: hours a year, findings, price and minutes of each change, and the best two and three together. */
async function helpMostOf(file: string, values: Values): Promise<Result> {
  const found = await helpMost(planOf(file), {
    seconds: number(values.seconds, 'seconds', 30, 3600),
    now,
    since: today(),
  });
  if (!found) return { code: 0, out: json({ changes: [] }) };
  const row = ({
    words,
    effort,
    minutes,
    price,
    saves,
    saved,
    homed,
    mended,
    brought,
  }: (typeof found.changes)[number]) => ({
    ...{ change: words, effort, minutes, price },
    ...{ secondsAYear: round(saves), ofFetching: round(saved), homesMore: homed, mends: mended, brings: brought },
  });
  const { changes, together, tried, whole, base } = found;
  return {
    code: 0,
    out: json({ now: round(base.total), tried, whole, changes: changes.map(row), together: together.map(row) }),
  };
}

/** The day where the maker is. */
const today = (): string => new Date().toLocaleDateString('sv');
