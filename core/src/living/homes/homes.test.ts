import { inPeriod } from '../slotting/index.ts';
import { describe, expect, test } from '@jest/globals';
import { type Command, HARMFUL, type Plan, type Supply } from '../../record/plan/index.ts';
import { sceneOf } from '../../space/reach/index.ts';
import { applied, block, person, sheet, tinyRoom, unit, use, withUnits, home } from '../../testing/index.ts';
import { assessHomes, costOfHome, fetchesPerYear, findHomes, placeFilling, slottingOf, tallyOf } from './index.ts';

const since = '2026-05-01';
const room = (...supplies: Supply[]) =>
  applied(withUnits(tinyRoom(), unit('lowChest', { x: 3900, y: 3600 }), unit('bookcase', { x: 700, y: 5800 })), {
    type: 'addSupplies',
    supplies,
  });

describe('homes', () => {
  test('fetches a year: 4 a session × 8 sessions a month × 12 months', () => {
    const plan = applied(room(block()), { type: 'addUse', use: use('block', 4) });
    expect(fetchesPerYear(plan, 'work', 4)).toBe(384);
    const cost = costOfHome(plan, plan.supplies.block!, 'working', 'lowChest.0.0')!;
    expect(cost.fetches).toBe(384);
    expect(cost.seconds).toBeCloseTo(384 * cost.each, 6);
  });

  test('of what homes cost, the seconds really spent are the fetches and the bringing; what is set against a place is not spent', () => {
    const plan = applied(
      room(block({ form: 'loose' })),
      { type: 'addUse', use: use('block', 4) },
      // loose things on a shelf are set back for lying there
      home('block', 'bookcase.2.0'),
    );
    const { each, fetches, penalties, seconds } = costOfHome(plan, plan.supplies.block!, 'working', 'bookcase.2.0')!;
    const against = penalties.reduce((sum, p) => sum + p.seconds, 0);
    expect(against).toBeGreaterThan(0);
    const tally = tallyOf(plan);
    expect(tally.year).toBeCloseTo(each * fetches, 6);
    expect(tally.year + tally.places).toBeCloseTo(seconds, 6);
    expect(tally.against).toBeCloseTo(against, 6);
  });

  test('find homes: the often-used thing gets the near drawer, the rare one the far shelf (point of use, common practice)', async () => {
    const hot = block({ id: 'hot', width: 600, depth: 250, height: 130, lies: ['flat'] });
    const cold = block({ ...hot, id: 'cold' });
    const plan = applied(
      room(hot, cold),
      { type: 'addUse', use: use('hot', 20) },
      { type: 'addUse', use: use('cold', 1) },
      home('cold', 'lowChest.0.0'),
      home('hot', 'bookcase.0.0'),
    );
    const { plan: after } = (await findHomes(plan, { work: 80_000, now: () => 0, since }))!;
    // its top is open, its first drawer is not: either way in the chest beside the seat
    expect(['lowChest.0.0', 'lowChest.1000.0']).toContain(after.homes['hot.working']!.placeId);
    expect(assessHomes(after).seconds).toBeLessThan(assessHomes(plan).seconds);
  });

  test('pins stay and take their room; what is not measured stays without a home; nothing is over-filled', async () => {
    const supplies = Array.from({ length: 30 }, (_, i) =>
      block({ id: `s${i}`, width: 150 + i * 3, depth: 200, height: 100, lies: ['flat'], family: `f${i % 4}` }),
    );
    const plan = applied(
      room(...supplies, block({ id: 'vague', width: null })),
      ...supplies.map((s, i): Command => ({ type: 'addUse', use: use(s.id, i) })),
      home('s0', 'lowChest.0.0', true),
      home('s1', 'bookcase.0.0'),
    );
    const problem = slottingOf(plan);
    expect(problem.lots.find((l) => l.id === 's0.working')).toBeUndefined();
    const capacity = (id: string) => inPeriod(problem.places.find((p) => p.id === id)!.capacity, 0);
    expect(capacity('lowChest.0.0')).toBeCloseTo(capacity('lowChest.1.0') - 154 * 204, 1);
    const { plan: after } = (await findHomes(plan, { work: 110_000, now: () => 0, since }))!;
    expect(after.homes['s0.working']).toEqual(plan.homes['s0.working']);
    expect(after.homes['vague.working']).toBeUndefined();
    for (const place of Object.values(after.places)) {
      const filling = placeFilling(after, place);
      expect(filling.faults).toEqual([]);
      expect(filling.used).toBeLessThanOrEqual(filling.target + 0.5);
    }
  });

  test('an over-full, an overloaded and an unfitting place are shown with the number', () => {
    const wide = block({ id: 'wide', width: 500, depth: 300, height: 120, lies: ['flat'], mass: 9000 });
    const tall = block({ id: 'tall', height: 400, depth: 390, width: 900 });
    const plan = applied(
      room(wide, { ...wide, id: 'wide2' }, tall),
      home('wide', 'lowChest.0.0'),
      home('wide2', 'lowChest.0.0'),
      home('tall', 'lowChest.1.0'),
    );
    expect(placeFilling(plan, plan.places['lowChest.0.0']!).faults).toEqual([
      expect.stringMatching(/^over-full: no room for/),
      expect.stringMatching(/3.0 kg over its load of 15 kg/),
    ]);
    expect(placeFilling(plan, plan.places['lowChest.1.0']!).faults[0]).toMatch(/needs \d+ mm more/);
  });

  test('blades within a child’s reach cost, with the caution; behind a lock they do not (common practice)', () => {
    const plan = applied(room(block({ hazards: ['blade'] })), {
      type: 'addPerson',
      person: person({ id: 'kid', name: 'The child', child: true, stature: 1280, keepFrom: [...HARMFUL] }),
    });
    const cost = (p: Plan) => costOfHome(p, p.supplies.block!, 'working', 'lowChest.0.0')!;
    expect(cost(plan).penalties[0]).toMatchObject({
      care: true,
      words: expect.stringMatching(/reach of The child.*local rules come first/),
    });
    expect(cost(applied(plan, { type: 'setPlace', id: 'lowChest.0.0', set: { lockable: true } })).penalties).toEqual(
      [],
    );
  });

  test('a child gets at a shelf by its lowest edge, arm stretched up and on tiptoe (own assumption: 60 mm)', () => {
    const child = person({ id: 'kid', name: 'The child', child: true, stature: 1280, keepFrom: [...HARMFUL] });
    // shoulder 0.818 H + 25 mm shoes, arm 0.386 H, tiptoe 60 mm
    const top = 0.818 * 1280 + 25 + 0.386 * 1280 + 60;
    const warned = (low: number) => {
      const plan = applied(
        withUnits(tinyRoom(), unit('wallShelves', { x: 3000, y: 5890, rows: 1, height: 400, bottom: low - 18 })),
        { type: 'addSupplies', supplies: [block({ hazards: ['blade'] })] },
        { type: 'addPerson', person: child },
      );
      const spot = sceneOf(plan).spots.get('wallShelves.0.0')!;
      expect(Math.abs(spot.low - low)).toBeLessThan(30);
      return [
        spot.low < top,
        costOfHome(plan, plan.supplies.block!, 'working', 'wallShelves.0.0')!.penalties.some((p) => p.care),
      ];
    };
    for (const low of [1300, 1500, top - 40, top + 40]) {
      const [within, said] = warned(low);
      expect([low, said]).toEqual([low, within]);
    }
  });

  test('a place that one of its users cannot reach is no option for find homes', () => {
    const plan = applied(
      room(block()),
      { type: 'addUse', use: use('block', 4) },
      { type: 'setPerson', id: 'maker', set: { mayKneel: false, mayClimb: false } },
    );
    const options = slottingOf(plan).lots[0]!.options.map((o) => o.place);
    expect(options).toContain('lowChest.0.0');
    expect(options).not.toContain('bookcase.5.0');
    expect(costOfHome(plan, plan.supplies.block!, 'working', 'bookcase.5.0')!.reason).toMatch(/needs kneeling/);
  });

  test('paper lies where it fits: 640 × 970 mm sheets only in the sheet chest', () => {
    const paper = sheet({ width: 640, depth: 970, grammage: 60, working: 35 });
    const plan = withUnits(room(paper), unit('sheetChest', { x: 5200, y: 3500, width: 1050, depth: 720 }));
    const options = slottingOf(plan).lots[0]!.options.map((o) => o.place);
    expect(options.length).toBeGreaterThan(0);
    expect(options.every((p) => p.startsWith('sheetChest'))).toBe(true);
  });

  test('a box put away takes its width of the place, or its depth where it must be turned, and its weight', () => {
    const at = (set: object) =>
      applied(withUnits(room(), unit('carryBox', { id: 'box', mass: 1500 })), {
        type: 'setUnit',
        id: 'box',
        set: { ...set, keptInId: 'bookcase.2.0' },
      });
    const filling = (plan: Plan) => placeFilling(plan, plan.places['bookcase.2.0']!);
    const { depth } = room().places['bookcase.2.0']!;
    expect(filling(at({ width: 200, depth: depth - 3 }))).toMatchObject({ used: 203, mass: 1500 });
    expect(filling(at({ width: 200, depth: depth + 60 })).used).toBeCloseTo(depth + 63, 6);
  });
});
