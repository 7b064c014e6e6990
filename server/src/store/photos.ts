import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { makeFolder, writeSynced } from './files.ts';
import { type Queries } from './queries.ts';

/** A picture is at most so large, bytes: the browser shrinks it to far less. */
export const MOST_BYTES = 700_000;

export type PhotoRead = { ok: true; hash: string } | { ok: false; reason: string };

/** Pictures of a data folder, each a file under the SHA-256 of what is in it. What is once there stays. */
export class Photos {
  private readonly folder: string;
  constructor(dataFolder: string) {
    this.folder = join(dataFolder, 'photos');
  }

  private file(hash: string): string {
    return join(this.folder, `${hash}.jpg`);
  }

  /** Keeps a picture, synced. Refused is what is no JPEG, what is too large, and what still says where or with what it was taken. */
  keep(bytes: Uint8Array): PhotoRead {
    const trouble = photoTrouble(bytes);
    if (trouble) return { ok: false, reason: trouble };
    const hash = createHash('sha256').update(bytes).digest('hex');
    if (!existsSync(this.file(hash))) {
      makeFolder(this.folder);
      writeSynced(this.file(hash), bytes);
    }
    return { ok: true, hash };
  }

  /** A picture; null when there is none of that hash. */
  read(hash: string): Buffer | null {
    return /^[0-9a-f]{64}$/.test(hash) && existsSync(this.file(hash)) ? readFileSync(this.file(hash)) : null;
  }

  private hashes(): string[] {
    return existsSync(this.folder)
      ? readdirSync(this.folder).flatMap((name) => /^([0-9a-f]{64})\.jpg$/.exec(name)?.[1] ?? [])
      : [];
  }

  /** Before a backup: what lies beside the database is put into it. Tables that know no pictures yet are left alone. */
  async intoTables(db: Queries): Promise<void> {
    if (!(await hasTable(db))) return;
    const there = new Set((await db.query('SELECT hash FROM photos')).map((r) => r.hash as string));
    for (const hash of this.hashes())
      if (!there.has(hash)) await db.query('INSERT INTO photos (hash, bytes) VALUES ($1, $2)', [hash, this.read(hash)]);
  }

  /** After a backup was put back: what is in the tables and not beside the database is written there. */
  async fromTables(db: Queries): Promise<void> {
    for (const { hash } of await db.query('SELECT hash FROM photos')) {
      if (existsSync(this.file(hash as string))) continue;
      const [row] = await db.query('SELECT bytes FROM photos WHERE hash = $1', [hash]);
      makeFolder(this.folder);
      writeSynced(this.file(hash as string), row!.bytes as Uint8Array);
    }
  }
}

async function hasTable(db: Queries): Promise<boolean> {
  const [row] = await db.query(`SELECT to_regclass('photos') IS NOT NULL AS has`);
  return row?.has === true;
}

/**
 * Why a file is not kept as a picture; null when it is. Of the parts of a JPEG (ITU-T T.81, from memory) those that carry where, when and with what it was taken
 * (APP1 to APP13, APP15, comments; not the colour profile in APP2) are not let in.
 */
export function photoTrouble(bytes: Uint8Array): string | null {
  if (bytes.length > MOST_BYTES)
    return `A picture may have ${MOST_BYTES / 1000} kB; this one has ${Math.ceil(bytes.length / 1000)}.`;
  if (bytes[0] !== 0xff || bytes[1] !== 0xd8) return 'This is not a JPEG picture.';
  let at = 2;
  while (at + 4 <= bytes.length) {
    if (bytes[at] !== 0xff) return 'This JPEG is damaged.';
    const marker = bytes[at + 1]!;
    // from the start of scan on there are only pixels
    if (marker === 0xda) return null;
    // a colour profile, which browsers add to what they draw, says nothing of the kind
    const profile =
      marker === 0xe2 && Buffer.from(bytes.subarray(at + 4, at + 15)).toString('latin1') === 'ICC_PROFILE';
    const app = marker >= 0xe1 && marker <= 0xef && marker !== 0xee && !profile;
    if (app || marker === 0xfe) return 'This picture still carries data of where, when or with what it was taken.';
    at += 2 + ((bytes[at + 2]! << 8) | bytes[at + 3]!);
  }
  return 'This JPEG is damaged.';
}
