import { type Plan } from './plan.ts';
import { type Place } from './rows/index.ts';

/** One does not see what is in it until it is opened. */
export const isShut = (place: Pick<Place, 'covers' | 'seen'>): boolean => place.covers.length > 0 && !place.seen;

/** Nothing says what is in it, and nobody knows it by heart. */
export const isUnlabelled = (place: Pick<Place, 'label'>): boolean => place.label === 'none';

/** Places whose sides differ by less than this look the same (own assumption: a fifth). */
const LIKE = 0.2;
const like = (a: number, b: number) => Math.abs(a - b) <= LIKE * Math.max(a, b);

/**
 * Among how many that look the same each shut, unlabelled place is looked for: those of one unit (or in one place), of one kind and about one size, itself
 * counted. Places that are open, labelled or learnt are not in it, and none is where the maker goes by memory.
 */
export function alikePlaces(plan: Pick<Plan, 'head' | 'places'>): ReadonlyMap<string, number> {
  const out = new Map<string, number>();
  if (plan.head.labels === 'memory') return out;
  const groups = new Map<string, Place[]>();
  for (const place of Object.values(plan.places)) {
    if (!isShut(place) || !isUnlabelled(place)) continue;
    const key = `${place.unitId} ${place.inId ?? ''} ${place.kind} ${place.organiserId ?? ''}`;
    groups.set(key, [...(groups.get(key) ?? []), place]);
  }
  for (const group of groups.values())
    for (const place of group)
      out.set(place.id, group.filter((p) => like(p.width, place.width) && like(p.height, place.height)).length);
  return out;
}
