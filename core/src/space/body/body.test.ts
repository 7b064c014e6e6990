import { describe, expect, test } from '@jest/globals';
import { bodyOf, MEASURES } from './index.ts';

const of = (stature: number) => ({
  stature,
  eyeHeight: null,
  shoulderHeight: null,
  elbowHeight: null,
  gripReach: null,
});

describe('body', () => {
  test('segment shares add up (Drillis & Contini 1966, from memory)', () => {
    expect(MEASURES.upperArm + MEASURES.forearm + MEASURES.hand / 2).toBeCloseTo(MEASURES.gripReach, 9);
    expect(MEASURES.forearm + MEASURES.hand / 2).toBeCloseTo(MEASURES.handReach, 9);
  });

  test('a person of 1.75 m standing in shoes: shoulder 1456.5, elbow 1127.5, grip reach 675.5 mm', () => {
    const b = bodyOf(of(1750), null);
    expect(b.shoulder).toBeCloseTo(1456.5, 6);
    expect(b.elbow).toBeCloseTo(1127.5, 6);
    expect(b.gripReach).toBeCloseTo(675.5, 6);
  });

  test('sitting at 450 mm: shoulder 0.340 H and elbow 0.140 H above the seat (US Army survey means, from memory)', () => {
    const b = bodyOf(of(1620), 450);
    expect(b.shoulder).toBeCloseTo(450 + 0.34 * 1620, 6);
    expect(b.elbow).toBeCloseTo(450 + 0.14 * 1620, 6);
    expect(b.eye).toBeGreaterThan(b.shoulder);
  });

  test('measured values win over shares', () => {
    const b = bodyOf({ ...of(1620), elbowHeight: 1000, gripReach: 600 }, null);
    expect(b.elbow).toBe(1000);
    expect(b.gripReach).toBe(600);
  });

  test('everything but the shoes grows with stature', () => {
    const small = bodyOf(of(1300), null);
    const tall = bodyOf(of(1860), null);
    for (const key of Object.keys(small) as (keyof typeof small)[]) expect(tall[key]).toBeGreaterThan(small[key]);
  });
});
