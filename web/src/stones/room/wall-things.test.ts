import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { blankFixture, blankOpening, type Command, type Wall } from '@heronstone/core/plan';
import { boxOf, movedOnWall, settingOf, thingArrows } from './wall-things.ts';

const wall: Wall = { id: 'w', seq: 0, name: '', length: 3000, turn: 90 };
const door = { ...blankOpening('d', 'door', wall, 'metric'), left: 500, width: 860, sill: 0, head: 2000 };
const window_ = { ...blankOpening('o', 'window', wall, 'metric'), left: 1000, width: 1200, sill: 900, head: 2000 };
const socket = { ...blankFixture('s', 'socket', 'w', 200, 'metric'), width: 146, height: 86, bottom: 300 };

describe('things on a wall', () => {
  test('moved to the right and up in steps of a centimetre; a door only along the floor', () => {
    expect(movedOnWall(socket, 96, 203, 3000)).toEqual({ left: 300, bottom: 500, sizeBy: 'guess' });
    expect(movedOnWall(window_, -104, 98, 3000)).toEqual({ left: 900, sill: 1000, head: 2100, sizeBy: 'guess' });
    expect(movedOnWall(door, 104, 300, 3000)).toEqual({ left: 600, sizeBy: 'guess' });
    // what nobody measured is no better known for having been moved
    expect(movedOnWall({ ...door, sizeBy: 'usual' }, 104, 300, 3000)).toEqual({ left: 600, sizeBy: 'usual' });
  });

  test('stays between the ends of its wall and above the floor, and keeps its size', () => {
    const by = fc.integer({ min: -6000, max: 6000 });
    fc.assert(
      fc.property(fc.constantFrom(door, window_, socket), by, by, (thing, right, up) => {
        const moved = boxOf({ ...thing, ...movedOnWall(thing, right, up, wall.length) } as typeof thing);
        expect(moved.left).toBeGreaterThanOrEqual(0);
        expect(moved.left + moved.width).toBeLessThanOrEqual(wall.length);
        expect(moved.bottom).toBeGreaterThanOrEqual(0);
        expect([moved.width, moved.height]).toEqual([boxOf(thing).width, boxOf(thing).height]);
      }),
    );
    // one that is longer than its wall begins at its left end
    expect(movedOnWall({ ...window_, width: 4000 }, 500, 0, 3000).left).toBe(0);
  });

  test('every length stands on an arrow of that length, and typing one changes nothing else', () => {
    for (const thing of [door, window_, socket]) {
      const done: Command[] = [];
      const arrows = thingArrows(thing, 5, (command) => done.push(command));
      for (const arrow of arrows) {
        if (!('mm' in arrow)) throw new Error('a length');
        expect(Math.hypot(arrow.to.x - arrow.from.x, arrow.to.y - arrow.from.y)).toBeCloseTo(arrow.mm, 9);
        arrow.onLength(arrow.mm + 10);
        expect(done.pop()).toEqual(settingOf(thing, { [arrow.key]: arrow.mm + 10 }));
      }
    }
    expect(thingArrows(door, 5, () => undefined).map((a) => a.label)).toEqual(['from the left', 'width', 'head']);
    expect(thingArrows(socket, 5, () => undefined).map((a) => a.label)).toEqual([
      'from the left',
      'width',
      'above the floor',
      'height',
    ]);
  });
});
