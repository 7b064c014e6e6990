import { describe, expect, test } from '@jest/globals';
import { compareBy } from '../../things/colour/index.ts';
import { blankOrganiser, homesOf, type Plan } from '../../record/plan/index.ts';
import { checkAnswer, slottingTotal } from '../slotting/index.ts';
import { applied, home, sheet, tinyRoom, unit, use, withUnits } from '../../testing/index.ts';
import { findHomes, rowOf, slottingOf, tallyOf } from './index.ts';

const since = '2026-11-30';
const COLOURS = {
  red: '#a8322d',
  orange: '#cc7a33',
  yellow: '#d9b84a',
  green: '#4f7d4a',
  blue: '#3d5f8f',
  violet: '#6d4f85',
  white: '#f2efe8',
  black: '#2b2a29',
};

/** A cube unit with an insert of twelve slots in it, a chest of flat drawers, eight colours of card; the insert there or not. */
function cards(slots: boolean): Plan {
  const supplies = Object.entries(COLOURS).map(([name, colour]) =>
    sheet({
      id: name,
      name: `${name} card`,
      kind: 'card',
      family: 'Card',
      colour,
      width: 297,
      depth: 210,
      height: 0.3,
      mass: 14,
      lies: ['flat', 'edge'],
      working: 20,
    }),
  );
  const room = withUnits(
    tinyRoom(),
    unit('cubeUnit', { id: 'cubes', x: 4200, y: 3300, facing: 270 }),
    unit('lowChest', { id: 'chest', x: 900, y: 3000, facing: 90, rows: 2, height: 400 }),
  );
  const plan = applied(
    room,
    { type: 'setPlan', set: { grouping: 'kind', labels: 'outside' } },
    { type: 'addSupplies', supplies },
    ...supplies.map(({ id }, i) => ({ type: 'addUse' as const, use: { ...use(id, 1), id: `u${i}` } })),
  );
  return slots
    ? applied(
        plan,
        {
          type: 'addOrganiser',
          organiser: { ...blankOrganiser('o', 'Slots', 320, 330, 320), divided: 'slots 12', nature: 'row' },
        },
        {
          type: 'standIn',
          id: 'slots',
          organiserId: 'o',
          name: 'Slots',
          inId: 'cubes.1.0',
          left: 0,
          front: 0,
          bottom: 0,
          turned: false,
        },
      )
    : plan;
}
const find = async (plan: Plan) => (await findHomes(plan, { work: 60_000, seed: 1, now: () => 0, since }))!;
const placeOf = (plan: Plan, id: string) => plan.places[homesOf(plan, id, 'working')[0]!.placeId]!;

describe('rows', () => {
  test('what is of one sort stands in slots, one thing a slot, while slots are free, in the order of its colours', async () => {
    const found = (await find(cards(true))).plan;
    const places = Object.keys(COLOURS).map((id) => placeOf(found, id));
    expect(places.map((p) => p.kind)).toEqual(Array(8).fill('slot'));
    expect(new Set(places.map((p) => p.id)).size).toBe(8);
    const inReading = Object.values(found.supplies).sort(
      (a, b) => placeOf(found, a.id).left - placeOf(found, b.id).left,
    );
    expect(inReading.map((s) => s.id)).toEqual(inReading.toSorted(compareBy('rainbow')).map((s) => s.id));
    // and nothing of that is undone by another search
    expect((await find(found)).command.homes).toEqual([]);
  });

  test('where there are no slots they lie together in one place', async () => {
    const found = (await find(cards(false))).plan;
    expect(new Set(Object.keys(COLOURS).map((id) => placeOf(found, id).id)).size).toBe(1);
  });

  test('the slots of a row are one place to a family, here and to the engine; a place that stands alone is itself', () => {
    const plan = cards(true);
    const slots = Object.values(plan.places).filter((p) => p.kind === 'slot');
    expect(slots).toHaveLength(12);
    expect(new Set(slots.map((p) => rowOf(plan, p.id))).size).toBe(1);
    expect(rowOf(plan, 'chest.0.0')).toBe('chest.0.0');
    const spread = (places: readonly string[]) =>
      tallyOf(applied(plan, ...places.map((place, i) => home(Object.keys(COLOURS)[i]!, place)))).apart;
    expect(spread([slots[0]!.id, slots[1]!.id, slots[2]!.id])).toBe(0);
    expect(spread([slots[0]!.id, slots[1]!.id, 'chest.0.0'])).toBe(spread([slots[0]!.id, 'chest.0.0']));
    expect(spread([slots[0]!.id, 'chest.0.0'])).toBeGreaterThan(0);
    const problem = slottingOf(plan);
    expect(problem.rows).toEqual([expect.arrayContaining(slots.map((p) => p.id))]);
    const homes = slots.slice(0, 4).map(({ id }, i) => ({ lot: `${Object.keys(COLOURS)[i]!}.working`, place: id }));
    expect(checkAnswer(problem, homes)).toEqual([]);
    const apart = slottingTotal({ ...problem, rows: [] }, homes) - slottingTotal(problem, homes);
    expect(apart).toBeCloseTo(3 * problem.families.find((f) => f.lots.includes('red.working'))!.spread, 6);
  });
});
