import { type Plan } from '../plan/index.ts';
import { type Homes } from '../slotting/index.ts';
import { Layout } from './layout.ts';
import { type Translation } from './slotting.ts';

/** A move that saves less is not worth a change, s a year (own choice). */
const WORTH = 20;
/** Options of a lot that are laid to see, those that save most first. */
const LAID = 40;
/** All lots are gone through so often. */
const PASSES = 3;

/** What families and charges make of a lot that moves, kept up to date while lots do. */
class Ties {
  private readonly families = new Map<string, { spread: number; places: Map<string, number> }[]>();
  private readonly charges = new Map<string, { cost: number; places: ReadonlySet<string>; count: number }[]>();

  constructor({ families, charges }: Translation, at: ReadonlyMap<string, string>) {
    const under = <T>(map: Map<string, T[]>, lots: readonly string[], one: T) => {
      for (const lot of lots) {
        const list = map.get(lot);
        if (list) list.push(one);
        else map.set(lot, [one]);
      }
    };
    for (const { lots, spread } of families) under(this.families, lots, { spread, places: new Map<string, number>() });
    for (const { lots, places, cost } of charges)
      under(this.charges, lots, { cost, places: new Set(places), count: 0 });
    for (const [lot, place] of at) this.move(lot, undefined, place);
  }

  move(lot: string, from: string | undefined, to: string | undefined): void {
    for (const { places } of this.families.get(lot) ?? []) {
      if (from !== undefined) {
        const n = places.get(from)! - 1;
        if (n > 0) places.set(from, n);
        else places.delete(from);
      }
      if (to !== undefined) places.set(to, (places.get(to) ?? 0) + 1);
    }
    for (const charge of this.charges.get(lot) ?? []) {
      if (from !== undefined && charge.places.has(from)) charge.count--;
      if (to !== undefined && charge.places.has(to)) charge.count++;
    }
  }

  /** What changes when a lot goes from one place (or none) to another. */
  delta(lot: string, from: string | undefined, to: string): number {
    let d = 0;
    for (const { spread, places } of this.families.get(lot) ?? []) {
      let n = places.size;
      if (from !== undefined && places.get(from) === 1) n--;
      if (!places.has(to)) n++;
      d += spread * (Math.max(0, n - 1) - Math.max(0, places.size - 1));
    }
    for (const { cost, places, count } of this.charges.get(lot) ?? []) {
      const [was, will] = [from !== undefined && places.has(from), places.has(to)];
      if (was && !will && count === 1) d -= cost;
      if (will && !was && count === 0) d += cost;
    }
    return d;
  }
}

/**
 * Homes as they were found and laid, bettered one lot at a time by the engine’s own total, each change laid for real before it is taken: what laying and
 * room to grow have pushed aside finds back.
 * @param room how much of each place may be used, in its measure
 */
export function bettering(
  plan: Plan,
  translation: Translation,
  found: Homes,
  room: (placeId: string) => number,
): { lot: string; place: string }[] {
  const at = new Map(found.map((h) => [h.lot, h.place]));
  const ties = new Ties(translation, at);
  const layout = new Layout(plan, translation, found);
  for (let pass = 0; pass < PASSES; pass++) {
    let changed = false;
    for (const { id, leave, options } of translation.lots) {
      const now = at.get(id);
      const cost = now === undefined ? leave : options.find((o) => o.place === now)!.cost;
      const better = options
        .flatMap((o) => {
          if (o.place === now) return [];
          const change = o.cost - cost + ties.delta(id, now, o.place) + layout.sagWith(o.place, id);
          return change < -WORTH ? [{ ...o, change }] : [];
        })
        .sort((a, b) => a.change - b.change || (a.place < b.place ? -1 : 1))
        .slice(0, LAID);
      for (const { place, use } of better) {
        const used = layout.usedWith(place, id, use);
        if (used === null || used > room(place) * 1.0001) continue;
        if (now !== undefined) {
          layout.remove(id, now);
          // of fewer things another one may hang over
          if (layout.over(now).length > 0) {
            layout.put(id, now);
            continue;
          }
        }
        layout.put(id, place);
        ties.move(id, now, place);
        at.set(id, place);
        changed = true;
        break;
      }
    }
    if (!changed) break;
  }
  return [...at].map(([lot, place]) => ({ lot, place }));
}
