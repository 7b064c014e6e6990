/** What somebody works on: a stool that stays put, a chair that swivels and rolls, her own feet, or a wheelchair. */
export type Mobility = 'stool' | 'swivel' | 'standing' | 'wheelchair';

/** What is known of a person; every height but stature may be null (then derived from stature). Millimetres. */
export type BodySource = {
  stature: number;
  eyeHeight: number | null;
  shoulderHeight: number | null;
  elbowHeight: number | null;
  gripReach: number | null;
};

/**
 * Shares of stature. Standing heights and segment lengths after Drillis & Contini 1966, written down from memory;
 * sitting heights above the seat from US Army survey means, from memory; shoes 25 mm, common practice.
 */
export const MEASURES = {
  eye: 0.936,
  shoulder: 0.818,
  elbow: 0.63,
  hip: 0.53,
  knee: 0.285,
  shoulderHalfBreadth: 0.129,
  upperArm: 0.186,
  forearm: 0.146,
  hand: 0.108,
  /** upper arm + forearm + half a hand */
  gripReach: 0.386,
  /** forearm + half a hand: how far the hand comes from the elbow at the side */
  handReach: 0.2,
  sittingShoulder: 0.34,
  sittingElbow: 0.14,
  sittingEye: 0.455,
  /** thickness of the thigh, sitting */
  thigh: 0.096,
  shoes: 25,
} as const;

/** Heights above the floor and reaches of one person, standing in shoes or sitting; millimetres. */
export type Body = {
  stature: number;
  eye: number;
  shoulder: number;
  elbow: number;
  hip: number;
  knee: number;
  shoulderHalfBreadth: number;
  gripReach: number;
  handReach: number;
  /** hip to shoulder */
  trunk: number;
};

/**
 * Heights and reaches of a person, standing (`seatHeight` null) or sitting on a seat that high above the floor (mm).
 * Measured values override the shares of stature; a measured standing shoulder or elbow moves the sitting one by the same share.
 */
export function bodyOf(person: BodySource, seatHeight: number | null): Body {
  const h = person.stature;
  const m = MEASURES;
  const standing = {
    eye: person.eyeHeight ?? m.eye * h + m.shoes,
    shoulder: person.shoulderHeight ?? m.shoulder * h + m.shoes,
    elbow: person.elbowHeight ?? m.elbow * h + m.shoes,
    hip: m.hip * h + m.shoes,
    knee: m.knee * h + m.shoes,
  };
  const fixed = {
    stature: h,
    shoulderHalfBreadth: m.shoulderHalfBreadth * h,
    gripReach: person.gripReach ?? m.gripReach * h,
    handReach: m.handReach * h,
  };
  if (seatHeight === null) return { ...fixed, ...standing, trunk: standing.shoulder - standing.hip };
  const stretch = (measured: number, share: number) => measured / (share * h + m.shoes);
  return {
    ...fixed,
    eye: seatHeight + m.sittingEye * h * stretch(standing.eye, m.eye),
    shoulder: seatHeight + m.sittingShoulder * h * stretch(standing.shoulder, m.shoulder),
    elbow: seatHeight + m.sittingElbow * h * stretch(standing.elbow, m.elbow),
    hip: seatHeight,
    knee: standing.knee,
    trunk: m.sittingShoulder * h,
  };
}
