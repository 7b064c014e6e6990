import { readFileSync, rmSync } from 'node:fs';
import { basename } from 'node:path';
import { inChild } from './child.ts';
import { openDatabase, readThrough } from './database.ts';
import { readPlan } from './rows.ts';

/** Where a backup is unpacked to be looked at, beside it: on the disk that opens several times as fast as in memory. */
export const CHECKING = '.checking';

/**
 * Unpacks a backup beside itself and reads every table and every plan of it.
 * @throws when it is no backup, or damaged
 */
export async function checkBackup(file: string): Promise<void> {
  const folder = `${file}${CHECKING}`;
  rmSync(folder, { recursive: true, force: true });
  try {
    const db = await openDatabase(folder, async () => undefined, readFileSync(file));
    try {
      await readThrough(db);
      for (const { id } of await db.query('SELECT id FROM plans')) await readPlan(db, id as string);
    } finally {
      await db.close();
    }
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

/** Checks a backup in a process of its own, so that the server goes on answering meanwhile. */
export async function checkInChild(file: string): Promise<void> {
  try {
    await inChild('server/src/check-backup.ts', [file]);
  } catch (error) {
    throw new Error(`The backup ${basename(file)} does not open again, so it was removed: ${(error as Error).message}`);
  }
}
