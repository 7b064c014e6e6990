import { type Measure } from '../../measures/lengths/index.ts';
import { type Region, type Sized, Supply } from '../../record/plan/index.ts';
import { type KnownHolder, type SaidContainer } from './containers.ts';

/** Something that was not understood for sure: what is asked, and the likeliest answers. */
export type Doubt = { why: string; candidates: { kind: string; name: string }[] };

/** A line of a list, understood. */
export type LineRead =
  | {
      what: 'supply';
      /** all but its id */
      supply: Omit<Supply, 'id'>;
      /** sizes and counts that nobody said: usual ones, or estimates */
      guessed: Sized[];
      doubts: Doubt[];
      /** what it was said to fill */
      container: SaidContainer | null;
      /** what the line was taken for, in a few words each */
      took: string[];
    }
  | { what: 'containers'; container: Omit<SaidContainer, 'share'>; took: string[] }
  | { what: 'nothing'; reason: string };

export type LineContext = {
  measure: Measure;
  /** places and containers of the plan that a line may name */
  holders?: readonly KnownHolder[];
  /** whether seasons are those of the southern half of the earth */
  south?: boolean;
  /** where pints and gallons are said: the imperial ones are a fifth larger */
  region?: Region;
  /** the kind that the maker has chosen for this line; empty: none of those offered */
  chosen?: string | null;
};

export type Draft = Omit<Supply, 'id'>;

/** What a plan can hold of it. */
export const Storable = Supply.omit({ id: true });
