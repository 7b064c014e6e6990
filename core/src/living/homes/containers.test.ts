import { describe, expect, test } from '@jest/globals';
import { stowageOf } from '../../things/fit/index.ts';
import { blankOrganiser, type Command, homesOf, type Plan, type Supply } from '../../record/plan/index.ts';
import { checkAnswer, slottingTotal } from '../slotting/index.ts';
import { applied, block, home, sheet, tinyRoom, unit, use, withUnits } from '../../testing/index.ts';
import {
  assessHomes,
  carryingPerYear,
  costOfHome,
  findHomes,
  isWorse,
  proposeContainers,
  slottingOf,
  tallyOf,
} from './index.ts';

const since = '2026-11-25';
const seat = { left: 0, front: 0, bottom: 0, turned: false };
const find = async (plan: Plan, work = 30_000) => (await findHomes(plan, { work, now: () => 0, since }))!;
const room = (...supplies: Supply[]) =>
  applied(
    withUnits(
      tinyRoom(),
      unit('cubeUnit', { id: 'cubes', x: 500, y: 4000, facing: 90 }),
      unit('lowChest', { id: 'chest', x: 3900, y: 3300, facing: 270, rows: 2, height: 400 }),
    ),
    ...(supplies.length > 0 ? [{ type: 'addSupplies' as const, supplies }] : []),
  );

describe('containers and homes', () => {
  test('a box that is carried is brought once a session; what lies in it then costs the reach at the table alone', () => {
    const thing = block({ id: 'beads', form: 'loose', width: 20, depth: 20, height: 20, working: 30 });
    const boxed = (carried: boolean) =>
      applied(
        room(thing),
        { type: 'addUse', use: use('beads', 12) },
        { type: 'addOrganiser', organiser: { ...blankOrganiser('o', 'Box', 200, 250, 120), carried } },
        { type: 'standIn', id: 'box', organiserId: 'o', name: 'Box', inId: 'cubes.0.0', ...seat },
        home('beads', 'box'),
      );
    const [fixed, brought] = [assessHomes(boxed(false)), assessHomes(boxed(true))];
    const plan = boxed(true);
    expect(brought.bringing).toBeCloseTo(carryingPerYear(plan, plan.stations.seat!, plan.places.box!), 6);
    // 8 sessions a month all the year, 12 fetches each: one walk instead of twelve
    expect(fixed.seconds / brought.seconds).toBeGreaterThan(3);
    expect(brought.states[0]!.cost!.fetches).toBe(12 * 8 * 12);
    // what it would cost to lie there: with the bringing, which nothing else asks for
    expect(costOfHome(plan, plan.supplies.beads!, 'working', 'box')!.seconds).toBeCloseTo(brought.seconds, 6);
    const problem = slottingOf(plan);
    expect(problem.charges).toEqual([
      { places: ['box'], lots: ['beads.working'], cost: expect.closeTo(brought.bringing, 1) },
    ]);
    // the engine takes a usual number of kinds to be found among, the screen the true one
    const total = slottingTotal(problem, [{ lot: 'beads.working', place: 'box' }]);
    expect(Math.abs(total / brought.seconds - 1)).toBeLessThan(0.15);
  });

  test('600 sheets over slots that take 63 each: split, every slot laid, none over', async () => {
    const card = sheet({
      id: 'card',
      width: 300,
      depth: 300,
      grammage: 216,
      lies: ['upright'],
      working: 600,
      mass: 20,
    });
    const plan = applied(
      room(card),
      { type: 'setSupply', id: 'card', set: { family: '' } },
      { type: 'addUse', use: { ...use('card', 4), usedUp: 4 } },
      {
        type: 'addOrganiser',
        organiser: { ...blankOrganiser('o', 'Slots', 270, 330, 320), divided: 'slots 12', nature: 'row' },
      },
      { type: 'placeUnit', unit: unit('bookcase', { id: 'desk', x: 2000, y: 5000 }) },
      { type: 'standIn', id: 'slots', organiserId: 'o', name: 'Slots', inId: 'desk.1.0', ...seat },
      ...[0, 1, 2, 3, 4, 5].map((row): Command => ({
        type: 'setPlace',
        id: `desk.${row}.0`,
        set: { keptOut: row === 1 ? '' : 'books' },
      })),
      // elsewhere there is nothing for it
      ...['chest', 'cubes'].map((unitId): Command => ({
        type: 'addBan',
        ban: { id: `ban-${unitId}`, supplyId: 'card', unitId, above: null, below: null },
      })),
      { type: 'setPlace', id: 'desk.1000.0', set: { keptOut: 'a plant' } },
      { type: 'setPlace', id: 'desk.1.0', set: { nature: 'pockets' } },
    );
    const found = await find(plan);
    const homes = homesOf(found.plan, 'card', 'working');
    expect(homes.length).toBeGreaterThanOrEqual(9);
    expect(homes.every((h) => found.plan.places[h.placeId]!.inId === 'slots')).toBe(true);
    for (const h of homes) expect(stowageOf(found.plan, found.plan.places[h.placeId]!).faults).toEqual([]);
    expect(found.after.without).toEqual([]);
  });

  test('from two homes each station fetches from its nearest; what is used up empties the nearest first', () => {
    const tool = block({ id: 'tool', working: 2 });
    const plan = applied(room(tool), { type: 'addUse', use: use('tool', 3) }, home('tool', 'cubes.0.0'), {
      type: 'assignHome',
      supplyId: 'tool',
      share: 'working',
      placeId: 'chest.0.0',
      since,
      count: 1,
    });
    const cost = (p: Plan, id: string) => assessHomes(p).states.find((s) => s.place?.id === id)!.cost!;
    expect([cost(plan, 'chest.0.0').fetches, cost(plan, 'cubes.0.0').fetches]).toEqual([288, 0]);
    const used = applied(plan, { type: 'setUse', id: 'work-tool', set: { usedUp: 3 } });
    // 288 a year of two, three brought at once: both are emptied again and again
    expect([cost(used, 'chest.0.0').fetches, cost(used, 'cubes.0.0').fetches]).toEqual([48, 48]);
    const few = applied(
      used,
      { type: 'setSupply', id: 'tool', set: { working: 1000 } },
      { type: 'assignHome', supplyId: 'tool', share: 'working', placeId: 'chest.0.0', since, count: 101 },
    );
    // one lay there, 101 came: 102 of the 288 pieces, and so many of the walks of 96 evenings
    expect(cost(few, 'chest.0.0').fetches).toBeCloseTo((102 / 288) * 96, 6);
    expect(cost(few, 'chest.0.0').fetches + cost(few, 'cubes.0.0').fetches).toBeCloseTo(96, 6);
  });

  test('whatever lives where, found homes can be laid as they are: no place over-full, every piece once, the answer feasible', async () => {
    const supplies = Array.from({ length: 40 }, (_, i) =>
      block({
        id: `s${i}`,
        name: `Thing ${i}`,
        family: '',
        width: 40 + ((i * 37) % 160),
        depth: 30 + ((i * 53) % 120),
        height: 20 + ((i * 29) % 60),
        working: 1 + (i % 4),
        form: i % 5 === 0 ? 'bottle' : i % 7 === 0 ? 'loose' : 'block',
        lies: ['flat', 'upright'],
      }),
    );
    const plan = applied(
      room(...supplies),
      ...supplies.map((s, i): Command => ({ type: 'addUse', use: use(s.id, i % 6) })),
      { type: 'addOrganiser', organiser: blankOrganiser('o', 'Box', 150, 180, 90) },
      { type: 'standIn', id: 'a', organiserId: 'o', name: 'A', inId: 'chest.1.0', ...seat },
      { type: 'standIn', id: 'b', organiserId: 'o', name: 'B', inId: 'cubes.0.0', ...seat },
      { type: 'divide', id: 'chest.0.0', into: 'lanes 200,rest' },
    );
    const found = await find(plan);
    expect(isWorse(found)).toBe(false);
    for (const place of Object.values(found.plan.places))
      expect([place.id, stowageOf(found.plan, place).faults]).toEqual([place.id, []]);
    const problem = slottingOf(plan);
    expect(checkAnswer(problem, found.answer.homes).filter((w) => /may not/.test(w))).toEqual([]);
    const tally = tallyOf(found.plan);
    expect(tally.without.length).toBe(found.answer.unplaced.length);
  });

  test('boxes of a kind one has are proposed for what has no home; set in, find homes uses them', async () => {
    const beads = Array.from({ length: 8 }, (_, i) =>
      block({ id: `b${i}`, name: `Beads ${i}`, form: 'loose', width: 20, depth: 20, height: 20, working: 15 }),
    );
    const plan = applied(
      withUnits(
        tinyRoom(),
        unit('cubeUnit', { id: 'cubes', x: 500, y: 4000, facing: 90, rows: 1, columns: 1, width: 370, height: 370 }),
      ),
      { type: 'addSupplies', supplies: beads },
      { type: 'addOrganiser', organiser: { ...blankOrganiser('o', 'Clear box', 150, 180, 90), have: 3 } },
    );
    const [offer] = proposeContainers(plan);
    expect(offer).toMatchObject({ place: { id: 'cubes.0.0' }, organiser: { id: 'o' } });
    expect(offer!.homes).toHaveLength(8);
    expect(offer!.buy).toBe(Math.max(0, offer!.count - 3));
    expect(
      proposeContainers(applied(plan, { type: 'setPlace', id: 'cubes.0.0', set: { keptOut: 'the radio' } })),
    ).toEqual([]);
  });

  test('boxes that stand about empty come before boxes to buy, though these would take more', () => {
    const beads = Array.from({ length: 12 }, (_, i) =>
      block({ id: `b${i}`, name: `Beads ${i}`, form: 'loose', width: 20, depth: 20, height: 20, working: 60 }),
    );
    const plan = applied(
      withUnits(
        tinyRoom(),
        unit('cubeUnit', { id: 'cubes', x: 500, y: 4000, facing: 90, rows: 1, columns: 1, width: 370, height: 370 }),
      ),
      { type: 'addSupplies', supplies: beads },
      { type: 'addOrganiser', organiser: { ...blankOrganiser('mine', 'My box', 150, 180, 90), have: 1 } },
      { type: 'addOrganiser', organiser: { ...blankOrganiser('new', 'New box', 160, 190, 95), have: 0 } },
    );
    const [offer] = proposeContainers(plan);
    expect(offer).toMatchObject({ organiser: { id: 'mine' }, count: 1, buy: 0 });
    const none = applied(plan, { type: 'setOrganiser', id: 'mine', set: { have: 0 } });
    expect(proposeContainers(none)[0]!.buy).toBeGreaterThan(0);
    expect(proposeContainers(none)[0]!.homes.length).toBeGreaterThan(offer!.homes.length);
  });
});
