import { createServer } from 'node:http';
import express from 'express';
import { createProxyMiddleware } from 'http-proxy-middleware';
import { ended, listen, portOf } from '../http/listen.ts';
import { problem } from '../http/problem.ts';

/** So often it is looked whether a server answers, ms. */
const LOOKS = 400;

/** A server behind the one address: where it answers, and where it says that it is ready. */
export type Behind = { url: string; ready: string };

/**
 * One address before several servers of ours, for a trial on one machine: each request goes to the next one that is ready. It stands in for the proxy a
 * guild has anyway.
 * @param behind asked anew for every request: servers come and go
 */
export async function balance(port: number, behind: () => readonly Behind[]) {
  const ready = new Map<string, boolean>();
  let turn = 0;
  const look = () =>
    Promise.all(
      behind().map(async ({ url, ready: where }) => {
        const answer = await fetch(where, { signal: AbortSignal.timeout(2_000) }).catch(() => null);
        ready.set(url, answer?.ok === true);
      }),
    );
  const timer = setInterval(() => void look(), LOOKS);
  const next = (): string | undefined => {
    const alive = behind().filter(({ url }) => ready.get(url) !== false);
    return (alive.length > 0 ? alive : behind())[turn++ % Math.max(1, alive.length)]?.url;
  };
  const app = express();
  app.disable('x-powered-by');
  app.use((_req, res, go) => {
    res.locals.to = next();
    if (res.locals.to) go();
    else problem(res, 503, 'Not now', 'No server of this guild answers. It is tried again by itself.');
  });
  app.use(
    createProxyMiddleware({
      router: (req) => (req as express.Request).res!.locals.to as string,
      target: 'http://127.0.0.1:9',
      xfwd: true,
      on: {
        error: (_error, req, res) => {
          const answer = res as express.Response;
          ready.set((req as express.Request).res!.locals.to as string, false);
          // half an answer is none: the browser asks again
          if (!('status' in answer) || answer.headersSent) return void answer.destroy();
          problem(
            answer,
            503,
            'Not now',
            'This server of the guild does not answer. The next one is asked when it is tried again.',
          );
        },
      },
    }),
  );
  const server = await listen(createServer(app), port, '127.0.0.1');
  await look();
  return {
    port: portOf(server),
    close: async () => {
      clearInterval(timer);
      await ended(server);
    },
  };
}
