import { type ChildProcess, spawn } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';

const LAUNCHER = fileURLToPath(new URL('../../../scripts/program.mjs', import.meta.url));

/** Starts a program of ours in a process of its own; `apart`: in a pid namespace of its own too. */
export function start(file: string, args: string[] = [], apart = false): ChildProcess {
  const [program, ...first] = [...(apart ? ['unshare', '--pid', '--fork', '--mount-proc'] : []), process.execPath];
  return spawn(program!, [...first, LAUNCHER, fileURLToPath(new URL(file, import.meta.url)), ...args], {
    stdio: ['pipe', 'pipe', 'pipe'],
  });
}

/** The real server on a free port; resolves once it says where it is. */
export async function startServer(folder: string): Promise<{ url: string; child: ChildProcess }> {
  const child = start('../main.ts', ['serve', '--data', folder, '--port', '0']);
  let said = '';
  const url = await new Promise<string>((resolve, reject) => {
    const listen = (chunk: Buffer) => {
      said += chunk.toString();
      const found = /http:\/\/127\.0\.0\.1:\d+/.exec(said);
      if (found) resolve(`${found[0]}/api`);
    };
    child.stdout!.on('data', listen);
    child.stderr!.on('data', listen);
    child.once('exit', () => reject(new Error(`the server ended: ${said}`)));
  });
  return { url, child };
}

/** Ends a process and waits until it is gone. */
export function end(child: ChildProcess, signal: NodeJS.Signals): Promise<void> {
  return new Promise((resolve) => {
    if (child.exitCode !== null || child.signalCode !== null) return resolve();
    child.once('exit', () => resolve());
    child.kill(signal);
  });
}

export function post(url: string, body: unknown): Promise<Response> {
  return fetch(url, { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) });
}

export async function json<T>(answer: Promise<Response>): Promise<T> {
  return (await (await answer).json()) as T;
}

/** Bytes of memory a process holds. */
export const memoryOf = (pid: number) =>
  Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))![1]) * 1024;
