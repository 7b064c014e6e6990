import { type ChildProcess, spawn } from 'node:child_process';
import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { type Browser, type BrowserContext, chromium, type Page } from 'playwright-core';
import { chromiums } from '../../scripts/chromium.mjs';

export const root = fileURLToPath(new URL('../../', import.meta.url));

export type TestServer = {
  url: string;
  /** all it has said, for what a test looks for in it */
  said: () => string;
  folder: string;
  stop: (signal?: NodeJS.Signals) => Promise<void>;
};

/** Starts the real server on a free port (or a given one), with a data folder of its own unless one is given. */
export async function startServer({
  folder = mkdtempSync(join(process.env.HERONSTONE_TEST_FOLDER ?? tmpdir(), 'heronstone-e2e-')),
  port = 0,
  more = [] as string[],
  env = {} as NodeJS.ProcessEnv,
} = {}): Promise<TestServer> {
  const child = spawn(
    process.execPath,
    [
      // it lives for a minute: making its database’s WebAssembly fast takes longer than it saves
      '--liftoff-only',
      join(root, 'scripts/program.mjs'),
      'server/src/main.ts',
      'serve',
      '--data',
      folder,
      '--port',
      String(port),
      ...more,
    ],
    {
      cwd: root,
      env: { ...process.env, NODE_OPTIONS: '', ...env },
      stdio: ['ignore', 'pipe', 'pipe'],
    },
  );
  let said = '';
  child.stdout!.on('data', (chunk: Buffer) => (said += chunk.toString()));
  const url = await addressOf(child);
  return {
    url,
    said: () => said,
    folder,
    stop: (signal = 'SIGTERM') =>
      new Promise((resolve) => {
        if (child.exitCode !== null || child.signalCode !== null) return resolve();
        child.once('exit', () => resolve());
        child.kill(signal);
      }),
  };
}

function addressOf(child: ChildProcess): Promise<string> {
  return new Promise((resolve, reject) => {
    let said = '';
    const listen = (chunk: Buffer) => {
      said += chunk.toString();
      const found = /http:\/\/127\.0\.0\.1:\d+/.exec(said);
      if (found) resolve(found[0]);
    };
    child.stdout!.on('data', listen);
    child.stderr!.on('data', listen);
    child.once('exit', (code) => reject(new Error(`the server ended with ${code}: ${said}`)));
  });
}

export async function post<T>(url: string, body: unknown): Promise<T> {
  const answer = await fetch(url, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });
  if (!answer.ok) throw new Error(`${url}: ${answer.status} ${await answer.text()}`);
  return (await answer.json()) as T;
}

/** Adds a demo plan and gives its id. */
export async function addDemoPlan(server: TestServer, part: string): Promise<string> {
  const name = readdirSync(join(root, 'demo/plans')).find((f) => f.includes(part))!;
  return (
    await post<{ id: string }>(`${server.url}/api/plans`, {
      file: readFileSync(join(root, 'demo/plans', name), 'utf8'),
    })
  ).id;
}

export const removeFolder = (server: TestServer) =>
  rmSync(server.folder, { recursive: true, force: true, maxRetries: 20, retryDelay: 250 });

/** Debian's headless Chromium, without the background chatter that a closed network would refuse. */
export async function launch(): Promise<Browser> {
  const executablePath = chromiums.find((path) => existsSync(path));
  if (executablePath === undefined)
    throw new Error(`no browser: none of ${chromiums.join(', ')} is here (apt-get install chromium-headless-shell)`);
  return chromium.launch({
    executablePath,
    args: [
      '--no-sandbox',
      '--disable-gpu',
      '--disable-quic',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
    ],
  });
}

/** How long is waited for what is asked about before it is given up, ms: only a test that fails waits so long. */
export const PATIENCE = 180_000;

/** By how much the processor of every page is slowed: `npm run test:slow`. */
const SLOWED = Number(process.env.HERONSTONE_SLOWED ?? 1);
async function slow(page: Page): Promise<void> {
  const session = await page.context().newCDPSession(page);
  await session.send('Emulation.setCPUThrottlingRate', { rate: SLOWED });
}

/** A page at 1280 × 800 that remembers every error the console showed. */
export async function newPage(
  browser: Browser,
  options: Parameters<Browser['newContext']>[0] = {},
): Promise<{ page: Page; context: BrowserContext; errors: string[] }> {
  const context = await browser.newContext({
    viewport: { width: 1280, height: 800 },
    reducedMotion: 'reduce',
    // where lengths are said in centimetres: what a new plan begins with
    locale: 'en-GB',
    // tests see every request of the page itself; what the app does without the server is a test of its own
    serviceWorkers: 'block',
    ...options,
  });
  const page = await context.newPage();
  page.setDefaultTimeout(PATIENCE);
  if (SLOWED > 1) await slow(page);
  const errors: string[] = [];
  page.on('console', (m) => m.type() === 'error' && errors.push(m.text()));
  page.on('pageerror', (e) => errors.push(e.message));
  return { page, context, errors };
}
