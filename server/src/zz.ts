import { mkdtempSync } from 'node:fs';
import { Cluster } from './guild/cluster.ts';
import { migrateGuild } from './guild/migrate.ts';
import { Households } from './guild/households.ts';
import { serveGuild } from './guild/serve-guild.ts';
const t0 = performance.now();
const f = mkdtempSync('/dev/shm/guild-');
const c = await Cluster.open(f, ['fsync=off']);
console.log('open', performance.now() - t0);
try {
  console.log('migrated', await migrateGuild(c.ownerUrl), performance.now() - t0);
  const h = Households.open(c.ownerUrl);
  const made = await h.add('The pump house');
  console.log(made, await h.list());
  const s = await serveGuild({ databaseUrl: c.serversUrl, port: 0, opsPort: 0 });
  const base = `http://127.0.0.1:${s.port}`;
  let cookie = '';
  const ask = async (path: string, body?: unknown) => {
    const r = await fetch(base + path, {
      method: body === undefined ? 'GET' : 'POST',
      headers: { cookie, ...(body !== undefined && { 'content-type': 'application/json' }) },
      body: body === undefined ? undefined : JSON.stringify(body),
    });
    const set = r.headers.get('set-cookie');
    if (set) cookie = set.split(';')[0]!;
    const t = await r.text();
    return [r.status, t.slice(0, 600)] as const;
  };
  console.log(await ask('/api/plans'));
  console.log(await ask('/api/access/invitation', { token: made.secret }));
  console.log(await ask('/api/access/come', { token: made.secret, name: 'Ada', passphrase: 'four words that go' }));
  console.log(await ask('/api/access'));
  const [, t] = await ask('/api/plans', { head: { name: 'A room' } });
  console.log(t);
  const id = JSON.parse(t).id;
  const t1 = performance.now();
  for (let i = 0; i < 50; i++)
    await ask(`/api/plans/${id}/commands`, {
      commandId: 'command-' + (1000 + i),
      command: { type: 'setPlan', set: { name: 'Room ' + i } },
    });
  console.log('50 commands', performance.now() - t1);
  console.log(await ask(`/api/plans/${id}/undo`, {}));
  console.log(await ask('/api/household'));
  console.log(await (await fetch(`http://127.0.0.1:${s.opsPort}/ready`)).text());
  const back = await h.toFolder('the-pump-house', f + '-folder');
  console.log(back);
  console.log(await h.erase('the-pump-house'));
  console.log(await ask('/api/plans'));
  const from = await h.fromFolder(f + '-folder', 'Again');
  console.log(from.id, await h.list());
  await h.close();
  await s.close();
} catch (e) {
  console.error(e);
}
await c.stop();
process.exit(0);
