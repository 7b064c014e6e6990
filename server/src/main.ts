import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { parseArgs } from 'node:util';
import { importPlan } from '@heronstone/core/formats';
import { serve } from './serve.ts';
import { DataFolder } from './store/data-folder.ts';
import { FolderNewer } from './store/database.ts';
import { FolderInUse, ownerOf } from './store/owner.ts';
import { type PlanStore } from './store/plan-store.ts';
import { diskTrouble, Trouble } from './store/trouble.ts';

const root = fileURLToPath(new URL('../../', import.meta.url));
const DEFAULT_PORT = 4377;
const SAY = 'Say serve, backup, restore FILE or restore --mend';

// what is kept here is the maker’s own: nobody else on this computer reads it
process.umask(0o077);
try {
  const { positionals, values } = arguments_();
  const [what = 'serve', file] = positionals;
  const folder = resolve(values.data ?? process.env.HERONSTONE_DATA ?? join(root, 'data'));
  if (what === 'serve') await serveUntilStopped(folder, portOf(values.port), values.demo === true);
  else if (what === 'backup') await backupNow(folder, file && resolve(process.env.INIT_CWD ?? '.', file));
  else if (what === 'restore') await restoreNow(folder, file, values.mend === true);
  else throw new Trouble(`${SAY}, not “${what}”.`);
} catch (error) {
  const plain = error instanceof Trouble || error instanceof FolderInUse || error instanceof FolderNewer;
  const words = plain ? error.message : (diskTrouble(error, 'asked for')?.message ?? (error as Error).stack);
  console.error(words);
  process.exit(1);
}

function arguments_() {
  try {
    return parseArgs({
      allowPositionals: true,
      options: {
        demo: { type: 'boolean' },
        port: { type: 'string' },
        data: { type: 'string' },
        mend: { type: 'boolean' },
      },
    });
  } catch (error) {
    throw new Trouble(`${(error as Error).message.split('\n')[0]!} ${SAY}; --port N, --data FOLDER, --demo.`);
  }
}

function portOf(said: string | undefined): number {
  const text = said ?? process.env.PORT ?? String(DEFAULT_PORT);
  const port = Number(text);
  if (text.trim() === '' || !Number.isInteger(port) || port < 0 || port > 65535)
    throw new Trouble(`The port is a whole number from 0 to 65535, not “${text}”.`);
  return port;
}

async function serveUntilStopped(folder: string, port: number, demo: boolean): Promise<void> {
  const throwAway = demo ? mkdtempSync(join(tmpdir(), 'heronstone-demo-')) : null;
  const running = await serve({ dataFolder: throwAway ?? folder, port });
  if (throwAway) await addDemoPlans(running.store);
  const address = `http://127.0.0.1:${running.port}/`;
  if (running.folder.broken)
    console.log(
      `The plans cannot be opened: ${running.folder.broken}. ${address} shows what can be put back; nothing is changed until you choose.`,
    );
  else
    console.log(
      `Heronstone is at ${address}${throwAway ? '  (demo plans; what you change is thrown away at the end)' : ''}`,
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

async function addDemoPlans(store: PlanStore): Promise<void> {
  const folder = join(root, 'demo', 'plans');
  for (const name of readdirSync(folder).sort().reverse()) {
    const read = importPlan(readFileSync(join(folder, name), 'utf8'), 'demo');
    if (!read.ok) throw new Error(`${name}: ${read.reason}`);
    await store.add({ plan: read.plan });
  }
}

/** Asks the server that owns the folder for a backup, or makes it itself when nobody does. */
async function backupNow(path: string, file: string | undefined): Promise<void> {
  const owner = ownerOf(path);
  if (owner?.port !== undefined) {
    const answer = await fetch(`http://127.0.0.1:${owner.port}/api/backups`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: '{}',
    }).catch(() => null);
    const said = (await answer?.json().catch(() => null)) as { file?: string; detail?: string } | null | undefined;
    if (!answer?.ok || !said?.file)
      throw new Trouble(`The running server made no backup: ${said?.detail ?? 'it does not answer.'}`);
    if (file) throw new Trouble(`While the server runs, backups go to its own folder: ${said.file}`);
    console.log(said.file);
    return;
  }
  const folder = await DataFolder.open(path);
  try {
    console.log(await folder.backUp('by-hand', file));
  } finally {
    await folder.close();
  }
}

async function restoreNow(path: string, file: string | undefined, mend: boolean): Promise<void> {
  if (!file && !mend)
    throw new Trouble('Say which backup: npm run restore -- FILE; or --mend for the newest one and all changes since.');
  const folder = await DataFolder.open(path);
  try {
    const aside = mend ? await folder.mend() : await folder.restore(resolve(process.env.INIT_CWD ?? '.', file!));
    if (folder.broken)
      throw new Trouble(`Put back, but it does not open: ${folder.broken}. The former data is in ${aside}.`);
    console.log(`Restored. What was there before is kept in ${aside}.`);
  } finally {
    await folder.close();
  }
}
