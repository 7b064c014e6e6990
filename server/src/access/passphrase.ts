import { randomBytes, scrypt, timingSafeEqual } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { z } from 'zod';
import { writeSynced } from '../store/files.ts';
import { Trouble } from '../store/trouble.ts';

/** Work of scrypt: 32 MB and about a tenth of a second a guess (OWASP Password Storage Cheat Sheet, from memory: N = 2^15, r = 8, p = 3 or more work). */
const COST = { N: 2 ** 15, r: 8, p: 3, maxmem: 64 * 2 ** 20 };
/** Shorter ones are guessed too soon (own assumption; four common words are longer). */
export const SHORTEST = 10;

const Kept = z.strictObject({ salt: z.string(), hash: z.string() });
export type KeptPassphrase = z.infer<typeof Kept>;
const FILE = 'passphrase.json';

function derived(passphrase: string, salt: Buffer): Promise<Buffer> {
  return new Promise((resolve, reject) =>
    scrypt(passphrase.normalize('NFC'), salt, 32, COST, (error, key) => (error ? reject(error) : resolve(key))),
  );
}

/**
 * What is kept of a passphrase: enough to recognise it, not to read it.
 * @throws Trouble when it is too short
 */
export async function hashed(passphrase: string): Promise<KeptPassphrase> {
  if ([...passphrase.trim()].length < SHORTEST)
    throw new Trouble(
      `A passphrase has at least ${SHORTEST} letters; four words that do not belong together are good.`,
    );
  const salt = randomBytes(16);
  return { salt: salt.toString('base64'), hash: (await derived(passphrase.trim(), salt)).toString('base64') };
}

/** Whether a passphrase is the one kept; takes equally long for every wrong one. */
export async function isPassphrase(said: string, kept: KeptPassphrase): Promise<boolean> {
  return timingSafeEqual(
    await derived(said.trim(), Buffer.from(kept.salt, 'base64')),
    Buffer.from(kept.hash, 'base64'),
  );
}

/** The passphrase kept in a data folder; null when none was ever set. */
export function keptIn(folder: string): KeptPassphrase | null {
  const file = join(folder, FILE);
  if (!existsSync(file)) return null;
  try {
    return Kept.parse(JSON.parse(readFileSync(file, 'utf8')));
  } catch {
    throw new Trouble(`${file} is damaged. Remove it and set a passphrase again.`);
  }
}

/** Keeps a passphrase with the data (its hash, not itself). */
export function keepIn(folder: string, kept: KeptPassphrase): void {
  writeSynced(join(folder, FILE), `${JSON.stringify(kept)}\n`);
}
