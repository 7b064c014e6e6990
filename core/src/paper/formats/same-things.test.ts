import { readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import { sameThings } from '../../record/plan/index.ts';
import { exportPlan, importPlan } from './index.ts';

describe('the same things in another room', () => {
  const read = importPlan(
    readFileSync(new URL('../../../../demo/plans/spring.heron.json', import.meta.url), 'utf8'),
    'spring',
  );
  if (!read.ok) throw new Error(read.reason);
  const { plan } = read;
  const other = sameThings(plan, 'Attic');

  test('what is owned comes along, the room, the seats and the homes do not; it is a whole plan', () => {
    expect(other.head).toMatchObject({ name: 'Attic', forkedFrom: null });
    for (const table of [
      'supplies',
      'people',
      'activities',
      'uses',
      'organisers',
      'recipes',
      'zones',
      'flows',
    ] as const)
      expect(other[table]).toEqual(plan[table]);
    for (const table of ['walls', 'openings', 'stations', 'homes', 'moves'] as const) expect(other[table]).toEqual({});
    const owned = Object.values(plan.units).filter((u) => u.mount !== 'away');
    expect(Object.keys(other.units).sort()).toEqual(owned.map((u) => u.id).sort());
    const again = importPlan(exportPlan(other), other.id);
    expect(again).toEqual({ ok: true, plan: other });
  });

  test('units wait in a row, none in another; what stands on one still stands there, containers are still in their places', () => {
    const ground = Object.values(other.units)
      .filter((u) => u.hostId === null)
      .sort((a, b) => a.x - b.x);
    for (const [i, b] of ground.slice(1).entries()) {
      const a = ground[i]!;
      expect(b.x - a.x).toBeGreaterThan((Math.max(a.width, a.depth) + Math.max(b.width, b.depth)) / 2);
    }
    for (const unit of Object.values(other.units)) {
      if (unit.hostId === null) continue;
      const [was, host] = [plan.units[unit.id]!, plan.units[unit.hostId]!];
      const now = other.units[unit.hostId]!;
      expect(unit.x - now.x).toBeCloseTo(was.x - host.x, -1);
    }
    const boxes = Object.values(plan.places).filter(
      (p) => p.organiserId !== null && plan.units[p.unitId]!.mount !== 'away',
    );
    expect(boxes.length).toBeGreaterThan(10);
    for (const box of boxes) expect(other.places[box.id]).toEqual(box);
  });
});
