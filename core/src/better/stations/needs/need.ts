import { type Point } from '../../../measures/geometry/index.ts';
import { type Look } from '../../findings/index.ts';
import { type Activity, type Person, type Plan, type Station, type Unit } from '../../../record/plan/index.ts';
import { type Maker } from '../../../space/reach/index.ts';

/** What a station is asked for and what it gives, on one small scale. */
export type Need = {
  what: string;
  /** in words with the unit */
  needs: string;
  gives: string;
  /** lowest and highest that is right; null where only a yes or no is asked */
  want: readonly [low: number, high: number] | null;
  /** what there is; null: nothing, or not known */
  have: number | null;
  /** what is missing, in a sentence; null: enough */
  lacks: string | null;
  /** caution where somebody can be hurt */
  care: string | null;
};

/** A station with what its needs are read from; `work` is where the hands work, mm. */
export type At = {
  plan: Plan;
  look: Look;
  station: Station;
  activity: Activity;
  person: Person;
  maker: Maker;
  table: Unit | undefined;
  work: Point & { z: number };
};

/** One need as the list of them that a question gives; `more` says what is missing. */
export function row(what: string, needs: string, gives: string, more: Partial<Need> = {}): Need[] {
  return [{ what, needs, gives, want: null, have: null, lacks: null, care: null, ...more }];
}
