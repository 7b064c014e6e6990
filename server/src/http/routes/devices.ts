import { Router } from 'express';
import { z } from 'zod';
import { laserMeasure } from '../../devices/laser.ts';
import { bodyOf } from '../answers.ts';

const Pointed = z.strictObject({ distance: z.number().gt(0).max(30_000) });

/** Stand-ins for devices outside. */
export function deviceRoutes(): Router {
  const routes = Router();
  const laser = laserMeasure();
  routes.post('/laser/readings', (req, res) => {
    const body = bodyOf(Pointed, req.body, res);
    if (body) res.status(201).json(laser(body.distance));
  });
  return routes;
}
