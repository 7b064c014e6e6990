import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { parseArgs } from 'node:util';
import { importPlan } from '@heronstone/core/formats';
import { serve } from './serve.ts';
import { backUp, databaseFolder, restore } from './store/backup.ts';
import { openDatabase } from './store/database.ts';
import { FolderInUse, ownerOf, takeFolder } from './store/lock.ts';

const root = fileURLToPath(new URL('../../', import.meta.url));
const DEFAULT_PORT = 4377;

const { positionals, values } = parseArgs({
  allowPositionals: true,
  options: { demo: { type: 'boolean' }, port: { type: 'string' }, data: { type: 'string' } },
});
const [what = 'serve', file] = positionals;

try {
  if (what === 'serve') await serveUntilStopped();
  else if (what === 'backup') await backupNow();
  else if (what === 'restore') await restoreNow();
  else throw new Error(`Say serve, backup or restore, not “${what}”.`);
} catch (error) {
  const taken = (error as NodeJS.ErrnoException).code === 'EADDRINUSE';
  console.error(
    taken ? 'The port is taken. Stop what runs there, or say another: --port 4400.' : (error as Error).message,
  );
  process.exit(1);
}

function dataFolder(): string {
  return resolve(values.data ?? process.env.HERONSTONE_DATA ?? join(root, 'data'));
}

async function serveUntilStopped(): Promise<void> {
  const port = Number(values.port ?? process.env.PORT ?? DEFAULT_PORT);
  if (!Number.isInteger(port) || port < 0 || port > 65535)
    throw new Error(`--port takes a whole number up to 65535, not “${values.port}”.`);
  const throwAway = values.demo ? mkdtempSync(join(tmpdir(), 'heronstone-demo-')) : null;
  const running = await serve({ dataFolder: throwAway ?? dataFolder(), port });
  if (throwAway) await addDemoPlans(running.store);
  console.log(
    `Heronstone is at http://127.0.0.1:${running.port}/${throwAway ? '  (demo plans; what you change is thrown away at the end)' : ''}`,
  );
  let stopping = false;
  const stop = () => {
    if (stopping) return;
    stopping = true;
    void running.close().then(() => {
      if (throwAway) rmSync(throwAway, { recursive: true, force: true });
      process.exit(0);
    });
  };
  process.on('SIGINT', stop);
  process.on('SIGTERM', stop);
}

async function addDemoPlans(store: Awaited<ReturnType<typeof serve>>['store']): Promise<void> {
  const folder = join(root, 'demo', 'plans');
  for (const name of readdirSync(folder).sort().reverse()) {
    const read = importPlan(readFileSync(join(folder, name), 'utf8'), 'demo');
    if (!read.ok) throw new Error(`${name}: ${read.reason}`);
    await store.add({ plan: read.plan });
  }
}

/** Asks the server that owns the folder for a backup, or makes it itself when nobody does. */
async function backupNow(): Promise<void> {
  const folder = dataFolder();
  const owner = ownerOf(folder);
  if (owner?.port !== undefined) {
    if (file)
      throw new Error('While the server runs, backups go to the backups folder of the data folder; name no file.');
    const answer = await fetch(`http://127.0.0.1:${owner.port}/api/backup`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: '{}',
    });
    if (!answer.ok) throw new Error('The running server could not make a backup.');
    console.log(((await answer.json()) as { file: string }).file);
    return;
  }
  if (owner) throw new FolderInUse(folder, owner);
  const letGo = takeFolder(folder);
  try {
    const db = await openDatabase(databaseFolder(folder), async () => undefined);
    console.log(await backUp(db, folder, '', file && resolve(process.env.INIT_CWD ?? '.', file)));
    await db.close();
  } finally {
    letGo();
  }
}

async function restoreNow(): Promise<void> {
  if (!file) throw new Error('Say which backup: npm run restore -- FILE');
  const aside = await restore(dataFolder(), resolve(process.env.INIT_CWD ?? '.', file));
  console.log(`Restored.${aside ? ` What was there before is kept in ${aside}.` : ''}`);
}
