import { performance } from 'node:perf_hooks';
import { secondsOf, standingOf, sunGrid } from '@heronstone/core/arrange';
import { findHomes, tallyOf } from '@heronstone/core/homes';
import { apply, type Plan } from '@heronstone/core/plan';
import { wallFrames } from '@heronstone/core/room';
import { oneCupboard, paperStudio, sewingCorner } from '@heronstone/core/testing';
import { helpMost } from '@heronstone/core/tryout';

const since = '2026-05-01';
const now = () => performance.now();
/** s of looking for what would help; of each kind so many of the best are taken over and looked at. */
const SECONDS = 30;
const OF_A_KIND = 4;
/** s for finding homes again, as everybody waits */
const AGAIN = 3;

/** Homes found again by another seed; those there were where they are better. */
async function foundAgain(plan: Plan): Promise<Plan> {
  const found = (await findHomes(plan, { seconds: AGAIN, seed: 9, now, since }))!;
  return found.after.total < found.before.total ? found.plan : plan;
}

/** Rows of what offers promise against what comes of them: the change made, and homes found again with it and without. */
export async function offerRows(demo: Plan): Promise<string[]> {
  const rows = [
    '| room | tried | offers | of these within 1 % of the year | worst: promised, came, h a year | kinds |',
    '| --- | --- | --- | --- | --- | --- |',
  ];
  for (const { name, plan } of [{ name: 'the demo', plan: demo }, oneCupboard(), sewingCorner(), paperStudio()]) {
    const found = (await helpMost(plan, { now, since, seconds: SECONDS, seed: 1 }))!;
    const sun = sunGrid(
      plan,
      wallFrames(plan).map((f) => f.a),
    );
    const totalOf = (p: Plan) => tallyOf(p).total + secondsOf(standingOf(p, sun));
    const base = await foundAgain(found.base.plan);
    const { year } = tallyOf(base);
    const taken = new Map<string, number>();
    const offers: { kind: string; promised: number; came: number }[] = [];
    for (const offer of found.changes) {
      const many = taken.get(offer.kind) ?? 0;
      if (many >= OF_A_KIND) continue;
      taken.set(offer.kind, many + 1);
      const done = apply(plan, offer.take);
      if (!done.ok) throw new Error(`${offer.words}: ${done.reason}`);
      const came = totalOf(base) - totalOf(await foundAgain(done.plan)) + offer.besides;
      offers.push({ kind: offer.kind, promised: offer.saves, came });
    }
    const off = (o: (typeof offers)[number]) => Math.abs(o.came - o.promised) / year;
    const [worst] = [...offers].sort((a, b) => off(b) - off(a));
    const hours = (s: number) => (s / 3600).toFixed(2);
    rows.push(
      `| ${[
        name,
        found.tried,
        offers.length,
        offers.filter((o) => off(o) <= 0.01).length,
        worst ? `${worst.kind}: ${hours(worst.promised)}, ${hours(worst.came)}` : '',
        [...taken].map(([kind, n]) => `${n} ${kind}`).join(', '),
      ].join(' | ')} |`,
    );
  }
  return rows;
}
