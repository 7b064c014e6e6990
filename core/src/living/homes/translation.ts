import { type Share, type Supply } from '../../record/plan/index.ts';
import { type Homes, type SlottingProblem } from '../slotting/index.ts';
import { type Brought, type Charge } from './charges.ts';
import type { Ground } from './ground.ts';
import { type Sorts } from './mixing.ts';
import { type YearlyUse } from './uses.ts';

/**
 * Moving a share from today’s home, s, set against a year: carrying it and settling it in (45), and being looked for where it was until the hand knows
 * better (155: three fetches in doubt; own assumptions).
 */
export const MOVE_ONCE = 200;

/** A board that is seen to sag, s a year: more than any way saved, less than a child’s or a back’s safety (own assumption). */
export const SAG = 1500;

/** One lot: a share of a supply, or a part of it. */
export type Lot = {
  supply: Supply;
  share: Share;
  count: number;
  /** periods in which it is there, one bit each */
  periods: number;
};

/** A plan as a slotting problem before it is said how much of each place's room may be used. */
export type Translation = {
  lots: (Omit<SlottingProblem['lots'][number], 'options'> & {
    options: { place: string; cost: number; use: number }[];
  })[];
  families: SlottingProblem['families'];
  /** places that are one place to a family */
  rows: readonly (readonly string[])[];
  charges: Charge[];
  /** how many periods the year has */
  periods: number;
  /** what each lot is */
  lotOf: ReadonlyMap<string, Lot>;
  /** by lot and place: the supply kept in another way than today’s, where that makes the better home there */
  keptAs: ReadonlyMap<string, ReadonlyMap<string, Supply>>;
  /** homes that are no lot and stay: ids */
  stays: ReadonlySet<string>;
  /**
   * by place id, in order, in the measure of its nature: the most it may hold, what pins and boxes take of it, what today's movable homes take; load left by
   * what it is rated for, and from what load on its board is seen to sag, g
   */
  places: ReadonlyMap<
    string,
    { most: number; fixed: number; today: number; load: number; sagFrom: number; target: number }
  >;
  /** today's homes that work, those that matter most first */
  today: Homes;
  /** how the costs come about, so that they can be worked out anew where furniture is moved */
  ground: Ground;
  ledger: Ledger[];
  /** by family: what every further place of it costs besides in looks that go wrong, about; the engine’s stand-in for the exact measure, s a year */
  lookSpread: ReadonlyMap<string, number>;
  /** what lots and what stays can be called by, and what must be apart */
  sorts: Sorts;
  /** of the first charges: which container is brought to whom; the others are visits */
  brought: Brought[];
};

/** How the costs of a lot’s options come about: who fetches it how often, and what of each option is besides. */
export type Ledger = {
  forms: readonly Supply[];
  uses: readonly YearlyUse[];
  part: number;
  /** by form: cost in a place, by its number on the ground */
  costs: ((site: number) => number)[];
  /** of each option: its place on the ground, the form it is kept in, moving there once */
  options: { site: number; form: number; moving: number }[];
};
