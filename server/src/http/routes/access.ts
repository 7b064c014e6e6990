import { type RequestHandler, Router } from 'express';
import { ipKeyGenerator, rateLimit } from 'express-rate-limit';
import { slowDown } from 'express-slow-down';
import { z } from 'zod';
import { type Access, House } from '../../access/index.ts';
import { bodyOf, Nothing } from '../answers.ts';
import { knownOnly } from '../guard.ts';
import { problem } from '../problem.ts';

const Said = z.strictObject({ passphrase: z.string().max(500) });

/** Guesses from one address, or of one phone that was let in before, in a quarter of an hour; each wrong one waits a second for its answer (own assumptions). */
const GUESSES = 10;
const QUARTER = 15 * 60_000;
const SLOWED = 1000;
/** After so many wrong ones from all strangers together each further one waits half a second longer than the one before, up to ten (own assumption). */
const AT_EASE = 20;
const LONGER = 500;
const LONGEST = 10_000;

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

/** Nobody has more than a few guesses: an address, or a phone that was let in before, which strangers at its address cannot shut out. */
const limited = (house: House): RequestHandler =>
  rateLimit({
    windowMs: QUARTER,
    limit: GUESSES,
    skipSuccessfulRequests: true,
    legacyHeaders: false,
    standardHeaders: true,
    keyGenerator: (req) => house.before(req) ?? ipKeyGenerator(req.ip ?? ''),
    handler: (_req, res) =>
      problem(res, 429, 'Too many tries', 'Too many wrong passphrases. Wait a quarter of an hour and try again.'),
  });

/** All strangers together are slowed, never shut out: who knows the passphrase waits some seconds and is let in. */
const slowed = (house: House): RequestHandler =>
  slowDown({
    windowMs: QUARTER,
    delayAfter: AT_EASE,
    delayMs: (used) => (used - AT_EASE) * LONGER,
    maxDelayMs: LONGEST,
    skipSuccessfulRequests: true,
    keyGenerator: () => 'all',
    skip: (req) => house.before(req) !== null,
  });

/** Who asks: what this window may see, saying the passphrase, being forgotten. Open to everybody; tells nothing of any plan. */
export function accessRoutes(
  access: Access,
  inTheHouse: () => Pick<InTheHouse, 'addresses' | 'secure'>,
  onLeave: (who: string) => void,
): Router {
  const routes = Router();
  routes.get('/', async (req, res) => {
    const known = (await access.admits(req)).ok;
    const told: InTheHouse = {
      fromHouse: access.house !== null,
      known,
      ...inTheHouse(),
      ...(known ? {} : { addresses: [] }),
    };
    res.setHeader('cache-control', 'no-store').json(told);
  });
  if (!(access instanceof House)) return routes;

  routes.post('/enter', limited(access), slowed(access), async (req, res) => {
    const body = bodyOf(Said, req.body, res);
    if (!body) return;
    if (await access.enter(req, res, body.passphrase)) return void res.json({});
    await new Promise((resolve) => setTimeout(resolve, SLOWED));
    problem(res, 403, 'Wrong passphrase', 'That is not the passphrase.');
  });

  routes.post('/leave', knownOnly(access), (req, res) => {
    if (!bodyOf(Nothing, req.body, res)) return;
    access.leave(req, res);
    // its windows that were listening come back and are asked who they are
    onLeave(res.locals.who as string);
    res.json({});
  });
  return routes;
}
