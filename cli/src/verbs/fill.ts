import { stowageOf } from '@heronstone/core/fit';
import { isOddsAndEnds, nameOfPlace } from '@heronstone/core/concepts';
import { placeFilling } from '@heronstone/core/homes';
import { placeTitle, zoneOf } from '@heronstone/core/plan';
import { json, planOf, type Result } from '../input.ts';
import { type Verb } from './verb.ts';

export const fillVerb: Verb = {
  usage: ['fill PLAN.heron.json'],
  flags: [],
  run: fill,
};

/** Every place, nested ones included, with what it holds and how that is laid. Millimetres, grams; capacity and use in the nature’s own measure. */
function fill(file: string): Result {
  const plan = planOf(file);
  const rows = Object.values(plan.places)
    .sort((a, b) => (a.id < b.id ? -1 : 1))
    .map((place) => {
      const laid = stowageOf(plan, place);
      const zoneId = zoneOf(plan, place);
      const { faults, mass } = placeFilling(plan, place);
      return {
        unit: plan.units[place.unitId]!.name,
        place: place.name,
        path: placeTitle(plan, place),
        name: nameOfPlace(plan, place.id)?.words ?? null,
        oddsAndEnds: isOddsAndEnds(nameOfPlace(plan, place.id) ?? { uncovered: [] }),
        kind: place.kind,
        nature: laid.nature,
        width: place.width,
        depth: place.depth,
        height: place.height,
        capacity: laid.capacity,
        used: laid.used,
        mass,
        load: place.load,
        zone: zoneId === null ? null : (plan.zones[zoneId]?.name ?? null),
        things: laid.things.map((thing) => ({
          supply: thing.supply.name,
          count: thing.count,
          rects: laid.stacks
            .filter((s) => s.id === thing.id)
            .map(({ x, y, width, depth, layers }) => ({ x, y, w: width, h: depth, layers })),
        })),
        faults,
      };
    });
  return { code: 0, out: json(rows) };
}
