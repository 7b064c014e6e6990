import { type Point } from '@heronstone/core/geometry';

/** A length, or a turn, that stands where it applies and is typed there. */
export type Arrow = {
  key: string;
  /** what it is, for who does not see the arrow */
  label: string;
  /** of the plan, or of the drawing it stands on, mm */
  from: Point;
  to: Point;
  /** what is said where a length cannot be typed: it goes through the wall */
  wrong?: string;
} & (
  | { mm: number; positive?: boolean; onLength: (mm: number) => void }
  | { degrees: number; onTurn: (degrees: number) => void }
);
