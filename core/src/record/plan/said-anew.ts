import { BY_TAPE } from './blank.ts';
import { type Side, type Sized } from './rows/index.ts';

type Doubted<F extends string> = { usual: readonly F[]; unsure: readonly F[]; pictured: readonly (F & Side)[] };

/**
 * What of a thing, or of what stands in the room, is still usual, guessed or by picture once some of it is said anew: what is said is measured from then
 * on, unless the same change says that it is not.
 * @param set the fields that are said anew, null where they are said to be unknown
 */
export function stillDoubted<F extends Sized>(before: Doubted<F>, set: Readonly<Partial<Record<F, unknown>>>) {
  const still = <S extends F>(list: readonly S[]) =>
    list.filter((field) => !(field in set) || set[field] === null || set[field] === undefined);
  return { usual: still(before.usual), unsure: still(before.unsure), pictured: still(before.pictured) };
}

/** Lengths of an opening or a fixture that are measured on its wall. */
const LENGTHS = ['left', 'bottom', 'width', 'depth', 'height', 'sill', 'head', 'x', 'y'] as const;

/** A change of an opening or a fixture: a length said anew is by tape, unless the change says how it is known. */
export const measuredAnew = (set: object): object =>
  LENGTHS.some((field) => field in set) ? { ...BY_TAPE, ...set } : set;
