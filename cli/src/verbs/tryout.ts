import { placeTitle } from '@heronstone/core/plan';
import { BANDS } from '@heronstone/core/reach';
import { againAndAgain, expectedOf, runAt, simulate, type Toll, TOLLS } from '@heronstone/core/tryout';
import { json, planOf, type Result, round, Trouble, type Values, whole } from '../input.ts';
import { type Verb } from './verb.ts';

export const tryoutVerb: Verb = {
  usage: ['tryout PLAN.heron.json [--activity NAME] [--sessions N] [--seed N]'],
  flags: ['activity', 'sessions', 'seed'],
  run: tryout,
};

const tidy = (toll: Toll) => Object.fromEntries(TOLLS.map((key) => [key, round(toll[key])]));
const TEN = 10;

/** What a session at each seat asks for: the mean in closed form and as played, with its 95 % interval, and what one session in ten is above or below. */
function tryout(file: string, values: Values): Result {
  const plan = planOf(file);
  const sessions = whole(values.sessions, 'sessions', 400, 100_000);
  const seed = whole(values.seed, 'seed', 1, 2 ** 31 - 1);
  const { activity } = values;
  const stations = Object.values(plan.stations)
    .filter((s) => activity === undefined || [plan.activities[s.activityId]?.name, s.activityId].includes(activity))
    .sort((a, b) => (a.id < b.id ? -1 : 1));
  if (stations.length === 0) {
    const names = Object.values(plan.activities).map((a) => a.name);
    throw new Trouble(
      activity === undefined
        ? 'the plan has no station to work at'
        : `nobody works at “${activity}”; there ${names.length === 1 ? 'is' : 'are'} ${names.join(', ') || 'none'}`,
    );
  }
  const rows = stations.flatMap((station) => {
    const run = runAt(plan, station);
    if (!run) return [];
    const expected = expectedOf(run);
    const { mean, half, p10, p90 } = simulate(run, { sessions, seed });
    return {
      activity: run.name,
      seat: station.name,
      sessionsAYear: round(run.yearly ?? 0),
      expected: tidy(expected.toll),
      aYear: tidy(Object.fromEntries(TOLLS.map((key) => [key, expected.toll[key] * (run.yearly ?? 0)])) as Toll),
      simulated: { sessions, seed, mean: tidy(mean), half: tidy(half), p10: tidy(p10), p90: tidy(p90) },
      bands: expected.byBand.map(({ fetches, seconds }, band) => ({
        band: band === 0 ? 'no home' : BANDS[band],
        fetches: round(fetches),
        seconds: round(seconds),
      })),
      dearest: expected.bySupply.slice(0, TEN).map(({ supply, fetches, seconds }) => ({
        supply: supply.name,
        fetches: round(fetches),
        seconds: round(seconds),
      })),
      againAndAgain: againAndAgain(plan, run).map(({ placeId, times, seconds, supplies }) => ({
        place: placeTitle(plan, plan.places[placeId]!),
        times: round(times),
        seconds: round(seconds),
        supplies,
      })),
    };
  });
  return { code: 0, out: json(rows) };
}
