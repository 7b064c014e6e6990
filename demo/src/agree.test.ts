import { describe, expect, test } from '@jest/globals';
import { findingsOf } from '@heronstone/core/findings';
import { type Plan } from '@heronstone/core/plan';
import { Random } from '@heronstone/core/slotting';
import { needsOf, parkingMap, seatMap } from '@heronstone/core/stations';
import { pumpHouse } from './pump-house.ts';

/** The demo, and the demo with some things moved about: whatever it is, no two screens may contradict each other. */
function variants(count: number): Plan[] {
  const random = new Random(9);
  const plan = pumpHouse();
  const moved = Array.from({ length: count }, (): Plan => {
    const units = Object.fromEntries(
      Object.entries(plan.units).map(([id, u]) => {
        if (random.next() < 0.7 || u.mount !== 'floor') return [id, u];
        const by = () => Math.round((random.next() - 0.5) * 1500);
        return [id, { ...u, x: u.x + by(), y: u.y + by() }];
      }),
    );
    return { ...plan, units };
  });
  return [plan, ...moved];
}

describe('no two screens contradict each other', () => {
  test('circuits and cords: what a station lacks is a finding, and what is a finding it lacks', () => {
    for (const plan of variants(4)) {
      const findings = findingsOf(plan);
      const mains = findings.filter((f) => f.check === 'mains');
      const cords = new Map(findings.filter((f) => f.check === 'cord').map((f) => [f.unitIds[0]!, f.words]));
      for (const station of Object.values(plan.stations)) {
        const need = needsOf(plan, station).find((n) => n.what === 'power');
        if (!need) continue;
        const overloaded = mains.some((f) => f.key.includes(station.id));
        expect([station.name, /would carry/.test(need.lacks ?? '')]).toEqual([station.name, overloaded]);
        const machines = Object.values(plan.machineUses).filter((m) => m.activityId === station.activityId);
        for (const { unitId } of machines) {
          const words = cords.get(unitId);
          if (words) expect(need.lacks).toContain(words);
          else expect(need.lacks ?? '').not.toContain(`cord of ${plan.units[unitId]!.name} `);
        }
      }
    }
  });

  test('where should I sit, where should it park: what is offered brings no new finding, or says which', async () => {
    const plan = pumpHouse();
    const known = new Set(findingsOf(plan).map((f) => f.key));
    const fresh = (there: Plan) => findingsOf(there).filter((f) => !known.has(f.key));
    for (const station of Object.values(plan.stations).slice(0, 1)) {
      const map = await seatMap(plan, station, 400);
      for (const { x, y, heading, words } of map!.best) {
        const there = { ...plan, stations: { ...plan.stations, [station.id]: { ...station, x, y, heading } } };
        const brings = fresh(there);
        if (brings.length > 0) expect(words).toContain('; but ');
        else expect(words).not.toContain('; but ');
      }
    }
    const cart = Object.values(plan.units).find((u) => u.kind === 'rollingCart')!;
    const map = await parkingMap(plan, cart, 900);
    for (const { x, y, heading, words } of map!.best) {
      const there = {
        ...plan,
        units: { ...plan.units, [cart.id]: { ...cart, x, y, facing: heading, keptInId: null } },
      };
      if (fresh(there).length > 0) expect(words).toContain('; but ');
    }
  });
});
