import { describe, expect, test } from '@jest/globals';
import { applied, block, home, tinyRoom, unit, use, withUnits } from '../../testing/index.ts';
import { arrangeRoom, type Lane, laneHere } from './index.ts';
import { shared } from './lane.ts';

const since = '2026-11-26';
const room = applied(
  withUnits(
    tinyRoom({ x: 1500, y: 1500 }),
    unit('worktable', { id: 'table', x: 1500, y: 2100, facing: 180 }),
    unit('lowChest', { id: 'chest', x: 5500, y: 5000, facing: 270 }),
    unit('bookcase', { id: 'books', x: 5700, y: 800, facing: 270, height: 1200 }),
  ),
  { type: 'setStation', id: 'seat', set: { unitId: 'table' } },
  { type: 'addSupplies', supplies: [block()] },
  { type: 'addUse', use: use('block', 9) },
  home('block', 'chest.0.0'),
);

/** Another thread, for all that a lane can tell: what it is handed and what it gives are copies. */
const elsewhere = (lane: Lane): Lane => ({
  begin: async (seed) => structuredClone(await lane.begin(seed)),
  better: async (start, how, onShare, onFound) =>
    structuredClone(
      await lane.better(structuredClone(start), how, onShare, (worth) => onFound(structuredClone(worth))),
    ),
});

describe('lanes', () => {
  test('jobs are shared out as lanes come free; the answers are in the order of the jobs', async () => {
    const done: [lane: string, job: number][] = [];
    const lane = (name: string, wait: number) => ({ name, wait }) as unknown as Lane & { name: string; wait: number };
    const lanes = [lane('slow', 30), lane('quick', 1)];
    const answers = await shared(lanes, [0, 1, 2, 3, 4, 5], async (who, job, index) => {
      const { name, wait } = who as (typeof lanes)[number];
      await new Promise((resolve) => setTimeout(resolve, wait));
      done.push([name, job]);
      expect(index).toBe(job);
      return job * job;
    });
    expect(answers).toEqual([0, 1, 4, 9, 16, 25]);
    expect(done).toHaveLength(6);
    expect(done.filter(([name]) => name === 'quick').length).toBeGreaterThan(3);
    expect(done.some(([name]) => name === 'slow')).toBe(true);
  });

  test('a lane that fails says why', async () => {
    const lanes = [{} as Lane];
    await expect(
      shared(lanes, [1], () => Promise.reject(new Error('its helper could not be started'))),
    ).rejects.toThrow(/helper/);
  });

  test('with one lane, or with two of which one is another thread: the same offers', async () => {
    const how = { seed: 3, searches: 4, steps: 80, since };
    const one = await arrangeRoom(room, how);
    const two = await arrangeRoom(room, {
      ...how,
      lanes: (now, sun) => [laneHere(now, sun, { since }), elsewhere(laneHere(now, sun, { since }))],
    });
    if (!one.ok || !two.ok) throw new Error('not arranged');
    expect(one.offers.length).toBeGreaterThan(0);
    expect(two.offers.map((o) => o.command)).toEqual(one.offers.map((o) => o.command));
    expect(two.offers.map((o) => [o.saves, o.saved])).toEqual(one.offers.map((o) => [o.saves, o.saved]));
  });

  test('how far it is only grows, and ends at all of it', async () => {
    const shares: number[] = [];
    await arrangeRoom(room, { seed: 1, searches: 3, steps: 40, since, onProgress: (share) => shares.push(share) });
    expect(shares.at(-1)).toBe(1);
    expect(shares.every((s, i) => s >= (shares[i - 1] ?? 0) && s <= 1)).toBe(true);
  });
});
