import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { bodyOf } from '../body/index.ts';
import { type Person, type Plan, type Station, type Unit } from '../../record/plan/index.ts';
import { applied, person, smallShelf, tinyRoom, unit, withUnits } from '../../testing/index.ts';
import {
  fetchAtTable,
  fetchFrom,
  fetchSeconds,
  type Handling,
  highestGrip,
  makerOf,
  PLAIN,
  sceneAt,
  sceneOf,
  standingSpot,
  tablePrice,
  wayPrice,
  WHEELS,
} from './index.ts';

const reach = (plan: Plan, placeId: string, handling = PLAIN) =>
  fetchFrom(sceneOf(plan), makerOf(plan, plan.stations.seat!)!, sceneOf(plan).spots.get(placeId)!, handling);
const room = (units: Unit[], seat: Partial<Station> = {}, who: Partial<Person> = {}) =>
  withUnits(tinyRoom(seat, who), ...units);
/** One open shelf compartment whose grip point is where it is wanted, looking down the page at the maker. */
const box = (x: number, y: number, z: number, over: Partial<Unit> = {}) => smallShelf(z, { x, y: y + 3, ...over });
const at = (x: number, y: number, z: number, seat: Partial<Station> = {}, who: Partial<Person> = {}) =>
  reach(room([box(3000 + x, 3000 + y, z)], seat, who), 'wallShelves.0.0');
const band = (f: ReturnType<typeof at>) => (f.ok ? f.band : f.refusal);
const rows = (plan: Plan, unitId: string, n: number) =>
  Array.from({ length: n }, (_, r) => {
    const f = reach(plan, `${unitId}.${r}.0`);
    if (!f.ok) throw new Error(f.reason);
    return f;
  });

describe('bands: what the body does', () => {
  const seated = { standing: false, seatHeight: 450 };
  // H 1620: elbow 450 + 227 = 677 mm, shoulder 450 + 551 = 1001 mm, shoulders 209 mm aside, hand reach 324, grip reach 625
  test('1 hand: an open place beside the elbow; 2 arm: farther, or behind a cover', () => {
    expect(band(at(209, 300, 690, seated))).toBe(1);
    expect(band(at(209, 480, 900, seated))).toBe(2);
    expect(band(at(209, 300, 690, seated, { hand: 'left' }))).toBe(1);
  });
  test('3 turn: behind the ±90° of the arms on a swivel chair; beyond a twist a fixed stool means rising', () => {
    const behind = room([box(3000, 2500, 800, { facing: 0 })], seated);
    expect(band(reach(behind, 'wallShelves.0.0'))).toBe(3);
    const stool = room([box(3000, 2500, 800, { facing: 0 })], seated, { mobility: 'stool' });
    expect(band(reach(stool, 'wallShelves.0.0'))).toBe(4);
  });
  test('3 turn: leaning and rolling up to 600 mm, no farther', () => {
    expect(band(at(0, 760, 900, seated))).toBe(3);
    expect(band(at(0, 1150, 900, seated))).toBe(3);
    expect(band(at(0, 1900, 900, seated))).toBe(5);
  });
  test('4 rise: too high from the seat, at most one pace away; 5 walk: farther', () => {
    expect(band(at(0, 900, 1700, seated))).toBe(4);
    expect(band(at(0, 2400, 1400, seated))).toBe(5);
  });
  test('6 climb: above the highest standing grip, wherever it is; who may not climb does not get it', () => {
    const top = highestGrip(bodyOf(person(), null), 0);
    expect(top).toBeCloseTo(0.818 * 1620 + 25 + Math.sqrt((0.386 * 1620) ** 2 - 250 ** 2), 6);
    expect(band(at(0, 900, top - 20, seated))).toBe(4);
    expect(band(at(0, 900, top + 20, seated))).toBe(6);
    expect(band(at(0, 900, top + 20, seated, { mayClimb: false }))).toBe('climb');
  });
  test('a deep worktop before a wall shelf lowers the highest grip', () => {
    const table = unit('worktable', { x: 3000, y: 5600, depth: 700 });
    const over = (bottom: number, withTable: boolean) =>
      band(
        reach(
          room(
            [
              unit('wallShelves', { x: 3000, y: 5890, depth: 220, height: 132, rows: 1, bottom }),
              ...(withTable ? [table] : []),
            ],
            { standing: true },
          ),
          'wallShelves.0.0',
        ),
      );
    expect(over(1700, false)).toBe(5);
    expect(over(1700, true)).toBe(6);
    expect(over(1350, true)).toBe(5);
  });
  test('7 away: outside the room, at its own entered minutes', () => {
    const plan = room([unit('away', { awayMinutes: 3 })]);
    const f = reach(plan, 'away.0.0');
    expect(f.ok && f.band).toBe(7);
    expect(f.ok && f.seconds).toBeGreaterThan(2 * 180);
    expect(f.ok && f.seconds).toBeLessThan(2 * 180 + 5);
  });
  test('standing: bend, stoop, kneel by height, and who may not kneel or stoop is told', () => {
    const standing = { standing: true };
    const codes = (z: number, who: Partial<Person> = {}) => {
      const f = at(0, 500, z, standing, who);
      return f.ok ? f.motions.map((m) => m.code).filter((c) => ['B', 'S', 'KBK'].includes(c))[0] : f.refusal;
    };
    expect(codes(0.38 * 1620 - 10)).toBe('B');
    expect(codes(0.285 * 1620 - 10)).toBe('S');
    expect(codes(280)).toBe('KBK');
    expect(codes(280, { mayKneel: false })).toBe('kneel');
    expect(codes(400, { mayStoop: false })).toBe('stoop');
    expect(band(at(0, 500, 0.38 * 1620 - 10, standing))).toBe(4);
  });
  test('an arm does not pass through furniture: a tall unit in between changes the way', () => {
    const target = box(3000, 3550, 900);
    const wall = unit('cupboard', { id: 'screen', x: 3000, y: 3300, width: 900, depth: 100, height: 1900 });
    expect(band(reach(room([target], seated), 'wallShelves.0.0'))).toBe(2);
    const f = reach(room([target, wall], seated), 'wallShelves.0.0');
    expect(f.ok && f.band <= 2).toBe(false);
  });
  test('a front that looks away has to be walked round to', () => {
    const f = reach(room([unit('bookcase', { x: 3000, y: 3600, facing: 0 })], seated), 'bookcase.2.0');
    expect(f.ok && f.band).toBe(5);
  });
  test('no free floor before it is said so', () => {
    const f = reach(
      room(
        [
          unit('bookcase', { x: 3000, y: 5840, facing: 180 }),
          unit('lowChest', { id: 'a', x: 3000, y: 4600, width: 3000, depth: 2100 }),
        ],
        seated,
      ),
      'bookcase.2.0',
    );
    expect(f.ok).toBe(false);
    expect(!f.ok && f.reason).toMatch(/no free floor/);
  });
  test('wheelchair: 380 to 1220 mm (2010 ADA Standards, section 308, from memory), nothing by rising', () => {
    const who = { mobility: 'wheelchair' as const };
    expect(band(at(0, 2400, 1200, seated, who))).toBe(5);
    expect(band(at(0, 2400, 1240, seated, who))).toBe('high');
    expect(band(at(0, 2400, 360, seated, who))).toBe('stoop');
  });
});

describe('on wheels', () => {
  const wheels = { mobility: 'wheelchair' as const };
  const seated = { standing: false, seatHeight: 450 };
  const codes = (f: ReturnType<typeof at>) => (f.ok ? f.motions.map((m) => m.code) : []);
  test('nobody in a wheelchair takes paces, side steps or turns on her feet, wherever the place is', () => {
    let went = 0;
    for (const x of [-2200, -900, 0, 700, 2400])
      for (const y of [-2300, -700, 0, 600, 1500, 2600]) {
        const f = at(x, y, 900, seated, wheels);
        for (const code of codes(f))
          expect([x, y, code, /^(W\d+P|SS|TBC|STD|SIT|KBK|S$)/.test(code)]).toEqual([x, y, code, false]);
        if (codes(f).some((c) => c.startsWith('WH'))) went++;
      }
    expect(went).toBeGreaterThan(12);
  });
  test('the way is taken at the speed people wheel at (Tolerico and others 2007, from memory: 0.79 m/s), there and back', () => {
    const [near, far] = [at(0, 1700, 900, seated, wheels), at(0, 2700, 900, seated, wheels)];
    if (!near.ok || !far.ok) throw new Error('reached');
    // one metre more, gone four times: there and back to get it, there and back to put it away
    expect(Math.abs(far.seconds - near.seconds - 4 / 0.79)).toBeLessThan(0.2);
  });
  test('turning costs by the degree: a half turn twice a quarter', () => {
    expect(WHEELS.turnTmu(180)).toBeCloseTo(2 * WHEELS.turnTmu(90), 9);
    expect(WHEELS.turnTmu(10)).toBe(0);
    expect(WHEELS.turned(-90).there[0]!.text).toBe('turn the wheels 90° to the left');
  });
});

describe('wheelchair over an obstruction (2010 ADA Standards, section 308, from memory)', () => {
  /** One compartment at the north wall, its grip so high, behind a top so deep and high: over it from the south. */
  const over = (z: number, deep: number, high: number) =>
    band(
      reach(
        room(
          [
            unit('wallShelves', {
              x: 3000,
              y: 5894,
              width: 132,
              depth: 212,
              height: 132,
              rows: 1,
              columns: 1,
              bottom: z - 66,
            }),
            unit('worktable', { id: 'top', x: 3000, y: 5788 - deep / 2, width: 2400, depth: deep, height: high }),
          ],
          { x: 3000, y: 2500, standing: false, seatHeight: 450 },
          { mobility: 'wheelchair' },
        ),
        'wallShelves.0.0',
      ),
    );
  test.each([
    ['500 mm deep: 1220 mm high', 490, 740, 1210, 1230],
    ['600 mm deep and low: 1170 mm, to the side', 585, 740, 1160, 1180],
    ['600 mm deep and 900 mm high: 1120 mm, forwards', 585, 900, 1110, 1130],
  ] as const)('%s', (_, deep, high, within, beyond) => {
    expect(over(within, deep, high)).toBe(5);
    expect(over(beyond, deep, high)).toBe('high');
  });
  test('more than 635 mm deep: nothing', () => expect(over(1000, 700, 740)).toBe('far'));
});

describe('order facts any room must reproduce (common practice)', () => {
  test('standing before open shelves from floor to ceiling, the row nearest the elbow is cheapest and cost rises both ways', () => {
    const plan = room([unit('bookcase', { x: 3000, y: 3650, height: 2400, rows: 12 })], { standing: true });
    const cost = rows(plan, 'bookcase', 12).map((f) => f.tmu);
    const heights = cost.map((_, r) => sceneOf(plan).spots.get(`bookcase.${r}.0`)!.grip.z);
    const best = cost.indexOf(Math.min(...cost));
    const elbow = bodyOf(person(), null).elbow;
    const nearest = heights.map((z) => Math.abs(z - elbow));
    expect(best).toBe(nearest.indexOf(Math.min(...nearest)));
    for (let r = best; r > 0; r--) expect(cost[r - 1]!).toBeGreaterThan(cost[r]!);
    for (let r = best; r < 11; r++) expect(cost[r + 1]!).toBeGreaterThanOrEqual(cost[r]!);
    expect(cost[11]!).toBeGreaterThan(cost[best]! * 2);
  });

  test.each([[true], [false]])('low chest: the top drawer is cheapest (maker standing: %s)', (standing) => {
    const cost = rows(room([unit('lowChest', { x: 3900, y: 4400 })], { standing }), 'lowChest', 4).map((f) => f.tmu);
    expect(cost[0]).toBe(Math.min(...cost));
    for (let r = 1; r < 4; r++) expect(cost[r]!).toBeGreaterThanOrEqual(cost[r - 1]!);
  });

  test('wall cabinet above a worktop: the lowest shelf is cheapest', () => {
    const plan = room([unit('worktable', { x: 3000, y: 3600 }), unit('wallCabinet', { x: 3000, y: 3790 })]);
    const cost = rows(plan, 'wallCabinet', 3).map((f) => f.tmu);
    expect(cost[2]).toBe(Math.min(...cost));
  });

  test('three-tier cart beside the seat: the top tier is easy, the others are not', () => {
    const found = rows(room([unit('rollingCart', { x: 3650, y: 3000, facing: 270 })]), 'rollingCart', 3);
    const cost = found.map((f) => f.tmu);
    expect(cost[0]).toBe(Math.min(...cost));
    expect(found[0]!.band).toBeLessThan(found[2]!.band);
  });
});

describe('the fetch', () => {
  test('the ledger adds up, get and put back apart, and every motion has a code and words', () => {
    const f = reach(room([unit('lowChest', { x: 4500, y: 4500 })]), 'lowChest.3.0');
    if (!f.ok) throw new Error(f.reason);
    expect(f.motions.reduce((s, m) => s + m.tmu, 0)).toBeCloseTo(f.tmu, 6);
    expect(f.seconds).toBeCloseTo(f.tmu * 0.036, 9);
    for (const m of f.motions) expect(m.code.length * m.text.length).toBeGreaterThan(0);
    const texts = f.motions.map((m) => m.text);
    for (const part of ['stand up', 'pull the drawer', 'kneel', 'reach', 'sit down', 'let go'])
      expect(texts).toContain(part);
    expect(texts.indexOf('stand up')).toBeLessThan(texts.indexOf('pull the drawer'));
  });

  test('used-up things are not put back; a jumble, a crowd and things on top cost more', () => {
    const plan = room([unit('bookcase', { x: 3000, y: 3650 })], { standing: true });
    const tmu = (over: Partial<typeof PLAIN>) => {
      const f = reach(plan, 'bookcase.2.0', { ...PLAIN, ...over });
      return f.ok ? f.tmu : NaN;
    };
    expect(tmu({ consumed: true })).toBeLessThan(tmu({}));
    expect(tmu({ kinds: 12 })).toBeGreaterThan(tmu({}));
    expect(tmu({ grasp: 'jumble', size: 5 })).toBeGreaterThan(tmu({ grasp: 'flat' }));
    expect(tmu({ covered: 2 })).toBeGreaterThan(tmu({ covered: 1 }));
  });

  test('what a hand does is the same whatever is written on a place: what is looked for is another measure', () => {
    const plan = room([unit('lowChest', { x: 3000, y: 4200 })], { standing: true });
    const drawers = Object.values(plan.places).filter((p) => p.kind === 'drawer').length;
    /** so many of the drawers say nothing; the first is one of them unless none is */
    const search = (alike: number) => {
      const places = Object.fromEntries(
        Object.values(plan.places).map((p, i) => [p.id, { ...p, label: i < alike ? 'none' : 'trial' } as const]),
      );
      const head = { ...plan.head, labels: 'outside' as const };
      const f = reach({ ...plan, head, places }, 'lowChest.0.0', { ...PLAIN, consumed: true });
      return f.ok ? f : null;
    };
    expect(drawers).toBeGreaterThanOrEqual(3);
    for (const alike of [0, 1, 3]) expect(search(alike)!.tmu).toBe(search(1)!.tmu);
    const known = reach(plan, 'lowChest.0.0', { ...PLAIN, consumed: true });
    expect(known.ok && known.tmu).toBe(search(0)!.tmu);
  });

  test('the answer does not depend on what was asked before: a spot of the same place that is another way in', () => {
    const plan = room([unit('bookcase', { x: 3000, y: 4200 })]);
    const scene = sceneOf(plan);
    const maker = makerOf(plan, plan.stations.seat!)!;
    const spot = scene.spots.get('bookcase.2.0')!;
    const shut = { ...spot, place: { ...spot.place, covers: ['door' as const, 'lid' as const] } };
    const seconds = (s: typeof spot) => {
      const f = fetchFrom(scene, maker, s, PLAIN);
      return f.ok ? f.seconds : NaN;
    };
    const first = [seconds(spot), seconds(shut)];
    const fresh = sceneOf({ ...plan, units: { ...plan.units } });
    const other = fetchFrom(fresh, maker, { ...shut }, PLAIN);
    expect(other.ok && other.seconds).toBe(first[1]);
    expect(first[1]).toBeGreaterThan(first[0]!);
  });

  test('a box in a box is got at through both, whatever the order of the rows', () => {
    const base = room([
      unit('bookcase', { x: 3000, y: 4400 }),
      unit('carryBox', { id: 'outer', x: 2000, y: 2000 }),
      unit('carryBox', { id: 'inner', x: 2000, y: 2400 }),
    ]);
    const outer = { ...base.units.outer!, keptInId: 'bookcase.2.0' };
    const inner = { ...base.units.inner!, keptInId: 'outer.0.0' };
    const { bookcase } = base.units;
    const shelf = sceneOf(base).spots.get('bookcase.2.0')!;
    for (const places of [base.places, Object.fromEntries(Object.entries(base.places).reverse())]) {
      const spot = sceneOf({ ...base, units: { bookcase: bookcase!, outer, inner }, places }).spots.get('inner.0.0')!;
      expect(spot.grip).toEqual(shelf.grip);
      expect(spot.place.covers).toHaveLength(2 * base.places['inner.0.0']!.covers.length);
    }
  });

  test('the arc of a door is that of its own leaf: a wide cupboard has two', () => {
    const cover = (width: number) => {
      const f = reach(room([unit('cupboard', { x: 3000, y: 4200, width })], { standing: true }), 'cupboard.2.0');
      return f.ok ? f.motions.find((m) => m.text === 'open the door')!.tmu : NaN;
    };
    // one leaf of 590 mm goes farther than each of two of 450
    expect(cover(590)).toBeGreaterThan(cover(900));
  });

  test('a drawer that furniture keeps one away from is measured from its pulled-out rim', () => {
    const chest = unit('lowChest', { x: 3000, y: 5700, facing: 180 });
    const gap = (mm: number) => unit('bookcase', { id: 'screen', x: 3000, y: 5450 - mm - 140, height: 700, rows: 2 });
    const scene = sceneOf(room([chest, gap(700)]));
    const spot = scene.spots.get('lowChest.0.0')!;
    const stand = standingSpot(scene, spot, 120);
    expect(spot.pull).toBeGreaterThan(200);
    // never nearer to the front than the pulled-out drawer lets one
    if (stand) expect(stand.nearest + spot.pull).toBeGreaterThanOrEqual(250 + spot.pull);
  });

  test('mirrored rooms give the same seconds', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -2000, max: 2000 }),
        fc.integer({ min: -2000, max: 2000 }),
        fc.integer({ min: 100, max: 2000 }),
        fc.integer({ min: 0, max: 359 }),
        fc.boolean(),
        (x, y, z, facing, standing) => {
          const one = reach(
            room([box(3000 + x, 3000 + y, z, { facing, y: 3000 + y })], { standing }),
            'wallShelves.0.0',
          );
          const two = reach(
            room([box(3000 - x, 3000 + y, z, { facing: (360 - facing) % 360, y: 3000 + y })], { standing }),
            'wallShelves.0.0',
          );
          expect(one.ok).toBe(two.ok);
          // ways over the floor are found on a grid: a millimetre or two of a side step may differ
          if (one.ok && two.ok) expect(Math.abs(one.tmu - two.tmu)).toBeLessThan(0.5);
        },
      ),
      { numRuns: 60, seed: 20261124 },
    );
  });

  test('a left-hander’s cart and box in the mirrored room cost what the right-hander’s do', () => {
    const make = (mirrored: boolean) => {
      const x = (mm: number) => (mirrored ? 6000 - mm : mm);
      const base = applied(
        room(
          [
            unit('worktable', { id: 'table', x: x(3000), y: 3600 }),
            unit('rollingCart', { id: 'cart', x: x(700), y: 900, facing: 0 }),
          ],
          {},
          { hand: mirrored ? 'left' : 'right' },
        ),
        { type: 'setStation', id: 'seat', set: { unitId: 'table', housing: 'cart', travellerId: 'cart' } },
      );
      const scene = sceneAt(base, base.stations.seat!);
      return fetchFrom(scene, makerOf(base, base.stations.seat!)!, scene.spots.get('cart.0.0')!, PLAIN);
    };
    const [right, left] = [make(false), make(true)];
    if (!right.ok || !left.ok) throw new Error('out of reach');
    expect(left.tmu).toBeCloseTo(right.tmu, 3);
    expect(right.band).toBeLessThanOrEqual(3);
  });

  test('a way is walked round furniture, and where there is none it is said', () => {
    const chest = (id: string, cx: number, wide: number) =>
      unit('lowChest', { id, x: cx, y: 4200, width: wide, depth: 300 });
    const goal = unit('bookcase', { x: 3000, y: 5850, facing: 180 });
    const open = reach(room([goal]), 'bookcase.2.0');
    const round = reach(room([goal, chest('a', 2500, 5000)]), 'bookcase.2.0');
    const shut = reach(room([goal, chest('a', 3000, 6000)]), 'bookcase.2.0');
    expect(open.ok && round.ok && round.tmu - open.tmu).toBeGreaterThan(2 * 15);
    expect(!shut.ok && shut.reason).toMatch(/no way over free floor/);
    const wheels = reach(room([goal, chest('a', 2700, 5400)], {}, { mobility: 'wheelchair' }), 'bookcase.2.0');
    expect(!wheels.ok && wheels.refusal).toBe('way');
  });

  test('a hand comes into a box from above: its own rim is not in the way', () => {
    for (const kind of ['lidBox', 'carryBox', 'underBedBox'] as const) {
      const f = reach(room([unit(kind, { x: 3000, y: 3700, bottom: kind === 'carryBox' ? 600 : 0 })]), `${kind}.0.0`);
      expect([kind, f.ok]).toEqual([kind, true]);
    }
  });

  test('who works standing wherever she is does not stand up or sit down', () => {
    const f = at(0, 2400, 1000, { standing: false }, { mobility: 'standing' });
    expect(f.ok && f.motions.some((m) => m.code === 'STD' || m.code === 'SIT')).toBe(false);
  });

  test('walking farther is never cheaper, all else equal', () => {
    let last = 0;
    for (let y = 1300; y < 2700; y += 100) {
      const f = at(0, y, 1000);
      if (!f.ok) throw new Error(f.reason);
      expect(f.tmu).toBeGreaterThanOrEqual(last - 1e-6);
      last = f.tmu;
    }
  });

  test('a taller person grips higher', () => {
    for (let h = 1300; h < 1950; h += 50)
      expect(highestGrip(bodyOf(person({ stature: h + 50 }), null), 0)).toBeGreaterThan(
        highestGrip(bodyOf(person({ stature: h }), null), 0),
      );
  });
});

test('a way priced once gives for every thing what its ledger adds up to, motion by motion', () => {
  const plan = withUnits(
    tinyRoom(),
    unit('lowChest', { x: 900, y: 5700 }),
    unit('bookcase', { id: 'tall', x: 3000, y: 5800 }),
    unit('wallCabinet', { id: 'doors', x: 4500, y: 5800 }),
    unit('away', { id: 'loft', mount: 'away', awayMinutes: 4 }),
  );
  const scene = sceneOf(plan);
  const maker = makerOf(plan, plan.stations.seat!)!;
  const handling = fc.record<Handling>({
    grasp: fc.constantFrom('clear', 'flat', 'jumble'),
    size: fc.constantFrom(4, 20, 100),
    kinds: fc.integer({ min: 1, max: 12 }),
    covered: fc.integer({ min: 0, max: 3 }),
    consumed: fc.boolean(),
    storage: fc.constantFrom('asBought', 'jar', 'pockets', 'magnet'),
  });
  fc.assert(
    fc.property(
      fc.constantFrom(...scene.spots.values()),
      fc.integer({ min: 1, max: 4 }),
      handling,
      (there, alike, h) => {
        const spot = { ...there, alike };
        const fetch = fetchFrom(scene, maker, spot, h);
        const price = wayPrice(scene, maker, spot);
        expect(price === null).toBe(!fetch.ok);
        if (!fetch.ok || !price) return;
        expect(price.band).toBe(fetch.band);
        expect(fetchSeconds(price, h)).toBeCloseTo(fetch.seconds, 9);
        expect(fetchSeconds(tablePrice(), h)).toBeCloseTo(fetchAtTable(h).seconds, 9);
      },
    ),
    { numRuns: 300 },
  );
});
