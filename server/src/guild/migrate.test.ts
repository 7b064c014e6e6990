import { readdirSync, readFileSync } from 'node:fs';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { newCluster } from '../testing-engines.ts';
import { migrationFiles } from '../store/database.ts';
import { type Cluster } from './cluster.ts';
import { migrateGuild, SERVERS, tablesTrouble } from './migrate.ts';
import { NOBODY, Pool } from './pool.ts';
import { serveGuild } from './serve-guild.ts';

/** The last migration from before there were several servers to go on beside one. */
const BEFORE_GUILDS = '0016';

describe('migrations of a guild', () => {
  let cluster: Cluster;
  let end: () => Promise<void>;
  let pool: Pool;
  const opened: Pool[] = [];
  const as = (url: string, role: string | null) => {
    opened.push(new Pool({ url, role, connections: 1 }));
    return opened.at(-1)!;
  };

  beforeAll(async () => {
    ({ cluster, end } = await newCluster());
    pool = as(cluster.serversUrl, SERVERS);
  });
  afterAll(async () => {
    for (const one of opened) await one.close();
    await end();
  });

  test('before there are tables a server says what to do, and serves nothing', async () => {
    expect(await tablesTrouble(pool.as(NOBODY))).toMatch(/guild -- migrate/);
    await expect(serveGuild({ databaseUrl: cluster.serversUrl, port: 0 })).rejects.toThrow(/guild -- migrate/);
    // the servers' login may not make them either
    await expect(migrateGuild(cluster.serversUrl)).rejects.toMatchObject({ code: '42501' });
  });

  test('two migrations at once make the tables once; again there is nothing to do', async () => {
    const run = await Promise.all([migrateGuild(cluster.ownerUrl), migrateGuild(cluster.ownerUrl)]);
    expect(run.sort((a, b) => a - b)).toEqual([0, migrationFiles().length + 1]);
    expect(await migrateGuild(cluster.ownerUrl)).toBe(0);
    expect(await tablesTrouble(pool.as(NOBODY))).toBeNull();
  });

  test('a server goes on beside later tables that only add, and refuses those that take away; it never changes either', async () => {
    const later = (phase: string) =>
      cluster.super(
        `DELETE FROM schema_migrations WHERE name LIKE '99%'; INSERT INTO schema_migrations (name, phase) VALUES ('9901-later.sql', '${phase}')`,
      );
    await later('expand');
    expect(await tablesTrouble(pool.as(NOBODY))).toBeNull();
    const beside = await serveGuild({ databaseUrl: cluster.serversUrl, port: 0 });
    await beside.close();
    await expect(migrateGuild(cluster.ownerUrl)).rejects.toThrow(/newer Heronstone/);
    await later('contract');
    expect(await tablesTrouble(pool.as(NOBODY))).toMatch(/newer Heronstone/);
    await expect(serveGuild({ databaseUrl: cluster.serversUrl, port: 0 })).rejects.toThrow(/newer Heronstone/);
    await cluster.super(`DELETE FROM schema_migrations WHERE name LIKE '99%'`);
    // and older ones are said to be that
    await cluster.super(`DELETE FROM schema_migrations WHERE name LIKE 'guild/%'`);
    expect(await tablesTrouble(pool.as(NOBODY))).toMatch(/older than this program/);
    await cluster.super(`INSERT INTO schema_migrations (name) VALUES ('guild/0001-households.sql')`);
  });

  test('every migration since there are guilds says whether it expands or contracts', () => {
    const guild = new URL('../sql/guild/', import.meta.url);
    const own = readdirSync(guild)
      .filter((name) => /^\d/.test(name))
      .map((name) => ({ name, sql: readFileSync(new URL(name, guild), 'utf8') }));
    const said = [...migrationFiles().filter((m) => m.name.slice(0, 4) > BEFORE_GUILDS), ...own];
    for (const { name, sql } of said) expect([name, /^-- (expand|contract)\b/.test(sql)]).toEqual([name, true]);
    expect(said.length).toBeGreaterThan(0);
  });

  test('one variable is enough: the owner’s own URL is served as the role that owns nothing', async () => {
    const { Households } = await import('./households.ts');
    const households = Households.open(cluster.ownerUrl);
    await households.add('The mill');
    await households.close();
    const server = await serveGuild({ databaseUrl: cluster.ownerUrl, port: 0 });
    try {
      const [who] = await server.hub.pool
        .as(NOBODY)
        .query('SELECT current_user AS who, count(*)::int AS seen FROM households GROUP BY 1');
      expect(who).toBeUndefined();
      const [role] = await server.hub.pool.as(NOBODY).query('SELECT current_user AS who');
      expect(role).toEqual({ who: SERVERS });
      const [own] = await server.hub.pool
        .as({ household: 'the-mill' })
        .query('SELECT count(*)::int AS n FROM households');
      expect(own).toEqual({ n: 1 });
      // nor does it get out of that role
      await expect(server.hub.pool.as(NOBODY).exec('RESET ROLE; DELETE FROM households')).rejects.toThrow(
        /permission denied/,
      );
    } finally {
      await server.close();
    }
  });

  test('a role that may make roles needs no superuser; one that would see everything is refused', async () => {
    const { cluster: fresh, end: endFresh } = await newCluster();
    try {
      await fresh.super(`DROP OWNED BY ${SERVERS}`);
      await fresh.super(`DROP ROLE ${SERVERS}`);
      await expect(migrateGuild(fresh.ownerUrl)).rejects.toThrow(/Let a superuser say: CREATE ROLE/);
      await fresh.super('ALTER ROLE heronstone_owner CREATEROLE');
      expect(await migrateGuild(fresh.ownerUrl)).toBeGreaterThan(10);
      const server = await serveGuild({ databaseUrl: fresh.ownerUrl, port: 0 });
      await server.close();
      await fresh.super(`ALTER ROLE ${SERVERS} BYPASSRLS`);
      await expect(migrateGuild(fresh.ownerUrl)).rejects.toThrow(/neither superuser nor BYPASSRLS/);
    } finally {
      await endFresh();
    }
  });
});
