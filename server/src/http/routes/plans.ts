import { type Response, Router } from 'express';
import { z } from 'zod';
import { exportPlan, importPlan, photosOf, planFileName, withPhotosAs } from '@heronstone/core/formats';
import { Id, PlanHead, Sent } from '@heronstone/core/plan';
import { type PhotoStore } from '../../store/photo-store.ts';
import { hashOf, keepable } from '../../store/photos.ts';
import { type Store } from '../../store/store.ts';
import { answer, bodyOf, noPlan, Nothing } from '../answers.ts';
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

const notThatOne = { ok: false, reason: 'A picture in it is not the one it is said to be.' } as const;

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
    const read = importPlan(body.file, 'new');
    if (!read.ok) return problem(res, 422, 'Not a plan file', read.reason);
    const pictures = Object.entries(read.photos ?? {}).map(([hash, jpeg]) => ({
      hash,
      bytes: Buffer.from(jpeg, 'base64'),
    }));
    for (const { hash, bytes } of pictures) {
      const wrong = hashOf(bytes) === hash ? keepable(bytes) : notThatOne;
      if (!wrong.ok) return problem(res, 422, 'Not a plan file', wrong.reason);
    }
    // none is kept before all of the file is found to be good, and none stays behind when the plan cannot be kept
    const here = await photos(res).hashes();
    const names = new Map<string, string>();
    try {
      for (const { hash, bytes } of pictures) {
        const kept = await photos(res).keep(bytes);
        if (!kept.ok) throw new Error(kept.reason);
        names.set(hash, kept.hash);
      }
      res.status(201).json({ id: await store(res).add({ plan: withPhotosAs(read.plan, names) }) });
    } catch (error) {
      await photos(res).forget([...names.values()].filter((hash) => !here.has(hash)));
      throw error;
    }
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
    const files = req.query.photos === undefined ? [] : photosOf(found.plan);
    const pictures: Record<string, string> = {};
    for (const hash of files) {
      const bytes = await photos(res).read(hash);
      if (bytes) pictures[hash] = Buffer.from(bytes).toString('base64');
    }
    res.attachment(planFileName(found.plan)).type('application/json').send(exportPlan(found.plan, pictures));
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
