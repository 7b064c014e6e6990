import { describe, expect, test } from '@jest/globals';
import { type DiaryEntry } from '@heronstone/core/plan';
import { jotting } from '@heronstone/core/upkeep';
import { applied, block, tinyRoom, unit, withUnits } from '@heronstone/core/testing';
import { gatheredWords, lineWords } from './line-words.ts';

const plan = applied(
  withUnits(tinyRoom(), unit('lowChest', { id: 'chest', name: 'Chest', x: 4300, y: 2600, facing: 270 })),
  {
    type: 'addSupplies',
    supplies: [block({ id: 'reel', name: 'Reel' })],
  },
);
const line = (what: DiaryEntry['what'], about: Partial<DiaryEntry> = {}) =>
  lineWords(plan, jotting('log-1', '2026-05-01T10:00:00.000Z', '2026-05-01', what, about));

describe('a line of the log', () => {
  test('says what was done, how many, where, and what for', () => {
    expect(line('fetched', { supplyId: 'reel', count: 1 })).toBe('took Reel');
    expect(line('fetched', { supplyId: 'reel', count: 2, words: 'Comet' })).toBe('took 2 × Reel, Comet');
    expect(line('usedUp', { supplyId: 'reel', placeId: 'chest.0.0' })).toMatch(/^used up Reel \(.*Chest.*\)$/);
  });
  test('what was put back says no place: it is where it lives', () =>
    expect(line('putBack', { supplyId: 'reel', placeId: 'chest.0.0', count: 1 })).toBe('put back Reel'));
  test('what is gone is said to be gone', () => {
    expect(line('fetched', { supplyId: 'no-more' })).toBe('took something that is gone');
    expect(line('began', { stationId: 'no-more' })).toBe('began at a seat that is gone');
  });
  test('a label is of its place', () =>
    expect(line('labelled', { placeId: 'chest.0.0', words: 'a note on trial' })).toMatch(
      /^labelled .*Chest.*, a note on trial$/,
    ));
});

describe('a month that was gathered', () => {
  const month = { lines: 214, sessions: 12, taken: 180, usedUp: 9 } as Parameters<typeof gatheredWords>[0];
  test('by what there was of it', () => {
    expect(gatheredWords(month)).toBe('214 lines: 12 sessions, 180 taken, 9 used up');
    expect(gatheredWords({ ...month, lines: 1, sessions: 1, taken: 0, usedUp: 0 })).toBe('1 line: 1 session');
    expect(gatheredWords({ ...month, sessions: 0, taken: 0, usedUp: 0 })).toBe('214 lines');
  });
});
