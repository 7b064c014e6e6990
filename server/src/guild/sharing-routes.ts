import { type Response, type Router } from 'express';
import { z } from 'zod';
import { Id, newId } from '@heronstone/core/plan';
import { bodyOf, noPlan, Nothing } from '../http/answers.ts';
import { addFromFile, planFile } from '../http/plan-files.ts';
import { problem } from '../http/problem.ts';
import { Token } from './door-routes.ts';
import { give, giftOf, takeGift } from './gifts.ts';
import { type HouseholdTools } from './household-tools.ts';
import { mayKeepBytes } from './limits.ts';
import { act, endSessions, makeLink } from './members.ts';

const Linking = z.strictObject({
  planId: Id,
  forWhom: z.string().trim().min(1).max(80),
  days: z.int().min(1).max(366),
});
const Giving = z.strictObject({ planId: Id });
const Taking = z.strictObject({ token: Token });
const Template = z.strictObject({ planId: Id, words: z.string().trim().max(400) });

/** What a household shares with others: links to look, copies given by link, plans to begin from. */
export function addSharing(routes: Router, { pool, keeping, known, whole, ok, missing, link }: HouseholdTools): void {
  routes.post('/links', async (req, res) => {
    const body = bodyOf(Linking, req.body, res);
    if (!body) return;
    if (!(await keeping(res).store.get(body.planId))) return noPlan(res);
    link(res, 'look', await whole(res, (tx) => makeLink(tx, { ...body, by: known(res).member!.name })));
  });

  routes.post('/links/:digest/end', async (req, res) => {
    if (!bodyOf(Nothing, req.body, res)) return;
    const { digest } = req.params;
    await whole(res, async (tx) => {
      await endSessions(tx, 'link_digest', digest);
      await tx.query('DELETE FROM links WHERE digest = $1', [digest]);
    });
    ok(res);
  });

  routes.post('/gifts', async (req, res) => {
    const body = bodyOf(Giving, req.body, res);
    if (!body) return;
    const { store, photos } = keeping(res);
    const found = await store.get(body.planId);
    if (!found) return noPlan(res);
    const file = await planFile(photos, found.plan, true);
    link(res, 'take', await give(pool, known(res), found.plan.head.name, file));
  });

  routes.post('/gifts/:digest/withdraw', async (req, res) => {
    if (!bodyOf(Nothing, req.body, res)) return;
    await whole(res, (tx) => tx.query('DELETE FROM gifts WHERE digest = $1 AND taken_at IS NULL', [req.params.digest]));
    ok(res);
  });

  const over = (res: Response) =>
    missing(res, 'This copy was taken already, withdrawn, or is over. Ask for another one.');
  routes.post('/gift', async (req, res) => {
    const body = bodyOf(Taking, req.body, res);
    if (!body) return;
    const gift = await giftOf(pool, known(res), body.token);
    if (gift) res.json(gift);
    else over(res);
  });

  routes.post('/take', async (req, res) => {
    const body = bodyOf(Taking, req.body, res);
    if (!body) return;
    const here = keeping(res);
    const taken = await takeGift(pool, known(res), body.token, async (file, id) =>
      (await here.store.get(id)) ? { ok: true, id } : addFromFile(here, file, id),
    );
    if (!taken) return over(res);
    if (!taken.ok) return problem(res, 422, 'Not a plan file', taken.reason);
    res.status(201).json({ id: taken.id });
  });

  routes.get('/templates', async (_req, res) => {
    const rows = await whole(res, (tx) =>
      tx.query(
        `SELECT id, name, words, from_name AS "fromName", at, household_id = $1 AS own FROM templates ORDER BY name, id LIMIT 500`,
        [known(res).household],
      ),
    );
    res.json(rows);
  });

  routes.post('/templates', async (req, res) => {
    const body = bodyOf(Template, req.body, res);
    if (!body) return;
    const { store, photos } = keeping(res);
    const found = await store.get(body.planId);
    if (!found) return noPlan(res);
    const file = await planFile(photos, found.plan, true);
    const { name } = found.plan.head;
    await whole(res, async (tx) => {
      await mayKeepBytes(tx, known(res).household, file.length);
      await tx.query('INSERT INTO templates (id, name, words, from_name, file) VALUES ($1, $2, $3, $4, $5)', [
        newId('template'),
        name,
        body.words,
        known(res).householdName,
        file,
      ]);
      await act(tx, `put out ${name} for others to begin from`);
    });
    res.status(201).json({});
  });

  routes.post('/templates/:template/withdraw', async (req, res) => {
    if (!bodyOf(Nothing, req.body, res)) return;
    await whole(res, (tx) => tx.query('DELETE FROM templates WHERE id = $1', [req.params.template]));
    ok(res);
  });

  routes.post('/templates/:template/begin', async (req, res) => {
    if (!bodyOf(Nothing, req.body, res)) return;
    const [row] = await whole(res, (tx) => tx.query('SELECT file FROM templates WHERE id = $1', [req.params.template]));
    if (!row) return missing(res, 'That is not put out any more.');
    const added = await addFromFile(keeping(res), row.file as string);
    if (!added.ok) return problem(res, 422, 'Not a plan file', added.reason);
    res.status(201).json({ id: added.id });
  });
}
