import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { exportPlan, readSupplies } from '@heronstone/core/formats';
import { type Plan, planTrouble } from '@heronstone/core/plan';
import { mutated } from '@heronstone/core/testing';
import { Random } from '@heronstone/core/slotting';
import { craftedCommands, craftedPlan } from './crafted.ts';
import { type Running, serve } from './serve.ts';
import { readPlan } from './store/rows.ts';
import { openDatabase } from './store/database.ts';
import { databaseFolder } from './store/swap.ts';
import { post, throwAwayFolders } from './testing.ts';

const newFolder = throwAwayFolders();

describe('crafted input', () => {
  let running: Running;
  let url: string;
  const path = newFolder();
  beforeAll(async () => {
    running = await serve({ dataFolder: path, port: 0 });
    url = `http://127.0.0.1:${running.port}/api`;
  });
  afterAll(() => running.close());

  test('of 500 mutated commands none is our trouble, and memory and database never come apart', async () => {
    const { id } = (await (await post(`${url}/plans`, { file: exportPlan(craftedPlan()) })).json()) as { id: string };
    const random = new Random(11);
    const next = () => random.next();
    const statuses = new Map<number, number>();
    const commands = craftedCommands();
    for (let i = 0; i < 500; i++) {
      const command = mutated(commands[i % commands.length]!, commands, next);
      const answer = await post(`${url}/plans/${id}/commands`, { commandId: `command-${i}`, command });
      statuses.set(answer.status, (statuses.get(answer.status) ?? 0) + 1);
      const body = (await answer.json()) as { detail?: string };
      if (answer.status >= 500) throw new Error(`${answer.status} ${body.detail}: ${JSON.stringify(command)}`);
      if (answer.status >= 400) expect(body.detail!.length).toBeGreaterThan(5);
      if (i % 25 === 0) await post(`${url}/plans/${id}/undo`, {});
    }
    // some must have been taken, or the mutations prove nothing
    expect(statuses.get(200)).toBeGreaterThan(25);
    expect(statuses.get(422) ?? 0).toBe(0);
    const held = (await running.store.get(id))!.plan as Plan;
    expect(planTrouble(held)).toBeNull();
    await running.close();
    const db = await openDatabase(databaseFolder(path), async () => undefined);
    expect((await readPlan(db, id))!.plan).toEqual(JSON.parse(JSON.stringify(held)));
    await db.close();
    running = await serve({ dataFolder: path, port: 0 });
    url = `http://127.0.0.1:${running.port}/api`;
  });

  test('nor of mutated plan files and lists', async () => {
    const random = new Random(5);
    const file = JSON.parse(exportPlan(craftedPlan())) as object;
    for (let i = 0; i < 60; i++) {
      const answer = await post(`${url}/plans`, {
        file: JSON.stringify(mutated(file, [file], () => random.next())),
      });
      expect([201, 422, 400]).toContain(answer.status);
    }
    const csv = 'name,width,depth,working,note\nReel,12 cm,4,3,"a ""b"""\nTin,1,200,2,=1\n';
    for (let i = 0; i < 500; i++) {
      const at = random.below(csv.length);
      const bad =
        csv.slice(0, at) + ['"', '\0', ',', '\n', '9'.repeat(400), '\ud800', ''][i % 7]! + csv.slice(at + (i % 3));
      for (const s of readSupplies(bad, () => `s${i}`).supplies) expect(JSON.stringify(s)).not.toMatch(/\\u0000|\\ud8/);
    }
  });

  test('an address that is no plan id, or not even text, is a plan that is not there', async () => {
    for (const id of ['%00', '..%2f..', '__proto__', 'x'.repeat(200), '%E0%A4%A'])
      expect((await fetch(`${url}/plans/${id}`)).status).toBeGreaterThanOrEqual(400);
    for (const id of ['%00', '..%2f..', '__proto__', 'x'.repeat(200), '%E0%A4%A'])
      expect((await fetch(`${url}/plans/${id}`)).status).toBeLessThan(500);
    expect((await post(`${url}/backups`, { file: '/etc/x' })).status).toBe(400);
  });
});
