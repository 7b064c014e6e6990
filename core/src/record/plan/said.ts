import { inMeasure } from '../../measures/lengths/index.ts';
import { type Plan } from './plan.ts';
import { type AnyRow, TABLE_NAMES } from './tables.ts';

const known = new WeakMap<Plan, string[]>();

/** Names the maker gave that hold a figure, the longest first: “Seam tape, 6 mm” stays what she calls it. */
function namesWithFigures(plan: Plan): string[] {
  let names = known.get(plan);
  if (!names) {
    const all = TABLE_NAMES.flatMap((table) =>
      Object.values<AnyRow>(plan[table]).flatMap((row) => ('name' in row && /\d/.test(row.name) ? [row.name] : [])),
    );
    known.set(plan, (names = [...new Set(all)].sort((a, b) => b.length - a.length)));
  }
  return names;
}

/** A sentence of ours about a plan in the measure of its maker; names in it are left as they are. */
export function saidIn(plan: Plan, words: string): string {
  const { measure } = plan.head;
  if (measure === 'metric' || !/\d/.test(words)) return words;
  const kept = namesWithFigures(plan).filter((name) => words.includes(name));
  const mark = (i: number) => `\u0001${'\u0002'.repeat(i + 1)}\u0001`;
  let out = inMeasure(
    kept.reduce((text, name, i) => text.replaceAll(name, mark(i)), words),
    measure,
  );
  kept.forEach((name, i) => (out = out.replaceAll(mark(i), () => name)));
  return out;
}
