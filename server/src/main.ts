import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { createInterface } from 'node:readline/promises';
import { parseArgs } from 'node:util';
import { hashed, keptIn, SHORTEST } from './access/index.ts';
import { GUILD_OPTIONS } from './guild/options.ts';
import type { HouseParts } from './serve.ts';
import type { DataFolder } from './store/data-folder.ts';
import { FolderInUse, ownerOf } from './store/owner.ts';
import type { Store } from './store/store.ts';
import { diskTrouble, FolderNewer, Trouble } from './store/trouble.ts';

const root = fileURLToPath(new URL('../../', import.meta.url));
const DEFAULT_PORT = 4377;
const SAY = 'Say serve, backup, restore FILE or restore --mend';

// what is kept here is the maker’s own: nobody else on this computer reads it
process.umask(0o077);
try {
  const { positionals, values } = arguments_();
  const [what = 'serve', file] = positionals;
  const folder = resolve(values.data ?? process.env.HERONSTONE_DATA ?? join(root, 'data'));
  const guild = process.env.DATABASE_URL;
  if (what === 'serve' && guild && !values.demo) {
    const { serveGuildUntilStopped } = await import('./guild/serve-until-stopped.ts');
    const { startTrouble } = await import('./guild/trouble.ts');
    await serveGuildUntilStopped(guild, portOf(values.port), values).catch((error: unknown) => {
      throw startTrouble(error, guild) ?? error;
    });
  } else if (what === 'serve') await serveUntilStopped(folder, portOf(values.port), values);
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
        lan: { type: 'boolean' },
        'lan-port': { type: 'string' },
        'new-passphrase': { type: 'boolean' },
        cert: { type: 'string' },
        key: { type: 'string' },
        ...GUILD_OPTIONS,
      },
    });
  } catch (error) {
    throw new Trouble(
      `${(error as Error).message.split('\n')[0]!} ${SAY}; --port N, --data FOLDER, --demo, --lan [--lan-port N] [--new-passphrase] [--cert FILE --key FILE]; with DATABASE_URL set: --host ADDRESS, --origin URL, --trust-proxy N, --ops-port N.`,
    );
  }
}

function portOf(said: string | undefined, usual = process.env.PORT ?? String(DEFAULT_PORT)): number {
  const text = said ?? usual;
  const port = Number(text);
  if (text.trim() === '' || !Number.isInteger(port) || port < 0 || port > 65535)
    throw new Trouble(`The port is a whole number from 0 to 65535, not “${text}”.`);
  return port;
}

type Values = ReturnType<typeof arguments_>['values'];

async function serveUntilStopped(folder: string, port: number, values: Values): Promise<void> {
  const throwAway = values.demo ? mkdtempSync(join(tmpdir(), 'heronstone-demo-')) : null;
  const house = await houseOf(throwAway ?? folder, port, values);
  const { serve } = await import('./serve.ts');
  const running = await serve({ dataFolder: throwAway ?? folder, port, house });
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
  if (running.housePort !== null) await sayWhereInTheHouse(running.addresses, house?.tls !== undefined);
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

/** How the house gets in, as the maker has said; undefined: not at all. */
async function houseOf(folder: string, port: number, values: Values): Promise<HouseParts | undefined> {
  const { lan, cert, key } = values;
  for (const flag of ['cert', 'key', 'lan-port', 'new-passphrase'] as const)
    if (!lan && values[flag] !== undefined) throw new Trouble(`--${flag} goes with --lan.`);
  if (!lan) return undefined;
  if ((cert === undefined) !== (key === undefined))
    throw new Trouble('A certificate needs its key: --cert FILE --key FILE.');
  const file = (path: string) => {
    try {
      return readFileSync(resolve(process.env.INIT_CWD ?? '.', path));
    } catch (error) {
      throw new Trouble(`${path} cannot be read (${(error as NodeJS.ErrnoException).code}).`);
    }
  };
  const tls = cert !== undefined && key !== undefined ? { cert: file(cert), key: file(key) } : undefined;
  const known = values['new-passphrase'] ? null : keptIn(folder);
  const said = process.env.HERONSTONE_PASSPHRASE;
  if (said === undefined && known) return { passphrase: known, tls, port: lanPort(port, values) };
  const passphrase = await hashed(said ?? (await askPassphrase()));
  return { passphrase, isNew: true, tls, port: lanPort(port, values) };
}

/** Beside the machine’s own port. */
function lanPort(port: number, values: Values): number {
  return portOf(values['lan-port'], port === 0 ? '0' : String(port + 1));
}

async function askPassphrase(): Promise<string> {
  if (!process.stdin.isTTY)
    throw new Trouble(
      '--lan needs a passphrase: start it in a terminal, which asks for one, or set HERONSTONE_PASSPHRASE.',
    );
  const ask = createInterface({ input: process.stdin, output: process.stdout });
  try {
    return await ask.question(`A passphrase for the house (at least ${SHORTEST} letters; it shows as you type): `);
  } finally {
    ask.close();
  }
}

async function sayWhereInTheHouse(addresses: readonly string[], secure: boolean): Promise<void> {
  const [first] = addresses;
  if (first === undefined) return console.log('This machine has no address in any network now.');
  console.log(`In the house: ${addresses.join('  ')}`);
  const { toString } = await import('qrcode');
  console.log(await toString(first, { type: 'terminal', small: true }));
  if (!secure)
    console.log(
      'Over plain HTTP the passphrase and the plans can be read by others in this network. A certificate of your own hides them: --cert FILE --key FILE.',
    );
}

async function addDemoPlans(store: Store): Promise<void> {
  const { importPlan } = await import('@heronstone/core/formats');
  const folder = join(root, 'demo', 'plans');
  for (const name of readdirSync(folder).sort().reverse()) {
    const read = importPlan(readFileSync(join(folder, name), 'utf8'), 'demo');
    if (!read.ok) throw new Error(`${name}: ${read.reason}`);
    await store.add({ plan: read.plan });
  }
}

/** The store is fetched only where it is needed: what was said wrongly is answered at once. */
async function opened(path: string): Promise<DataFolder> {
  return (await import('./store/data-folder.ts')).DataFolder.open(path);
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
  const folder = await opened(path);
  try {
    console.log(await folder.backUp('by-hand', file));
  } finally {
    await folder.close();
  }
}

async function restoreNow(path: string, file: string | undefined, mend: boolean): Promise<void> {
  if (!file && !mend)
    throw new Trouble('Say which backup: npm run restore -- FILE; or --mend for the newest one and all changes since.');
  const folder = await opened(path);
  try {
    const aside = mend ? await folder.mend() : await folder.restore(resolve(process.env.INIT_CWD ?? '.', file!));
    if (folder.broken)
      throw new Trouble(`Put back, but it does not open: ${folder.broken}. The former data is in ${aside}.`);
    console.log(`Restored. What was there before is kept in ${aside}.`);
  } finally {
    await folder.close();
  }
}
