import { join } from 'node:path';
import { Router } from 'express';
import { z } from 'zod';
import { backupsFolder } from '../../store/backup.ts';
import { type DataFolder } from '../../store/data-folder.ts';
import { bodyOf, Nothing } from '../answers.ts';
import { type Streams } from '../stream.ts';

const Restoring = z.union([
  z.strictObject({ file: z.string().regex(/^heronstone-[\w-]{1,100}\.tar\.gz$/, 'is not the name of a backup') }),
  z.strictObject({ mend: z.literal(true) }),
]);

/** Safekeeping: the backups there are, a new one, one put back. */
export function backupRoutes(folder: DataFolder, streams: Streams): Router {
  const routes = Router();
  routes.get('/', (_req, res) => void res.json(folder.safety()));

  routes.post('/', async (req, res) => {
    if (bodyOf(Nothing, req.body, res)) res.status(201).json({ file: await folder.backUp() });
  });

  routes.post('/restore', async (req, res) => {
    const body = bodyOf(Restoring, req.body, res);
    if (!body) return;
    const kept =
      'mend' in body ? await folder.mend() : await folder.restore(join(backupsFolder(folder.path), body.file));
    streams.dropAll();
    res.json({ kept, ...folder.safety() });
  });
  return routes;
}
