import { existsSync, readdirSync, rmSync, statSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { checkInChild } from './check-backup.ts';
import { type Database } from './database.ts';
import { positionOf } from './entries.ts';
import { syncFolder, writeSynced } from './files.ts';
import { needRoom } from './trouble.ts';

export type Why = 'daily' | 'before-migration' | 'by-hand';
/** A backup file; `change` is the number of the newest change in it (versions before 4 did not number them). */
export type Backup = { file: string; at: string; why: Why; change: number | null; bytes: number };

export const backupsFolder = (dataFolder: string) => join(dataFolder, 'backups');

const NAME =
  /^heronstone-(\d{4}-\d\d-\d\d)T(\d\d)-(\d\d)-(\d\d)-(\d{3})Z(-daily|-before-migration)?(?:-n(\d+))?\.tar\.gz$/;

/** The backups of a data folder, newest first. */
export function listBackups(dataFolder: string): Backup[] {
  const folder = backupsFolder(dataFolder);
  if (!existsSync(folder)) return [];
  return readdirSync(folder)
    .flatMap((file): Backup[] => {
      const m = NAME.exec(file);
      if (!m) return [];
      const at = `${m[1]}T${m[2]}:${m[3]}:${m[4]}.${m[5]}Z`;
      const why = (m[6]?.slice(1) ?? 'by-hand') as Why;
      return [
        { file, at, why, change: m[7] === undefined ? null : Number(m[7]), bytes: statSync(join(folder, file)).size },
      ];
    })
    .sort((a, b) => (a.at < b.at ? 1 : -1));
}

/** All of a database, and the number of the newest change in it. */
export type Dump = { bytes: Uint8Array; change: number | null };

export async function dumpOf(db: Database): Promise<Dump> {
  const [tables] = await db.query(`SELECT to_regclass('journal_state') IS NOT NULL AS has`);
  return { change: tables?.has ? (await positionOf(db)).applied : null, bytes: await db.dump() };
}

/**
 * Writes a dump to one file, synced, and opens that file whole before it counts.
 * @param file where to; by default into the backups folder, under a name that says when, why and up to which change
 * @returns where it lies
 * @throws Trouble when the disk is full; an error when what was written does not open (it is removed then)
 */
export async function backUp({ bytes, change }: Dump, dataFolder: string, why: Why, file?: string): Promise<string> {
  const moment = new Date().toISOString().replace(/[:.]/g, '-');
  const name = `heronstone-${moment}${why === 'by-hand' ? '' : `-${why}`}${change === null ? '' : `-n${change}`}.tar.gz`;
  const target = file ? resolve(file) : join(resolve(dataFolder), 'backups', name);
  needRoom(dataFolder, bytes.length);
  writeSynced(target, bytes);
  try {
    await checkInChild(target);
  } catch (error) {
    rmSync(target, { force: true });
    throw error;
  }
  return target;
}

const day = (at: string) => at.slice(0, 10);
/** The Monday a day’s week begins with. */
function week(at: string): string {
  const date = new Date(`${day(at)}T00:00:00Z`);
  date.setUTCDate(date.getUTCDate() - ((date.getUTCDay() + 6) % 7));
  return day(date.toISOString());
}

/**
 * Of the daily backups those no longer kept: all but the newest of each of the last seven days and eight weeks that have one. Backups made by
 * hand or before a change of the tables are kept.
 */
export function outlived(backups: readonly Backup[]): Backup[] {
  const daily = backups.filter((b) => b.why === 'daily').sort((a, b) => (a.at < b.at ? 1 : -1));
  const kept = new Set<Backup>();
  for (const [of, most] of [
    [day, 7],
    [week, 8],
  ] as const) {
    const seen = new Set<string>();
    for (const backup of daily) {
      if (seen.has(of(backup.at)) || seen.size >= most) continue;
      seen.add(of(backup.at));
      kept.add(backup);
    }
  }
  return daily.filter((b) => !kept.has(b));
}

/** Removes the backups that have had their time, and what a backup that broke off left behind. */
export function thin(dataFolder: string): void {
  const folder = backupsFolder(dataFolder);
  if (!existsSync(folder)) return;
  const gone = outlived(listBackups(dataFolder)).map((b) => b.file);
  for (const name of [...gone, ...readdirSync(folder).filter((f) => f.endsWith('.part'))])
    rmSync(join(folder, name), { force: true });
  syncFolder(folder);
}
