import { randomUUID } from 'node:crypto';
import { cpSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { backUp, type Backup, dumpOf, lineageMark } from './backup.ts';
import { ChildFailed, inChild } from './child.ts';
import { type Database, DatabaseBroken, openDatabase, readThrough, TABLES_VERSION } from './database.ts';
import { catchUp, positionOf, setPosition } from './entries.ts';
import { type Seal } from './entry.ts';
import { bytesOf, sealFolder } from './folder-seal.ts';
import { Journal, type JournalSpan } from './journal.ts';
import { Photos } from './photos.ts';
import { disagreement, sealsIn } from './seal.ts';
import { databaseFolder, freshFolder, journalFolder } from './swap.ts';
import { diskTrouble, FOR_BACKUP, FolderNewer, needRoom, Trouble } from './trouble.ts';

/** What a database is made ready from: a copy of the one that is there, a backup (a path), or nothing. */
export type Start = 'present' | 'nothing' | { backup: string };
/** The journal it goes on with: the one that is there, all of it; or one that only begins, with a backup of how it begins. */
export type Lineage = 'goes-on' | 'begins';

/**
 * Makes a database ready beside the present one, which is only read: brought up to the journal and found to be what that says, every index and
 * every page looked through, closed and sealed. It lies in {@link freshFolder} then.
 * @param say is told of every step; what hangs can be seen by that
 * @throws when it does not open, is damaged, or is not what the journal says
 */
export async function prepare(
  dataFolder: string,
  start: Start,
  lineage: Lineage,
  say: (step: string) => void,
): Promise<void> {
  const fresh = freshFolder(dataFolder);
  if (start === 'present') cpSync(databaseFolder(dataFolder), fresh, { recursive: true });
  say('copied');
  const before = async (db: Database) => {
    if (start !== 'present') return;
    await new Photos(dataFolder).intoTables(db);
    await backUp(await dumpOf(db), dataFolder, 'before-migration');
  };
  const from = typeof start === 'object' ? readFileSync(start.backup) : undefined;
  const db = await openDatabase(fresh, before, from, start === 'present');
  try {
    say('opened');
    if (start === 'present') await lookThrough(db);
    await readThrough(db);
    say('read');
    if (lineage === 'begins') await beginLineage(db, dataFolder);
    else await followJournal(db, dataFolder, say);
  } finally {
    await db.close().catch(() => undefined);
  }
  sealFolder(fresh);
  say('closed');
}

async function beginLineage(db: Database, dataFolder: string): Promise<void> {
  await db.transaction(async (tx) => setPosition(tx, randomUUID(), (await positionOf(tx)).applied));
  await backUp(await dumpOf(db), dataFolder, 'restored');
}

async function followJournal(db: Database, dataFolder: string, say: (step: string) => void): Promise<void> {
  const { applied, lineage } = await positionOf(db);
  const journal = await Journal.open(journalFolder(dataFolder), { lineage: lineage || randomUUID(), last: applied });
  try {
    await catchUp(db, journal, (n) => say(`change ${n}`));
    const wrong = notAsJournal(journal, applied, await sealsIn(db, TABLES_VERSION));
    if (wrong !== null) throw new DatabaseBroken(wrong);
  } finally {
    await journal.close();
  }
}

/**
 * Where a database that has caught up with its journal is not what that says, in words; null where it is.
 * @param applied the last change that is in the database
 * @param seals of its plans as its tables have them
 */
export function notAsJournal(journal: Journal, applied: number, seals: ReadonlyMap<string, Seal>): string | null {
  // a database that is ahead of its journal has what that does not know
  if (applied > journal.last) return null;
  const { of, whole } = journal.seals;
  return disagreement(of, seals, whole);
}

/** Looks through every index against its table and every page of every table: after a power cut each of them may be of another time. */
async function lookThrough(db: Database): Promise<void> {
  let fault: unknown;
  try {
    await db.exec('CREATE EXTENSION amcheck');
    await db.query(
      `SELECT count(bt_index_check(c.oid, true)) FROM pg_index i JOIN pg_class c ON c.oid = i.indexrelid JOIN pg_am a ON a.oid = c.relam
       WHERE a.amname = 'btree' AND c.relpersistence = 'p' AND i.indisready AND i.indisvalid`,
    );
    [fault] = await db.query(
      `SELECT v.msg FROM pg_class c, LATERAL verify_heapam(c.oid) v WHERE c.relkind IN ('r', 't', 'm') LIMIT 1`,
    );
    await db.exec('DROP EXTENSION amcheck');
  } catch (error) {
    throw new DatabaseBroken('parts of the database are of different times', { cause: error });
  }
  if (fault) throw new DatabaseBroken('parts of the database are of different times');
}

/** Ends a hung child after so long without a step, ms: opening takes less than a second on a quiet machine (own assumption). */
const PATIENCE = 90_000;
const CODES = { newer: 3, disk: 4 };

export function exitCodeOf(error: unknown): number {
  if (error instanceof FolderNewer) return CODES.newer;
  return diskTrouble(error, '') ? CODES.disk : 1;
}

/**
 * {@link prepare} in a process of its own, which may hang or fall over.
 * @throws FolderNewer; Trouble when the disk refuses; DatabaseBroken with the reason for everything else
 */
export async function prepareAside(dataFolder: string, start: Start, lineage: Lineage): Promise<void> {
  const fresh = freshFolder(dataFolder);
  rmSync(fresh, { recursive: true, force: true });
  needRoom(dataFolder, Math.max(FOR_BACKUP, start === 'present' ? bytesOf(databaseFolder(dataFolder)) : 0));
  try {
    await inChild('server/src/prepare.ts', [dataFolder, JSON.stringify(start), lineage], PATIENCE);
  } catch (error) {
    rmSync(fresh, { recursive: true, force: true });
    if (!(error instanceof ChildFailed)) throw error;
    if (error.code === CODES.newer) throw new FolderNewer('This data');
    if (error.code === CODES.disk) throw new Trouble(error.message);
    throw new DatabaseBroken(
      error.hung
        ? 'the database does not open: it hangs'
        : error.message || 'the database is damaged and does not open',
    );
  }
}

/**
 * What a database that goes with a journal could be made from, the best first: backups of its lineage (or of before backups said theirs) that the
 * journal goes on from, and nothing, where it has everything from the beginning.
 * @param lineage as the folder says it, for where there is no journal
 */
export function startsFor(
  backups: readonly Backup[],
  journal: JournalSpan | null,
  lineage: string | null,
  folder: string,
): { start: Start; words: string }[] {
  const of = journal?.lineage ?? lineage;
  const fits = (b: Backup) =>
    (b.lineage === null || of === null || b.lineage === lineageMark(of)) &&
    (journal === null || b.change === null || (b.change >= journal.first - 1 && b.change <= journal.last));
  const since = journal === null ? '' : ' and every change since in the journal';
  return [
    ...backups
      .filter(fits)
      .sort((a, b) => (b.change ?? -1) - (a.change ?? -1) || (a.at < b.at ? 1 : -1))
      .map((b) => ({
        start: { backup: join(folder, b.file) },
        words: `the backup of ${b.at.slice(0, 16).replace('T', ' ')}${since}`,
      })),
    ...(journal?.fromNothing ? [{ start: 'nothing' as const, words: 'the journal, which has everything' }] : []),
  ];
}
