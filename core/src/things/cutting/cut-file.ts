import { z } from 'zod';
import { GRAINS } from '../../record/plan/index.ts';

const mm = z.number().gt(0, 'must be more than 0').max(20_000);
const id = z.string().min(1).max(80);

/**
 * What `heronstone cut` reads: pieces wanted (mm; `grain`: which side runs with the grain), sheets they come out of (`grain`: the side it runs along;
 * `caliper`: thickness; `wanted`: how many of each piece), what a cut takes away, and how high a stack the cutter takes.
 */
export const CutFile = z.strictObject({
  format: z.literal('heronstone-cut/1', { error: 'must be "heronstone-cut/1"' }),
  pieces: z
    .array(z.strictObject({ id, width: mm, depth: mm, grain: z.enum(GRAINS).default('any') }))
    .min(1)
    .max(40)
    .refine((list) => new Set(list.map((p) => p.id)).size === list.length, 'has a piece twice'),
  sheets: z
    .array(
      z.strictObject({
        id,
        width: mm,
        depth: mm,
        grain: z.enum(['width', 'depth']).nullable().default(null),
        caliper: z.number().gt(0).max(100).default(0.3),
        wanted: z.record(id, z.int().min(0).max(10_000)),
      }),
    )
    .min(1)
    .max(500)
    .refine((list) => new Set(list.map((s) => s.id)).size === list.length, 'has a sheet twice'),
  kerf: z.number().min(0).max(50).default(0),
  stack: z.number().gt(0).max(1000).default(1),
});
