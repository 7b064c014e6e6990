import { describe, expect, test } from '@jest/globals';
import { findingsOf } from '../../better/findings/index.ts';
import { exportPlan, importPlan } from '../../paper/formats/index.ts';
import { applied, block, tinyRoom, unit, withUnits } from '../../testing/index.ts';
import { placeLabel } from '../../paper/labels/index.ts';
import {
  apply,
  blankOrganiser,
  type Command,
  countIn,
  describeCommand,
  homesOf,
  type Plan,
  placesIn,
  placeWithAllIn,
  placeTitle,
  wholePath,
  withoutHome,
  zoneOf,
  keptOutOf,
} from './index.ts';

const since = '2026-11-25';
const seat = { left: 0, front: 0, bottom: 0, turned: false };
const box = (id: string, inId: string, over: object = {}): Command => ({
  type: 'standIn',
  id,
  organiserId: 'box',
  name: `Box ${id}`,
  inId,
  ...seat,
  ...over,
});
const room = applied(
  withUnits(
    tinyRoom(),
    unit('cubeUnit', { id: 'cubes', name: 'Cube unit', x: 1000, y: 5700 }),
    unit('rollingCart', { id: 'cart', name: 'Cart', x: 3000, y: 3000 }),
    unit('lowChest', { id: 'chest', x: 4500, y: 5700 }),
  ),
  { type: 'addOrganiser', organiser: { ...blankOrganiser('box', 'Box', 150, 200, 100), carried: true } },
  { type: 'addSupplies', supplies: [block({ id: 's', name: 'Beads', working: 12, backstock: 4 })] },
);
const run = (plan: Plan, ...commands: Command[]) => applied(plan, ...commands);
const reason = (plan: Plan, command: Command) => {
  const done = apply(plan, command);
  return done.ok ? null : done.reason;
};
const give = (placeId: string, over: object = {}): Command => ({
  type: 'assignHome',
  supplyId: 's',
  share: 'working',
  placeId,
  since,
  ...over,
});

test('what is all a unit has goes by the unit’s name, unless it has a name of its own', () => {
  const board = withUnits(room, unit('wallBoard', { id: 'board', name: 'Wall board', x: 100, y: 100 }));
  const field = Object.values(board.places).find((p) => p.unitId === 'board')!;
  expect(placeTitle(board, field)).toBe('Wall board');
  expect(wholePath(board, field)).toBe('Wall board › field');
  const named = run(board, { type: 'setPlace', id: field.id, set: { name: 'Cutting tools' } });
  expect(placeTitle(named, named.places[field.id]!)).toBe('Wall board › Cutting tools');
});

describe('containers', () => {
  test('four boxes in a cubby, filled, moved to a cart with all in them; each is a place with a path', () => {
    let plan = run(room, box('a', 'cubes.0.0'), box('b', 'cubes.0.0', { left: 153 }), give('b'));
    expect(placeTitle(plan, plan.places.b!)).toBe('Cube unit › cubby 1-1 › Box b');
    plan = run(
      plan,
      { type: 'divide', id: 'b', into: 'lanes 40,rest' },
      { type: 'moveContainer', id: 'b', ...seat, inId: 'cart.1.0' },
    );
    expect(placeTitle(plan, plan.places['b.d2']!)).toBe('Cart › tier 2 › Box b › lane 2');
    expect(plan.places['b.d2']!.unitId).toBe('cart');
    expect(homesOf(plan, 's', 'working').map((h) => h.placeId)).toEqual(['b']);
  });

  test('what stands in a place is found to any depth: what is empty, scanned or labelled is all of it', () => {
    const plan = run(
      room,
      { type: 'addOrganiser', organiser: blankOrganiser('tin', 'Tin', 60, 80, 40) },
      box('a', 'cubes.0.0'),
      { type: 'divide', id: 'a', into: 'slots 2' },
      box('t', 'a.d1', { organiserId: 'tin' }),
      { type: 'divide', id: 't', into: 'slots 2' },
      give('t.d2'),
    );
    const all = placeWithAllIn(plan, plan.places['cubes.0.0']!).map((p) => p.id);
    expect(all[0]).toBe('cubes.0.0');
    expect(all.sort()).toEqual(['a', 'a.d1', 'a.d2', 'cubes.0.0', 't', 't.d1', 't.d2']);
    expect(placeWithAllIn(plan, plan.places['cubes.0.1']!)).toHaveLength(1);
    // its label knows the one thing three levels down
    expect(placeLabel(plan, plan.places['cubes.0.0']!).name).toBe('Beads');
  });

  test('taken out, what lies in it has no home and is still there; undone, it lies there again', () => {
    const plan = run(room, box('a', 'cubes.0.0'), { type: 'divide', id: 'a', into: 'slots 3' }, give('a.d2'));
    const done = apply(plan, { type: 'takeOut', id: 'a' });
    if (!done.ok) throw new Error(done.reason);
    expect(done.plan.supplies.s).toEqual(plan.supplies.s);
    expect(homesOf(done.plan, 's', 'working')).toEqual([]);
    const back = apply(done.plan, done.inverse);
    expect(back.ok && back.plan).toEqual(plan);
  });

  test('a box in itself, in what stands in it, and what is no box: refused with a word', () => {
    const plan = run(room, box('a', 'cubes.0.0'), box('b', 'a'), {
      type: 'divide',
      id: 'chest.0.0',
      into: 'lanes rest,rest',
    });
    expect(reason(plan, { type: 'moveContainer', id: 'a', ...seat, inId: 'a' })).toMatch(/cannot stand in itself/);
    expect(reason(plan, { type: 'moveContainer', id: 'a', ...seat, inId: 'b' })).toMatch(/cannot stand in itself/);
    expect(reason(plan, { type: 'moveContainer', id: 'chest.0.0.d1', ...seat, inId: 'a' })).toMatch(/stays there/);
    expect(reason(plan, { type: 'takeOut', id: 'cubes.0.0' })).toMatch(/divide that otherwise/);
    expect(reason(plan, box('a', 'cubes.0.0'))).toMatch(/already/);
    expect(reason(plan, box('c', 'nowhere'))).toMatch(/not in the plan/);
  });

  test('two tabs moving one box: both are taken in turn, the last one holds; one moving what the other took out is told', () => {
    const plan = run(room, box('a', 'cubes.0.0'), give('a'));
    const first = run(plan, { type: 'moveContainer', id: 'a', ...seat, inId: 'cart.0.0' });
    expect(run(first, { type: 'moveContainer', id: 'a', ...seat, inId: 'chest.3.0' }).places.a!.inId).toBe('chest.3.0');
    const gone = run(plan, { type: 'takeOut', id: 'a' });
    expect(reason(gone, { type: 'moveContainer', id: 'a', ...seat, inId: 'cart.0.0' })).toMatch(
      /not in the plan any more/,
    );
  });

  test('a container larger than its place is taken as it is; its kind measured again, all of them have the new size', () => {
    let plan = run(room, box('a', 'chest.0.0'), box('b', 'cubes.0.0'));
    plan = run(plan, { type: 'setOrganiser', id: 'box', set: { height: 900, innerHeight: 880, innerWidth: 120 } });
    expect([plan.places.a!.height, plan.places.b!.width]).toEqual([880, 120]);
    const quarter = run(plan, { type: 'moveContainer', id: 'b', ...seat, inId: 'cubes.0.0', turned: true });
    expect([quarter.places.b!.width, quarter.places.b!.depth]).toEqual([196, 120]);
  });

  test('a unit taken out takes its boxes along; the supplies stay', () => {
    const plan = run(room, box('a', 'cubes.0.0'), box('b', 'a'), give('b'));
    const done = run(plan, { type: 'removeUnit', id: 'cubes' });
    expect(Object.values(done.places).filter((p) => p.unitId === 'cubes')).toEqual([]);
    expect(done.places.a ?? done.places.b).toBeUndefined();
    expect(withoutHome(done, done.supplies.s!, 'working')).toBe(12);
  });
});

describe('lanes', () => {
  test('70, 70, rest: what a lane held that is there no more lies in the drawer itself; the others keep theirs', () => {
    let plan = run(room, { type: 'divide', id: 'chest.0.0', into: 'lanes 70,70,rest' });
    const { width } = plan.places['chest.0.0']!;
    expect(placesIn(plan, 'chest.0.0').map((p) => p.width)).toEqual([70, 70, Math.round((width - 146) * 100) / 100]);
    plan = run(plan, give('chest.0.0.d1'), {
      type: 'assignHome',
      supplyId: 's',
      share: 'backstock',
      placeId: 'chest.0.0.d3',
      since,
    });
    plan = run(plan, box('a', 'chest.0.0.d3'), { type: 'divide', id: 'chest.0.0', into: 'lanes 100,rest' });
    expect(homesOf(plan, 's', 'working')[0]!.placeId).toBe('chest.0.0.d1');
    expect(homesOf(plan, 's', 'backstock')[0]!.placeId).toBe('chest.0.0');
    expect(plan.places.a).toMatchObject({ inId: 'chest.0.0', left: 146 });
    plan = run(plan, { type: 'divide', id: 'chest.0.0', into: '' });
    expect(placesIn(plan, 'chest.0.0').map((p) => p.id)).toEqual(['a']);
    expect(homesOf(plan, 's', 'working')[0]!.placeId).toBe('chest.0.0');
  });

  test('lanes that do not add up are refused with the millimetres; what they leave over is left over', () => {
    const { width } = room.places['chest.0.0']!;
    const into = (text: string): Command => ({ type: 'divide', id: 'chest.0.0', into: text });
    expect(reason(room, into(`lanes ${Math.floor(width)},70`))).toMatch(
      /These lanes need 73 mm more width than there is/,
    );
    expect(reason(room, into(`lanes ${Math.floor(width - 3)},rest`))).toMatch(/Nothing is left for the rest/);
    expect(placesIn(run(room, into('lanes 100,100')), 'chest.0.0')).toHaveLength(2);
  });

  test('a drawer that is made wider keeps its lanes; one too narrow shares them evenly', () => {
    const plan = run(room, { type: 'divide', id: 'chest.0.0', into: 'lanes 70,70,rest' }, give('chest.0.0.d2'));
    const wider = run(plan, { type: 'setUnit', id: 'chest', set: { width: 1000 } });
    expect(placesIn(wider, 'chest.0.0').map((p) => Math.round(p.width))).toEqual([70, 70, 796]);
    const narrow = run(plan, { type: 'setUnit', id: 'chest', set: { width: 200 } });
    expect(new Set(placesIn(narrow, 'chest.0.0').map((p) => Math.round(p.width))).size).toBe(1);
    expect(homesOf(narrow, 's', 'working')[0]!.placeId).toBe('chest.0.0.d2');
  });
});

describe('several homes of one share', () => {
  const homes = (plan: Plan) =>
    homesOf(plan, 's', 'working').map((h) => [h.placeId, countIn(plan, h, plan.supplies.s!)]);

  test('split by count, merged again, moved one by one; the rest follows the count', () => {
    let plan = run(room, give('cubes.0.0'), give('chest.0.0', { count: 5 }));
    expect(homes(plan)).toEqual([
      ['cubes.0.0', 7],
      ['chest.0.0', 5],
    ]);
    plan = run(plan, { type: 'setSupply', id: 's', set: { working: 20 } });
    expect(homes(plan)).toEqual([
      ['cubes.0.0', 15],
      ['chest.0.0', 5],
    ]);
    const [, small] = homesOf(plan, 's', 'working');
    plan = run(plan, give('cart.0.0', { homeId: small!.id, count: 2 }));
    expect(homes(plan)).toEqual([
      ['cubes.0.0', 15],
      ['chest.0.0', 3],
      ['cart.0.0', 2],
    ]);
    plan = run(plan, give('cubes.0.0', { homeId: small!.id }));
    expect(homes(plan)).toEqual([
      ['cubes.0.0', 18],
      ['cart.0.0', 2],
    ]);
    expect(homes(run(plan, give('chest.3.0')))).toEqual([['chest.3.0', 20]]);
  });

  test('more than there is cannot be split off; a count that falls below what is homed is shown', () => {
    const plan = run(room, give('cubes.0.0', { count: 8 }));
    expect(withoutHome(plan, plan.supplies.s!, 'working')).toBe(4);
    expect(reason(plan, give('chest.0.0', { count: 9 }))).toMatch(/only 8 of Beads/);
    const fewer = run(plan, { type: 'setSupply', id: 's', set: { working: 5 } });
    expect(withoutHome(fewer, fewer.supplies.s!, 'working')).toBe(-3);
    expect(
      findingsOf(fewer)
        .filter((f) => f.check === 'counts')
        .map((f) => f.words),
    ).toEqual(['Beads: 8 are said to be in places, and there are 5.']);
  });

  test('found homes with counts come in the stead of those there were; pinned ones stay', () => {
    const plan = run(room, give('cubes.0.0'));
    const settle = (homes: object[]): Command => ({ type: 'settle', since, homes: homes as never });
    const part = (placeId: string | null, count?: number) => ({
      supplyId: 's',
      share: 'working',
      placeId,
      ...(count ? { count } : {}),
    });
    const split = run(plan, settle([part('chest.0.0'), part('cart.1.0', 4)]));
    expect(new Map(homes(split) as [string, number][])).toEqual(
      new Map([
        ['chest.0.0', 8],
        ['cart.1.0', 4],
      ]),
    );
    expect(reason(plan, settle([part('chest.0.0', 8), part('cart.1.0', 8)]))).toMatch(/only 12 of Beads/);
    const pinned = run(plan, { type: 'pinHome', supplyId: 's', share: 'working', pinned: true });
    expect(reason(pinned, settle([part('chest.0.0')]))).toMatch(/pinned where it is/);
  });
});

describe('zones and what is kept out', () => {
  const zone: Command = { type: 'addZone', zone: { id: 'z', name: 'Kites', rule: 'only', mark: 1 } };

  test('a place has the zone of what it stands in, unless it has its own; kept out counts for all in it', () => {
    const plan = run(
      room,
      zone,
      { type: 'addZone', zone: { id: 'y', name: 'Felt', rule: 'first', mark: 2 } },
      box('a', 'cubes.0.0'),
      { type: 'setUnit', id: 'cubes', set: { zoneId: 'z' } },
      { type: 'setPlace', id: 'cubes.0.0', set: { keptOut: 'the radio' } },
    );
    expect(zoneOf(plan, plan.places.a!)).toBe('z');
    expect(keptOutOf(plan, plan.places.a!)).toBe('the radio');
    const own = run(plan, { type: 'setPlace', id: 'a', set: { zoneId: 'y' } });
    expect(zoneOf(own, own.places.a!)).toBe('y');
  });

  test('a zone deleted with things pinned in it: everything stays where it is, nothing is kept for it any more', () => {
    const plan = run(
      room,
      zone,
      { type: 'setUnit', id: 'cubes', set: { zoneId: 'z' } },
      { type: 'setActivity', id: 'work', set: { zoneId: 'z' } },
      { type: 'setSupply', id: 's', set: { zoneId: 'z' } },
      give('cubes.0.0', { pinned: true }),
    );
    const done = run(plan, { type: 'removeZone', id: 'z' });
    expect(done.homes).toEqual(plan.homes);
    expect([done.units.cubes!.zoneId, done.activities.work!.zoneId, done.supplies.s!.zoneId]).toEqual([
      null,
      null,
      null,
    ]);
  });

  test('every new table goes out and comes in with a file; a home in a place that is gone is refused', () => {
    const plan = run(
      room,
      zone,
      box('a', 'cubes.0.0'),
      { type: 'divide', id: 'a', into: 'trays 2' },
      give('a.d1', { count: 3 }),
      { type: 'addBan', ban: { id: 'b', supplyId: 's', unitId: 'chest', above: 1400, below: null } },
      { type: 'setPlace', id: 'a', set: { zoneId: 'z', nature: 'bulk', keptOut: 'the cat' } },
    );
    const text = exportPlan(plan);
    const read = importPlan(text, plan.id);
    expect(read).toEqual({ ok: true, plan });
    expect(importPlan(text.replaceAll('"placeId": "a.d1"', '"placeId": "gone"'), 'x')).toEqual({
      ok: false,
      reason: expect.stringMatching(/The place that this home belongs to is not in the plan/),
    });
  });

  test('words of commands that follow from their table', () => {
    expect(describeCommand(zone)).toBe('add a zone');
    expect(describeCommand({ type: 'removeOrganiser', id: 'box' })).toBe('take out an organiser');
    expect(describeCommand({ type: 'divide', id: 'x', into: '' })).toBe('divide a place');
  });
});
