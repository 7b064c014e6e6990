import { randomUUID } from 'node:crypto';
import { cpSync, existsSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { basename, join } from 'node:path';
import { backUp, backupsFolder, type Backup, dailyOf, dumpOf, listBackups, thin, TOLERANCE } from './backup.ts';
import { Clock } from './clock.ts';
import { type Database, DatabaseBroken, openDatabase, TABLES_VERSION, template } from './database.ts';
import { catchUp, positionOf } from './entries.ts';
import { makePrivate, writeSynced } from './files.ts';
import { isSealed, sealFolder, unsealFolder } from './folder-seal.ts';
import { Journal, journalOf, type JournalSpan, JournalTrouble } from './journal.ts';
import { FolderLost, type Ownership, takeFolder } from './owner.ts';
import { FolderEngine } from './folder-engine.ts';
import { type PhotoStore, type Pictures } from './photo-store.ts';
import { Photos } from './photos.ts';
import { PlanStore } from './plan-store.ts';
import { notAsJournal, prepareAside, startsFor } from './prepare.ts';
import { sealsIn } from './seal.ts';
import { databaseFolder, finishSwap, freshFolder, journalFolder, replaceWithFresh, swapIn } from './swap.ts';
import { diskTrouble, FOR_BACKUP, FolderNewer, needRoom, Trouble } from './trouble.ts';

/** How it stands with a data folder, as the maker is shown it. */
export type Safety = {
  /** why the plans cannot be opened; null when all is well */
  broken: string | null;
  backups: Backup[];
  /** whether the newest backup and the journal together give everything that was acknowledged */
  canMend: boolean;
  /** what happened to the folder since this process began that the maker should know: it was mended, the clock has leapt */
  notices: readonly Notice[];
};
export type Notice = { at: string; words: string };

const DAY = 24 * 3600_000;
/** A picture comes a moment before the change that shows it, which may have to wait, ms (own assumption). */
const ON_ITS_WAY = 10 * 60_000;
const versionFile = (folder: string) => join(folder, 'heronstone.json');

function readVersionFile(folder: string): { version?: unknown; lineage?: unknown } | null {
  try {
    return JSON.parse(readFileSync(versionFile(folder), 'utf8')) as { version?: unknown; lineage?: unknown };
  } catch {
    return null; // says nothing; the tables themselves are asked then
  }
}

/** @throws FolderNewer when a later program wrote the folder; nothing of it is touched */
function mustBeReadable(folder: string): void {
  const version = readVersionFile(folder)?.version;
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
  private engine: FolderEngine | null = null;
  private brokenBy: string | null = null;
  /** whether making the database anew was not tried, or may go another time */
  private mendable = true;
  private madeFrom = '';
  private readonly notices: Notice[] = [];
  private turn: Promise<unknown> = Promise.resolve();
  private readonly clock: Clock;
  readonly photos: Photos;
  private readonly timers: ReturnType<typeof setTimeout>[] = [];

  private constructor(
    readonly path: string,
    private readonly owner: Ownership,
    private readonly warn: (words: string) => void,
  ) {
    this.photos = new Photos(path);
    this.clock = new Clock(path);
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

  /** @param mayMend whether what does not open may be made anew from a backup and the journal, where those surely have everything */
  private async openAll(mayMend = true): Promise<void> {
    finishSwap(this.path);
    thin(this.path, this.lineage());
    needRoom(this.path, this.hasDatabase() ? 0 : FOR_BACKUP);
    try {
      if (!this.hasDatabase()) await this.begin();
      // not closed in good order, or not what it was then: while the machine ran on, what was written is there and PostgreSQL goes on from it
      else if (!isSealed(databaseFolder(this.path)) && !this.owner.sinceThen) await this.lookThrough();
      await this.openDatabaseAndJournal();
      this.brokenBy = null;
    } catch (error) {
      await this.closeAll();
      const passing =
        error instanceof FolderNewer || error instanceof FolderLost ? error : diskTrouble(error, this.path);
      if (passing) throw passing;
      const known = error instanceof DatabaseBroken || error instanceof JournalTrouble;
      const words = known ? error.message.replace(/\.$/, '') : 'the database is damaged and does not open';
      const cause = known ? error.cause : error;
      this.warn(
        `The plans in ${this.path} did not open: ${words}${cause instanceof Error ? ` (${cause.message})` : ''}.`,
      );
      this.brokenBy = words;
      if (mayMend) await this.mendBySelf(words);
    }
  }

  private hasDatabase(): boolean {
    return existsSync(join(databaseFolder(this.path), 'PG_VERSION'));
  }

  /** After a power cut every file may be of another time: a copy of the database that is looked through in another process takes its place. */
  private async lookThrough(): Promise<void> {
    await prepareAside(this.path, 'present', 'goes-on');
    replaceWithFresh(this.path);
  }

  /** Makes anew what does not open, where the journal says of every plan what must come of that. */
  private async mendBySelf(why: string): Promise<void> {
    const journal = await journalOf(journalFolder(this.path)).catch(() => null);
    if (!journal?.sealed) return;
    try {
      const kept = await this.mendNow();
      this.notice(
        `The database did not open as it should (${why}). It was made anew from ${this.madeFrom}: nothing is missing. What was there before is kept in ${kept}.`,
      );
    } catch (error) {
      this.warn(`It could not be made anew: ${(error as Error).message}`);
    }
  }

  /** Something the maker is to know about the folder; said once on the first page and in the log. */
  private notice(words: string): void {
    this.warn(words);
    this.notices.push({ at: new Date().toISOString(), words });
  }

  /** A database for a folder that has none; it is there whole or not at all. */
  private async begin(): Promise<void> {
    if (isUsed(this.path)) throw new DatabaseBroken('the database is not where it was');
    rmSync(freshFolder(this.path), { recursive: true, force: true });
    cpSync(await template(), freshFolder(this.path), { recursive: true });
    replaceWithFresh(this.path);
  }

  private async openDatabaseAndJournal(): Promise<void> {
    const database = databaseFolder(this.path);
    unsealFolder(database);
    this.db = await openDatabase(database, async (db) => {
      await this.photos.intoTables(db);
      await backUp(await dumpOf(db), this.path, 'before-migration');
      // said before the tables change: an older program must not try them in the middle
      this.writeVersion(this.lineage());
    });
    const { lineage, applied } = await positionOf(this.db);
    this.journal = await Journal.open(journalFolder(this.path), { lineage: lineage || randomUUID(), last: applied });
    this.writeVersion(this.journal.lineage);
    const caughtUp = await catchUp(this.db, this.journal);
    if (caughtUp > 0) this.warn(`${caughtUp} changes were in the journal and not yet in the database; they are now.`);
    const seals = await sealsIn(this.db, TABLES_VERSION);
    const wrong = notAsJournal(this.journal, applied, seals);
    if (wrong !== null) throw new DatabaseBroken(wrong);
    if (this.journal.last < applied) {
      this.warn(`The journal ends with change ${this.journal.last}, the database with ${applied}.`);
      this.journal.goOnAfter(applied);
    }
    this.journal.know(seals);
    await this.photos.fromTables(this.db);
    makePrivate(this.path);
    this.engine = new FolderEngine(this.db, this.journal, () => {
      this.owner.check();
      needRoom(this.path);
    });
    this.opened = new PlanStore(this.engine);
  }

  private writeVersion(lineage: string | null): void {
    const text = `${JSON.stringify({ version: TABLES_VERSION, ...(lineage !== null && { lineage }) })}\n`;
    if (!existsSync(versionFile(this.path)) || readFileSync(versionFile(this.path), 'utf8') !== text)
      writeSynced(versionFile(this.path), text);
  }

  /** The lineage of the journal, as the folder says without being opened; null where it does not. */
  private lineage(): string | null {
    const said = readVersionFile(this.path)?.lineage;
    return typeof said === 'string' ? said : null;
  }

  /** Makes a backup now. @returns where it lies */
  backUp(why: 'daily' | 'by-hand' = 'by-hand', file?: string): Promise<string> {
    return this.inTurn(async () => {
      needRoom(this.path, this.photos.bytes());
      const dump = await this.whileQuiet(async () => {
        await this.photos.intoTables(this.db!);
        return dumpOf(this.db!);
      });
      const made = await backUp(dump, this.path, why, file);
      if (why === 'daily') this.tidy();
      return made;
    });
  }

  /**
   * Looks at the clock, removes what was thrown away long ago, and makes the daily backup when the one with the most in it is a day old and
   * something has changed since.
   * @param now ms; @param running ms since this process began
   */
  async backUpIfDue(now = Date.now(), running = performance.now()): Promise<boolean> {
    if (!this.opened || !this.journal) return false;
    const leapt = this.clock.look(now, running);
    if (leapt !== null) this.notice(leapt);
    // what was thrown away long ago goes once a day, before the day's backup; older backups still have it
    await this.opened.removeOld((until) => this.clock.isOver(until, now));
    const [newest] = dailyOf(listBackups(this.path), this.journal.lineage);
    const changed = newest === undefined ? this.journal.last > 0 : this.journal.last > newest.change;
    const age = newest === undefined ? Infinity : now - Date.parse(newest.at);
    // one that is still to come was made while the clock stood wrong: it puts nothing off
    if (!changed || (age < DAY && age > -TOLERANCE)) return false;
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
    const { journal } = this;
    if (!journal) return;
    thin(this.path, journal.lineage);
    const [, before] = dailyOf(listBackups(this.path), journal.lineage);
    if (before) journal.prune(before.change);
  }

  /** The pictures no plan shows, thrown-away ones included. */
  private async unusedPhotos(): Promise<{ hash: string; bytes: number }[]> {
    const used = await this.store.photosInUse();
    return this.photos.list().filter(({ hash, since }) => !used.has(hash) && Date.now() - since > ON_ITS_WAY);
  }

  /** How many pictures there are and what they take, bytes; of these the ones no plan shows. */
  async pictures(): Promise<Pictures> {
    const [all, unused] = [this.photos.list(), await this.unusedPhotos()];
    const bytes = (list: { bytes: number }[]) => list.reduce((sum, one) => sum + one.bytes, 0);
    return { count: all.length, bytes: bytes(all), unused: unused.length, unusedBytes: bytes(unused) };
  }

  /** Deletes the pictures no plan shows, for good; earlier backups still have them inside. */
  deleteUnusedPhotos(): Promise<Pictures> {
    return this.inTurn(async () => {
      await this.whileQuiet(async () =>
        this.photos.delete(
          this.db!,
          (await this.unusedPhotos()).map((p) => p.hash),
        ),
      );
      return this.pictures();
    });
  }

  /** Its pictures, as routes know them. */
  readonly photoStore: PhotoStore = {
    keep: async (sent) => this.photos.keep(sent),
    read: async (hash) => this.photos.read(hash),
    hashes: async () => new Set(this.photos.list().map((p) => p.hash)),
    forget: async (hashes) => this.photos.forget(hashes),
    count: () => this.pictures(),
    deleteUnused: () => this.deleteUnusedPhotos(),
  };

  safety(): Safety {
    const { brokenBy, path, notices } = this;
    return { broken: brokenBy, backups: listBackups(path), canMend: brokenBy !== null && this.mendable, notices };
  }

  /**
   * Puts a backup in the place of the data. What was there, journal included, is kept beside it.
   * @param file a path
   * @returns where the former data lies
   * @throws when the file is no backup; nothing is changed then
   */
  restore(file: string): Promise<string> {
    if (!existsSync(file)) return Promise.reject(new Trouble(`There is no file ${file}.`));
    return this.inTurn(async () => {
      await prepareAside(this.path, { backup: file }, 'begins').catch((error: unknown) => {
        if (error instanceof FolderNewer) throw new FolderNewer(`The backup ${basename(file)}`);
        if (!(error instanceof DatabaseBroken)) throw error;
        throw new Trouble(`${basename(file)} is not a Heronstone backup, or it is damaged. Nothing was changed.`, {
          cause: error,
        });
      });
      return this.alone(() => this.swap(['database', 'journal']));
    });
  }

  /**
   * Makes the database anew from the newest backup that opens and all of the journal since.
   * @returns where the former data lies
   * @throws Trouble when no backup and journal go together; nothing is changed then
   */
  mend(): Promise<string> {
    return this.inTurn(() => this.alone(() => this.mendNow()));
  }

  private async mendNow(): Promise<string> {
    this.mendable = false;
    const journal = await this.journalNow();
    for (const { start, words } of startsFor(
      listBackups(this.path),
      journal,
      this.lineage(),
      backupsFolder(this.path),
    )) {
      try {
        await prepareAside(this.path, start, 'goes-on');
      } catch (error) {
        // a disk that is full now may have room later
        if (error instanceof Trouble) this.mendable = true;
        this.warn(`${words} could not be used: ${(error as Error).message}`);
        continue;
      }
      this.madeFrom = words;
      return this.swap(['database']);
    }
    throw new Trouble(
      'No backup and the journal go together. Put a backup back as it is instead; what is there now is kept beside it.',
    );
  }

  /** @throws Trouble when it is damaged, or not what this process has written */
  private async journalNow(): Promise<JournalSpan | null> {
    const otherwise = 'Put a backup back as it is instead; what is there now is kept beside it.';
    try {
      const journal = await journalOf(journalFolder(this.path));
      if (this.journal && journal && journal.last !== this.journal.last)
        throw new JournalTrouble('The journal on the disk is not what was written into it.');
      return journal;
    } catch (error) {
      if (error instanceof JournalTrouble) throw new Trouble(`${error.message} ${otherwise}`);
      throw error;
    }
  }

  /** What makes, swaps or reads whole databases goes one after the other. */
  private inTurn<T>(work: () => Promise<T>): Promise<T> {
    const mine = this.turn.then(work);
    this.turn = mine.catch(() => undefined);
    return mine;
  }

  /** Does something with the open plans while nothing is written. @throws Trouble when they are not open */
  private whileQuiet<T>(work: () => Promise<T>): Promise<T> {
    void this.store;
    return this.alone(work);
  }

  /** Does something while nothing is written. */
  private alone<T>(work: () => Promise<T>): Promise<T> {
    return this.engine ? this.engine.alone(work) : work();
  }

  private async swap(parts: ('database' | 'journal')[]): Promise<string> {
    await this.closeAll();
    const aside = swapIn(this.path, parts);
    await this.openAll(false);
    return aside;
  }

  private async closeAll(): Promise<void> {
    const { db, opened } = this;
    this.opened = null;
    this.engine = null;
    await this.journal?.close().catch(() => undefined);
    this.journal = null;
    this.db = null;
    const closed = await db?.close().then(
      () => true,
      () => false,
    );
    // one that was in use and closed well is made durable: after a power cut it is this one or it is seen not to be
    if (closed && opened) sealFolder(databaseFolder(this.path));
  }

  async close(): Promise<void> {
    for (const timer of this.timers) clearTimeout(timer);
    if (this.engine) await this.engine.alone(async () => undefined);
    await this.closeAll();
    this.owner.release();
  }
}
