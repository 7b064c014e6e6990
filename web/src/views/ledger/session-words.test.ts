import { describe, expect, test } from '@jest/globals';
import { type ToldUse } from '@heronstone/core/homes';
import { sessionWords } from './session-words.ts';
import { readyWords } from '../../stones/keepup/ready-words.ts';

const told = (use: Partial<ToldUse['use']>, more: Partial<ToldUse> = {}): ToldUse => ({
  station: { name: 'Kite bench' } as ToldUse['station'],
  use: {
    supplyId: 's',
    reaches: 10,
    sessions: 72,
    consumed: false,
    back: null,
    walks: 1,
    gathered: 1,
    area: 100,
    ...use,
  },
  ...{ out: true, elsewhere: false, aMonth: 8, others: 6, ...more },
});

describe('what a session does with a thing, in words', () => {
  test.each([
    [
      told({}),
      'Kite bench, 8 sessions a month: got out once, with 6 other things from this unit; reached for 10 times over the table.',
    ],
    [
      told({}, { elsewhere: true, others: 0 }),
      'Kite bench, 8 sessions a month: taken out of the room once, and put back at the end.',
    ],
    [
      told({ reaches: 1 }, { others: 0, aMonth: 1 }),
      'Kite bench, 1 session a month: got out once; reached for once over the table.',
    ],
    [
      told({ consumed: true, walks: 2, reaches: 6.25 }, { others: 1 }),
      'Kite bench, 8 sessions a month: got out twice, with 1 other thing from this unit; taken from 6.3 times over the table.',
    ],
    [
      told({ back: 'no room', walks: 4 }, { out: false }),
      'Kite bench, 8 sessions a month: walked to at every reach, 4 times a session, as there is no room for it on the table.',
    ],
    [
      told({ back: 'seldom', walks: 0.3 }, { out: false }),
      'Kite bench, 8 sessions a month: walked to 0.3 times a session.',
    ],
  ])('%#', (use, words) => {
    expect(sessionWords(use)).toBe(words);
  });

  test('what is got ready: things, units, time', () => {
    const stop = (id: string, things: number) => ({ unit: { id }, things: Array.from({ length: things }) });
    expect(
      readyWords('Kites', { brought: [], stops: [stop('a', 4), stop('b', 3)], alone: [], seconds: 40 } as never),
    ).toBe('Kites: 7 things, 2 units, 40 s');
    expect(readyWords('Kites', { brought: [], stops: [], alone: [], seconds: 0 })).toBe(
      'Kites: nothing to get together',
    );
    const box = { id: 'b', name: 'Kite box', place: null, seconds: 30 };
    expect(readyWords('Kites', { brought: [box], stops: [stop('a', 1)], alone: [], seconds: 9 } as never)).toBe(
      'Kites: bring Kite box; 1 thing, 1 unit, 9 s',
    );
    expect(readyWords('Kites', { brought: [box], stops: [], alone: [], seconds: 0 })).toBe(
      'Kites: bring Kite box, and all is there',
    );
  });
});
