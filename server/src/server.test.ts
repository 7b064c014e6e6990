import { spawn } from 'node:child_process';
import { mkdirSync, readdirSync, writeFileSync } from 'node:fs';
import { request as rawRequest } from 'node:http';
import { createHash } from 'node:crypto';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { gzipSync } from 'node:zlib';
import supertest from 'supertest';
import { exportPlan, importPlan } from '@heronstone/core/formats';
import { apply, blankFixture, type Command, newId, type Plan, unitShape } from '@heronstone/core/plan';
import { block, tinyRoom, unit, withUnits } from '@heronstone/core/testing';
import { serve } from './serve.ts';
import { DataFolder } from './store/data-folder.ts';
import { ownerOf } from './store/owner.ts';
import { organiser } from './crafted.ts';
import { type PlanEvent } from './store/store.ts';
import { throwAwayFolders } from './testing.ts';
import { type Backend, ENGINES } from './testing-engines.ts';

const root = fileURLToPath(new URL('../../', import.meta.url));
const newFolder = throwAwayFolders();

const room = withUnits(tinyRoom(), unit('lowChest', { x: 900, y: 5700 }));
const addSupply = (id: string): Command => ({ type: 'addSupplies', supplies: [block({ id, name: `Thing ${id}` })] });
const home = (supplyId: string): Command => ({
  type: 'assignHome',
  supplyId,
  share: 'working',
  placeId: 'lowChest.0.0',
  since: '2026-02-02',
});

describe.each(ENGINES)('the server on %s', (engine, begin) => {
  let running: Backend;
  let planId: string;
  const agent = () => supertest.agent(running.url).set(running.headers);
  const run = (command: unknown, id = planId, commandId = newId('command')) =>
    agent().post(`/api/plans/${id}/commands`).send({ commandId, command });
  const plan = async (id = planId) =>
    (await agent().get(`/api/plans/${id}`)).body as {
      plan: Plan;
      revision: number;
      undo: string | null;
      redo: string | null;
    };

  beforeAll(async () => {
    running = await begin();
    planId = (
      await agent()
        .post('/api/plans')
        .send({ file: exportPlan(room) })
    ).body.id;
  });
  afterAll(() => running.close());

  test('a plan file comes back as it went in, through real tables', async () => {
    const got = await plan();
    expect({ ...got.plan, id: room.id }).toEqual(room);
    const file = await agent().get(`/api/plans/${planId}/file`);
    expect(file.headers['content-disposition']).toContain('my-craft-room.heron.json');
    expect(file.text).toBe(exportPlan(room));
  });

  test('everything a room can hold comes back as it went in, and undo takes it out again', async () => {
    const id = (
      await agent()
        .post('/api/plans')
        .send({ file: exportPlan(room) })
    ).body.id as string;
    const chest = room.units.lowChest!;
    const commands: Command[] = [
      { type: 'setPlan', set: { region: 'us', latitude: -33, bearing: 12 } },
      { type: 'addSlope', slope: { id: 's', wallId: 'w1', knee: 1200, run: 900 } },
      { type: 'addFixture', fixture: { ...blankFixture('f', 'socket', 'w0', 300), circuit: 'A' } },
      { type: 'addFixture', fixture: blankFixture('lamp', 'lamp') },
      { type: 'addDiagonal', diagonal: { id: 'd', fromWallId: 'w0', toWallId: 'w2', length: 8480 } },
      {
        type: 'addFloorUse',
        floorUse: { id: 'u', name: 'Bed', x: 1, y: 2, facing: 3, width: 4, depth: 5, height: 6, months: [1, 12] },
      },
      {
        type: 'setUnit',
        id: 'lowChest',
        set: { rowSizes: [70, 110], rows: 2, inserts: ['0.0 drawers 2'], ratedLoad: 9000, cord: 1500 },
      },
      { type: 'addParking', parking: { id: 'p', unitId: 'lowChest', name: 'Spot', x: 1, y: 2, facing: 90 } },
      { type: 'addOwnKind', ownKind: { id: 'k', name: 'Mine', kind: 'lowChest', ...unitShape(chest) } as never },
      { type: 'addOrganiser', organiser: organiser },
      {
        type: 'standIn',
        id: 'os',
        organiserId: 'bin',
        name: 'Bin',
        inId: 'lowChest.0.0.1',
        left: 3,
        front: 0,
        bottom: 0,
        turned: true,
      },
      { type: 'divide', id: 'os', into: 'lanes 30,rest' },
      { type: 'addZone', zone: { id: 'z', name: 'Kites', rule: 'only', mark: 2 } },
      { type: 'setPlace', id: 'os', set: { zoneId: 'z', nature: 'bulk', keptOut: 'the cat' } },
      { type: 'acknowledge', acknowledgement: { id: 'tipping:lowChest', reason: 'soon', since: '2026-11-24' } },
    ];
    let wanted = (await plan(id)).plan;
    for (const command of commands) {
      expect((await run(command, id)).status).toBe(200);
      const done = apply(wanted, command);
      if (!done.ok) throw new Error(done.reason);
      wanted = done.plan;
    }
    expect((await plan(id)).plan).toEqual(wanted);
    for (let i = 0; i < commands.length; i++) await agent().post(`/api/plans/${id}/undo`).send({});
    expect({ ...(await plan(id)).plan, id: room.id }).toEqual(room);
  });

  test('a fork is a plan of its own that remembers where it comes from; a plan that is not there has none', async () => {
    const made = await agent().post(`/api/plans/${planId}/fork`).send({ name: 'Another way' });
    expect(made.status).toBe(201);
    const fork = await plan(made.body.id);
    expect(fork.plan.head).toMatchObject({ name: 'Another way', forkedFrom: planId });
    expect(fork.plan.units).toEqual((await plan()).plan.units);
    await run({ type: 'removeUnit', id: 'lowChest' }, made.body.id);
    expect((await plan()).plan.units.lowChest).toBeDefined();
    const list = (await agent().get('/api/plans')).body as { id: string; forkedFrom: string | null }[];
    expect(list.find((p) => p.id === made.body.id)?.forkedFrom).toBe(planId);
    expect((await agent().post('/api/plans/nowhere/fork').send({ name: 'x' })).status).toBe(404);
    expect((await agent().post(`/api/plans/${planId}/fork`).send({ name: ' ' })).status).toBe(400);
  });

  test('a plan thrown away is kept for thirty days and comes back whole; only then it goes, and stays gone after a restart', async () => {
    const made = (await agent().post(`/api/plans/${planId}/fork`).send({ name: 'To throw away' })).body.id as string;
    await run({ type: 'setPlan', set: { ceiling: 2750 } }, made);
    const before = await plan(made);
    const listed = async () =>
      ((await agent().get('/api/plans')).body as { id: string; keptUntil: string | null }[]).find((p) => p.id === made);
    expect((await agent().post(`/api/plans/${made}/away`).send({})).status).toBe(200);
    const left = Date.parse((await listed())!.keptUntil!) - Date.now();
    expect(left).toBeGreaterThan(30 * 86_400_000 - 60_000);
    expect(left).toBeLessThanOrEqual(30 * 86_400_000);
    expect(await running.store.removeOld((until) => Date.now() > until)).toEqual([]);
    expect((await agent().post(`/api/plans/${made}/back`).send({})).status).toBe(200);
    expect((await listed())!.keptUntil).toBeNull();
    expect(await plan(made)).toEqual(before);
    await agent().post(`/api/plans/${made}/away`).send({});
    expect(await running.store.removeOld((until) => Date.now() + 29 * 86_400_000 > until)).toEqual([]);
    expect(await running.store.removeOld((until) => Date.now() + 31 * 86_400_000 > until)).toEqual(['To throw away']);
    expect(await listed()).toBeUndefined();
    expect((await agent().get(`/api/plans/${made}`)).status).toBe(404);
    expect((await agent().post('/api/plans/nowhere/away').send({})).status).toBe(404);
    expect((await agent().post(`/api/plans/${planId}/away`).send({ now: true })).status).toBe(400);
  });

  test('another way is taken over into the first, all but its name; one undo takes it back', async () => {
    const first = (
      await agent()
        .post('/api/plans')
        .send({ file: exportPlan(room) })
    ).body.id as string;
    const other = (await agent().post(`/api/plans/${first}/fork`).send({ name: 'Another way' })).body.id as string;
    await run({ type: 'removeUnit', id: 'lowChest' }, other);
    await run({ type: 'setPlan', set: { ceiling: 2750 } }, other);
    await run({ type: 'setPlan', set: { name: 'The first' } }, first);
    const before = (await plan(first)).plan;
    const done = await agent().post(`/api/plans/${first}/take-over`).send({ from: other });
    expect(done.status).toBe(200);
    const after = await plan(first);
    const wanted = (await plan(other)).plan;
    expect(after.plan).toEqual({ ...wanted, id: first, head: { ...wanted.head, name: 'The first', forkedFrom: null } });
    expect(after.undo).toBe('take over Another way');
    expect((await agent().post(`/api/plans/${first}/undo`).send({})).status).toBe(200);
    expect((await plan(first)).plan).toEqual(before);
    expect((await agent().post(`/api/plans/${first}/redo`).send({})).status).toBe(200);
    expect((await plan(first)).plan).toEqual(after.plan);
    // nothing to take over, nobody to take it from, nonsense
    expect((await agent().post(`/api/plans/${first}/take-over`).send({ from: other })).status).toBe(409);
    expect((await agent().post(`/api/plans/${first}/take-over`).send({ from: 'nowhere' })).status).toBe(404);
    expect((await agent().post(`/api/plans/${first}/take-over`).send({})).status).toBe(400);
  });

  test('the pretend laser shows nearly what it is pointed at, differently each time', async () => {
    const shown: number[] = [];
    for (let i = 0; i < 30; i++)
      shown.push((await agent().post('/api/devices/laser/readings').send({ distance: 3000 })).body.mm);
    expect(Math.max(...shown.map((mm) => Math.abs(mm - 3000)))).toBeLessThan(8);
    expect(new Set(shown).size).toBeGreaterThan(1);
    for (const distance of [0, -5, 'far', 1e9])
      expect((await agent().post('/api/devices/laser/readings').send({ distance })).status).toBe(400);
  });

  test('commands, undo and redo; what was redone can be undone again', async () => {
    const before = await plan();
    expect((await run(addSupply('a'))).status).toBe(200);
    expect((await run(home('a'))).body).toMatchObject({
      revision: before.revision + 2,
      undo: 'give a home',
      redo: null,
    });
    const full = await plan();
    expect((await agent().post(`/api/plans/${planId}/undo`).send({})).body.redo).toBe('give a home');
    expect((await plan()).plan.homes).toEqual({});
    await agent().post(`/api/plans/${planId}/undo`).send({});
    expect((await plan()).plan).toEqual(before.plan);
    await agent().post(`/api/plans/${planId}/redo`).send({});
    await agent().post(`/api/plans/${planId}/redo`).send({});
    expect((await plan()).plan).toEqual(full.plan);
    const nothing = await agent().post(`/api/plans/${planId}/redo`).send({});
    expect(nothing.status).toBe(409);
    expect(nothing.body.detail).toBe('There is nothing to redo.');
    await agent().post(`/api/plans/${planId}/undo`).send({});
    await run(addSupply('b'));
    expect((await plan()).redo).toBeNull();
  });

  test('what changes nothing is no step: undo takes back what did, and what was undone can still be done again', async () => {
    await run(addSupply('still'));
    await run({ type: 'setSupply', id: 'still', set: { note: 'said in two windows' } });
    const again = await run({ type: 'setSupply', id: 'still', set: { note: 'said in two windows' } });
    expect(again.body).toMatchObject({ undo: 'change a supply', changes: [] });
    const undone = await agent().post(`/api/plans/${planId}/undo`).send({});
    expect(undone.body).toMatchObject({ redo: 'change a supply' });
    expect((await plan()).plan.supplies.still!.note).toBe('');
    // and it does not end what can be done again
    await run({ type: 'setSupply', id: 'still', set: { note: '' } });
    expect((await plan()).redo).toBe('change a supply');
    await agent().post(`/api/plans/${planId}/redo`).send({});
    expect((await plan()).plan.supplies.still!.note).toBe('said in two windows');
  });

  test('a command sent twice (its answer was lost) is done once', async () => {
    const before = await plan();
    await run(addSupply('twice'), planId, 'command-twice');
    const again = await run(addSupply('twice'), planId, 'command-twice');
    expect(again.status).toBe(200);
    expect((await plan()).revision).toBe(before.revision + 1);
  });

  test.each([
    ['no JSON', '{"commandId": "x', 400, /not whole JSON/],
    ['an unknown command', { commandId: 'command-1', command: { type: 'blowUp' } }, 400, /command/],
    [
      'a field too many',
      { commandId: 'command-1', command: { type: 'removeUnit', id: 'x', force: true } },
      400,
      /force/,
    ],
    [
      'letters for a number',
      { commandId: 'command-1', command: { type: 'setUnit', id: 'lowChest', set: { width: 'wide' } } },
      400,
      /must be a number/,
    ],
    [
      'a size of zero',
      { commandId: 'command-1', command: { type: 'setUnit', id: 'lowChest', set: { width: 0 } } },
      400,
      /more than zero/,
    ],
    [
      'a unit that is not there',
      { commandId: 'command-2', command: { type: 'removeUnit', id: 'nowhere' } },
      409,
      /not in the plan/,
    ],
    [
      'a place that is not there',
      { commandId: 'command-3', command: { ...home('b'), placeId: 'no.1.1' } },
      409,
      /not in the plan/,
    ],
  ])('bad input: %s gets problem details and changes nothing', async (_, body, status, why) => {
    const before = await plan();
    const answer = await agent()
      .post(`/api/plans/${planId}/commands`)
      .set('content-type', 'application/json')
      .send(typeof body === 'string' ? body : JSON.stringify(body));
    expect(answer.status).toBe(status);
    expect(answer.headers['content-type']).toMatch(/application\/problem\+json/);
    expect(answer.body).toMatchObject({ type: 'about:blank', status });
    expect(answer.body.detail).toMatch(why);
    expect(await plan()).toEqual(before);
  });

  test('a damaged plan file, a wrong address, a form post are refused', async () => {
    const cut = await agent()
      .post('/api/plans')
      .send({ file: exportPlan(room).slice(0, 900) });
    expect([cut.status, cut.body.detail]).toEqual([422, expect.stringMatching(/not whole/)]);
    expect((await agent().get('/api/plans/none')).status).toBe(404);
    expect((await agent().get('/api/nowhere')).status).toBe(404);
    expect((await agent().post('/api/plans').type('form').send({ name: 'x' })).status).toBe(415);
    expect(
      (
        await agent()
          .post('/api/plans')
          .send({ head: { name: '   ' } })
      ).status,
    ).toBe(400);
  });

  test('answers only its own page: wrong Host and foreign Origin are turned away, scripts are ours alone', async () => {
    const withHost = (host: string) =>
      new Promise<number>((resolve) =>
        rawRequest(
          { port: running.port, host: '127.0.0.1', path: '/api/plans', headers: { ...running.headers, host } },
          (res) => resolve(res.resume().statusCode!),
        ).end(),
      );
    expect(await withHost('evil.example')).toBe(403);
    expect(await withHost(`127.0.0.1:${running.port}`)).toBe(200);
    expect(
      (
        await agent()
          .post('/api/plans')
          .set('origin', 'http://evil.example')
          .send({ head: { name: 'x' } })
      ).status,
    ).toBe(403);
    expect(
      (
        await agent()
          .post('/api/plans')
          .set('sec-fetch-site', 'cross-site')
          .send({ head: { name: 'x' } })
      ).status,
    ).toBe(403);
    const csp = (await agent().get('/api/plans')).headers['content-security-policy']!;
    expect(csp).toMatch(/default-src 'none'/);
    expect(/script-src ([^;]*)/.exec(csp)![1]).toBe("'self'");
  });

  test('a plan taken over while it is being changed is taken with that change', async () => {
    const other = (await agent().post(`/api/plans/${planId}/fork`).send({ name: 'Another way' })).body.id as string;
    // all three wait together and share one transaction
    const [, , taken] = await Promise.all([
      run({ type: 'setPlan', set: { ceiling: 2600 } }, other),
      run({ type: 'setPlan', set: { ceiling: 2610 } }, other),
      agent().post(`/api/plans/${planId}/take-over`).send({ from: other }),
    ]);
    // one writer does them in the order in which they came; several servers each plan's in one order, and two plans side by side
    if (engine === 'a folder') expect(taken.status).toBe(200);
    else expect([200, 409]).toContain(taken.status);
    if ((await plan()).plan.head.ceiling !== 2610) {
      expect(engine).not.toBe('a folder');
      expect((await agent().post(`/api/plans/${planId}/take-over`).send({ from: other })).status).toBe(200);
    }
    expect((await plan()).plan.head.ceiling).toBe(2610);
    await agent().post(`/api/plans/${other}/away`).send({});
  });

  test('what is nested a thousand deep is refused, whatever it claims to be', async () => {
    const deep = (n: number) => `${'{"a":'.repeat(n)}1${'}'.repeat(n)}`;
    for (const n of [100, 1000, 20_000])
      for (const path of ['/api/plans', `/api/plans/${planId}/commands`]) {
        const answer = await agent().post(path).set('content-type', 'application/json').send(deep(n));
        expect([n, answer.status]).toEqual([n, 400]);
        const file = await agent()
          .post('/api/plans')
          .send({ file: deep(n) });
        expect([400, 422]).toContain(file.status);
      }
  });

  test('a plan file with a picture that is refused leaves none of its pictures behind', async () => {
    const { body } = await agent()
      .get(`/api/plans/${planId}/file`)
      .buffer()
      .parse((res, done) => {
        let text = '';
        res.on('data', (d: Buffer) => (text += d.toString()));
        res.on('end', () => done(null, text));
      });
    const good = Buffer.from(
      '/9j/2wBDAAMCAgICAgMCAgIDAwMDBAYEBAQEBAgGBgUGCQgKCgkICQkKDA8MCgsOCwkJDRENDg8QEBEQCgwSExIQEw8QEBD/yQALCAABAAEBAREA/8wABgAQEAX/2gAIAQEAAD8A0s8g/9k=',
      'base64',
    );
    const bad = Buffer.from('GIF89a');
    const photos = Object.fromEntries(
      [good, bad].map((bytes) => [createHash('sha256').update(bytes).digest('hex'), bytes.toString('base64')]),
    );
    const count = async () => ((await agent().get('/api/photos')).body as { count: number }).count;
    const before = await count();
    const file = JSON.stringify({ ...(JSON.parse(body as string) as object), photos });
    const answer = await agent().post('/api/plans').send({ file });
    expect([answer.status, answer.body.detail]).toEqual([422, expect.stringMatching(/not a JPEG/)]);
    expect(await count()).toBe(before);
  });

  test('a second tab follows: the stream tells every change, with revision and rows', async () => {
    const events: PlanEvent[] = [];
    const stop = new AbortController();
    const stream = await fetch(`http://127.0.0.1:${running.port}/api/plans/${planId}/stream`, {
      signal: stop.signal,
      headers: running.headers,
    });
    const reader = stream.body!.getReader();
    const reading = (async () => {
      let text = '';
      while (events.length < 2) {
        const { value, done } = await reader.read();
        if (done) break;
        text += new TextDecoder().decode(value);
        for (let end = text.indexOf('\n\n'); end >= 0; end = text.indexOf('\n\n')) {
          const block = text.slice(0, end);
          text = text.slice(end + 2);
          if (block.startsWith('event: change')) events.push(JSON.parse(block.slice(block.indexOf('data: ') + 6)));
        }
      }
    })();
    await run(addSupply('seen'), planId, 'command-seen');
    await agent().post(`/api/plans/${planId}/undo`).send({});
    await reading;
    stop.abort();
    expect(events[0]).toMatchObject({
      commandId: 'command-seen',
      changes: [{ table: 'supplies', id: 'seen', before: null }],
    });
    expect(events[1]!.revision).toBe(events[0]!.revision + 1);
  });

  test('two tabs change one thing: the late one is told, nothing is overwritten unseen', async () => {
    await run(addSupply('both'));
    const first = run({ type: 'setSupply', id: 'both', set: { name: 'Reel' }, was: { name: 'Thing both' } });
    const second = run({ type: 'setSupply', id: 'both', set: { name: 'Spool' }, was: { name: 'Thing both' } });
    const answers = (await Promise.all([first, second])).sort((a, b) => a.status - b.status);
    expect(answers.map((a) => a.status)).toEqual([200, 409]);
    expect(answers[1]!.body.detail).toMatch(/changed meanwhile in another tab/);
  });

  test('ten thousand supplies in one command', async () => {
    const id = (
      await agent()
        .post('/api/plans')
        .send({ head: { name: 'Big' } })
    ).body.id as string;
    const supplies = Array.from({ length: 10_000 }, (_, i) => block({ id: `s${i}`, name: `Thing ${i}` }));
    expect((await run({ type: 'addSupplies', supplies }, id)).status).toBe(200);
    expect(Object.keys((await plan(id)).plan.supplies)).toHaveLength(10_000);
  });
});

describe('the data folder', () => {
  test('a missing script is not answered with the page; pages, plans and parts are sent compressed', async () => {
    const web = newFolder();
    mkdirSync(web, { recursive: true });
    writeFileSync(join(web, 'index.html'), `<!doctype html><title>Heronstone</title>${'<p>a page</p>'.repeat(200)}`);
    // what the build compressed is sent as it lies there, to who takes it
    mkdirSync(join(web, 'assets'));
    const script = `export const words = ${JSON.stringify('a part of the app '.repeat(200))};`;
    writeFileSync(join(web, 'assets/part-1.js'), script);
    writeFileSync(join(web, 'assets/part-1.js.gz'), gzipSync(script, { level: 9 }));
    const one = await serve({ dataFolder: newFolder(), port: 0, web });
    try {
      const ask = (path: string) => supertest(`http://127.0.0.1:${one.port}`).get(path);
      for (const [accepts, encoding] of [
        ['gzip', 'gzip'],
        ['identity', undefined],
      ] as const) {
        const part = await ask('/assets/part-1.js').set('accept-encoding', accepts).buffer(true);
        expect([part.status, part.type, part.headers['content-encoding']]).toEqual([200, 'text/javascript', encoding]);
        expect(part.text).toBe(script);
        expect(part.headers['cache-control']).toBe('public, max-age=31536000, immutable');
        if (encoding) expect(Number(part.headers['content-length'])).toBe(gzipSync(script, { level: 9 }).length);
      }
      const page = await ask('/p/some-plan/homes');
      expect([page.status, page.type]).toEqual([200, 'text/html']);
      expect(page.headers['content-encoding']).toMatch(/gzip|br/);
      expect((await ask('/assets/gone-1a2b3c.js')).status).toBe(404);
      expect((await ask('/favicon.png')).status).toBe(404);
      const id = await one.store.add({ plan: room });
      expect((await ask(`/api/plans/${id}`)).headers['content-encoding']).toMatch(/gzip|br/);
    } finally {
      await one.close();
    }
  });

  test('the folder belongs to one process; its own lock is recognised as living', async () => {
    const folder = newFolder();
    const one = await serve({ dataFolder: folder, port: 0 });
    expect(ownerOf(folder)).toMatchObject({ pid: process.pid });
    await expect(serve({ dataFolder: folder, port: 0 })).rejects.toThrow(/in use by process/);
    await one.close();
  });

  test('everything, undo included, is there after a restart', async () => {
    const folder = newFolder();
    const one = await serve({ dataFolder: folder, port: 0 });
    const id = await one.store.add({ plan: room });
    await one.store.run(id, 'command-a', addSupply('a'));
    await one.store.run(id, 'command-b', home('a'));
    await one.store.undo(id);
    // a change that changes nothing is no step, after a restart too
    await one.store.run(id, 'command-c', { type: 'setSupply', id: 'a', set: { note: '' } });
    const before = await one.store.get(id);
    await one.close();
    const two = await serve({ dataFolder: folder, port: 0 });
    expect(await two.store.get(id)).toEqual(before);
    const redone = await two.store.redo(id);
    expect(redone.ok && redone.event.undo).toBe('give a home');
    await two.store.undo(id);
    await two.store.undo(id);
    expect((await two.store.get(id))!.plan.supplies).toEqual({});
    await two.close();
  });

  test('the database refuses what the core would: no two homes for a share, no home without a place', async () => {
    const folder = newFolder();
    const { openDatabase } = await import('./store/database.ts');
    const db = await openDatabase(folder, async () => undefined);
    await db.query(
      `INSERT INTO plans (id, name, measure, ceiling, growth, grouping) VALUES ('p', 'P', 'metric', 2400, 0.2, 'kind')`,
    );
    const wrong = [
      `INSERT INTO homes VALUES ('p', 'a.working', 'a', 'working', 'nowhere', false, '2026-01-01')`,
      `INSERT INTO homes VALUES ('p', 'other', 'a', 'working', 'x', false, '2026-01-01')`,
      `INSERT INTO walls VALUES ('p', 'w', 0, 0, 90, '')`,
      `INSERT INTO plans (id, name, measure, ceiling, growth, grouping) VALUES ('q', '  ', 'metric', 2400, 0.2, 'kind')`,
    ];
    for (const sql of wrong)
      await expect(db.transaction((tx) => tx.query(sql))).rejects.toThrow(/constraint|foreign key/);
    await db.close();
  });

  test('backup and restore: the former data is kept beside it, a wrong file changes nothing', async () => {
    const folder = newFolder();
    const one = await serve({ dataFolder: folder, port: 0 });
    const id = await one.store.add({ plan: room });
    const { file } = (await supertest(`http://127.0.0.1:${one.port}`).post('/api/backups').send({})).body as {
      file: string;
    };
    await one.store.run(id, 'command-a', addSupply('later'));
    await one.close();
    writeFileSync(join(folder, 'wrong.tar.gz'), 'not a backup');
    const shut = await DataFolder.open(folder);
    await expect(shut.restore(join(folder, 'wrong.tar.gz'))).rejects.toThrow(/not a Heronstone backup/);
    await expect(shut.restore(join(folder, 'none.tar.gz'))).rejects.toThrow(/There is no file/);
    expect((await shut.store.get(id))!.plan.supplies).toHaveProperty('later');
    const aside = await shut.restore(file);
    expect(readdirSync(aside).sort()).toEqual(['database', 'journal']);
    await shut.close();
    const two = await serve({ dataFolder: folder, port: 0 });
    expect((await two.store.get(id))!.plan.supplies).toEqual({});
    await two.store.run(id, 'command-b', addSupply('after'));
    await two.close();
    const three = await DataFolder.open(folder);
    expect((await three.store.get(id))!.plan.supplies).toHaveProperty('after');
    await three.close();
    expect(readdirSync(join(folder, 'backups')).filter((f) => f.endsWith('.part'))).toEqual([]);
  });

  test('kill −9 in the middle of writes loses nothing that was acknowledged', async () => {
    const folder = newFolder();
    const acknowledged: string[] = [];
    let id = '';
    for (let round = 0; round < 2; round++) {
      const child = spawn(
        process.execPath,
        [join(root, 'scripts/program.mjs'), 'server/src/main.ts', 'serve', '--data', folder, '--port', '0'],
        { cwd: root, env: { ...process.env, NODE_OPTIONS: '' }, stdio: ['ignore', 'pipe', 'inherit'] },
      );
      const url = await new Promise<string>((resolve) =>
        child.stdout.on(
          'data',
          (d: Buffer) => /http:\S+:\d+/.test(String(d)) && resolve(/http:\S+:\d+/.exec(String(d))![0]),
        ),
      );
      const post = (path: string, body: unknown) =>
        fetch(`${url}/api${path}`, {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify(body),
        });
      if (!id) id = ((await (await post('/plans', { head: { name: 'Hard' } })).json()) as { id: string }).id;
      let alive = true;
      const writing = (async () => {
        for (let i = 0; alive; i++) {
          const name = `r${round}-${i}`;
          try {
            if ((await post(`/plans/${id}/commands`, { commandId: `command-${name}`, command: addSupply(name) })).ok)
              acknowledged.push(name);
          } catch {
            return;
          }
        }
      })();
      while (acknowledged.length < 25 * (round + 1)) await new Promise((r) => setTimeout(r, 5));
      const gone = new Promise((resolve) => child.once('exit', resolve));
      child.kill('SIGKILL');
      await gone;
      alive = false;
      await writing;
    }
    const after = await serve({ dataFolder: folder, port: 0 });
    const kept = (await after.store.get(id))!.plan.supplies;
    for (const name of acknowledged) expect(kept[name]).toBeDefined();
    expect(importPlan(exportPlan((await after.store.get(id))!.plan), 'x').ok).toBe(true);
    await after.close();
  });
});
