import { checkAnswer, slottingTotal, solveSlotting } from '@heronstone/core/slotting';
import { randomSlotting } from '@heronstone/core/testing';
import { highsInProcess } from './highs-process.ts';

const SIZES = [
  [40, 20],
  [90, 40],
] as const;
const SEEDS = [7, 8, 9] as const;
/** s for ours, and for HiGHS */
const OURS = 2;
const THEIRS = 60;

/** Rows of rooms in which every activity pays a visit to each unit it gets something from: ours against HiGHS on the same problem. */
export async function visitRows(): Promise<string[]> {
  const rows = [
    '| room | seed | charges | ours over the better of both | gap shown | HiGHS over ours |',
    '| --- | --- | --- | --- | --- | --- |',
  ];
  for (const [lots, places] of SIZES)
    for (const seed of SEEDS) {
      const problem = randomSlotting(seed, { lots, places, fill: 0.85, families: true, visits: true });
      const ours = await solveSlotting(problem, { seconds: OURS, now: () => performance.now() });
      const [wrong] = checkAnswer(problem, ours.homes);
      if (wrong) throw new Error(wrong);
      if (Math.abs(slottingTotal(problem, ours.homes) - ours.total) > 1e-3) throw new Error('a total that is not true');
      const theirs = await highsInProcess(problem, THEIRS);
      const percent = (x: number) => `${(100 * x).toFixed(2)} %`;
      rows.push(
        `| ${[
          `${lots} × ${places}`,
          seed,
          problem.charges.length,
          percent(ours.total / Math.min(ours.total, theirs?.total ?? Infinity) - 1),
          ours.gap === null ? '–' : percent(ours.gap),
          theirs
            ? `${percent(theirs.total / ours.total - 1)} (${theirs.status}, ${theirs.seconds.toFixed(0)} s)`
            : 'ended',
        ].join(' | ')} |`,
      );
      console.error(rows.at(-1));
    }
  return rows;
}
