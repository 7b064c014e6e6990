import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { gunzipSync, gzipSync } from 'node:zlib';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { exportPlan } from '@heronstone/core/formats';
import { planTrouble, TABLE_NAMES } from '@heronstone/core/plan';
import { craftedCommands, craftedPlan } from '../crafted.ts';
import { serve } from '../serve.ts';
import { openDatabase } from '../store/database.ts';
import { snake } from '../store/names.ts';
import { PlanStore } from '../store/plan-store.ts';
import { throwAwayFolders } from '../testing.ts';
import { type GuildBackend, newHousehold, onGuild } from '../testing-engines.ts';
import { carriedFrom, difference, type Sum, summing } from './carry.ts';
import { GuildEngine } from './guild-engine.ts';
import { migrateGuild } from './migrate.ts';

const newFolder = throwAwayFolders();
const root = new URL('../../../', import.meta.url).pathname;
const PIXEL = Buffer.from(
  '/9j/2wBDAAMCAgICAgMCAgIDAwMDBAYEBAQEBAgGBgUGCQgKCgkICQkKDA8MCgsOCwkJDRENDg8QEBEQCgwSExIQEw8QEBD/yQALCAABAAEBAREA/8wABgAQEAX/2gAIAQEAAD8A0s8g/9k=',
  'base64',
);

describe('from the folder to the guild and back', () => {
  let guild: GuildBackend;
  let folder: string;
  let planIds: string[];
  /** what the folder shows of its plans: file, standing, log */
  let shown: unknown;

  const showing = async (store: PlanStore) => {
    const all = [];
    for (const { id, keptUntil } of await store.list()) {
      const { plan, ...standing } = (await store.get(id))!;
      all.push({ id, thrownAway: keptUntil !== null, file: exportPlan(plan), ...standing });
    }
    return all;
  };

  beforeAll(async () => {
    guild = await onGuild();
    folder = newFolder();
    const running = await serve({ dataFolder: folder, port: 0 });
    const store = running.folder.store;
    planIds = [
      await store.add({ plan: craftedPlan() }),
      await store.add({ plan: craftedPlan() }),
      await store.add({ head: { name: 'Empty' } }),
    ];
    for (const [i, command] of craftedCommands().entries())
      await store.run(planIds[0]!, `command-number-${i}`, command);
    const kept = running.folder.photos.keep(PIXEL);
    if (!kept.ok) throw new Error(kept.reason);
    await store.run(planIds[1]!, 'command-shows', { type: 'setPlace', id: 'lowChest.0.0', set: { photo: kept.hash } });
    await store.run(planIds[1]!, 'command-sizes', { type: 'setPlan', set: { growth: 1 / 3, latitude: 1e-7 } });
    await store.undo(planIds[1]!);
    await store.throwAway(planIds[2]!, true);
    shown = await showing(store);
    await running.close();
  });
  afterAll(() => guild.close());

  test('all of it goes there and comes back: plans, log, undo, pictures, what was thrown away; plan files byte for byte', async () => {
    const made = await guild.households.fromFolder(folder, 'The old house');
    expect(made.id).toBe('the-old-house');
    const store = new PlanStore(new GuildEngine(guild.guild.hub, { household: made.id }));
    expect(await showing(store)).toEqual(shown);
    // undo made before is undone there, and goes back undone
    expect((await store.redo(planIds[1]!)).ok).toBe(true);
    await store.undo(planIds[1]!);
    const back = newFolder();
    const carried = await guild.households.toFolder(made.id, back);
    expect(carried.photos).toMatchObject({ rows: 1 });
    const running = await serve({ dataFolder: back, port: 0 });
    try {
      const again = (await showing(running.folder.store)) as { revision: number }[];
      // the two steps are two revisions more
      again[1]!.revision -= 2;
      expect(again).toEqual(shown);
      expect(running.folder.photos.read(createHash('sha256').update(PIXEL).digest('hex'))).not.toBeNull();
      expect(
        (await running.folder.store.run(planIds[0]!, 'command-after', { type: 'setPlan', set: { name: 'Goes on' } }))
          .ok,
      ).toBe(true);
      expect(running.folder.safety().backups.map((b) => b.why)).toContain('restored');
    } finally {
      await running.close();
    }
    // the folder it came from is as it was, and the same plans are not there twice
    await expect(guild.households.fromFolder(folder, 'Once more')).rejects.toThrow(/on this server already/);
    expect((await guild.households.list()).map((h) => h.id)).not.toContain('once-more');
    await expect(guild.households.toFolder(made.id, back)).rejects.toThrow(/is not empty/);
    await expect(guild.households.toFolder('nowhere', newFolder())).rejects.toThrow(/no household nowhere/);
  });

  test('one household in a file, erased so that no row of it is left anywhere, and there again from the file; others stay', async () => {
    const neighbour = await newHousehold(guild.households, guild.url, 'The neighbour');
    const before = await guild.households.left(neighbour.id);
    const file = join(newFolder(), 'house.gz');
    const sum = await guild.households.export('the-old-house', file);
    expect(sum.plans).toMatchObject({ rows: 3 });
    await expect(guild.households.export('the-old-house', file)).rejects.toThrow(/is there already/);
    const left = await guild.households.erase('the-old-house');
    expect(Object.values(left).every((rows) => rows === 0)).toBe(true);
    expect(Object.keys(left)).toEqual(
      expect.arrayContaining([
        'plans',
        'command_log',
        'photos',
        'acts',
        'members',
        'sessions',
        'supplies',
        'households',
      ]),
    );
    expect(await guild.households.left(neighbour.id)).toEqual(before);
    const again = await guild.households.import(file, 'as-before');
    expect(difference(again.sum, sum, [])).toBeNull();
    const store = new PlanStore(new GuildEngine(guild.guild.hub, { household: 'as-before' }));
    expect((await showing(store)).map((p) => p.file)).toEqual((shown as { file: string }[]).map((p) => p.file));
  });

  test.each([16, 17, 18])(
    'a file of version %i of the tables is brought up to date on the way in, log and undo too',
    async (version) => {
      const kept = JSON.parse(
        gunzipSync(readFileSync(join(root, `server/src/store/kept/folder-${version}.json.gz`))).toString(),
      ) as { planId: string; revision: number; undo: string; redo: string; tables: Record<string, { id: string }[]> };
      const order = ['plans', ...TABLE_NAMES.map(snake), 'command_log'].filter((t) => kept.tables[t]);
      const head = { format: 'heronstone-household/1', version, name: `Of ${version}` };
      const acts = [
        {
          id: 'act-1',
          at: '2026-10-03T10:00:00+00:00',
          about: '',
          plan_name: '',
          words: 'began',
          by_whom: 'The operator',
        },
      ];
      const lines = [
        JSON.stringify(head),
        ...order.flatMap((t) => kept.tables[t]!.map((row) => `["${t}",${JSON.stringify(row)}]`)),
        ...acts.map((row) => `["acts",${JSON.stringify(row)}]`),
      ];
      const file = join(newFolder(), 'older.gz');
      writeFileSync(file, gzipSync(`${lines.join('\n')}\n`));
      const { id, sum } = await guild.households.import(file);
      expect(id).toBe(`of-${version}`);
      expect(sum.acts).toMatchObject({ rows: 1 });
      const store = new PlanStore(new GuildEngine(guild.guild.hub, { household: id }));
      const got = (await store.get(kept.planId))!;
      expect(got).toMatchObject({ revision: kept.revision, undo: kept.undo, redo: kept.redo });
      expect(planTrouble(got.plan)).toBeNull();
      expect(Object.keys(got.plan.supplies).sort()).toEqual(kept.tables.supplies!.map((r) => r.id).sort());
      expect((await store.undo(kept.planId)).ok).toBe(true);
      expect((await store.redo(kept.planId)).ok).toBe(true);
      expect((await store.get(kept.planId))!.plan).toEqual(got.plan);
      await guild.households.erase(id);
    },
  );

  test('a file that is damaged, cut off, of another version or none makes no household', async () => {
    const good = join(newFolder(), 'house.gz');
    await guild.households.export('as-before', good);
    const lines = gunzipSync(readFileSync(good)).toString().split('\n');
    const file = (name: string, text: string | Buffer) => {
      const path = join(newFolder(), name);
      writeFileSync(path, text);
      return path;
    };
    const wrong: [string, RegExp][] = [
      [file('none', 'not one'), /no file of a household|incorrect header/],
      [file('other', gzipSync('{"format":"something"}\n')), /no file of a household/],
      [file('later', gzipSync(lines.join('\n').replace(/"version":\d+/, '"version":999'))), /of version 999/],
      [
        file('before', gzipSync(lines.join('\n').replace(/"version":\d+/, '"version":3'))),
        /no file of a household then/,
      ],
      [
        file('damaged', gzipSync([...lines.slice(0, 3), '["plans",{', ...lines.slice(3)].join('\n'))),
        /damaged|invalid|JSON/i,
      ],
      [
        file('foreign', gzipSync([...lines.slice(0, 2), '["pg_authid",{"rolname":"x"}]'].join('\n'))),
        /no table pg_authid/,
      ],
      [file('cut', readFileSync(good).subarray(0, 400)), /unexpected end|damaged|no file/i],
      [join(newFolder(), 'missing'), /There is no file/],
    ];
    const before = await guild.households.list();
    for (const [path, why] of wrong) await expect(guild.households.import(path, 'wrong-one')).rejects.toThrow(why);
    expect(await guild.households.list()).toEqual(before);
  });

  test('every table a folder keeps plans in is carried', async () => {
    const db = await openDatabase(newFolder(), async () => undefined);
    try {
      const tables = await db.query(
        `SELECT DISTINCT table_name AS name FROM information_schema.columns WHERE table_schema = 'public' AND column_name = 'plan_id' ORDER BY 1`,
      );
      expect(tables.map((t) => t.name)).toEqual([...TABLE_NAMES.map(snake), 'command_log'].sort());
      const { pass, sum } = summing();
      for await (const one of pass(carriedFrom(db))) void one;
      expect(sum()).toEqual({});
      // two sums that differ in one row are told apart
      const a: Sum = { plans: { rows: 1, sum: 'x' } };
      expect(difference(a, { plans: { rows: 1, sum: 'y' } })).toMatch(/plans/);
      expect(difference(a, { ...a, supplies: { rows: 2, sum: 'z' } })).toMatch(/supplies: 0 rows/);
    } finally {
      await db.close();
    }
  });

  test('the engine’s own backup, put back into a database of another name, is the same guild; windows read anew', async () => {
    const dump = join(newFolder(), 'guild.dump');
    const run = (program: string, args: string[]) => {
      const done = spawnSync(guild.cluster.program(program), args, { encoding: 'utf8' });
      expect([program, done.status, done.stderr]).toEqual([program, 0, '']);
    };
    // docs/guild.md says the same
    run('pg_dump', ['-Fc', '-f', dump, guild.cluster.superUrl]);
    expect(existsSync(dump)).toBe(true);
    await guild.cluster.super('CREATE DATABASE put_back OWNER heronstone_owner', 'postgres');
    const other = guild.cluster.superUrl.replace(/heronstone$/, 'put_back');
    run('pg_restore', ['--exit-on-error', '-d', other, dump]);
    expect(await migrateGuild(guild.cluster.ownerUrl.replace(/heronstone$/, 'put_back'))).toBe(0);
    const { Households } = await import('./households.ts');
    const restored = Households.open(guild.cluster.ownerUrl.replace(/heronstone$/, 'put_back'));
    try {
      expect(await restored.list()).toEqual(await guild.households.list());
      await restored.restored();
      const closed = await guild.cluster.super(
        `SELECT count(*)::int AS n FROM pg_class WHERE relnamespace = 'public'::regnamespace AND relkind = 'r' AND relforcerowsecurity`,
        'put_back',
      );
      expect(closed.rows[0].n).toBeGreaterThan(50);
    } finally {
      await restored.close();
    }
    const { serveGuild } = await import('./serve-guild.ts');
    const server = await serveGuild({
      databaseUrl: guild.cluster.serversUrl.replace(/heronstone$/, 'put_back'),
      port: 0,
    });
    try {
      expect(server.hub.id).not.toBe(guild.guild.hub.id);
      const store = new PlanStore(new GuildEngine(server.hub, { household: 'as-before' }));
      expect((await showing(store)).map((p) => p.file)).toEqual((shown as { file: string }[]).map((p) => p.file));
      const plan = (await store.list())[0]!.id;
      expect((await store.run(plan, 'command-goes-on', { type: 'setPlan', set: { name: 'Goes on' } })).ok).toBe(true);
    } finally {
      await server.close();
    }
  });

  test('the operator’s commands say what they did, and what was wrong in one line', async () => {
    const guildly = (...args: string[]) => {
      const done = spawnSync(
        process.execPath,
        [join(root, 'scripts/program.mjs'), 'server/src/guild/main.ts', ...args],
        {
          encoding: 'utf8',
          env: { ...process.env, NODE_OPTIONS: '', DATABASE_OWNER_URL: guild.cluster.ownerUrl },
        },
      );
      return { code: done.status, out: done.stdout.trim(), err: done.stderr.trim() };
    };
    expect(guildly('migrate').out).toBe('The tables are up to date.');
    const made = guildly('household', 'add', 'The Straße House', '--origin', 'https://guild.example');
    expect(made.out).toMatch(
      /^the-stra-e-house is there\.\nInvitation \(one use, a week\): https:\/\/guild\.example\/come#[\w-]{43}$/,
    );
    expect(guildly('household', 'add', 'The Straße House')).toMatchObject({
      code: 1,
      err: expect.stringMatching(/already/),
    });
    expect(guildly('household', 'list').out).toMatch(/the-stra-e-house +The Straße House +0 plans, 0 people/);
    expect(guildly('household', 'erase', 'the-stra-e-house')).toMatchObject({
      code: 1,
      err: expect.stringMatching(/--yes/),
    });
    expect(guildly('household', 'erase', 'the-stra-e-house', '--yes').out).toMatch(/plans +0/);
    expect(guildly('household', 'limits', 'as-before', '--plans', 'many')).toMatchObject({
      code: 1,
      err: expect.stringMatching(/whole number/),
    });
    expect(guildly('household', 'invite', 'as-before', 'Ann', '--role', 'king')).toMatchObject({
      code: 1,
      err: expect.stringMatching(/keeper, helper or guest/),
    });
    expect(guildly('household', 'add', 'Σπίτι')).toMatchObject({
      code: 1,
      err: expect.stringMatching(/Say one: --id/),
    });
    for (const args of [['household'], ['household', 'fold'], ['nonsense'], ['--nonsense']])
      expect(guildly(...args)).toMatchObject({ code: 1, err: expect.stringMatching(/^(Say|Unknown option)/) });
  });
});
