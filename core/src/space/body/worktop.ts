import { bodyOf, MEASURES, type BodySource } from './body.ts';

/** How fine or heavy the work on a top is. */
export type WorkHeight = 'fine' | 'light' | 'heavy';

type Range = readonly [low: number, high: number];

/** From the elbow to the worktop, mm, lowest and highest: standing (Kroemer & Grandjean, from memory). */
export const ELBOW_TO_TOP: Record<WorkHeight, Range> = {
  fine: [50, 100],
  light: [-150, -100],
  heavy: [-400, -150],
};
/** Sitting: fine work as standing, light work and writing about elbow height (common practice), heavy as low as the thighs allow. */
const SEATED_TO_TOP: Record<WorkHeight, Range> = { ...ELBOW_TO_TOP, light: [-50, 0] };

/** Room for the thighs under a top beyond their thickness, mm (own assumption). */
const LAP_PLAY = 20;

/** How low a top of some thickness (mm) can be for somebody sitting: a table cannot be in the lap. Millimetres above the floor. */
function lowestSeatedTop(person: BodySource, seatHeight: number, thickness: number): number {
  return seatHeight + MEASURES.thigh * person.stature + LAP_PLAY + thickness;
}

export type WorktopWanted = {
  low: number;
  high: number;
  /** the work wants it lower than the lap allows: as low as it goes, and better standing or on a lower seat */
  lap: boolean;
};

/**
 * Height above the floor, mm, lowest and highest, that a worktop wants to have for a person.
 * @param seatHeight of the seat above the floor, mm; null: on the feet
 * @param thickness of the top, mm; counts sitting
 */
export function worktopWanted(
  person: BodySource,
  work: WorkHeight,
  seatHeight: number | null,
  thickness: number,
): WorktopWanted {
  const { elbow } = bodyOf(person, seatHeight);
  const [low, high] = (seatHeight === null ? ELBOW_TO_TOP : SEATED_TO_TOP)[work];
  const wanted = { low: elbow + low, high: elbow + high, lap: false };
  if (seatHeight === null) return wanted;
  const lap = lowestSeatedTop(person, seatHeight, thickness);
  return { low: Math.max(lap, wanted.low), high: Math.max(lap, wanted.high), lap: wanted.high < lap };
}

/** How far a top is off what is wanted, mm: negative when it is too low, positive when too high, 0 when right. */
export function heightOff(top: number, { low, high }: { low: number; high: number }): number {
  return top < low ? top - low : top > high ? top - high : 0;
}
