import { closeSync, mkdirSync, openSync, readFileSync, rmSync, writeSync } from 'node:fs';
import { join } from 'node:path';

export type Owner = { pid: number; started: string; port?: number };

export class FolderInUse extends Error {
  constructor(
    readonly folder: string,
    readonly owner: Owner,
  ) {
    super(`The data folder ${folder} is in use by process ${owner.pid}. Stop that one first, or use its window.`);
  }
}

/**
 * When a process began, in kernel ticks, so that a reused pid is not taken for the owner; “dead” for one that ended but was
 * not yet collected by its parent, empty where the system does not tell.
 */
function startOf(pid: number): string {
  try {
    const stat = readFileSync(`/proc/${pid}/stat`, 'utf8');
    const fields = stat.slice(stat.lastIndexOf(')') + 2).split(' ');
    return fields[0] === 'Z' || fields[0] === 'X' ? 'dead' : (fields[19] ?? '');
  } catch {
    return '';
  }
}

function isAlive({ pid, started }: Owner): boolean {
  try {
    process.kill(pid, 0);
  } catch (error) {
    return (error as NodeJS.ErrnoException).code === 'EPERM';
  }
  const now = startOf(pid);
  return now !== 'dead' && (started === '' || now === started);
}

const fileOf = (folder: string) => join(folder, 'owner.json');

/** Who owns a data folder now, if that process still lives. */
export function ownerOf(folder: string): Owner | null {
  try {
    const owner = JSON.parse(readFileSync(fileOf(folder), 'utf8')) as Owner;
    return typeof owner.pid === 'number' && isAlive(owner) ? owner : null;
  } catch {
    return null;
  }
}

/**
 * Takes a data folder for this process; a lock left by a process that died is recognised and replaced.
 * @returns lets the folder go
 * @throws FolderInUse when a living process owns it
 */
export function takeFolder(folder: string, port?: number): () => void {
  mkdirSync(folder, { recursive: true });
  const file = fileOf(folder);
  const mine: Owner = { pid: process.pid, started: startOf(process.pid), ...(port === undefined ? {} : { port }) };
  for (let tries = 0; ; tries++) {
    try {
      const fd = openSync(file, 'wx', 0o600);
      writeSync(fd, JSON.stringify(mine));
      closeSync(fd);
      return () => rmSync(file, { force: true });
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code !== 'EEXIST' || tries > 3) throw error;
      const owner = ownerOf(folder);
      if (owner) throw new FolderInUse(folder, owner);
      rmSync(file, { force: true });
    }
  }
}
