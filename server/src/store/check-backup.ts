import { spawn } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { basename, join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';
import { openDatabase, readThrough } from './database.ts';
import { readPlan } from './rows.ts';

/**
 * Opens a backup in memory and reads every table and every plan of it.
 * @throws when it is no backup, or damaged
 */
export async function checkBackup(file: string): Promise<void> {
  const db = await openDatabase('memory://', async () => undefined, readFileSync(file));
  try {
    await readThrough(db);
    for (const { id } of await db.query('SELECT id FROM plans')) await readPlan(db, id as string);
  } finally {
    await db.close();
  }
}

const ROOT = fileURLToPath(new URL('../../../', import.meta.url));

/** Checks a backup in a process of its own, so that the server goes on answering meanwhile. */
export function checkInChild(file: string): Promise<void> {
  const loader = pathToFileURL(join(ROOT, 'node_modules/tsx/dist/loader.mjs')).href;
  const child = spawn(process.execPath, ['--import', loader, join(ROOT, 'server/src/check-backup.ts'), file], {
    env: { ...process.env, NODE_OPTIONS: '' },
    stdio: ['ignore', 'ignore', 'pipe'],
  });
  let said = '';
  child.stderr.on('data', (chunk: Buffer) => (said += chunk.toString()));
  return new Promise((done, fail) => {
    child.once('error', fail);
    child.once('exit', (code) =>
      code === 0
        ? done()
        : fail(new Error(`The backup ${basename(file)} does not open again, so it was removed: ${said.trim()}`)),
    );
  });
}
