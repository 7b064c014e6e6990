import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { exportPlan } from '@heronstone/core/formats';
import { tinyRoom, unit, withUnits } from '@heronstone/core/testing';
import { craftedCommands } from '../crafted.ts';
import { post } from '../testing.ts';
import { comeIn, type GuildBackend, newHousehold, onGuild } from '../testing-engines.ts';
import { type Sum, sumOf } from './carry.ts';
import { Pool } from './pool.ts';
import { migrateGuild, SERVERS } from './migrate.ts';

/** Tables that hold nobody's rows, as every-time.sql names them; and what is put out for all. */
const NOBODYS = ['challenges', 'guild_state', 'journal_state', 'schema_migrations', 'tries'];
/** A word that stands in everything the first household has, and nowhere else. */
const MARK = 'Quillmark';
/** Where routers stand under /api; one that is missing here fails the test. */
const PREFIXES = ['access', 'plans', 'photos', 'household', 'devices'];

type Question = { sql: string; params: unknown[] };
type Layer = {
  route?: { path: string; methods: Record<string, boolean> };
  handle: { stack?: Layer[] };
  matchers: ((path: string) => unknown)[];
};

describe('another household’s rows', () => {
  let guild: GuildBackend;
  const questions = new Map<string, Question>();
  let recording = true;
  let first: { id: string; cookie: string };
  let other: { id: string; cookie: string };
  /** one that has begun from nothing that was put out */
  let third: { id: string };
  let helper: string;
  /** ids of the first household, by what a route calls them */
  let ids: Record<string, string[]>;
  const ask = (path: string, cookie: string, body?: unknown) =>
    fetch(`${guild.url}${path}`, {
      method: body === undefined ? 'GET' : 'POST',
      headers: { cookie, ...(body !== undefined && { 'content-type': 'application/json' }) },
      ...(body !== undefined && { body: JSON.stringify(body) }),
    });
  const done = async (path: string, body: unknown) => {
    const answer = await ask(path, first.cookie, body);
    if (!answer.ok) throw new Error(`${path}: ${answer.status} ${await answer.text()}`);
    return (await answer.json()) as Record<string, string>;
  };
  const tokenOf = (link: string) => link.slice(link.indexOf('#') + 1);

  beforeAll(async () => {
    guild = await onGuild({
      onQuestion: (sql, params) => {
        if (recording && !questions.has(sql)) questions.set(sql, { sql, params });
      },
    });
    first = await newHousehold(guild.households, guild.url, `${MARK} house`);
    other = await newHousehold(guild.households, guild.url, 'The other house');
    third = await newHousehold(guild.households, guild.url, 'The third house');
    // the first household does everything there is to do once
    const plan = withUnits(tinyRoom(), unit('lowChest', { x: 900, y: 5700, name: `${MARK} chest` }));
    const named = { ...plan, head: { ...plan.head, name: `${MARK} room` } };
    const { id } = await done('/api/plans', { file: exportPlan(named) });
    for (const [i, command] of craftedCommands().slice(0, 6).entries())
      await ask(`/api/plans/${id}/commands`, first.cookie, { commandId: `command-${MARK}-${i}`, command });
    const supply = { type: 'setUnit', id: 'lowChest', set: { name: `${MARK} low chest` } };
    await done(`/api/plans/${id}/commands`, { commandId: `command-${MARK}-x`, command: supply });
    await done(`/api/plans/${id}/undo`, {});
    const fork = await done(`/api/plans/${id}/fork`, { name: `${MARK} other way` });
    await done(`/api/plans/${fork.id}/take-over`, { from: id }).catch(() => undefined);
    await done(`/api/plans/${fork.id}/away`, {});
    const photo = await done('/api/photos', { jpeg: PIXEL });
    await done('/api/photos/delete-unused', {});
    for (const path of ['', `/${id}`, `/${id}/file?photos=1`]) await ask(`/api/plans${path}`, first.cookie);
    await ask('/api/photos', first.cookie);
    const invitation = tokenOf(
      (await done('/api/household/invitations', { forWhom: `${MARK} Bea`, role: 'helper', member: null })).link!,
    );
    helper = await comeIn(guild.url, invitation, `${MARK} Bea`);
    await done('/api/household/invitations', { forWhom: `${MARK} Cal`, role: 'guest', member: null });
    const link = tokenOf((await done('/api/household/links', { planId: id, forWhom: `${MARK} Dee`, days: 3 })).link!);
    await post(`${guild.url}/api/access/look`, { token: link });
    const gift = tokenOf((await done('/api/household/gifts', { planId: id })).link!);
    await done('/api/household/gift', { token: gift });
    await done('/api/household/templates', { planId: id, words: `${MARK} words` });
    await done('/api/household/name', { name: `${MARK} house, again` });
    await done('/api/household/mine/passphrase', { passphrase: 'other words that go' });
    const told = (await (await ask('/api/household', first.cookie)).json()) as Record<
      string,
      { id?: string; digest?: string }[]
    >;
    const templates = (await (await ask('/api/household/templates', first.cookie)).json()) as { id: string }[];
    ids = {
      id: [id!, fork.id!],
      hash: [photo.hash!],
      member: told.members!.map((m) => m.id!),
      digest: ['sessions', 'invitations', 'links', 'gifts'].flatMap((of) => told[of]!.map((s) => s.digest!)),
      template: templates.map((t) => t.id),
    };
    await ask('/api/household', helper);
    recording = false;
  });
  afterAll(() => guild.close());

  /** Everything the first household has, people and links too, as the owner sees it. */
  const all = async (): Promise<Sum & Record<string, unknown>> => {
    const pool = new Pool({ url: guild.cluster.ownerUrl, role: SERVERS, connections: 1 });
    const owner = new Pool({ url: guild.cluster.ownerUrl, role: null, connections: 1 });
    try {
      const rows = await pool.transaction({ household: first.id }, sumOf, true);
      const beside: Record<string, unknown> = {};
      for (const table of ['households', 'members', 'invitations', 'links', 'gifts', 'templates', 'passkeys'])
        beside[table] = await owner
          .as({ household: null })
          .query(
            `SELECT to_jsonb(t)::text AS row FROM ${table} t WHERE ${table === 'households' ? 'id' : 'household_id'} = $1 ORDER BY 1`,
            [first.id],
          );
      beside.sessions = await owner
        .as({ household: null })
        .query('SELECT digest FROM sessions WHERE household_id = $1 ORDER BY 1', [first.id]);
      return { ...rows, ...beside } as never;
    } finally {
      await pool.close();
      await owner.close();
    }
  };

  test('every table is closed: to its household by force, or named as nobody’s; the servers’ role owns nothing and bypasses nothing', async () => {
    const { rows } = await guild.cluster.super(
      `SELECT relname AS name, relrowsecurity AND relforcerowsecurity AS closed, pg_get_userbyid(relowner) AS owner FROM pg_class
       WHERE relnamespace = 'public'::regnamespace AND relkind IN ('r', 'p') ORDER BY 1`,
    );
    expect(rows.filter((r) => !r.closed).map((r) => r.name)).toEqual(NOBODYS);
    expect(rows.filter((r) => r.owner !== 'heronstone_owner')).toEqual([]);
    const role = await guild.cluster.super(
      `SELECT rolname, rolsuper, rolbypassrls, rolcreaterole, rolcreatedb FROM pg_roles WHERE rolname IN ('${SERVERS}', 'heronstone_login')`,
    );
    for (const { rolsuper, rolbypassrls, rolcreaterole, rolcreatedb } of role.rows)
      expect([rolsuper, rolbypassrls, rolcreaterole, rolcreatedb]).toEqual([false, false, false, false]);
  });

  test('a table that a later migration adds is closed without being mentioned; rows it makes are their plan’s household’s', async () => {
    await guild.cluster.super(
      `SET ROLE heronstone_owner;
       CREATE TABLE gauges (plan_id text NOT NULL REFERENCES plans (id) ON DELETE CASCADE, id text NOT NULL, PRIMARY KEY (plan_id, id));
       DELETE FROM schema_migrations WHERE name LIKE 'guild/%'`,
    );
    // as if guild/0001 were new: what it would make is there, so only what is run every time is run
    await guild.cluster.super(`INSERT INTO schema_migrations (name) VALUES ('guild/0001-households.sql')`);
    const { readFileSync } = await import('node:fs');
    const everyTime = readFileSync(new URL('../sql/guild/every-time.sql', import.meta.url), 'utf8');
    await guild.cluster.super(`SET ROLE heronstone_owner; ${everyTime}`);
    await guild.cluster.super(`SET ROLE heronstone_owner; INSERT INTO gauges (plan_id, id) SELECT id, 'g' FROM plans`);
    const pool = new Pool({ url: guild.cluster.serversUrl, role: SERVERS, connections: 1 });
    try {
      const count = async (household: string | null) =>
        (await pool.as({ household }).query('SELECT count(*)::int AS n FROM gauges'))[0]!.n;
      expect([await count(first.id), await count(other.id), await count(null)]).toEqual([2, 0, 0]);
      const plan = ids.id![0]!;
      await expect(
        pool.as({ household: other.id }).query(`INSERT INTO gauges (plan_id, id) VALUES ($1, 'mine')`, [plan]),
      ).rejects.toThrow(/foreign key|row-level/);
    } finally {
      await pool.close();
      await guild.cluster.super('DROP TABLE gauges');
    }
    expect(await migrateGuild(guild.cluster.ownerUrl)).toBe(0);
  });

  test('every route, asked with its ids by a keeper of another household and by nobody, shows and changes nothing of it', async () => {
    const before = await all();
    const stack = (guild.guild.app as unknown as { router: { stack: Layer[] } }).router.stack;
    const routers = stack.filter((layer) => layer.handle.stack !== undefined);
    let asked = 0;
    for (const layer of routers) {
      const prefix = PREFIXES.find((p) => layer.matchers.some((match) => match(`/api/${p}`)));
      expect(prefix).toBeDefined();
      for (const { route } of layer.handle.stack!.filter((l) => l.route)) {
        const paths = withIds(route!.path, ids);
        for (const path of paths)
          for (const cookie of [other.cookie, ''])
            for (const body of route!.methods.post ? bodies(ids) : [undefined]) {
              // one's own leaving is one's own affair
              if (prefix === 'access' || path.endsWith('/mine/leave') || path.endsWith('/mine/passphrase')) continue;
              if (path.endsWith('/stream') && cookie === '') continue;
              const answer = await ask(`/api/${prefix}${path}`, cookie, body);
              asked++;
              if (cookie === '') expect([path, answer.status]).toEqual([path, 401]);
              // what was put out for all is theirs to begin from
              else if (!path.includes('/template')) {
                const text = answer.headers.get('content-type')?.includes('event-stream')
                  ? 'a stream'
                  : await answer.text();
                expect([path, text.includes(MARK) || text === 'a stream']).toEqual([path, false]);
              } else await answer.text();
            }
      }
    }
    expect(asked).toBeGreaterThan(150);
    expect(await all()).toEqual(before);
  });

  test('every question the servers ask, asked as another household and as none, sees and changes nothing of it', async () => {
    const before = await all();
    const pool = new Pool({ url: guild.cluster.serversUrl, role: SERVERS, connections: 2 });
    let asked = 0;
    const touching = [...NOBODYS, 'set_config', 'pg_notify', 'pg_advisory', 'INTO templates', 'FROM templates'];
    try {
      for (const { sql, params } of questions.values()) {
        if (touching.some((word) => sql.includes(word))) continue;
        for (const household of [third.id, null]) {
          let rows: Record<string, unknown>[] = [];
          const undone = new Error('taken back');
          await pool
            .transaction({ household }, async (tx) => {
              rows = await tx.query(sql, params);
              // what would be added would be their own; what is changed or taken away stays so, to be looked for
              if (sql.includes('INSERT')) throw undone;
            })
            .catch((error: Error & { code?: string }) => {
              // refused outright is as good as nothing seen
              if (error !== undone && !/^(42501|23\d\d\d|22\d\d\d|55\d\d\d)$/.test(error.code ?? '')) throw error;
            });
          asked++;
          expect([sql, JSON.stringify(rows).includes(MARK)]).toEqual([sql, false]);
          const known = new Set(Object.values(ids).flat());
          const seen = rows.flatMap((row) => Object.values(row)).filter((v) => known.has(String(v)));
          expect([sql, household, seen]).toEqual([sql, household, []]);
          // a question about this household's plan, its rows, its people finds none
          if (
            /^\s*SELECT/.test(sql) &&
            params.some((p) => known.has(String(p))) &&
            !/count\(|EXISTS|\(SELECT/.test(sql)
          )
            expect([sql, rows]).toEqual([sql, []]);
        }
      }
    } finally {
      await pool.close();
    }
    expect(asked).toBeGreaterThan(100);
    expect(await all()).toEqual(before);
  });

  test('who asks to listen to another household’s plan hears nothing, and makes nobody deaf who may', async () => {
    const plan = ids.id![0]!;
    const stop = new AbortController();
    const listen = (cookie: string) =>
      fetch(`${guild.url}/api/plans/${plan}/stream`, { headers: { cookie }, signal: stop.signal });
    // the stranger first, and both at once
    const [foreign, mine] = await Promise.all([listen(other.cookie), listen(first.cookie)]);
    expect([foreign.status, mine.status]).toEqual([404, 200]);
    await ask(`/api/plans/${plan}/commands`, first.cookie, {
      commandId: `command-heard-${MARK}`,
      command: { type: 'setPlan', set: { ceiling: 2555 } },
    });
    let text = '';
    for await (const chunk of mine.body!) {
      text += new TextDecoder().decode(chunk as Uint8Array);
      if (text.includes('event: change')) break;
    }
    expect(text).toContain('2555');
    stop.abort();
  });
});

const PIXEL =
  '/9j/2wBDAAMCAgICAgMCAgIDAwMDBAYEBAQEBAgGBgUGCQgKCgkICQkKDA8MCgsOCwkJDRENDg8QEBEQCgwSExIQEw8QEBD/yQALCAABAAEBAREA/8wABgAQEAX/2gAIAQEAAD8A0s8g/9k=';

/** The addresses a route has, with ids of the first household where it names one. */
function withIds(path: string, ids: Record<string, string[]>): string[] {
  const name = /:(\w+)/.exec(path)?.[1];
  if (name === undefined) return [path];
  return ids[name]!.flatMap((id) => withIds(path.replace(`:${name}`, id), ids));
}

/** Something to send that some route takes. */
const bodies = (ids: Record<string, string[]>): unknown[] => [
  {},
  { commandId: 'command-of-other', command: { type: 'setPlan', set: { name: 'Taken' } } },
  { from: ids.id![0] },
  { name: 'Taken' },
  { planId: ids.id![0] },
  { planId: ids.id![0], words: 'Taken' },
  { planId: ids.id![0], forWhom: 'Taken', days: 3 },
  { role: 'guest' },
  { role: 'keeper', forWhom: 'Taken', member: ids.member![0] },
];
