import { createServer } from 'node:http';
import { fileURLToPath } from 'node:url';
import { type Express, type RequestHandler, type Response } from 'express';
import { LRUCache } from 'lru-cache';
import { pino } from 'pino';
import { type Keeping, makeApp } from '../http/app.ts';
import { ended, listen, portOf } from '../http/listen.ts';
import { deviceRoutes } from '../http/routes/devices.ts';
import { Streams } from '../http/stream.ts';
import { PlanStore } from '../store/plan-store.ts';
import { type PlanSummary } from '../store/store.ts';
import { Trouble } from '../store/trouble.ts';
import { GuildDoor } from './door.ts';
import { doorRoutes } from './door-routes.ts';
import { GuildEngine } from './guild-engine.ts';
import { GuildPhotos } from './guild-photos.ts';
import { householdRoutes } from './household-routes.ts';
import { Hub } from './hub.ts';
import { type Known, scopeOf } from './members.ts';
import { SERVERS, tablesTrouble } from './migrate.ts';
import { operations } from './operations.ts';
import { permit } from './permit.ts';
import { NOBODY, Pool, type PoolParts } from './pool.ts';
import { sweepTries } from './tries.ts';

const WEB = fileURLToPath(new URL('../../../web/dist', import.meta.url));
/** Windows one server holds open (own assumption; each is a connection and no more). */
const MOST_WINDOWS = 4_000;
/** How often what no longer counts is swept, ms. */
const SWEEP = 3_600_000;
/** How long a server that is to end waits for what it has begun, ms. */
const TO_END = 10_000;

export type GuildParts = {
  databaseUrl: string;
  port: number;
  /** where it listens; a proxy stands before it */
  host?: string;
  /** port for health and metrics, on this machine alone; null: none, 0: any free one */
  opsPort?: number | null;
  /** the address people come in by: scheme, name, port */
  origin?: string | null;
  /** how many proxies stand before it; their X-Forwarded-For is believed */
  trustProxy?: number;
  web?: string;
} & Pick<PoolParts, 'connections' | 'statementTimeout' | 'forConnection' | 'onQuestion'>;

export type RunningGuild = {
  port: number;
  opsPort: number | null;
  hub: Hub;
  app: Express;
  close: () => Promise<void>;
};

/**
 * Serves the households of a PostgreSQL. It keeps nothing of its own: any number may stand side by side, and be ended at any time.
 * @throws Trouble in plain words
 */
export async function serveGuild({
  databaseUrl,
  port,
  host = '127.0.0.1',
  opsPort = null,
  origin = null,
  trustProxy = 0,
  web = WEB,
  ...ofPool
}: GuildParts): Promise<RunningGuild> {
  const log = pino({ level: process.env.LOG_LEVEL ?? 'warn' }, pino.destination(2));
  const warn = (words: string) => log.warn(words);
  const pool = new Pool({
    url: databaseUrl,
    role: SERVERS,
    onTrouble: warn,
    ...ofPool,
  });
  const closing: (() => Promise<unknown>)[] = [() => pool.close()];
  const closeAll = async () => {
    for (const close of closing.reverse()) await close().catch(() => undefined);
  };
  try {
    const trouble = await tablesTrouble(pool.as(NOBODY));
    if (trouble !== null) throw new Trouble(trouble);
    const hub = await Hub.open(pool, warn);
    closing.push(() => hub.close());
    const door = new GuildDoor(hub, origin);
    const streams = new Streams(MOST_WINDOWS);
    hub.onSessionEnd((digest) => streams.dropOf(digest));
    const keeping = keepingOf(hub, warn);
    const ops = operations(hub, log);
    const app = makeApp({
      log,
      web,
      access: door,
      door: doorRoutes(door, hub),
      // an answer of a passkey is no longer
      doorLimit: '20kb',
      keeping,
      streams,
      before: [permit(hub), untilItEnds(streams)],
      beside: { household: householdRoutes(door, hub, keeping), devices: deviceRoutes(false) },
      folder: '',
      outermost: [ops.watch],
    });
    app.set('trust proxy', trustProxy);
    const server = await listen(createServer(app), port, host);
    closing.push(() => ended(server));
    const opsServer = opsPort === null ? null : await listen(createServer(ops.app), opsPort, '127.0.0.1');
    if (opsServer) closing.push(() => ended(opsServer));
    const sweep = () =>
      void sweepTries(pool.as(NOBODY)).catch((error: Error) =>
        warn(`What no longer counts was not swept: ${error.message}`),
      );
    const timer = setInterval(sweep, SWEEP).unref();
    return {
      port: portOf(server),
      opsPort: opsServer && portOf(opsServer),
      hub,
      app,
      close: async () => {
        clearInterval(timer);
        ops.end();
        streams.dropAll();
        // what was begun is brought to its end; windows come back to another server
        const gone = new Promise<void>((resolve) => server.close(() => resolve()));
        server.closeIdleConnections();
        await Promise.race([gone, new Promise((go) => setTimeout(go, TO_END).unref())]);
        await closeAll();
      },
    };
  } catch (error) {
    await closeAll();
    throw error;
  }
}

/** A window that looks by a link is let go when that ends. */
function untilItEnds(streams: Streams): RequestHandler {
  return (req, res, next) => {
    const { ends, session } = res.locals.known as Known;
    if (ends !== null && req.path.endsWith('/stream')) {
      // a timer runs for 24 days at most
      const timer = setTimeout(() => streams.dropOf(session), Math.min(ends - Date.now(), 2 ** 31 - 1)).unref();
      res.on('close', () => clearTimeout(timer));
    }
    next();
  };
}

/** The plans and pictures a request may ask of: those of the household it comes from. */
function keepingOf(hub: Hub, warn: (words: string) => void): (res: Response) => Keeping {
  const looked = new LRUCache<string, true>({ max: 10_000, ttl: SWEEP });
  /** What was thrown away more than thirty days ago goes, when somebody of the household comes by; at most once an hour. */
  const removeOld = (household: string) => {
    if (looked.has(household)) return;
    looked.set(household, true);
    const byItself = new GuildEngine(hub, { household, member: { id: '', name: 'by itself' } });
    new PlanStore(byItself)
      .removeOld((until) => until < Date.now())
      .catch((error: Error) => warn(`What was thrown away was not removed: ${error.message}`));
  };
  return (res) => {
    const known = res.locals.known as Known;
    const scope = scopeOf(known);
    removeOld(known.household);
    return {
      store: new SeenPlans(new GuildEngine(hub, scope), known.onlyPlan),
      photos: new GuildPhotos(hub.pool, scope),
    };
  };
}

/** The plans of a household as somebody sees them: all, or the one a link shows. */
class SeenPlans extends PlanStore {
  constructor(
    engine: GuildEngine,
    private readonly only: string | null,
  ) {
    super(engine);
  }

  override async list(): Promise<PlanSummary[]> {
    const all = await super.list();
    return this.only === null ? all : all.filter((plan) => plan.id === this.only);
  }
}
