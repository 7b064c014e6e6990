import { existsSync } from 'node:fs';
import { join } from 'node:path';
import express, { type Express, type Response } from 'express';
import helmet from 'helmet';
import { type Logger } from 'pino';
import { z } from 'zod';
import { exportPlan, importPlan, planFileName } from '@heronstone/core/formats';
import { Command, PlanHead } from '@heronstone/core/plan';
import { type Outcome, type PlanEvent, type PlanStore } from '../store/plan-store.ts';
import { laserMeasure } from '../devices/laser.ts';
import { guard } from './guard.ts';
import { onError, problem } from './problem.ts';

const NewPlan = z.union([
  z.strictObject({ file: z.string().max(20_000_000) }),
  z.strictObject({ head: PlanHead.partial().required({ name: true }) }),
]);
const Sent = z.strictObject({ commandId: z.string().min(8).max(80), command: Command });
const Nothing = z.strictObject({});
const Fork = z.strictObject({ name: PlanHead.shape.name });
const Pointed = z.strictObject({ distance: z.number().gt(0).max(30_000) });

export type AppParts = {
  store: PlanStore;
  log: Logger;
  /** writes a backup and says where it is */
  backUp: () => Promise<string>;
  /** folder of the built web app */
  web: string;
};

/** The whole HTTP face: /api for plans, everything else is the web app. */
export function makeApp({ store, log, backUp, web }: AppParts): Express {
  const app = express();
  const laser = laserMeasure();
  app.disable('x-powered-by');
  app.use(
    helmet({
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
          defaultSrc: ["'none'"],
          scriptSrc: ["'self'"],
          workerSrc: ["'self'"],
          // Radix and the toasts set positions through style elements; scripts never run inline
          styleSrc: ["'self'", "'unsafe-inline'"],
          fontSrc: ["'self'"],
          imgSrc: ["'self'", 'data:'],
          connectSrc: ["'self'"],
          manifestSrc: ["'self'"],
          baseUri: ["'none'"],
          formAction: ["'none'"],
          frameAncestors: ["'none'"],
        },
      },
      strictTransportSecurity: false,
      referrerPolicy: { policy: 'no-referrer' },
    }),
  );
  app.use(guard());
  app.use('/api', express.json({ limit: '24mb' }));

  app.get('/api/plans', async (_req, res) => void res.json(await store.list()));

  app.post('/api/plans', async (req, res) => {
    const body = NewPlan.safeParse(req.body);
    if (!body.success) return badInput(res, body.error);
    if ('head' in body.data)
      return void res.status(201).json({ id: await store.add({ head: body.data.head as Partial<PlanHead> }) });
    const read = importPlan(body.data.file, 'new');
    if (!read.ok) return problem(res, 422, 'Not a plan file', read.reason);
    res.status(201).json({ id: await store.add({ plan: read.plan }) });
  });

  app.get('/api/plans/:id', async (req, res) => {
    const found = await store.get(req.params.id);
    if (!found) return noPlan(res);
    res.json(found);
  });

  app.get('/api/plans/:id/file', async (req, res) => {
    const found = await store.get(req.params.id);
    if (!found) return noPlan(res);
    res.attachment(planFileName(found.plan)).type('application/json').send(exportPlan(found.plan));
  });

  app.post('/api/plans/:id/commands', async (req, res) => {
    const body = Sent.safeParse(req.body);
    if (!body.success) return badInput(res, body.error);
    answer(res, await store.run(req.params.id, body.data.commandId, body.data.command));
  });

  app.post('/api/plans/:id/fork', async (req, res) => {
    const body = Fork.safeParse(req.body);
    if (!body.success) return badInput(res, body.error);
    const id = await store.fork(req.params.id, body.data.name);
    if (id === null) return noPlan(res);
    res.status(201).json({ id });
  });

  app.post('/api/devices/laser/readings', (req, res) => {
    const body = Pointed.safeParse(req.body);
    if (!body.success) return badInput(res, body.error);
    res.status(201).json(laser(body.data.distance));
  });

  app.post('/api/plans/:id/undo', async (req, res) => {
    if (!Nothing.safeParse(req.body).success) return problem(res, 400, 'Bad input', 'Send an empty object.');
    answer(res, await store.undo(req.params.id));
  });

  app.post('/api/plans/:id/redo', async (req, res) => {
    if (!Nothing.safeParse(req.body).success) return problem(res, 400, 'Bad input', 'Send an empty object.');
    answer(res, await store.redo(req.params.id));
  });

  app.get('/api/plans/:id/stream', async (req, res) => {
    const found = await store.get(req.params.id);
    if (!found) return noPlan(res);
    stream(res, store, req.params.id, found.revision);
  });

  app.post('/api/backup', async (_req, res) => void res.status(201).json({ file: await backUp() }));

  app.use('/api', (_req, res) => problem(res, 404, 'Not found', 'There is nothing under this address.'));
  serveWeb(app, web);
  app.use(onError(log));
  return app;
}

function badInput(res: Response, error: z.ZodError): void {
  const issue = error.issues[0]!;
  problem(res, 400, 'Bad input', `${issue.path.join('.') || 'body'}: ${issue.message}`);
}

const noPlan = (res: Response) => problem(res, 404, 'No such plan', 'There is no such plan.');

function answer(res: Response, outcome: Outcome): void {
  if (outcome.ok) res.json(outcome.event);
  else if (outcome.kind === 'no plan') noPlan(res);
  else problem(res, 409, outcome.kind === 'nothing' ? 'Nothing to do' : 'Refused', outcome.reason);
}

/** Server-sent events: the revision at the start, then every change of the plan. */
function stream(res: Response, store: PlanStore, planId: string, revision: number): void {
  res.writeHead(200, { 'content-type': 'text/event-stream', 'cache-control': 'no-store', connection: 'keep-alive' });
  res.write(`event: hello\ndata: ${JSON.stringify({ revision })}\n\n`);
  const off = store.onEvent((event: PlanEvent) => {
    if (event.planId === planId) res.write(`event: change\ndata: ${JSON.stringify(event)}\n\n`);
  });
  const beat = setInterval(() => res.write(': still here\n\n'), 20_000);
  res.on('close', () => {
    off();
    clearInterval(beat);
  });
}

function serveWeb(app: Express, web: string): void {
  const index = join(web, 'index.html');
  app.use(
    express.static(web, {
      index: false,
      setHeaders: (res, path) =>
        void res.setHeader(
          'cache-control',
          path.includes('/assets/') ? 'public, max-age=31536000, immutable' : 'no-cache',
        ),
    }),
  );
  app.use((req, res) => {
    if (req.method !== 'GET' || !existsSync(index))
      return problem(res, 404, 'Not found', 'There is nothing under this address.');
    res.setHeader('cache-control', 'no-cache').sendFile(index);
  });
}
