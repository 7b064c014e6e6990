import { describe, expect, test } from '@jest/globals';
import { block } from '../../testing/index.ts';
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

  test('sentences are steps: what is named in one is fetched, so often as is said; one that names nothing is a step all the same', () => {
    const recipe = readRecipe(
      [
        'Cut the sail out of the red ripstop with the craft knife and the steel rule.',
        'Let it dry.',
        'Then fold it in half and hem it with seam tape, three craft knives and 2 seam tapes.',
        'glue: paste',
      ].join('\n'),
      supplies,
    );
    expect(recipe.steps).toBe(4);
    expect(Object.fromEntries(recipe.fetches)).toEqual({ s1: 4, s0: 1, s4: 3 });
    // two ripstops begin alike, and “red ripstop” is neither’s name: nothing is guessed; a word that is nothing is still told
    expect(recipe.unknown).toEqual([{ line: 4, words: 'paste', like: null }]);
  });

  test('24x18 in a name is a size, not a count; a name that ends in x or a figure keeps it', () => {
    const named = ['Cutting mat 24x18', 'Mat board 24 x 18', 'Sealing wax', 'Steel rule 600', '3 x 5 cards'].map(
      (name, i) => block({ id: `n${i}`, name }),
    );
    const fetches = (line: string) => Object.fromEntries(readRecipe(line, named).fetches);
    expect(fetches('cutting mat 24x18')).toEqual({ n0: 1 });
    expect(fetches('cutting mat 24x18 ×2')).toEqual({ n0: 2 });
    expect(fetches('mat board 24 x 18 x3')).toEqual({ n1: 3 });
    expect(fetches('sealing wax x2, 2 x sealing wax')).toEqual({ n2: 4 });
    expect(fetches('steel rule 600 x 2')).toEqual({ n3: 2 });
    expect(fetches('3 x 5 cards; 4 x 3 x 5 cards')).toEqual({ n4: 5 });
    // a size nobody has is said as it was written
    expect(readRecipe('felt 24x18', named).unknown).toEqual([{ line: 1, words: 'felt 24x18', like: null }]);
  });
});
