import { SIDES, type Supply } from '../../record/plan/index.ts';
import { fitOf } from './fit-of.ts';
import { type Holder } from './holder.ts';

/** Steps in which the doubt of a picture is taken. */
const STEPS = 8;

/**
 * How much larger than seen a thing measured by picture may be and still go in, where that is less than its doubt.
 * @returns mm; null where it goes in whatever the doubt, does not go in as seen, or was not measured by picture
 */
export function closeCall(holder: Holder, supply: Supply, count: number): number | null {
  if (supply.pictured.length === 0 || supply.plusMinus === 0 || !fitOf(holder, supply, count).ok) return null;
  const larger = (by: number): Supply => ({
    ...supply,
    ...Object.fromEntries(SIDES.filter((f) => supply.pictured.includes(f)).map((f) => [f, supply[f]! + by])),
  });
  const goes = (by: number) => fitOf(holder, larger(by), count).ok;
  if (goes(supply.plusMinus)) return null;
  let [goesIn, out] = [0, supply.plusMinus];
  for (let i = 0; i < STEPS; i++) {
    const half = (goesIn + out) / 2;
    if (goes(half)) goesIn = half;
    else out = half;
  }
  return goesIn;
}
