import { describe, expect, test } from '@jest/globals';
import { blankSupply, type Sent } from '@heronstone/core/plan';
import { jotting } from '@heronstone/core/upkeep';
import { throwAwayFolders } from '../testing.ts';
import { DataFolder } from './data-folder.ts';
import { openDatabase } from './database.ts';
import { databaseFolder } from './swap.ts';

const newFolder = throwAwayFolders();
const line = (id: string): Sent => ({
  type: 'jot',
  entries: [jotting(id, '2026-11-26T10:00:00Z', '2026-11-26', 'usedUp', { supplyId: 'a', count: 1 })],
});
let n = 0;

describe('the log in the store', () => {
  test('undo and redo step past it, nothing that could be redone is dropped for it, taking another plan over leaves it', async () => {
    const path = newFolder();
    const folder = await DataFolder.open(path);
    const { store } = folder;
    const planId = await store.add({ head: { name: 'Room' } });
    const run = async (command: Sent) => {
      const done = await store.run(planId, `command-${++n}-test`, command);
      if (!done.ok) throw new Error(done.reason);
      return done.event;
    };
    const plan = async () => (await store.get(planId))!;
    await run({ type: 'addSupplies', supplies: [blankSupply('a', 'A')] });
    await run({ type: 'setSupply', id: 'a', set: { working: 5 } });
    const told = await run(line('l1'));
    expect(told.undo).toBe('change a supply');
    await store.undo(planId);
    expect((await plan()).plan.supplies.a!.working).toBe(1);
    expect(Object.keys((await plan()).plan.diary)).toEqual(['l1']);
    // something is logged between undo and redo
    const between = await run(line('l2'));
    expect(between.redo).toBe('change a supply');
    await store.redo(planId);
    expect((await plan()).plan.supplies.a!.working).toBe(5);
    // the same line sent again is one line
    await run(line('l2'));
    expect(Object.keys((await plan()).plan.diary).sort()).toEqual(['l1', 'l2']);
    // undone to the very beginning, the log is there
    while ((await store.undo(planId)).ok);
    expect((await plan()).plan.supplies).toEqual({});
    expect(Object.keys((await plan()).plan.diary)).toHaveLength(2);
    const other = await store.add({ head: { name: 'Other', growth: 0.1 } });
    expect((await store.takeOver(planId, other)).ok).toBe(true);
    expect(Object.keys((await plan()).plan.diary)).toHaveLength(2);
    // a fork has what happened before it
    const fork = (await store.fork(planId, 'Fork'))!;
    expect(Object.keys((await store.get(fork))!.plan.diary)).toHaveLength(2);
    await folder.close();
    const again = await DataFolder.open(path);
    expect(Object.keys((await again.store.get(planId))!.plan.diary)).toHaveLength(2);
    expect((await again.store.get(planId))!.undo).toBe('take over Other');
    // months are gathered: undo steps past that too, the sums outlive a restart, and the plan that is taken over brings none
    const gathered = await again.store.run(planId, 'gather-test', { type: 'gather', before: '2026-12' });
    expect(gathered).toMatchObject({ ok: true, event: { undo: 'take over Other' } });
    const { plan: sums } = (await again.store.get(planId))!;
    expect(sums.diary).toEqual({});
    expect(Object.values(sums.monthSums)).toMatchObject([{ what: 'usedUp', times: 2, pieces: 2, days: [26] }]);
    expect((await again.store.undo(planId)).ok).toBe(true);
    expect((await again.store.takeOver(planId, other)).ok).toBe(true);
    await again.close();
    const third = await DataFolder.open(path);
    expect((await third.store.get(planId))!.plan.monthSums).toEqual(sums.monthSums);
    await third.store.run(planId, 'after-gather', line('l1'));
    await third.close();
    // the database itself lets no line be changed
    const db = await openDatabase(databaseFolder(path), () => Promise.resolve());
    await expect(db.query(`UPDATE diary SET words = 'other' WHERE id = 'l1'`)).rejects.toThrow(/not changed/);
    await db.close();
  }, 60_000);
});
