import { describe, expect, test } from '@jest/globals';
import { blankActivity, blankOpening, type Command, type Plan } from '../../record/plan/index.ts';
import { applied, tinyRoom, unit, withUnits } from '../../testing/index.ts';
import { doneAtCommand, spotAtDoor } from './index.ts';

/** A door in the south wall (w3), 900 wide, and a narrower one in the west. */
const door = (id: string, wallId: string, width: number): Command => ({
  type: 'addOpening',
  opening: { ...blankOpening(id, 'door', { id: wallId, length: 6000 }, 'metric'), left: 2550, width },
});
const room = () => applied(tinyRoom(), door('back', 'w0', 700), door('main', 'w3', 900));
const run = (plan: Plan, doneAt: 'here' | 'outside') =>
  applied(plan, doneAtCommand(plan, plan.activities.work!, doneAt, { station: 'new' }));

describe('where things are taken out of the room', () => {
  test('inside the widest door, looking in; in the middle of a room without one', () => {
    const spot = spotAtDoor(room());
    // w3 is the south wall: the door stands 3000 along it
    expect(spot).toMatchObject({ x: 3000, y: 300 });
    expect(Math.abs(spot.heading % 360)).toBeLessThan(1);
    expect(spotAtDoor(tinyRoom())).toMatchObject({ x: 3000, y: 3000 });
  });

  test('an activity done elsewhere has its seat at the door, without a worktop; back in the room it sits down again', () => {
    const plan = applied(withUnits(room(), unit('worktable', { id: 'table', x: 3000, y: 3900 })), {
      type: 'setStation',
      id: 'seat',
      set: { unitId: 'table' },
    });
    const out = run(plan, 'outside');
    expect(out.activities.work!.doneAt).toBe('outside');
    expect(out.stations.seat).toMatchObject({ x: 3000, y: 300, unitId: null, standing: true });
    const back = run(out, 'here');
    expect(back.activities.work!.doneAt).toBe('here');
    expect(back.stations.seat).toMatchObject({ unitId: 'table' });
    expect(back.stations.seat!.y).toBeGreaterThan(1000);
  });

  test('without a seat it gets one at the door where there is somebody; nobody is made up', () => {
    const plan = applied(room(), { type: 'removeStation', id: 'seat' });
    expect(run(plan, 'outside').stations.new).toMatchObject({ activityId: 'work', unitId: null, y: 300 });
    const nobody: Plan = { ...plan, people: {} };
    const only = doneAtCommand(nobody, { ...blankActivity('work', 'Work') }, 'outside', { station: 'new' });
    expect(only).toMatchObject({ type: 'setActivity', set: { doneAt: 'outside' } });
  });

  test('from elsewhere to elsewhere its seat stays where it was put', () => {
    const plan = applied(run(room(), 'outside'), { type: 'setStation', id: 'seat', set: { x: 900 } });
    const next = applied(plan, doneAtCommand(plan, plan.activities.work!, 'away', { station: 'new' }));
    expect(next.stations.seat!.x).toBe(900);
    expect(next.activities.work!.doneAt).toBe('away');
  });
});
