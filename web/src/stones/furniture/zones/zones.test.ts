import { describe, expect, test } from '@jest/globals';
import { ZONE_MARKS } from '@heronstone/core/plan';
import { freeMark, heldBy } from './held.ts';
import { costWords, liesWords } from './zone-words.ts';

describe('the zone in hand', () => {
  const zones = [{ id: 'kites' }, { id: 'prints' }];
  test.each([
    ['1', null, 'kites'],
    ['2', 'kites', 'prints'],
    // no third zone: nothing is in hand
    ['3', 'kites', null],
    ['0', 'kites', 'all'],
    ['Escape', 'kites', null],
    // Escape with nothing in hand is for whoever else listens
    ['Escape', null, undefined],
    ['a', 'kites', undefined],
    ['12', null, undefined],
    ['', 'all', undefined],
  ])('%s with %s in hand', (key, held, to) => expect(heldBy(key, zones, held)).toBe(to));
});

describe('marks', () => {
  test('the first one free, also in a gap', () => {
    expect(freeMark([])).toBe(0);
    expect(freeMark([{ mark: 0 }, { mark: 2 }])).toBe(1);
  });
  test('more zones than marks: they come again', () => {
    const all = Array.from({ length: ZONE_MARKS }, (_, mark) => ({ mark }));
    expect(freeMark(all)).toBe(0);
    expect(freeMark([...all, { mark: 0 }])).toBe(1);
  });
});

describe('words', () => {
  const station = { name: 'Kite bench' } as Parameters<typeof liesWords>[0]['station'];
  test('where a zone lies', () => {
    expect(liesWords({ lies: 'ahead', station })).toBe('It lies ahead of Kite bench.');
    expect(liesWords({ lies: 'left', station })).toBe('It lies on the left of Kite bench.');
    expect(liesWords({ lies: null, station })).toBe('No place is kept for it yet.');
    expect(liesWords({ lies: 'left', station: null })).toBe('No place is kept for it yet.');
  });
  test('what keeping them costs, from a minute a year on', () => {
    const found = (free: number, zoned: number) => costWords({ free, zoned } as Parameters<typeof costWords>[0]);
    expect(found(3600, 3660)).toBe('Keeping them costs you nothing against free placement.');
    expect(found(3600, 7200)).toBe('Keeping them costs you 60 min a year against free placement.');
    // found by a search, so it may come out better than free
    expect(found(3600, 3000)).toBe('Keeping them costs you nothing against free placement.');
  });
});
