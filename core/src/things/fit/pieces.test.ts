import { describe, expect, test } from '@jest/globals';
import { type Plan } from '../../record/plan/index.ts';
import { applied, block, home, sheet, tinyRoom, unit, withUnits } from '../../testing/index.ts';
import { piecesIn } from './pieces.ts';

const room = (...supplies: ReturnType<typeof block>[]): Plan =>
  applied(
    withUnits(
      tinyRoom(),
      unit('bookcase', { id: 'case', x: 4200, y: 3300, facing: 270 }),
      unit('lowChest', { id: 'chest', x: 900, y: 3000, facing: 90, rows: 2, height: 400 }),
      unit('wallBoard', { id: 'board', x: 3000, y: 5900, facing: 180 }),
    ),
    { type: 'addSupplies', supplies },
  );

describe('what is seen in a place', () => {
  test('boxes on a shelf stand beside each other in their own colours, as wide and high as they are', () => {
    const plan = applied(
      room(
        block({ id: 'red', colour: '#a8322d', width: 100, depth: 100, height: 80, lies: ['flat'] }),
        block({ id: 'plain', width: 200, depth: 100, height: 40, lies: ['flat'] }),
      ),
      home('red', 'case.0.0'),
      home('plain', 'case.0.0'),
    );
    const place = plan.places['case.0.0']!;
    const pieces = piecesIn(plan, place);
    const red = pieces.find((p) => p.colour === '#a8322d')!;
    const plain = pieces.find((p) => p.colour !== '#a8322d')!;
    expect(red.height).toBeCloseTo(80 / place.height, 2);
    expect(red.low).toBe(0);
    expect(plain.colour).toBeNull();
    expect(plain.height).toBeCloseTo(40 / place.height, 2);
    // beside each other, not on each other
    expect(Math.min(red.left + red.width, plain.left + plain.width)).toBeLessThanOrEqual(
      Math.max(red.left, plain.left) + 1e-9,
    );
  });

  test('nothing is drawn of an empty place, and nothing outside of one that is over-full', () => {
    const plan = applied(
      room(block({ id: 'many', width: 200, depth: 200, height: 150, working: 12 })),
      home('many', 'chest.0.0'),
    );
    expect(piecesIn(plan, plan.places['chest.1.0']!)).toEqual([]);
    const pieces = piecesIn(plan, plan.places['chest.0.0']!);
    expect(pieces.length).toBeGreaterThan(0);
    for (const p of pieces) {
      expect(p.left).toBeGreaterThanOrEqual(0);
      expect(p.low).toBeGreaterThanOrEqual(0);
      expect(p.left + p.width).toBeLessThanOrEqual(1 + 1e-9);
      expect(p.low + p.height).toBeLessThanOrEqual(1 + 1e-9);
    }
  });

  test('what lies flat is seen as a line at least; loose things fill a box side by side as far as it is full', () => {
    const paper = applied(
      room(sheet({ id: 'card', width: 297, depth: 210, height: 0.3, working: 2, colour: '#3d5f8f' })),
      home('card', 'chest.0.0'),
    );
    const [flat] = piecesIn(paper, paper.places['chest.0.0']!);
    expect(flat!.height).toBeGreaterThanOrEqual(0.03);
    const loose = applied(
      room(
        block({ id: 'a', form: 'loose', width: 20, depth: 20, height: 20, working: 40, colour: '#a8322d' }),
        block({ id: 'b', form: 'loose', width: 20, depth: 20, height: 20, working: 40, colour: '#3d5f8f' }),
      ),
      { type: 'setPlace', id: 'chest.0.0', set: { nature: 'bulk' } },
      home('a', 'chest.0.0'),
      home('b', 'chest.0.0'),
    );
    const two = piecesIn(loose, loose.places['chest.0.0']!);
    expect(two.map((p) => p.colour).sort()).toEqual(['#3d5f8f', '#a8322d']);
    expect(two[0]!.left + two[0]!.width).toBeCloseTo(two[1]!.left, 6);
  });
});
