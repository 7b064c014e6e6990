/** What a motion study leaves out (rests, looking, a door bell): a quarter on top (own assumption); as much again if it does not go well. */
export const ALLOWANCE = 1.25;

/** Minutes of a job from the seconds of its motions: if all goes well, likely, and if it does not. */
export function minutesOf(seconds: number): { low: number; likely: number; high: number } {
  const tidy = (n: number): number => Math.round(n * 10) / 10;
  const low = seconds / 60;
  return { low: tidy(low), likely: tidy(low * ALLOWANCE), high: tidy(low * ALLOWANCE ** 2) };
}

/** What is not carried takes so long, s (own assumptions). */
export const TAKES = {
  /** deciding of a thing */
  decide: 45,
  /** measuring one with a ruler and typing it */
  measure: 60,
  /** choosing and ordering a kind of thing */
  order: 900,
  /** carrying a unit in and unpacking it, and for each of its places; fastening one to the wall */
  bring: 900,
  eachPlace: 90,
  fasten: 1200,
  /** taking a thing out and laying it aside, and for each handful of it */
  layOut: 6,
  handful: 2,
  /** moving a unit without what is in it; a seat or a lamp that goes elsewhere */
  shift: 300,
  /** setting a container in, putting a divider in */
  setIn: 60,
  divide: 300,
  /** taking a unit out of the room */
  takeAway: 600,
  /** a note on trial, a label for good */
  note: 40,
  label: 60,
  /** bagging a thing and taking it out of the room */
  passOn: 120,
} as const;

/** Days until what is ordered is there, unless somebody says (own assumption). */
export const DELIVERY_DAYS = 4;
/** What is taken out of a unit lies so high on the floor or table meanwhile, mm (own assumption). */
export const LAID_OUT = 200;
/** More than this is lifted: who may not lift carries no more at a time, g (5 kg, what pregnant women may lift regularly: German Maternity Protection Act, § 11, from memory). */
export const LIFTED = 5000;
/** One piece of a job that may be parted is worth clearing the table for, min (own assumption). */
export const LEAST_PIECE = 15;
/** A carrying job that would be longer is made several, min (own assumption). */
export const LONGEST_CARRY = 90;
