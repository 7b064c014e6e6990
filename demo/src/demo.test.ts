import { readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import { exportPlan, importPlan, planFileName } from '@heronstone/core/formats';
import { findingsOf } from '@heronstone/core/findings';
import { assessHomes, findHomes, isWorse } from '@heronstone/core/homes';
import { roomOf } from '@heronstone/core/plan';
import { cupboardAndTable } from './cupboard-and-table.ts';
import { pumpHouse } from './pump-house.ts';
import { spring } from './spring.ts';

describe('demo plans', () => {
  test.each([
    ['The pump house', async () => pumpHouse()],
    ['Spring', spring],
    ['One cupboard and a table', async () => cupboardAndTable()],
  ])('%s: the file on disk is what the source says (npm run demo:write) and reads back', async (_, source) => {
    const plan = await source();
    const text = readFileSync(new URL(`../plans/${planFileName(plan)}`, import.meta.url), 'utf8');
    expect(text).toBe(exportPlan(plan));
    expect(importPlan(text, plan.id)).toEqual({ ok: true, plan });
    expect(roomOf(plan).closes).toBe(true);
  });

  test('the pump house has what its page promises for room and furniture', () => {
    const plan = pumpHouse();
    const count = (t: 'supplies' | 'units' | 'places' | 'activities') => Object.keys(plan[t]).length;
    expect(count('supplies')).toBeGreaterThanOrEqual(60);
    // the 14 units with 70 places, and the box that the felting travels in
    expect(count('units')).toBe(14 + 1);
    const compartments = Object.values(plan.places).filter((p) => p.inId === null && p.kind !== 'top');
    expect(compartments).toHaveLength(70 + 1);
    expect(Object.values(plan.places).filter((p) => plan.units[p.unitId]!.mount === 'away')).toHaveLength(2);
    expect(Object.values(plan.places).filter((p) => p.organiserId !== null)).toHaveLength(25);
    expect(Object.keys(plan.zones)).toHaveLength(6);
    expect(
      Object.values(plan.places)
        .filter((p) => p.keptOut !== '')
        .map((p) => p.keptOut),
    ).toEqual(['the radio']);
    expect(Object.values(plan.fixtures).filter((f) => f.kind === 'socket')).toHaveLength(5);
    expect(new Set(Object.values(plan.fixtures).flatMap((f) => f.circuit || []))).toEqual(new Set(['A', 'B']));
    expect(count('activities')).toBe(6);
    expect(assessHomes(plan).homeless.length).toBeGreaterThan(5);
  });

  test('the faults that its page promises are found', () => {
    const found = findingsOf(pumpHouse());
    const says = (check: string, words: RegExp) =>
      expect(found.filter((f) => f.check === check).map((f) => f.words)).toContainEqual(expect.stringMatching(words));
    says('child', /needles/i);
    says('sun', /Sensitiser A, brown bottle.*Cube unit/);
    says('load', /Tall cupboard, shelf 2, holds 2\d\.\d kg/);
    says('socket', /Wall board covers Socket behind the board/);
    says('floorUse', /Rolling cart .* two bicycles .* November to March/);
    says('mains', /Wet bench draws 3200 W .* circuit B/);
    expect(assessHomes(pumpHouse()).unreachable.length).toBeGreaterThan(0);
  });

  test('find homes makes it much better', async () => {
    const plan = pumpHouse();
    const found = (await findHomes(plan, { work: 230_000, now: () => 0, since: '2026-11-01' }))!;
    const before = found.assessedBefore;
    const after = found.assessed;
    expect(isWorse(found)).toBe(false);
    expect(found.after.total).toBeLessThan(found.before.total / 2);
    expect(after.homeless.length).toBeLessThan(before.homeless.length / 3);
    expect(after.unreachable).toEqual([]);
    expect(before.unreachable.length).toBeGreaterThan(0);
  });
});
