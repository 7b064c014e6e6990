import { describe, expect, test } from '@jest/globals';
import { homesIn, homesOf, type Plan, type Supply } from '../../record/plan/index.ts';
import { applied, block, home, sheet, tinyRoom, unit, use, withUnits } from '../../testing/index.ts';
import { Random } from '../slotting/index.ts';
import { crowdIn, crowdingOf, crowdSeconds, HEAP_MORE, Heaps, LAID_KINDS, LAID_MORE } from './heaps.ts';
import { findHomes, heapsBeside, heapsPerYear, rowOf, tallyOf } from './index.ts';

const since = '2026-11-26';
const PAPERS = ['tissue-paper', 'drawing-paper', 'kraft-paper', 'vellum', 'graph-paper', 'watercolour-paper'];
const paper = (kind: string, more: Partial<Supply> = {}) =>
  sheet({ ...{ id: kind, name: kind, kind, width: 420, depth: 297, grammage: 80, working: 20, mass: 10 }, ...more });

const TINY = { width: 8, depth: 8, height: 4 };

/** A chest for sheets at the seat; papers of six kinds, and so many of one. */
function room(papers: readonly Supply[] = PAPERS.map((k) => paper(k))): Plan {
  return applied(
    withUnits(tinyRoom(), unit('sheetChest', { id: 'chest', x: 4300, y: 2600, facing: 270 })),
    { type: 'addSupplies', supplies: [...papers] },
    ...papers.map((p) => ({ type: 'addUse' as const, use: use(p.id, 2) })),
  );
}
const drawers = (plan: Plan) => Object.values(plan.places).filter((p) => p.kind !== 'top');
const heapAt = (plan: Plan, id: string) => crowdIn(plan, plan.places[id]!).size;

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
    // laid out side by side in a drawer nothing is under anything, but more than six slide among each other; on top of it they do not, nor behind a divider
    const many = [...PAPERS, 'eyelets', 'snaps'];
    const chest = (at: string) =>
      applied(
        withUnits(tinyRoom(), unit('lowChest', { id: 'chest', x: 4300, y: 2600, facing: 270 })),
        { type: 'addSupplies', supplies: many.map((id) => block({ id, width: 60, depth: 60, height: 30 })) },
        ...many.map((k) => home(k, at)),
      );
    const laid = chest('chest.0.0');
    expect([heapAt(laid, 'chest.0.0'), heapsPerYear(laid)]).toEqual([8, 2 * LAID_MORE]);
    expect(tallyOf(laid).heaped).toBeCloseTo(2 * LAID_MORE, 6);
    expect(heapsPerYear(chest('chest.1000.0'))).toBe(0);
    const parted = applied(laid, { type: 'divide', id: 'chest.0.0', into: 'lanes 300,rest' });
    const lanes = Object.values(parted.places).filter((p) => p.inId === 'chest.0.0');
    const behind = applied(parted, ...many.slice(0, 2).map((k) => home(k, lanes[0]!.id)));
    expect(heapsPerYear(behind)).toBe(0);
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
    const crowding = places.map(crowdingOf);
    for (let n = 0; n < 400; n++) {
      const t = random.below(things.length);
      if (at[t]! >= 0) heaps.go(t, at[t]!);
      at[t] = random.below(3);
      if (random.below(5) === 0) at[t] = places.length;
      heaps.come(t, at[t]!);
      const many = places.map((_, p) => at.filter((x) => x === p).length);
      expect(heaps.total).toBe(many.reduce((sum, k, p) => sum + crowdSeconds(crowding[p]!, k), 0));
      const saved = heaps.savedWithout(t, at[t]!);
      const before = heaps.total;
      heaps.go(t, at[t]!);
      expect(before - heaps.total).toBe(saved);
      heaps.come(t, at[t]!);
    }
  });

  test('small things go to the small drawers beside, each by its name, before a drawer is crowded with them', async () => {
    const small = ['brad', 'bead', 'sequin', 'wobbly-eye', 'rhinestone', 'snap', 'jump-ring', 'eyelet', 'button'];
    const plan = applied(
      withUnits(
        tinyRoom(),
        unit('lowChest', { id: 'chest', x: 4300, y: 2600, facing: 270 }),
        unit('smallDrawers', { id: 'block', x: 4300, y: 3600, facing: 270 }),
      ),
      { type: 'setPlan', set: { labels: 'outside' } },
      {
        type: 'addSupplies',
        supplies: small.map((id) =>
          block({ ...{ id, name: id, kind: id, family: 'Findings', form: 'loose', working: 30, mass: 1 }, ...TINY }),
        ),
      },
      ...small.map((id) => ({ type: 'addUse' as const, use: use(id, 1) })),
    );
    const found = (await findHomes(plan, { work: 80_000, seed: 1, now: () => 0, since }))!;
    const inBlock = small.filter((id) => homesOf(found.plan, id, 'working')[0]?.placeId.startsWith('block'));
    expect(inBlock.length).toBeGreaterThanOrEqual(small.length - 1);
    const drawers = new Set(inBlock.map((id) => homesOf(found.plan, id, 'working')[0]!.placeId));
    expect(drawers.size).toBe(inBlock.length);
    // the block is one row of drawers: what is of one family does not lie apart in it
    expect(tallyOf(found.plan).apart).toBe(0);
    expect(new Set([...drawers].map((id) => rowOf(found.plan, id))).size).toBe(1);
    expect(rowOf(found.plan, 'chest.0.0')).toBe('chest.0.0');
    expect(heapsPerYear(found.plan)).toBe(0);
    // that they have no labels yet is said beside, and changes nothing of where things are best
    const tally = tallyOf(found.plan);
    expect(tally.unlabelled).toBeGreaterThan(0);
    const labelled = applied(
      found.plan,
      ...[...drawers].map((id) => ({ type: 'setPlace' as const, id, set: { label: 'trial' as const } })),
    );
    expect(tallyOf(labelled)).toMatchObject({ unlabelled: 0, total: tally.total });
    // heaped into a chest's drawer beside: each says that it could have one
    const heaped = applied(found.plan, ...small.map((id) => home(id, 'chest.0.0')));
    expect(heapsPerYear(heaped)).toBe((small.length - LAID_KINDS) * LAID_MORE);
    expect(heapsBeside(heaped, since)).toMatchObject([{ place: { id: 'chest.0.0' }, kinds: 9, lies: 'laid' }]);
    expect(tallyOf(heaped).places - tally.places).toBeGreaterThan(600 * (small.length - 2));
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
