import { randomUUID } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, renameSync, rmSync } from 'node:fs';
import { basename, join } from 'node:path';
import { backUp, backupsFolder, type Backup, dumpOf, listBackups, thin } from './backup.ts';
import { type Database, DatabaseBroken, openDatabase, readThrough, TABLES_VERSION } from './database.ts';
import { catchUp, positionOf, setPosition } from './entries.ts';
import { makePrivate, syncFolder, writeSynced } from './files.ts';
import { Journal, JournalTrouble } from './journal.ts';
import { type Ownership, takeFolder } from './owner.ts';
import { Photos } from './photos.ts';
import { PlanStore } from './plan-store.ts';
import { databaseFolder, finishSwap, freshFolder, journalFolder, swapIn } from './swap.ts';
import { diskTrouble, FolderNewer, needRoom, Trouble } from './trouble.ts';

/** How it stands with a data folder, as the maker is shown it. */
export type Safety = {
  /** why the plans cannot be opened; null when all is well */
  broken: string | null;
  backups: Backup[];
  /** whether the newest backup and the journal together give everything that was acknowledged */
  canMend: boolean;
};

const DAY = 24 * 3600_000;
const versionFile = (folder: string) => join(folder, 'heronstone.json');

/** @throws FolderNewer when a later program wrote the folder; nothing of it is touched */
function mustBeReadable(folder: string): void {
  const file = versionFile(folder);
  if (!existsSync(file)) return;
  let version: unknown;
  try {
    version = (JSON.parse(readFileSync(file, 'utf8')) as { version?: unknown }).version;
  } catch {
    return; // says nothing; the tables themselves are asked next
  }
  if (typeof version === 'number' && version > TABLES_VERSION) throw new FolderNewer(`The data folder ${folder}`);
}

/** Whether there is anything of ours beside the database itself. */
const isUsed = (folder: string) =>
  existsSync(versionFile(folder)) ||
  existsSync(databaseFolder(folder)) ||
  existsSync(journalFolder(folder)) ||
  listBackups(folder).length > 0 ||
  readdirSync(folder).some((name) => name.startsWith('database.before-restore'));

/** A data folder that this process owns: its database, the journal beside it, its backups. */
export class DataFolder {
  private db: Database | null = null;
  private journal: Journal | null = null;
  private opened: PlanStore | null = null;
  private brokenBy: string | null = null;
  readonly photos: Photos;
  private readonly timers: ReturnType<typeof setTimeout>[] = [];

  private constructor(
    readonly path: string,
    private readonly owner: Ownership,
    private readonly warn: (words: string) => void,
  ) {
    this.photos = new Photos(path);
  }

  /**
   * Takes a folder and opens what is in it. A database that does not open is no error: the folder is then {@link broken}, and can be restored.
   * @throws FolderInUse, FolderNewer, Trouble
   */
  static async open(path: string, warn: (words: string) => void = () => undefined): Promise<DataFolder> {
    try {
      mustBeReadable(path);
      const owner = await takeFolder(path);
      try {
        const folder = new DataFolder(path, owner, warn);
        await folder.openAll();
        return folder;
      } catch (error) {
        owner.release();
        throw error;
      }
    } catch (error) {
      throw diskTrouble(error, path) ?? error;
    }
  }

  /** @throws Trouble with the reason when the plans cannot be opened */
  get store(): PlanStore {
    if (!this.opened)
      throw new Trouble(`The plans cannot be opened: ${this.brokenBy ?? 'they are being put back right now'}.`);
    return this.opened;
  }

  get broken(): string | null {
    return this.brokenBy;
  }

  setPort(port: number): void {
    this.owner.setPort(port);
  }

  private async openAll(): Promise<void> {
    finishSwap(this.path);
    thin(this.path);
    needRoom(this.path, existsSync(join(databaseFolder(this.path), 'PG_VERSION')) ? 0 : 60_000_000);
    try {
      if (!existsSync(join(databaseFolder(this.path), 'PG_VERSION'))) await this.begin();
      await this.openDatabaseAndJournal();
      this.brokenBy = null;
    } catch (error) {
      await this.closeAll();
      if (!(error instanceof DatabaseBroken || error instanceof JournalTrouble)) throw error;
      this.brokenBy = error.message.replace(/\.$/, '');
      const cause = error.cause instanceof Error ? ` (${error.cause.message})` : '';
      this.warn(`The plans in ${this.path} cannot be opened: ${this.brokenBy}${cause}.`);
    }
  }

  /** A database for a folder that has none; it is there whole or not at all. */
  private async begin(): Promise<void> {
    if (isUsed(this.path)) throw new DatabaseBroken('the database is not where it was');
    await this.makeReady(undefined, async () => undefined);
    renameSync(freshFolder(this.path), databaseFolder(this.path));
    syncFolder(this.path);
  }

  private async openDatabaseAndJournal(): Promise<void> {
    this.db = await openDatabase(databaseFolder(this.path), async (db) => {
      await this.photos.intoTables(db);
      await backUp(await dumpOf(db), this.path, 'before-migration');
      // said before the tables change: an older program must not try them in the middle
      this.writeVersion();
    });
    this.writeVersion();
    const { lineage, applied } = await positionOf(this.db);
    this.journal = await Journal.open(journalFolder(this.path), { lineage: lineage || randomUUID(), last: applied });
    const caughtUp = await catchUp(this.db, this.journal);
    if (caughtUp > 0) this.warn(`${caughtUp} changes were in the journal and not yet in the database; they are now.`);
    if (this.journal.last < applied) {
      this.warn(`The journal ends with change ${this.journal.last}, the database with ${applied}.`);
      this.journal.goOnAfter(applied);
    }
    await this.photos.fromTables(this.db);
    makePrivate(this.path);
    this.opened = new PlanStore(this.db, this.journal, () => {
      this.owner.check();
      needRoom(this.path);
    });
  }

  private writeVersion(): void {
    const text = `${JSON.stringify({ version: TABLES_VERSION })}\n`;
    if (!existsSync(versionFile(this.path)) || readFileSync(versionFile(this.path), 'utf8') !== text)
      writeSynced(versionFile(this.path), text);
  }

  /** Makes a backup now. @returns where it lies */
  async backUp(why: 'daily' | 'by-hand' = 'by-hand', file?: string): Promise<string> {
    const dump = await this.store.alone(async () => {
      await this.photos.intoTables(this.db!);
      return dumpOf(this.db!);
    });
    const made = await backUp(dump, this.path, why, file);
    if (why === 'daily') this.tidy();
    return made;
  }

  /** Makes the daily backup when the newest is a day old and something has changed since. */
  async backUpIfDue(now = Date.now()): Promise<boolean> {
    if (!this.opened || !this.journal) return false;
    // what was thrown away long ago goes once a day, before the day's backup; older backups still have it
    await this.opened.removeOld(now);
    const [newest] = listBackups(this.path).filter((b) => b.why === 'daily');
    const changed = this.journal.last > (newest?.change ?? 0);
    if (!changed || (newest && now - Date.parse(newest.at) < DAY)) return false;
    await this.backUp('daily');
    return true;
  }

  /** Looks a minute after the start, and then every ten, whether a backup is due. */
  backUpDaily(): void {
    const look = () =>
      void this.backUpIfDue().catch((error: Error) => this.warn(`The daily backup was not made: ${error.message}`));
    this.timers.push(setTimeout(look, 60_000).unref(), setInterval(look, 600_000).unref());
  }

  /** Thins the backups, and drops what of the journal is older than the last but one of them. */
  private tidy(): void {
    thin(this.path);
    const [, before] = listBackups(this.path).filter((b) => b.why === 'daily' && b.change !== null);
    if (before) this.journal?.prune(before.change!);
  }

  safety(): Safety {
    const backups = listBackups(this.path);
    return { broken: this.brokenBy, backups, canMend: this.brokenBy !== null && (backups.length > 0 || this.hasAll()) };
  }

  private hasAll(): boolean {
    return existsSync(join(journalFolder(this.path), '000000000001.log'));
  }

  /**
   * Puts a backup in the place of the data. What was there, journal included, is kept beside it.
   * @param file a path
   * @returns where the former data lies
   * @throws when the file is no backup; nothing is changed then
   */
  async restore(file: string): Promise<string> {
    let bytes: Buffer;
    try {
      bytes = readFileSync(file);
    } catch {
      throw new Trouble(`There is no file ${file}.`);
    }
    await this.makeReady(bytes, async (db) => {
      await db.transaction(async (tx) => setPosition(tx, randomUUID(), (await positionOf(tx)).applied));
    }).catch((error: unknown) => {
      if (error instanceof FolderNewer) throw new FolderNewer(`The backup ${basename(file)}`);
      throw new Trouble(`${basename(file)} is not a Heronstone backup, or it is damaged. Nothing was changed.`, {
        cause: error,
      });
    });
    return this.swap(['database', 'journal']);
  }

  /**
   * Makes the database anew from the newest backup that opens and all of the journal since.
   * @returns where the former data lies
   * @throws Trouble when no backup and journal go together; nothing is changed then
   */
  async mend(): Promise<string> {
    await this.closeAll();
    const folder = backupsFolder(this.path);
    const starts: (() => Uint8Array | undefined)[] = listBackups(this.path).map(
      ({ file }) =>
        () =>
          readFileSync(join(folder, file)),
    );
    if (this.hasAll()) starts.push(() => undefined);
    for (const start of starts) {
      try {
        await this.makeReady(start(), async (db) => {
          const { applied, lineage } = await positionOf(db);
          const journal = await Journal.open(journalFolder(this.path), { lineage, last: applied });
          await catchUp(db, journal);
        });
        return await this.swap(['database']);
      } catch (error) {
        this.warn(`A backup could not be used: ${(error as Error).message}`);
      }
    }
    throw new Trouble(
      'No backup and the journal go together. Put a backup back as it is instead; what is there now is kept beside it.',
    );
  }

  /** Makes a database ready beside the present one. */
  private async makeReady(from: Uint8Array | undefined, finish: (db: Database) => Promise<void>): Promise<void> {
    const fresh = freshFolder(this.path);
    rmSync(fresh, { recursive: true, force: true });
    needRoom(this.path, 60_000_000);
    let db: Database | null = null;
    try {
      db = await openDatabase(fresh, async () => undefined, from);
      await finish(db);
      await readThrough(db);
      await db.close();
    } catch (error) {
      await db?.close().catch(() => undefined);
      rmSync(fresh, { recursive: true, force: true });
      throw error;
    }
  }

  private async swap(parts: ('database' | 'journal')[]): Promise<string> {
    const swap = async () => {
      await this.closeAll();
      const aside = swapIn(this.path, parts);
      await this.openAll();
      return aside;
    };
    return this.opened ? this.opened.alone(swap) : swap();
  }

  private async closeAll(): Promise<void> {
    this.opened = null;
    await this.journal?.close().catch(() => undefined);
    await this.db?.close().catch(() => undefined);
    this.journal = null;
    this.db = null;
  }

  async close(): Promise<void> {
    for (const timer of this.timers) clearTimeout(timer);
    if (this.opened) await this.opened.alone(async () => undefined);
    await this.closeAll();
    this.owner.release();
  }
}
