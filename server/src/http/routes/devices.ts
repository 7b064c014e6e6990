import { Router } from 'express';
import { z } from 'zod';
import { LabelPrinter } from '../../devices/label-printer.ts';
import { laserMeasure } from '../../devices/laser.ts';
import { bodyOf } from '../answers.ts';
import { problem } from '../problem.ts';

const Pointed = z.strictObject({ distance: z.number().gt(0).max(30_000) });

const Jobs = z.strictObject({
  jobs: z
    .array(
      z.strictObject({
        ref: z.string().max(80),
        lines: z.array(z.string().max(120)).max(4),
        code: z.string().max(120).nullable(),
      }),
    )
    .min(1, 'has nothing to print')
    .max(200),
});
const Act = z.strictObject({ act: z.enum(['off', 'on', 'tape', 'jam', 'clear']) });
const Cancel = z.strictObject({ id: z.string().max(80).nullable() });

/**
 * Stand-ins for devices outside.
 * @param printer whether a label printer stands beside this server; it does in a house
 */
export function deviceRoutes(printer = true): Router {
  const routes = Router();
  const laser = laserMeasure();
  routes.post('/laser/readings', (req, res) => {
    const body = bodyOf(Pointed, req.body, res);
    if (body) res.status(201).json(laser(body.distance));
  });
  if (printer) routes.use('/printer', printerRoutes(new LabelPrinter()));
  else
    routes.use('/printer', (_req, res) =>
      problem(res, 404, 'No printer', 'No label printer stands beside this server. Print the sheet of labels instead.'),
    );
  return routes;
}

function printerRoutes(printer: LabelPrinter): Router {
  const routes = Router();
  routes.get('/', (_req, res) => void res.json(printer.status()));
  routes.post('/jobs', (req, res) => {
    const body = bodyOf(Jobs, req.body, res);
    if (body) res.status(201).json(printer.send(body.jobs));
  });
  routes.post('/act', (req, res) => {
    const body = bodyOf(Act, req.body, res);
    if (body) res.json(printer.act(body.act));
  });
  routes.post('/cancel', (req, res) => {
    const body = bodyOf(Cancel, req.body, res);
    if (body) res.json(printer.cancel(body.id));
  });
  return routes;
}
