import { describe, expect, test } from '@jest/globals';
import { block } from '../testing/index.ts';
import { readRecipe } from './index.ts';

const supplies = ['Steel rule, 600', 'Craft knife', 'Ripstop, red', 'Ripstop, blue', 'Seam tape, 6 mm'].map((name, i) =>
  block({ id: `s${i}`, name }),
);

describe('a recipe of steps', () => {
  test('a step a line; how often before or behind; names with commas; sums over the steps', () => {
    const recipe = readRecipe(
      'cut the sail: Ripstop, red x2, craft knife ×3\nhem: 4× seam tape, Craft knife\n\nsteel rule',
      supplies,
    );
    expect(recipe.unknown).toEqual([]);
    expect(recipe.steps).toBe(3);
    expect([...recipe.fetches]).toEqual([
      ['s2', 2],
      ['s1', 4],
      ['s4', 4],
      ['s0', 1],
    ]);
  });

  test('what could be two supplies or is none is named with its line, and nothing is guessed', () => {
    const recipe = readRecipe('sail: ripstop\nglue: wheat paste x2', supplies);
    expect(recipe.fetches.size).toBe(0);
    expect(recipe.unknown).toEqual([
      { line: 1, words: 'ripstop', like: 'Ripstop, red' },
      { line: 2, words: 'wheat paste', like: null },
    ]);
    expect(readRecipe('', supplies)).toMatchObject({ steps: 0, unknown: [] });
    expect(readRecipe('x0: craft knife ×0', supplies).fetches.size).toBe(0);
  });
});
