import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { fitOf, holderOf } from '../../things/fit/index.ts';
import { kindOf, ofKind } from '../../things/kinds/index.ts';
import {
  apply,
  blankActivity,
  blankOrganiser,
  blankSupply,
  type Command,
  natureOf,
  type Plan,
  type Supply,
  usualLies,
} from '../../record/plan/index.ts';
import { Random } from '../../living/slotting/random.ts';
import { block, tinyRoom, unit, use, withUnits } from '../../testing/index.ts';
import { needOf } from '../../living/zones/index.ts';
import {
  budgetOf,
  mayBeMissing,
  compareStorage,
  duplicatesOf,
  heapsOf,
  litresOf,
  splitBy,
  splitCommand,
  tapeOf,
  toReorder,
  tooMuch,
  tourOf,
  tourState,
  usedByNobody,
  usuallyHad,
} from './index.ts';

const run = (plan: Plan, ...commands: Command[]): Plan =>
  commands.reduce((p, c) => {
    const done = apply(p, c);
    if (!done.ok) throw new Error(done.reason);
    return done.plan;
  }, plan);
const room = () =>
  withUnits(
    tinyRoom(),
    unit('lowChest', { x: 900, y: 5700 }),
    unit('bookcase', { id: 'case', x: 2000, y: 5700 }),
    unit('away', { id: 'loft', awayMinutes: 4 }),
  );
const withSupplies = (...supplies: Supply[]) => run(room(), { type: 'addSupplies', supplies });
const ofA = (id: string, kindId: string, over: Partial<Supply> = {}): Supply => {
  const kind = kindOf(kindId)!;
  return { ...blankSupply(id, kind.name), ...ofKind(kind), lies: usualLies(kind.form), ...over };
};
const since = '2026-03-03';

describe('the space budget', () => {
  test('sums are those of every supply by itself, by zone and kind of room, with room to grow', () => {
    let plan = withSupplies(
      block({ id: 'a', working: 4 }),
      block({
        id: 'b',
        working: 2,
        backstock: 3,
        form: 'bottle',
        width: 60,
        depth: 60,
        height: 150,
        lies: ['upright'],
      }),
      block({ id: 'c', working: 30, form: 'loose', width: 10, depth: 10, height: 10 }),
      block({ id: 'gone', working: 9, decision: 'passOn' }),
      block({ id: 'bin', working: 9, decision: 'throw' }),
      block({ id: 'winter', working: 9, decision: 'away' }),
      block({ id: 'nosize', width: null }),
    );
    plan = run(
      plan,
      { type: 'addZone', zone: { id: 'z', name: 'Kites', rule: 'first', mark: 0 } },
      { type: 'setSupply', id: 'a', set: { zoneId: 'z' } },
      { type: 'setUnit', id: 'lowChest', set: { zoneId: 'z' } },
    );
    plan = run(plan, { type: 'assignHome', supplyId: 'b', share: 'working', placeId: 'case.1.0', since });
    const budget = budgetOf(plan);
    const grown = 1 / (1 - plan.head.growth);
    const want = new Map<string, number>();
    const add = (zone: string | null, supply: Supply, count: number, home?: string) => {
      const need = needOf(supply, count, home ? plan.places[home] : undefined)!;
      const key = `${zone} ${tapeOf(need.kind, need.nature)}`;
      want.set(key, (want.get(key) ?? 0) + need.amount * grown);
    };
    add('z', plan.supplies.a!, 4);
    add(null, plan.supplies.b!, 2, 'case.1.0');
    add(null, plan.supplies.b!, 3);
    add(null, plan.supplies.c!, 30);
    for (const tape of budget.tapes)
      expect([tape.tape, tape.demand.likely]).toEqual([
        tape.tape,
        expect.closeTo(want.get(`${tape.zoneId} ${tape.tape}`) ?? 0, 6),
      ]);
    expect(budget.tapes.filter((t) => t.demand.likely > 0)).toHaveLength(want.size);
    // what is offered, place by place: drawers by their floor, shelves by their front; what is outside the room is not room, nor is a top a drawer
    const offers = (zone: string | null, name: string) =>
      Object.values(plan.places)
        .filter(
          (p) =>
            p.kind !== 'away' &&
            p.kind !== 'top' &&
            tapeOf(p.kind, natureOf(p)) === name &&
            (plan.units[p.unitId]!.zoneId ?? null) === zone,
        )
        .reduce((sum, p) => sum + (natureOf(p) === 'row' ? p.width : p.width * p.depth), 0);
    const tapeAt = (zone: string | null, name: string) =>
      budget.tapes.find((t) => t.zoneId === zone && t.tape === name);
    expect(tapeAt('z', 'drawer')!.offer).toBeCloseTo(offers('z', 'drawer'), 3);
    expect(tapeAt(null, 'shelf')!.offer).toBeCloseTo(offers(null, 'shelf'), 3);
    expect(budget.unmeasured).toEqual(['nosize']);
    // nothing here is guessed
    expect([budget.guessed, ...budget.tapes.map((t) => t.demand.high - t.demand.low)]).toEqual(
      Array.from({ length: budget.tapes.length + 1 }, () => 0),
    );
  });

  test('what units of usual size offer is doubted too: one guess for all of a kind, none for what was measured', () => {
    const three = (more: object) =>
      withUnits(
        tinyRoom({ standing: true }),
        ...[0, 1, 2].map((i) => unit('lowChest', { id: `c${i}`, x: 1000 + 1200 * i, y: 4200, ...more })),
      );
    const drawers = (plan: Plan) => budgetOf(plan).tapes.find((t) => t.tape === 'drawer')!;
    const tape = drawers(three({}));
    expect(tape.offerBy).toBe(0);
    // a floor is a quarter more or less each way, all three chests alike
    expect(drawers(three({ usual: ['width', 'depth'] })).offerBy / tape.offer).toBeCloseTo(Math.hypot(0.25, 0.25), 6);
    // guessed each for itself they are not all wrong the same way
    expect(drawers(three({ unsure: ['width'] })).offerBy / tape.offer).toBeCloseTo(0.25 / Math.sqrt(3), 6);
    const seen = three({ pictured: ['width'], plusMinus: 8 });
    expect(drawers(seen).offerBy / tape.offer).toBeCloseTo(8 / seen.units.c0!.width / Math.sqrt(3), 6);
    // what may be missing is of both doubts together
    const asked = { ...tape, demand: { low: 60, likely: 100, high: 140 }, offer: 120, offerBy: 30 };
    expect(mayBeMissing(asked)).toBeCloseTo(100 - 120 + 50, 9);
  });

  test('the doubt of a sum is what drawing its guesses at random gives', () => {
    const supplies = [
      ...Array.from({ length: 12 }, (_, i) => ofA(`ink${i}`, 'ink-pad', { working: 3 })),
      ...Array.from({ length: 9 }, (_, i) => ofA(`paint${i}`, 'acrylic-paint', { working: 5 })),
      ...Array.from({ length: 14 }, (_, i) =>
        block({
          id: `odd${i}`,
          working: 2,
          width: 150,
          depth: 80,
          height: 50,
          unsure: ['width', 'depth', 'height', 'working'],
        }),
      ),
    ];
    const plan = withSupplies(...supplies);
    const tape = budgetOf(plan).tapes.find((t) => t.tape === 'drawer')!;
    // ±25 % a size and ±10 % a count are two standard deviations; a usual size is one guess for all of its kind
    const generator = new Random(7);
    const next = () => generator.next();
    const normal = () => Math.sqrt(-2 * Math.log(1 - next())) * Math.cos(2 * Math.PI * next());
    const sums: number[] = [];
    for (let i = 0; i < 600; i++) {
      const kinds = new Map<string, number>();
      const draw = (key: string, doubt: number) => {
        if (!kinds.has(key)) kinds.set(key, 1 + (doubt / 2) * normal());
        return kinds.get(key)!;
      };
      let sum = 0;
      for (const s of supplies) {
        const key = (field: string) => (s.kind ? `${s.kind} ${field}` : `${s.id} ${field}`);
        const drawn = {
          ...s,
          width: s.width! * draw(key('width'), 0.25),
          depth: s.depth! * draw(key('depth'), 0.25),
          height: s.height! * draw(key('height'), 0.25),
        };
        const count = s.unsure.includes('working') ? draw(`${s.id} count`, 0.1) : 1;
        sum += needOf(drawn, s.working, undefined)!.amount * count;
      }
      sums.push(sum / (1 - plan.head.growth));
    }
    const mean = sums.reduce((a, b) => a + b, 0) / sums.length;
    const deviation = Math.sqrt(sums.reduce((a, b) => a + (b - mean) ** 2, 0) / sums.length);
    const half = (tape.demand.high - tape.demand.low) / 2;
    expect(Math.abs(mean / tape.demand.likely - 1)).toBeLessThan(0.1);
    // stacks are whole numbers high, so that it is not exact
    expect(half).toBeGreaterThan(2 * deviation * 0.7);
    expect(half).toBeLessThan(2 * deviation * 1.4);
    // narrower than its parts added up, wider than if every thing were a guess of its own
    const each =
      supplies.reduce((sum, s) => sum + needOf(s, s.working, undefined)!.amount * 0.25, 0) / (1 - plan.head.growth);
    expect(half).toBeLessThan(each * 1.5);
  });

  test('how many more places of the kind there is most of would hold what is short, and what goes into none', () => {
    const plan = withSupplies(
      block({ id: 'many', working: 4000 }),
      block({ id: 'long', width: 4000, depth: 20, height: 20, form: 'long' }),
    );
    const budget = budgetOf(plan);
    const tape = budget.tapes.find((t) => t.tape === 'drawer')!;
    const place = plan.places[tape.more[0]!.place]!;
    const offer = place.width * place.depth;
    expect(tape.more[0]!.count).toBe(Math.ceil((tape.demand.likely - tape.offer) / offer));
    // or of each other size there is: of each just enough
    expect(tape.more.length).toBeGreaterThanOrEqual(1);
    for (const { place: id, count } of tape.more) {
      const room = plan.places[id]!.width * plan.places[id]!.depth;
      expect(count * room).toBeGreaterThanOrEqual(tape.demand.likely - tape.offer - 1e-3);
      expect((count - 1) * room).toBeLessThan(tape.demand.likely - tape.offer);
    }
    expect(budget.nowhere).toEqual(['long']);
    expect(
      budgetOf(run(plan, { type: 'setSupply', id: 'many', set: { decision: 'undecided' } }), ['undecided']).tapes.find(
        (t) => t.tape === 'drawer',
      )!.more,
    ).toEqual([]);
  });

  test('what goes nowhere fits not one place', () => {
    fc.assert(
      fc.property(
        fc.tuple(fc.integer({ min: 5, max: 2500 }), fc.integer({ min: 5, max: 900 }), fc.integer({ min: 5, max: 900 })),
        ([width, depth, height]) => {
          const plan = withSupplies(block({ id: 'x', width, depth, height }));
          const fits = Object.values(plan.places).some((p) => fitOf(holderOf(p), plan.supplies.x!, 1).ok);
          expect(budgetOf(plan).nowhere).toEqual(fits ? [] : ['x']);
        },
      ),
      { numRuns: 40 },
    );
  });
});

test('what lies in a box outside the room asks for no room in it, and the box offers none', () => {
  const box = { ...blankOrganiser('box', 'Box', 300, 200, 150) };
  const base = run(
    withSupplies(block({ id: 'a', working: 4 })),
    { type: 'addOrganiser', organiser: box },
    {
      type: 'standIn',
      id: 'box1',
      organiserId: 'box',
      name: 'Box',
      inId: 'loft.0.0',
      left: 0,
      front: 0,
      bottom: 0,
      turned: false,
    },
  );
  const of = (plan: Plan) => budgetOf(plan).tapes.map((t) => [t.tape, t.demand.likely, t.offer]);
  const away = run(base, { type: 'assignHome', supplyId: 'a', share: 'working', placeId: 'box1', since });
  expect(of(away).every(([, demand]) => demand === 0)).toBe(true);
  expect(of(base).map(([tape, , offer]) => [tape, offer])).toEqual(
    of(withSupplies(block({ id: 'a', working: 4 }))).map(([tape, , offer]) => [tape, offer]),
  );
});

describe('the tour', () => {
  test('comes to every place once, to what stands in a place right after it, to what is outside last; and goes on where it stopped', () => {
    let plan = room();
    const organiser = {
      ...({
        id: 'box',
        name: 'Box',
        width: 150,
        depth: 120,
        height: 60,
        innerWidth: 146,
        innerDepth: 116,
        innerHeight: 58,
        lid: false,
        lidRise: 0,
        seeThrough: false,
        packOf: 1,
        have: 0,
        nature: 'area',
        pockets: 0,
        divided: 'lanes 70,rest',
        carried: false,
        mass: null,
        price: null,
      } as const),
    };
    plan = run(
      plan,
      { type: 'addOrganiser', organiser },
      {
        type: 'standIn',
        id: 'box1',
        organiserId: 'box',
        name: 'Box 1',
        inId: 'lowChest.0.0',
        left: 0,
        front: 0,
        bottom: 0,
        turned: false,
      },
    );
    const stops = tourOf(plan).map((s) => s.place.id);
    expect([...stops].sort()).toEqual(Object.keys(plan.places).sort());
    const at = stops.indexOf('lowChest.0.0');
    expect(stops.slice(at, at + 4)).toEqual(['lowChest.0.0', 'box1', 'box1.d1', 'box1.d2']);
    expect(plan.places[stops.at(-1)!]!.unitId).toBe('loft');
    expect(tourState(plan)).toMatchObject({ seen: 0, next: { place: { id: stops[0] } } });
    plan = run(
      plan,
      { type: 'setPlace', id: stops[0]!, set: { touredOn: since } },
      { type: 'setPlace', id: stops[2]!, set: { touredOn: since } },
    );
    expect(tourState(plan)).toMatchObject({ seen: 2, next: { place: { id: stops[1] } } });
    // a unit split otherwise keeps what was said of the places that stay
    const top = stops.find((id) => plan.places[id]!.touredOn)!;
    const of = plan.units[plan.places[top]!.unitId]!;
    expect(run(plan, { type: 'setUnit', id: of.id, set: { height: of.height + 30 } }).places[top]!.touredOn).toBe(
      since,
    );
  });
});

describe('sorting out', () => {
  test('piles in litres and grams; nothing is in two of them', () => {
    const plan = withSupplies(
      block({ id: 'a', width: 100, depth: 100, height: 100, mass: 50, working: 3, decision: 'keep' }),
      block({ id: 'b', width: 100, depth: 100, height: 100, mass: 50, working: 1, backstock: 1, decision: 'throw' }),
      block({ id: 'c', width: null, decision: 'throw' }),
    );
    const heaps = heapsOf(plan);
    expect([heaps.keep.litres, heaps.keep.grams, heaps.throw.litres, heaps.throw.unmeasured]).toEqual([3, 150, 2, 1]);
    expect(Object.values(heaps).reduce((n, h) => n + h.supplies.length, 0)).toBe(3);
    expect(litresOf(plan.supplies.c!)).toBeNull();
  });
  test('used by nobody; more than three years’ use; what makers of it usually have', () => {
    let plan = withSupplies(
      block({ id: 'a', working: 400 }),
      block({ id: 'b', working: 10 }),
      block({ id: 'c', name: 'Felting needles' }),
    );
    plan = run(plan, {
      type: 'addActivity',
      activity: { ...blankActivity('felt', 'Needle felting'), sessionsPerMonth: 2 },
    });
    // 2 sessions a month × 12 months × 5 used up each = 120 a year: 400 last 3.3 years, 10 last a month
    plan = run(
      plan,
      ...['a', 'b'].map((id): Command => ({ type: 'addUse', use: { ...use(id, 5, 'felt'), usedUp: 5 } })),
    );
    expect(usedByNobody(plan).map((s) => s.id)).toEqual(['c']);
    expect(tooMuch(plan).map(({ supply, years }) => [supply.id, years])).toEqual([['a', expect.closeTo(400 / 120, 9)]]);
    // common practice: whoever felts has wool tops, needles and a mat
    expect(usuallyHad(plan).map((m) => m.kinds.map((k) => k.id))).toEqual([['wool-tops', 'felting-mat']]);
    expect(usedByNobody(withSupplies(block()))).toEqual([]);
  });
});

describe('one rule for many', () => {
  test('a split keeps the sum, leaves something at hand, and what was guessed a guess', () => {
    fc.assert(
      fc.property(
        fc.nat(300),
        fc.nat(300),
        fc.integer({ min: 1, max: 60 }),
        fc.integer({ min: 0, max: 4 }),
        (working, backstock, packOf, packs) => {
          const supply = block({ working, backstock, packOf });
          const set = splitBy(supply, { packs }) ?? supply;
          expect(set.working + set.backstock).toBe(working + backstock);
          if (working + backstock > 0) expect(set.working).toBeGreaterThanOrEqual(1);
          expect(set.working).toBeLessThanOrEqual(Math.max(1, packs * packOf, 0));
        },
      ),
    );
    const plan = withSupplies(
      block({ id: 'a', working: 75, packOf: 25, unsure: ['working'] }),
      block({ id: 'b', working: 10, packOf: 25 }),
    );
    const after = run(plan, splitCommand(Object.values(plan.supplies), { packs: 1 })!);
    expect(after.supplies.a).toMatchObject({ working: 25, backstock: 50, unsure: ['working'] });
    expect(after.supplies.b).toMatchObject({ working: 10, backstock: 0 });
    expect(splitCommand(Object.values(after.supplies), { packs: 1 })).toBeNull();
    expect(splitBy(block({ working: 3, backstock: 4 }), 'all')).toEqual({ working: 7, backstock: 0 });
  });
  test('what is to be bought again', () => {
    const plan = withSupplies(
      block({ id: 'a', backstock: 1, reorderAt: 2 }),
      block({ id: 'b', backstock: 2, reorderAt: 2 }),
      block({ id: 'c' }),
    );
    expect(toReorder(plan).map((s) => s.id)).toEqual(['a']);
  });
});

describe('duplicates', () => {
  test('the same words in whatever number and order; not what size or colour tells apart', () => {
    const plan = withSupplies(
      block({ id: 'a', name: 'Small ink pads' }),
      block({ id: 'b', name: 'Ink pad, small' }),
      block({ id: 'c', name: 'small ink pad', colour: '#ff0000' }),
      block({ id: 'd', name: 'Small ink pad', colour: '#00ff00' }),
      block({ id: 'e', name: 'Ink pad' }),
      block({ id: 'f', name: 'Small ink pad', width: 200 }),
      block({ id: 'g', name: 'small ink pads', width: 200, usual: ['width'] }),
    );
    const groups = duplicatesOf(plan).map((g) => g.map((s) => s.id).sort());
    expect(groups.flat()).not.toContain('e');
    expect(groups.some((g) => g.includes('c') && g.includes('d'))).toBe(false);
    expect(groups.some((g) => g.includes('a') && g.includes('f'))).toBe(false);
    expect(groups[0]).toEqual(expect.arrayContaining(['a', 'b', 'c', 'g']));
  });
});

describe('other ways of keeping', () => {
  test('room, seconds and what to buy, side by side; sixty dies become one small box', () => {
    const plan = withSupplies(ofA('dies', 'thin-die', { working: 60 }));
    const options = compareStorage(plan, [plan.supplies.dies!]);
    expect(options.map((o) => o.form)).toEqual(['asBought', 'loose', 'edge', 'magnet', 'pockets']);
    const [bought, , , magnet, pockets] = options;
    expect(magnet!.buy).toBe('15 magnet sheets');
    expect(bought!.buy).toBeNull();
    // 60 × 0.6 × 10 × 15 cm against 15 × 0.15 × 30 × 21 cm
    expect(bought!.litres).toBeCloseTo(5.4, 6);
    expect(magnet!.litres).toBeCloseTo(1.4175, 6);
    // a sheet is drawn and the die peeled off: slower than taking a packet; a pocket slower than that box
    expect([bought!.seconds, magnet!.seconds > 1, pockets!.seconds > 1]).toEqual([0, true, true]);
    expect(compareStorage(plan, [plan.supplies.dies!, block()]).map((o) => o.form)).not.toContain('magnet');
  });
});
