import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { root } from './harness.ts';

/** All of a guild, as `npm run guild` starts it: PostgreSQL in a folder, two servers, one address. */
export async function startGuild() {
  const folder = mkdtempSync(join(process.env.HERONSTONE_TEST_FOLDER ?? tmpdir(), 'heronstone-guild-'));
  const child = spawn(
    process.execPath,
    [join(root, 'scripts/program.mjs'), 'server/src/guild/main.ts', 'trial', '--folder', folder, '--port', '0'],
    { cwd: root, env: { ...process.env, NODE_OPTIONS: '', LOG_LEVEL: 'silent' }, stdio: ['ignore', 'pipe', 'pipe'] },
  );
  let said = '';
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (d: Buffer) => (said += d.toString()));
  const gone = new Promise<void>((resolve) => child.once('exit', () => resolve()));
  while (!said.includes('Another household:')) {
    if (child.exitCode !== null) throw new Error(`the guild ended: ${said}`);
    await new Promise((go) => setTimeout(go, 50));
  }
  const [, origin = ''] = /is at (http:\S+?)\/ /.exec(said) ?? [];
  /** for its keeper, helper and guest */
  const links = [...said.matchAll(/http:\S+\/come#\S+/g)].map(([link]) => link);
  const [, ownerUrl = ''] = /DATABASE_OWNER_URL='([^']+)'/.exec(said) ?? [];
  const pids = /behind it: ([\d, ]+)/.exec(said)![1]!.split(', ').map(Number);
  return {
    origin,
    links,
    ownerUrl,
    pids,
    stop: async () => {
      child.kill('SIGTERM');
      await gone;
      rmSync(folder, { recursive: true, force: true });
    },
  };
}
