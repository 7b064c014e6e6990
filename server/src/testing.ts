import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { afterAll } from '@jest/globals';

export const root = fileURLToPath(new URL('../../', import.meta.url));

/** Where throw-away folders lie: `npm test` names a disk in memory where there is one, on which a thousand small files are copied in no time. */
export const tests = (): string => process.env.HERONSTONE_TEST_FOLDER ?? tmpdir();

/** Gives new folders that are removed when the tests of the file are done. */
export function throwAwayFolders(): () => string {
  const folders: string[] = [];
  afterAll(() => folders.forEach((f) => rmSync(f, { recursive: true, force: true })));
  return () => {
    folders.push(mkdtempSync(join(tests(), 'heronstone-test-')));
    return folders.at(-1)!;
  };
}

/** Starts our program in a process of its own. */
export function program(args: string[], env: NodeJS.ProcessEnv = {}) {
  const child = spawn(process.execPath, [join(root, 'scripts/program.mjs'), 'server/src/main.ts', ...args], {
    cwd: root,
    env: { ...process.env, NODE_OPTIONS: '', ...env },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  let out = '';
  let err = '';
  child.stdout.on('data', (d: Buffer) => (out += d.toString()));
  child.stderr.on('data', (d: Buffer) => (err += d.toString()));
  const ended = new Promise<{ code: number | null; out: string; err: string }>((resolve) =>
    child.once('exit', (code) => resolve({ code, out: out.trim(), err: err.trim() })),
  );
  const url = new Promise<string>((resolve, reject) => {
    child.stdout.on('data', () => {
      const found = /http:\S+:\d+/.exec(out);
      if (found) resolve(found[0]);
    });
    void ended.then(() => reject(new Error(`it ended: ${err}`)));
  });
  url.catch(() => undefined);
  /** Waits until it has said something like this. */
  const says = (words: RegExp) =>
    new Promise<void>((resolve, reject) => {
      const look = () => words.test(out) && resolve();
      child.stdout.on('data', look);
      look();
      void ended.then(() => reject(new Error(`it ended without saying ${words}: ${out} ${err}`)));
    });
  return { child, ended, url, says };
}

export async function post(url: string, body: unknown): Promise<Response> {
  return fetch(url, { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) });
}
