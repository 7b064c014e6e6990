import { createHash } from 'node:crypto';
import { createReadStream, existsSync, readdirSync, rmSync, statSync } from 'node:fs';
import { type FileHandle, open } from 'node:fs/promises';
import { basename, join } from 'node:path';
import { createInterface } from 'node:readline';
import { type Entry, type Seal } from './entry.ts';
import { makeFolder, syncFolder } from './files.ts';

/** The journal cannot be read, or does not go with the database. Its message is for the maker. */
export class JournalTrouble extends Error {}

/** What one synced write added: a line. Torn off by a crash it was acknowledged in no part. */
type Batch = { entries: Entry[] };
/** `plans`: the seals of all plans there were when the file was begun, where they were known. */
type Head = { journal: 'heronstone-journal/1'; lineage: string; first: number; plans?: Record<string, Seal> };
type Segment = { file: string; first: number };

/** A segment is closed when it is larger than this, bytes. */
const SEGMENT = 16_000_000;

const sumOf = (json: string) => createHash('sha256').update(json).digest('hex').slice(0, 12);
const lineOf = (value: object) => {
  const json = JSON.stringify(value);
  return `${sumOf(json)} ${json}\n`;
};

function parse<T>(line: string): T | null {
  const json = line.slice(13);
  if (line[12] !== ' ' || sumOf(json) !== line.slice(0, 12)) return null;
  return JSON.parse(json) as T;
}

function segmentsIn(folder: string): Segment[] {
  if (!existsSync(folder)) return [];
  return readdirSync(folder)
    .filter((name) => /^\d{12}\.log$/.test(name))
    .sort()
    .map((name) => ({ file: join(folder, name), first: Number(name.slice(0, 12)) }));
}

async function* linesOf(file: string): AsyncGenerator<{ line: string; end: number }> {
  let end = 0;
  for await (const line of createInterface({ input: createReadStream(file, 'utf8'), crlfDelay: Infinity })) {
    end += Buffer.byteLength(line) + 1;
    yield { line, end };
  }
}

const damaged = (file: string, why: string) =>
  new JournalTrouble(`The journal is damaged: ${basename(file)} ${why}. Everything before that is whole.`);

/**
 * The append-only journal of acknowledged changes beside the database: lines with a checksum each, in numbered files. A last line that was cut off
 * while it was written was never acknowledged and is dropped when the journal is opened; damage anywhere else is said.
 */
export class Journal {
  private handle: FileHandle | null = null;
  private size = 0;

  private constructor(
    private readonly folder: string,
    readonly lineage: string,
    /** number of the newest change in it; where it is empty, of the one before it begins */
    private newest: number,
    /** the seals of the plans after that change, as far as its newest file tells */
    private known: Known,
    private readonly sync: (file: FileHandle) => Promise<void>,
  ) {}

  /** Seals of plans after the newest change; of `whole` those of all plans there are. */
  get seals(): { of: ReadonlyMap<string, Seal>; whole: boolean } {
    return this.known;
  }

  /** The seals of all plans after the newest change, read from the tables. */
  know(seals: ReadonlyMap<string, Seal>): void {
    this.known = { of: new Map(seals), whole: true };
  }

  /**
   * Opens the journal of a folder, or begins one.
   * @param start what a journal that is not there yet begins with: the lineage of the database, and the last change that is in it
   * @throws JournalTrouble when it is damaged
   */
  static async open(
    folder: string,
    start: { lineage: string; last: number },
    sync: (file: FileHandle) => Promise<void> = (file) => file.datasync(),
  ): Promise<Journal> {
    makeFolder(folder);
    for (;;) {
      const segments = segmentsIn(folder);
      const last = segments.at(-1);
      if (!last) return new Journal(folder, start.lineage, start.last, { of: new Map(), whole: false }, sync);
      const tail = await readTail(last);
      if (tail.head) return new Journal(folder, tail.head.lineage, tail.newest, tail.known, sync);
      // begun but its first line was never finished: nothing in it was acknowledged
      rmSync(last.file);
      syncFolder(folder);
    }
  }

  get last(): number {
    return this.newest;
  }

  /** The number of the oldest change it still has; one more than the newest when it has none. */
  get first(): number {
    return segmentsIn(this.folder)[0]?.first ?? this.newest + 1;
  }

  /** Adds changes, all or none; when this resolves they are on the disk. */
  async append(entries: readonly Entry[]): Promise<void> {
    if (entries.length === 0) return;
    if (entries[0]!.n !== this.newest + 1) throw new JournalTrouble('The journal is asked to leave a change out.');
    if (this.size > SEGMENT) await this.close();
    const file = this.handle ?? (await this.begin());
    const before = this.size;
    try {
      const bytes = Buffer.from(lineOf({ entries } satisfies { entries: readonly Entry[] }));
      for (let at = 0; at < bytes.length;)
        at += (await file.write(bytes, at, bytes.length - at, before + at)).bytesWritten;
      await this.sync(file);
      this.size = before + bytes.length;
      this.newest = entries.at(-1)!.n;
      for (const entry of entries) learn(this.known, entry);
    } catch (error) {
      // half a line must not stand between this change and the next; if even that fails, the file is closed and its tail is mended when it is opened
      await file.truncate(before).catch(() => this.close());
      throw error;
    }
  }

  private async begin(): Promise<FileHandle> {
    const path = join(this.folder, `${String(this.newest + 1).padStart(12, '0')}.log`);
    const head: Head = {
      journal: 'heronstone-journal/1',
      lineage: this.lineage,
      first: this.newest + 1,
      ...(this.known.whole && { plans: Object.fromEntries(this.known.of) }),
    };
    const line = lineOf(head);
    // an empty file of the same name holds nothing acknowledged
    const file = await open(path, 'w', 0o600);
    try {
      await file.write(line, 0);
      await this.sync(file);
      syncFolder(this.folder);
    } catch (error) {
      await file.close().catch(() => undefined);
      rmSync(path, { force: true });
      throw error;
    }
    this.size = Buffer.byteLength(line);
    return (this.handle = file);
  }

  /**
   * Every change after number `n`, oldest first.
   * @throws JournalTrouble when one is missing or damaged
   */
  async *after(n: number): AsyncGenerator<Entry> {
    const segments = segmentsIn(this.folder);
    if (n + 1 < this.first)
      throw new JournalTrouble(
        `The journal begins with change ${this.first}; changes ${n + 1} to ${this.first - 1} are missing from it.`,
      );
    let next = n + 1;
    for (const [i, { file, first }] of segments.entries()) {
      // where the next file begins, a write that failed may have left something behind here
      const end = segments[i + 1]?.first ?? this.newest + 1;
      if (end <= next) continue;
      let expected = first;
      for await (const { line } of linesOf(file)) {
        if (expected >= end) break;
        const read = parse<Batch | Head>(line);
        if (!read) throw damaged(file, `cannot be read at change ${expected}`);
        if ('journal' in read) continue;
        for (const entry of read.entries) {
          if (entry.n !== expected) throw damaged(file, `goes from change ${expected - 1} to ${entry.n}`);
          expected++;
          if (entry.n < next || entry.n >= end) continue;
          next++;
          yield entry;
        }
      }
    }
    if (next <= this.newest)
      throw new JournalTrouble(`Changes ${next} to ${this.newest} are missing from the journal.`);
  }

  /** Begins a new file behind change `n`, which the database has and the journal has not. */
  goOnAfter(n: number): void {
    this.newest = Math.max(this.newest, n);
  }

  /** Drops files whose changes all have a number up to `n`: they are in every copy of the database that is still kept. */
  prune(n: number): void {
    const segments = segmentsIn(this.folder);
    for (const [i, { file }] of segments.entries())
      if (i + 1 < segments.length && segments[i + 1]!.first <= n + 1) rmSync(file);
  }

  /** The next change begins a new file. */
  async close(): Promise<void> {
    const { handle } = this;
    this.handle = null;
    this.size = 0;
    await handle?.close();
  }
}

type Known = { of: Map<string, Seal>; whole: boolean };

function learn({ of }: Known, { planId, seal }: Entry): void {
  if (seal) of.set(planId, seal);
  else of.delete(planId);
}

export type JournalSpan = {
  lineage: string;
  /** number of its oldest and its newest change */
  first: number;
  last: number;
  /** whether it begins with a folder in which there were no plans, as far as it says */
  fromNothing: boolean;
  /** whether it says of every plan what that is like at its end */
  sealed: boolean;
};

/** What a journal begins and ends with, without changing anything in it; null where there is none. */
export async function journalOf(folder: string): Promise<JournalSpan | null> {
  const segments = segmentsIn(folder);
  for (const last of [...segments].reverse()) {
    const { head, newest, known } = await read(last);
    if (!head) continue;
    const first = segments[0]!.first;
    // what a first change follows on is nothing, unless the file says which plans there were
    const began = first === 1 ? (await read(segments[0]!)).head : null;
    return {
      lineage: head.lineage,
      first,
      last: newest,
      fromNothing: first === 1 && !hasPlans(began),
      sealed: known.whole,
    };
  }
  return null;
}

const hasPlans = (head: Head | null) => Object.keys(head?.plans ?? {}).length > 0;

/** Reads a segment to its end, cutting off a last line that was never finished; no head when not even the first line was. */
async function readTail(segment: Segment): Promise<{ head: Head | null; newest: number; known: Known }> {
  const { whole, ...tail } = await read(segment);
  const { file } = segment;
  const { size } = statSync(file);
  if (tail.head && size !== whole) {
    const handle = await open(file, 'r+');
    // a whole last line without its line end was written to the end but for one byte
    if (whole > size) await handle.write('\n', size);
    else await handle.truncate(whole);
    await handle.sync();
    await handle.close();
  }
  return tail;
}

/** @returns `whole`: how many bytes of it are whole lines */
async function read({
  file,
  first,
}: Segment): Promise<{ head: Head | null; newest: number; known: Known; whole: number }> {
  let head: Head | null = null;
  const known: Known = { of: new Map(), whole: false };
  let newest = first - 1;
  let whole = 0;
  let bad = false;
  for await (const { line, end } of linesOf(file)) {
    if (bad) throw damaged(file, `cannot be read behind change ${newest}`);
    const value = parse<Batch | Head>(line);
    if (!value) bad = true;
    else {
      whole = end;
      if ('journal' in value) {
        head = value;
        for (const [id, seal] of Object.entries(head.plans ?? {})) known.of.set(id, seal);
        known.whole = head.plans !== undefined;
      } else {
        newest = value.entries.at(-1)!.n;
        for (const entry of value.entries) learn(known, entry);
      }
    }
  }
  return { head, newest, known, whole };
}
