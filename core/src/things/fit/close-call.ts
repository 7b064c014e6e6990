import { SIDES, type Sized, type Supply, type Unit } from '../../record/plan/index.ts';
import { fitOf } from './fit-of.ts';
import { type Holder } from './holder.ts';

/** A usual or guessed size may be so much more or less (own assumption): nineteen times of twenty it is within. */
export const SIZE_DOUBT = 0.25;

/** What has sides that may be usual, guessed, or by picture. */
type Doubted = Pick<Supply | Unit, (typeof SIDES)[number] | 'pictured' | 'plusMinus'> & {
  usual: readonly Sized[];
  unsure: readonly Sized[];
};

/** By how much a side of a thing or a unit may be more or less than it is said to be, mm: 0 where it was measured, its own where it was by picture, else that of a guess. */
export function sideDoubt(of: Doubted, side: (typeof SIDES)[number]): number {
  const mm = of[side] ?? 0;
  if (isGuessed(of, side)) return SIZE_DOUBT * mm;
  return of.pictured.includes(side) ? Math.min(SIZE_DOUBT * mm, of.plusMinus) : 0;
}

const isGuessed = ({ usual, unsure }: Doubted, side: Sized): boolean => usual.includes(side) || unsure.includes(side);

/** How much larger a thing may be and still go in: mm of the sides measured by picture, or a share of those that are guessed. */
export type CloseCall = { mm: number } | { share: number };

/** Steps in which the doubt is taken. */
const STEPS = 8;

/**
 * How much larger than it is said to be a thing may be and still go into a place by itself, where that is less than the doubt of its sides: first of those
 * measured by picture, then of those that are guessed.
 * @returns null where it goes in whatever the doubt, does not go in as it is said to be, or is measured
 */
export function closeCall(holder: Holder, supply: Supply, count: number): CloseCall | null {
  const doubted = SIDES.filter((side) => sideDoubt(supply, side) > 0);
  if (doubted.length === 0 || !fitOf(holder, supply, count).ok) return null;
  const seen = doubted.filter((side) => !isGuessed(supply, side));
  const most = Math.max(0, ...seen.map((side) => sideDoubt(supply, side)));
  const ofSeen = partThatGoes(holder, supply, count, seen);
  if (ofSeen !== null) return { mm: ofSeen * most };
  const ofGuessed = partThatGoes(
    holder,
    supply,
    count,
    doubted.filter((side) => isGuessed(supply, side)),
  );
  return ofGuessed === null ? null : { share: ofGuessed * SIZE_DOUBT };
}

/** How much of the doubt of some sides may come true, 0 to 1; null: all of it. */
function partThatGoes(
  holder: Holder,
  supply: Supply,
  count: number,
  sides: readonly (typeof SIDES)[number][],
): number | null {
  const goes = (part: number): boolean => {
    const larger = Object.fromEntries(sides.map((side) => [side, supply[side]! + part * sideDoubt(supply, side)]));
    return fitOf(holder, { ...supply, ...larger }, count).ok;
  };
  return mostOf(goes);
}

/** How much of a doubt may come true, 0 to 1; null: all of it. */
function mostOf(goes: (part: number) => boolean): number | null {
  if (goes(1)) return null;
  let [goesIn, out] = [0, 1];
  for (let i = 0; i < STEPS; i++) {
    const half = (goesIn + out) / 2;
    if (goes(half)) goesIn = half;
    else out = half;
  }
  return goesIn;
}

/**
 * How much smaller than it is said to be the inside of a place of a unit may be and still take a thing, where that is less than the doubt of the unit’s
 * own sides: mm where none of them is more than seen by picture, else a share.
 * @returns null where the thing goes in whatever the doubt, does not go in as it is said to be, or the unit is measured
 */
export function closeRoom(holder: Holder, unit: Unit, supply: Supply, count: number): CloseCall | null {
  const doubts = SIDES.map((side) => [side, sideDoubt(unit, side)] as const).filter(([, mm]) => mm > 0);
  if (doubts.length === 0 || !fitOf(holder, supply, count).ok) return null;
  const part = mostOf((of) => {
    // an inside is smaller by as much of itself as its unit is
    const smaller = doubts.map(([side, mm]) => [side, holder[side] * (1 - (of * mm) / unit[side])]);
    return fitOf({ ...holder, ...Object.fromEntries(smaller) }, supply, count).ok;
  });
  if (part === null) return null;
  return doubts.some(([side]) => isGuessed(unit, side))
    ? { share: part * SIZE_DOUBT }
    : { mm: part * Math.max(...doubts.map(([, mm]) => mm)) };
}
