/**
 * Motion times after MTM-1, written down from memory of the published tables; 1 TMU = 0.036 s.
 * Distances in inches as published; callers pass millimetres.
 */
export const SECONDS_PER_TMU = 0.036;
const MM_PER_INCH = 25.4;

/** Inches at which reach and move are tabulated; 0 stands for “3/4 in or less”. */
const STEPS = [0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 12, 14, 16, 18, 20, 22, 24, 26, 28, 30];
const REACH_B = [
  2.0, 2.5, 4.0, 5.3, 6.4, 7.8, 8.6, 9.3, 10.1, 10.8, 11.5, 12.9, 14.4, 15.8, 17.2, 18.6, 20.1, 21.5, 22.9, 24.4, 25.8,
];
const REACH_C = [
  2.0, 3.6, 5.9, 7.3, 8.4, 9.4, 10.1, 10.8, 11.5, 12.2, 12.9, 14.2, 15.6, 17.0, 18.4, 19.8, 21.2, 22.5, 23.9, 25.3,
  26.7,
];
const MOVE_B = [
  2.0, 2.9, 4.6, 5.7, 6.9, 8.0, 8.9, 9.7, 10.6, 11.5, 12.2, 13.4, 14.6, 15.8, 17.0, 18.2, 19.4, 20.6, 21.8, 23.1, 24.3,
];

/** Elements without a length, TMU (from memory). */
export const TMU = {
  graspClear: 2.0,
  graspFlat: 3.5,
  graspJumbleLarge: 7.3,
  graspJumbleMedium: 9.1,
  graspJumbleSmall: 12.9,
  release: 2.0,
  positionLoose: 5.6,
  positionClose: 16.2,
  eyeFocus: 7.3,
  turn: 18.6,
  turnBothFeet: 37.2,
  stand: 43.4,
  sit: 34.7,
  bend: 29.0,
  arise: 31.9,
  kneelBoth: 69.4,
  ariseBoth: 76.7,
  pace: 15.0,
  paceLaden: 17.0,
  sideStep: 17.0,
  sideStepPerInch: 0.6,
} as const;

/** A walking pace, mm (34 in, MTM-1, from memory). */
export const PACE = 864;
/** A step stool within two paces: up, down, and fetching it (own assumption). */
export const STOOL_STEP = 43.4;
/** Height of the step stool, mm (own assumption). */
export const STOOL_RISE = 400;

function interpolate(table: readonly number[], mm: number): number {
  const inches = Math.max(0, mm) / MM_PER_INCH;
  // steps of one inch up to ten, then of two
  const step = inches <= 10 ? Math.ceil(inches) : 10 + Math.ceil((inches - 10) / 2);
  const i = Math.max(1, Math.min(STEPS.length - 1, step));
  const t = (inches - STEPS[i - 1]!) / (STEPS[i]! - STEPS[i - 1]!);
  return table[i - 1]! + t * (table[i]! - table[i - 1]!);
}

/** Reach to a single thing in a place that varies a little (case B); mm in, TMU out. Beyond 30 in the last step goes on. */
export const reachB = (mm: number): number => interpolate(REACH_B, mm);
/** Reach into a jumble (case C). */
export const reachC = (mm: number): number => interpolate(REACH_C, mm);
/** Move a thing to a place that is known roughly (case B). */
export const moveB = (mm: number): number => interpolate(MOVE_B, mm);

/** Side step over some mm: 17.0 up to 12 in, 0.6 for every inch beyond. */
export function sideStep(mm: number): number {
  return TMU.sideStep + TMU.sideStepPerInch * Math.max(0, mm / MM_PER_INCH - 12);
}

/** Below this a turn of the body is not counted, degrees (own assumption). */
export const NO_TURN = 15;

/** Turning the body by some degrees: nothing, one foot, or both feet. */
export function turnTmu(degrees: number): number {
  const d = Math.abs(degrees);
  return d <= NO_TURN + 1e-6 ? 0 : d <= 90 + 1e-6 ? TMU.turn : TMU.turnBothFeet;
}

/** Looking for one thing among k kinds that show. */
export function findTmu(kinds: number): number {
  return TMU.eyeFocus * Math.max(1, Math.log2(kinds + 1));
}

export const inches = (mm: number): number => Math.round(mm / MM_PER_INCH);
