import { existsSync } from 'node:fs';
import { extname, join } from 'node:path';
import compression from 'compression';
import express, { type Express, type RequestHandler, type Response, type Router } from 'express';
import staticGzip from 'express-static-gzip';
import helmet from 'helmet';
import { type Logger } from 'pino';
import { unstorableAt } from '@heronstone/core/plan';
import { type Access } from '../access/index.ts';
import { type PhotoStore } from '../store/photo-store.ts';
import { type Store } from '../store/store.ts';
import { guard, knownOnly } from './guard.ts';
import { onError, problem } from './problem.ts';
import { photoRoutes } from './routes/photos.ts';
import { planRoutes } from './routes/plans.ts';
import { type Streams } from './stream.ts';

/** What a request is about: the plans and the pictures it may ask of. */
export type Keeping = { store: Store; photos: PhotoStore };

export type AppParts = {
  log: Logger;
  /** folder of the built web app */
  web: string;
  /** who may ask, and from where */
  access: Access;
  /** saying who one is; open to everybody */
  door: Router;
  /** what somebody unknown may send at most */
  doorLimit: string;
  /** asked for every request of somebody who is known */
  keeping: (res: Response) => Keeping;
  streams: Streams;
  /** what every request passes first */
  outermost?: RequestHandler[];
  /** what stands before all that is behind the door, and beside plans and pictures */
  before?: RequestHandler[];
  beside: Readonly<Record<string, Router>>;
  /** the data folder, for words about its disk */
  folder: string;
};

/** The whole HTTP face of one listener: /api for plans, everything else is the web app, which holds nothing of anybody’s. */
export function makeApp({
  log,
  web,
  access,
  door,
  doorLimit,
  keeping,
  streams,
  before = [],
  outermost = [],
  beside,
  folder,
}: AppParts): Express {
  const app = express();
  app.disable('x-powered-by');
  for (const one of outermost) app.use(one);
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
          imgSrc: ["'self'", 'data:', 'blob:'],
          mediaSrc: ["'self'", 'blob:'],
          connectSrc: ["'self'"],
          manifestSrc: ["'self'"],
          baseUri: ["'none'"],
          formAction: ["'none'"],
          frameAncestors: ["'none'"],
        },
      },
      strictTransportSecurity: false,
      referrerPolicy: { policy: 'no-referrer' },
      // over plain HTTP from the house a browser ignores these, and says so in its console
      crossOriginOpenerPolicy: access.house?.secure !== false,
      originAgentCluster: access.house?.secure !== false,
    }),
  );
  // the event stream must arrive line by line
  app.use(compression({ filter: (req, res) => !req.path.endsWith('/stream') && compression.filter(req, res) }));
  app.use(guard(access));
  // who is not known yet says a passphrase and nothing longer
  app.use('/api/access', express.json({ limit: doorLimit }), storable, door);
  app.use('/api', knownOnly(access), express.json({ limit: '24mb' }), storable, ...before);
  app.use(
    '/api/plans',
    planRoutes(
      (res) => keeping(res).store,
      (res) => keeping(res).photos,
      streams,
    ),
  );
  app.use(
    '/api/photos',
    photoRoutes((res) => keeping(res).photos),
  );
  for (const [path, routes] of Object.entries(beside)) app.use(`/api/${path}`, routes);
  app.use('/api', (_req, res) => problem(res, 404, 'Not found', 'There is nothing under this address.'));
  serveWeb(app, web);
  app.use(onError(log, folder));
  return app;
}

/** Text that no database can keep goes no further. */
const storable: RequestHandler = (req, res, next) => {
  const wrong = unstorableAt(req.body);
  if (wrong) problem(res, 400, 'Bad input', `${wrong}.`);
  else next();
};

function serveWeb(app: Express, web: string): void {
  const index = join(web, 'index.html');
  app.use(
    // what the build has compressed is sent as it lies there
    staticGzip(web, {
      index: false,
      serveStatic: {
        setHeaders: (res, path) =>
          void res.setHeader(
            'cache-control',
            path.includes('/assets/') ? 'public, max-age=31536000, immutable' : 'no-cache',
          ),
      },
    }),
  );
  app.use((req, res) => {
    // a page has no ending: what has one is a file that is not there, and a script answered with the page would fail without a word
    if (req.method !== 'GET' || extname(req.path) !== '' || !existsSync(index))
      return problem(res, 404, 'Not found', 'There is nothing under this address.');
    res.setHeader('cache-control', 'no-cache').sendFile(index);
  });
}
