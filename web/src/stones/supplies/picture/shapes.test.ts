import { describe, expect, test } from '@jest/globals';
import { cornersOf } from '@heronstone/core/picture';
import { byKey, drawn, pulled, reframed, type Shape, snappedTo } from './shapes.ts';

const at = (x: number, y: number) => ({ x, y });
const box = (): Shape => drawn('box', at(10, 20), at(70, 50))!;

describe('what a hand draws over a flat picture', () => {
  test('a box from corner to corner, a round thing from its middle, a long one along itself', () => {
    expect(box()).toMatchObject({ x: 40, y: 35, width: 60, depth: 30, turn: 0, round: false, line: '' });
    expect(drawn('box', at(70, 50), at(10, 20))).toMatchObject({ x: 40, y: 35, width: 60, depth: 30 });
    expect(drawn('round', at(50, 50), at(50, 70))).toMatchObject({ x: 50, y: 50, width: 40, depth: 40, round: true });
    expect(drawn('long', at(0, 0), at(0, 150))).toMatchObject({ width: 150, turn: 90, x: 0, y: 75 });
  });

  test('a slip of the hand draws nothing', () => {
    expect(drawn('box', at(10, 10), at(60, 12))).toBeNull();
    expect(drawn('round', at(10, 10), at(11, 10))).toBeNull();
    expect(drawn('long', at(10, 10), at(12, 10))).toBeNull();
  });

  test('edges move it where two sides and more found one, and it stays about what was drawn', () => {
    const shape = box();
    const edges = cornersOf({ x: 41, y: 36, width: 62, depth: 29, turn: 3 });
    expect(snappedTo(shape, edges, 4)).toMatchObject({
      id: shape.id,
      width: expect.closeTo(62, 5),
      turn: expect.closeTo(3, 5),
    });
    expect(snappedTo(shape, edges, 1)).toBe(shape);
    expect(snappedTo(shape, cornersOf({ x: 41, y: 36, width: 120, depth: 29, turn: 3 }), 4)).toBe(shape);
    expect(snappedTo(shape, cornersOf({ x: 41, y: 36, width: 62, depth: 29, turn: 50 }), 4)).toBe(shape);
    const round = drawn('round', at(50, 50), at(50, 70))!;
    expect(snappedTo(round, edges, 4)).toBe(round);
  });

  test('keys move it, stretch it and turn it; other keys are somebody else’s', () => {
    const shape = box();
    expect(byKey(shape, 'ArrowRight', false, false)).toMatchObject({ x: 41, y: 35 });
    expect(byKey(shape, 'ArrowUp', true, false)).toMatchObject({ y: 25 });
    expect(byKey(shape, 'ArrowRight', true, true)).toMatchObject({ width: 70, depth: 30, x: 40 });
    expect(byKey(shape, 'ArrowUp', false, true)).toMatchObject({ depth: 31 });
    expect(byKey(shape, ',', false, false)).toMatchObject({ turn: 359 });
    expect(byKey(shape, '.', true, false)).toMatchObject({ turn: 10 });
    expect(byKey(shape, 'a', false, false)).toBeNull();
    const round = drawn('round', at(50, 50), at(50, 70))!;
    expect(byKey(round, 'ArrowLeft', false, true)).toMatchObject({ width: 39, depth: 39 });
    // nothing is stretched to nothing
    expect(byKey({ ...shape, width: 5 }, 'ArrowLeft', true, true)).toMatchObject({ width: 4 });
  });

  test('pulled it moves, is stretched from its far corner, and turns', () => {
    const shape = { ...box(), turn: 30 };
    expect(pulled(shape, 'move', at(15, 8), at(10, 10))).toMatchObject({ x: 45, y: 33, width: 60 });
    const [fixed, , corner] = cornersOf(shape);
    const larger = pulled(shape, 'size', at(corner!.x + 10, corner!.y + 10), corner!);
    expect(cornersOf(larger)[0]!.x).toBeCloseTo(fixed!.x, 6);
    expect(cornersOf(larger)[2]!).toMatchObject({
      x: expect.closeTo(corner!.x + 10, 6),
      y: expect.closeTo(corner!.y + 10, 6),
    });
    // pulled past its far corner it is still something
    expect(pulled(shape, 'size', at(fixed!.x - 50, fixed!.y - 50), corner!)).toMatchObject({ width: 4, depth: 4 });
    // the knob lies above it: straight up is not turned at all
    expect(pulled(shape, 'turn', at(shape.x, shape.y - 40), at(0, 0)).turn).toBeCloseTo(0, 6);
    expect(pulled(shape, 'turn', at(shape.x + 40, shape.y), at(0, 0)).turn).toBeCloseTo(90, 6);
    const round = drawn('round', at(50, 50), at(50, 70))!;
    expect(pulled(round, 'size', at(50, 80), at(0, 0))).toMatchObject({ width: 60, depth: 60, x: 50 });
  });

  test('it stays where it lies when what is shown is pulled another way', () => {
    const frame = { origin: { x: 0, y: 0 }, right: { x: 1, y: 0 }, down: { x: 0, y: 1 }, width: 400, height: 300 };
    const other = { ...frame, origin: { x: 10, y: -5 }, right: { x: 0, y: 1 }, down: { x: -1, y: 0 } };
    const shape = box();
    const moved = reframed(shape, frame, other);
    expect(moved).toMatchObject({
      width: expect.closeTo(60, 6),
      depth: expect.closeTo(30, 6),
      turn: expect.closeTo(270, 6),
    });
    const back = reframed(moved, other, frame);
    expect(back).toMatchObject({ x: expect.closeTo(shape.x, 6), y: expect.closeTo(shape.y, 6) });
  });
});
