import { describe, expect, test } from '@jest/globals';
import { linesOf, readLine } from './index.ts';

const read = (line: string, south = false) => {
  const got = readLine(line, { measure: 'metric', south });
  if (got.what !== 'supply') throw new Error(JSON.stringify(got));
  return got;
};

describe('in which months it is wanted, said in a line', () => {
  test.each([
    ['12 advent candles, only Oct to Dec', 12, 'Advent candles', [10, 11, 12]],
    ['3 ripstop, red, only in spring and summer', 3, 'Ripstop, red', [3, 4, 5, 6, 7, 8]],
    ['4 seed packets (February to May)', 4, 'Seed packets', [2, 3, 4, 5]],
    ['2 garden stakes, in summer', 2, 'Garden stakes', [6, 7, 8]],
    ['2 felt sheets only in November', 2, 'Felt sheets', [11]],
    ['6 lanterns, not in July and August', 6, 'Lanterns', [1, 2, 3, 4, 5, 6, 9, 10, 11, 12]],
  ])('%s', (line, working, name, months) => {
    const { supply, took } = read(line);
    expect([supply.working, supply.name, supply.months]).toEqual([working, name, months]);
    expect(took.join('; ')).toMatch(/only /);
  });

  test.each([
    '4 spring clamps',
    'gift tags, winter',
    '3 stamps, may',
    '2 paints, only red',
    '10 beads, 2 to 4 mm',
    'card (summer birds)',
  ])('“%s” says none', (line) => expect(read(line).supply.months).toEqual([]));

  test('with counts, sizes and reserves it stands last', () => {
    const { supply } = read('3 packs card 12x12 in + 2 in reserve, only Nov to Jan');
    expect(supply).toMatchObject({ backstock: 2, months: [1, 11, 12], width: 304.8 });
  });

  test('two months do not make two things of a line', () =>
    expect(linesOf('candles, only in November and December')).toHaveLength(1));

  test('on the southern half summer is at the turn of the year', () =>
    expect(read('2 kites, only in summer', true).supply.months).toEqual([1, 2, 12]));
});
