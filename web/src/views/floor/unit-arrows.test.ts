import { describe, expect, test } from '@jest/globals';
import { type Unit } from '@heronstone/core/plan';
import { wallGaps } from '@heronstone/core/room';
import { tinyRoom, unit, withUnits } from '@heronstone/core/testing';
import { seatArrows, unitArrows } from './unit-arrows.ts';

const chest = unit('lowChest', { id: 'chest', x: 2000, y: 3000, width: 900, depth: 450, facing: 0 });
const plan = withUnits(tinyRoom(), chest);
const long = (a: { from: { x: number; y: number }; to: { x: number; y: number } }) =>
  Math.hypot(a.to.x - a.from.x, a.to.y - a.from.y);

describe('lengths on Floor', () => {
  test('those of a unit are as long as they say, whichever way it looks', () => {
    for (const facing of [0, 90, 200, 315]) {
      const turned = { ...chest, facing };
      for (const arrow of unitArrows(plan, turned, 6, () => undefined))
        if ('mm' in arrow) expect(long(arrow)).toBeCloseTo(arrow.mm, 0);
        else expect(arrow.degrees).toBe(facing);
    }
  });

  test('a distance typed moves the unit along that tape and no other way; width and depth stay where they are', () => {
    const set: Partial<Unit>[] = [];
    const arrows = unitArrows(plan, chest, 6, (part) => set.push(part));
    for (const { wallId, gap } of wallGaps(plan, chest)) {
      const arrow = arrows.find((a) => a.key === wallId)!;
      if (!('mm' in arrow)) throw new Error('a length');
      arrow.onLength(arrow.mm + 120);
      const moved = { ...chest, ...set.pop() };
      const after = wallGaps(plan, moved).find((g) => g.wallId === wallId)!;
      expect(after.gap).toBeCloseTo(gap + 120, 6);
      expect(Math.hypot(moved.x - chest.x, moved.y - chest.y)).toBeCloseTo(120, 6);
    }
    for (const key of ['width', 'depth'] as const) {
      const arrow = arrows.find((a) => a.key === key)!;
      if (!('mm' in arrow)) throw new Error('a length');
      arrow.onLength(777);
      expect(set.pop()).toEqual({ [key]: 777 });
    }
  });

  test('the depth stands on the side with more room', () => {
    const depth = (x: number) => unitArrows(plan, { ...chest, x }, 6, () => undefined).find((a) => a.key === 'depth')!;
    expect(depth(1000).from.x).toBeGreaterThan(1000);
    expect(depth(4000).from.x).toBeLessThan(4000);
  });

  test('one that goes through a wall says by how much instead', () => {
    const through = unitArrows(plan, { ...chest, x: 400 }, 6, () => undefined);
    expect(through.flatMap((a) => a.wrong ?? [])).toEqual(['5 cm through it']);
  });

  test('a seat is moved to the distance typed, and turned', () => {
    const seat = plan.stations.seat!;
    const moves: object[] = [];
    const arrows = seatArrows(plan, seat, 6, (to) => moves.push(to));
    for (const arrow of arrows)
      if ('mm' in arrow) {
        arrow.onLength(1000);
        const { x, y } = moves.pop() as { x: number; y: number };
        expect(Math.hypot(x - seat.x, y - seat.y)).toBeCloseTo(Math.abs(1000 - arrow.mm), 0);
      } else {
        arrow.onTurn(45);
        expect(moves.pop()).toEqual({ heading: 45 });
      }
    expect(arrows.length).toBe(5);
  });
});
