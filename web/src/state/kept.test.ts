import { describe, expect, test } from '@jest/globals';
import { asWanted } from './kept.ts';

describe('how a view was left', () => {
  const looking = { text: '', only: '', descending: false };

  test('is taken as it was kept', () => {
    expect(asWanted({ text: 'tape', only: 'size', descending: true }, looking)).toEqual({
      ...{ text: 'tape', only: 'size', descending: true },
    });
    expect(asWanted(['a', 'b'], [] as string[])).toEqual(['a', 'b']);
    expect(asWanted({ 'line 1': 'card' }, {})).toEqual({ 'line 1': 'card' });
    expect(asWanted('3 reels', '')).toBe('3 reels');
  });

  test('is what there is to begin with where nothing, or something of another kind, was kept', () => {
    for (const odd of [undefined, null, 7, 'text', [], { text: 'tape' }, { text: 1, only: '', descending: false }])
      expect(asWanted(odd, looking)).toBe(looking);
    expect(asWanted({}, [] as string[])).toEqual([]);
    expect(asWanted(['x'], '')).toBe('');
  });
});
