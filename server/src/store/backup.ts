import { existsSync, mkdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { basename, dirname, join, resolve } from 'node:path';
import { type Database, openDatabase } from './database.ts';
import { takeFolder } from './lock.ts';

export const databaseFolder = (dataFolder: string) => join(dataFolder, 'database');

/** A file name with the moment in it. */
function backupName(why: string): string {
  return `heronstone-${new Date().toISOString().replace(/[:.]/g, '-')}${why}.tar.gz`;
}

/** Writes the whole database to one file, at first under another name so that a half-written backup is never taken for one. */
export async function backUp(db: Database, dataFolder: string, why = '', file?: string): Promise<string> {
  const target = file ? resolve(file) : join(resolve(dataFolder), 'backups', backupName(why));
  mkdirSync(dirname(target), { recursive: true });
  writeFileSync(`${target}.part`, await db.dump());
  renameSync(`${target}.part`, target);
  return target;
}

/**
 * Puts a backup in the place of the data in a folder that nobody uses. What was there is kept beside it.
 * @returns where the former data lies now, or null when there was none
 * @throws when the file is no backup; nothing is changed then
 */
export async function restore(dataFolder: string, file: string): Promise<string | null> {
  const bytes = readFileSync(file);
  const letGo = takeFolder(dataFolder);
  try {
    const fresh = join(dataFolder, 'database.restoring');
    rmSync(fresh, { recursive: true, force: true });
    try {
      const db = await openDatabase(fresh, async () => undefined, bytes);
      await db.query('SELECT count(*) FROM plans');
      await db.close();
    } catch (error) {
      rmSync(fresh, { recursive: true, force: true });
      throw new Error(`${basename(file)} is not a Heronstone backup, or it is damaged. Nothing was changed.`, {
        cause: error,
      });
    }
    const now = databaseFolder(dataFolder);
    const aside = existsSync(now) ? join(dataFolder, `database.before-restore-${Date.now()}`) : null;
    if (aside) renameSync(now, aside);
    renameSync(fresh, now);
    return aside;
  } finally {
    letGo();
  }
}
