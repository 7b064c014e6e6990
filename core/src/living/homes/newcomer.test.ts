import { describe, expect, test } from '@jest/globals';
import { contentsOf, holderOf, stow } from '../../things/fit/index.ts';
import { blankOrganiser, homesOf, type Plan } from '../../record/plan/index.ts';
import { applied, block, tinyRoom, unit, use, withUnits } from '../../testing/index.ts';
import { asItsKin, bestPlacesFor, costOfHome, oneMoreFor, optionsFor, yearlyUses } from './index.ts';

const since = '2026-11-25';
const room = withUnits(
  tinyRoom(),
  unit('lowChest', { x: 3900, y: 3600 }),
  unit('bookcase', { x: 700, y: 5800, depth: 340 }),
);
const paint = (id: string, more = {}) =>
  block({
    id,
    name: `Paint ${id}`,
    kind: 'acrylic-tube',
    family: 'paints',
    width: 160,
    depth: 140,
    height: 40,
    ...more,
  });

describe('one new thing', () => {
  test('no activity names it: counted as its kind is fetched, else its family, else as it is; nothing of that is kept', () => {
    const plan = applied(
      room,
      {
        type: 'addSupplies',
        supplies: [
          paint('a'),
          paint('b'),
          paint('new'),
          paint('jar', { kind: '' }),
          paint('other', { kind: '', family: '' }),
        ],
      },
      { type: 'addUse', use: use('a', 6) },
      { type: 'addUse', use: use('b', 2) },
    );
    const fetches = (id: string) => {
      const kin = asItsKin(plan, plan.supplies[id]!);
      return [kin.kin, yearlyUses(kin.plan, plan.supplies[id]!, 'working').reduce((s, u) => s + u.fetches, 0)];
    };
    // 8 sessions a month, 12 months: 6 and 2 a session are 4 on average
    expect(fetches('new')).toEqual(['kind', 4 * 8 * 12]);
    expect(fetches('jar')).toEqual(['family', 4 * 8 * 12]);
    expect(fetches('a')).toEqual(['own', 6 * 8 * 12]);
    expect(fetches('other')).toEqual(['none', yearlyUses(plan, plan.supplies.other!, 'working')[0]!.fetches]);
    expect(Object.keys(plan.uses)).toHaveLength(2);
  });

  test('lying away from its family counts: so a place where the family is goes before one that is a little nearer', () => {
    const plan = applied(
      room,
      { type: 'addSupplies', supplies: [paint('a', { kind: '' }), paint('new', { kind: '' })] },
      { type: 'assignHome', supplyId: 'a', share: 'working', placeId: 'bookcase.2.0', since },
    );
    const options = optionsFor(plan, plan.supplies.new!, 'working');
    const nearest = options.reduce((x, y) => (y.cost.weighed < x.cost.weighed ? y : x));
    expect(nearest.place.id).not.toBe('bookcase.2.0');
    expect(nearest.apart).toBeGreaterThan(0);
    expect(options.find((o) => o.place.id === 'bookcase.2.0')!.apart).toBe(0);
    expect(bestPlacesFor(plan, plan.supplies.new!, 'working', since, 1)[0]!.place.id).toBe('bookcase.2.0');
  });
});

describe('what finds no room', () => {
  const tray = (id: string) => block({ id, name: `Tray ${id}`, width: 600, depth: 380, height: 120, lies: ['flat'] });
  const all = ['lowChest.0.0', 'lowChest.1.0', 'lowChest.2.0', 'lowChest.3.0'];
  const full = (): Plan => {
    const { places } = room;
    const taken = all.filter((id) => places[id]);
    return applied(
      room,
      { type: 'addSupplies', supplies: [tray('new'), ...taken.map((id) => tray(id))] },
      ...taken.map((placeId) => ({
        type: 'assignHome' as const,
        supplyId: placeId,
        share: 'working' as const,
        placeId,
        since,
      })),
    );
  };

  test('one more place like one there is: worked out with the thing in it, the most saving first', () => {
    const plan = full();
    const more = oneMoreFor(plan, plan.supplies.new!, 'working', since, 9);
    expect(more.length).toBeGreaterThan(0);
    for (const one of more) {
      expect(one.saves).toBeGreaterThan(0);
      if (one.what !== 'place') continue;
      // as dear as that place is to it when nothing else lies there
      const bare = {
        ...plan,
        homes: Object.fromEntries(Object.entries(plan.homes).filter(([, h]) => h.placeId !== one.like.id)),
      };
      expect(one.cost.seconds).toBeCloseTo(costOfHome(bare, plan.supplies.new!, 'working', one.like.id)!.seconds, 6);
    }
    expect(more.map((m) => m.saves)).toEqual(more.map((m) => m.saves).sort((a, b) => b - a));
    expect(new Set(more.map((m) => (m.what === 'place' ? m.like.unitId : m.organiser.id))).size).toBe(more.length);
  });

  test('one more container: set in where there is room, it holds the thing, and pushes nothing out', () => {
    const plan = applied(
      room,
      { type: 'addOrganiser', organiser: blankOrganiser('box', 'Box', 150, 200, 100) },
      { type: 'addSupplies', supplies: [paint('new')] },
    );
    const box = oneMoreFor(plan, plan.supplies.new!, 'working', since, 9).find((m) => m.what === 'container')!;
    if (box.what !== 'container') throw new Error('no container');
    expect(box.buy).toBe(true);
    const done = applied(plan, box.command);
    const [home] = homesOf(done, 'new', 'working');
    expect(done.places[home!.placeId]).toMatchObject({ organiserId: 'box', inId: box.in.id });
    expect(costOfHome(done, done.supplies.new!, 'working', home!.placeId)!.seconds).toBeCloseTo(box.cost.seconds, 6);
    for (const place of Object.values(done.places))
      expect(stow(holderOf(place), contentsOf(done, place.id)).things.every((t) => t.over === 0)).toBe(true);
  });

  test('nothing takes what is too large for every kind', () => {
    const plan = applied(room, {
      type: 'addSupplies',
      supplies: [block({ id: 'new', name: 'Board', width: 2400, depth: 1200, height: 40, lies: ['flat'] })],
    });
    expect(oneMoreFor(plan, plan.supplies.new!, 'working', since)).toEqual([]);
  });
});
