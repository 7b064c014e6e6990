import { bodyOf, type BodySource } from './body.ts';

/** How fine or heavy the work on a top is. */
export type WorkHeight = 'fine' | 'light' | 'heavy';

/** From the elbow to the worktop, mm, lowest and highest (Kroemer & Grandjean, from memory). */
export const ELBOW_TO_TOP: Record<WorkHeight, readonly [low: number, high: number]> = {
  fine: [50, 100],
  light: [-150, -100],
  heavy: [-400, -150],
};

/**
 * Height above the floor, mm, lowest and highest, that a worktop wants to have for a person.
 * @param seatHeight of the seat above the floor, mm; null: on the feet
 */
export function worktopWanted(
  person: BodySource,
  work: WorkHeight,
  seatHeight: number | null,
): [low: number, high: number] {
  const { elbow } = bodyOf(person, seatHeight);
  const [low, high] = ELBOW_TO_TOP[work];
  return [elbow + low, elbow + high];
}

/** How far a top is off what is wanted, mm: negative when it is too low, positive when too high, 0 when right. */
export function heightOff(top: number, [low, high]: readonly [number, number]): number {
  return top < low ? top - low : top > high ? top - high : 0;
}
