import { describe, expect, test } from '@jest/globals';
import { block } from '@heronstone/core/testing';
import { findSupplies } from './search.ts';

const supplies = Object.fromEntries(
  [
    ['a', 'Paste brush, wide', 'Brushes'],
    ['b', 'Wheat paste', 'Paste'],
    ['c', 'Felting needles', 'Felting'],
    ['d', 'Bone folder', 'Tools'],
  ].map(([id, name, family]) => [id!, block({ id: id!, name: name!, family: family! })]),
);

describe('where is it?', () => {
  test('answers to the first letters, to the family, and forgives a wrong letter', () => {
    expect(
      findSupplies(supplies, 'past')
        .map((s) => s.id)
        .sort(),
    ).toEqual(['a', 'b']);
    expect(findSupplies(supplies, 'brush')[0]!.id).toBe('a');
    expect(findSupplies(supplies, 'neddles')[0]!.id).toBe('c');
    expect(findSupplies(supplies, 'tools')[0]!.id).toBe('d');
  });
  test('nothing typed, nothing alike: no answer', () => {
    expect(findSupplies(supplies, '  ')).toEqual([]);
    expect(findSupplies(supplies, 'xylophone')).toEqual([]);
  });
  test('a changed list is searched as it is now', () => {
    const rest = Object.fromEntries(Object.entries(supplies).filter(([id]) => id !== 'a'));
    expect(findSupplies(rest, 'paste').map((s) => s.id)).toEqual(['b']);
  });
});
