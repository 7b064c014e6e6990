import { describe, expect, test } from '@jest/globals';
import { lanesGive, lanesSaid } from './lanes-words.ts';

const lane = (name: string) => ({ name, supplies: [] });

describe('lanes in words', () => {
  test.each([
    ['lanes', ['Needles', 'Clips'], 'left: needles; right: clips'],
    ['lanes', ['Needles', 'Clips', 'LED strings'], 'left: needles; middle: clips; right: LED strings'],
    ['rows', ['For kites', 'Ruler'], 'front: for kites; back: ruler'],
    ['rows', ['A', 'B', 'C'], 'front: A; middle: B; back: C'],
    ['lanes', ['One', 'Two', 'Three', 'Four'], '1: one; 2: two; 3: three; 4: four'],
  ] as const)('%s of %j', (along, names, words) => {
    expect(lanesSaid({ along, lanes: names.map(lane) })).toBe(words);
  });

  test('what they give: looks are said only where they change', () => {
    expect(lanesGive({ saves: 1800, looks: { before: 1.2, after: 1.2 } })).toBe('It counts for 30 min a year.');
    expect(lanesGive({ saves: 7200, looks: { before: 2.34, after: 1 } })).toBe(
      'It counts for 2.0 h a year, found in 1.0 looks instead of 2.3.',
    );
  });
});
