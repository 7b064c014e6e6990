import { type RequestHandler, Router } from 'express';
import { rateLimit } from 'express-rate-limit';
import { z } from 'zod';
import { type Access, House } from '../../access/index.ts';
import { bodyOf, Nothing } from '../answers.ts';
import { problem } from '../problem.ts';

const Said = z.strictObject({ passphrase: z.string().max(500) });

/** Guesses from one address, and from all of them, in a quarter of an hour (own assumption); each wrong one waits a second for its answer. */
const GUESSES = 10;
const GUESSES_IN_ALL = 60;
const QUARTER = 15 * 60_000;
const SLOWED = 1000;

export type InTheHouse = {
  /** whether this window comes from the house, not from the machine itself */
  fromHouse: boolean;
  /** whether it may see the plans */
  known: boolean;
  /** where the house finds this server; empty when it does not listen there */
  addresses: readonly string[];
  /** whether others in the house’s network cannot read what travels */
  secure: boolean;
};

const limited = (limit: number, mine: boolean): RequestHandler =>
  rateLimit({
    windowMs: QUARTER,
    limit,
    skipSuccessfulRequests: true,
    legacyHeaders: false,
    standardHeaders: true,
    ...(mine ? {} : { keyGenerator: () => 'all' }),
    handler: (_req, res) =>
      problem(res, 429, 'Too many tries', 'Too many wrong passphrases. Wait a quarter of an hour and try again.'),
  });

/** Who asks: what this window may see, saying the passphrase, being forgotten. Open to everybody; tells nothing of any plan. */
export function accessRoutes(
  access: Access,
  inTheHouse: () => Pick<InTheHouse, 'addresses' | 'secure'>,
  onLeave: () => void,
): Router {
  const routes = Router();
  routes.get('/', (req, res) => {
    const known = access.admits(req).ok;
    const told: InTheHouse = {
      fromHouse: access.house !== null,
      known,
      ...inTheHouse(),
      ...(known ? {} : { addresses: [] }),
    };
    res.setHeader('cache-control', 'no-store').json(told);
  });
  if (!(access instanceof House)) return routes;

  routes.post('/enter', limited(GUESSES_IN_ALL, false), limited(GUESSES, true), async (req, res) => {
    const body = bodyOf(Said, req.body, res);
    if (!body) return;
    if (await access.enter(res, body.passphrase)) return void res.json({});
    await new Promise((resolve) => setTimeout(resolve, SLOWED));
    problem(res, 403, 'Wrong passphrase', 'That is not the passphrase.');
  });

  routes.post('/leave', (req, res) => {
    if (!bodyOf(Nothing, req.body, res)) return;
    access.leave(req, res);
    // a window that was listening comes back and is asked who it is
    onLeave();
    res.json({});
  });
  return routes;
}
