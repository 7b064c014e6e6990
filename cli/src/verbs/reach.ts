import { homesIn, placeTitle } from '@heronstone/core/plan';
import { BANDS, fetchFrom, makerOf, PLAIN, sceneAt } from '@heronstone/core/reach';
import { json, planOf, type Result, round, Trouble } from '../input.ts';
import { type Verb } from './verb.ts';

export const reachVerb: Verb = {
  usage: ['reach PLAN.heron.json [--seat NAME]'],
  flags: ['seat'],
  run: (file, { seat }) => reach(file, seat),
};

function reach(file: string, seat: string | undefined): Result {
  const plan = planOf(file);
  const stations = Object.values(plan.stations).filter((s) => seat === undefined || s.name === seat || s.id === seat);
  if (stations.length === 0) {
    const names = Object.values(plan.stations).map((s) => s.name);
    throw new Trouble(
      seat === undefined
        ? 'the plan has no station to reach from'
        : `there is no seat “${seat}”; there ${names.length === 1 ? 'is' : 'are'} ${names.join(', ') || 'none'}`,
    );
  }
  const rows = stations.flatMap((station) => {
    const maker = makerOf(plan, station)!;
    const scene = sceneAt(plan, station);
    return [...scene.spots.values()].map((spot) => {
      const fetch = fetchFrom(scene, maker, spot, {
        ...PLAIN,
        kinds: Math.max(1, homesIn(plan, spot.place.id).length),
      });
      const who = {
        seat: station.name,
        unit: spot.unit.name,
        place: spot.place.name,
        path: placeTitle(plan, plan.places[spot.place.id]!),
      };
      if (!fetch.ok) return { ...who, band: null, seconds: null, motions: [], reason: fetch.reason };
      return {
        ...who,
        band: BANDS[fetch.band],
        seconds: round(fetch.seconds),
        motions: fetch.motions.map(({ code, tmu, text }) => ({ code, tmu: round(tmu), text })),
      };
    });
  });
  return { code: 0, out: json(rows) };
}
