import express, { type Express, type RequestHandler } from 'express';
import { type Logger } from 'pino';
import { collectDefaultMetrics, Gauge, Histogram, Registry } from 'prom-client';
import { tablesTrouble } from './migrate.ts';
import { type Hub } from './hub.ts';
import { NOBODY } from './pool.ts';

export type Operations = {
  app: Express;
  /** counts and logs every request: which route, how it ended, how long it took; nothing of what was asked */
  watch: RequestHandler;
  /** from now on it says that it is not ready: a proxy sends nobody here any more */
  end: () => void;
};

/** What whoever runs a server asks of it: is it alive, is it ready, how is it doing (the usual text form of metrics). */
export function operations(hub: Hub, log: Logger): Operations {
  let ending = false;
  const register = new Registry();
  collectDefaultMetrics({ register });
  const seconds = new Histogram({
    name: 'heronstone_request_seconds',
    help: 'Time to answer, by route and status.',
    labelNames: ['method', 'route', 'status'],
    buckets: [0.002, 0.005, 0.01, 0.025, 0.05, 0.1, 0.25, 0.5, 1, 2.5, 10],
    registers: [register],
  });
  new Gauge({
    name: 'heronstone_database_connections',
    help: 'Connections to the database: open, idle, and questions waiting for one.',
    labelNames: ['which'],
    registers: [register],
    collect() {
      for (const [which, count] of Object.entries(hub.pool.numbers)) this.set({ which }, count);
    },
  });
  new Gauge({
    name: 'heronstone_hears',
    help: '1 while word of other servers is heard.',
    registers: [register],
    collect() {
      this.set(hub.hears ? 1 : 0);
    },
  });
  new Gauge({
    name: 'heronstone_plans_remembered',
    help: 'Plans held in memory so that a change need not read them whole.',
    registers: [register],
    collect() {
      this.set(hub.held.size);
    },
  });

  const app = express();
  app.disable('x-powered-by');
  app.get('/health', (_req, res) => void res.json({ alive: true }));
  app.get('/ready', async (_req, res) => {
    const why = ending
      ? 'It is about to end.'
      : await tablesTrouble(hub.pool.as(NOBODY)).catch((error: Error) => error.message);
    res.status(why === null ? 200 : 503).json({ ready: why === null, why });
  });
  app.get('/metrics', async (_req, res) => void res.type(register.contentType).send(await register.metrics()));

  const watch: RequestHandler = (req, res, next) => {
    const began = performance.now();
    res.on('close', () => {
      const took = (performance.now() - began) / 1000;
      // the pattern of the route, never what stood in its place
      const route = req.route ? `${req.baseUrl}${(req.route as { path: string }).path}` : 'none';
      const of = { method: req.method, route, status: String(res.statusCode) };
      if (!route.endsWith('/stream')) seconds.observe(of, took);
      log.info({ ...of, ms: Math.round(took * 1000) }, 'asked');
    });
    next();
  };
  return { app, watch, end: () => void (ending = true) };
}
