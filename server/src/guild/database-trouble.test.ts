import { execFileSync } from 'node:child_process';
import { chmodSync, chownSync, readFileSync, renameSync, rmSync, statSync, symlinkSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import pg from 'pg';
import { exportPlan } from '@heronstone/core/formats';
import { block } from '@heronstone/core/testing';
import { craftedPlan } from '../crafted.ts';
import { newCluster, newHousehold } from '../testing-engines.ts';
import { program, throwAwayFolders } from '../testing.ts';
import { type Cluster } from './cluster.ts';
import { Households } from './households.ts';
import { migrateGuild } from './migrate.ts';
import { type RunningGuild, serveGuild } from './serve-guild.ts';
import { startTrouble } from './trouble.ts';

const newFolder = throwAwayFolders();

/** What a real PostgreSQL of few connections and with TLS does to those who come to it. */
describe('a database in trouble', () => {
  let cluster: Cluster;
  let end: () => Promise<void>;
  let households: Households;
  let server: RunningGuild;
  let cookie: string;
  let planId: string;
  const keys = newFolder();
  const [cert, other] = [join(keys, 'cert.pem'), join(keys, 'other.pem')];

  const post = async (path: string, body: unknown, at = server) => {
    const answer = await fetch(`http://127.0.0.1:${at.port}/api${path}`, {
      method: 'POST',
      headers: { cookie, 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });
    return { status: answer.status, json: (await answer.json()) as { id: string; detail: string } };
  };
  const add = (name: string, at = server) =>
    post(
      `/plans/${planId}/commands`,
      { commandId: `command-${name}`, command: { type: 'addSupplies', supplies: [block({ id: name, name })] } },
      at,
    );
  const names = async () => {
    const answer = await fetch(`http://127.0.0.1:${server.port}/api/plans/${planId}`, { headers: { cookie } });
    return Object.keys(((await answer.json()) as { plan: { supplies: object } }).plan.supplies);
  };
  /** Connections of the servers are broken off. */
  const allOfOursEnd = async () => {
    const end = `SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE application_name = 'heronstone'`;
    while ((await cluster.super(end)).rows.length > 0);
  };
  const withTls = (more: string) => `${cluster.serversUrl}?${more}`;
  /** What `npm start` says of a DATABASE_URL, before it ends. */
  const saidOf = async (url: string) => {
    const { code, err } = await program(['serve', '--port', '0'], { DATABASE_URL: url }).ended;
    expect(code).toBe(1);
    // one line, nothing of where in the program it was, and no passphrase
    expect(err).not.toMatch(/\n/);
    expect(err).not.toContain(new URL(cluster.serversUrl).password);
    return err;
  };

  function newCertificate(file: string): void {
    const key = `${file}.key`;
    const more = ['-subj', '/CN=127.0.0.1', '-addext', 'subjectAltName=IP:127.0.0.1', '-keyout', key, '-out', file];
    execFileSync('openssl', ['req', '-x509', '-newkey', 'rsa:2048', '-nodes', '-days', '2', ...more], {
      stdio: 'ignore',
    });
    chmodSync(key, 0o600);
  }

  beforeAll(async () => {
    for (const file of [cert, other]) newCertificate(file);
    const made = await newCluster(['fsync=off', 'max_connections=16', 'superuser_reserved_connections=3']);
    ({ cluster, end } = made);
    await migrateGuild(cluster.ownerUrl);
    households = Households.open(cluster.ownerUrl);
    server = await serveGuild({ databaseUrl: cluster.serversUrl, port: 0, connections: 2 });
    ({ cookie } = await newHousehold(households, `http://127.0.0.1:${server.port}`, 'The mill'));
    planId = (await post('/plans', { file: exportPlan(craftedPlan()) })).json.id;
  });
  afterAll(async () => {
    await server.close();
    await households.close();
    await end();
  });

  test('its disk is full: the change is refused in words, done in no part, and saved once when there is room', async () => {
    expect((await add('before')).status).toBe(200);
    const { rows } = await cluster.super(`SELECT pg_relation_filepath('plan_changes') AS path`);
    const file = join(cluster.dataFolder, rows[0].path as string);
    // what is written there meets a real disk without room: Linux’s /dev/full
    await cluster.stop();
    renameSync(file, `${file}.kept`);
    symlinkSync('/dev/full', file);
    await cluster.start();
    const refused = await add('refused');
    expect([refused.status, refused.json.detail]).toEqual([
      503,
      expect.stringMatching(/^The disk of the database is full\. What was saved before is kept/),
    ]);
    // what is there is read as before, and nothing of the refused change is in it
    expect(await names()).toContain('before');
    expect(await names()).not.toContain('refused');
    await cluster.stop();
    rmSync(file);
    renameSync(`${file}.kept`, file);
    await cluster.start();
    expect((await add('refused')).status).toBe(200);
    expect((await add('refused')).status).toBe(200);
    expect((await names()).filter((n) => n === 'refused')).toHaveLength(1);
  });

  test('all its connections are somebody else’s: in words, and it passes when one is free', async () => {
    const fresh = await serveGuild({ databaseUrl: cluster.serversUrl, port: 0, connections: 4 });
    // ours are ended, and every place is taken before they come back
    await allOfOursEnd();
    const others: pg.Client[] = [];
    for (let full = false; !full;) {
      const one = new pg.Client({ connectionString: cluster.serversUrl });
      one.on('error', () => undefined);
      full = await one.connect().then(
        () => others.push(one) < 0,
        (error: { code?: string }) => error.code === '53300',
      );
    }
    const refused = await add('crowded', fresh);
    expect([refused.status, refused.json.detail]).toEqual([
      503,
      expect.stringMatching(/^The database has too much to do right now\. What was saved before is kept/),
    ]);
    await Promise.all(others.map((one) => one.end()));
    // whoever has gone holds its place until the database has noticed
    const unnamed = `SELECT 1 FROM pg_stat_activity WHERE usename = 'heronstone_login' AND application_name = ''`;
    while ((await cluster.super(unnamed)).rows.length > 0);
    expect((await add('crowded', fresh)).status).toBe(200);
    expect(await names()).toContain('crowded');
    await fresh.close();
  });

  test('our own connections are all waiting for somebody: who comes then is told so, and it passes', async () => {
    const narrow = await serveGuild({
      databaseUrl: cluster.serversUrl,
      port: 0,
      connections: 1,
      forConnection: 1_500,
    });
    const holder = new pg.Client({ connectionString: cluster.superUrl });
    await holder.connect();
    await holder.query('BEGIN');
    await holder.query('SELECT 1 FROM plans WHERE id = $1 FOR UPDATE', [planId]);
    const waiting = add('waiting', narrow);
    let waits = 0;
    while (waits === 0)
      ({ n: waits } = (
        await holder.query(`SELECT count(*)::int AS n FROM pg_stat_activity WHERE wait_event_type = 'Lock'`)
      ).rows[0] as { n: number });
    const turned = await post('/plans', { file: exportPlan(craftedPlan()) }, narrow);
    expect([turned.status, turned.json.detail]).toEqual([503, expect.stringMatching(/too much to do right now/)]);
    await holder.query('COMMIT');
    await holder.end();
    expect((await waiting).status).toBe(200);
    expect((await post('/plans', { file: exportPlan(craftedPlan()) }, narrow)).status).toBe(201);
    await narrow.close();
  });

  test('what keeps a server from starting is said in one line: the address, the passphrase, the name, the file, no TLS there', async () => {
    const url = new URL(cluster.serversUrl);
    const at = url.host;
    // a file that is none of the address's is not put down to it
    const missing = Object.assign(new Error('no such file'), { code: 'ENOENT', path: '/nowhere/house.gz' });
    expect(startTrouble(missing, url.href)).toBeNull();
    const changed = (set: (u: URL) => void) => {
      const other = new URL(url);
      set(other);
      return other.href;
    };
    const said = await Promise.all(
      [
        'the guild on the hill',
        changed((u) => (u.port = '1')),
        changed((u) => (u.password = 'not-that')),
        changed((u) => (u.pathname = '/attic')),
        withTls('sslmode=verify-full&sslrootcert=/nowhere/ca.pem'),
        withTls('sslmode=verify-full'),
      ].map(saidOf),
    );
    expect(said).toEqual([
      expect.stringMatching(/^DATABASE_URL is the address of a database, as postgres:/),
      expect.stringMatching(/^The database at 127\.0\.0\.1:1 does not answer as it should: .*ECONNREFUSED/),
      expect.stringContaining(`The database at ${at} does not let heronstone_login in`),
      `At ${at} there is no database attic: look at DATABASE_URL.`,
      'DATABASE_URL names the file /nowhere/ca.pem: there is none.',
      `DATABASE_URL asks for TLS, and the database at ${at} has none: turn it on there (ssl = on).`,
    ]);
  });

  test('over TLS with its certificate named; one that nobody named is not believed, at the start and while it runs', async () => {
    const shown = join(cluster.dataFolder, 'shown.pem');
    const { uid, gid } = statSync(cluster.dataFolder);
    /** Has it show a certificate, and waits until whoever comes meets that one. */
    const shows = async (file: string) => {
      for (const end of ['', '.key']) {
        writeFileSync(`${shown}${end}`, readFileSync(`${file}${end}`), { mode: 0o600 });
        chownSync(`${shown}${end}`, uid, gid);
      }
      await cluster.super('SELECT pg_reload_conf()');
      for (let met = false; !met;) {
        const one = new pg.Client({ connectionString: withTls(`sslmode=verify-full&sslrootcert=${file}`) });
        one.on('error', () => undefined);
        met = await one.connect().then(
          () => one.end().then(() => true),
          () => false,
        );
      }
    };
    for (const set of [`ssl_cert_file = '${shown}'`, `ssl_key_file = '${shown}.key'`, 'ssl = on'])
      await cluster.super(`ALTER SYSTEM SET ${set}`);
    await shows(cert);
    const tls = await serveGuild({
      databaseUrl: withTls(`sslmode=verify-full&sslrootcert=${cert}`),
      port: 0,
      connections: 2,
    });
    expect((await add('by-tls', tls)).status).toBe(200);
    const { rows } = await cluster.super(
      `SELECT DISTINCT ssl.version FROM pg_stat_ssl ssl JOIN pg_stat_activity USING (pid)
       WHERE ssl.ssl AND application_name LIKE 'heronstone%'`,
    );
    expect(rows.map((r: { version: string }) => r.version)).toEqual([expect.stringMatching(/^TLSv1\.[23]$/)]);
    for (const more of ['sslmode=verify-full', `sslmode=verify-full&sslrootcert=${other}`])
      expect(await saidOf(withTls(more))).toMatch(
        /^The certificate of the database at \S+ is not believed .*sslrootcert/,
      );
    // another certificate while it runs: connections made from now on meet it
    await shows(other);
    await allOfOursEnd();
    const refused = await add('unbelieved', tls);
    expect([refused.status, refused.json.detail]).toEqual([
      503,
      expect.stringMatching(/^The database’s certificate is not believed\. What was saved before is kept/),
    ]);
    await shows(cert);
    expect((await add('unbelieved', tls)).status).toBe(200);
    await tls.close();
  });
});
