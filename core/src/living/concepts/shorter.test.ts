import { describe, expect, test } from '@jest/globals';
import { type PlaceName } from './places.ts';
import { shorterNames } from './shorter.ts';

const name = (words: string, names: string[], uncovered = 0, typed = false): PlaceName => ({
  words,
  names: names.map((w) => ({ level: w.startsWith('for ') ? 'own' : 'family', id: w, words: w })),
  uncovered: Array.from({ length: uncovered }, (_, i) => `u${i}`),
  price: 0,
  typed,
});

describe('shorter ways to say a name', () => {
  test.each([
    [name('Adhesives and tapes', ['adhesives and tapes']), ['Adhesives and tapes', 'Adhesives …']],
    [name('Sun-print chemistry', ['sun-print chemistry']), ['Sun-print chemistry', 'Chemistry']],
    [name('Needles and scissors', ['needles', 'scissors']), ['Needles and scissors', 'Needles …']],
    [name('Ribbon ends', ['ribbon ends']), ['Ribbon ends']],
    [name('For kites and packing', ['for kites', 'packing']), ['For kites and packing', 'Kites …']],
    [name('Thread and odds and ends', ['thread'], 2), ['Thread and odds and ends', 'Thread …']],
    [name('For needle felting', ['for needle felting']), ['For needle felting', 'Needle felting', 'Needle …']],
    [name('My blue box', ['my blue box'], 0, true), ['My blue box']],
  ])('%j', (given, ways) => {
    expect(shorterNames(given)).toEqual(ways);
  });
});
