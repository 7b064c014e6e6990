import { describe, expect, test } from '@jest/globals';
import { heightScale, nextPlace, wrap, x } from './geometry.ts';

describe('Round', () => {
  test('heights rise up the ribbon and the air above is squeezed', () => {
    const y = heightScale(300, 2000, 2600);
    expect(y(0)).toBe(300);
    expect(y(2000)).toBeCloseTo(30);
    expect(y(2600)).toBeCloseTo(0);
    expect(y(2300)).toBeGreaterThan(y(2600));
  });

  test('bearings go once round: behind is at either end', () => {
    expect([x(-180), x(0), x(90)]).toEqual([0, 640, 960]);
    expect([wrap(180), wrap(-190), wrap(540), wrap(45)]).toEqual([-180, 170, -180, 45]);
  });

  test('an arrow goes to what is straight on before what is nearer but aside, and to nothing where nothing is', () => {
    const here = { id: 'here', x: 0, z: 1000 };
    const straight = { id: 'straight', x: 30, z: 1000 };
    const aside = { id: 'aside', x: 12, z: 1400 };
    const below = { id: 'below', x: 2, z: 600 };
    const all = [here, straight, aside, below];
    expect(nextPlace(all, here, [1, 0])?.id).toBe('straight');
    expect(nextPlace(all, here, [0, -1])?.id).toBe('below');
    expect(nextPlace(all, here, [0, 1])?.id).toBe('aside');
    expect(nextPlace(all, here, [-1, 0])).toBeNull();
  });
});
