import { describe, expect, test } from '@jest/globals';
import { blankOrganiser, type Plan } from '../../record/plan/index.ts';
import { applied, tinyRoom, unit, withUnits } from '../../testing/index.ts';
import { coverMotions } from './covers.ts';
import { fetchFrom, makerOf, PLAIN, sceneOf } from './index.ts';
import { SECONDS_PER_TMU } from './mtm.ts';

const seat = { left: 0, front: 0, bottom: 0, turned: false };
const room = withUnits(
  tinyRoom(),
  unit('lowChest', { id: 'chest', x: 3900, y: 3300, facing: 270 }),
  unit('bookcase', { id: 'case', x: 3000, y: 4300, depth: 300 }),
);
const fetch = (plan: Plan, id: string) => {
  const scene = sceneOf(plan);
  const got = fetchFrom(scene, makerOf(plan, plan.stations.seat!)!, scene.spots.get(id)!, PLAIN);
  if (!got.ok) throw new Error(got.reason);
  return got;
};
/** One container that fills a place, its own inside as large as the place. */
const filling = (inId: string, over: object = {}): Plan => {
  const { width, depth, height } = room.places[inId]!;
  const organiser = {
    ...blankOrganiser('o', 'Box', width, depth, height),
    innerWidth: width,
    innerDepth: depth,
    innerHeight: height,
  };
  return applied(
    room,
    { type: 'addOrganiser', organiser: { ...organiser, ...over } },
    { type: 'standIn', id: 'box', organiserId: 'o', name: 'Box', inId, ...seat },
  );
};

describe('what stands in a place', () => {
  test('a lane over a whole drawer, and an insert over a whole shelf, are reached as the place itself', () => {
    const laned = applied(room, { type: 'divide', id: 'chest.1.0', into: 'lanes rest' });
    expect(fetch(laned, 'chest.1.0.d1').tmu).toBeCloseTo(fetch(room, 'chest.1.0').tmu, 6);
    const inserted = filling('case.1.0', { nature: 'row' });
    expect(fetch(inserted, 'box').tmu).toBeCloseTo(fetch(room, 'case.1.0').tmu, 6);
  });

  test('… plus its own lid: the same way, and the motions of the lid twice', () => {
    const open = fetch(filling('case.1.0', { nature: 'row' }), 'box');
    const lidded = fetch(filling('case.1.0', { nature: 'row', lid: true }), 'box');
    const lid = coverMotions('lid', 0, 0);
    // opened and shut for getting and again for putting back; the reach to it goes with the way
    expect(lidded.tmu - open.tmu).toBeGreaterThanOrEqual(2 * (lid.open.tmu + lid.shut.tmu) - 1e-6);
    expect(lidded.motions.filter((m) => /lid/.test(m.text))).toHaveLength(4);
  });

  test('a deep bin under a low board is pulled out like a drawer; with a hand’s room above it is reached into', () => {
    const { height } = room.places['case.1.0']!;
    const low = filling('case.1.0', { height: height - 50, innerHeight: height - 50, nature: 'bulk' });
    const flat = filling('case.1.0', { height: height - 150, innerHeight: height - 150, nature: 'bulk' });
    expect(fetch(low, 'box').motions.filter((m) => m.text === 'pull the drawer')).toHaveLength(2);
    expect(fetch(flat, 'box').motions.filter((m) => m.text === 'pull the drawer')).toHaveLength(0);
  });

  test('in a drawer pulled out, what stands at its front lies nearer to the hand than what stands at its back', () => {
    const rows = applied(room, { type: 'divide', id: 'chest.1.0', into: 'rows 100,rest,100' });
    const scene = sceneOf(rows);
    const [front, back] = ['chest.1.0.d1', 'chest.1.0.d3'].map((id) => scene.spots.get(id)!);
    // the chest looks to the west: farther out of it is farther to the left
    expect(front!.grip.x).toBeLessThan(back!.grip.x - 100);
    expect(front!.grip.z).toBe(back!.grip.z);
    expect(front!.place.covers).toEqual(['drawer']);
    expect(fetch(rows, 'chest.1.0.d1').seconds).toBeGreaterThan(10 * SECONDS_PER_TMU);
  });

  test('lane in a box in a drawer: all that holds it is opened first', () => {
    const plan = applied(
      room,
      {
        type: 'addOrganiser',
        organiser: { ...blankOrganiser('o', 'Box', 150, 200, 80), lid: true, divided: 'lanes rest,rest' },
      },
      { type: 'standIn', id: 'box', organiserId: 'o', name: 'Box', inId: 'chest.2.0', ...seat },
    );
    expect(sceneOf(plan).spots.get('box.d2')!.place.covers).toEqual(['drawer', 'lid']);
    const moved = applied(plan, { type: 'moveContainer', id: 'box', inId: 'case.2.0', ...seat });
    expect(sceneOf(moved).spots.get('box.d2')!.place.covers).toEqual(['lid']);
    expect(sceneOf(moved).spots.get('box.d2')!.unit.id).toBe('case');
  });
});
