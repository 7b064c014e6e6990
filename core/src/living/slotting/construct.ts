import { type State } from './state.ts';

/** Lots homed between two chances to stop. */
const PIECE = 32;

/**
 * A first answer at once: lots in order of what they would lose if they did not get what they want at the prices of room, each into the option that is
 * cheapest with families, charges and the worth of the room it takes. In short pieces; left unfinished it has given homes to some.
 * @param order the lots, those that matter most first
 * @param value what each option is worth, room included
 */
export function* constructing(state: State, order: Int32Array, value: Float64Array): Generator<void, void> {
  const { c } = state;
  for (const [i, l] of order.entries()) {
    if (i % PIECE === 0) yield;
    if (state.at[l] !== c.noHome[l]) continue;
    let best = c.noHome[l]!;
    let least = 0;
    for (let o = c.optStart[l]!; o < c.optStart[l + 1]!; o++) {
      // options come in order of their worth: what has no family or charge to gain takes the first that fits
      if (!state.fits(o)) continue;
      const d = state.delta(l, o) + value[o]! - c.optCost[o]!;
      if (d < least) {
        least = d;
        best = o;
      }
    }
    if (state.delta(l, best) < 0) state.move(l, best);
  }
}
