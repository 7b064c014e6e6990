import { describe, expect, test } from '@jest/globals';
import { applied, block, home, tinyRoom, unit, withUnits } from '@heronstone/core/testing';
import { findAnything, findSupplies } from './search.ts';

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

  const haberdashery = Object.fromEntries(
    [
      ['seam', 'Seam tape', 19],
      ['double', 'Double-sided tape', 6],
      ['measure', 'Tape measure', 20],
      ['washi', 'Washi tape, gold', 15],
      ['bead', 'Wooden beads, gold', 8],
      ['brad', 'Brads', 3],
      ['dowel', 'Dowel 1/4 in', 900],
    ].map(([id, name, width]) => [
      id!,
      block({ id: id as string, name: name as string, family: '', width: width as number, depth: 50, height: 50 }),
    ]),
  );
  const ids = (text: string) => findSupplies(haberdashery, text).map((s) => s.id);

  test('a size is found however it is written, and one that nothing has does not hide the thing', () => {
    for (const text of ['tape 6mm', 'tape 6 mm', 'tape 0.6 cm', '6mm tape']) expect(ids(text)).toEqual(['double']);
    expect(ids('dowel 6mm')).toEqual(['dowel']);
    expect(ids('tape 7mm').sort()).toEqual(['double', 'measure', 'seam', 'washi']);
  });

  test('a colour alone does not make it another thing', () => {
    expect(ids('Gold brads?')).toEqual(['brad']);
    expect(ids('gold').sort()).toEqual(['bead', 'washi']);
    expect(ids('gold scissors')).toEqual([]);
  });

  test('who asks for a place is told what lives there', () => {
    const chest = applied(
      withUnits(tinyRoom(), unit('lowChest', { id: 'chest', name: 'Window chest', x: 3900, y: 3600 })),
      { type: 'addSupplies', supplies: Object.values(haberdashery) },
      { type: 'setPlace', id: 'chest.1.0', set: { labelWords: 'Fasteners' } },
      home('brad', 'chest.1.0'),
      home('bead', 'chest.0.0'),
    );
    const found = (text: string) => findAnything(chest, text).map((s) => s.id);
    expect(found('window chest').sort()).toEqual(['bead', 'brad']);
    expect(found('fasteners')).toEqual(['brad']);
    // what is called so comes before what lies in a place called so
    expect(found('brads')).toEqual(['brad']);
  });
});
