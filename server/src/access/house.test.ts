import { createServer, request } from 'node:http';
import { type AddressInfo, connect, type Socket } from 'node:net';
import { request as secureRequest } from 'node:https';
import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { networkInterfaces } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { newId } from '@heronstone/core/plan';
import { program, throwAwayFolders } from '../testing.ts';
import { capped, type Running, serve } from '../serve.ts';
import { hashed, isPassphrase, keepIn, keptIn, ownAddresses } from './index.ts';

const newFolder = throwAwayFolders();
const PASSPHRASE = 'heron stone reed clay';
/** A second address of this machine: one in a network where it has one, else another one of its loopback. */
const SECOND =
  Object.values(networkInterfaces())
    .flat()
    .find((net) => net && !net.internal && net.family === 'IPv4')?.address ?? '127.0.0.2';

type Answer = { status: number; headers: Record<string, string | string[] | undefined>; body: string };
type Asked = { headers?: Record<string, string>; body?: unknown; host?: string; localAddress?: string };

function ask(
  port: number,
  path: string,
  { headers = {}, body, host = SECOND, localAddress }: Asked = {},
): Promise<Answer> {
  return new Promise((resolve, reject) => {
    const text = body === undefined ? undefined : JSON.stringify(body);
    const req = request(
      {
        host,
        port,
        path,
        ...(localAddress && { localAddress }),
        method: text === undefined ? 'GET' : 'POST',
        // a connection of its own: one that was kept may be closed by the server just as it is used again
        agent: false,
        headers: { ...(text === undefined ? {} : { 'content-type': 'application/json' }), ...headers },
      },
      (res) => {
        let said = '';
        res.on('data', (d: Buffer) => (said += d.toString()));
        res.on('end', () => resolve({ status: res.statusCode!, headers: res.headers, body: said }));
      },
    );
    req.once('error', reject);
    req.end(text);
  });
}

describe('the passphrase', () => {
  test('is recognised and not kept; another one is not it; a short one is refused', async () => {
    const kept = await hashed(PASSPHRASE);
    expect(JSON.stringify(kept)).not.toMatch(/heron|reed/);
    expect(await isPassphrase(PASSPHRASE, kept)).toBe(true);
    expect(await isPassphrase(`${PASSPHRASE}s`, kept)).toBe(false);
    // the same one hashes to something else every time
    expect((await hashed(PASSPHRASE)).hash).not.toBe(kept.hash);
    await expect(hashed('short')).rejects.toThrow(/at least 10/);
    const folder = newFolder();
    expect(keptIn(folder)).toBeNull();
    keepIn(folder, kept);
    expect(keptIn(folder)).toEqual(kept);
  });
});

describe('the house', () => {
  let running: Running;
  let planId: string;
  let port: number;
  const enter = (passphrase: string, headers = {}) => ask(port, '/api/access/enter', { body: { passphrase }, headers });

  beforeAll(async () => {
    running = await serve({
      dataFolder: newFolder(),
      port: 0,
      house: { passphrase: await hashed(PASSPHRASE), port: 0, hosts: () => [...ownAddresses(), SECOND] },
    });
    port = running.housePort!;
    planId = await running.store.add({ head: { name: 'Nobody else’s business' } });
  });
  afterAll(() => running.close());

  test('no plan data before the passphrase is said: not by any route, not by any method', async () => {
    for (const path of [
      '/api/plans',
      `/api/plans/${planId}`,
      `/api/plans/${planId}/file`,
      `/api/plans/${planId}/stream`,
      '/api/backups',
      '/api/nothing',
    ])
      expect([path, (await ask(port, path)).status]).toEqual([path, 401]);
    for (const path of [
      '/api/plans',
      `/api/plans/${planId}/commands`,
      `/api/plans/${planId}/undo`,
      '/api/backups',
      '/api/devices/laser/readings',
      '/api/access/nothing',
    ])
      expect([path, (await ask(port, path, { body: {} })).status]).toEqual([path, 401]);
    // what is open tells of no plan and of no address
    const open = await ask(port, '/api/access');
    expect(JSON.parse(open.body)).toEqual({ fromHouse: true, known: false, addresses: [], secure: false });
    expect((await ask(port, '/')).body).not.toContain('business');
  });

  test('who says it gets a cookie that scripts and other sites never see, and the plans with it; who leaves is forgotten', async () => {
    const let_in = await enter(PASSPHRASE);
    expect(let_in.status).toBe(200);
    const [cookie] = let_in.headers['set-cookie'] as string[];
    expect(cookie).toMatch(/^heronstone-\d+=[\w-]{43};/);
    expect(cookie).toMatch(/; HttpOnly/);
    expect(cookie).toMatch(/; SameSite=Strict/);
    expect(cookie).toMatch(/; Path=\//);
    expect(cookie).not.toMatch(/Secure|Domain/);
    const headers = { cookie: cookie!.split(';')[0]! };
    const plans = await ask(port, '/api/plans', { headers });
    expect(JSON.parse(plans.body)).toHaveLength(1);
    expect(JSON.parse((await ask(port, '/api/access', { headers })).body)).toMatchObject({ known: true });
    const command = { commandId: newId('command'), command: { type: 'setPlan', set: { name: 'Ours' } } };
    expect((await ask(port, `/api/plans/${planId}/commands`, { headers, body: command })).status).toBe(200);
    // another program of this machine has set a cookie of the same name, and browsers send that first
    const [name] = headers.cookie.split('=');
    expect((await ask(port, '/api/plans', { headers: { cookie: `${name}=theirs; ${headers.cookie}` } })).status).toBe(
      200,
    );
    for (const wrong of [`${name}=`, `${name}=guess`, `x${headers.cookie}`, headers.cookie.replace(`-${port}`, '')])
      expect((await ask(port, '/api/plans', { headers: { cookie: wrong } })).status).toBe(401);
    expect((await ask(port, '/api/access/leave', { headers, body: {} })).status).toBe(200);
    expect((await ask(port, '/api/plans', { headers })).status).toBe(401);
  });

  test('a foreign Host or Origin is refused, also of who is known', async () => {
    const [cookie] = (await enter(PASSPHRASE)).headers['set-cookie'] as string[];
    const headers = { cookie: cookie!.split(';')[0]! };
    for (const host of ['evil.example', `evil.example:${port}`, `127.0.0.1:${port}`, SECOND])
      expect([host, (await ask(port, '/api/plans', { headers: { ...headers, host } })).status]).toEqual([host, 403]);
    for (const origin of ['http://evil.example', `https://${SECOND}:${port}`, 'null', `http://${SECOND}:1`])
      expect([origin, (await ask(port, '/api/plans', { headers: { ...headers, origin } })).status]).toEqual([
        origin,
        403,
      ]);
    const own = { ...headers, origin: `http://${SECOND}:${port}`, 'sec-fetch-site': 'same-origin' };
    expect((await ask(port, '/api/plans', { headers: own })).status).toBe(200);
    const across = { ...headers, 'sec-fetch-site': 'cross-site' };
    expect((await ask(port, `/api/plans/${planId}/undo`, { headers: across, body: {} })).status).toBe(403);
  });

  test('the machine’s own page needs none and is not to be had from the house', async () => {
    expect((await ask(running.port, '/api/plans', { host: '127.0.0.1' })).status).toBe(200);
    if (SECOND.startsWith('127.')) return;
    await expect(ask(running.port, '/api/plans')).rejects.toThrow(/ECONNREFUSED/);
  });

  test('nobody unknown can make windows go: leaving wants a session, and only its own windows go', async () => {
    const come = async () => ((await enter(PASSPHRASE)).headers['set-cookie'] as string[])[0]!.split(';')[0]!;
    const [mine, other] = [await come(), await come()];
    const listen = async (from: number, cookie?: string) => {
      const stop = new AbortController();
      const stream = await fetch(`http://${from === port ? SECOND : '127.0.0.1'}:${from}/api/plans/${planId}/stream`, {
        signal: stop.signal,
        ...(cookie && { headers: { cookie } }),
      });
      const reader = stream.body!.getReader();
      await reader.read();
      let ended = false;
      const end = reader
        .read()
        .then(
          () => undefined,
          () => undefined,
        )
        .then(() => (ended = true));
      return { stop, end, ended: () => ended };
    };
    const windows = [await listen(port, mine), await listen(port, other), await listen(running.port)];
    expect((await ask(port, '/api/access/leave', { body: {} })).status).toBe(401);
    expect((await ask(port, '/api/access/leave', { body: {}, headers: { cookie: mine } })).status).toBe(200);
    await windows[0]!.end;
    expect(windows.map((w) => w.ended())).toEqual([true, false, false]);
    for (const { stop } of windows) stop.abort();
  });

  test('wrong ones are slowed, and after ten of them nobody from there is heard for a while, but who was let in before is', async () => {
    const before = Date.now();
    const letter = ((await enter(PASSPHRASE)).headers['set-cookie'] as string[])[1]!.split(';')[0]!;
    const wrong = await enter('not this one at all');
    expect(wrong.status).toBe(403);
    expect(Date.now() - before).toBeGreaterThanOrEqual(1000);
    const more = await Promise.all(Array.from({ length: 12 }, () => enter('nor this one here')));
    expect(more.filter((m) => m.status === 429).length).toBeGreaterThanOrEqual(3);
    // also with the right one
    expect((await enter(PASSPHRASE)).status).toBe(429);
    expect((await enter(PASSPHRASE, { cookie: letter })).status).toBe(200);
    // a letter that nobody wrote helps nobody
    expect((await enter(PASSPHRASE, { cookie: letter.replace(/\.\w/, '.x') })).status).toBe(429);
    expect((await ask(port, '/api/access/enter', { body: { passphrase: 'x'.repeat(5000) } })).status).toBe(413);
  });

  test('sixty wrong ones from six addresses keep nobody out who knows the right one', async () => {
    // addresses of this machine’s loopback, all of which a house may ask from
    const own = await serve({
      dataFolder: newFolder(),
      port: 0,
      house: { passphrase: await hashed(PASSPHRASE), port: 0, hosts: () => ['127.0.0.2'] },
    });
    const from = (localAddress: string, passphrase: string) =>
      ask(own.housePort!, '/api/access/enter', { body: { passphrase }, host: '127.0.0.2', localAddress });
    const guesses = await Promise.all(
      Array.from({ length: 60 }, (_, i) => from(`127.0.1.${1 + (i % 6)}`, `wrong one number ${i}`)),
    );
    expect(guesses.every((g) => g.status === 403)).toBe(true);
    const began = Date.now();
    expect((await from('127.0.1.7', PASSPHRASE)).status).toBe(200);
    // it was made to wait, as every stranger is then
    expect(Date.now() - began).toBeGreaterThanOrEqual(5000);
    await own.close();
  });

  test('whoever opens connections and says nothing keeps neither the house nor the machine’s own page out', async () => {
    // what is asked of it with words it answers late
    const server = createServer((req, res) => {
      req.resume();
      setTimeout(() => res.end('here'), req.method === 'POST' ? 4000 : 0);
    });
    capped(server, { fromOne: 5, fromAll: 8, silent: 1500 });
    await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
    const { port: at } = server.address() as AddressInfo;
    const open = (localAddress: string) =>
      new Promise<Socket>((done) => {
        const socket = connect({ port: at, host: '127.0.0.1', localAddress }, () => done(socket));
        socket.on('error', () => undefined);
      });
    const closed = (socket: Socket) =>
      new Promise<void>((done) => (socket.closed ? done() : socket.once('close', () => done()).resume()));
    const mine = await Promise.all(Array.from({ length: 9 }, () => open('127.0.0.3')));
    const count = () => new Promise<number>((done) => server.getConnections((_e, n) => done(n)));
    // beyond five they are closed at once
    await Promise.race(mine.map(closed));
    expect(await count()).toBeLessThanOrEqual(5);
    expect((await ask(at, '/', { host: '127.0.0.1' })).body).toBe('here');
    // and those that say nothing after a while
    await Promise.all(mine.map(closed));
    // who has said everything and waits for the answer is none of them
    expect((await ask(at, '/', { host: '127.0.0.1', body: { passphrase: 'x' } })).body).toBe('here');
    server.closeAllConnections();
    await new Promise((done) => server.close(done));
  });
});

describe('as a program', () => {
  test('with a certificate of one’s own the house is asked over TLS, and the cookie goes over nothing else', async () => {
    const folder = newFolder();
    const [key, cert] = [join(folder, 'key.pem'), join(folder, 'cert.pem')];
    execFileSync(
      'openssl',
      [
        ...['req', '-x509', '-newkey', 'rsa:2048', '-nodes', '-days', '1', '-subj', '/CN=heronstone.test'],
        ...['-keyout', key, '-out', cert],
      ],
      { stdio: 'ignore' },
    );
    const running = await serve({
      dataFolder: newFolder(),
      port: 0,
      house: {
        passphrase: await hashed(PASSPHRASE),
        port: 0,
        tls: { cert: readFileSync(cert), key: readFileSync(key) },
        hosts: () => [SECOND],
      },
    });
    try {
      expect(running.addresses).toEqual([`https://${SECOND}:${running.housePort}/`]);
      const cookie = await new Promise<string>((resolve, reject) => {
        const body = JSON.stringify({ passphrase: PASSPHRASE });
        const req = secureRequest(
          {
            host: SECOND,
            port: running.housePort!,
            path: '/api/access/enter',
            method: 'POST',
            ca: readFileSync(cert),
            checkServerIdentity: () => undefined,
            headers: { 'content-type': 'application/json' },
          },
          (res) => {
            res.resume();
            resolve(String(res.headers['set-cookie']));
          },
        );
        req.once('error', reject);
        req.end(body);
      });
      expect(cookie).toMatch(/; Secure/);
    } finally {
      await running.close();
    }
  });

  test('--lan asks for a passphrase once, keeps it with the data, and says plainly what plain HTTP hides', async () => {
    const data = newFolder();
    const args = ['serve', '--data', data, '--port', '0', '--lan', '--lan-port', '0'];
    const none = await program(args, { HERONSTONE_PASSPHRASE: undefined }).ended;
    expect([none.code, none.err]).toEqual([1, expect.stringMatching(/needs a passphrase.*HERONSTONE_PASSPHRASE/)]);
    const first = program(args, { HERONSTONE_PASSPHRASE: PASSPHRASE });
    await first.says(/In the house|no address in any network/);
    // one that does not get the folder changes nothing of its passphrase
    const kept = readFileSync(join(data, 'passphrase.json'), 'utf8');
    const second = await program([...args, '--new-passphrase'], { HERONSTONE_PASSPHRASE: 'another one altogether' })
      .ended;
    expect([second.code, second.err]).toEqual([1, expect.stringMatching(/is in use by process/)]);
    expect(readFileSync(join(data, 'passphrase.json'), 'utf8')).toBe(kept);
    first.child.kill();
    await first.ended;
    const again = program(args, { HERONSTONE_PASSPHRASE: undefined });
    expect(await again.url).toMatch(/^http:\/\/127/);
    again.child.kill();
    await again.ended;
  });
});
