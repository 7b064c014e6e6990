import { type Response, Router } from 'express';
import { z } from 'zod';
import { planFileName } from '@heronstone/core/formats';
import { Id, PlanHead, Sent } from '@heronstone/core/plan';
import { type PhotoStore } from '../../store/photo-store.ts';
import { type Store } from '../../store/store.ts';
import { answer, bodyOf, noPlan, Nothing } from '../answers.ts';
import { addFromFile, planFile } from '../plan-files.ts';
import { problem } from '../problem.ts';
import { type Streams } from '../stream.ts';

const NewPlan = z.union([
  z.strictObject({ file: z.string().max(20_000_000) }),
  z.strictObject({ head: PlanHead.partial().required({ name: true }) }),
]);
const Sending = z.strictObject({
  commandId: z.string().regex(/^[A-Za-z0-9._-]{8,80}$/, 'is not an id'),
  command: Sent,
});
const TakeOver = z.strictObject({ from: Id });
const Fork = z.strictObject({ name: PlanHead.shape.name });

/** Plans: the list, one of them, its file, its changes, undo and redo, and word of every change. */
export function planRoutes(
  store: (res: Response) => Store,
  photos: (res: Response) => PhotoStore,
  streams: Streams,
): Router {
  const routes = Router();
  routes.param('id', (_req, res, next, id: unknown) => (Id.safeParse(id).success ? next() : noPlan(res)));

  routes.get('/', async (_req, res) => void res.json(await store(res).list()));

  routes.post('/', async (req, res) => {
    const body = bodyOf(NewPlan, req.body, res);
    if (!body) return;
    if ('head' in body)
      return void res.status(201).json({ id: await store(res).add({ head: body.head as Partial<PlanHead> }) });
    const added = await addFromFile({ store: store(res), photos: photos(res) }, body.file);
    if (!added.ok) return problem(res, 422, 'Not a plan file', added.reason);
    res.status(201).json({ id: added.id });
  });

  routes.get('/:id', async (req, res) => {
    const found = await store(res).get(req.params.id);
    if (!found) return noPlan(res);
    res.json(found);
  });

  for (const [word, away] of [
    ['away', true],
    ['back', false],
  ] as const)
    routes.post(`/:id/${word}`, async (req, res) => {
      if (!bodyOf(Nothing, req.body, res)) return;
      if (!(await store(res).throwAway(req.params.id, away))) return noPlan(res);
      res.json({});
    });

  routes.post('/:id/take-over', async (req, res) => {
    const body = bodyOf(TakeOver, req.body, res);
    if (body) answer(res, await store(res).takeOver(req.params.id, body.from));
  });

  routes.get('/:id/file', async (req, res) => {
    const found = await store(res).get(req.params.id);
    if (!found) return noPlan(res);
    const text = await planFile(photos(res), found.plan, req.query.photos !== undefined);
    res.attachment(planFileName(found.plan)).type('application/json').send(text);
  });

  routes.post('/:id/commands', async (req, res) => {
    const body = bodyOf(Sending, req.body, res);
    if (body) answer(res, await store(res).run(req.params.id, body.commandId, body.command));
  });

  routes.post('/:id/fork', async (req, res) => {
    const body = bodyOf(Fork, req.body, res);
    if (!body) return;
    const id = await store(res).fork(req.params.id, body.name);
    if (id === null) return noPlan(res);
    res.status(201).json({ id });
  });

  for (const step of ['undo', 'redo'] as const)
    routes.post(`/:id/${step}`, async (req, res) => {
      if (bodyOf(Nothing, req.body, res)) answer(res, await store(res)[step](req.params.id));
    });

  routes.get('/:id/stream', async (req, res) => {
    const { id } = req.params;
    const from = store(res);
    await streams.add(res, from, id, res.locals.who as string, async () => {
      const found = await from.get(id);
      return found && { revision: found.revision, keptUntil: await from.keptUntil(id) };
    });
  });
  return routes;
}
