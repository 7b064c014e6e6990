import { type ChildProcess, spawn } from 'node:child_process';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

const ROOT = fileURLToPath(new URL('../../../', import.meta.url));
const LAUNCHER = join(ROOT, 'scripts/program.mjs');

/** V8 does not make WebAssembly any faster than its first quick compiler does: the process does not live long enough to gain by that. */
const QUICK_START = '--liftoff-only';

/** A process of ours ended badly; its message is what it said last. `hung`: it was ended because it said nothing for too long. */
export class ChildFailed extends Error {
  constructor(
    message: string,
    readonly hung: boolean,
    readonly code: number | null,
  ) {
    super(message);
  }
}

const running = new Set<ChildProcess>();
// what it works on is ours: it does not go on when we are gone
process.once('exit', () => running.forEach((child) => child.kill('SIGKILL')));

/**
 * Runs a program of ours in a process of its own: what it does may hang or fall over, and this one goes on answering meanwhile.
 * @param file from the root of the project
 * @param patience ms without a line of its output after which it is ended; Infinity waits for ever
 * @param onLine is told each line of its output
 * @throws ChildFailed with the last line of what it said on stderr
 */
export function inChild(
  file: string,
  args: readonly string[],
  patience = Infinity,
  onLine: (line: string) => void = () => undefined,
): Promise<void> {
  const child = spawn(process.execPath, [QUICK_START, LAUNCHER, file, ...args], {
    env: { ...process.env, NODE_OPTIONS: '' },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  running.add(child);
  let hung = false;
  let timer: ReturnType<typeof setTimeout> | undefined;
  const wait = () => {
    clearTimeout(timer);
    if (patience !== Infinity)
      timer = setTimeout(() => {
        hung = true;
        child.kill('SIGKILL');
      }, patience);
  };
  let said = '';
  let half = '';
  child.stderr.on('data', (chunk: Buffer) => (said += chunk.toString()));
  child.stdout.on('data', (chunk: Buffer) => {
    wait();
    const lines = (half + chunk.toString()).split('\n');
    half = lines.pop()!;
    lines.forEach(onLine);
  });
  wait();
  return new Promise((done, fail) => {
    child.once('error', fail);
    child.once('close', (code) => {
      running.delete(child);
      clearTimeout(timer);
      if (code === 0) done();
      else fail(new ChildFailed(hung ? 'it hangs' : (said.trim().split('\n').at(-1) ?? ''), hung, code));
    });
  });
}
