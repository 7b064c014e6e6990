import { cpSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, test } from '@jest/globals';
import { type Command } from '@heronstone/core/plan';
import { block, tinyRoom, unit, withUnits } from '@heronstone/core/testing';
import { Random } from '@heronstone/core/slotting';
import { jotting } from '@heronstone/core/upkeep';
import { throwAwayFolders } from '../testing.ts';
import { type Backup, listBackups, outlived } from './backup.ts';
import { Clock } from './clock.ts';
import { DataFolder } from './data-folder.ts';
import { openDatabase, TABLES_VERSION } from './database.ts';
import { isSealed, sealFolder } from './folder-seal.ts';
import { Journal } from './journal.ts';
import { afterReboot, mixed } from '../torture/mixed.ts';
import { FolderEngine } from './folder-engine.ts';
import { PlanStore } from './plan-store.ts';
import { disagreement, sealsIn } from './seal.ts';

const newFolder = throwAwayFolders();
const room = withUnits(tinyRoom(), unit('lowChest', { x: 900, y: 5700 }));
const addSupply = (id: string): Command => ({ type: 'addSupplies', supplies: [block({ id, name: `Thing ${id}` })] });
const supplies = async (folder: DataFolder, id: string) =>
  Object.keys((await folder.store.get(id))!.plan.supplies).sort();

describe('what a plan is known by', () => {
  test('carried along change by change it is what the tables give, for every kind of change', async () => {
    const db = await openDatabase(join(newFolder(), 'database'), async () => undefined);
    const journal = await Journal.open(join(newFolder(), 'journal'), { lineage: 'l', last: 0 });
    const store = new PlanStore(new FolderEngine(db, journal));
    const same = async () => {
      const { of } = journal.seals;
      expect(disagreement(of, await sealsIn(db, TABLES_VERSION), true)).toBeNull();
      return of;
    };
    const id = await store.add({ plan: room });
    await same();
    for (const name of ['a', 'b', 'c']) await store.run(id, `command-${name}`, addSupply(name));
    await store.run(id, 'command-name', { type: 'setPlan', set: { name: 'Another name' } });
    await store.undo(id);
    await store.undo(id);
    await store.redo(id);
    await same();
    // drops what was undone
    await store.run(id, 'command-d', addSupply('d'));
    await store.run(id, 'command-gone', { type: 'removeSupply', id: 'a' });
    const line = jotting('line-1', '2026-11-29T10:00:00Z', '2026-11-29', 'usedUp', { supplyId: 'b', count: 1 });
    await store.run(id, 'command-jot', { type: 'jot', entries: [line] });
    const fork = (await store.fork(id, 'Another way'))!;
    await store.run(fork, 'command-e', addSupply('e'));
    await store.takeOver(id, fork);
    await store.throwAway(fork, true);
    const of = await same();
    expect([...of.keys()].sort()).toEqual([id, fork].sort());
    expect(of.get(fork)!.away).not.toBeNull();
    await store.removeOld(() => true);
    expect([...(await same()).keys()]).toEqual([id]);
    // and a row changed behind its back is another seal
    await db.query(`UPDATE supplies SET note = 'x' WHERE id = 'd'`);
    expect(disagreement(of, await sealsIn(db, TABLES_VERSION), true)).toMatch(/other rows/);
    await db.query(`DELETE FROM supplies WHERE id = 'd'`);
    expect(disagreement(of, await sealsIn(db, TABLES_VERSION), true)).toMatch(/rows of a plan/);
    await db.close();
  });
});

describe('a power cut', () => {
  /** A folder after 40 changes and an orderly end, and its database as it was after some of them. */
  async function old(after: number): Promise<{ path: string; id: string; older: string }> {
    const path = newFolder();
    let folder = await DataFolder.open(path);
    const id = await folder.store.add({ plan: room });
    for (let i = 0; i < 40; i++) {
      if (i === after) {
        await folder.close();
        cpSync(join(path, 'database'), join(path, 'older'), { recursive: true });
        folder = await DataFolder.open(path);
      }
      await folder.store.run(id, `command-${i}`, addSupply(`s${String(i).padStart(2, '0')}`));
    }
    await folder.close();
    const older = join(newFolder(), 'older');
    renameSync(join(path, 'older'), older);
    return { path, id, older };
  }
  const all = Array.from({ length: 40 }, (_, i) => `s${String(i).padStart(2, '0')}`);

  test('files of two times in one database are seen, and everything is there again', async () => {
    const { path, id, older } = await old(18);
    const database = join(path, 'database');
    const today = join(newFolder(), 'today');
    cpSync(database, today, { recursive: true });
    const random = new Random(5);
    let mended = 0;
    for (let round = 0; round < 3; round++) {
      mixed(older, today, database, () => random.next());
      expect(isSealed(database)).toBe(false);
      afterReboot(path);
      const folder = await DataFolder.open(path);
      expect(folder.broken).toBeNull();
      mended += folder.safety().notices.length;
      expect(await supplies(folder, id)).toEqual(all);
      expect((await folder.store.undo(id)).ok).toBe(true);
      expect((await folder.store.redo(id)).ok).toBe(true);
      await folder.close();
      cpSync(database, today, { recursive: true, force: true });
    }
    expect(mended).toBeGreaterThan(0);
  });

  test('a database that opens but lacks what the journal has is not believed', async () => {
    const { path, id } = await old(0);
    // rows lost behind its back, closed in good order: nothing but the journal tells
    const db = await openDatabase(join(path, 'database'), async () => undefined);
    await db.query(`DELETE FROM supplies WHERE id IN ('s03', 's04')`);
    await db.close();
    sealFolder(join(path, 'database'));
    const folder = await DataFolder.open(path);
    expect(folder.safety().notices.map((n) => n.words)).toEqual([expect.stringMatching(/38 rows|rows of a plan/)]);
    expect(await supplies(folder, id)).toEqual(all);
    await folder.close();
  });
});

describe('lineages', () => {
  test('what is changed after a restore can be made anew from the backup it began with', async () => {
    const path = newFolder();
    let folder = await DataFolder.open(path);
    const id = await folder.store.add({ plan: room });
    for (let i = 0; i < 5; i++) await folder.store.run(id, `command-${i}`, addSupply(`old${i}`));
    const made = await folder.backUp();
    const today = made.replace('Z-n', 'Z-daily-n');
    renameSync(made, today);
    await folder.restore(today);
    expect(listBackups(path).map((b) => b.why)).toContain('restored');
    await folder.store.run(id, 'command-a', addSupply('after'));
    // its first daily backup is due at once: the other lineage's of today is not one of it
    expect(await folder.backUpIfDue()).toBe(true);
    await folder.store.run(id, 'command-b', addSupply('after-too'));
    for (const backup of listBackups(path)) if (backup.why === 'daily') rmSync(join(path, 'backups', backup.file));
    await folder.close();
    rmSync(join(path, 'database', 'base'), { recursive: true });
    folder = await DataFolder.open(path);
    expect(folder.broken).toBeNull();
    expect(await supplies(folder, id)).toEqual(expect.arrayContaining(['after', 'after-too', 'old4']));
    await folder.close();
    // and right after a restore, with no change since
    folder = await DataFolder.open(path);
    await folder.restore(await folder.backUp());
    const before = await supplies(folder, id);
    await folder.close();
    rmSync(join(path, 'database', 'global'), { recursive: true });
    folder = await DataFolder.open(path);
    expect(folder.broken).toMatch(/does not open/);
    await folder.mend();
    expect(await supplies(folder, id)).toEqual(before);
    await folder.close();
  });
});

describe('clocks', () => {
  const DAY = 86_400_000;
  const T = Date.UTC(2026, 10, 29, 12);

  test('a leap is said, and nothing has had its time because of it', () => {
    const folder = newFolder();
    const clock = new Clock(folder);
    expect(clock.look(T, 0)).toBeNull();
    expect(clock.look(T + 600_000, 600_000)).toBeNull();
    const until = T + 30 * DAY;
    // for an hour it is 2029
    expect(clock.look(T + 3 * 365 * DAY, 1_200_000)).toMatch(/has leapt from 2026-11-29 12:10 to 2029/);
    expect(clock.isOver(until, T + 3 * 365 * DAY)).toBe(false);
    expect(clock.look(T + 3 * 365 * DAY + DAY, 1_200_000 + DAY)).toBeNull();
    expect(clock.isOver(until, T + 3 * 365 * DAY + DAY)).toBe(false);
    // and set right, after a restart
    const again = new Clock(folder);
    expect(again.look(T + 2 * DAY, 0)).toMatch(/has gone back from 2029-11-29 .* to 2026-12-01/);
    expect(again.isOver(until, T + 31 * DAY)).toBe(false);
  });

  test('what is thrown away goes after thirty days, seen on two of them, also where it is switched on twice a week', () => {
    const folder = newFolder();
    new Clock(folder).look(T, 0);
    const until = T + 30 * DAY;
    const gone: number[] = [];
    for (let day = 3; day <= 40; day += 3) {
      const clock = new Clock(folder);
      expect(clock.look(T + day * DAY, 0)).toBeNull();
      if (clock.isOver(until, T + day * DAY)) gone.push(day);
    }
    expect(gone[0]).toBe(33);
    // after half a year away nothing goes at the first look, nor within a month
    const late = new Clock(folder);
    const then = T + 220 * DAY;
    expect(late.look(then, 0)).toMatch(/has leapt/);
    expect(late.isOver(until, then)).toBe(false);
    expect(late.look(then + 31 * DAY, 31 * DAY)).toBeNull();
    expect(late.look(then + 32 * DAY, 32 * DAY)).toBeNull();
    expect(late.isOver(until, then + 32 * DAY)).toBe(true);
  });

  test('a file of it that is damaged takes nothing for over', () => {
    const folder = newFolder();
    writeFileSync(join(folder, 'clock.json'), '{"last": "x"');
    const clock = new Clock(folder);
    expect(clock.look(T, 0)).toBeNull();
    expect(clock.isOver(T - 100 * DAY, T)).toBe(false);
  });

  test('a backup of a day to come puts no other off, takes no other’s place and is not removed', async () => {
    const path = newFolder();
    const folder = await DataFolder.open(path);
    const id = await folder.store.add({ plan: room });
    expect(await folder.backUpIfDue()).toBe(true);
    const [made] = listBackups(path);
    const wrong = made!.file.replace(/^heronstone-\d{4}/, 'heronstone-2039');
    renameSync(join(path, 'backups', made!.file), join(path, 'backups', wrong));
    await folder.store.run(id, 'command-a', addSupply('a'));
    expect(await folder.backUpIfDue()).toBe(true);
    expect(await folder.backUpIfDue()).toBe(false);
    await folder.close();
    expect(listBackups(path).map((b) => b.file)).toContain(wrong);
    const at = (iso: string): Backup => ({ file: iso, at: iso, why: 'daily', change: 1, lineage: null, bytes: 1 });
    const days = Array.from({ length: 7 }, (_, i) => at(new Date(T - i * DAY).toISOString()));
    expect(outlived([at('2039-01-01T00:00:00.000Z'), ...days], T)).toEqual([]);
  });
});
