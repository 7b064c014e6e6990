import { describe, expect, test } from '@jest/globals';
import { type Command } from '@heronstone/core/plan';
import { applied, block, home, tinyRoom, unit, withUnits } from '@heronstone/core/testing';
import { toldOff } from './told-off.ts';

const plan = applied(
  withUnits(tinyRoom(), unit('lowChest', { id: 'chest', x: 4300, y: 2600, facing: 270 })),
  ...(
    [
      { id: 'acid', name: 'Citric acid', family: 'Chemistry' },
      { id: 'paper', name: 'Print paper', family: 'Paper' },
      { id: 'gloves', name: 'Gloves', kind: 'gloves', family: 'Protection' },
    ] as const
  ).map((of): Command => ({ type: 'addSupplies', supplies: [block({ width: 40, depth: 40, height: 40, ...of })] })),
  home('paper', 'chest.0.0'),
  home('gloves', 'chest.1.0'),
);

describe('what lies where it must not', () => {
  test('a bottle put to the paper is told off with its source, and so is paper put to the bottle; with gloves nothing is said', () => {
    const wrong = applied(plan, home('acid', 'chest.0.0'));
    for (const id of ['acid', 'paper']) {
      const told = toldOff(wrong, id, 'chest.0.0')!;
      expect(told.words).toMatch(/lies with .* Chemistry stands by itself/);
      expect(told.source).toMatch(/common practice/);
    }
    expect(toldOff(wrong, 'acid', 'chest.0.0')!.words).toMatch(/^Citric acid lies with Print paper/);
    const right = applied(plan, home('acid', 'chest.1.0'));
    expect(toldOff(right, 'acid', 'chest.1.0')).toBeNull();
    expect(toldOff(wrong, 'gloves', 'chest.1.0')).toBeNull();
    expect(toldOff(wrong, 'acid', 'no such place')).toBeNull();
  });
});
