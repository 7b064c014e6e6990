import { describe, expect, test } from '@jest/globals';
import { lackingWords } from './lacking-words.ts';

describe('letters a print lacks', () => {
  test('nothing is said where none does; few are named, many counted', () => {
    expect(lackingWords([])).toBeNull();
    expect(lackingWords(['引', 'き'])).toBe('The print’s letters lack 引 き: a dot stands for each of them.');
    expect(lackingWords([...'abcdefghijklmno'])).toContain('a b c d e f g h i j k l and 3 more');
  });
});
