import { FLIES, neighboursWith } from '../neighbours.ts';
import { type At, type Need, row } from './need.ts';

export function clean(at: At): Need[] {
  if (!at.activity.traits.includes('clean')) return [];
  const near = neighboursWith(at.plan, at.station, 'splashes');
  return row(
    'clean',
    `${at.look.len(FLIES)} from wet and dusty work`,
    near.length > 0 ? `beside ${near.map((s) => s.name).join(', ')}` : 'yes',
    {
      lacks:
        near.length > 0
          ? `${near.map((s) => s.name).join(', ')} splashes or dusts within ${at.look.len(FLIES)}.`
          : null,
    },
  );
}
