import { isShut, type Place } from '../../record/plan/index.ts';
import { findTmu, type WayPrice } from '../../space/reach/index.ts';
import { SECONDS_PER_TMU } from '../../space/reach/index.ts';

/** The thread that is lost over a look in the wrong place, s (own assumption, computation 18). */
export const LOST_THREAD = 30;
/** After so many wrong looks a thing is dug out, like one without a home. */
export const MOST_LOOKS = 3;
/** Digging it out, s (own assumption). */
export const DIGGING_OUT = 180;
/** So many kinds show in a place that is looked through for nothing (own assumption). */
const SHOWING = 6;

/** What the motions of a look into a place take, s: getting there, its covers, looking over what shows. */
export const lookSeconds = (price: WayPrice): number =>
  (price.ways / 2 + price.covers + findTmu(SHOWING)) * SECONDS_PER_TMU;

/** Whether what lies in a place is in view from a seat: nothing hides it, and the hand gets there without getting up. */
export const isInView = (place: Pick<Place, 'covers' | 'seen'>, price: WayPrice | null): boolean =>
  price !== null && price.band <= 3 && !isShut(place);
