import { describe, expect, test } from '@jest/globals';
import { type EmptyBeside } from '@heronstone/core/homes';
import { isBetter, sameReason, whyEmpty } from './heap-words.ts';

const best = (name: string, change: number) =>
  ({ supply: { name }, share: 'working', change, command: null }) as unknown as EmptyBeside['best'];
const beside = (id: string, of: EmptyBeside['best'], reason = ''): EmptyBeside => ({
  place: { id } as EmptyBeside['place'],
  best: of,
  reason,
});

describe('why a place beside a heap stays empty', () => {
  test.each([
    [null, 'Out of reach for Rowan: it needs kneeling.', 'out of reach for Rowan: it needs kneeling.', false],
    [null, '', 'nothing of it finds room there, or may lie beside what is there.', false],
    [best('Kraft card', 1800), '', 'Kraft card would cost least there: 30 min a year more in all.', false],
    [best('Kraft card', 20), '', 'Kraft card would cost least there: as much as now.', false],
    [best('Kraft card', -59), '', 'Kraft card would cost least there: as much as now.', false],
    [best('Kraft card', -1800), '', 'Kraft card there would count for 30 min a year less.', true],
  ])('%j %s', (of, reason, words, better) => {
    expect(whyEmpty({ best: of, reason })).toBe(words);
    expect(isBetter({ best: of })).toBe(better);
  });

  test('what stays empty for one reason is said once; what something could go to is said by itself', () => {
    const all = [
      beside('a', null, 'Out of reach.'),
      beside('b', best('Card', 5)),
      beside('c', null, 'Out of reach.'),
      beside('d', best('Card', 5)),
      beside('e', null),
    ];
    expect(sameReason(all).map(({ places }) => places.map((p) => p.id))).toEqual([['a', 'c'], ['b'], ['d'], ['e']]);
    expect(sameReason([])).toEqual([]);
  });
});
