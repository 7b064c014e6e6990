import { arrangeRoom, quickMeasureOf, SEARCHES, STEPS } from '@heronstone/core/arrange';
import { exportPlan } from '@heronstone/core/formats';
import { json, now, planOf, type Result, round, Trouble, type Values, whole, write } from '../input.ts';
import { type Verb } from './verb.ts';

export const arrangeVerb: Verb = {
  usage: ['arrange PLAN.heron.json [--seed N] [--steps N] [--searches N] [--out FILE]'],
  flags: ['seed', 'steps', 'searches', 'out'],
  run: arrange,
};

/** Offers as JSON, best first; with --out the best one as a plan file. */
async function arrange(file: string, values: Values): Promise<Result> {
  const plan = planOf(file);
  const done = await arrangeRoom(plan, {
    seed: whole(values.seed, 'seed', 1, 2 ** 31 - 1),
    steps: whole(values.steps, 'steps', STEPS, 1_000_000),
    searches: whole(values.searches, 'searches', SEARCHES, 1000),
    now,
  });
  if (!done.ok) throw new Trouble(done.reason);
  if (values.out && done.offers[0]) write(values.out, exportPlan(done.offers[0].plan));
  return {
    code: 0,
    out: json({
      now: {
        secondsAYear: round(done.now.total),
        homes: { year: round(done.now.tally.year), without: done.now.tally.without.length },
        measure: quickMeasureOf(plan),
        broken: done.now.standing.broken.map((f) => f.words),
      },
      offers: done.offers.map((o) => ({
        secondsAYear: round(o.score.total),
        homes: { year: round(o.score.tally.year), without: o.score.tally.without.length },
        saves: round(o.saves),
        measure: quickMeasureOf(o.plan),
        broken: o.score.standing.broken.map((f) => f.words),
        mends: o.gone,
        brings: o.come,
        units: o.moved.flatMap(({ unitId }) => {
          const unit = o.plan.units[unitId ?? ''];
          return unit ? [{ id: unit.id, x: unit.x, y: unit.y, facing: unit.facing }] : [];
        }),
        seats: o.moved.flatMap(({ stationId }) => {
          const seat = o.plan.stations[stationId ?? ''];
          return seat ? [{ id: seat.id, x: seat.x, y: seat.y, heading: seat.heading }] : [];
        }),
      })),
      tried: done.tried,
    }),
  };
}
