import { compareBy } from '../../things/colour/index.ts';
import { type Place, type Plan } from '../../record/plan/index.ts';
import { type Homes } from '../slotting/index.ts';
import { Layout } from './layout.ts';
import { heapedAs } from './heaps.ts';
import { inReading, isSmallDrawer } from './rows.ts';
import { type Translation } from './translation.ts';
import { familyOf } from './tally.ts';

/** Of fewer things no order is seen. */
const FEWEST = 3;
/** Another slot of the same row is about as near; a place that costs one of them more than that is not taken for the order, s a year (own assumption). */
const DEARER = 120;

/**
 * Rows of slots and small drawers as found homes fill them, put in order: a thing a slot, a kind a drawer while some are free, what is of one family beside each other, by colour and then by name, as a maker would lay them. Only where
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
  const goTogether = (layout: Layout, group: readonly string[], from: string, to: string): boolean => {
    const gone: string[] = [];
    for (const lot of group) {
      if (!mayGo(layout, lot, from, to)) break;
      layout.remove(lot, from);
      layout.put(lot, to);
      gone.push(lot);
    }
    if (gone.length === group.length) return true;
    for (const lot of gone) {
      layout.remove(lot, to);
      layout.put(lot, from);
    }
    return false;
  };
  const laid = () =>
    new Layout(
      plan,
      translation,
      [...at].map(([lot, place]) => ({ lot, place })),
    );
  for (const row of translation.rows) {
    // a thing a slot, a kind a small drawer, while some are free
    const empty = new Set(row.filter((id) => !inPlace.has(id) && !staying.has(id) && isForOne(plan.places[id]!)));
    for (const from of row) {
      if (!isForOne(plan.places[from]!)) continue;
      for (const group of byOne(plan.places[from]!, inPlace.get(from) ?? [], translation).slice(1)) {
        if (group.some((lot) => today.get(lot) === from)) continue;
        const layout = laid();
        const to = [...empty].find((id) => goTogether(layout, group, from, id));
        if (to === undefined) continue;
        empty.delete(to);
        for (const lot of group) at.set(lot, to);
        inPlace.set(to, group);
        inPlace.set(
          from,
          inPlace.get(from)!.filter((other) => !group.includes(other)),
        );
      }
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

/** Whether a place of a row is for one thing, or one kind. */
const isForOne = (place: Place): boolean => place.kind === 'slot' || isSmallDrawer(place);

/** Lots in a place that go elsewhere only together: in a slot each by itself, in a small drawer those of a kind, a reserve with what it is of. */
function byOne(place: Place, lots: readonly string[], { lotOf }: Translation): string[][] {
  const groups = new Map<string, string[]>();
  for (const lot of lots) {
    const key = place.kind === 'slot' ? lot : heapedAs(lotOf.get(lot)!.supply);
    const group = groups.get(key);
    if (group) group.push(lot);
    else groups.set(key, [lot]);
  }
  return [...groups.values()];
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
