import { type ChildProcess, spawn } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { fileURLToPath } from 'node:url';
import pg from 'pg';
import { exportPlan } from '@heronstone/core/formats';
import { blankSupply, type Command, type Plan } from '@heronstone/core/plan';
import { Random } from '@heronstone/core/slotting';
import { craftedPlan } from '../crafted.ts';
import { Cluster } from '../guild/cluster.ts';
import { Households } from '../guild/households.ts';
import { migrateGuild } from '../guild/migrate.ts';
import { type PlanEvent } from '../store/store.ts';
import { Window } from '../testing-window.ts';
import { end, memoryOf, startServer } from './programs.ts';

/** `npm run torture:guild [-- --write] [--only storm,…]`: a guild under kills, races and guesses, and how fast it is. */
const root = fileURLToPath(new URL('../../../', import.meta.url));
const base = mkdtempSync(join(tmpdir(), 'heronstone-guild-'));
const rows: [what: string, measured: string, wanted: string][] = [];
const note = (what: string, measured: string, wanted: string) => {
  rows.push([what, measured, wanted]);
  console.log(`${what}: ${measured} (wanted: ${wanted})`);
};
const wordAfter = (flag: string): string | undefined => {
  const at = process.argv.indexOf(flag);
  return at < 0 ? undefined : process.argv[at + 1];
};
/** Scales all counts down, to see whether a part works at all. */
const SCALE = Number(wordAfter('--scale') ?? 1);
const scaled = (n: number) => Math.max(2, Math.round(n * SCALE));

/** A server in a process of its own, begun again whenever it ends, on the same port. */
class Server {
  url = '';
  child: ChildProcess | null = null;
  private stopped = false;
  private constructor(
    private readonly databaseUrl: string,
    private port: number,
  ) {}

  static async start(databaseUrl: string): Promise<Server> {
    const server = new Server(databaseUrl, 0);
    await server.begin();
    return server;
  }

  private begin(): Promise<void> {
    const args = ['serve', '--port', String(this.port), '--trust-proxy', '1'];
    const child = spawn(process.execPath, [join(root, 'scripts/program.mjs'), 'server/src/main.ts', ...args], {
      cwd: root,
      env: { ...process.env, NODE_OPTIONS: '', LOG_LEVEL: 'silent', DATABASE_URL: this.databaseUrl },
      stdio: ['ignore', 'pipe', 'inherit'],
    });
    this.child = child;
    child.once('exit', () => {
      if (!this.stopped) setTimeout(() => void this.begin(), 50);
    });
    let said = '';
    return new Promise((resolve) =>
      child.stdout.on('data', (d: Buffer) => {
        said += d.toString();
        const [, port] = /households is at http:\/\/127\.0\.0\.1:(\d+)/.exec(said) ?? [];
        if (!port) return;
        this.port = Number(port);
        this.url = `http://127.0.0.1:${port}/api`;
        resolve();
      }),
    );
  }

  kill(): void {
    this.child?.kill('SIGKILL');
  }

  async stop(): Promise<void> {
    this.stopped = true;
    const { child } = this;
    if (!child || child.exitCode !== null || child.signalCode !== null) return;
    const gone = new Promise((resolve) => child.once('exit', resolve));
    child.kill('SIGTERM');
    await gone;
  }
}

type House = { id: string; cookie: string };
const post = (url: string, house: House, body: unknown, from?: string) =>
  fetch(url, {
    method: 'POST',
    headers: { cookie: house.cookie, 'content-type': 'application/json', ...(from && { 'x-forwarded-for': from }) },
    body: JSON.stringify(body),
    signal: AbortSignal.timeout(30_000),
  });
const stranger: House = { id: '', cookie: '' };
const PASSPHRASE = 'four words that go';

async function newHouse(households: Households, url: string, name: string): Promise<House> {
  const { id, secret } = await households.add(name);
  const answer = await post(`${url}/access/come`, stranger, { token: secret, name: 'Keeper', passphrase: PASSPHRASE });
  if (!answer.ok) throw new Error(await answer.text());
  await households.setLimits(id, { changes: 10_000_000, plans: 100_000 });
  return { id, cookie: answer.headers.get('set-cookie')!.split(';')[0]! };
}
const newPlan = async (url: string, house: House, plan: Plan = craftedPlan()) =>
  ((await (await post(`${url}/plans`, house, { file: exportPlan(plan) })).json()) as { id: string }).id;
const add = (id: string): Command => ({ type: 'addSupplies', supplies: [blankSupply(id, `Thing ${id}`)] });
const get = async (url: string, house: House, plan: string) => {
  const answer = await fetch(`${url}/plans/${plan}`, { headers: { cookie: house.cookie } });
  if (!answer.ok) throw new Error(String(answer.status));
  return (await answer.json()) as { plan: Plan; revision: number };
};

/** The same change again and again until it is answered, at whichever server, as the browser does. */
async function surely(
  servers: readonly Server[],
  turn: number,
  house: House,
  plan: string,
  name: string,
): Promise<number> {
  for (let tries = 0; ; tries++) {
    const { url } = servers[(turn + tries) % servers.length]!;
    const answer = await post(`${url}/plans/${plan}/commands`, house, {
      commandId: `command-${name}`,
      command: add(name),
    }).catch(() => null);
    if (answer?.ok) {
      await answer.arrayBuffer();
      return tries;
    }
    if (answer && answer.status < 500) throw new Error(`${answer.status} ${await answer.text()}`);
    await wait(100);
  }
}

async function withGuild(
  servers: number,
  work: (parts: { cluster: Cluster; households: Households; servers: Server[] }) => Promise<void>,
) {
  const folder = mkdtempSync(join(base, 'cluster-'));
  const { chmodSync } = await import('node:fs');
  chmodSync(base, 0o711);
  const cluster = await Cluster.open(folder, ['max_connections=200', 'shared_buffers=256MB']);
  await migrateGuild(cluster.ownerUrl);
  const households = Households.open(cluster.ownerUrl);
  const all = await Promise.all(Array.from({ length: servers }, () => Server.start(cluster.serversUrl)));
  try {
    await work({ cluster, households, servers: all });
  } finally {
    await Promise.all(all.map((s) => s.stop()));
    await households.close().catch(() => undefined);
    await cluster.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}

async function storm(): Promise<void> {
  const [changes, kills, databaseKills, plans] = [scaled(20_000), scaled(50), scaled(10), 20];
  await withGuild(2, async ({ cluster, households, servers }) => {
    const houses = [
      await newHouse(households, servers[0]!.url, 'One'),
      await newHouse(households, servers[1]!.url, 'Two'),
    ];
    const of = await Promise.all(
      Array.from({ length: plans }, async (_, n) => {
        const house = houses[n % 2]!;
        return { house, id: await newPlan(servers[n % 2]!.url, house) };
      }),
    );
    const windows = of.flatMap(({ house, id }) => [0, 1].map((turn) => new Window(servers, id, house.cookie, turn)));
    const acknowledged: { plan: number; name: string }[] = [];
    let again = 0;
    let given = 0;
    const writers = windows.map(async (_, w) => {
      const plan = w % plans;
      while (given < changes) {
        const n = given++;
        const name = `w${w}-${n}`;
        again += (await surely(servers, n, of[plan]!.house, of[plan]!.id, name)) > 0 ? 1 : 0;
        acknowledged.push({ plan, name });
      }
    });
    const began = performance.now();
    let [killed, cut] = [0, 0];
    const wrecking = (async () => {
      for (let n = 0; n < kills + databaseKills; n++) {
        // spread over the changes, so that there are always some on their way
        while (given < (changes * (n + 0.5)) / (kills + databaseKills)) await wait(20);
        if (n % 6 === 5 && cut < databaseKills) {
          cut++;
          await cluster.stop('SIGKILL');
          await wait(200);
          await cluster.start();
        } else {
          killed++;
          servers[n % 2]!.kill();
        }
      }
    })();
    await Promise.all(writers);
    await wrecking;
    const took = (performance.now() - began) / 1000;
    let [lost, twice, unlike] = [0, 0, 0];
    const { url } = servers[0]!;
    for (const [n, { house, id }] of of.entries()) {
      let now = await get(url, house, id).catch(() => null);
      while (!now) {
        await wait(200);
        now = await get(url, house, id).catch(() => null);
      }
      const mine = acknowledged.filter((a) => a.plan === n);
      lost += mine.filter((a) => !now.plan.supplies[a.name]).length;
      // each change is one revision: more of them were done twice
      twice += Math.max(0, now.revision - mine.length);
      for (const w of windows.filter((one) => one.planId === id)) {
        for (let tries = 0; w.revision !== now.revision && tries < 300; tries++) await wait(100);
        if (exportPlan(w.plan!) !== exportPlan(now.plan)) unlike++;
      }
    }
    for (const w of windows) w.close();
    note(
      `${windows.length} windows on ${plans} plans, 2 servers killed ${killed} times, the database killed ${cut} times (−9)`,
      `${acknowledged.length} changes acknowledged (${again} only when sent again) in ${Math.round(took)} s: ${lost} lost, ${twice} twice, ${unlike} windows unlike`,
      '20,000: 0 lost, 0 twice, all equal',
    );
  });
}

async function races(): Promise<void> {
  const times = scaled(10_000);
  await withGuild(2, async ({ households, servers }) => {
    const house = await newHouse(households, servers[0]!.url, 'Racers');
    const plan = await newPlan(servers[0]!.url, house);
    const revisions: number[] = [];
    const began = performance.now();
    for (let n = 0; n < times; n++) {
      const answers = await Promise.all(
        servers.map(({ url }, s) =>
          post(`${url}/plans/${plan}/commands`, house, {
            commandId: `command-${n}-${s}`,
            command: { type: 'setPlan', set: { ceiling: 2000 + ((n * 2 + s) % 4000) } },
          }),
        ),
      );
      for (const answer of answers) revisions.push(((await answer.json()) as PlanEvent).revision);
    }
    const sorted = [...revisions].sort((a, b) => a - b);
    const broken = sorted.filter((r, i) => r !== i + 1).length;
    note(
      `two servers race for one plan, ${times.toLocaleString('en')} times`,
      `${revisions.length} changes, ${broken} out of one order, ${Math.round((performance.now() - began) / 1000)} s`,
      'one order',
    );
  });
}

async function guesses(): Promise<void> {
  const [addresses, each] = [scaled(100), 100];
  await withGuild(2, async ({ households, servers }) => {
    const house = await newHouse(households, servers[0]!.url, 'Guessed at');
    let [looked, turned, letIn] = [0, 0, 0];
    const began = performance.now();
    await Promise.all(
      Array.from({ length: addresses }, async (_, a) => {
        for (let n = 0; n < each; n++) {
          const answer = await post(
            `${servers[(a + n) % 2]!.url}/access/enter`,
            stranger,
            { household: house.id, name: 'Keeper', passphrase: `wrong words ${a} ${n}` },
            `10.1.${a >> 8}.${a & 255}`,
          ).catch(() => null);
          await answer?.arrayBuffer();
          if (answer?.status === 403) looked++;
          else if (answer?.status === 429) turned++;
          else if (answer?.ok) letIn++;
        }
      }),
    );
    const took = performance.now() - began;
    const at = performance.now();
    const right = await post(
      `${servers[1]!.url}/access/enter`,
      stranger,
      { household: house.id, name: 'Keeper', passphrase: PASSPHRASE },
      '10.9.9.9',
    );
    note(
      `${(addresses * each).toLocaleString('en')} wrong passphrases from ${addresses} addresses over two servers, ${Math.round(took / 1000)} s`,
      `${looked} looked at, ${turned} turned away, ${letIn} let in; who knows it is let in (${right.status}) after ${((performance.now() - at) / 1000).toFixed(1)} s`,
      'ten an address, 0 let in',
    );
  });
}

/** Changes a second and how long one waits, 16 at a time on 20 plans, for ten seconds. */
async function pace(what: string, send: (w: number, n: number) => Promise<Response>): Promise<void> {
  const times: number[] = [];
  const until = performance.now() + 10_000 * Math.min(1, SCALE * 2);
  const began = performance.now();
  await Promise.all(
    Array.from({ length: 16 }, async (_, w) => {
      for (let n = 0; performance.now() < until; n++) {
        const at = performance.now();
        const answer = await send(w, n);
        await answer.arrayBuffer();
        if (!answer.ok) throw new Error(String(answer.status));
        times.push(performance.now() - at);
      }
    }),
  );
  times.sort((a, b) => a - b);
  const per = (p: number) => times[Math.floor(times.length * p)]!.toFixed(0);
  const seconds = (performance.now() - began) / 1000;
  note(
    `changes a second, ${what}, 16 at a time on 20 plans`,
    `${(times.length / seconds).toFixed(0)}; p50 ${per(0.5)} ms, p95 ${per(0.95)} ms`,
    'measured',
  );
}

async function speed(): Promise<void> {
  const body = (w: number, n: number, mark: string) => ({
    commandId: `command-${mark}-${w}-${n}`,
    command: add(`${mark}${w}-${n}`),
  });
  for (const count of [1, 2])
    await withGuild(count, async ({ households, servers }) => {
      const house = await newHouse(households, servers[0]!.url, 'Quick');
      const plans = await Promise.all(Array.from({ length: 20 }, () => newPlan(servers[0]!.url, house)));
      const send = (w: number, n: number) =>
        post(`${servers[w % count]!.url}/plans/${plans[(w + n) % 20]}/commands`, house, body(w, n, `s${count}`));
      await pace(`${count} ${count === 1 ? 'server' : 'servers'} on PostgreSQL`, send);
    });
  const { url, child } = await startServer(join(base, 'folder'));
  const plans = await Promise.all(Array.from({ length: 20 }, () => newPlan(url, stranger)));
  await pace('one folder (PGlite) beside it', (w, n) =>
    post(`${url}/plans/${plans[(w + n) % 20]}/commands`, stranger, body(w, n, 'f')),
  );
  await end(child, 'SIGTERM');
}

async function many(): Promise<void> {
  const [houses, supplies] = [scaled(1_000), 2_000];
  await withGuild(1, async ({ cluster, households, servers }) => {
    const { url, child } = servers[0]!;
    const rest = memoryOf(child!.pid!);
    const first = await newHouse(households, url, 'Household 0');
    const things = Array.from({ length: supplies }, (_, i) => blankSupply(`s${i}`, `Thing ${i}`));
    const plan = craftedPlan();
    const planId = await newPlan(url, first, {
      ...plan,
      supplies: { ...plan.supplies, ...Object.fromEntries(things.map((t) => [t.id, t])) },
    });
    // the others by the database itself, all rows of the first under other names
    const client = new pg.Client({ connectionString: cluster.superUrl });
    await client.connect();
    const { rows: tables } = await client.query<{ name: string }>(
      `SELECT table_name AS name FROM information_schema.columns WHERE table_schema = 'public' AND column_name = 'plan_id' AND table_name NOT IN ('links', 'plan_changes') ORDER BY 1`,
    );
    await client.query(`SET session_replication_role = replica`);
    await client.query(
      `INSERT INTO households (id, name, changes_a_minute) SELECT 'household-' || n, 'Household ' || n, 10000000 FROM generate_series(1, ${houses - 1}) n`,
    );
    for (const { name } of [{ name: 'plans' }, ...tables]) {
      const key = name === 'plans' ? 'id' : 'plan_id';
      await client.query(
        `INSERT INTO ${name} SELECT r.* FROM ${name} t, generate_series(1, ${houses - 1}) n,
           LATERAL jsonb_populate_record(NULL::${name}, to_jsonb(t) || jsonb_build_object('${key}', $1 || '-' || n, 'household_id', 'household-' || n)) r
         WHERE t.${key} = $1`,
        [planId],
      );
    }
    await client.query('SET session_replication_role = origin');
    await client.query('ANALYZE');
    const { rows: size } = await client.query<{ mb: number }>(
      `SELECT (pg_database_size(current_database()) / 1e6)::int AS mb`,
    );
    const random = new Random(7);
    const sessions: House[] = [];
    for (let n = 0; n < 60; n++) {
      const id = `household-${1 + Math.floor(random.next() * (houses - 1))}`;
      const secret = await households.invite(id, `Keeper ${n}`, 'keeper');
      const came = await post(`${url}/access/come`, stranger, {
        token: secret,
        name: `Keeper ${n}`,
        passphrase: PASSPHRASE,
      });
      sessions.push({ id, cookie: came.headers.get('set-cookie')!.split(';')[0]! });
    }
    const of = (house: House) => `${planId}-${house.id.slice('household-'.length)}`;
    const timed = async (what: string, ask: (house: House, n: number) => Promise<Response>) => {
      const times: number[] = [];
      for (const [n, house] of sessions.entries()) {
        const at = performance.now();
        const answer = await ask(house, n);
        await answer.arrayBuffer();
        if (!answer.ok) throw new Error(`${what} ${answer.status}`);
        times.push(performance.now() - at);
      }
      times.sort((a, b) => a - b);
      note(
        `${what}, one of ${houses.toLocaleString('en')} households × ${supplies.toLocaleString('en')} supplies (${size[0]!.mb} MB)`,
        `p50 ${times[30]!.toFixed(0)} ms, p95 ${times[57]!.toFixed(0)} ms`,
        'measured',
      );
    };
    const looking = (path: (house: House) => string) => (house: House) =>
      fetch(`${url}${path(house)}`, { headers: { cookie: house.cookie } });
    await timed(
      'the list of plans',
      looking(() => '/plans'),
    );
    await timed(
      'opening a plan for the first time',
      looking((h) => `/plans/${of(h)}`),
    );
    await timed(
      'opening it again',
      looking((h) => `/plans/${of(h)}`),
    );
    await timed('one change', (house, n) =>
      post(`${url}/plans/${of(house)}/commands`, house, {
        commandId: `command-many-${n}`,
        command: { type: 'setPlan', set: { ceiling: 2300 + n } },
      }),
    );
    await wait(2_000);
    const after = memoryOf(child!.pid!);
    note(
      'memory of a server: at rest, and after plans of 60 households',
      `${Math.round(rest / 1e6)} MB, ${Math.round(after / 1e6)} MB (${((after - rest) / 60e6).toFixed(1)} MB a household that was asked for, none for the others)`,
      'measured',
    );
    await client.end();
  });
}

const PARTS: Record<string, () => Promise<void>> = { storm, races, guesses, speed, many };
try {
  for (const name of wordAfter('--only')?.split(',') ?? Object.keys(PARTS)) await PARTS[name]?.();
} finally {
  rmSync(base, { recursive: true, force: true });
}
const table = `| what | measured | wanted |\n| --- | --- | --- |\n${rows.map((r) => `| ${r.join(' | ')} |`).join('\n')}\n`;
console.log(`\n${table}`);
if (process.argv.includes('--write')) {
  const file = join(root, 'docs/guild.md');
  const [words] = readFileSync(file, 'utf8').split(/\n## Measured\n/);
  const made = `Made by \`npm run torture:guild -- --write\` on two cores, PostgreSQL and all servers on the same machine. Node ${process.version}, ${new Date().toISOString().slice(0, 10)}.`;
  writeFileSync(file, `${words}\n## Measured\n\n${made}\n\n${table}`);
}
process.exit(0);
