import { existsSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { makeFolder } from '../store/files.ts';
import { dirname, join } from 'node:path';

const PAGE = 8192;

function filesIn(folder: string, below = ''): string[] {
  return readdirSync(join(folder, below), { withFileTypes: true }).flatMap((entry) =>
    entry.isDirectory() ? filesIn(folder, join(below, entry.name)) : [join(below, entry.name)],
  );
}

/**
 * Lays a database out as a power cut may leave one that was never synced: of what changed between two times some files are the old ones, some the
 * new ones, and some have pages of both; what is new may be missing.
 * @param next a random number from 0 to 1
 */
export function mixed(older: string, newer: string, into: string, next: () => number): void {
  rmSync(into, { recursive: true, force: true });
  for (const path of new Set([...filesIn(older), ...filesIn(newer)])) {
    const [before, after] = [older, newer].map((folder) =>
      existsSync(join(folder, path)) ? readFileSync(join(folder, path)) : null,
    );
    const bytes = !before || !after ? (next() < 0.5 ? before : after) : oneOf(before, after, next);
    if (!bytes) continue;
    makeFolder(dirname(join(into, path)));
    writeFileSync(join(into, path), bytes);
  }
  // folders without files are needed as well
  for (const name of foldersIn(newer)) makeFolder(join(into, name));
}

/** The folder as it is found when the machine was switched off and on again since. */
export function afterReboot(dataFolder: string): void {
  for (const name of readdirSync(dataFolder))
    if (/^owner\.\d+\.json$/.test(name)) {
      const file = join(dataFolder, name);
      const owner = JSON.parse(readFileSync(file, 'utf8')) as object;
      writeFileSync(file, JSON.stringify({ ...owner, space: 'a-boot-before', released: true }));
    }
}

function oneOf(before: Buffer, after: Buffer, next: () => number): Buffer {
  const dice = next();
  if (before.equals(after) || dice < 0.4) return after;
  if (dice < 0.7) return before;
  const bytes = Buffer.from(after);
  for (let at = 0; at < Math.min(before.length, after.length); at += PAGE)
    if (next() < 0.5) before.copy(bytes, at, at, Math.min(at + PAGE, before.length, after.length));
  return bytes;
}

function foldersIn(folder: string, below = ''): string[] {
  return readdirSync(join(folder, below), { withFileTypes: true }).flatMap((entry) =>
    entry.isDirectory() ? [join(below, entry.name), ...foldersIn(folder, join(below, entry.name))] : [],
  );
}
