import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { type Box, pressed, TARGET, topmost } from './pressed.ts';

const box = (id: string, left: number, top: number, width: number, height: number): Box => ({
  id,
  left,
  top,
  right: left + width,
  bottom: top + height,
});
const at = (x: number, y: number) => ({ x, y });

describe('what a press means', () => {
  test('what is drawn last lies over what is drawn before; beside everything there is nothing', () => {
    const drawn = [box('far', 0, 0, 100, 50), box('near', 60, 20, 100, 50)];
    expect(topmost(at(10, 10), drawn)?.id).toBe('far');
    expect(topmost(at(80, 30), drawn)?.id).toBe('near');
    expect(topmost(at(10, 60), drawn)).toBeNull();
  });

  test('a sliver in the open is pressed twelve pixels from its middle, and no farther', () => {
    const sliver = box('sliver', 100, 100, 1.5, 12);
    expect(pressed(at(112, 106), [sliver], null)).toBe('sliver');
    expect(pressed(at(100.75, 117.9), [sliver], null)).toBe('sliver');
    expect(pressed(at(113.5, 106), [sliver], null)).toBeNull();
  });

  test('between two large ones it takes a little of each, and each keeps its middle', () => {
    const boxes = [box('left', 0, 0, 60, 80), box('sliver', 60, 30, 1.5, 12), box('right', 61.5, 0, 28, 80)];
    expect(pressed(at(54, 36), boxes, 'left')).toBe('sliver');
    expect(pressed(at(30, 36), boxes, 'left')).toBe('left');
    expect(pressed(at(66, 36), boxes, 'right')).toBe('sliver');
    // a quarter of 28 is 7
    expect(pressed(at(70, 36), boxes, 'right')).toBe('right');
  });

  test('of a row of slots each is hit where it is drawn; beside the row the nearest', () => {
    const slots = [0, 1, 2, 3].map((i) => box(`slot ${i}`, 200 + 5 * i, 50, 4, 40));
    for (const s of slots) expect(pressed(at(s.left + 2, 60), slots, s.id)).toBe(s.id);
    expect(pressed(at(194, 60), slots, null)).toBe('slot 0');
    expect(pressed(at(225, 60), slots, null)).toBe('slot 3');
    expect(pressed(at(204.5, 60), slots, null)).toMatch(/slot [01]/);
  });

  test('every place, however small, answers a press in its middle; large ones in at least half of what is drawn', () => {
    const boxes = fc.array(
      fc.record({
        left: fc.integer({ min: 0, max: 900 }),
        top: fc.integer({ min: 0, max: 250 }),
        width: fc.double({ min: 1, max: 90, noNaN: true }),
        height: fc.double({ min: 1, max: 60, noNaN: true }),
      }),
      { minLength: 1, maxLength: 25 },
    );
    fc.assert(
      fc.property(boxes, (drawn) => {
        const all = drawn.map((d, i) => box(`p${i}`, d.left, d.top, d.width, d.height));
        for (const b of all) {
          const middle = at((b.left + b.right) / 2, (b.top + b.bottom) / 2);
          const small = b.right - b.left < TARGET || b.bottom - b.top < TARGET;
          const found = pressed(middle, all, b.id);
          if (small) expect(found).toBe(b.id);
          else {
            // only what is drawn on it may come before it there
            const other = all.find((o) => o.id === found)!;
            const onIt = other.left < b.right && other.right > b.left && other.top < b.bottom && other.bottom > b.top;
            expect(found === b.id || onIt).toBe(true);
          }
        }
      }),
    );
  });
});
