/** Up to so many stops the shortest round is found for certain (Held and Karp 1962: a table over all sets of stops). */
export const EXACT_STOPS = 12;

/**
 * The order of stops that makes a round from a start and back to it shortest.
 * @param way lengths between points: row and column 0 are the start, stop i is i + 1; not necessarily the same there and back
 * @returns stops by their number from 0, and the length. Beyond {@link EXACT_STOPS} a good round: nearest first, then turned round and shifted while that helps
 */
export function shortestRound(way: readonly (readonly number[])[]): { order: number[]; length: number } {
  const n = way.length - 1;
  if (n <= 0) return { order: [], length: 0 };
  const order = n <= EXACT_STOPS ? exact(way, n) : improved(way, nearest(way, n));
  return { order, length: roundLength(way, order) };
}

export function roundLength(way: readonly (readonly number[])[], order: readonly number[]): number {
  if (order.length === 0) return 0;
  let sum = way[0]![order[0]! + 1]! + way[order.at(-1)! + 1]![0]!;
  for (let i = 1; i < order.length; i++) sum += way[order[i - 1]! + 1]![order[i]! + 1]!;
  return sum;
}

function exact(way: readonly (readonly number[])[], n: number): number[] {
  const size = 1 << n;
  const least = new Float64Array(size * n).fill(Infinity);
  const before = new Int8Array(size * n).fill(-1);
  for (let i = 0; i < n; i++) least[(1 << i) * n + i] = way[0]![i + 1]!;
  for (let set = 1; set < size; set++)
    for (let last = 0; last < n; last++) {
      const so = least[set * n + last]!;
      if (!(set & (1 << last)) || so === Infinity) continue;
      for (let next = 0; next < n; next++) {
        if (set & (1 << next)) continue;
        const at = (set | (1 << next)) * n + next;
        const length = so + way[last + 1]![next + 1]!;
        if (length < least[at]!) {
          least[at] = length;
          before[at] = last;
        }
      }
    }
  let last = 0;
  let set = size - 1;
  const total = (i: number) => least[set * n + i]! + way[i + 1]![0]!;
  for (let i = 1; i < n; i++) if (total(i) < total(last)) last = i;
  const order: number[] = [];
  while (last >= 0) {
    order.push(last);
    const prior = before[set * n + last]!;
    set &= ~(1 << last);
    last = prior;
  }
  return order.reverse();
}

function nearest(way: readonly (readonly number[])[], n: number): number[] {
  const left = Array.from({ length: n }, (_, i) => i);
  const order: number[] = [];
  let at = 0;
  while (left.length > 0) {
    let k = 0;
    for (let i = 1; i < left.length; i++) if (way[at]![left[i]! + 1]! < way[at]![left[k]! + 1]!) k = i;
    const [stop] = left.splice(k, 1);
    order.push(stop!);
    at = stop! + 1;
  }
  return order;
}

/** Parts of the round are turned round, or one stop is put elsewhere, as long as it becomes shorter. */
function improved(way: readonly (readonly number[])[], from: number[]): number[] {
  let order = from;
  let length = roundLength(way, order);
  for (let again = true; again;) {
    again = false;
    for (let i = 0; i < order.length; i++)
      for (let j = 0; j < order.length; j++) {
        if (i === j) continue;
        const shifted = [...order];
        shifted.splice(j, 0, ...shifted.splice(i, 1));
        const turned =
          i < j ? [...order.slice(0, i), ...order.slice(i, j + 1).reverse(), ...order.slice(j + 1)] : shifted;
        for (const one of [shifted, turned]) {
          const l = roundLength(way, one);
          if (l >= length - 1e-9) continue;
          order = one;
          length = l;
          again = true;
        }
      }
  }
  return order;
}
