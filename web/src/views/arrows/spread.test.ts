import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { type Box, spread } from './spread.ts';

const size = { width: 60, height: 24 };
const frame = { left: 0, top: 0, width: 700, height: 420 };
const apart = (a: Box, b: Box) =>
  a.left + a.width <= b.left || b.left + b.width <= a.left || a.top + a.height <= b.top || b.top + b.height <= a.top;

describe('fields on arrows', () => {
  test('one with room lies on the middle of its arrow', () => {
    expect(spread([{ middle: { x: 300, y: 200 }, along: { x: 1, y: 0 }, size }], frame, [])).toEqual([
      { left: 270, top: 188, ...size },
    ]);
  });

  test('one in the way of another goes along its own arrow first', () => {
    const [, second] = spread(
      [
        { middle: { x: 300, y: 200 }, along: { x: 1, y: 0 }, size },
        { middle: { x: 320, y: 200 }, along: { x: 0, y: 1 }, size },
      ],
      frame,
      [],
    );
    expect(second!.left).toBeCloseTo(290, 9);
    expect(second!.top).toBeGreaterThanOrEqual(200 + 12);
  });

  test('what must stay free stays free, and none leaves the frame or covers another, wherever they are wanted', () => {
    const spot = fc.record({ x: fc.integer({ min: 40, max: 660 }), y: fc.integer({ min: 20, max: 400 }) });
    const way = fc.constantFrom({ x: 1, y: 0 }, { x: 0, y: 1 }, { x: -1, y: 0 }, { x: 0.6, y: 0.8 });
    fc.assert(
      fc.property(
        fc.array(fc.record({ middle: spot, along: way, size: fc.constant(size) }), { minLength: 1, maxLength: 7 }),
        (wanted) => {
          const free = { left: 300, top: 150, width: 120, height: 90 };
          const boxes = spread(wanted, frame, [free]);
          boxes.forEach((box, i) => {
            expect(apart(box, free)).toBe(true);
            expect(box.left >= 0 && box.top >= 0 && box.left + 60 <= 700 && box.top + 24 <= 420).toBe(true);
            for (const other of boxes.slice(i + 1)) expect(apart(box, other)).toBe(true);
          });
        },
      ),
    );
  });

  test('where there is no room it lies where it was wanted: it can still be typed into', () => {
    const tight = { left: 0, top: 0, width: 50, height: 20 };
    expect(spread([{ middle: { x: 25, y: 10 }, along: { x: 1, y: 0 }, size }], tight, [])[0]).toMatchObject({
      left: -5,
      top: -2,
    });
  });
});
