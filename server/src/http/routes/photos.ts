import { type Response, Router } from 'express';
import { z } from 'zod';
import { type PhotoStore } from '../../store/photo-store.ts';
import { MOST_BYTES } from '../../store/photos.ts';
import { bodyOf, Nothing } from '../answers.ts';
import { problem } from '../problem.ts';

const Picture = z.strictObject({ jpeg: z.base64().max(Math.ceil(MOST_BYTES * 1.4)) });

/** Pictures of places and supplies: kept by hash, never changed; what no plan shows can be deleted. */
export function photoRoutes(photos: (res: Response) => PhotoStore): Router {
  const routes = Router();
  routes.get('/', async (_req, res) => void res.setHeader('cache-control', 'no-store').json(await photos(res).count()));

  routes.post('/delete-unused', async (req, res) => {
    if (bodyOf(Nothing, req.body, res)) res.json(await photos(res).deleteUnused());
  });

  routes.post('/', async (req, res) => {
    const body = bodyOf(Picture, req.body, res);
    if (!body) return;
    const kept = await photos(res).keep(Buffer.from(body.jpeg, 'base64'));
    if (!kept.ok) return problem(res, 422, 'No picture', kept.reason);
    res.status(201).json({ hash: kept.hash });
  });

  routes.get('/:hash', async (req, res) => {
    const bytes = await photos(res).read(req.params.hash);
    if (!bytes) return problem(res, 404, 'Not found', 'There is no such picture here.');
    res.type('image/jpeg').setHeader('cache-control', 'private, max-age=31536000, immutable').send(Buffer.from(bytes));
  });
  return routes;
}
