import { appendFileSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { throwAwayFolders } from '../testing.ts';
import { type Entry } from './entry.ts';
import { Journal, JournalTrouble } from './journal.ts';

const newFolder = throwAwayFolders();
const start = { lineage: 'line', last: 0 };
const entry = (n: number): Entry => ({
  n,
  planId: 'p',
  revision: n,
  at: '2026-11-25T00:00:00.000Z',
  changes: [],
  what: { kind: 'step', commandId: `command-${n}`, seq: n, to: 'done' },
});
const entries = (from: number, to: number) => Array.from({ length: to - from + 1 }, (_, i) => entry(from + i));
async function numbers(journal: Journal, after = 0): Promise<number[]> {
  const found: number[] = [];
  for await (const e of journal.after(after)) found.push(e.n);
  return found;
}
const fileOf = (folder: string) => join(folder, readdirSync(folder).sort().at(-1)!);

describe('the journal', () => {
  test('what is appended is synced before it is said to be there, and is found again', async () => {
    const folder = newFolder();
    const onDisk: string[] = [];
    const journal = await Journal.open(folder, start, async (file) => {
      onDisk.push(readFileSync(fileOf(folder), 'utf8'));
      await file.datasync();
    });
    await journal.append(entries(1, 3));
    await journal.append([entry(4)]);
    expect(onDisk).toHaveLength(3); // the first line of a new file, and two batches
    expect(onDisk.at(-1)).toContain('command-4');
    await journal.close();
    const again = await Journal.open(folder, start);
    expect([again.first, again.last, again.lineage]).toEqual([1, 4, 'line']);
    expect(await numbers(again, 2)).toEqual([3, 4]);
    await again.append(entries(5, 6));
    expect(await numbers(again)).toEqual([1, 2, 3, 4, 5, 6]);
    await again.close();
  });

  test('cut off anywhere in its last write it gives everything before that, and goes on', async () => {
    const folder = newFolder();
    const journal = await Journal.open(folder, start);
    await journal.append(entries(1, 2));
    const before = readFileSync(fileOf(folder)).length;
    await journal.append(entries(3, 5));
    await journal.close();
    const whole = readFileSync(fileOf(folder));
    await fc.assert(
      fc.asyncProperty(
        fc.integer({ min: before, max: whole.length - 2 }),
        fc.constantFrom('', '\0\0\0'),
        async (cut, rest) => {
          writeFileSync(fileOf(folder), Buffer.concat([whole.subarray(0, cut), Buffer.from(rest)]));
          const again = await Journal.open(folder, start);
          expect(await numbers(again)).toEqual([1, 2]);
          await again.append([entry(3)]);
          expect(await numbers(again)).toEqual([1, 2, 3]);
          await again.close();
          for (const name of readdirSync(folder).slice(1)) rmSync(join(folder, name));
        },
      ),
      { numRuns: 25 },
    );
  });

  test('damage before the end, a missing file, a gap are said and not skipped', async () => {
    const folder = newFolder();
    const journal = await Journal.open(folder, start);
    for (const n of [1, 2, 3]) await journal.append([entry(n)]);
    await journal.close();
    const text = readFileSync(fileOf(folder), 'utf8');
    writeFileSync(fileOf(folder), text.replace('command-2', 'command-9'));
    await expect(Journal.open(folder, start)).rejects.toThrow(JournalTrouble);
    writeFileSync(fileOf(folder), text);
    const second = await Journal.open(folder, start);
    await second.append([entry(4)]);
    await second.close();
    expect(readdirSync(folder)).toHaveLength(2);
    rmSync(join(folder, readdirSync(folder).sort()[0]!));
    const third = await Journal.open(folder, start);
    await expect(numbers(third)).rejects.toThrow(/changes 1 to 3 are missing/);
    expect(await numbers(third, 3)).toEqual([4]);
    await expect(third.append([entry(7)])).rejects.toThrow(JournalTrouble);
    await third.close();
  });

  test('a sync that fails leaves nothing half written behind', async () => {
    const folder = newFolder();
    let full = false;
    const journal = await Journal.open(folder, start, async (file) => {
      if (full) throw Object.assign(new Error('no room'), { code: 'ENOSPC' });
      await file.datasync();
    });
    await journal.append([entry(1)]);
    full = true;
    await expect(journal.append([entry(2)])).rejects.toThrow('no room');
    full = false;
    await journal.append([entry(2)]);
    expect(await numbers(journal)).toEqual([1, 2]);
    await journal.close();
    expect(await numbers(await Journal.open(folder, start))).toEqual([1, 2]);
  });

  test('files all of whose changes are in kept backups are dropped; one begun and never written to is no harm', async () => {
    const folder = newFolder();
    for (const n of [1, 2, 3]) {
      const journal = await Journal.open(folder, start);
      await journal.append([entry(n)]);
      await journal.close();
    }
    appendFileSync(join(folder, '000000000004.log'), 'abc');
    const journal = await Journal.open(folder, start);
    expect(journal.last).toBe(3);
    journal.prune(2);
    expect(journal.first).toBe(3);
    expect(await numbers(journal, 2)).toEqual([3]);
  });
});
