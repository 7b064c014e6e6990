import { natureOf, type Place, type Plan, SIDES, type Sized, type Supply } from '../../record/plan/index.ts';
import { SIZE_DOUBT, sideDoubt } from '../../things/fit/index.ts';
import { type Need, needOf } from '../../living/zones/index.ts';

/** A guessed count may be so much more or less (own assumption): nineteen times of twenty it is within. */
export const COUNT_DOUBT = 0.1;

/** What a share needs, and by how much each guess may move that, in the measure of the need. */
export type DoubtedNeed = Need & {
  /** moves by guess: `kind ink-pad width` is one guess for all of that kind, `supply x width` is of one thing alone */
  moves: readonly { guess: string; by: number }[];
};

const known = new WeakMap<Supply, Map<string, { place: Place | undefined; need: DoubtedNeed | null }>>();

/**
 * What so many of a supply need and how unsure that is. A usual size is one guess for everything of that kind (where ink pads are larger than usual, all
 * of them are), an unsure one of this thing alone.
 * @returns null when it is not measured or goes nowhere
 */
export function doubtedNeed(supply: Supply, count: number, home: Place | undefined): DoubtedNeed | null {
  let of = known.get(supply);
  if (!of) known.set(supply, (of = new Map()));
  const key = `${home?.id ?? ''} ${count}`;
  const before = of.get(key);
  if (before && before.place === home) return before.need;
  const need = workedOut(supply, count, home);
  of.set(key, { place: home, need });
  return need;
}

function workedOut(supply: Supply, count: number, home: Place | undefined): DoubtedNeed | null {
  const need = needOf(supply, count, home);
  if (!need) return null;
  const moves: { guess: string; by: number }[] = [];
  const guess = (field: Sized, by: number) => {
    if (by === 0) return;
    const usual = supply.usual.includes(field) && !supply.unsure.includes(field) && supply.kind !== '';
    moves.push({ guess: usual ? `kind ${supply.kind} ${field}` : `supply ${supply.id} ${field}`, by });
  };
  const guessed = new Set<Sized>([...supply.usual, ...supply.unsure]);
  for (const field of SIDES) {
    const mm = supply[field];
    if (mm === null) continue;
    const doubt = mm > 0 ? sideDoubt(supply, field) / mm : 0;
    if (doubt === 0) continue;
    const at = (share: number) =>
      amountWith({ ...supply, [field]: mm * share }, count, home, need) ?? need.amount * share;
    const by = (at(1 + doubt) - at(1 - doubt)) / 2;
    guess(field, Math.max(-MOST * need.amount, Math.min(MOST * need.amount, by)));
  }
  if (guessed.has('working') || guessed.has('backstock')) guess('working', need.amount * COUNT_DOUBT);
  return { ...need, moves };
}

/** Of one guess a need moves at most so much of itself: where a piece a little larger would be turned another way, that jump is no doubt of its size. */
const MOST = 2 * SIZE_DOUBT;

/** The need of a piece of another size in the same place, in the same nature; null where it does not go there. */
function amountWith(other: Supply, count: number, home: Place | undefined, need: Need): number | null {
  const then = needOf(other, count, home);
  return then && then.nature === need.nature && then.kind === need.kind ? then.amount : null;
}

/** The sides of its unit that what a place offers grows with, by how it holds. */
const OFFERED_BY: Record<Need['nature'], readonly (typeof SIDES)[number][]> = {
  row: ['width'],
  area: ['width', 'depth'],
  bulk: SIDES,
  pile: ['height'],
  pockets: [],
};

/**
 * By how much a unit whose sides nobody measured may move what one of its places offers. A usual size is one guess for all units of that kind; what
 * stands in a place, or parts it, is no guess of its own.
 */
export function doubtedOffer(plan: Plan, place: Place, offer: number): DoubtedNeed['moves'] {
  const unit = plan.units[place.unitId];
  if (!unit || (place.inId !== null && place.organiserId !== null)) return [];
  const sides = place.kind === 'board' ? (['width', 'height'] as const) : OFFERED_BY[natureOf(place)];
  return sides.flatMap((side) => {
    const by = (offer * sideDoubt(unit, side)) / unit[side];
    const usual = unit.usual.includes(side) && !unit.unsure.includes(side);
    return by === 0 ? [] : [{ guess: usual ? `units ${unit.kind} ${side}` : `unit ${unit.id} ${side}`, by }];
  });
}

/** Guesses added up: moves of one guess together, those of different ones in squares, because they are not all wrong the same way. */
export class Doubt {
  private readonly by = new Map<string, number>();

  add(moves: DoubtedNeed['moves'], times: number): void {
    for (const { guess, by } of moves) this.by.set(guess, (this.by.get(guess) ?? 0) + by * times);
  }

  /** Half the width between low and high. */
  get half(): number {
    let squares = 0;
    for (const by of this.by.values()) squares += by * by;
    return Math.sqrt(squares);
  }
}
