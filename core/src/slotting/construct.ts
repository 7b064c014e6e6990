import { tied } from './compile.ts';
import { type State } from './state.ts';

/** Lots homed between two chances to stop. */
const PIECE = 64;

/**
 * Regret construction: always home the lot that would lose most if its best place were gone
 * (second-best minus best option that still fits, families included), until nothing that gains fits any more. In short pieces;
 * left unfinished it has given homes to some.
 */
export function* constructing(state: State): Generator<void, void> {
  const { c } = state;
  const open = new Set<number>();
  const best = new Int32Array(c.lots);
  const regret = new Float64Array(c.lots);
  const look = (l: number) => {
    let first = 0;
    let second = 0;
    best[l] = -1;
    for (let o = c.optStart[l]!; o < c.optStart[l + 1]!; o++) {
      if (!state.fits(o)) continue;
      const d = state.delta(l, o);
      if (d < first) {
        second = first;
        first = d;
        best[l] = o;
      } else if (d < second) second = d;
    }
    regret[l] = second - first;
  };
  const stale = new Int32Array(c.lots);
  for (let l = 0; l < c.lots; l++) {
    if (state.at[l]! >= 0) continue;
    look(l);
    if (best[l]! >= 0) open.add(l);
    if (l % PIECE === 0) yield;
  }
  for (let round = 1; open.size > 0; round++) {
    if (round % PIECE === 0) yield;
    let pick = -1;
    for (const l of open) if (pick < 0 || regret[l]! > regret[pick]!) pick = l;
    if (stale[pick]! > 0 || !state.fits(best[pick]!)) {
      stale[pick] = 0;
      look(pick);
      if (best[pick]! < 0) open.delete(pick);
      continue;
    }
    const place = c.optPlace[best[pick]!]!;
    state.move(pick, best[pick]!);
    open.delete(pick);
    for (const l of open) {
      const o = best[l]!;
      if (c.optPlace[o] === place && !state.fits(o)) {
        look(l);
        if (best[l]! < 0) open.delete(l);
      } else if ((c.families > 0 || c.charges > 0) && tied(c, l, pick)) stale[l] = 1;
    }
  }
}
