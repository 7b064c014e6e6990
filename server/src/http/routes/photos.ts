import { Router } from 'express';
import { z } from 'zod';
import { MOST_BYTES, type Photos } from '../../store/photos.ts';
import { bodyOf } from '../answers.ts';
import { problem } from '../problem.ts';

const Picture = z.strictObject({ jpeg: z.base64().max(Math.ceil(MOST_BYTES * 1.4)) });

/** Pictures of places and supplies: kept by hash, never changed. */
export function photoRoutes(photos: () => Photos): Router {
  const routes = Router();
  routes.post('/', (req, res) => {
    const body = bodyOf(Picture, req.body, res);
    if (!body) return;
    const kept = photos().keep(Buffer.from(body.jpeg, 'base64'));
    if (!kept.ok) return problem(res, 422, 'No picture', kept.reason);
    res.status(201).json({ hash: kept.hash });
  });

  routes.get('/:hash', (req, res) => {
    const bytes = photos().read(req.params.hash);
    if (!bytes) return problem(res, 404, 'Not found', 'There is no such picture here.');
    res.type('image/jpeg').setHeader('cache-control', 'private, max-age=31536000, immutable').send(bytes);
  });
  return routes;
}
