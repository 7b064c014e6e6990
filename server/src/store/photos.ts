import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { makeFolder, syncFolder, writeSynced } from './files.ts';
import { pointsOnly } from './jpeg.ts';
import { type Queries } from './queries.ts';
import { FOR_BACKUP, needRoom } from './trouble.ts';

/** A picture is at most so large, bytes: the browser shrinks it to far less. */
export const MOST_BYTES = 700_000;

export type PhotoRead = { ok: true; hash: string } | { ok: false; reason: string };

export const hashOf = (bytes: Uint8Array): string => createHash('sha256').update(bytes).digest('hex');

/** Pictures of a data folder, each a file under the SHA-256 of what is in it. */
export class Photos {
  private readonly folder: string;
  constructor(private readonly dataFolder: string) {
    this.folder = join(dataFolder, 'photos');
  }

  private file(hash: string): string {
    return join(this.folder, `${hash}.jpg`);
  }
  /** Says that a picture was deleted, so that an older backup does not bring it back. */
  private gone(hash: string): string {
    return join(this.folder, `${hash}.gone`);
  }

  /**
   * Keeps the points of a picture, synced; what else it carried is left behind.
   * @returns the hash it is found under, or why it is not kept
   * @throws Trouble when that would eat what is left of the disk
   */
  keep(sent: Uint8Array): PhotoRead {
    const read = keepable(sent);
    if (!read.ok) return read;
    const { bytes } = read;
    const hash = hashOf(bytes);
    // one that is damaged on the disk is written anew
    if (!this.isWhole(hash)) {
      makeFolder(this.folder);
      // once here; and a backup must still be possible, in which all of them stand twice while it is made
      needRoom(this.dataFolder, FOR_BACKUP + 3 * (this.bytes() + bytes.length));
      writeSynced(this.file(hash), bytes);
    }
    rmSync(this.gone(hash), { force: true });
    return { ok: true, hash };
  }

  /** A picture; null when there is none of that hash, or what lies there is damaged. */
  read(hash: string): Buffer | null {
    if (!/^[0-9a-f]{64}$/.test(hash) || !existsSync(this.file(hash))) return null;
    const bytes = readFileSync(this.file(hash));
    return hashOf(bytes) === hash ? bytes : null;
  }

  private isWhole(hash: string): boolean {
    return this.read(hash) !== null;
  }

  /** The pictures there are, with the bytes each takes and since when it lies there, ms. */
  list(): { hash: string; bytes: number; since: number }[] {
    return existsSync(this.folder)
      ? readdirSync(this.folder).flatMap((name) => {
          const hash = /^([0-9a-f]{64})\.jpg$/.exec(name)?.[1];
          if (!hash) return [];
          const { size, mtimeMs } = statSync(join(this.folder, name));
          return [{ hash, bytes: size, since: mtimeMs }];
        })
      : [];
  }

  /** Bytes that all of them take. */
  bytes(): number {
    return this.list().reduce((sum, { bytes }) => sum + bytes, 0);
  }

  /** Takes pictures away as if they had never been kept. */
  forget(hashes: readonly string[]): void {
    for (const hash of hashes) rmSync(this.file(hash), { force: true });
  }

  /** Deletes pictures for good, out of the tables too; an older backup that is put back does not bring them back. */
  async delete(db: Queries, hashes: readonly string[]): Promise<void> {
    await db.query('DELETE FROM photos WHERE hash = ANY($1)', [hashes]);
    for (const hash of hashes) writeSynced(this.gone(hash), '');
    this.forget(hashes);
    if (hashes.length > 0) syncFolder(this.folder);
  }

  /** Before a backup: what lies beside the database is put into it. Tables that know no pictures yet are left alone. */
  async intoTables(db: Queries): Promise<void> {
    if (!(await hasTable(db))) return;
    const there = new Set((await db.query('SELECT hash FROM photos')).map((r) => r.hash as string));
    for (const { hash } of this.list()) {
      const bytes = there.has(hash) ? null : this.read(hash);
      if (bytes) await db.query('INSERT INTO photos (hash, bytes) VALUES ($1, $2)', [hash, bytes]);
    }
  }

  /** After a backup was put back: what is in the tables and not, or not whole, beside the database is written there. */
  async fromTables(db: Queries): Promise<void> {
    for (const row of await db.query('SELECT hash FROM photos')) {
      const hash = row.hash as string;
      if (existsSync(this.gone(hash)) || this.isWhole(hash)) continue;
      const [photo] = await db.query('SELECT bytes FROM photos WHERE hash = $1', [hash]);
      makeFolder(this.folder);
      writeSynced(this.file(hash), photo!.bytes as Uint8Array);
    }
  }
}

/** What would be kept of a picture: its points alone; or why it would not be. */
export function keepable(bytes: Uint8Array): ReturnType<typeof pointsOnly> {
  if (bytes.length > MOST_BYTES)
    return {
      ok: false,
      reason: `A picture may have ${MOST_BYTES / 1000} kB; this one has ${Math.ceil(bytes.length / 1000)}.`,
    };
  return pointsOnly(bytes);
}

async function hasTable(db: Queries): Promise<boolean> {
  const [row] = await db.query(`SELECT to_regclass('photos') IS NOT NULL AS has`);
  return row?.has === true;
}
