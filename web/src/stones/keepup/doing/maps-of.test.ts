import { describe, expect, test } from '@jest/globals';
import { tinyRoom, unit, withUnits } from '@heronstone/core/testing';
import { mapsOf } from './maps-of.ts';

describe('maps of a day', () => {
  test('drawers and boards that something goes into, most first, each once; no shelf, no top, nothing that is not in the wanted plan', () => {
    const plan = withUnits(
      tinyRoom(),
      unit('lowChest', { id: 'chest', x: 4300, y: 2600, facing: 270 }),
      unit('bookcase', { id: 'case', x: 1800, y: 5800, facing: 180 }),
      unit('wallBoard', { id: 'board', x: 3000, y: 5900, facing: 180, bottom: 1200 }),
    );
    const to = (...ids: (string | null)[]) => ids.map((toId) => ({ toId }));
    const ids = (moves: { toId: string | null }[]) => mapsOf(plan, moves).map((p) => p.id);
    expect(
      ids(to('board.0.0', 'chest.1.0', 'chest.0.0', 'chest.1.0', 'case.0.0', 'chest.1000.0', null, 'gone')),
    ).toEqual(['chest.1.0', 'board.0.0', 'chest.0.0']);
    expect(ids(to('case.1.0'))).toEqual([]);
    expect(ids([])).toEqual([]);
  });
});
