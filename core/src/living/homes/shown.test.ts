import { describe, expect, test } from '@jest/globals';
import { homesOf, type Plan } from '../../record/plan/index.ts';
import { applied, block, tinyRoom, unit, use, withUnits } from '../../testing/index.ts';
import { costOfHome, findHomes } from './index.ts';

const since = '2026-11-26';
/** A chest of drawers at the seat, and open shelves a walk away. */
const room = (display: 'work' | 'show', onShow: boolean): Plan =>
  applied(
    withUnits(tinyRoom(), unit('lowChest', { x: 3900, y: 3600 }), unit('bookcase', { x: 700, y: 5800 })),
    { type: 'setPlan', set: { display } },
    {
      type: 'addSupplies',
      supplies: [block({ id: 'vase', name: 'Vase', width: 150, depth: 150, height: 150, lies: ['flat'], onShow })],
    },
    { type: 'addUse', use: use('vase', 1) },
  );
const at = async (plan: Plan) => {
  const found = (await findHomes(plan, { work: 6000, now: () => 0, since }))!;
  return found.plan.places[homesOf(found.plan, 'vase', 'working')[0]!.placeId]!;
};

describe('show or work', () => {
  test('what is to be on show is put where it is seen, where the maker goes by that; at a cost that can be said', async () => {
    const [work, show] = [await at(room('work', true)), await at(room('show', true))];
    expect(work.covers).toContain('drawer');
    expect(show.seen && show.covers.length === 0).toBe(true);
    const plan = room('show', true);
    const seconds = (place: string, onShow: boolean) =>
      costOfHome(plan, { ...plan.supplies.vase!, onShow }, 'working', place)!.seconds;
    // seen it costs the longer way alone; hidden it is set at more than that way
    expect(seconds(show.id, true)).toBe(seconds(show.id, false));
    expect(seconds(show.id, true)).toBeGreaterThan(seconds(work.id, false));
    expect(seconds(work.id, true) - seconds(work.id, false)).toBe(2400);
  });

  test('what nobody said is to be seen stays where it is best', async () => {
    expect((await at(room('show', false))).covers).toContain('drawer');
  });
});
