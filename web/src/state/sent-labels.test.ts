import { beforeEach, describe, expect, test } from '@jest/globals';
import { labelsForgotten, labelsOut, labelsSent } from './sent-labels.ts';

const stored = new Map<string, string>();
const storage = {
  getItem: (k: string) => stored.get(k) ?? null,
  setItem: (k: string, v: string) => void stored.set(k, v),
  removeItem: (k: string) => void stored.delete(k),
};

describe('labels sent to the printer', () => {
  beforeEach(() => {
    stored.clear();
    (globalThis as { localStorage?: unknown }).localStorage = storage;
  });

  test('what comes out counts as stuck on, once, also when the window was closed meanwhile', () => {
    const pair = [
      { ref: 'a~1', placeId: 'a' },
      { ref: 'b~1', placeId: 'b' },
    ];
    labelsSent('p', pair, 7);
    const jobs = (a: string, b: string) => [
      { ref: 'a~1', state: a },
      { ref: 'b~1', state: b },
      { ref: 'somebody-else', state: 'printed' },
    ];
    expect(labelsOut('p', jobs('printing', 'waiting'))).toEqual([]);
    // what the browser kept is all that is left of the window: it is in there
    expect(JSON.parse(stored.get('heronstone.labels.p')!)).toEqual({
      'a~1': { placeId: 'a', at: 7 },
      'b~1': { placeId: 'b', at: 7 },
    });
    expect(labelsOut('p', jobs('printed', 'waiting'))).toEqual(['a']);
    expect(labelsOut('p', jobs('printed', 'printed'))).toEqual(['b']);
    expect(labelsOut('p', jobs('printed', 'printed'))).toEqual([]);
    expect(stored.size).toBe(0);
  });

  test('what was spoilt, taken back or never got there is not stuck on; another plan’s labels are its own', () => {
    labelsSent('p', [
      { ref: 'a', placeId: 'a' },
      { ref: 'b', placeId: 'b' },
      { ref: 'c', placeId: 'c' },
    ]);
    labelsForgotten('p', ['c']);
    expect(labelsOut('q', [{ ref: 'a', state: 'printed' }])).toEqual([]);
    expect(labelsOut('p', [{ ref: 'a', state: 'spoilt' }])).toEqual([]);
    expect(labelsOut('p', [{ ref: 'c', state: 'printed' }])).toEqual([]);
  });

  test('a printer that has not heard of them yet, or was switched off with them: they are waited for a day', () => {
    labelsSent('p', [{ ref: 'a', placeId: 'a' }], 1000);
    expect(labelsOut('p', [], 2000)).toEqual([]);
    expect(labelsOut('p', [{ ref: 'a', state: 'printed' }], 3000)).toEqual(['a']);
    labelsSent('p', [{ ref: 'b', placeId: 'b' }], 1000);
    expect(labelsOut('p', [], 1000 + 25 * 3600 * 1000)).toEqual([]);
    expect(labelsOut('p', [{ ref: 'b', state: 'printed' }], 2000)).toEqual([]);
  });

  test('a browser that keeps nothing, or kept something odd, still knows them as long as the window is open', () => {
    storage.setItem('heronstone.labels.r', 'not JSON');
    expect(labelsOut('r', [])).toEqual([]);
    (globalThis as { localStorage?: unknown }).localStorage = {
      getItem: () => {
        throw new Error('no');
      },
      setItem: () => {
        throw new Error('no');
      },
    };
    labelsSent('s', [{ ref: 'a', placeId: 'a' }]);
    expect(labelsOut('s', [{ ref: 'a', state: 'printed' }])).toEqual(['a']);
    expect(labelsOut('s', [{ ref: 'a', state: 'printed' }])).toEqual([]);
  });
});
