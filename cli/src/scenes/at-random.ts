import { readFileSync } from 'node:fs';
import { bestAtRandom, sunGrid, withHomes } from '@heronstone/core/arrange';
import { importPlan } from '@heronstone/core/formats';
import { roomOf } from '@heronstone/core/plan';

// `FILE SEED…`: of 1,000 random arrangements by each seed the best one’s seconds a year, counted as offers are: with homes found for it
const [file, ...seeds] = process.argv.slice(2);
const read = importPlan(readFileSync(file!, 'utf8'), 'random');
if (!read.ok) throw new Error(read.reason);
const totals: number[] = [];
for (const seed of seeds) {
  const { plan } = bestAtRandom(read.plan, 1000, Number(seed));
  const sun = sunGrid(plan, roomOf(plan).outline);
  totals.push((await withHomes(plan, sun, [{ work: 60_000, polish: false }])).total);
}
console.log(JSON.stringify(totals));
