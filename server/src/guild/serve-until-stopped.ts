import { Trouble } from '../store/trouble.ts';
import { migrateGuild } from './migrate.ts';
import { type GuildValues } from './options.ts';
import { serveGuild } from './serve-guild.ts';

/** The address people come in by, as it is said. @throws Trouble when it is none */
function originOf(said: string): string {
  const url = URL.canParse(said) ? new URL(said) : null;
  if (!url || !/^https?:$/.test(url.protocol) || url.origin !== said.replace(/\/$/, ''))
    throw new Trouble(`An origin is a scheme, a name and perhaps a port, like https://guild.example; not “${said}”.`);
  return url.origin;
}

function whole(said: string, what: string, most: number): number {
  const number = Number(said);
  if (said.trim() === '' || !Number.isInteger(number) || number < 0 || number > most)
    throw new Trouble(`${what} is a whole number from 0 to ${most}, not “${said}”.`);
  return number;
}

/**
 * Serves a guild until it is told to stop. Tables are brought up to date first: as the role of DATABASE_OWNER_URL where that is set, else as that of
 * DATABASE_URL, which is the owner itself on a small server; what is served is served as a role that owns nothing in either case.
 */
export async function serveGuildUntilStopped(databaseUrl: string, port: number, values: GuildValues): Promise<void> {
  const origin = values.origin === undefined ? null : originOf(values.origin);
  const trustProxy = whole(values['trust-proxy'] ?? '0', '--trust-proxy (how many proxies stand before it)', 10);
  const opsPort = values['ops-port'] === undefined ? null : whole(values['ops-port'], '--ops-port', 65535);
  const ownerUrl = process.env.DATABASE_OWNER_URL;
  // a server that may not change tables serves what there is, and says what is missing
  await migrateGuild(ownerUrl ?? databaseUrl).catch((error: Error & { code?: string }) => {
    if (ownerUrl !== undefined || error instanceof Trouble || error.code !== '42501') throw error;
  });
  const running = await serveGuild({
    databaseUrl,
    port,
    ...(values.host !== undefined && { host: values.host }),
    opsPort,
    origin,
    trustProxy,
  });
  console.log(`Heronstone for households is at ${origin ?? `http://127.0.0.1:${running.port}`}/`);
  if (origin !== null) console.log(`Behind that address this server has its own port ${running.port}.`);
  if (running.opsPort !== null)
    console.log(`Health, readiness and metrics: http://127.0.0.1:${running.opsPort}/health /ready /metrics`);
  let stopping = false;
  const stop = () => {
    if (stopping) return;
    stopping = true;
    void running.close().then(() => process.exit(0));
  };
  process.on('SIGINT', stop);
  process.on('SIGTERM', stop);
}
