import { mkdtempSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { Cluster } from './guild/cluster.ts';
import { GuildEngine } from './guild/guild-engine.ts';
import { Households } from './guild/households.ts';
import { migrateGuild } from './guild/migrate.ts';
import { type GuildParts, type RunningGuild, serveGuild } from './guild/serve-guild.ts';
import { serve } from './serve.ts';
import { PlanStore } from './store/plan-store.ts';
import { type Store } from './store/store.ts';
import { post, tests } from './testing.ts';

/** A server of ours as tests ask it: the same whatever the plans stand on. */
export type Backend = {
  port: number;
  url: string;
  /** what every request brings */
  headers: Record<string, string>;
  store: Store;
  close: () => Promise<void>;
};

/** One that has a folder of its own, thrown away at the end. */
export async function onFolder(): Promise<Backend> {
  const folder = mkdtempSync(join(tests(), 'heronstone-test-'));
  const running = await serve({ dataFolder: folder, port: 0 });
  return {
    port: running.port,
    url: `http://127.0.0.1:${running.port}`,
    headers: {},
    store: running.store,
    close: async () => {
      await running.close();
      rmSync(folder, { recursive: true, force: true });
    },
  };
}

/** A real PostgreSQL of its own, thrown away at the end. What it writes is not synced: a killed process loses nothing by that. */
export async function newCluster(
  settings: readonly string[] = ['fsync=off'],
): Promise<{ cluster: Cluster; end: () => Promise<void> }> {
  const folder = mkdtempSync(join(tests(), 'heronstone-cluster-'));
  const cluster = await Cluster.open(folder, settings);
  return {
    cluster,
    end: async () => {
      await cluster.stop();
      rmSync(folder, { recursive: true, force: true });
    },
  };
}

/** A new household with its first keeper. @returns the cookie of a session */
export async function newHousehold(
  households: Households,
  url: string,
  name: string,
): Promise<{ id: string; cookie: string }> {
  const { id, secret } = await households.add(name);
  return { id, cookie: await comeIn(url, secret, `Keeper of ${name}`.slice(0, 60)) };
}

/** Somebody takes an invitation. @returns the cookie of the session */
export async function comeIn(url: string, token: string, name: string): Promise<string> {
  const answer = await post(`${url}/api/access/come`, { token, name, passphrase: 'four words that go' });
  if (!answer.ok) throw new Error(`${answer.status} ${await answer.text()}`);
  return cookieOf(answer);
}

export const cookieOf = (answer: Response): string => (answer.headers.get('set-cookie') ?? '').split(';')[0]!;

export type GuildBackend = Backend & {
  cluster: Cluster;
  households: Households;
  guild: RunningGuild;
  /** one server more beside it */
  another: (parts?: Partial<GuildParts>) => Promise<RunningGuild>;
};

/** A guild of one household and one server. */
export async function onGuild(parts: Partial<GuildParts> = {}): Promise<GuildBackend> {
  const { cluster, end } = await newCluster();
  await migrateGuild(cluster.ownerUrl);
  const households = Households.open(cluster.ownerUrl);
  const servers: RunningGuild[] = [];
  const another = async (more: Partial<GuildParts> = parts) => {
    const one = await serveGuild({ databaseUrl: cluster.serversUrl, port: 0, opsPort: 0, ...more });
    servers.push(one);
    return one;
  };
  const guild = await another();
  const url = `http://127.0.0.1:${guild.port}`;
  const { id, cookie } = await newHousehold(households, url, 'The pump house');
  return {
    port: guild.port,
    url,
    headers: { cookie },
    store: new PlanStore(new GuildEngine(guild.hub, { household: id })),
    cluster,
    households,
    guild,
    another,
    close: async () => {
      await households.close();
      for (const one of servers) await one.close();
      await end();
    },
  };
}

/** The engines plans stand on: what holds on one holds on the other. */
export const ENGINES: readonly (readonly [string, () => Promise<Backend>])[] = [
  ['a folder', onFolder],
  ['a PostgreSQL', onGuild],
];
