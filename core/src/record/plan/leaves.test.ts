import { describe, expect, test } from '@jest/globals';
import { tinyRoom, unit, withUnits } from '../../testing/index.ts';
import { compartmentsOf, leavesOf, type Unit } from './index.ts';

const of = (kind: Parameters<typeof unit>[0], more: Partial<Unit>) => {
  const plan = withUnits(tinyRoom(), unit(kind, { id: 'u', ...more }));
  return { plan, unit: plan.units.u!, leaves: leavesOf(plan, plan.units.u!) };
};

describe('the doors of a unit', () => {
  test('one leaf up to 60 cm, two before what is wider (common practice, no source), each with what is behind it', () => {
    const narrow = of('cupboard', { width: 600, height: 1900, columns: 1 });
    expect(narrow.leaves).toHaveLength(1);
    expect(narrow.leaves[0]).toMatchObject({ left: 0, bottom: 0, width: 600, height: 1900, whole: true });
    const wide = of('cupboard', { width: 900, height: 1900, rows: 3, columns: 2 });
    expect(wide.leaves.map((l) => [l.left, l.width, l.places.length])).toEqual([
      [0, 450, 3],
      [450, 450, 3],
    ]);
    for (const [i, { places }] of wide.leaves.entries()) for (const p of places) expect(p.column).toBe(i);
    // shelves as wide as the unit are behind both: each is counted once
    const shelves = of('cupboard', { width: 900, height: 1900, rows: 3, columns: 1 });
    expect(shelves.leaves.flatMap((l) => l.places)).toHaveLength(3);
  });

  test('in a corner there is one, before the end that is not deep, and all of it is behind that', () => {
    const { unit: cabinet, leaves, plan } = of('cornerCabinet', { width: 1000, depth: 580 });
    expect(leaves).toHaveLength(1);
    expect(leaves[0]!.left + leaves[0]!.width).toBe(cabinet.width);
    expect(leaves[0]!.places).toHaveLength(compartmentsOf(plan, 'u').filter((p) => p.covers.includes('door')).length);
    expect(leaves[0]!.width).toBe(1000 - 580);
  });

  test('a cubby has its own; what has none has none, also where they were taken off', () => {
    const { leaves, plan } = of('cubeUnit', { inserts: ['0.0 door 1', '1.0 door 1'] });
    expect(leaves.map((l) => l.places.map((p) => p.id))).toEqual([['u.0.0'], ['u.1.0']]);
    expect(leaves[0]).toMatchObject({ width: plan.places['u.0.0']!.width, bottom: plan.places['u.0.0']!.bottom });
    expect(leaves.some((l) => l.whole)).toBe(false);
    expect(of('bookcase', {}).leaves).toEqual([]);
    expect(of('cupboard', { doorsOff: true }).leaves).toEqual([]);
  });
});
