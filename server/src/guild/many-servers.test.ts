import { spawn } from 'node:child_process';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { exportPlan } from '@heronstone/core/formats';
import { type Plan } from '@heronstone/core/plan';
import { block } from '@heronstone/core/testing';
import { craftedPlan } from '../crafted.ts';
import { type PlanEvent } from '../store/store.ts';
import { type GuildBackend, newHousehold, onGuild } from '../testing-engines.ts';
import { Window } from '../testing-window.ts';
import { passingTrouble } from './trouble.ts';
import { type RunningGuild } from './serve-guild.ts';

describe('several servers before one PostgreSQL', () => {
  let guild: GuildBackend;
  let servers: RunningGuild[];
  let bases: string[];
  let house: { id: string; cookie: string };
  const post = async (base: string, path: string, body: unknown) => {
    const answer = await fetch(`${base}/api${path}`, {
      method: 'POST',
      headers: { cookie: house.cookie, 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });
    return { status: answer.status, json: (await answer.json()) as PlanEvent & { id: string; detail: string } };
  };
  const newPlan = async () => (await post(bases[0]!, '/plans', { file: exportPlan(craftedPlan()) })).json.id;
  const add = (base: string, planId: string, name: string, commandId = `command-${name}`) =>
    post(base, `/plans/${planId}/commands`, {
      commandId,
      command: { type: 'addSupplies', supplies: [block({ id: name, name })] },
    });
  const get = async (base: string, planId: string) =>
    (await (await fetch(`${base}/api/plans/${planId}`, { headers: { cookie: house.cookie } })).json()) as {
      plan: Plan;
      revision: number;
    };
  const listening = (at: string[], planId: string) =>
    new Window(
      at.map((base) => ({ url: `${base}/api` })),
      planId,
      house.cookie,
    );
  const until = async (is: () => boolean | Promise<boolean>) => {
    while (!(await is())) await new Promise((go) => setTimeout(go, 20));
  };

  beforeAll(async () => {
    guild = await onGuild();
    servers = [guild.guild, await guild.another()];
    bases = servers.map((s) => `http://127.0.0.1:${s.port}`);
    house = await newHousehold(guild.households, guild.url, 'The mill');
    await guild.households.setLimits(house.id, { changes: 1_000_000 });
  });
  afterAll(() => guild.close());

  test('what is changed by one is heard at the other, change by change', async () => {
    const planId = await newPlan();
    const windows = bases.map((base) => listening([base], planId));
    await until(() => windows.every((w) => w.revision === 0));
    for (let n = 0; n < 20; n++) expect((await add(bases[n % 2]!, planId, `s${n}`)).status).toBe(200);
    await until(() => windows.every((w) => w.revision === 20));
    const { plan } = await get(bases[1]!, planId);
    for (const w of windows) expect([w.heard, w.plan]).toEqual([20, plan]);
    expect(Object.keys(plan.supplies)).toEqual(expect.arrayContaining(['s0', 's19']));
    for (const w of windows) w.close();
  });

  test('two hundred changes at once through two servers have one order, each is done once, none is lost', async () => {
    const planId = await newPlan();
    const answers = await Promise.all(
      Array.from({ length: 200 }, (_, n) => add(bases[n % 2]!, planId, `s${n % 100}`, `command-${n % 100}`)),
    );
    expect(answers.every((a) => a.status === 200)).toBe(true);
    const made = answers.filter((a) => a.json.changes.length > 0);
    expect(made.map((a) => a.json.revision).sort((a, b) => a - b)).toEqual(
      Array.from({ length: 100 }, (_, n) => n + 1),
    );
    const [one, two] = await Promise.all(bases.map((base) => get(base, planId)));
    expect(one).toEqual(two);
    expect(one!.revision).toBe(100);
    const { rows } = await guild.cluster.super(
      `SELECT count(*)::int AS n, max(seq) AS seq FROM command_log WHERE plan_id = '${planId}'`,
    );
    expect(rows).toEqual([{ n: 100, seq: 100 }]);
  });

  test('plans taken over into each other at once do not wait for ever', async () => {
    const [a, b] = [await newPlan(), await newPlan()];
    await add(bases[0]!, a, 'of-a');
    await add(bases[1]!, b, 'of-b');
    const answers = await Promise.all(
      Array.from({ length: 6 }, (_, n) =>
        post(bases[n % 2]!, `/plans/${n % 2 ? a : b}/take-over`, { from: n % 2 ? b : a }),
      ),
    );
    // done, or nothing left to do
    for (const { status } of answers) expect([200, 409]).toContain(status);
  });

  test('a window misses nothing when its server loses the word of the others, or is ended', async () => {
    const planId = await newPlan();
    const third = await guild.another();
    const leaving = `http://127.0.0.1:${third.port}`;
    const [deaf, moving] = [listening([bases[1]!], planId), listening([leaving, bases[0]!], planId)];
    await until(() => deaf.revision === 0 && moving.revision === 0);
    await guild.cluster.super(
      `SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE application_name = 'heronstone word'`,
    );
    for (let n = 0; n < 10; n++) await add(bases[0]!, planId, `s${n}`);
    await third.close();
    for (let n = 10; n < 15; n++) await add(bases[0]!, planId, `s${n}`);
    await until(() => deaf.revision === 15 && moving.revision === 15);
    expect([deaf.plan, deaf.heard]).toEqual([(await get(bases[0]!, planId)).plan, 15]);
    expect(moving.plan).toEqual(deaf.plan);
    deaf.close();
    moving.close();
  });

  test('one that was away longer than changes are kept reads the plan anew', async () => {
    const planId = await newPlan();
    await add(bases[0]!, planId, 'first');
    await add(bases[1]!, planId, 'second');
    // this server remembers revision 2; what comes is made by the other, and its rows are thrown away
    for (let n = 0; n < 5; n++) await add(bases[0]!, planId, `s${n}`);
    await guild.cluster.super(`DELETE FROM plan_changes WHERE plan_id = '${planId}'`);
    const after = await add(bases[1]!, planId, 'last');
    expect(after.json.revision).toBe(8);
    expect(Object.keys((await get(bases[1]!, planId)).plan.supplies)).toEqual(expect.arrayContaining(['s4', 'last']));
  });

  test('the database is killed, refuses, comes back: clear words, nothing acknowledged is lost, it goes on by itself', async () => {
    const planId = await newPlan();
    const acknowledged: string[] = [];
    let words = '';
    let going = true;
    const writing = bases.map(async (base, s) => {
      for (let n = 0; going; n++) {
        const name = `w${s}-${n}`;
        // as the browser does: the same change again until it is answered
        for (;;) {
          const answer = await add(base, planId, name).catch(() => null);
          if (answer?.status === 200) break;
          if (answer) words = answer.json.detail;
          await new Promise((go) => setTimeout(go, 50));
        }
        acknowledged.push(name);
      }
    });
    await until(() => acknowledged.length > 20);
    await guild.cluster.stop('SIGKILL');
    await until(() => words !== '');
    expect(words).toMatch(/The database does not answer\. What was saved before is kept/);
    const ready = async () => (await fetch(`http://127.0.0.1:${servers[0]!.opsPort}/ready`)).status;
    expect(await ready()).toBe(503);
    expect((await fetch(`http://127.0.0.1:${servers[0]!.opsPort}/health`)).status).toBe(200);
    await guild.cluster.start();
    const before = acknowledged.length;
    await until(() => acknowledged.length > before + 20);
    going = false;
    await Promise.all(writing);
    await until(async () => (await ready()) === 200);
    const { plan, revision } = await get(bases[0]!, planId);
    for (const name of acknowledged) expect(plan.supplies[name]).toBeDefined();
    expect(revision).toBe(acknowledged.length);
  });

  test('too slow an answer, no connection left, a database that is only read: in words, and it passes', async () => {
    const planId = await newPlan();
    const slow = await guild.another({ connections: 1, statementTimeout: 300 });
    const base = `http://127.0.0.1:${slow.port}`;
    expect((await add(base, planId, 'before')).status).toBe(200);
    // somebody holds the plan's row
    const { default: pg } = await import('pg');
    const holder = new pg.Client({ connectionString: guild.cluster.superUrl });
    await holder.connect();
    await holder.query('BEGIN');
    await holder.query('SELECT 1 FROM plans WHERE id = $1 FOR UPDATE', [planId]);
    const waited = await add(base, planId, 'waits');
    expect([waited.status, waited.json.detail]).toEqual([503, expect.stringMatching(/too much to do right now/)]);
    await holder.query('COMMIT');
    expect((await add(base, planId, 'waits')).status).toBe(200);
    await holder.query('ALTER DATABASE heronstone SET default_transaction_read_only = on');
    const reading = await guild.another();
    const refused = await add(`http://127.0.0.1:${reading.port}`, planId, 'refused');
    expect([refused.status, refused.json.detail]).toEqual([503, expect.stringMatching(/only being read from/)]);
    await holder.query('SET default_transaction_read_only = off');
    await holder.query('ALTER DATABASE heronstone RESET default_transaction_read_only');
    await holder.end();
    // SQLSTATEs by PostgreSQL's table of error codes (appendix A of its handbook)
    for (const [code, said] of [
      ['53100', /disk of the database is full/],
      ['53300', /too much to do/],
      ['57P01', /does not answer/],
      ['08006', /does not answer/],
      ['ECONNREFUSED', /does not answer/],
    ] as const)
      expect(passingTrouble(Object.assign(new Error('x'), { code }))?.message).toMatch(said);
    expect(passingTrouble(Object.assign(new Error('x'), { code: '42601' }))).toBeNull();
    expect(passingTrouble(new Error('timeout exceeded when trying to connect'))?.message).toMatch(/too much to do/);
  });

  test('metrics are in the usual text form and name nobody; a route is counted by its pattern', async () => {
    const planId = await newPlan();
    await get(bases[0]!, planId);
    const text = await (await fetch(`http://127.0.0.1:${servers[0]!.opsPort}/metrics`)).text();
    expect(text).toMatch(
      /^heronstone_request_seconds_count\{method="GET",route="\/api\/plans\/:id",status="200"\} \d+$/m,
    );
    expect(text).toMatch(/^heronstone_hears 1$/m);
    for (const word of [planId, house.id, 'The mill']) expect(text).not.toContain(word);
  });

  test('asked to end, it ends: what was begun is answered, and it says before that it is not ready', async () => {
    const child = spawn(
      process.execPath,
      ['scripts/program.mjs', 'server/src/main.ts', 'serve', '--port', '0', '--ops-port', '0'],
      {
        cwd: new URL('../../../', import.meta.url).pathname,
        env: { ...process.env, NODE_OPTIONS: '', DATABASE_URL: guild.cluster.serversUrl },
        stdio: ['ignore', 'pipe', 'pipe'],
      },
    );
    let said = '';
    child.stdout.on('data', (d: Buffer) => (said += d.toString()));
    child.stderr.on('data', (d: Buffer) => (said += d.toString()));
    const ended = new Promise<number | null>((resolve) => child.once('exit', resolve));
    await until(() => /households is at (\S+)/.test(said) && said.includes('/ready'));
    const base = /households is at (http:\S+:\d+)/.exec(said)![1]!;
    const planId = await newPlan();
    const window = listening([base, bases[0]!], planId);
    await until(() => window.revision === 0);
    const last = Array.from({ length: 10 }, (_, n) => add(base, planId, `last${n}`));
    await until(async () => (await get(bases[0]!, planId)).revision > 0);
    child.kill('SIGTERM');
    const answers = await Promise.allSettled(last);
    expect(await ended).toBe(0);
    const done = answers.filter((a) => a.status === 'fulfilled' && a.value.status === 200);
    await until(() => window.revision >= done.length);
    expect((await get(bases[0]!, planId)).revision).toBeGreaterThanOrEqual(done.length);
    window.close();
  });
});
