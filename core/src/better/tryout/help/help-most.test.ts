import { describe, expect, test } from '@jest/globals';
import { secondsOf, standingOf, sunGrid } from '../../arrange/index.ts';
import { tallyOf } from '../../../living/homes/index.ts';
import { apply, type Command, homesIn, type Plan } from '../../../record/plan/index.ts';
import { wallFrames } from '../../../space/room/index.ts';
import { Random } from '../../../living/slotting/index.ts';
import { applied, block, home, tinyRoom, unit, use, withUnits } from '../../../testing/index.ts';
import { helpMost } from './help-most.ts';
import { helpLaneHere } from './trying.ts';
import { lids, movedOut, moves, seats } from './costs-nothing.ts';
import { cutAheads, doors, labelling, otherStorage } from './takes-work.ts';
import { containers, moreUnits } from './to-buy.ts';

const since = '2026-11-26';
let clock = 0;
const options = { now: () => (clock += 1), since, seconds: 1e9 };
const COUNT = 5;
/** One chest beside the seat and one far off; what is used most lies in the far one because the near one is small. */
const room = (...more: Command[]): Plan =>
  applied(
    withUnits(
      tinyRoom({ standing: false }),
      unit('lowChest', { id: 'near', x: 3700, y: 3300, facing: 270, rows: 1, height: 300 }),
      unit('lowChest', { id: 'far', x: 600, y: 600, facing: 90, rows: 1, height: 300 }),
    ),
    {
      type: 'addSupplies',
      supplies: Array.from({ length: COUNT }, (_, i) =>
        block({
          id: `s${i}`,
          name: `Thing ${i}`,
          family: `F${i}`,
          width: 380,
          depth: 380,
          height: 100,
          lies: ['flat'],
        }),
      ),
    },
    ...Array.from({ length: COUNT }, (_, i): Command => ({ type: 'addUse', use: use(`s${i}`, 6 + 6 * i) })),
    ...Array.from({ length: COUNT }, (_, i) => home(`s${i}`, i < 3 ? 'near.0.0' : 'far.0.0')),
    ...more,
  );
const sunOf = (plan: Plan) =>
  sunGrid(
    plan,
    wallFrames(plan).map((f) => f.a),
  );
const total = (plan: Plan) => tallyOf(plan).total + secondsOf(standingOf(plan, sunOf(plan)));

describe('what would help most', () => {
  test('what is said of a change is what the plan is worth with it taken over, homes and all; the best first', async () => {
    const plan = room();
    const got = (await helpMost(plan, options))!;
    expect(got.tried).toBeGreaterThan(10);
    expect(got.changes.length).toBeGreaterThan(0);
    expect(got.base.total).toBeCloseTo(total(got.base.plan), 3);
    expect(got.base.total).toBeLessThanOrEqual(total(plan));
    for (const change of [...got.changes.slice(0, 6), ...got.together]) {
      const done = apply(plan, change.take);
      if (!done.ok) throw new Error(`${change.words}: ${done.reason}`);
      expect(total(done.plan)).toBeCloseTo(total(change.plan), 3);
      expect(got.base.total - total(done.plan) + change.besides).toBeCloseTo(change.saves, 3);
      // one undo takes all of it back
      const back = apply(done.plan, done.inverse);
      expect(back.ok && back.plan).toEqual(plan);
      expect(standingOf(done.plan, sunOf(plan)).broken.length).toBeLessThanOrEqual(got.base.standing.broken.length);
    }
    const saves = got.changes.map((c) => c.saves);
    expect(saves).toEqual([...saves].sort((a, b) => b - a));
    // two together are better than either alone
    if (got.together[0])
      expect(got.together[0].saves).toBeGreaterThanOrEqual(
        Math.max(...got.together[0].of.map((id) => got.changes.find((c) => c.id === id)!.saves)),
      );
  });

  test('shared out among lanes, one of them another thread: every change is tried once, and what is said of the best is true', async () => {
    const plan = room();
    const one = (await helpMost(plan, options))!;
    const seen = new Map<string, number>();
    const asked = [0, 0];
    const two = (await helpMost(plan, {
      ...options,
      lanes: (_, sun) =>
        [helpLaneHere(plan, sun, options), helpLaneHere(plan, sun, options)].map((lane, k) => ({
          one: async (base, change) => {
            asked[k]!++;
            seen.set(change.id, (seen.get(change.id) ?? 0) + 1);
            const helped = await lane.one(structuredClone(base), structuredClone(change));
            // neither is always the quicker one
            await new Promise((resolve) => setTimeout(resolve, (asked[k]! * 7) % 5));
            return structuredClone(helped);
          },
        })),
    }))!;
    expect(two.whole).toBe(true);
    expect(two.tried).toBe(one.tried);
    expect(Math.min(...asked)).toBeGreaterThan(two.tried / 4);
    // the best of what is free and of what is bought may be tried once more beside better homes
    expect([...seen.values()].filter((n) => n > 1).length).toBeLessThanOrEqual(16);
    expect(two.changes[0]!.id).toBe(one.changes[0]!.id);
    for (const change of two.changes.slice(0, 3)) {
      const done = apply(plan, change.take);
      if (!done.ok) throw new Error(`${change.words}: ${done.reason}`);
      expect(two.base.total - total(done.plan) + change.besides).toBeCloseTo(change.saves, 3);
    }
  });

  test('the best change of all that cost nothing: every stand of every unit tried by hand finds none better', async () => {
    const plan = room();
    const got = (await helpMost(plan, options))!;
    // exhaustively: each unit at each of many stands, everything in every place that takes it
    const ids = Object.keys(plan.supplies);
    const places = ['near.0.0', 'near.1000.0', 'far.0.0', 'far.1000.0'];
    const best = (p: Plan): number => {
      let least = Infinity;
      for (let n = 0; n < places.length ** ids.length; n++) {
        const homes = ids.map((id, i) => ({
          supplyId: id,
          share: 'working' as const,
          placeId: places[Math.floor(n / places.length ** i) % places.length]!,
        }));
        // a drawer of this size takes two of them, as does a top
        if (places.some((place) => homes.filter((h) => h.placeId === place).length > 2)) continue;
        const done = apply(p, { type: 'settle', since, homes });
        if (done.ok) least = Math.min(least, tallyOf(done.plan).total);
      }
      return least;
    };
    expect(tallyOf(got.base.plan).total).toBeCloseTo(best(plan), 3);
    const sun = sunOf(plan);
    const tried = moves(got.base.plan, sun, new Random(1)).map((c) => {
      const moved = applied(plan, c.command);
      const standing = standingOf(moved, sun);
      return { id: c.id, total: best(moved) + secondsOf(standing), broken: standing.broken.length };
    });
    const legal = tried.filter((t) => t.broken <= got.base.standing.broken.length);
    for (const { id, total: least } of legal) {
      const told = got.changes.find((c) => c.id === id);
      const saves = got.base.total - least;
      if (saves > 700) expect(told?.saves ?? 0).toBeGreaterThan(saves - 200);
      if (told) expect(told.saves).toBeLessThanOrEqual(saves + 1);
    }
  }, 60_000);

  test('ended early it says what it has, and that this is not all', async () => {
    const told: number[] = [];
    let n = 0;
    const got = await helpMost(room(), {
      ...options,
      cancelled: () => n > 3,
      onFound: (_, tried) => void (n = told.push(tried)),
    });
    expect(got?.whole).toBe(false);
    expect(told).toEqual([1, 2, 3, 4]);
  });
});

describe('changes that are thought of', () => {
  const sheet = {
    width: 305,
    depth: 305,
    height: null,
    grammage: 216,
    form: 'sheet' as const,
    lies: ['flat' as const],
  };

  test('seats either way and along the table, lids off, cards and sheets, what is seldom used moved out', () => {
    const plan = room(
      { type: 'placeUnit', unit: unit('away', { id: 'loft', awayMinutes: 3 }) },
      {
        type: 'addSupplies',
        supplies: [block({ id: 'card', name: 'Red card', family: 'Card', ...sheet, working: 20 })],
      },
      { type: 'addUse', use: { ...use('card', 3), usedUp: 3 } },
      home('card', 'far.0.0'),
    );
    expect(seats(plan).map((c) => c.words)).toEqual([
      'Seat: work standing',
      'Seat: sit 30 cm further left',
      'Seat: sit 30 cm further right',
    ]);
    expect(lids(plan)).toEqual([]);
    expect(cutAheads(plan)).toMatchObject([{ words: 'Cut Red card ahead, eight at a time', homesStay: true }]);
    expect(cutAheads(applied(plan, cutAheads(plan)[0]!.command))).toEqual([]);
    expect(otherStorage(plan).every((c) => !/Red|Card loose/.test(c.words))).toBe(true);
    // everything here is used more than twice a month
    expect(movedOut(plan, since)).toEqual([]);
    const seldom = applied(plan, { type: 'removeUse', id: 'work-s0' });
    const out = movedOut(seldom, since);
    expect(out.map((c) => c.words)).toEqual(['Keep F0 outside the room (Outside the room)']);
    const then = applied(seldom, out[0]!.command);
    expect(then.homes[Object.keys(then.homes).find((id) => then.homes[id]!.supplyId === 's0')!]).toMatchObject({
      placeId: 'loft.0.0',
      pinned: true,
    });
  });

  test('what is shut and says nothing is labelled; doors come off what has them; both change the motions', () => {
    const plan = room(
      { type: 'setPlan', set: { labels: 'outside' } },
      { type: 'setUnit', id: 'far', set: { rows: 3, height: 900 } },
    );
    const change = labelling(plan).find((c) => c.unitIds[0] === 'far')!;
    expect(change).toMatchObject({ kind: 'label', effort: 'free' });
    // homes are found as if it were labelled: what it saves comes besides, and is what looking takes until then
    const then = applied(plan, change.command);
    const [before, after] = [tallyOf(plan), tallyOf(then)];
    expect(after.total).toBeCloseTo(before.total, 6);
    expect(change.besides).toBeGreaterThan(0);
    expect(change.besides).toBeCloseTo(before.unlabelled - after.unlabelled, 6);
    expect(labelling(then).map((c) => c.id)).not.toContain(change.id);
    // who goes by memory looks for nothing
    expect(labelling(room())).toEqual([]);

    const cabinet = applied(
      room(),
      { type: 'placeUnit', unit: unit('wallCabinet', { id: 'cabinet', x: 3000, y: 5800, bottom: 1200 }) },
      home('s0', 'cabinet.0.0'),
    );
    const off = doors(cabinet).find((c) => c.subject === 'cabinet')!;
    const bare = applied(cabinet, off.command);
    expect(bare.places['cabinet.0.0']).toMatchObject({ covers: [], seen: true });
    expect(homesIn(bare, 'cabinet.0.0')).toHaveLength(1);
    expect(doors(bare)).toEqual([]);
    expect(applied(bare, { type: 'setUnit', id: 'cabinet', set: { doorsOff: false } }).places['cabinet.0.0']).toEqual(
      cabinet.places['cabinet.0.0'],
    );
  });

  test('one more of each kind of unit that holds things, inside the room; with its price when one is said', () => {
    const plan = room({ type: 'addPrice', price: { id: 'rollingCart', price: 49 } });
    const units = [...moreUnits(plan, sunOf(plan), new Random(1))].flatMap((c) => c ?? []);
    expect(units.length).toBeGreaterThan(20);
    expect(units.find((c) => c.id === 'unit rollingCart')!.price).toBe(49);
    expect(units.find((c) => c.id === 'unit bookcase')!.price).toBeNull();
    for (const c of units) {
      const then = applied(plan, c.command);
      const { x, y } = then.units[c.unitIds[0]!]!;
      expect(x > 0 && x < 6000 && y > 0 && y < 6000).toBe(true);
    }
  });

  test('a container that would hold what has no home is thought of, and what of it must be bought', () => {
    const plan = applied(
      room(),
      {
        type: 'addOrganiser',
        organiser: {
          ...{
            id: 'box',
            name: 'Box',
            width: 210,
            depth: 210,
            height: 110,
            innerWidth: 200,
            innerDepth: 200,
            innerHeight: 100,
          },
          ...{ lid: false, lidRise: 0, seeThrough: false, packOf: 2, have: 0, nature: 'area', pockets: 0, divided: '' },
          ...{ carried: false, mass: null, price: 3 },
        },
      },
      { type: 'placeUnit', unit: unit('bookcase', { id: 'case', x: 3000, y: 5800, facing: 180 }) },
      { type: 'addSupplies', supplies: [block({ id: 'lost', name: 'Lost', width: 60, depth: 60, height: 60 })] },
    );
    const found = containers(plan);
    expect(found.length).toBeGreaterThan(0);
    expect(found[0]).toMatchObject({ kind: 'container', effort: 'buy' });
    // bought by twos at three each
    expect(found[0]!.price! % 6).toBe(0);
    const then = applied(plan, found[0]!.command);
    expect(Object.values(then.places).some((p) => p.organiserId === 'box' && homesIn(then, p.id).length === 0)).toBe(
      true,
    );
  });
});
