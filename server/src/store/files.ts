import {
  chmodSync,
  closeSync,
  existsSync,
  fsyncSync,
  lstatSync,
  mkdirSync,
  openSync,
  readdirSync,
  renameSync,
  rmSync,
  statfsSync,
  writeSync,
} from 'node:fs';
import { dirname, join } from 'node:path';

/** Makes what a folder lists durable: after a file was made, renamed or removed in it. */
export function syncFolder(folder: string): void {
  let fd: number | undefined;
  try {
    fd = openSync(folder, 'r');
    fsyncSync(fd);
  } catch (error) {
    // some systems do not sync folders; there is nothing more one can do then
    if (!['EISDIR', 'EPERM', 'EINVAL', 'ENOTSUP'].includes((error as NodeJS.ErrnoException).code ?? '')) throw error;
  } finally {
    if (fd !== undefined) closeSync(fd);
  }
}

/** Makes what is in a file durable. */
export function syncFile(file: string): void {
  const fd = openSync(file, 'r+');
  try {
    fsyncSync(fd);
  } finally {
    closeSync(fd);
  }
}

/** Writes a file that is there whole and durable, or not at all. */
export function writeSynced(file: string, data: string | Uint8Array): void {
  makeFolder(dirname(file));
  const part = `${file}.part`;
  try {
    const fd = openSync(part, 'w', 0o600);
    try {
      const bytes = typeof data === 'string' ? Buffer.from(data) : data;
      for (let at = 0; at < bytes.length;) at += writeSync(fd, bytes, at);
      fsyncSync(fd);
    } finally {
      closeSync(fd);
    }
    renameSync(part, file);
  } catch (error) {
    rmSync(part, { force: true });
    throw error;
  }
  syncFolder(dirname(file));
}

/** Makes a folder, with those above it, that only its owner may look into. */
export function makeFolder(folder: string): void {
  mkdirSync(folder, { recursive: true, mode: 0o700 });
}

/** Takes everybody else’s rights off a folder and all in it: folders 700, files 600. */
export function makePrivate(path: string): void {
  const stat = lstatSync(path);
  if (stat.isSymbolicLink()) return;
  const wanted = stat.isDirectory() ? 0o700 : 0o600;
  if ((stat.mode & 0o077) !== 0) chmodSync(path, wanted);
  if (stat.isDirectory()) for (const name of readdirSync(path)) makePrivate(join(path, name));
}

/** Bytes still free on the disk of a folder; Infinity where the system does not tell. */
export function freeBytes(folder: string): number {
  try {
    const { bavail, bsize } = statfsSync(existsSync(folder) ? folder : dirname(folder));
    return bavail * bsize;
  } catch {
    return Infinity;
  }
}
