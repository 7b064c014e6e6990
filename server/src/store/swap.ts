import { existsSync, readFileSync, renameSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { makeFolder, syncFolder, writeSynced } from './files.ts';

export const databaseFolder = (dataFolder: string) => join(dataFolder, 'database');
export const journalFolder = (dataFolder: string) => join(dataFolder, 'journal');
/** Where a database that is to take the place of the present one is made ready. */
export const freshFolder = (dataFolder: string) => join(dataFolder, 'database.restoring');

type Intent = { aside: string; parts: string[] };
const intentFile = (dataFolder: string) => join(dataFolder, 'restoring.json');

/**
 * Puts the database made ready in `freshFolder` in the place of the present one. What was there is kept beside it. The intent is written
 * first, so that {@link finishSwap} ends what a crash broke off.
 * @param parts what to lay aside: the database, and the journal where that does not go with the new one
 * @returns the folder where the former data lies now
 */
export function swapIn(dataFolder: string, parts: ('database' | 'journal')[]): string {
  const aside = join('kept', `${new Date().toISOString().replace(/[:.]/g, '-')}-before-restore`);
  writeSynced(intentFile(dataFolder), JSON.stringify({ aside, parts } satisfies Intent));
  finishSwap(dataFolder);
  return join(dataFolder, aside);
}

/** Where a database lies that is not needed any more, until it is removed. */
const REPLACED = 'database.replaced';

/** Puts the database made ready in `freshFolder` in the place of the present one, if there is one; that was of no more use and is not kept. */
export function replaceWithFresh(dataFolder: string): void {
  writeSynced(intentFile(dataFolder), JSON.stringify({ aside: REPLACED, parts: ['database'] } satisfies Intent));
  finishSwap(dataFolder);
}

/** Ends a swap that was begun; nothing to do where none was. */
export function finishSwap(dataFolder: string): void {
  const intent = intentFile(dataFolder);
  if (existsSync(intent)) {
    const { aside, parts } = JSON.parse(readFileSync(intent, 'utf8')) as Intent;
    const fresh = freshFolder(dataFolder);
    if (existsSync(fresh)) {
      const kept = join(dataFolder, aside);
      makeFolder(kept);
      for (const part of parts) {
        const from = join(dataFolder, part);
        if (existsSync(from) && !existsSync(join(kept, part))) renameSync(from, join(kept, part));
      }
      syncFolder(kept);
      renameSync(fresh, databaseFolder(dataFolder));
      syncFolder(dataFolder);
    }
    rmSync(intent);
    syncFolder(dataFolder);
  } else rmSync(freshFolder(dataFolder), { recursive: true, force: true });
  rmSync(join(dataFolder, REPLACED), { recursive: true, force: true });
}
