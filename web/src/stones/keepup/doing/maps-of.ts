import { type Move, natureOf, type Place, type Plan } from '@heronstone/core/plan';

/**
 * The drawers, trays, boxes and boards that some moves go into, each once, those that most goes into first: what is laid out in one is seen on its map, what stands in a row or
 * on a top is not.
 */
export function mapsOf(wanted: Plan, moves: readonly Pick<Move, 'toId'>[]): Place[] {
  const come = new Map<string, number>();
  for (const { toId } of moves) if (toId !== null) come.set(toId, (come.get(toId) ?? 0) + 1);
  return [...come]
    .sort((a, b) => b[1] - a[1] || (a[0] < b[0] ? -1 : 1))
    .flatMap(([id]) => wanted.places[id] ?? [])
    .filter((place) => natureOf(place) === 'area' && place.kind !== 'top');
}
