import { type Response, Router } from 'express';
import { z } from 'zod';
import { Id } from '@heronstone/core/plan';
import { cookiesOf } from '../access/index.ts';
import { type Keeping } from '../http/app.ts';
import { bodyOf, Nothing } from '../http/answers.ts';
import { problem } from '../http/problem.ts';
import { type GuildDoor } from './door.ts';
import { Passphrase, PASSKEY_COOKIE } from './door-routes.ts';
import { householdTools } from './household-tools.ts';
import { type Hub } from './hub.ts';
import { limitsOf } from './limits.ts';
import { act, endSessions, hasPassphrase, invite, leave, scopeOf, setPassphrase, setRole } from './members.ts';
import { addPasskey, passkeyOptions, passkeysOf, removePasskey, siteOf } from './passkeys.ts';
import { addSharing } from './sharing-routes.ts';

const Name = z.string().trim().min(1).max(80);
const Role = z.enum(['keeper', 'helper', 'guest']);
const Renamed = z.strictObject({ name: z.string().trim().min(1).max(120) });
const Inviting = z.strictObject({ role: Role, forWhom: Name, member: Id.nullable() });
const Changed = z.strictObject({ role: Role });
const Said = z.strictObject({ passphrase: Passphrase });
const Answer = z.strictObject({ response: z.looseObject({ id: z.string().max(1000) }) });

/** The household itself: who is in it, who comes in, what was done, what may be kept; and what is shared with others. */
export function householdRoutes(door: GuildDoor, hub: Hub, keeping: (res: Response) => Keeping): Router {
  const routes = Router();
  const tools = householdTools(door, hub, keeping);
  const { pool, known, whole, ok, missing, link } = tools;

  routes.get('/', async (_req, res) => {
    const me = known(res);
    const mine = me.role === 'keeper' ? null : (me.member?.id ?? '');
    const told = await pool.transaction(
      scopeOf(me),
      async (tx) => ({
        id: me.household,
        name: me.householdName,
        me: me.member && {
          ...{ ...me.member, role: me.role, passphrase: await hasPassphrase(tx, me.member.id) },
          passkeys: await passkeysOf(tx, me.member.id),
        },
        members: await tx.query(
          `SELECT id, name, role, since, left_at AS "leftAt", (SELECT count(*)::int FROM passkeys p WHERE p.member_id = m.id) AS passkeys,
             hash IS NOT NULL AS passphrase FROM members m ORDER BY left_at NULLS FIRST, since`,
        ),
        sessions: (
          await tx.query(
            `SELECT digest, member_id AS member, (SELECT for_whom FROM links l WHERE l.digest = link_digest) AS link, device, since, seen_at AS "seenAt"
             FROM sessions WHERE ends_at > now() AND ($1::text IS NULL OR member_id = $1) ORDER BY seen_at DESC LIMIT 200`,
            [mine],
          )
        ).map((s) => ({ ...s, own: s.digest === me.session })),
        limits: await limitsOf(tx, me.household),
        ...(mine === null && {
          invitations: await tx.query(
            `SELECT digest, role, for_whom AS "forWhom", by_whom AS "byWhom", ends_at AS "endsAt" FROM invitations
             WHERE used_at IS NULL AND ends_at > now() ORDER BY made_at`,
          ),
          links: await tx.query(
            `SELECT digest, (SELECT name FROM plans p WHERE p.id = plan_id) AS plan, for_whom AS "forWhom", ends_at AS "endsAt"
             FROM links WHERE ends_at > now() ORDER BY made_at`,
          ),
          gifts: await tx.query(
            `SELECT digest, plan_name AS plan, made_at AS "madeAt" FROM gifts WHERE taken_at IS NULL AND ends_at > now() ORDER BY made_at`,
          ),
          receipts: await tx.query('SELECT at, words FROM receipts ORDER BY at DESC LIMIT 50'),
          acts: await tx.query(
            `SELECT at, plan_name AS plan, words, by_whom AS "byWhom" FROM acts ORDER BY at DESC, id LIMIT 100`,
          ),
        }),
      }),
      true,
    );
    res.setHeader('cache-control', 'no-store').json(told);
  });

  routes.post('/name', async (req, res) => {
    const body = bodyOf(Renamed, req.body, res);
    if (!body) return;
    await whole(res, async (tx) => {
      await tx.query('UPDATE households SET name = $1', [body.name]);
      await act(tx, `call this household ${body.name}`);
    });
    ok(res);
  });

  routes.post('/invitations', async (req, res) => {
    const body = bodyOf(Inviting, req.body, res);
    if (!body) return;
    const { member, role, forWhom } = body;
    const here = await whole(res, (tx) => tx.query('SELECT role, name FROM members WHERE id = $1', [member ?? '']));
    if (member !== null && !here[0]) return missing(res, 'Nobody of that name is in this household.');
    // somebody who comes in again comes in as who they are
    const as = here[0] ? { role: here[0].role as typeof role, forWhom: here[0].name as string } : { role, forWhom };
    const secret = await whole(res, (tx) => invite(tx, { ...as, by: known(res).member!.name, member }));
    link(res, 'come', secret);
  });

  routes.post('/invitations/:digest/withdraw', async (req, res) => {
    if (!bodyOf(Nothing, req.body, res)) return;
    await whole(res, (tx) =>
      tx.query('DELETE FROM invitations WHERE digest = $1 AND used_at IS NULL', [req.params.digest]),
    );
    ok(res);
  });

  routes.post('/members/:member/role', async (req, res) => {
    const body = bodyOf(Changed, req.body, res);
    if (!body) return;
    await whole(res, (tx) => setRole(tx, req.params.member, body.role));
    ok(res);
  });

  routes.post('/members/:member/leave', async (req, res) => {
    if (!bodyOf(Nothing, req.body, res)) return;
    await whole(res, (tx) => leave(tx, req.params.member));
    ok(res);
  });

  routes.post('/mine/leave', async (req, res) => {
    if (!bodyOf(Nothing, req.body, res)) return;
    await whole(res, (tx) => leave(tx, known(res).member!.id));
    door.forget(known(res).session);
    door.letGo(res);
    ok(res);
  });

  routes.post('/sessions/:digest/end', async (req, res) => {
    if (!bodyOf(Nothing, req.body, res)) return;
    await whole(res, (tx) => endSessions(tx, 'digest', req.params.digest));
    door.forget(req.params.digest);
    ok(res);
  });

  routes.post('/mine/sessions/:digest/end', async (req, res) => {
    if (!bodyOf(Nothing, req.body, res)) return;
    const { digest } = req.params;
    const own = await whole(res, async (tx) => {
      const rows = await tx.query('SELECT 1 FROM sessions WHERE digest = $1 AND member_id = $2', [
        digest,
        known(res).member!.id,
      ]);
      if (rows.length > 0) await endSessions(tx, 'digest', digest);
      return rows.length > 0;
    });
    if (own) door.forget(digest);
    if (own) ok(res);
    else missing(res, 'There is no such session of yours.');
  });

  routes.post('/mine/passphrase', async (req, res) => {
    const body = bodyOf(Said, req.body, res);
    if (!body) return;
    await setPassphrase(pool, known(res), body.passphrase);
    ok(res);
  });

  routes.post('/mine/passkey/options', async (req, res) => {
    if (!bodyOf(Nothing, req.body, res)) return;
    const { options, secret } = await passkeyOptions(pool, known(res), siteOf(door.originOf(req)));
    res.cookie(PASSKEY_COOKIE, secret, { ...door.cookie, maxAge: 300_000 }).json(options);
  });

  routes.post('/mine/passkey', async (req, res) => {
    const body = bodyOf(Answer, req.body, res);
    if (!body) return;
    const [question = ''] = cookiesOf(req, PASSKEY_COOKIE);
    if (await addPasskey(pool, known(res), siteOf(door.originOf(req)), question, body.response as never))
      return void ok(res);
    problem(res, 422, 'No passkey', 'This browser’s answer is no passkey for this address. Try once more.');
  });

  routes.post('/mine/passkeys/:id/remove', async (req, res) => {
    if (!bodyOf(Nothing, req.body, res)) return;
    if (await whole(res, (tx) => removePasskey(tx, known(res).member!.id, req.params.id))) ok(res);
    else missing(res, 'There is no such passkey of yours.');
  });

  addSharing(routes, tools);
  return routes;
}
