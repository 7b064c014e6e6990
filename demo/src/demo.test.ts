import { readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import { exportPlan, importPlan, planFileName } from '@heronstone/core/formats';
import { assessHomes, settleCommand, slottingOf } from '@heronstone/core/homes';
import { apply, roomOf } from '@heronstone/core/plan';
import { solveSlotting } from '@heronstone/core/slotting';
import { cupboardAndTable } from './cupboard-and-table.ts';
import { pumpHouse } from './pump-house.ts';

describe('demo plans', () => {
  test.each([
    ['The pump house', pumpHouse()],
    ['One cupboard and a table', cupboardAndTable()],
  ])('%s: the file on disk is what the source says (npm run demo:write) and reads back', (_, plan) => {
    const text = readFileSync(new URL(`../plans/${planFileName(plan)}`, import.meta.url), 'utf8');
    expect(text).toBe(exportPlan(plan));
    expect(importPlan(text, plan.id)).toEqual({ ok: true, plan });
    expect(roomOf(plan).closes).toBe(true);
  });

  test('the pump house has what its page promises for the first version', () => {
    const plan = pumpHouse();
    const count = (t: 'supplies' | 'units' | 'places' | 'activities') => Object.keys(plan[t]).length;
    expect(count('supplies')).toBeGreaterThanOrEqual(60);
    expect(count('units')).toBeGreaterThanOrEqual(10);
    expect(count('places')).toBeGreaterThanOrEqual(40);
    expect(count('activities')).toBe(3);
    expect(assessHomes(plan).homeless.length).toBeGreaterThan(5);
  });

  test('find homes makes it much better', async () => {
    const plan = pumpHouse();
    const answer = await solveSlotting(slottingOf(plan), { seconds: 0.6, now: () => 0 });
    const done = apply(plan, settleCommand(plan, answer, '2026-11-01'));
    if (!done.ok) throw new Error(done.reason);
    const before = assessHomes(plan);
    const after = assessHomes(done.plan);
    expect(after.homeless.length).toBeLessThan(before.homeless.length / 3);
    expect(after.unreachable).toEqual([]);
    expect(before.unreachable.length).toBeGreaterThan(0);
  });
});
