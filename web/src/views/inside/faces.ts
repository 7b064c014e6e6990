import { stowageOf } from '@heronstone/core/fit';
import { type Place, type Plan } from '@heronstone/core/plan';

/** What is drawn at a scale: a drawer from above with its front below; a board, or upright slots, straight from the front. */
export function faceOf(place: Place): { width: number; depth: number; board: boolean } {
  const board = place.kind === 'board';
  return { width: place.width, depth: board ? place.height : place.depth, board };
}

/** What lies in a container, as its drawing says it; a thing and its reserve are one name. */
export const namesIn = (plan: Plan, place: Place): string[] => [
  ...new Set(stowageOf(plan, place).things.map((t) => t.supply.name)),
];
