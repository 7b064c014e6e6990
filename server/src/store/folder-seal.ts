import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { syncFile, syncFolder, writeSynced } from './files.ts';

const WORD = 'heronstone-closed.json';

/** Files of a folder, at any depth, in an order that does not depend on the disk; the word about them is not one of them. */
function* filesOf(folder: string, below = ''): Generator<string> {
  for (const entry of readdirSync(join(folder, below), { withFileTypes: true }).sort((a, b) =>
    a.name < b.name ? -1 : 1,
  )) {
    const path = join(below, entry.name);
    if (entry.isDirectory()) yield* filesOf(folder, path);
    else if (path !== WORD) yield path;
  }
}

function foldersOf(folder: string): string[] {
  const inner = readdirSync(folder, { withFileTypes: true }).filter((entry) => entry.isDirectory());
  return [...inner.flatMap((entry) => foldersOf(join(folder, entry.name))), folder];
}

/** A quick sum: it tells files of two times apart, it need not withstand anybody. */
function sumOf(folder: string): string {
  const hash = createHash('sha1');
  for (const path of filesOf(folder)) {
    const bytes = readFileSync(join(folder, path));
    hash.update(`${path} ${bytes.length}\n`).update(bytes);
  }
  return hash.digest('hex');
}

/** Makes a database that was closed durable, file by file, and says in it what it is: a power cut cannot take back any of it unseen. */
export function sealFolder(folder: string): void {
  for (const path of filesOf(folder)) syncFile(join(folder, path));
  for (const inner of foldersOf(folder)) syncFolder(inner);
  writeSynced(join(folder, WORD), `${JSON.stringify({ sum: sumOf(folder) })}\n`);
}

/** Whether a database is, to the byte, what it was when it was closed. */
export function isSealed(folder: string): boolean {
  const word = join(folder, WORD);
  if (!existsSync(word)) return false;
  try {
    return (JSON.parse(readFileSync(word, 'utf8')) as { sum?: unknown }).sum === sumOf(folder);
  } catch {
    return false;
  }
}

/** To be called before the database is opened: what is said of it does not hold any more then. */
export function unsealFolder(folder: string): void {
  const word = join(folder, WORD);
  if (!existsSync(word)) return;
  rmSync(word);
  syncFolder(folder);
}

/** Bytes that a folder takes. */
export function bytesOf(folder: string): number {
  let bytes = 0;
  for (const path of filesOf(folder)) bytes += statSync(join(folder, path)).size;
  return bytes;
}
