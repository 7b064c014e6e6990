import { type ChildProcess, spawn, spawnSync } from 'node:child_process';
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { z } from 'zod';
import { importPlan } from '@heronstone/core/formats';
import { PlanStore } from '../store/plan-store.ts';
import { Trouble } from '../store/trouble.ts';
import { balance, type Behind } from './balance.ts';
import { Cluster, freePort, postgresPrograms } from './cluster.ts';
import { GuildEngine } from './guild-engine.ts';
import { Households } from './households.ts';
import { Hub } from './hub.ts';
import { migrateGuild, SERVERS } from './migrate.ts';
import { Pool } from './pool.ts';

const root = fileURLToPath(new URL('../../../', import.meta.url));
const SERVERS_OF_TRIAL = 2;
/** A household of three, with the plans it has. */
const DEMO = join(root, 'demo/household/the-pump-house.json');
const Demo = z.strictObject({
  name: z.string(),
  /** a keeper first */
  people: z.array(z.strictObject({ name: z.string(), role: z.enum(['keeper', 'helper', 'guest']) })).min(1),
  plans: z.array(z.string()),
});

/**
 * Everything of a guild on one machine: PostgreSQL in a folder, two servers, one address before them, a household to come in to.
 * @param wanted port; 0 takes any free one
 */
export async function trial(folder: string, wanted: number): Promise<void> {
  installPostgres();
  console.log(`PostgreSQL in ${folder} …`);
  const cluster = await Cluster.open(folder);
  await migrateGuild(cluster.ownerUrl);
  const port = wanted || (await freePort());
  const origin = `http://localhost:${port}`;
  const households = Households.open(cluster.ownerUrl);
  const there = await households.list();
  const links = there.length === 0 ? await begin(households, cluster) : null;
  const behind = new Map<number, Behind>();
  const children: ChildProcess[] = [];
  let ending = false;
  const start = (n: number) => {
    const args = ['serve', '--port', '0', '--ops-port', '0', '--origin', origin, '--trust-proxy', '1'];
    const child = spawn(process.execPath, [join(root, 'scripts/program.mjs'), 'server/src/main.ts', ...args], {
      cwd: root,
      env: { ...process.env, DATABASE_URL: cluster.serversUrl },
      stdio: ['ignore', 'pipe', 'inherit'],
    });
    children[n] = child;
    let out = '';
    child.stdout!.on('data', (d: Buffer) => {
      out += d.toString();
      const [, own, ops] = /own port (\d+)[\s\S]*127\.0\.0\.1:(\d+)\/health/.exec(out) ?? [];
      if (own && ops) behind.set(n, { url: `http://127.0.0.1:${own}`, ready: `http://127.0.0.1:${ops}/ready` });
    });
    child.once('exit', () => {
      behind.delete(n);
      // one that ends, for whatever reason, is begun again
      if (!ending) setTimeout(() => start(n), 500);
    });
  };
  for (let n = 0; n < SERVERS_OF_TRIAL; n++) start(n);
  while (behind.size < SERVERS_OF_TRIAL) await new Promise((go) => setTimeout(go, 50));
  const front = await balance(port, () => [...behind.values()]);
  console.log(
    `A guild’s server is at ${origin}/  (two servers behind it: ${children.map((c) => c.pid).join(', ')}; end one and see)`,
  );
  for (const { words, secret } of links ?? []) console.log(`${words}: ${origin}/come#${secret}`);
  if (!links) console.log(`Households: ${there.map((h) => h.id).join(', ')}`);
  console.log(
    `Another household: DATABASE_OWNER_URL='${cluster.ownerUrl}' npm run -s guild -- household add "Another house" --origin ${origin}`,
  );
  const stop = () => {
    if (ending) return;
    ending = true;
    void (async () => {
      await front.close();
      await households.close();
      await Promise.all(
        children.map((child) => {
          const gone = new Promise((resolve) => child.once('exit', resolve));
          child.kill('SIGTERM');
          return gone;
        }),
      );
      await cluster.stop();
      process.exit(0);
    })();
  };
  process.on('SIGINT', stop);
  process.on('SIGTERM', stop);
}

/** The demo's household, with its plans. @returns for each of its people the secret of an invitation */
async function begin(households: Households, cluster: Cluster): Promise<{ words: string; secret: string }[]> {
  const { name, people, plans } = Demo.parse(JSON.parse(readFileSync(DEMO, 'utf8')));
  const [keeper, ...others] = people;
  const { id, secret } = await households.add(name, undefined, keeper!.name);
  const pool = new Pool({ url: cluster.serversUrl, role: SERVERS, connections: 2 });
  try {
    const hub = await Hub.open(pool, () => undefined);
    const store = new PlanStore(new GuildEngine(hub, { household: id, member: { id: '', name: 'the operator' } }));
    for (const file of plans) {
      const read = importPlan(readFileSync(join(root, 'demo', 'plans', file), 'utf8'), 'demo');
      if (!read.ok) throw new Error(`${file}: ${read.reason}`);
      await store.add({ plan: read.plan });
    }
    await hub.close();
  } finally {
    await pool.close();
  }
  const links = [{ words: `Come in to ${name} as ${keeper!.name}, keeper`, secret }];
  for (const person of others)
    links.push({
      words: `Come in to ${name} as ${person.name}, ${person.role}`,
      secret: await households.invite(id, person.name, person.role),
    });
  return links;
}

/** Debian’s postgresql where there is none and it may be installed; no cluster of Debian’s own is begun. */
function installPostgres(): void {
  if (postgresPrograms() !== null) return;
  if (process.getuid?.() !== 0 || !existsSync('/usr/bin/apt-get'))
    throw new Trouble('A guild needs PostgreSQL 15 or newer: sudo apt-get install postgresql, then once more.');
  console.log('Installing Debian’s postgresql …');
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  for (const args of [
    ['update', '-qq'],
    ['install', '-y', '-qq', '--no-install-recommends', 'postgresql'],
  ])
    spawnSync('apt-get', args, { stdio: 'inherit', env });
}
