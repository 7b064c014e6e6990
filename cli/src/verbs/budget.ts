import { placeTitle } from '@heronstone/core/plan';
import { budgetOf } from '@heronstone/core/stock';
import { json, planOf, type Result, round } from '../input.ts';
import { type Verb } from './verb.ts';

export const budgetVerb: Verb = {
  usage: ['budget PLAN.heron.json'],
  flags: [],
  run: budget,
};

/** Room asked for and offered, per zone and kind of room, in its own measure: mm, mm², litres, pockets. */
function budget(file: string): Result {
  const plan = planOf(file);
  const { tapes, unmeasured, nowhere, guessed } = budgetOf(plan);
  const names = (ids: readonly string[]) => ids.map((id) => plan.supplies[id]!.name);
  return {
    code: 0,
    out: json({
      growth: plan.head.growth,
      guessed: round(guessed),
      room: tapes.map(({ zoneId, tape, nature, demand, offer, offerBy, more }) => ({
        zone: zoneId === null ? null : plan.zones[zoneId]!.name,
        room: tape,
        nature,
        low: round(demand.low),
        likely: round(demand.likely),
        high: round(demand.high),
        offer: round(offer),
        ...(offerBy > 0 ? { offerPlusMinus: round(offerBy) } : {}),
        more: more.map(({ place, count }) => ({ like: placeTitle(plan, plan.places[place]!), count })),
      })),
      unmeasured: names(unmeasured),
      nowhere: names(nowhere),
    }),
  };
}
