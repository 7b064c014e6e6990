import { describe, expect, test } from '@jest/globals';
import {
  BY_TAPE,
  blankActivity,
  blankStation,
  type Command,
  type Plan,
  type Station,
} from '../../record/plan/index.ts';
import { applied, person, tinyRoom, unit, withUnits } from '../../testing/index.ts';
import { type CheckName, findingsOf } from './index.ts';

const words = (plan: Plan, check: CheckName) =>
  findingsOf(plan)
    .filter((f) => f.check === check)
    .map((f) => f.words);
const seat = (set: Partial<Station>): Command => ({ type: 'setStation', id: 'seat', set });
const base = applied(
  withUnits(
    tinyRoom(),
    unit('worktable', { id: 'table', x: 3000, y: 3600, width: 1600, depth: 700, height: 740 }),
    unit('rollingCart', { id: 'cart', x: 600, y: 600 }),
    unit('carryBox', { id: 'box', x: 5000, y: 600, bottom: 0 }),
    unit('cupboard', { id: 'cupboard', x: 1000, y: 5780, facing: 180, rows: 4, height: 1600 }),
  ),
  seat({ unitId: 'table' }),
);
const second = (over: Partial<Station>, who = 'other'): Command[] => [
  { type: 'addPerson', person: person({ id: 'other', name: 'The other' }) },
  { type: 'addActivity', activity: blankActivity('more', 'More') },
  { type: 'addStation', station: { ...blankStation('two', 'Second', 'more', who), unitId: 'table', ...over } },
];

describe('stations: each check on both sides of its limit', () => {
  test('knees of whoever sits: no pedestal before them (500 mm common practice), no finding standing', () => {
    const under = (aside: number, set: Partial<Station> = {}) =>
      words(
        applied(
          withUnits(
            base,
            ...[-1, 1].map((side) =>
              unit('pedestal', {
                ...{ id: `pedestal${side}`, x: 3000 + side * (200 + aside), y: 3550, hostId: 'table' },
                ...{ width: 400, depth: 500, height: 600 },
              }),
            ),
          ),
          seat({ x: 3000, y: 3050, heading: 0, ...set }),
        ),
        'knees',
      );
    expect(under(-200)).toEqual([expect.stringMatching(/the knees have no room: none under .* 50 cm is wanted/)]);
    // between two of them, 460 mm apart and 540
    expect(under(230)).toEqual([expect.stringMatching(/only 4\d(\.\d)? cm wide/)]);
    expect(under(270)).toEqual([]);
    expect(under(-200, { standing: true })).toEqual([]);
  });

  test('two at once: 600 mm each (common practice); one person cannot be two', () => {
    const at = (x: number, together = 'a', who?: string) =>
      applied(base, seat({ together: 'a' }), ...second({ x, y: 3000, together }, who));
    expect(words(at(3600), 'together')).toEqual([]);
    expect(words(at(3598), 'together')).toEqual([expect.stringMatching(/only 59.8 cm apart/)]);
    expect(words(at(3100, 'b'), 'together')).toEqual([]);
    expect(words(at(3900, 'a', 'maker'), 'together')).toEqual([expect.stringMatching(/at the same time/)]);
  });

  test('what two draw at once adds up on their circuit: 16 A × 230 V (memory)', () => {
    const socket: Command = {
      type: 'addFixture',
      fixture: {
        id: 's',
        kind: 'socket',
        name: 'Socket',
        wallId: 'w1',
        left: 3000,
        x: 0,
        y: 0,
        facing: 0,
        bottom: 300,
        width: 80,
        depth: 10,
        height: 80,
        circuit: 'A',
        lumens: 0,
        beam: 120,
        watts: 0,
        heat: 'portable',
        ...BY_TAPE,
      },
    };
    const machine = (id: string, x: number, watts: number): Command => ({
      type: 'placeUnit',
      unit: unit('machine', { id, name: id, x, y: 3800, bottom: 740, hostId: 'table', watts, cord: 5000 }),
    });
    const uses = (id: string, activityId: string): Command => ({
      type: 'addMachineUse',
      machineUse: { id: `${id}-${activityId}`, activityId, unitId: id },
    });
    // far from each other’s seats, so that only who runs them counts
    const plan = (watts: number, together: string) =>
      applied(
        base,
        seat({ together: 'a', unitId: null, x: 1000, y: 1500 }),
        ...second({ x: 5000, y: 5000, unitId: null, together }),
        socket,
        machine('press', 2600, 2000),
        machine('iron', 3400, watts),
        uses('press', 'work'),
        uses('iron', 'more'),
      );
    expect(words(plan(1680, 'a'), 'mains')).toEqual([]);
    expect(words(plan(1681, 'a'), 'mains')).toEqual([expect.stringMatching(/draw 3681 W at once/)]);
    expect(words(plan(1681, 'b'), 'mains')).toEqual([]);
  });

  test('a cart at its seat: free beside the hand; said when something stands there or the wall is', () => {
    const cart = applied(base, seat({ housing: 'cart', travellerId: 'cart' }));
    expect(words(cart, 'travels')).toEqual([]);
    const spot = (x: number, y: number) =>
      applied(
        cart,
        { type: 'addParking', parking: { id: 'p', unitId: 'cart', name: 'spot', x, y, facing: 0 } },
        seat({ parkingId: 'p' }),
      );
    expect(words(spot(1000, 5450), 'travels')).toEqual([
      expect.stringMatching(/Three-tier cart would be .* in Tall cupboard/),
    ]);
    expect(words(spot(100, 3000), 'travels')).toEqual([expect.stringMatching(/through the wall/)]);
    expect(words(spot(225, 3000), 'travels')).toEqual([]);
  });

  test('a kit lies wholly on the worktop, or it is said; put away it goes into its place, or by how much not', () => {
    const kit = (width: number, kept = false) =>
      applied(
        base,
        { type: 'setUnit', id: 'box', set: { width, ...(kept ? { keptInId: 'cupboard.1.0' } : {}) } },
        seat({ housing: 'kit', travellerId: 'box' }),
      );
    expect(words(kit(400), 'travels')).toEqual([]);
    expect(words(kit(1700), 'travels')).toEqual([expect.stringMatching(/too big to stand on the worktop/)]);
    const inside = base.places['cupboard.1.0']!.width;
    expect(words(kit(inside - 3, true), 'kept')).toEqual([]);
    expect(words(kit(inside + 2, true), 'kept')).toEqual([
      expect.stringMatching(/does not go into Tall cupboard › shelf 2/),
    ]);
    // put away it is in nobody’s way and in nothing
    expect(words(kit(400, true), 'overlap')).toEqual([]);
  });

  test('a wheelchair turns in 1525 mm (2010 ADA Standards 304.3.1, memory): only asked where one is', () => {
    const narrow = (deep: number, mobility: 'swivel' | 'wheelchair') =>
      withUnits(
        tinyRoom({ x: 3000, y: 500 }, { mobility }),
        unit('cupboard', {
          id: 'all',
          x: 3000,
          y: 6000 - deep / 2,
          width: 6000,
          depth: deep,
          height: 2000,
          facing: 180,
        }),
      );
    expect(words(narrow(4400, 'wheelchair'), 'turning')).toEqual([]);
    expect(words(narrow(4600, 'wheelchair'), 'turning')).toEqual([expect.stringMatching(/needs 152.5 cm to turn/)]);
    expect(words(narrow(4600, 'swivel'), 'turning')).toEqual([]);
  });
});
