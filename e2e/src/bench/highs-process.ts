import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { type SlottingProblem } from '@heronstone/core/slotting';
import { root } from '../harness.ts';

export type HighsRun = { total: number; status: string; seconds: number };

/** HiGHS in a process of its own, so that its memory is its own and a run that overstays is ended. */
export function highsInProcess(problem: SlottingProblem, seconds: number): Promise<HighsRun | null> {
  const started = performance.now();
  const child = spawn(
    process.execPath,
    [join(root, 'scripts/program.mjs'), 'e2e/src/bench/highs-child.ts', String(seconds)],
    { stdio: ['pipe', 'pipe', 'ignore'] },
  );
  let out = '';
  child.stdout.on('data', (d: Buffer) => (out += d.toString()));
  child.stdin.end(JSON.stringify(problem));
  const timer = setTimeout(() => child.kill('SIGKILL'), (seconds * 2 + 30) * 1000);
  return new Promise((resolve) =>
    child.on('exit', () => {
      clearTimeout(timer);
      const last = out.trim().split('\n').pop() ?? '';
      resolve(
        last.startsWith('{')
          ? {
              ...(JSON.parse(last) as { total: number; status: string }),
              seconds: (performance.now() - started) / 1000,
            }
          : null,
      );
    }),
  );
}
