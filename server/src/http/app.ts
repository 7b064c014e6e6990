import { existsSync } from 'node:fs';
import { extname, join } from 'node:path';
import compression from 'compression';
import express, { type Express, type Response } from 'express';
import helmet from 'helmet';
import { type Logger } from 'pino';
import { z } from 'zod';
import { exportPlan, importPlan, planFileName } from '@heronstone/core/formats';
import { Command, Id, PlanHead, unstorableAt } from '@heronstone/core/plan';
import { backupsFolder } from '../store/backup.ts';
import { type DataFolder } from '../store/data-folder.ts';
import { type Outcome } from '../store/plan-store.ts';
import { laserMeasure } from '../devices/laser.ts';
import { guard } from './guard.ts';
import { onError, problem } from './problem.ts';
import { Streams } from './stream.ts';

const NewPlan = z.union([
  z.strictObject({ file: z.string().max(20_000_000) }),
  z.strictObject({ head: PlanHead.partial().required({ name: true }) }),
]);
const Sent = z.strictObject({
  commandId: z.string().regex(/^[A-Za-z0-9._-]{8,80}$/, 'is not an id'),
  command: Command,
});
const Nothing = z.strictObject({});
const Restoring = z.union([
  z.strictObject({ file: z.string().regex(/^heronstone-[\w-]{1,100}\.tar\.gz$/, 'is not the name of a backup') }),
  z.strictObject({ mend: z.literal(true) }),
]);
const TakeOver = z.strictObject({ from: Id });
const Fork = z.strictObject({ name: PlanHead.shape.name });
const Pointed = z.strictObject({ distance: z.number().gt(0).max(30_000) });

export type AppParts = {
  folder: DataFolder;
  log: Logger;
  /** folder of the built web app */
  web: string;
};

/** The whole HTTP face: /api for plans, everything else is the web app. */
export function makeApp({ folder, log, web }: AppParts): Express {
  const app = express();
  const streams = new Streams();
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
  // the event stream must arrive line by line
  app.use(compression({ filter: (req, res) => !req.path.endsWith('/stream') && compression.filter(req, res) }));
  app.use(guard());
  app.use('/api', express.json({ limit: '24mb' }));
  app.use('/api', (req, res, next) => {
    const wrong = unstorableAt(req.body);
    if (wrong) problem(res, 400, 'Bad input', `${wrong}.`);
    else next();
  });
  app.param('id', (_req, res, next, id: unknown) => (Id.safeParse(id).success ? next() : noPlan(res)));

  app.get('/api/plans', async (_req, res) => void res.json(await folder.store.list()));

  app.post('/api/plans', async (req, res) => {
    const body = NewPlan.safeParse(req.body);
    if (!body.success) return badInput(res, body.error);
    if ('head' in body.data)
      return void res.status(201).json({ id: await folder.store.add({ head: body.data.head as Partial<PlanHead> }) });
    const read = importPlan(body.data.file, 'new');
    if (!read.ok) return problem(res, 422, 'Not a plan file', read.reason);
    res.status(201).json({ id: await folder.store.add({ plan: read.plan }) });
  });

  app.get('/api/plans/:id', async (req, res) => {
    const found = await folder.store.get(req.params.id);
    if (!found) return noPlan(res);
    res.json(found);
  });

  for (const [word, away] of [
    ['away', true],
    ['back', false],
  ] as const)
    app.post(`/api/plans/:id/${word}`, async (req, res) => {
      if (!Nothing.safeParse(req.body).success) return problem(res, 400, 'Bad input', 'Send an empty object.');
      if (!(await folder.store.throwAway(req.params.id, away))) return noPlan(res);
      res.json({});
    });

  app.post('/api/plans/:id/take-over', async (req, res) => {
    const body = TakeOver.safeParse(req.body);
    if (!body.success) return badInput(res, body.error);
    answer(res, await folder.store.takeOver(req.params.id, body.data.from));
  });

  app.get('/api/plans/:id/file', async (req, res) => {
    const found = await folder.store.get(req.params.id);
    if (!found) return noPlan(res);
    res.attachment(planFileName(found.plan)).type('application/json').send(exportPlan(found.plan));
  });

  app.post('/api/plans/:id/commands', async (req, res) => {
    const body = Sent.safeParse(req.body);
    if (!body.success) return badInput(res, body.error);
    answer(res, await folder.store.run(req.params.id, body.data.commandId, body.data.command));
  });

  app.post('/api/plans/:id/fork', async (req, res) => {
    const body = Fork.safeParse(req.body);
    if (!body.success) return badInput(res, body.error);
    const id = await folder.store.fork(req.params.id, body.data.name);
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
    answer(res, await folder.store.undo(req.params.id));
  });

  app.post('/api/plans/:id/redo', async (req, res) => {
    if (!Nothing.safeParse(req.body).success) return problem(res, 400, 'Bad input', 'Send an empty object.');
    answer(res, await folder.store.redo(req.params.id));
  });

  app.get('/api/plans/:id/stream', async (req, res) => {
    const found = await folder.store.get(req.params.id);
    if (!found) return noPlan(res);
    streams.add(res, folder.store, req.params.id, found.revision);
  });

  app.get('/api/backups', (_req, res) => void res.json(folder.safety()));

  app.post('/api/backups', async (req, res) => {
    if (!Nothing.safeParse(req.body).success) return problem(res, 400, 'Bad input', 'Send an empty object.');
    res.status(201).json({ file: await folder.backUp() });
  });

  app.post('/api/backups/restore', async (req, res) => {
    const body = Restoring.safeParse(req.body);
    if (!body.success) return badInput(res, body.error);
    const kept =
      'mend' in body.data
        ? await folder.mend()
        : await folder.restore(join(backupsFolder(folder.path), body.data.file));
    streams.dropAll();
    res.json({ kept, ...folder.safety() });
  });

  app.use('/api', (_req, res) => problem(res, 404, 'Not found', 'There is nothing under this address.'));
  serveWeb(app, web);
  app.use(onError(log, folder.path));
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
  else if (outcome.kind === 'unstorable') problem(res, 422, 'Cannot be kept', outcome.reason);
  else problem(res, 409, outcome.kind === 'nothing' ? 'Nothing to do' : 'Refused', outcome.reason);
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
    // a page has no ending: what has one is a file that is not there, and a script answered with the page would fail without a word
    if (req.method !== 'GET' || extname(req.path) !== '' || !existsSync(index))
      return problem(res, 404, 'Not found', 'There is nothing under this address.');
    res.setHeader('cache-control', 'no-cache').sendFile(index);
  });
}
