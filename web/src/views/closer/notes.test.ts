import { describe, expect, test } from '@jest/globals';
import { leavesOf } from '@heronstone/core/plan';
import { applied, tinyRoom, unit, withUnits } from '@heronstone/core/testing';
import { notesOn, wordsOn } from './notes.ts';

const shut = withUnits(tinyRoom(), unit('cupboard', { id: 'u', width: 500, height: 1900, rows: 4, columns: 1 }));
const shelves = Object.values(shut.places).filter((p) => p.covers.includes('door'));

describe('notes on the inside of a door', () => {
  test('those that are stuck there and no others, each before its shelf and within the leaf', () => {
    expect(leavesOf(shut, shut.units.u!).flatMap(notesOn)).toEqual([]);
    const noted = applied(
      shut,
      { type: 'setPlace', id: shelves[0]!.id, set: { label: 'inside' } },
      { type: 'setPlace', id: shelves[2]!.id, set: { label: 'inside' } },
      { type: 'setPlace', id: shelves[3]!.id, set: { label: 'permanent' } },
    );
    const [leaf] = leavesOf(noted, noted.units.u!);
    const notes = notesOn(leaf!);
    expect(notes.map((n) => n.place.id)).toEqual([shelves[0]!.id, shelves[2]!.id]);
    for (const { place, box } of notes) {
      expect(box.x).toBeGreaterThan(0);
      expect(box.x + box.width).toBeLessThan(leaf!.width);
      expect(box.y).toBeGreaterThanOrEqual(place.bottom);
      expect(box.y + box.height).toBeLessThanOrEqual(place.bottom + place.height);
    }
  });

  test('before a low shelf a note is low', () => {
    const low = withUnits(tinyRoom(), unit('cupboard', { id: 'u', width: 500, height: 400, rows: 5, columns: 1 }));
    const places = Object.values(low.places).filter((p) => p.covers.includes('door'));
    const noted = applied(
      low,
      ...places.map((p) => ({ type: 'setPlace' as const, id: p.id, set: { label: 'inside' as const } })),
    );
    const notes = notesOn(leavesOf(noted, noted.units.u!)[0]!);
    expect(notes).toHaveLength(5);
    for (const { place, box } of notes) expect(box.height).toBeLessThan(place.height);
  });

  test('says the longest way that goes on it, broken between words and never within one', () => {
    const ways = ['Sun-print chemistry and gloves', 'Sun-print chemistry', 'Chemistry'];
    expect(wordsOn(ways, 40, 2)).toEqual(['Sun-print chemistry and gloves']);
    expect(wordsOn(ways, 20, 2)).toEqual(['Sun-print chemistry', 'and gloves']);
    expect(wordsOn(ways, 20, 1)).toEqual(['Sun-print chemistry']);
    expect(wordsOn(ways, 10, 3)).toEqual(['Sun-print', 'chemistry']);
    expect(wordsOn(ways, 9, 1)).toEqual(['Chemistry']);
    expect(wordsOn(ways, 8, 2)).toBeNull();
    expect(wordsOn([], 8, 2)).toBeNull();
  });
});
