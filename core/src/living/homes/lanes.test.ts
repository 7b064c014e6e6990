import { describe, expect, test } from '@jest/globals';
import { nameOfPlace } from '../concepts/index.ts';
import { placeFilling } from './index.ts';
import { apply, blankActivity, blankStation, homesOf, type Plan } from '../../record/plan/index.ts';
import { applied, block, home, tinyRoom, unit, use, withUnits } from '../../testing/index.ts';
import { lanesFor, lanesThatHelp, tallyOf } from './index.ts';

const since = '2026-11-30';
/** A drawer of a chest with needles and clips and a knife in it, three families of three aisles. */
function drawer(size = 60, labelWords = ''): Plan {
  const things = [
    ['needles', 'Needles', 'Sewing'],
    ['pins', 'Pins', 'Sewing'],
    ['clips', 'Clips', 'Clamps'],
    ['pegs', 'Pegs', 'Clamps'],
  ] as const;
  const plan = applied(
    withUnits(tinyRoom(), unit('lowChest', { id: 'chest', x: 3900, y: 3300, facing: 270, rows: 2, height: 400 })),
    { type: 'setPlan', set: { grouping: 'kind', labels: 'outside' } },
    {
      type: 'addSupplies',
      supplies: things.map(([id, name, family]) => block({ id, name, family, width: size, depth: size, height: 40 })),
    },
    // two activities want all of it: none of it is one’s own
    { type: 'addActivity', activity: { ...blankActivity('other', 'Other'), sessionsPerMonth: 8 } },
    { type: 'addStation', station: { ...blankStation('stool', 'Stool', 'other', 'maker'), x: 2000, y: 3000 } },
    ...things.flatMap(([id], i) =>
      ['work', 'other'].map((activityId) => ({
        type: 'addUse' as const,
        use: { ...use(id, 0.2), id: `${activityId}${i}`, activityId },
      })),
    ),
    ...things.map(([id]) => home(id, 'chest.0.0')),
  );
  return labelWords === '' ? plan : applied(plan, { type: 'setPlace', id: 'chest.0.0', set: { labelWords } });
}

describe('lanes', () => {
  test('a drawer of two sorts is parted into two lanes with a name each; everything is laid in them, and one undo takes it back', () => {
    const plan = drawer();
    expect(nameOfPlace(plan, 'chest.0.0')!.names.length).toBeGreaterThan(1);
    const lanes = lanesFor(plan, plan.places['chest.0.0']!, since)!;
    expect(lanes.lanes.map((l) => l.supplies.map((s) => s.id).sort())).toEqual(
      expect.arrayContaining([
        ['clips', 'pegs'],
        ['needles', 'pins'],
      ]),
    );
    const done = apply(plan, lanes.command);
    if (!done.ok) throw new Error(done.reason);
    for (const { name, supplies } of lanes.lanes) {
      const at = new Set(supplies.flatMap((s) => homesOf(done.plan, s.id, 'working').map((h) => h.placeId)));
      expect(at.size).toBe(1);
      const [place] = at;
      expect(nameOfPlace(done.plan, place!)!.words).toBe(name);
      expect(nameOfPlace(done.plan, place!)!.names).toHaveLength(1);
      expect(placeFilling(done.plan, done.plan.places[place!]!).faults).toEqual([]);
    }
    const back = apply(done.plan, done.inverse);
    expect(back.ok && back.plan).toEqual(plan);
  });

  test('what is said of it is what the plan is worth with it', () => {
    const plan = drawer();
    const [offer] = lanesThatHelp(plan, since);
    expect(offer!.place.id).toBe('chest.0.0');
    const done = apply(plan, offer!.command);
    expect(tallyOf(plan).total - tallyOf(done.ok ? done.plan : plan).total).toBeCloseTo(offer!.saves, 6);
    expect(offer!.looks.after).toBeLessThanOrEqual(offer!.looks.before);
  });

  test('none where it goes by one name already, has a name of its maker’s, is pinned in part, or would not find room', () => {
    const of = (plan: Plan) => lanesFor(plan, plan.places['chest.0.0']!, since);
    expect(of(applied(drawer(), home('clips', 'chest.1.0'), home('pegs', 'chest.1.0')))).toBeNull();
    expect(of(drawer(60, 'Small stuff'))).toBeNull();
    expect(of(applied(drawer(), home('pins', 'chest.0.0', true)))).toBeNull();
    // what is thrown in among others is kept apart by no lane
    expect(of(applied(drawer(), { type: 'setPlace', id: 'chest.0.0', set: { nature: 'bulk' } }))).toBeNull();
    // two of 420 mm side by side leave no room for a divider in 842, and none behind each other in 418
    expect(of(drawer(417))).toBeNull();
    expect(of(drawer())).not.toBeNull();
  });
});
