import { describe, expect, test } from '@jest/globals';
import { applied, sheet, tinyRoom, unit, use, withUnits } from '../../testing/index.ts';
import { BY_TAPE, type Plan } from '../../record/plan/index.ts';
import { costOfHome } from './index.ts';

// a cubby with upright slots, one without, a flat drawer; the window throws the sun on them or does not
const room = (over: Parameters<typeof sheet>[0] = {}): Plan =>
  applied(
    withUnits(
      tinyRoom(),
      unit('cubeUnit', { id: 'cubes', x: 4300, y: 2600, facing: 270 }),
      unit('lowChest', { id: 'chest', x: 4300, y: 1200, facing: 270 }),
    ),
    {
      type: 'addSupplies',
      supplies: [sheet({ id: 'card', width: 300, depth: 300, working: 20, lies: ['flat', 'upright'], ...over })],
    },
    { type: 'addUse', use: use('card', 2) },
    { type: 'divide', id: 'cubes.0.0', into: 'slots 8' },
  );
const against = (plan: Plan, place: string) =>
  costOfHome(plan, plan.supplies.card!, 'working', place)!.penalties.map(({ words }) => words);
const SLOT = /could stand in a slot/;

describe('paper and slots', () => {
  test('what goes upright into a slot is missed there everywhere else', () => {
    const plan = room();
    expect(against(plan, 'cubes.0.0.d1').some((w) => SLOT.test(w))).toBe(false);
    for (const place of ['chest.0.0', 'cubes.1.0']) expect(against(plan, place).some((w) => SLOT.test(w))).toBe(true);
  });

  test('what is too large for any slot, what may not stand, and what has none to stand in is not', () => {
    for (const plan of [
      room({ width: 600, depth: 900 }),
      room({ lies: ['flat'] }),
      applied(room(), { type: 'divide', id: 'cubes.0.0', into: '' }),
      applied(
        room(),
        ...[1, 2, 3, 4, 5, 6, 7, 8].map((n) => ({
          type: 'setPlace' as const,
          id: `cubes.0.0.d${n}`,
          set: { keptOut: 'the records' },
        })),
      ),
    ])
      expect(against(plan, 'chest.0.0').some((w) => SLOT.test(w))).toBe(false);
  });

  test('of sheets in a slot the sun sees the edges alone', () => {
    const plan = applied(room({ sensitive: ['sun'] }), {
      type: 'addOpening',
      opening: {
        ...{ id: 'south', wallId: 'w3', kind: 'window', left: 1000, width: 4000, sill: 300, head: 2300 },
        ...{ hinge: 'left', swing: 'in', ...BY_TAPE },
      },
    });
    const sun = (place: string) =>
      costOfHome(plan, plan.supplies.card!, 'working', place)!.penalties.find(({ words }) =>
        /the sun falls/.test(words),
      )?.seconds ?? 0;
    const lit = Object.values(plan.places).filter((p) => p.unitId === 'cubes' && p.kind === 'cubby' && sun(p.id) > 0);
    expect(lit.length).toBeGreaterThan(0);
    const slots = Object.values(plan.places).filter((p) => p.kind === 'slot');
    const inSlots = slots.map((p) => sun(p.id)).filter((s) => s > 0);
    expect(inSlots.length).toBeGreaterThan(0);
    for (const s of inSlots) expect(s).toBeCloseTo(sun(lit[0]!.id) / 10, 0);
  });
});
