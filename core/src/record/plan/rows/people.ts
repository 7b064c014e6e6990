import { z } from 'zod';
import { finite, named, bodyHeight, Id } from '../fields.ts';

/** Who works in the room. Flat rows, because each is one table; millimetres, grams, degrees, minutes. */

export const HAZARDS = ['blade', 'hot', 'flammable', 'fumes', 'small', 'magnet', 'toxic', 'heavy'] as const;
export type Hazard = (typeof HAZARDS)[number];

export const Person = z.strictObject({
  id: Id,
  name: named,
  stature: finite.min(700, 'is less than 70 cm').max(2500, 'is more than 2.5 m'),
  eyeHeight: bodyHeight,
  shoulderHeight: bodyHeight,
  elbowHeight: bodyHeight,
  gripReach: bodyHeight,
  hand: z.enum(['left', 'right']),
  mayClimb: z.boolean(),
  mayStoop: z.boolean(),
  mayKneel: z.boolean(),
  /** `standing`: works on her feet wherever she is, no chair */
  mobility: z.enum(['stool', 'swivel', 'standing', 'wheelchair']),
  child: z.boolean(),
  /** of a child, whole years; null: not said */
  age: z.int('must be whole years').min(0).max(17, 'is grown up').nullable(),
  /** of a child: which hazards must stay out of its reach */
  keepFrom: z.array(z.enum(HAZARDS)).max(8),
  /** a minute of hers counts as so many of anybody else’s */
  minuteCounts: finite.min(0.1, 'is less than a tenth').max(10, 'is more than ten'),
});
export type Person = z.infer<typeof Person>;
