import { readdirSync, readFileSync, statSync, utimesSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, test } from '@jest/globals';
import { throwAwayFolders } from '../testing.ts';
import { FolderInUse, FolderLost, ownerOf, takeFolder } from './owner.ts';

const newFolder = throwAwayFolders();
const quick = { beat: 50, patience: 1000 };
const claim = (folder: string, n: number, owner: object | string) =>
  writeFileSync(join(folder, `owner.${n}.json`), typeof owner === 'string' ? owner : JSON.stringify(owner));

describe('one owner, truly', () => {
  test('of many who reach for a folder in the same moment one has it', async () => {
    for (let round = 0; round < 10; round++) {
      const folder = newFolder();
      if (round % 2) claim(folder, 7, { pid: 2 ** 22 - 7, started: '1' });
      const tries = await Promise.allSettled(Array.from({ length: 8 }, () => takeFolder(folder, quick)));
      const owners = tries.flatMap((t) => (t.status === 'fulfilled' ? [t.value] : []));
      expect(owners).toHaveLength(1);
      for (const t of tries) if (t.status === 'rejected') expect(t.reason).toBeInstanceOf(FolderInUse);
      owners[0]!.release();
    }
  });

  test('a dead process’s claim is followed by a higher one; a living one is respected; one let go is free at once', async () => {
    const folder = newFolder();
    claim(folder, 3, { pid: 2 ** 22 - 7, started: '1' });
    const mine = await takeFolder(folder, quick);
    expect(readdirSync(folder)).toEqual(['owner.4.json']);
    await expect(takeFolder(folder, quick)).rejects.toThrow(/in use by process/);
    mine.setPort(4377);
    expect(ownerOf(folder)).toMatchObject({ pid: process.pid, port: 4377 });
    mine.release();
    expect(ownerOf(folder)).toBeNull();
    (await takeFolder(folder, quick)).release();
  });

  test('a process number used again by another process is not taken for the owner', async () => {
    const folder = newFolder();
    claim(folder, 1, { pid: process.pid, started: '12345' });
    (await takeFolder(folder, quick)).release();
  });

  test('an owner whose process cannot be seen from here is known by its heartbeat', async () => {
    const folder = newFolder();
    const elsewhere = { pid: 1, started: '1', space: 'another machine pid:[1]' };
    claim(folder, 1, elsewhere);
    const file = join(folder, 'owner.1.json');
    const beating = setInterval(() => utimesSync(file, new Date(), new Date()), 100);
    await expect(takeFolder(folder, quick)).rejects.toThrow(FolderInUse);
    expect(ownerOf(folder)).toMatchObject({ pid: 1 });
    clearInterval(beating);
    const mine = await takeFolder(folder, quick);
    const before = statSync(join(folder, 'owner.2.json')).mtimeMs;
    await new Promise((r) => setTimeout(r, 200));
    expect(statSync(join(folder, 'owner.2.json')).mtimeMs).toBeGreaterThan(before);
    mine.release();
  });

  test('who was taken for dead and wakes up writes nothing more', async () => {
    const folder = newFolder();
    const asleep = await takeFolder(folder, quick);
    const text = readFileSync(join(folder, 'owner.1.json'), 'utf8');
    asleep.check();
    claim(folder, 2, text);
    expect(() => asleep.check()).toThrow(FolderLost);
    asleep.release();
    expect(readFileSync(join(folder, 'owner.2.json'), 'utf8')).toBe(text);
  });

  test.each(['', '{"pid": 1', '[]'])('an owner file that says nothing (%j) is not stale', async (text) => {
    const folder = newFolder();
    claim(folder, 5, text);
    await expect(takeFolder(folder, quick)).rejects.toThrow(/left in the middle: .*owner\.5\.json cannot be read/);
    expect(readFileSync(join(folder, 'owner.5.json'), 'utf8')).toBe(text);
  });

  test('a claim as versions before 4 made it is respected while its process lives', async () => {
    const folder = newFolder();
    const stat = readFileSync(`/proc/${process.pid}/stat`, 'utf8');
    const started = stat.slice(stat.lastIndexOf(')') + 2).split(' ')[19]!;
    writeFileSync(join(folder, 'owner.json'), JSON.stringify({ pid: process.pid, started, port: 4377 }));
    await expect(takeFolder(folder, quick)).rejects.toThrow(/in use by process/);
    writeFileSync(join(folder, 'owner.json'), JSON.stringify({ pid: 2 ** 22 - 7, started: '1' }));
    (await takeFolder(folder, quick)).release();
  });
});
