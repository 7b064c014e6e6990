import { describe, expect, test } from '@jest/globals';
import { blankHeater, type Heat, type Plan } from '../../record/plan/index.ts';
import { sceneOf } from '../../space/reach/index.ts';
import { findingsOf } from './index.ts';
import { applied, block, home, sheet, tinyRoom, unit, withUnits } from '../../testing/index.ts';
import { mindedThere } from '../../living/homes/minds.ts';

/** A shelf on the west wall (w0), its foot so high, over a heater 1000 mm wide in the middle of that wall. */
function over(heat: Heat, bottom: number): Plan {
  const heater = { ...blankHeater('heater', heat, 'w0', 2500), width: 1000, depth: 100, height: 600, bottom: 120 };
  return applied(
    withUnits(
      tinyRoom(),
      unit('wallShelves', {
        rows: 1,
        columns: 1,
        height: 300,
        id: 'shelf',
        x: 125,
        y: 3000,
        facing: 90,
        width: 800,
        depth: 250,
        bottom,
      }),
    ),
    { type: 'addFixture', fixture: heater },
    {
      type: 'addSupplies',
      supplies: [
        sheet({ id: 'card', name: 'Card', width: 200, depth: 150 }),
        block({ id: 'wax', name: 'Wax', sensitive: ['heat'] }),
        block({ id: 'spirit', name: 'Spirit', hazards: ['flammable'] }),
        block({ id: 'stone', name: 'Stone' }),
      ],
    },
  );
}
const told = (plan: Plan, id: string): string[] => {
  const spot = [...sceneOf(plan).spots.values()].find((s) => s.unit.id === 'shelf')!;
  return mindedThere(plan, plan.supplies[id]!, spot).map((m) => m.words);
};

describe('what things mind of a heater', () => {
  test('over a radiator of hot water paper dries, nothing burns; a hand higher than it dries nothing is said', () => {
    const low = over('water', 900);
    expect(told(low, 'card')).toEqual(['it lies over Radiator, where paper dries and curls']);
    expect(told(low, 'spirit')).toEqual([]);
    expect(told(low, 'wax')).toEqual(['it is warm by the radiator']);
    expect(told(low, 'stone')).toEqual([]);
    expect(told(over('water', 1400), 'card')).toEqual([]);
  });

  test.each(['portable', 'fire', 'electric'] as const)(
    '%s glows: what burns easily is told, paper is not its own trouble',
    (heat) => {
      const plan = over(heat, 900);
      expect(told(plan, 'spirit')).toEqual([expect.stringMatching(/glows beside it, and it burns easily/)]);
      expect(told(plan, 'card')).toEqual([]);
      expect(told(plan, 'wax')).toHaveLength(1);
    },
  );

  test('one harm, however many ways it is told', () => {
    const plan = applied(over('fire', 900), { type: 'setSupply', id: 'spirit', set: { sensitive: ['heat'] } });
    expect(told(plan, 'spirit')).toHaveLength(1);
  });

  test('the same is found of homes laid by hand, and air over the radiator is asked for', () => {
    const words = (plan: Plan) => findingsOf(plan).flatMap((f) => (f.check === 'radiator' ? [f.words] : []));
    const place = Object.values(over('water', 900).places).find((p) => p.unitId === 'shelf')!.id;
    expect(words(over('water', 900))).toEqual([]);
    expect(words(applied(over('water', 900), home('card', place)))).toEqual([
      expect.stringMatching(/^Card in .* paper dries/),
    ]);
    expect(words(over('water', 760))).toEqual([expect.stringMatching(/wants 10 cm of air/)]);
  });

  test('of metal furniture by a fire only what burns easily in it is told', () => {
    const steel = (plan: Plan) => applied(plan, { type: 'setUnit', id: 'shelf', set: { board: 'metal' } });
    const near = (plan: Plan) => findingsOf(plan).flatMap((f) => (f.check === 'fire' ? [f.words] : []));
    const plan = steel(over('fire', 900));
    const place = Object.values(plan.places).find((p) => p.unitId === 'shelf')!.id;
    expect(near(plan)).toEqual([]);
    expect(near(applied(plan, home('stone', place)))).toEqual([]);
    expect(near(applied(plan, home('spirit', place)))).toEqual([expect.stringMatching(/^Spirit in /)]);
  });
});
