import { describe, expect, test } from '@jest/globals';
import { UNIT_KINDS } from '../../record/catalogue/index.ts';
import { findingsOf } from '../../better/findings/index.ts';
import { factsOf } from '../../record/catalogue/index.ts';
import { blankFixture, blankHeater, blankOpening, blankUnit } from '../../record/plan/index.ts';
import { applied, tinyRoom, unit, withUnits } from '../../testing/index.ts';
import { freeSpotFor, snapUnit } from './index.ts';

describe('where a new unit arrives', () => {
  test('every kind comes to rest in nothing else and inside the room', () => {
    const plan = withUnits(tinyRoom(), unit('worktable', { x: 3000, y: 3000 }), unit('bookcase', { x: 3000, y: 5840 }));
    for (const kind of UNIT_KINDS) {
      const fresh = blankUnit('fresh', kind, plan.head.measure);
      if (fresh.mount === 'door' || fresh.mount === 'under') continue;
      const { x, y, facing, bottom, hostId } = freeSpotFor(plan, fresh);
      const there = withUnits(plan, { ...fresh, x, y, facing, bottom, hostId });
      const wrong = findingsOf(there).filter((f) => f.check === 'overlap' && f.unitIds.includes('fresh'));
      expect([kind, wrong.map((f) => f.words)]).toEqual([kind, []]);
    }
  });

  test('what things are kept in comes with its back to a wall and its front free, near the seat; not before a window, a fuse board or a fire', () => {
    const kept = UNIT_KINDS.filter((kind) => {
      const { group, mobile } = factsOf(kind);
      return blankUnit('x', kind).mount === 'floor' && !mobile && ['drawers', 'shelves', 'shut'].includes(group);
    });
    expect(kept.length).toBeGreaterThan(8);
    // a window low in the north wall, a fire in the east one, a fuse board in the south one; the seat looks north from near them
    const room = applied(
      withUnits(tinyRoom({ y: 4000 }), unit('worktable', { id: 'table', x: 3000, y: 4700 })),
      {
        type: 'addOpening',
        opening: {
          ...blankOpening('window', 'window', { id: 'w1', length: 6000 }, 'metric'),
          left: 500,
          width: 5000,
          sill: 300,
        },
      },
      { type: 'addFixture', fixture: blankHeater('fire', 'fire', 'w2', 2500) },
      { type: 'addFixture', fixture: blankFixture('board', 'fuseBoard', 'w3', 2800) },
    );
    const told = ['overlap', 'drawer', 'stand', 'before', 'window', 'fuseBoard', 'fire', 'headroom'];
    for (const kind of kept) {
      const fresh = blankUnit('fresh', kind, room.head.measure);
      const { x, y, facing, bottom, hostId } = freeSpotFor(room, fresh);
      const there = withUnits(room, { ...fresh, x, y, facing, bottom, hostId });
      const back = {
        x: x - Math.sin((facing * Math.PI) / 180) * (fresh.depth / 2),
        y: y - Math.cos((facing * Math.PI) / 180) * (fresh.depth / 2),
      };
      const off = Math.min(back.x, back.y, 6000 - back.x, 6000 - back.y);
      const wrong = findingsOf(there).filter((f) => told.includes(f.check) && f.unitIds.includes('fresh'));
      expect([kind, Math.round(off), wrong.map((f) => f.words)]).toEqual([kind, 0, []]);
    }
  });

  test('six chests brought in one after the other can all be opened; a table or what rolls is no matter of walls', () => {
    let plan = withUnits(tinyRoom(), unit('worktable', { id: 'table', x: 3000, y: 3900 }));
    for (let i = 0; i < 6; i++) {
      const fresh = { ...blankUnit(`chest${i}`, i % 2 === 0 ? 'lowChest' : 'bookcase', 'metric'), name: `Chest ${i}` };
      const { x, y, facing, bottom, hostId } = freeSpotFor(plan, fresh);
      plan = withUnits(plan, { ...fresh, x, y, facing, bottom, hostId });
    }
    const wrong = findingsOf(plan).filter((f) => ['overlap', 'drawer', 'stand', 'before'].includes(f.check));
    expect(wrong.map((f) => f.words)).toEqual([]);
    const cart = freeSpotFor(plan, blankUnit('cart', 'rollingCart', 'metric'));
    expect(Math.min(cart.x, cart.y, 6000 - cart.x, 6000 - cart.y)).toBeGreaterThan(400);
  });

  test('what is to stand on something stands on it, wholly; not on a box under a bed, and where there is nothing, on the floor', () => {
    const on = UNIT_KINDS.filter((kind) => blankUnit('x', kind).mount === 'on');
    expect(on.length).toBeGreaterThan(4);
    const low = withUnits(tinyRoom(), unit('underBedBox', { id: 'box', x: 3000, y: 3000 }));
    const table = withUnits(low, unit('worktable', { id: 'table', x: 1200, y: 4800, width: 1600, depth: 800 }));
    for (const kind of on) {
      const fresh = blankUnit('fresh', kind, table.head.measure);
      const there = freeSpotFor(table, fresh);
      expect([kind, there.hostId, there.bottom]).toEqual([kind, 'table', table.units.table!.height]);
      expect([kind, freeSpotFor(low, fresh).bottom, freeSpotFor(low, fresh).hostId]).toEqual([kind, 0, null]);
    }
  });

  test('where there is no room it comes to the middle all the same', () => {
    const plan = withUnits(tinyRoom(), unit('worktable', { x: 3000, y: 3000, width: 5990, depth: 5990, height: 2000 }));
    const chest = blankUnit('fresh', 'lowChest', plan.head.measure);
    const { x, y } = freeSpotFor(plan, chest);
    expect(Math.hypot(x - 3000, y - 3000)).toBeLessThan(3000);
  });

  test('what hangs under a top hangs right under it, goes up with it, and is told when it hangs from nothing', () => {
    const table = withUnits(tinyRoom(), unit('worktable', { id: 'table', x: 1200, y: 4800, width: 1600, depth: 800 }));
    for (const kind of ['hungDrawer', 'hungBasket'] as const) {
      const fresh = { ...blankUnit('fresh', kind, table.head.measure), x: 1300, y: 4800, name: 'Under it' };
      const { to, ...there } = snapUnit(table, fresh, fresh);
      expect(to).toContain(table.units.table!.name);
      // 740 high, 30 of top
      expect([there.hostId, there.bottom]).toEqual(['table', 710 - fresh.height]);
      const hung = withUnits(table, { ...fresh, ...there });
      const told = (plan: typeof hung) =>
        findingsOf(plan).filter((f) => f.unitIds.includes('fresh') && f.check !== 'before');
      expect(told(hung).map((f) => f.words)).toEqual([]);
      const higher = applied(hung, { type: 'setUnit', id: 'table', set: { height: 900 } });
      expect(higher.units.fresh!.bottom).toBe(870 - fresh.height);
      expect(told(higher)).toEqual([]);
      const lower = applied(hung, { type: 'setUnit', id: 'fresh', set: { bottom: 300 } });
      expect(told(lower).map((f) => f.check)).toEqual(['mount']);
      const alone = withUnits(tinyRoom(), { ...fresh, hostId: null });
      expect(told(alone).map((f) => f.words.includes('under nothing'))).toEqual([true]);
    }
  });
});
