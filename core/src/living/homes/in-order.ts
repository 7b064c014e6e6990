import { compareBy } from '../../things/colour/index.ts';
import { type Plan } from '../../record/plan/index.ts';
import { type Homes } from '../slotting/index.ts';
import { Layout } from './layout.ts';
import { inReading } from './rows.ts';
import { type Translation } from './translating.ts';
import { familyOf } from './tally.ts';

/** Of fewer things no order is seen. */
const FEWEST = 3;
/** Another slot of the same row is about as near; a place that costs one of them more than that is not taken for the order, s a year (own assumption). */
const DEARER = 120;

/**
 * Rows of slots as found homes fill them, put in order: a thing a slot while slots are free, what is of one family beside each other, by colour and then by name, as a maker would lay them. Only where
 * at least half of what is in the row comes there newly; each row is left as it was found when one of its things would not lie where the order wants it.
 * @returns homes in the same rows
 */
export function inOrder(plan: Plan, translation: Translation, homes: Homes): { lot: string; place: string }[] {
  const at = new Map(homes.map((h) => [h.lot, h.place]));
  const inPlace = new Map<string, string[]>();
  for (const [lot, place] of at) inPlace.set(place, [...(inPlace.get(place) ?? []), lot]);
  const today = new Map(translation.today.map((h) => [h.lot, h.place]));
  const lots = new Map(translation.lots.map((lot) => [lot.id, lot]));
  const staying = new Set(translation.sorts.staying.map((s) => s.place));
  const mayGo = (layout: Layout, lot: string, from: string, to: string): boolean => {
    const options = lots.get(lot)!.options;
    const [was, will] = [options.find((o) => o.place === from), options.find((o) => o.place === to)];
    return !!was && !!will && will.cost - was.cost <= DEARER && layout.usedWith(to, lot, will.use) !== null;
  };
  const laid = () =>
    new Layout(
      plan,
      translation,
      [...at].map(([lot, place]) => ({ lot, place })),
    );
  for (const row of translation.rows) {
    // a thing a slot, while slots are free
    const empty = new Set(row.filter((id) => !inPlace.has(id) && !staying.has(id) && plan.places[id]!.kind === 'slot'));
    for (const from of row)
      for (const lot of (inPlace.get(from) ?? []).slice(1)) {
        if (plan.places[from]!.kind !== 'slot' || today.get(lot) === from) continue;
        const layout = laid();
        const to = [...empty].find((id) => mayGo(layout, lot, from, id));
        if (to === undefined) continue;
        empty.delete(to);
        at.set(lot, to);
        inPlace.set(to, [lot]);
        inPlace.set(
          from,
          inPlace.get(from)!.filter((other) => other !== lot),
        );
      }
    // several things in one slot, and what stays, have no place in an order
    const places = row.filter((id) => inPlace.get(id)?.length === 1 && !staying.has(id));
    if (places.length < FEWEST) continue;
    places.sort((a, b) => inReading(plan, plan.places[a]!, plan.places[b]!));
    const there = places.map((id) => inPlace.get(id)![0]!);
    const newcomers = there.filter((lot, i) => today.get(lot) !== places[i]);
    if (2 * newcomers.length < there.length) continue;
    const wanted = sorted(plan, translation, there);
    const moves = wanted.map((lot, i) => ({ lot, from: at.get(lot)!, to: places[i]! }));
    const layout = laid();
    for (const { lot, from } of moves) layout.remove(lot, from);
    if (!moves.every(({ lot, from, to }) => mayGo(layout, lot, from, to))) continue;
    for (const { lot, to } of moves) {
      at.set(lot, to);
      inPlace.set(to, [lot]);
    }
  }
  return [...at].map(([lot, place]) => ({ lot, place }));
}

/** Families as they stand now, the first first; within them by colour. */
function sorted(plan: Plan, { lotOf }: Translation, lots: readonly string[]): string[] {
  const family = (lot: string) => familyOf(plan, lotOf.get(lot)!.supply) ?? lot;
  const first = new Map<string, number>();
  for (const [i, lot] of lots.entries()) if (!first.has(family(lot))) first.set(family(lot), i);
  const compare = compareBy('rainbow');
  return [...lots].sort(
    (a, b) => first.get(family(a))! - first.get(family(b))! || compare(lotOf.get(a)!.supply, lotOf.get(b)!.supply),
  );
}
