import { describe, expect, test } from '@jest/globals';
import { block } from '@heronstone/core/testing';
import { type Act, actOf, type Key, marksBetween, type Standing } from './keys.ts';
import { type Row } from './rows.ts';

const supply = (id: string): Row => ({ supply: block({ id, name: id }) });
const rows: Row[] = [
  { group: 'Paper', count: 2 },
  supply('card'),
  supply('vellum'),
  { group: 'Tools', count: 1 },
  supply('knife'),
];
const edit: Standing['columns'][number]['edit'] = () => ({ ok: true, set: {} });
const columns: Standing['columns'] = [{ edit }, {}, { edit, options: [['a', 'A']] }];
const at = (over: Partial<Standing> = {}): Standing => ({
  ...{ row: 1, column: 0, anchor: null, page: 10, rows, columns, ...over },
});
const does = (key: string, over: Partial<Standing> = {}, keys: Partial<Key> = {}): Act | null =>
  actOf({ key, ...keys }, at(over));

describe('keys of the list', () => {
  test('arrows go from row to row and step over heads of groups', () => {
    expect(does('ArrowDown')).toEqual({ what: 'go', row: 2, column: 0 });
    expect(does('ArrowDown', { row: 2 })).toEqual({ what: 'go', row: 4, column: 0 });
    expect(does('ArrowUp', { row: 4 })).toEqual({ what: 'go', row: 2, column: 0 });
    // nothing stands before the first head
    expect(does('ArrowUp', { row: 1 })).toEqual({ what: 'go', row: 0, column: 0 });
    expect(does('PageDown')).toEqual({ what: 'go', row: 4, column: 0 });
    expect(does('ArrowDown', { row: 4 })).toEqual({ what: 'go', row: 4, column: 0 });
  });

  test('sideways and to the ends, never out of the list', () => {
    expect(does('ArrowLeft')).toEqual({ what: 'go', row: 1, column: 0 });
    expect(does('ArrowRight', { column: 2 })).toEqual({ what: 'go', row: 1, column: 2 });
    expect(does('End')).toEqual({ what: 'go', row: 1, column: 2 });
    expect(does('End', {}, { ctrlKey: true })).toEqual({ what: 'go', row: 4, column: 0 });
    expect(does('Home', { row: 4, column: 2 }, { metaKey: true })).toEqual({ what: 'go', row: 0, column: 2 });
  });

  test('with Shift rows are marked from where that began', () => {
    expect(does('ArrowDown', {}, { shiftKey: true })).toEqual({ what: 'markTo', from: 1, row: 2 });
    expect(does('ArrowDown', { row: 2, anchor: 1 }, { shiftKey: true })).toEqual({ what: 'markTo', from: 1, row: 4 });
    expect([...marksBetween(rows, 4, 1)]).toEqual(['card', 'vellum', 'knife']);
    expect([...marksBetween(rows, 0, 0)]).toEqual([]);
  });

  test('marking one, all, none', () => {
    expect(does(' ')).toEqual({ what: 'mark', id: 'card' });
    expect(does('a', {}, { ctrlKey: true })).toEqual({ what: 'markAll' });
    expect(does('Escape')).toEqual({ what: 'markNone' });
  });

  test('Enter writes where it may be written, else opens; a letter begins to write', () => {
    expect(does('Enter')).toEqual({ what: 'edit', typed: null });
    expect(does('F2')).toEqual({ what: 'edit', typed: null });
    expect(does('Enter', { column: 1 })).toEqual({ what: 'open', id: 'card' });
    expect(does('Enter', {}, { shiftKey: true })).toEqual({ what: 'open', id: 'card' });
    expect(does('x')).toEqual({ what: 'edit', typed: 'x' });
    // one of a few is chosen, not typed; a cell that only tells takes nothing
    expect(does('x', { column: 2 })).toBeNull();
    expect(does('x', { column: 1 })).toBeNull();
  });

  test('the app’s own keys stay its own', () => {
    for (const key of ['/', '?', 'Tab', 'Shift', 'F5']) expect(does(key)).toBeNull();
    expect(does('c', {}, { ctrlKey: true })).toBeNull();
    expect(does('b', {}, { altKey: true })).toBeNull();
  });

  test('on the head of a group, and in an empty list, there is nothing to write or mark', () => {
    for (const key of [' ', 'Enter', 'x']) {
      expect(does(key, { row: 0 })).toBeNull();
      expect(does(key, { rows: [], row: -1 })).toBeNull();
    }
    expect(does('ArrowDown', { rows: [], row: -1 })).toEqual({ what: 'go', row: 0, column: 0 });
  });
});
