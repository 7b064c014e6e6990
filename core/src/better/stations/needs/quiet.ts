import { neighboursWith } from '../neighbours.ts';
import { type At, type Need, row } from './need.ts';

export function quiet(at: At): Need[] {
  if (!at.activity.traits.includes('quiet')) return [];
  const near = neighboursWith(at.plan, at.station, 'noise');
  return row('quiet', 'yes', near.length > 0 ? `beside ${near.map((s) => s.name).join(', ')}` : 'yes', {
    lacks: near.length > 0 ? `${near.map((s) => s.name).join(', ')} is noisy in the same months.` : null,
  });
}
