import { LOAD } from './in-use.ts';

/** One thing that is taken on a visit to a unit at the beginning of a session, and brought back at its end. */
export type Taken = {
  /** the way there and back that a visit for it alone would take, s */
  way: number;
  /** in so many of the sessions, 0 to 1 */
  part: number;
  /** used up: nothing is brought back */
  consumed: boolean;
  /** g and mm³ */
  mass: number;
  volume: number;
};

/** Things taken from one unit parted into loads, those farthest in first; what is more than a load by itself goes alone. */
export function loadsIn<T extends Taken>(taken: readonly T[]): T[][] {
  // what is alike in all of this may change places
  const order = [...taken].sort(
    (a, b) =>
      b.way - a.way ||
      b.mass - a.mass ||
      b.volume - a.volume ||
      b.part - a.part ||
      Number(b.consumed) - Number(a.consumed),
  );
  const loads: T[][] = [];
  let mass = Infinity;
  let volume = Infinity;
  for (const one of order) {
    if (mass + one.mass > LOAD.mass + 1e-6 || volume + one.volume > LOAD.volume + 1e-3) {
      loads.push([]);
      mass = volume = 0;
    }
    loads.at(-1)!.push(one);
    mass += one.mass;
    volume += one.volume;
  }
  return loads;
}

/** The mean of the farthest way of a load, each thing in it wanted by itself in its part of the sessions, s. */
function farthest(load: readonly Taken[]): number {
  let none = 1;
  let sum = 0;
  for (const { way, part } of load) {
    sum += way * part * none;
    none *= 1 - part;
  }
  return sum;
}

const tools = <T extends Taken>(taken: readonly T[]): T[] => taken.filter((t) => !t.consumed);

/** What visiting one unit takes in a session, s: once for each load that is got, and once for each that is brought back. The way is that to the farthest. */
export function visitSeconds(taken: readonly Taken[]): number {
  let sum = 0;
  for (const load of loadsIn(taken)) sum += farthest(load);
  for (const load of loadsIn(tools(taken))) sum += farthest(load);
  return sum;
}

/**
 * The mean of the farthest way of a load parted among its things: each stretch of the way by those that need it, as often as they do (as the users of a
 * runway share it: Littlechild & Owen 1973, memory).
 */
export function loadShares<T extends Taken>(load: readonly T[]): [T, number][] {
  const shares = load.map((one): [T, number] => [one, 0]);
  let none = 1;
  let parts = 0;
  for (const [i, one] of load.entries()) {
    none *= 1 - one.part;
    parts += one.part;
    const stretch = (one.way - (load[i + 1]?.way ?? 0)) * (1 - none);
    if (parts > 0) for (const by of shares.slice(0, i + 1)) by[1] += (stretch * by[0].part) / parts;
  }
  return shares;
}

/** {@link visitSeconds} parted among the things. */
export function visitShares<T extends Taken>(taken: readonly T[]): Map<T, number> {
  const shares = new Map<T, number>(taken.map((t) => [t, 0]));
  for (const load of [...loadsIn(taken), ...loadsIn(tools(taken))])
    for (const [one, seconds] of loadShares(load)) shares.set(one, shares.get(one)! + seconds);
  return shares;
}
