import { type Place, type Plan } from '@heronstone/core/plan';

/** A place of a front with room for words on it. */
export type Shown = {
  plan: Plan;
  place: Place;
  y: number;
  height: number;
  /** letters smaller than this are not drawn, mm of the unit */
  least: number;
};
