import { type Request, type Response, Router } from 'express';
import { ipKeyGenerator } from 'express-rate-limit';
import { setTimeout as wait } from 'node:timers/promises';
import { z } from 'zod';
import { bodyOf, Nothing } from '../http/answers.ts';
import { knownOnly } from '../http/guard.ts';
import { problem } from '../http/problem.ts';
import { cookiesOf, SHORTEST } from '../access/index.ts';
import { type GuildDoor } from './door.ts';
import { type Hub } from './hub.ts';
import { comeIn, endSessions, enter, invitationOf, type Known, lookBy, type Role, scopeOf } from './members.ts';
import { enterByPasskey, enterOptions, siteOf } from './passkeys.ts';
import { NOBODY } from './pool.ts';
import { hit, unhit } from './tries.ts';

/** Wrong passphrases from one address in a quarter of an hour, on all servers together; and how many wrong links. */
const GUESSES = 10;
const LINKS = 60;
const QUARTER = 15 * 60_000;
/** After so many wrong passphrases for one person everybody’s next one waits half a second longer, up to ten: slowed, never shut out (own assumptions). */
const AT_EASE = 10;
const LONGER = 500;
const LONGEST = 10_000;
const SLOWED = 1_000;

const Name = z.string().trim().min(1).max(80);
export const Token = z.string().regex(/^[\w-]{20,100}$/, 'is no such link');
const Enter = z.strictObject({
  household: z.string().max(80),
  name: z.string().max(80),
  passphrase: z.string().max(500),
});
export const Passphrase = z
  .string()
  .max(500)
  .refine(
    (said) => [...said.trim()].length >= SHORTEST,
    `has at least ${SHORTEST} letters; four words that do not belong together are good`,
  );
const Come = z.strictObject({ token: Token, name: Name, passphrase: Passphrase.nullable() });
const With = z.strictObject({ token: Token });
const Answer = z.strictObject({ response: z.looseObject({ id: z.string().max(1000) }) });

/** What a window is told of who it is. */
export type Told = {
  guild: true;
  known: boolean;
  fromHouse: true;
  addresses: readonly string[];
  secure: boolean;
  household?: { id: string; name: string };
  member?: { id: string; name: string } | null;
  role?: Role;
  onlyPlan?: string | null;
};

export const deviceOf = (req: Request): string => (req.headers['user-agent'] ?? 'a device').slice(0, 120);
/** The cookie that names the question a passkey is to answer. */
export const PASSKEY_COOKIE = 'heronstone-passkey';

/** Saying who one is. Open to everybody; tells nothing of any household. */
export function doorRoutes(door: GuildDoor, hub: Hub): Router {
  const routes = Router();
  const { pool } = hub;
  const nobody = pool.as(NOBODY);
  const from = (req: Request) => ipKeyGenerator(req.ip ?? '');

  /** Whether this address has tries left; the answer is given where it has none. */
  const mayTry = async (req: Request, res: Response, what: string, most: number): Promise<string | null> => {
    const key = `${what} ${from(req)}`;
    if ((await hit(nobody, key, QUARTER)) <= most) return key;
    problem(res, 429, 'Too many tries', 'Too many wrong tries from here. Wait a quarter of an hour and try again.');
    return null;
  };

  routes.get('/', async (req, res) => {
    const admission = await door.admits(req);
    const told: Told = { guild: true, known: admission.ok, fromHouse: true, addresses: [], secure: door.house.secure };
    if (admission.ok) {
      const { household, householdName, member, role, onlyPlan } = admission.known!;
      Object.assign(told, { household: { id: household, name: householdName }, member, role, onlyPlan });
    }
    res.setHeader('cache-control', 'no-store').json(told);
  });

  routes.post('/enter', async (req, res) => {
    const body = bodyOf(Enter, req.body, res);
    const key = body && (await mayTry(req, res, 'enter', GUESSES));
    if (!body || !key) return;
    const household = body.household.trim().toLowerCase();
    const person = `person ${household}/${body.name.trim().toLowerCase()}`;
    const wrong = await hit(nobody, person, QUARTER);
    if (wrong > AT_EASE) await wait(Math.min(LONGEST, (wrong - AT_EASE) * LONGER), undefined, { ref: false });
    const secret = await enter(pool, { ...body, household, device: deviceOf(req) });
    if (secret === null) {
      await wait(SLOWED, undefined, { ref: false });
      return problem(res, 403, 'Not right', 'Household, name and passphrase do not go together.');
    }
    await unhit(nobody, key);
    await unhit(nobody, person);
    await letIn(req, res, secret);
  });

  /** A new session; the one this browser had before ends. */
  const letIn = async (req: Request, res: Response, secret: string, more: object = {}) => {
    const before = await door.admits(req);
    if (before.ok) {
      const known = before.known!;
      await pool.transaction(scopeOf(known), (tx) => endSessions(tx, 'digest', known.session));
      door.forget(known.session);
    }
    door.letIn(res, secret);
    res.json(more);
  };

  routes.post('/leave', knownOnly(door), async (req, res) => {
    if (!bodyOf(Nothing, req.body, res)) return;
    const known = res.locals.known as Known;
    await pool.transaction(scopeOf(known), (tx) => endSessions(tx, 'digest', known.session));
    door.forget(known.session);
    door.letGo(res);
    res.json({});
  });

  routes.post('/invitation', async (req, res) => {
    const body = bodyOf(With, req.body, res);
    const key = body && (await mayTry(req, res, 'link', LINKS));
    if (!body || !key) return;
    const invitation = await invitationOf(pool, body.token);
    if (!invitation)
      return problem(res, 404, 'Over', 'This invitation was used, withdrawn, or is over. Ask for another one.');
    await unhit(nobody, key);
    const { household, householdName, role, forWhom } = invitation;
    res.json({ household: householdName, word: household, role, forWhom });
  });

  routes.post('/come', async (req, res) => {
    const body = bodyOf(Come, req.body, res);
    const key = body && (await mayTry(req, res, 'link', LINKS));
    if (!body || !key) return;
    const came = await comeIn(pool, body.token, { ...body, device: deviceOf(req) });
    if (!came.ok) return problem(res, 409, 'Refused', came.reason);
    await unhit(nobody, key);
    await letIn(req, res, came.secret);
  });

  routes.post('/look', async (req, res) => {
    const body = bodyOf(With, req.body, res);
    const key = body && (await mayTry(req, res, 'link', LINKS));
    if (!body || !key) return;
    const looked = await lookBy(pool, body.token, deviceOf(req));
    if (!looked) return problem(res, 404, 'Over', 'This link is over, or was taken back. Ask for another one.');
    await unhit(nobody, key);
    await letIn(req, res, looked.secret, { plan: looked.plan });
  });

  routes.post('/passkey/options', async (req, res) => {
    if (!bodyOf(Nothing, req.body, res)) return;
    const { options, secret } = await enterOptions(pool, siteOf(door.originOf(req)));
    res.cookie(PASSKEY_COOKIE, secret, { ...door.cookie, maxAge: 300_000 }).json(options);
  });

  routes.post('/passkey', async (req, res) => {
    const body = bodyOf(Answer, req.body, res);
    const key = body && (await mayTry(req, res, 'link', LINKS));
    if (!body || !key) return;
    const [question = ''] = cookiesOf(req, PASSKEY_COOKIE);
    const secret = await enterByPasskey(
      pool,
      siteOf(door.originOf(req)),
      question,
      body.response as never,
      deviceOf(req),
    );
    if (secret === null) return problem(res, 403, 'Not right', 'This passkey opens nothing here.');
    await unhit(nobody, key);
    await letIn(req, res, secret);
  });
  return routes;
}
