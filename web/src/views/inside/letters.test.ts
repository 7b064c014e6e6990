import { describe, expect, test } from '@jest/globals';
import { isUpright, keyed, keyWords, lettersOn } from './letters.ts';

const at = (id: string, x: number, y: number, width: number, depth: number) => ({ id, x, y, width, depth });
const name = (id: string) => ({ a: 'Scissors', b: 'Safety pins', c: 'Bobbins', d: 'Box of pins' })[id] ?? '';

describe('names on what lies in a drawer', () => {
  test('words run along the longer side, as large as it and the shorter one allow', () => {
    expect([isUpright(at('a', 0, 0, 20, 100)), isUpright(at('a', 0, 0, 100, 100))]).toEqual([true, false]);
    expect(lettersOn({ width: 200, depth: 60 }, 'Scissors', 340, 5)).toBeCloseTo(340 / 16, 6);
    expect(lettersOn({ width: 200, depth: 20 }, 'Scissors', 340, 5)).toBeCloseTo(9, 6);
    expect(lettersOn({ width: 20, depth: 200 }, 'Scissors', 340, 5)).toBeCloseTo(9, 6);
    expect(lettersOn({ width: 40, depth: 40 }, 'Scissors', 340, 5)).toBeCloseTo((40 / 8) * 1.75, 6);
  });

  test('what is too small for its name gets a number, once a name, from the left and the back; what has room on one of its stacks needs none', () => {
    const stacks = [
      at('a', 0, 0, 200, 60),
      at('b', 300, 10, 20, 20),
      at('c', 220, 10, 18, 18),
      at('c', 220, 200, 18, 18),
      at('d', 220, 100, 18, 18),
      at('d', 0, 300, 200, 60),
      at('guest', 100, 300, 10, 10),
    ];
    expect(keyed(stacks, name, 340, 6)).toEqual({ key: ['Bobbins', 'Safety pins'], besides: [] });
    // a number takes less than a name, and more than nothing
    expect(keyed(stacks, name, 340, 6.5)).toEqual({ key: ['Safety pins'], besides: ['Bobbins'] });
    expect(keyed(stacks, name, 340, 0.1)).toEqual({ key: [], besides: [] });
    expect(keyed([], name, 340, 8)).toEqual({ key: [], besides: [] });
    expect(keyWords(keyed(stacks, name, 340, 6))).toBe('1 Bobbins, 2 Safety pins.');
    expect(keyWords(keyed(stacks, name, 340, 6.5))).toBe('1 Safety pins; besides Bobbins.');
    expect(keyWords(keyed(stacks, name, 340, 9))).toBe('Besides Bobbins, Safety pins.');
    expect(keyWords({ key: [], besides: [] })).toBe('');
  });
});
