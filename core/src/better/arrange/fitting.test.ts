import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { standingFindings } from '../findings/index.ts';
import { BY_TAPE, apply, type Command, type Plan } from '../../record/plan/index.ts';
import { Random } from '../../living/slotting/index.ts';
import { applied, tinyRoom, unit, withUnits } from '../../testing/index.ts';
import { breaks } from './cost.ts';
import { Fitting } from './fitting.ts';
import { Furnishing } from './furnishing.ts';

/** w0 west, w1 north, w2 east, w3 south; 6 × 6 m, a door in the south. */
const bare = applied(tinyRoom({ x: 3000, y: 2400 }), {
  type: 'addOpening',
  opening: {
    ...{ id: 'door', wallId: 'w3', kind: 'door', left: 2500, width: 900, sill: 0, head: 2000, hinge: 'left' },
    swing: 'in',
    ...BY_TAPE,
  },
});

function drawn(plan: Plan, seed: number, draws = 20) {
  const furnishing = new Furnishing(plan, new Random(seed));
  const fitting = new Fitting(furnishing, new Random(seed));
  const all = Array.from({ length: draws }, () => fitting.draw());
  return { furnishing, fitted: all.flatMap((poses) => (poses ? [poses] : [])) };
}

describe('furniture fitted together', () => {
  test('in any room what comes of it breaks no rule between things, however they stood before; hardly any breaks one of the findings', () => {
    let fitted = 0;
    let sound = 0;
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            kind: fc.constantFrom(
              'lowChest' as const,
              'bookcase' as const,
              'cupboard' as const,
              'rollingCart' as const,
            ),
            x: fc.integer({ min: 350, max: 5650 }),
            y: fc.integer({ min: 350, max: 5650 }),
            facing: fc.constantFrom(0, 90, 180, 270),
          }),
          { minLength: 2, maxLength: 6 },
        ),
        fc.integer({ min: 1, max: 1000 }),
        (things, seed) => {
          const plan = withUnits(bare, ...things.map(({ kind, ...at }, i) => unit(kind, { id: `u${i}`, ...at })));
          const { furnishing, fitted: found } = drawn(plan, seed, 4);
          for (const poses of found) {
            furnishing.setPoses(poses);
            expect(furnishing.broken()).toBeLessThan(1);
            const command = furnishing.command(poses);
            const done = command ? apply(plan, command) : null;
            if (!done?.ok) continue;
            fitted++;
            if (!standingFindings(done.plan).some((f) => breaks(done.plan, f))) sound++;
          }
        },
      ),
      { numRuns: 25, seed: 7 },
    );
    expect(fitted).toBeGreaterThan(60);
    expect(sound / fitted).toBeGreaterThan(0.8);
  });

  test('what is pinned stays, and nothing comes to stand in it', () => {
    const plan = withUnits(
      bare,
      unit('cupboard', { id: 'fixed', x: 3000, y: 5780, facing: 180, pinned: true }),
      unit('lowChest', { id: 'chest', x: 3000, y: 5700, facing: 180 }),
    );
    const { furnishing, fitted } = drawn(plan, 3);
    expect(fitted.length).toBeGreaterThan(10);
    for (const poses of fitted) {
      expect(poses[furnishing.pieceOf('fixed')]).toEqual({ x: 3000, y: 5780, facing: 180 });
      const chest = poses[furnishing.pieceOf('chest')]!;
      expect(Math.hypot(chest.x - 3000, chest.y - 5780)).toBeGreaterThan(400);
    }
  });

  test('same seed, same arrangements; other draws, other ones', () => {
    const plan = withUnits(bare, unit('lowChest', { id: 'chest', x: 3000, y: 5700, facing: 180 }));
    expect(drawn(plan, 5).fitted).toEqual(drawn(plan, 5).fitted);
    const all = drawn(plan, 5).fitted.map((poses) => JSON.stringify(poses));
    expect(new Set(all).size).toBeGreaterThan(5);
  });

  test('what goes in nowhere is told, not forced', () => {
    const wide: Command = { type: 'setUnit', id: 'chest', set: { width: 5990, depth: 3500 } };
    const two = withUnits(
      bare,
      unit('lowChest', { id: 'chest', x: 3000, y: 3000, facing: 180 }),
      unit('worktable', { id: 'table', x: 3000, y: 5200, facing: 180, width: 5000, depth: 1500, pinned: true }),
    );
    expect(drawn(two, 1).fitted.length).toBeGreaterThan(0);
    expect(drawn(applied(two, wide), 1).fitted).toEqual([]);
  });
});
