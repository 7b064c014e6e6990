import { describe, expect, test } from '@jest/globals';
import { beside, swiped } from './round-the-room.ts';

const around = [{ id: 'a' }, { id: 'b' }, { id: 'c' }];

describe('round the room', () => {
  test('the next one, and after the last the first; a unit that is gone leads to the first', () => {
    expect([beside(around, 'a', 1)?.id, beside(around, 'c', 1)?.id, beside(around, 'a', -1)?.id]).toEqual([
      'b',
      'a',
      'c',
    ]);
    expect(beside(around, 'gone', 1)?.id).toBe('a');
    expect(beside([{ id: 'a' }], 'a', 1)).toBeNull();
    expect(beside([], 'a', 1)).toBeNull();
  });

  test('going on and on shows every unit once', () => {
    const seen = new Set<string>();
    for (let at = 'a', n = 0; n < around.length; n++) {
      seen.add(at);
      at = beside(around, at, 1)!.id;
    }
    expect(seen.size).toBe(around.length);
  });

  test('a finger across is a swipe, up or a little way it is none', () => {
    const from = { x: 200, y: 200 };
    expect(swiped(from, { x: 100, y: 210 })).toBe(1);
    expect(swiped(from, { x: 300, y: 190 })).toBe(-1);
    expect(swiped(from, { x: 170, y: 200 })).toBe(0);
    expect(swiped(from, { x: 120, y: 300 })).toBe(0);
    expect(swiped(null, { x: 0, y: 0 })).toBe(0);
  });
});
