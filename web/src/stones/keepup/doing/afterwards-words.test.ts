import { describe, expect, test } from '@jest/globals';
import { type Afterwards } from '@heronstone/core/doing';
import { afterwardsWords } from './afterwards-words.ts';

const then = (more: Partial<Afterwards>): Afterwards => ({
  ...{ since: '2026-10-03', days: 17, sessions: 3, cameTrue: [], next: '2026-10-31' },
  looks: { asked: 0, atFirst: 0, reckoned: 0.915 },
  ...more,
});

describe('what has come true since all was done, in words', () => {
  test('before four weeks are over it says when, and what there is so far', () => {
    expect(afterwardsWords(then({}))).toEqual([
      'After four weeks, on 31 October, the log says how much of it has come true; so far 3 sessions in 17 days.',
      'At the first look 92 % of what is not remembered is reckoned to be found; a look test would tell.',
    ]);
  });

  test('four weeks and twelve, each a line of its own; what was promised only where something was', () => {
    const four = { weeks: 4, on: '2026-10-31', sessions: 1, expected: 7.4, saved: 5400 } as const;
    const twelve = { weeks: 12, on: '2026-12-26', sessions: 20, expected: 22.2, saved: null } as const;
    expect(afterwardsWords(then({ cameTrue: [four], next: '2026-12-26', days: 40, sessions: 6 })).slice(0, 2)).toEqual([
      'After four weeks the log had 1 session where 7 were reckoned with: 1.5 h saved by then.',
      'After twelve weeks, on 26 December, the log says how much of it has come true; so far 6 sessions in 40 days.',
    ]);
    const last = afterwardsWords(
      then({ cameTrue: [four, twelve], next: null, looks: { asked: 12, atFirst: 1, reckoned: 0.9 } }),
    );
    expect(last.slice(1)).toEqual([
      'After twelve weeks the log had 20 sessions where 22 were reckoned with.',
      'At the first look 90 % of what is not remembered is reckoned to be found; of 12 things asked for since then 1 was.',
    ]);
  });
});
