import { performance } from 'node:perf_hooks';
import { sayingsIn, togetherThatMustBeApart } from '@heronstone/core/concepts';
import { findHomes, type Found, foundAgainSum } from '@heronstone/core/homes';
import { type Plan } from '@heronstone/core/plan';
import { oneCupboard, paperStudio, sewingCorner } from '@heronstone/core/testing';

const SEEDS = [1, 2, 3];
/** s for the search, as everybody waits */
const SECONDS = 3;
type Run = Found & { seconds: number; names: ReturnType<typeof sayingsIn>; sum: ReturnType<typeof foundAgainSum> };

/** Rows of what finding again changes, on the demo and on three rooms nothing was tuned on: three seconds of search, three seeds, the middle one of each figure. */
export async function foundAgainRows(demo: Plan): Promise<string[]> {
  const rows = [
    '| room | finding again counts | places with several things | one name | odds and ends | looks | fetching, h a year | looking, h a year | together that must be apart | without a home | total apart between seeds | s |',
    '| --- | --- | --- | --- | --- | --- | --- | --- | --- | --- | --- | --- |',
  ];
  for (const { name, plan } of [{ name: 'the demo', plan: demo }, oneCupboard(), sewingCorner(), paperStudio()])
    for (const weighAgain of ['none', 'some'] as const) {
      const runs: Run[] = [];
      for (const seed of SEEDS) {
        const begun = performance.now();
        const found = (await findHomes(
          { ...plan, head: { ...plan.head, weighAgain } },
          { seconds: SECONDS, seed, now: () => performance.now(), since: '2026-05-01' },
        ))!;
        const seconds = (performance.now() - begun) / 1000;
        runs.push({ ...found, seconds, names: sayingsIn(found.plan), sum: foundAgainSum(found.plan) });
      }
      const middle = (of: (run: Run) => number) => runs.map(of).sort((a, b) => a - b)[Math.floor(runs.length / 2)]!;
      const totals = runs.map((r) => r.after.total);
      rows.push(
        `| ${[
          name,
          weighAgain,
          middle((r) => r.names.places),
          `${(100 * middle((r) => r.names.oneName / r.names.places)).toFixed(0)} %`,
          `${(100 * middle((r) => r.names.oddsAndEnds / r.names.places)).toFixed(0)} %`,
          middle((r) => r.sum.meanLooks).toFixed(2),
          (middle((r) => r.after.year - r.after.looking) / 3600).toFixed(1),
          (middle((r) => r.after.looking) / 3600).toFixed(1),
          middle((r) => togetherThatMustBeApart(r.plan).length),
          middle((r) => r.after.without.length),
          `${(100 * (Math.max(...totals) / Math.min(...totals) - 1)).toFixed(1)} %`,
          middle((r) => r.seconds).toFixed(1),
        ].join(' | ')} |`,
      );
    }
  return rows;
}
