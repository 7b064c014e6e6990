import { performance } from 'node:perf_hooks';
import { findHomes } from '@heronstone/core/homes';
import { homesOf, type Place, type Plan } from '@heronstone/core/plan';
import { oneCupboard, paperStudio, sewingCorner } from '@heronstone/core/testing';

const SEEDS = [1, 2, 3, 4, 5];
/** s of search; the second is what everybody waits */
const SECONDS = [2, 3, 5, 10, 30];
const SHARES = ['working', 'backstock'] as const;

/** How many of the shares that have a home live in the same place, or in an equal one of the same unit, in both plans: 0 to 1. */
function agreeing(plan: Plan, a: Plan, b: Plan): number {
  const about = (mm: number) => Math.round(mm / 50);
  const alike = (p: Place) => `${p.unitId} ${p.kind} ${about(p.width)} ${about(p.depth)} ${about(p.height)}`;
  const where = (of: Plan, id: string, share: (typeof SHARES)[number]) =>
    homesOf(of, id, share)
      .map((h) => alike(of.places[h.placeId]!))
      .sort()
      .join();
  const both = Object.keys(plan.supplies)
    .flatMap((id) => SHARES.map((share) => [where(a, id, share), where(b, id, share)] as const))
    .filter(([x, y]) => x !== '' || y !== '');
  return both.filter(([x, y]) => x === y).length / both.length;
}

/** Rows of how much answers differ by seed and by how long they were looked for, on the demo and on three rooms nothing was tuned on. */
export async function steadyRows(demo: Plan): Promise<string[]> {
  const rows = [
    `| room | without a home | ${SECONDS.map((s) => `${s} s: worst over the best of all`).join(' | ')} | homes two seeds agree on after 3 s: least, median |`,
    `| --- | --- | ${SECONDS.map(() => '---').join(' | ')} | --- |`,
  ];
  const percent = (x: number) => `${(100 * x).toFixed(1)} %`;
  for (const { name, plan } of [{ name: 'the demo', plan: demo }, oneCupboard(), sewingCorner(), paperStudio()]) {
    const totals = new Map<number, number[]>();
    const without = new Set<number>();
    const usual: Plan[] = [];
    for (const seconds of SECONDS)
      for (const seed of SEEDS) {
        const found = (await findHomes(plan, { seconds, seed, now: () => performance.now(), since: '2026-05-01' }))!;
        totals.set(seconds, [...(totals.get(seconds) ?? []), found.after.total]);
        without.add(found.after.without.length);
        if (seconds === 3) usual.push(found.plan);
      }
    const best = Math.min(...[...totals.values()].flat());
    const agree = usual.flatMap((a, i) => usual.slice(i + 1).map((b) => agreeing(plan, a, b))).sort((a, b) => a - b);
    const row = [
      name,
      [...without].sort((a, b) => a - b).join(' or '),
      ...SECONDS.map((s) => percent(Math.max(...totals.get(s)!) / best - 1)),
      `${percent(agree[0]!)}, ${percent(agree[Math.floor(agree.length / 2)]!)}`,
    ];
    rows.push(`| ${row.join(' | ')} |`);
    console.error(rows.at(-1));
  }
  return rows;
}
