import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { checkAnswer, type SlottingProblem, slottingTotal, solveSlotting } from '@heronstone/core/slotting';
import { randomSlotting } from '@heronstone/core/testing';
import { root } from '../harness.ts';
import { EARLIER } from './earlier.ts';
import { greedyPlusSwaps } from './greedy.ts';
import { highsInProcess } from './highs-process.ts';

/** Lots, places and seconds on one core. */
const SIZES = [
  [40, 20, 2],
  [90, 40, 2],
  [160, 64, 2],
  [400, 150, 2],
  [1200, 400, 10],
] as const;
const KINDS = {
  loose: { fill: 0.7 },
  tight: { fill: 0.95 },
  families: { fill: 0.85, families: true },
  everything: { fill: 0.85, families: true, charges: true, seasons: true },
  overfull: { fill: 1.15, families: true, charges: true },
} as const;
const SEEDS = [7, 8, 9] as const;

/** Best totals known, of longer runs of our own; kept beside the bench. */
const BEST = JSON.parse(readFileSync(join(root, 'e2e/src/bench/best-known.json'), 'utf8')) as Record<string, number>;

function sound(problem: SlottingProblem, homes: { lot: string; place: string }[], total: number): void {
  const [wrong] = checkAnswer(problem, homes);
  if (wrong) throw new Error(wrong);
  if (Math.abs(slottingTotal(problem, homes) - total) > 1e-3) throw new Error('a total that is not true');
}

const percent = (x: number) => `${(x * 100).toFixed(2)} %`;
const median = (list: number[]) => [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)]!;

/**
 * Rooms of every kind and size: ours against the best known, the engine before, the plain way, and HiGHS (on the first seed, up to 400 lots).
 * @param highs seconds for HiGHS
 */
export async function slottingRows(highs: number): Promise<string[]> {
  const rows = [
    'Totals in seconds a year, less is better. Generated rooms of five kinds and sizes, three seeds each (7, 8, 9): median and worst. Best known: the best of all runs of our own (seed 7: ten minutes at 400 × 150, and at 1200 × 400 with families and with everything; up to 75 s in smaller rooms), or of those of this bench. The engine before: commit 1987be4, the same limits.',
    '',
    '| room | kind | over best known: median, worst | the engine before | gap shown: median, worst | before | proposals a second | first answer | greedy + swaps | HiGHS (seed 7) over ours |',
    '| --- | --- | --- | --- | --- | --- | --- | --- | --- | --- |',
  ];
  for (const [lots, places, seconds] of SIZES)
    for (const [kind, shape] of Object.entries(KINDS)) {
      const over: number[] = [];
      const before: number[] = [];
      const gaps: number[] = [];
      const gapsBefore: number[] = [];
      const speeds: number[] = [];
      const firsts: number[] = [];
      const plain: number[] = [];
      let highsWords = 'not run';
      for (const seed of SEEDS) {
        const key = `${lots} ${kind} ${seed}`;
        const problem = randomSlotting(seed, { lots, places, ...shape });
        let first = 0;
        const ours = await solveSlotting(problem, {
          seconds,
          now: () => performance.now(),
          onProgress: (p) => (first ||= p.seconds),
        });
        sound(problem, ours.homes, ours.total);
        const earlier = EARLIER[key]!;
        const best = Math.min(BEST[key] ?? Infinity, ours.total, earlier[0]);
        over.push(ours.total / best - 1);
        before.push(earlier[0] / best - 1);
        gaps.push(ours.gap ?? Infinity);
        gapsBefore.push(earlier[1] / 100);
        speeds.push(ours.proposals / ours.seconds);
        firsts.push(first * 1000);
        // the plain way knows no periods
        if (kind !== 'everything') plain.push(greedyPlusSwaps(problem).total / best - 1);
        if (seed === 7 && lots <= 400 && highs > 0) {
          const run = await highsInProcess(problem, highs);
          highsWords = run
            ? `${percent(run.total / ours.total - 1)} (${run.status}, ${run.seconds.toFixed(0)} s)`
            : 'ended';
        }
      }
      const both = (list: number[]) => `${percent(median(list))}, ${percent(Math.max(...list))}`;
      const row = `| ${lots} × ${places} | ${kind} | ${both(over)} | ${both(before)} | ${both(gaps)} | ${percent(median(gapsBefore))} | ${(median(speeds) / 1e6).toFixed(2)} M | ${median(firsts).toFixed(0)} ms | ${plain.length > 0 ? percent(median(plain)) : '–'} | ${highsWords} |`;
      console.error(row);
      rows.push(row);
    }
  return rows;
}
