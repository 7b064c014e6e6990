import { PLAY } from '../catalogue/index.ts';
import { containerFrom } from './containers.ts';
import { type Organiser, type Place } from './rows/index.ts';

/** So many of an organiser in one place: how containers were kept before version 5 of the plan. */
export type OrganiserSet = { id: string; organiserId: string; placeId: string; count: number };

/**
 * The containers of such a set, each a place of its own: side by side from the left, then behind each other, then on each other; those that
 * find no room stand where the first one does, and the plan says that it is over-full. Their ids are made of the set’s, always alike.
 */
export function setAsPlaces(set: OrganiserSet, organiser: Organiser, place: Place): Place[] {
  const turned = organiser.width > place.width && organiser.depth <= place.width && organiser.width <= place.depth;
  const [w, d] = turned ? [organiser.depth, organiser.width] : [organiser.width, organiser.depth];
  const many = (inside: number, outside: number) => Math.max(1, Math.floor((inside + 1e-9) / (outside + PLAY)));
  const [across, deep, high] = [many(place.width, w), many(place.depth, d), many(place.height, organiser.height)];
  return Array.from({ length: set.count }, (_, i) => {
    const n = i % (across * deep * high);
    const at = {
      left: (n % across) * (w + PLAY),
      front: (Math.floor(n / across) % deep) * (d + PLAY),
      bottom: Math.floor(n / (across * deep)) * organiser.height,
    };
    const name = set.count === 1 ? organiser.name : `${organiser.name.slice(0, 110)} ${i + 1}`;
    return containerFrom(organiser, place, { id: `${set.id}-${i + 1}`, name, turned, column: i, ...at });
  });
}
