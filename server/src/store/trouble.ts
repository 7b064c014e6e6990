import { freeBytes } from './files.ts';

/** Less free than this (bytes) and the database could stop in the middle of a write; nothing is taken on then (own assumption). */
const LEAST_FREE = 24_000_000;

/** What a database without pictures takes while one is made ready or a backup of it is unpacked and looked at, bytes (measured: 27 MB, 42 in folders
 * from before the patterns of new databases were left out, and some to grow). */
export const FOR_BACKUP = 60_000_000;

/** Trouble that is not the request’s fault and may pass: nothing was changed. Its message is for the maker. */
export class Trouble extends Error {}

const WORDS: Record<string, string> = {
  EACCES: 'may not be read or written by you. Look at its owner and rights, or name another folder with --data.',
  EPERM: 'may not be read or written by you. Look at its owner and rights, or name another folder with --data.',
  EROFS: 'is on a disk that can only be read. Name another folder with --data.',
  ENOSPC: 'is on a disk that is full. Make room there and try again; what was saved before is kept.',
  EDQUOT:
    'has used up the room you are allowed on its disk. Make room there and try again; what was saved before is kept.',
  ENOTDIR: 'lies under something that is a file, not a folder. Name another folder with --data.',
  EMFILE: 'cannot be opened: this computer has too many files open. Close something and try again.',
  EIO: 'is on a disk that fails to read or write. Copy your backups to another disk now.',
};

/** What the operating system’s refusal means, in plain words; null for any other error. */
export function diskTrouble(error: unknown, folder: string): Trouble | null {
  if (error instanceof Trouble) return error;
  const { code } = error as NodeJS.ErrnoException;
  return code && WORDS[code] ? new Trouble(`The data folder ${folder} ${WORDS[code]}`) : null;
}

/** @throws Trouble when so little of the disk is free that writing on could break off in the middle */
export function needRoom(folder: string, bytes = 0): void {
  const free = freeBytes(folder);
  if (free < LEAST_FREE + bytes)
    throw new Trouble(
      `The disk of the data folder ${folder} is nearly full (${Math.floor(free / 1e6)} MB free). Make room there; what was saved before is kept.`,
    );
}

/** The tables are of a later program. Its message is for the maker. */
export class FolderNewer extends Error {
  constructor(what: string) {
    super(`${what} was written by a newer Heronstone than this one. It was left untouched; start the newer one.`);
  }
}
