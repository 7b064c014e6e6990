import { describe, expect, test } from '@jest/globals';
import { UNIT_KINDS } from '../../record/catalogue/index.ts';
import { findingsOf } from '../../better/findings/index.ts';
import { blankUnit } from '../../record/plan/index.ts';
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
