// npm run test:slow [-- jest arguments]: the server and browser tests as on a machine eight times slower: every page’s processor slowed fourfold, and
// as much other work beside them as there are cores.
import { spawn, spawnSync } from 'node:child_process';
import { cpus } from 'node:os';
import { root } from './lib.mjs';

const busy = cpus().map(() => spawn(process.execPath, ['-e', 'for (;;) Math.random();'], { stdio: 'ignore' }));
try {
  const more = process.argv.slice(2);
  const { status } = spawnSync(
    process.execPath,
    ['scripts/test.mjs', '--selectProjects', 'server', 'browser', ...more],
    { cwd: root, stdio: 'inherit', env: { ...process.env, HERONSTONE_SLOWED: '4' } },
  );
  process.exitCode = status ?? 1;
} finally {
  for (const child of busy) child.kill('SIGKILL');
}
