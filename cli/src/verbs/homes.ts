import { exportPlan } from '@heronstone/core/formats';
import { isOddsAndEnds, nameOfPlace, togetherThatMustBeApart } from '@heronstone/core/concepts';
import { findHomes, foundAgainIn, foundAgainSum, isWorse } from '@heronstone/core/homes';
import { placeTitle, type Plan, WEIGHTS_OR_NONE } from '@heronstone/core/plan';
import { json, now, number, planOf, type Result, round, today, Trouble, type Values, write } from '../input.ts';
import { type Verb } from './verb.ts';

export const homesVerb: Verb = {
  usage: ['homes PLAN.heron.json [--seconds N] [--seed N] [--finding-again none|little|some|much] [--out FILE]'],
  flags: ['seconds', 'seed', 'finding-again', 'out'],
  run: homes,
};

async function homes(file: string, values: Values): Promise<Result> {
  const plan = counting(planOf(file), values['finding-again']);
  if (Object.keys(plan.stations).length === 0)
    throw new Trouble('the plan has no station yet, so nothing can be near or far');
  const since = today();
  const seed = number(values.seed, 'seed', 1, 2 ** 31 - 1);
  const found = await findHomes(plan, { seconds: number(values.seconds, 'seconds', 3, 3600), seed, now, since });
  if (!found) throw new Trouble('stopped before there was an answer');
  const { answer, before, after } = found;
  const worse = isWorse(found);
  const text = exportPlan(worse ? plan : found.plan);
  if (!values.out) return { code: 0, out: text };
  write(values.out, text);
  return {
    code: 0,
    out: json({
      out: values.out,
      worse,
      secondsAYearBefore: round(before.total),
      secondsAYear: round(after.total),
      withoutHomeBefore: before.without.length,
      withoutHome: after.without.length,
      growthGaveWay: found.growthGaveWay,
      ...againOf(worse ? plan : found.plan),
      homes: answer.homes.length,
      unplaced: answer.unplaced,
      total: answer.total,
      bound: answer.bound,
      gap: answer.gap,
    }),
  };
}

/** A plan in which finding again counts as said. */
function counting(plan: Plan, said: string | undefined): Plan {
  if (said === undefined) return plan;
  const weighAgain = WEIGHTS_OR_NONE.find((w) => w === said);
  if (!weighAgain) throw new Trouble(`--finding-again takes ${WEIGHTS_OR_NONE.join(', ')}, not “${said}”`);
  return { ...plan, head: { ...plan.head, weighAgain } };
}

/** How well homes are found again: what each place is called, looks for each home, hours a year, and what lies together that must be apart. */
function againOf(plan: Plan) {
  const sum = foundAgainSum(plan);
  const path = (id: string) => placeTitle(plan, plan.places[id]!);
  return {
    places: Object.values(plan.places).flatMap((place) => {
      const name = nameOfPlace(plan, place.id);
      return name ? [{ place: placeTitle(plan, place), name: name.words, oddsAndEnds: isOddsAndEnds(name) }] : [];
    }),
    lives: [...foundAgainIn(plan).of.values()].map(({ home, looks, remembered, inView }) => ({
      ...{ supply: plan.supplies[home.supplyId]!.name, share: home.share, place: path(home.placeId) },
      ...{ looks: inView ? 1 : round(looks), remembered: inView ? 1 : round(remembered) },
    })),
    foundAgain: {
      hoursAYear: round(sum.year / 3600),
      moreUntilLabelled: round(sum.unlabelled / 3600),
      meanLooks: round(sum.meanLooks),
      atFirstLook: round(sum.atFirstLook),
    },
    apart: togetherThatMustBeApart(plan).map(({ placeId, rule, a, b }) => ({
      ...{ place: path(placeId), things: [a.name, b.name], why: rule.words },
    })),
  };
}
