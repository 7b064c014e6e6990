import { type Cut, drawnOf, type Piece, type Sheet } from './guillotine.ts';
import { type CutList, Patterns } from './cut-list.ts';

/** One paper to be cut: which, how thick a sheet is, mm, and how many of each piece are wanted. */
export type Job = { id: string; sheet: Sheet; caliper: number; wanted: readonly number[] };

/** A pattern cut in stacks: which papers lie in it and how many sheets of each, and how often the cutter comes down. */
export type Run = {
  cut: Cut;
  counts: number[];
  sheets: { id: string; count: number }[];
  stacks: number;
  strokes: number;
};

/**
 * Several papers cut as one: patterns that are the same lie on each other, as high as the cutter takes.
 * @param stack height the cutter takes, mm
 */
export function cutTogether(
  jobs: readonly Job[],
  pieces: readonly Piece[],
  kerf: number,
  stack: number,
): { lists: Map<string, CutList>; runs: Run[] } {
  const lists = new Map<string, CutList>();
  const known = new Map<string, CutList>();
  const bySheet = new Map<string, Patterns>();
  const runs = new Map<string, Run & { height: number }>();
  for (const job of jobs) {
    const alike = JSON.stringify([job.sheet, job.wanted]);
    const of = JSON.stringify(job.sheet);
    const patterns = bySheet.get(of) ?? new Patterns(job.sheet, pieces, kerf);
    bySheet.set(of, patterns);
    const list = known.get(alike) ?? patterns.list(job.wanted);
    known.set(alike, list);
    lists.set(job.id, list);
    for (const { cut, counts, sheets } of list.patterns) {
      const key = JSON.stringify(cut);
      const run = runs.get(key) ?? { cut, counts, sheets: [], stacks: 0, strokes: 0, height: 0 };
      run.sheets.push({ id: job.id, count: sheets });
      run.height += sheets * job.caliper;
      runs.set(key, run);
    }
  }
  return {
    lists,
    runs: [...runs.values()].map(({ height, ...run }) => {
      const stacks = Math.max(1, Math.ceil(height / stack - 1e-9));
      return { ...run, stacks, strokes: stacks * drawnOf(run.cut).strokes.length };
    }),
  };
}
