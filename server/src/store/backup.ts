import { createHash } from 'node:crypto';
import { existsSync, readdirSync, renameSync, rmSync, statSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { CHECKING, checkInChild } from './check-backup.ts';
import { type Database } from './database.ts';
import { positionOf } from './entries.ts';
import { syncFolder, writeSynced } from './files.ts';
import { FOR_BACKUP, needRoom } from './trouble.ts';

/** `restored`: what a backup that was put back began anew with */
export type Why = 'daily' | 'before-migration' | 'by-hand' | 'restored';
/**
 * A backup file; `change` is the number of the newest change in it (versions before 4 did not number them), `lineage` the mark of the journal it
 * goes with (files of before there were marks have none).
 */
export type Backup = {
  file: string;
  at: string;
  why: Why;
  change: number | null;
  lineage: string | null;
  bytes: number;
};

export const backupsFolder = (dataFolder: string) => join(dataFolder, 'backups');

const NAME =
  /^heronstone-(\d{4}-\d\d-\d\d)T(\d\d)-(\d\d)-(\d\d)-(\d{3})Z(-daily|-before-migration|-restored)?(?:-n(\d+))?(?:-l([0-9a-f]{8}))?\.tar\.gz$/;

/** Short mark of a journal's lineage, for names of files. */
export const lineageMark = (lineage: string): string => createHash('sha256').update(lineage).digest('hex').slice(0, 8);

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
      const change = m[7] === undefined ? null : Number(m[7]);
      return [{ file, at, why, change, lineage: m[8] ?? null, bytes: statSync(join(folder, file)).size }];
    })
    .sort((a, b) => (a.at < b.at ? 1 : -1));
}

/** The daily backups of one lineage, the one with the most in it first, whatever their dates say. */
export function dailyOf(backups: readonly Backup[], lineage: string): (Backup & { change: number })[] {
  const mark = lineageMark(lineage);
  return backups
    .flatMap((b) => (b.why === 'daily' && b.lineage === mark && b.change !== null ? [{ ...b, change: b.change }] : []))
    .sort((a, b) => b.change - a.change);
}

/** All of a database, the number of the newest change in it, and the lineage of the journal it goes with (empty: none yet). */
export type Dump = { bytes: Uint8Array; change: number | null; lineage: string };

export async function dumpOf(db: Database): Promise<Dump> {
  const [tables] = await db.query(`SELECT to_regclass('journal_state') IS NOT NULL AS has`);
  const position = tables?.has ? await positionOf(db) : null;
  return { change: position?.applied ?? null, lineage: position?.lineage ?? '', bytes: await db.dump() };
}

const UNCHECKED = '.unchecked';
const BROKEN_OFF = ['.part', UNCHECKED, CHECKING];

/**
 * Writes a dump to one file, synced, and opens that file whole before it counts.
 * @param file where to; by default into the backups folder, under a name that says when, why and up to which change
 * @returns where it lies
 * @throws Trouble when the disk is full; an error when what was written does not open (it is removed then)
 */
export async function backUp(dump: Dump, dataFolder: string, why: Why, file?: string): Promise<string> {
  const { bytes, change, lineage } = dump;
  const moment = new Date().toISOString().replace(/[:.]/g, '-');
  const of = `${change === null ? '' : `-n${change}`}${lineage === '' ? '' : `-l${lineageMark(lineage)}`}`;
  const name = `heronstone-${moment}${why === 'by-hand' ? '' : `-${why}`}${of}.tar.gz`;
  const target = file ? resolve(file) : join(resolve(dataFolder), 'backups', name);
  // the file itself, and what it is unpacked to when it is looked at
  needRoom(dataFolder, bytes.length + FOR_BACKUP);
  // under its name it stands only when it was found to be whole, whatever ends this process meanwhile
  const unchecked = `${target}${UNCHECKED}`;
  writeSynced(unchecked, bytes);
  try {
    await checkInChild(unchecked);
    renameSync(unchecked, target);
    syncFolder(dirname(target));
  } catch (error) {
    rmSync(unchecked, { force: true });
    throw error;
  }
  return target;
}

/** Clocks are set right by a little all the time, ms (own assumption). */
export const TOLERANCE = 10 * 60_000;

const day = (at: string) => at.slice(0, 10);
/** The Monday a day’s week begins with. */
function week(at: string): string {
  const date = new Date(`${day(at)}T00:00:00Z`);
  date.setUTCDate(date.getUTCDate() - ((date.getUTCDay() + 6) % 7));
  return day(date.toISOString());
}

/**
 * Of the daily backups those no longer kept: all but the newest of each of the last seven days and eight weeks that have one. Backups made by
 * hand or before a change of the tables are kept; so are those of a day that is still to come (the clock stood wrong then), and they take no
 * other’s place.
 * @param now ms
 */
export function outlived(backups: readonly Backup[], now: number): Backup[] {
  const daily = backups
    .filter((b) => b.why === 'daily' && Date.parse(b.at) <= now + TOLERANCE)
    .sort((a, b) => (a.at < b.at ? 1 : -1));
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

/**
 * Removes the backups that have had their time, and what a backup that broke off left behind. The two with the most in them stay, whatever
 * their dates say: the journal begins with the older of them.
 * @param lineage of the journal of today, where it is known
 */
export function thin(dataFolder: string, lineage: string | null): void {
  const folder = backupsFolder(dataFolder);
  if (!existsSync(folder)) return;
  const backups = listBackups(dataFolder);
  const needed = new Set((lineage === null ? [] : dailyOf(backups, lineage).slice(0, 2)).map((b) => b.file));
  const gone = outlived(backups, Date.now()).flatMap((b) => (needed.has(b.file) ? [] : [b.file]));
  for (const name of [...gone, ...readdirSync(folder).filter((f) => BROKEN_OFF.some((end) => f.endsWith(end)))])
    rmSync(join(folder, name), { recursive: true, force: true });
  syncFolder(folder);
}
