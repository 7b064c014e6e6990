import { describe, expect, test } from '@jest/globals';
import { homesIn, homesOf, type Plan, type Supply } from '../../record/plan/index.ts';
import { applied, block, home, sheet, tinyRoom, unit, use, withUnits } from '../../testing/index.ts';
import { Random } from '../slotting/index.ts';
import { HEAP_MORE, heapedIn, Heaps, heapSeconds } from './heaps.ts';
import { findHomes, heapsBeside, heapsPerYear, tallyOf } from './index.ts';

const since = '2026-11-26';
const PAPERS = ['tissue-paper', 'drawing-paper', 'kraft-paper', 'vellum', 'graph-paper', 'watercolour-paper'];
const paper = (kind: string, more: Partial<Supply> = {}) =>
  sheet({ ...{ id: kind, name: kind, kind, width: 420, depth: 297, grammage: 80, working: 20, mass: 10 }, ...more });

/** A chest for sheets at the seat; papers of six kinds, and so many of one. */
function room(papers: readonly Supply[] = PAPERS.map((k) => paper(k))): Plan {
  return applied(
    withUnits(tinyRoom(), unit('sheetChest', { id: 'chest', x: 4300, y: 2600, facing: 270 })),
    { type: 'addSupplies', supplies: [...papers] },
    ...papers.map((p) => ({ type: 'addUse' as const, use: use(p.id, 2) })),
  );
}
const drawers = (plan: Plan) => Object.values(plan.places).filter((p) => p.kind !== 'top');
const heapAt = (plan: Plan, id: string) => heapedIn(plan, plan.places[id]!).size;

describe('heaps of many kinds', () => {
  test('three kinds on each other are told apart, every further one costs; colours of one kind are one, what has no kind is one by itself', () => {
    const [a] = drawers(room());
    const all = applied(room(), ...PAPERS.map((k) => home(k, a!.id)));
    expect([heapAt(all, a!.id), heapsPerYear(all)]).toEqual([6, 3 * HEAP_MORE]);
    expect(tallyOf(all).heaped).toBeCloseTo(3 * HEAP_MORE, 6);
    const colours = room(['red', 'blue', 'green', 'white'].map((c) => paper('kraft-paper', { id: c, name: c })));
    const card = applied(colours, ...['red', 'blue', 'green', 'white'].map((c) => home(c, a!.id)));
    expect([heapAt(card, a!.id), heapsPerYear(card)]).toEqual([1, 0]);
    const own = room(['red', 'blue', 'green', 'white'].map((c) => paper('', { id: c, name: c })));
    const owned = applied(own, ...['red', 'blue', 'green', 'white'].map((c) => home(c, a!.id)));
    expect([heapAt(owned, a!.id), heapsPerYear(owned)]).toEqual([4, HEAP_MORE]);
    // laid out side by side in a drawer nothing is under anything
    const laid = applied(
      withUnits(tinyRoom(), unit('lowChest', { id: 'chest', x: 4300, y: 2600, facing: 270 })),
      { type: 'addSupplies', supplies: PAPERS.map((id) => block({ id, width: 60, depth: 60, height: 30 })) },
      ...PAPERS.map((k) => home(k, 'chest.0.0')),
    );
    expect([heapAt(laid, 'chest.0.0'), heapsPerYear(laid)]).toEqual([0, 0]);
    // who does not count finding again does not count heaps
    const fast = applied(all, { type: 'setPlan', set: { weighAgain: 'none' } });
    expect(tallyOf(fast).heaped).toBe(0);
  });

  test('kept up to date while things move, it is what counting anew says', () => {
    const plan = room();
    const places = drawers(plan);
    const things = PAPERS.map((id) => plan.supplies[id]!);
    const heaps = new Heaps(things, [...places, null]);
    const at = things.map(() => -1);
    const random = new Random(3);
    for (let n = 0; n < 400; n++) {
      const t = random.below(things.length);
      if (at[t]! >= 0) heaps.go(t, at[t]!);
      at[t] = random.below(3);
      if (random.below(5) === 0) at[t] = places.length;
      heaps.come(t, at[t]!);
      const many = places.map((_, p) => at.filter((x) => x === p).length);
      expect(heaps.total).toBe(many.reduce((sum, k) => sum + heapSeconds(k), 0));
      const saved = heaps.savedWithout(t, at[t]!);
      const before = heaps.total;
      heaps.go(t, at[t]!);
      expect(before - heaps.total).toBe(saved);
      heaps.come(t, at[t]!);
    }
  });

  test('empty drawers are used before more than three kinds are heaped; what stays empty beside a heap has its reason', async () => {
    const found = (await findHomes(room(), { work: 60_000, seed: 1, now: () => 0, since }))!;
    for (const place of drawers(found.plan)) expect(heapAt(found.plan, place.id)).toBeLessThanOrEqual(3);
    for (const kind of PAPERS) expect(homesOf(found.plan, kind, 'working')).toHaveLength(1);
    expect(heapsBeside(found.plan, since)).toEqual([]);
    // heaped by hand beside five empty drawers: each says what would be better there
    const [first, ...rest] = drawers(room());
    const heaped = applied(room(), ...PAPERS.map((k) => home(k, first!.id)));
    const [heap, ...more] = heapsBeside(heaped, since);
    expect([heap!.place.id, heap!.kinds, more.length]).toEqual([first!.id, 6, 0]);
    expect(heap!.beside.map((b) => b.place.id)).toEqual(rest.map((p) => p.id));
    for (const { place, best, reason } of heap!.beside) {
      if (best) {
        const then = applied(heaped, best.command);
        expect(homesIn(then, place.id).map((h) => h.supplyId)).toEqual([best.supply.id]);
        // that the rest of the heap is dug out a little quicker then is not in it
        expect(Math.abs(tallyOf(then).total - tallyOf(heaped).total - best.change)).toBeLessThan(120);
      } else expect(reason).toMatch(/out of reach/i);
    }
    expect(heap!.beside.some((b) => b.best && b.best.change < 0)).toBe(true);
    // what is pinned is not asked, and a place kept free for something else does not count as empty
    const pinned = applied(room(), ...PAPERS.map((k) => home(k, first!.id, true)));
    expect(heapsBeside(pinned, since).flatMap((h) => h.beside.map((b) => [b.best, b.reason]))).toEqual(
      rest.map(() => [null, 'All of it is pinned.']),
    );
    const kept = applied(
      heaped,
      ...rest.map((p) => ({ type: 'setPlace' as const, id: p.id, set: { keptOut: 'tax' } })),
    );
    expect(heapsBeside(kept, since)).toEqual([]);
  });
});
