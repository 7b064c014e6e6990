import 'fake-indexeddb/auto';
import { beforeEach, describe, expect, test } from '@jest/globals';
import { keepPending, pendingOf, plansWithPending, setAsideOf } from './pending.ts';
import { keepLastList, keepLastPlan, lastList, lastPlan } from './last-known.ts';
import { sendWaiting } from './send-waiting.ts';
import { tinyRoom } from '@heronstone/core/testing';

type Sent = { url: string; id: string };
let sent: Sent[] = [];
let answers: (one: Sent) => number;

beforeEach(() => {
  sent = [];
  answers = () => 200;
  const g = globalThis as Record<string, unknown>;
  g.localStorage = { getItem: () => null, removeItem: () => undefined };
  g.fetch = async (url: string, init: { body: string }) => {
    const one = { url, id: (JSON.parse(init.body) as { commandId: string }).commandId };
    const status = answers(one);
    if (status === 0) throw new TypeError('fetch failed');
    sent.push(one);
    return { ok: status < 400, status, json: async () => ({ detail: 'It was refused.' }) };
  };
});

const waits = async (planId: string, name: string) => {
  const one = pendingOf(planId, { type: 'setPlan', set: { name } });
  await keepPending(one);
  return one.id;
};

describe('what waits for plans that are not open', () => {
  test('is sent in its order, plan by plan; what is refused is set aside with the reason', async () => {
    const ids = [await waits('a', 'One'), await waits('a', 'Two'), await waits('b', 'Three')];
    answers = (one) => (one.id === ids[1] ? 409 : 200);
    await sendWaiting();
    expect(sent.map((s) => [s.url, s.id])).toEqual([
      ['/api/plans/a/commands', ids[0]],
      ['/api/plans/a/commands', ids[1]],
      ['/api/plans/b/commands', ids[2]],
    ]);
    expect(await plansWithPending()).toEqual([]);
    expect((await setAsideOf('a')).map((one) => [one.id, one.reason])).toEqual([[ids[1], 'It was refused.']]);
  });

  test.each([0, 401, 503])('goes on waiting where the server answers %i (0: not at all)', async (status) => {
    const plan = `waits-${status}`;
    const id = await waits(plan, 'One');
    answers = () => status;
    await sendWaiting();
    expect(await plansWithPending()).toContain(plan);
    answers = () => 200;
    await sendWaiting();
    expect(sent.map((s) => s.id)).toContain(id);
    expect(await plansWithPending()).not.toContain(plan);
  });
});

describe('what the server last had', () => {
  test('plans that are not in its list any more are not kept in this browser either', async () => {
    const plan = tinyRoom();
    const at = '2026-11-29T10:00:00.000Z';
    for (const id of ['here', 'gone']) await keepLastPlan({ id, plan: { ...plan, id }, revision: 3, at });
    expect(await lastPlan('here')).toMatchObject({ revision: 3, plan: { id: 'here' } });
    const list = [{ id: 'here', name: 'Here', supplies: 0, places: 0, units: 0, forkedFrom: null, keptUntil: null }];
    await keepLastList(list, at);
    expect(await lastList()).toEqual({ plans: list, at });
    expect(await lastPlan('gone')).toBeUndefined();
    expect(await lastPlan('here')).toBeDefined();
  });
});
