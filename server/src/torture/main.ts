import { execFileSync } from 'node:child_process';
import { once } from 'node:events';
import {
  cpSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  renameSync,
  rmSync,
  statfsSync,
  writeFileSync,
} from 'node:fs';
import { connect } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { exportPlan } from '@heronstone/core/formats';
import { blankSupply, type Command, type Plan } from '@heronstone/core/plan';
import { Random } from '@heronstone/core/slotting';
import { mutated } from '@heronstone/core/testing';
import { craftedCommands, craftedPlan } from '../crafted.ts';
import { listBackups } from '../store/backup.ts';
import { DataFolder } from '../store/data-folder.ts';
import { afterReboot, mixed } from './mixed.ts';
import { end, json, memoryOf, post, start, startServer } from './programs.ts';

/** `npm run torture [-- --write]`: what the tests prove once, many times over and against the clock. Ends by itself within half an hour. */
const DEADLINE = Date.now() + 1_750_000;
const base = mkdtempSync(join(tmpdir(), 'heronstone-torture-'));
const rows: [what: string, measured: string, wanted: string][] = [];
const timeLeft = (needed = 0) => Date.now() + needed < DEADLINE;

const note = (what: string, measured: string, wanted: string) => {
  rows.push([what, measured, wanted]);
  console.log(`${what}: ${measured} (wanted: ${wanted})`);
};
const add = (id: string, noteText = ''): Command => ({
  type: 'addSupplies',
  supplies: [{ ...blankSupply(id, `Thing ${id}`), note: noteText }],
});
const send = (url: string, plan: string, name: string, command: Command) =>
  post(`${url}/plans/${plan}/commands`, { commandId: `command-${name}`, command });
const newPlan = async (url: string) =>
  (await json<{ id: string }>(post(`${url}/plans`, { head: { name: 'Hard' } }))).id;
const planOf = async (url: string, id: string) => (await json<{ plan: Plan }>(fetch(`${url}/plans/${id}`))).plan;

async function kills(times: number): Promise<void> {
  const folder = join(base, 'kills');
  const acknowledged: string[] = [];
  let done = 0;
  let plan = '';
  for (; done < times && timeLeft(25_000); done++) {
    const { url, child } = await startServer(folder);
    plan ||= await newPlan(url);
    let alive = true;
    const writers = [0, 1, 2, 3].map(async (w) => {
      for (let i = 0; alive; i++) {
        const name = `${done}-${w}-${i}`;
        const answer = await send(url, plan, name, add(`s${name}`)).catch(() => null);
        if (!answer) return;
        if (answer.ok) acknowledged.push(`s${name}`);
      }
    });
    await new Promise((r) => setTimeout(r, 100 + Math.random() * 500));
    await end(child, 'SIGKILL');
    alive = false;
    await Promise.all(writers);
  }
  const { url, child } = await startServer(folder);
  const { supplies } = await planOf(url, plan);
  const lost = acknowledged.filter((id) => !(id in supplies)).length;
  let undone = 0;
  while (undone < 50 && (await post(`${url}/plans/${plan}/undo`, {})).ok) undone++;
  await end(child, 'SIGTERM');
  note(`kill −9 in the middle of writes, ${done} times`, `${acknowledged.length} acknowledged, ${lost} lost`, '0 lost');
  note('undone one after the other afterwards', String(undone), '50');
}

/** @param apart in process spaces of their own, where neither sees the other’s process */
async function owners(times: number, apart: boolean): Promise<void> {
  const two = [start('./claim.ts'), start('./claim.ts', [], apart)];
  const answers = two.map((child) => {
    const lines: string[] = [];
    child.stdout!.on('data', (d: Buffer) => lines.push(...d.toString().trim().split('\n')));
    return async () => {
      while (lines.length === 0) await once(child.stdout!, 'data');
      return lines.shift()!;
    };
  });
  let both = 0;
  let none = 0;
  let done = 0;
  for (; done < times && timeLeft(); done++) {
    // every second folder was left by a process that is dead
    const folder = join(base, `owner-${apart ? 'apart-' : ''}${done}`);
    mkdirSync(folder);
    if (done % 2) writeFileSync(join(folder, 'owner.5.json'), JSON.stringify({ pid: 2 ** 22 - 7, started: '1' }));
    const at = Date.now() + 20;
    for (const child of two) child.stdin!.write(`${at} ${folder}\n`);
    const got = await Promise.all(answers.map((next) => next()));
    const owned = got.filter((word) => word === 'owned').length;
    if (owned === 2) both++;
    if (owned === 0) none++;
    for (const child of two) child.stdin!.write('\n');
    await Promise.all(answers.map((next) => next()));
  }
  for (const child of two) await end(child, 'SIGKILL');
  note(
    `two processes${apart ? ' of two pid namespaces' : ''} reach for a folder in one millisecond, ${done} times`,
    `${both} both, ${none} neither`,
    '0 both, 0 neither',
  );
}

async function smallDisk(): Promise<void> {
  const disk = join(base, 'disk');
  mkdirSync(disk);
  try {
    execFileSync('mount', ['-t', 'tmpfs', '-o', 'size=200m', 'tmpfs', disk], { stdio: 'ignore' });
  } catch {
    return note('a disk that fills up', 'not tried: no right to mount one', '–');
  }
  try {
    const folder = join(disk, 'data');
    let { url, child } = await startServer(folder);
    const plan = await newPlan(url);
    const free = () => {
      const { bavail, bsize } = statfsSync(disk);
      return bavail * bsize;
    };
    writeFileSync(join(disk, 'filler'), Buffer.alloc(free() - 28_000_000));
    const acknowledged: string[] = [];
    let words = '';
    for (let i = 0; i < 2000 && !words; i++) {
      const answer = await send(url, plan, `fill-${i}`, add(`f${i}`, 'x'.repeat(2000)));
      if (answer.ok) acknowledged.push(`f${i}`);
      else words = `${((await answer.json()) as { detail: string }).detail}`;
    }
    // and then truly nothing left
    writeFileSync(join(disk, 'more'), Buffer.alloc(Math.max(0, free() - 4096)));
    const refused = (await send(url, plan, 'full-one', add('full'))).status;
    await end(child, 'SIGKILL');
    rmSync(join(disk, 'more'));
    rmSync(join(disk, 'filler'));
    ({ url, child } = await startServer(folder));
    const { supplies } = await planOf(url, plan);
    const lost = acknowledged.filter((id) => !(id in supplies)).length;
    const goesOn = (await send(url, plan, 'full-one', add('full'))).status;
    await end(child, 'SIGTERM');
    note(
      'a disk that fills up',
      `${acknowledged.length} acknowledged, ${lost} lost; then ${refused}: ${words}`,
      '0 lost, 503',
    );
    note('the same change when there is room again', String(goesOn), '200');
  } finally {
    execFileSync('umount', ['-l', disk]);
  }
}

async function cutBack(times: number): Promise<void> {
  const folder = join(base, 'cut');
  const acknowledged: string[] = [];
  let plan = '';
  let lost = 0;
  let done = 0;
  for (; done < times && timeLeft(60_000); done++) {
    const { url, child } = await startServer(folder);
    plan ||= await newPlan(url);
    const { supplies } = await planOf(url, plan);
    lost += acknowledged.filter((id) => !(id in supplies)).length;
    await Promise.all(
      Array.from({ length: 40 }, async (_, i) => {
        const id = `c${done}-${i}`;
        if ((await send(url, plan, id, add(id))).ok) acknowledged.push(id);
      }),
    );
    await end(child, done % 2 ? 'SIGKILL' : 'SIGTERM');
    if (done === 0) cpSync(join(folder, 'database'), join(base, 'older'), { recursive: true });
    rmSync(join(folder, 'database'), { recursive: true });
    cpSync(join(base, 'older'), join(folder, 'database'), { recursive: true });
  }
  note(
    `the first copy of the database under the journal of today, ${done} times`,
    `${acknowledged.length} acknowledged, ${lost} missing`,
    '0 missing',
  );
}

async function crafted(times: number): Promise<void> {
  const { url, child } = await startServer(join(base, 'crafted'));
  let id = '';
  const random = new Random(3);
  const next = () => random.next();
  const commands = craftedCommands();
  const whole = JSON.parse(exportPlan(craftedPlan())) as object;
  const statuses: Record<string, number> = {};
  let done = 0;
  for (; done < times && timeLeft(60_000); done++) {
    // a fresh plan now and then: what was added once is refused the second time
    if (done % 100 === 0) ({ id } = await json<{ id: string }>(post(`${url}/plans`, { file: JSON.stringify(whole) })));
    const file = done % 25 === 24;
    const answer = file
      ? post(`${url}/plans`, {
          file: JSON.stringify(mutated(whole, [whole], next)),
        })
      : post(`${url}/plans/${id}/commands`, {
          commandId: `command-${done}`,
          command: mutated(commands[done % commands.length], commands, next),
        });
    const hundreds = `${Math.floor((await answer).status / 100)}xx`;
    statuses[hundreds] = (statuses[hundreds] ?? 0) + 1;
    if (done % 40 === 0) await post(`${url}/plans/${id}/undo`, {});
  }
  await end(child, 'SIGTERM');
  const words = Object.entries(statuses).map(([s, n]) => `${n} × ${s}`);
  note(`${done} mutated commands and plan files`, words.join(', '), '0 × 5xx');
}

/** Folders as power cuts may leave them: files and pages of two times mixed, after an orderly end or in the middle of writing, under the journal of today. */
async function powerCuts(times: number, running: boolean): Promise<void> {
  const folder = join(base, `power-${running}`);
  const [older, newer] = [join(base, `older-${running}`), join(base, `newer-${running}`)];
  const database = join(folder, 'database');
  const random = new Random(running ? 7 : 5);
  const acknowledged: string[] = [];
  let plan = '';
  let lost = 0;
  let mended = 0;
  let silent = 0;
  let stayedBroken = 0;
  let slowest = 0;
  let done = 0;
  for (; done < times && timeLeft(60_000); done++) {
    let { url, child } = await startServer(folder);
    plan ||= await newPlan(url);
    const write = async (from: number, to: number) => {
      for (let i = from; i < to; i++) {
        const id = `p${running ? 'r' : 's'}${done}-${i}`;
        if ((await send(url, plan, id, add(id, 'x'.repeat(300)))).ok) acknowledged.push(id);
      }
    };
    await write(0, 15);
    if (!running) await end(child, 'SIGTERM');
    rmSync(older, { recursive: true, force: true });
    cpSync(database, older, { recursive: true });
    if (!running) ({ url, child } = await startServer(folder));
    await write(15, 40);
    if (done % 5 === 0) await post(`${url}/backups`, {});
    await end(child, running ? 'SIGKILL' : 'SIGTERM');
    rmSync(newer, { recursive: true, force: true });
    cpSync(database, newer, { recursive: true });
    mixed(older, newer, database, () => random.next());
    afterReboot(folder);
    const from = performance.now();
    ({ url, child } = await startServer(folder));
    slowest = Math.max(slowest, performance.now() - from);
    const safety = await json<{ broken: string | null; notices: unknown[] }>(fetch(`${url}/backups`));
    if (safety.broken !== null) {
      await post(`${url}/backups/restore`, { mend: true });
      if ((await json<{ broken: string | null }>(fetch(`${url}/backups`))).broken !== null) stayedBroken++;
    }
    const { supplies } = await planOf(url, plan);
    const missing = acknowledged.filter((id) => !(id in supplies)).length;
    lost += missing;
    if (safety.broken !== null || safety.notices.length > 0) mended++;
    else if (missing > 0) silent++;
    await end(child, 'SIGTERM');
    rmSync(join(folder, 'kept'), { recursive: true, force: true });
  }
  note(
    `power cuts ${running ? 'in the middle of writing' : 'after an orderly end'}: old and new files and pages mixed, ${done} folders`,
    `${acknowledged.length} acknowledged, ${lost} lost; ${mended} made anew, ${silent} wrong without a word, ${stayedBroken} left broken; the slowest start ${(slowest / 1000).toFixed(1)} s`,
    '0 lost, 0 silent, 0 broken',
  );
}

async function lineages(times: number): Promise<void> {
  const folder = join(base, 'lineages');
  const expected = new Set<string>();
  let plan = '';
  let lost = 0;
  let stayedBroken = 0;
  let done = 0;
  for (; done < times && timeLeft(60_000); done++) {
    let { url, child } = await startServer(folder);
    plan ||= await newPlan(url);
    const write = async (what: string) => {
      for (let i = 0; i < 10; i++) {
        const id = `l${done}-${what}-${i}`;
        if ((await send(url, plan, id, add(id))).ok && what !== 'taken-back') expected.add(id);
      }
    };
    await write('before');
    const made = await json<{ file: string }>(post(`${url}/backups`, {}));
    await write('taken-back');
    await post(`${url}/backups/restore`, { file: made.file.split('/').at(-1) });
    await write('after');
    await end(child, done % 2 ? 'SIGKILL' : 'SIGTERM');
    rmSync(join(folder, 'database', done % 3 ? 'base' : 'global'), { recursive: true });
    ({ url, child } = await startServer(folder));
    const safety = await json<{ broken: string | null }>(fetch(`${url}/backups`));
    if (safety.broken !== null) stayedBroken++;
    else {
      const { supplies } = await planOf(url, plan);
      lost += [...expected].filter((id) => !(id in supplies)).length;
    }
    await end(child, 'SIGTERM');
    rmSync(join(folder, 'kept'), { recursive: true, force: true });
  }
  note(
    `restored, changed on, the database destroyed, ${done} times`,
    `${expected.size} acknowledged, ${lost} lost, ${stayedBroken} left broken`,
    '0 lost, 0 broken',
  );
}

/** The clock stands three years ahead for one run: a backup is made and a plan thrown away then; after that it is right again. */
async function clocks(): Promise<void> {
  const path = join(base, 'clocks');
  const real = Date.now;
  const open = () => DataFolder.open(path);
  let folder = await open();
  const id = await folder.store.add({ head: { name: 'Stays' } });
  const gone = await folder.store.add({ head: { name: 'Thrown away' } });
  await folder.backUpIfDue();
  await folder.store.throwAway(gone, true);
  const command = (name: string) => folder.store.run(id, `command-${name}`, { type: 'setPlan', set: { name } });
  await command('One');
  await folder.close();
  Date.now = () => real() + 3 * 365 * 86_400_000;
  folder = await open();
  const [earlier] = listBackups(path).map((b) => b.file);
  await folder.backUpIfDue();
  // a file is named by the clock of the machine, which this process does not turn
  for (const { file } of listBackups(path))
    if (file !== earlier)
      renameSync(join(path, 'backups', file), join(path, 'backups', file.replace(/-20\d\d-/, '-2099-')));
  await command('Two');
  const ahead = (await folder.store.list()).length;
  await folder.close();
  Date.now = real;
  folder = await open();
  await command('Three');
  const made = await folder.backUpIfDue();
  const after = (await folder.store.list()).length;
  const said = folder.safety().notices.length;
  note(
    'a clock three years ahead for one run',
    `${2 - Math.min(ahead, after)} plans removed, ${made ? 'a' : 'no'} backup when it is right again, ${said} times said`,
    '0 removed, a backup, said',
  );
  await folder.close();
}

/** A disk that pictures fill: what is left for changes, backups and the next start is left alone. */
async function picturesFill(): Promise<void> {
  const disk = join(base, 'pictures');
  mkdirSync(disk);
  try {
    execFileSync('mount', ['-t', 'tmpfs', '-o', 'size=260m', 'tmpfs', disk], { stdio: 'ignore' });
  } catch {
    return note('a disk filled by pictures', 'not tried: no right to mount one', '–');
  }
  try {
    const folder = join(disk, 'data');
    let { url, child } = await startServer(folder);
    const plan = await newPlan(url);
    let kept = 0;
    let words = '';
    for (let i = 0; i < 2000 && !words && timeLeft(30_000); i++) {
      const answer = await post(`${url}/photos`, { jpeg: picture(i).toString('base64') });
      if (answer.ok) kept++;
      else words = `${answer.status} ${((await answer.json()) as { detail: string }).detail}`;
    }
    const change = (await send(url, plan, 'still-there', add('still'))).status;
    const backup = (await post(`${url}/backups`, {})).status;
    await end(child, 'SIGKILL');
    ({ url, child } = await startServer(folder));
    const { supplies } = await planOf(url, plan);
    await end(child, 'SIGTERM');
    note(
      'a disk filled by pictures',
      `${kept} kept, then ${words}; a change ${change}, a backup ${backup}; after a kill it starts, ${'still' in supplies ? 'nothing' : 'a change'} lost`,
      '503; 200; 201 or 503, never 500; starts',
    );
  } finally {
    execFileSync('umount', ['-l', disk]);
  }
}

/** A JPEG of 600 kB, another one for every number: one grey point, its coded data long. */
function picture(n: number): Buffer {
  const whole = Buffer.from(
    '/9j/2wBDAAMCAgICAgMCAgIDAwMDBAYEBAQEBAgGBgUGCQgKCgkICQkKDA8MCgsOCwkJDRENDg8QEBEQCgwSExIQEw8QEBD/yQALCAABAAEBAREA/8wABgAQEAX/2gAIAQEAAD8A0s8g/9k=',
    'base64',
  );
  const coded = Buffer.alloc(600_000, 1 + (n % 200));
  coded.writeUInt32BE(0x01010101 + n, 0);
  return Buffer.concat([whole.subarray(0, -2), coded.map((b) => (b === 0xff ? 0xfe : b)), whole.subarray(-2)]);
}

async function neighbours(): Promise<void> {
  const { url, child } = await startServer(join(base, 'neighbours'));
  const [big, small] = [await newPlan(url), await newPlan(url)];
  const supplies = Array.from({ length: 10_000 }, (_, i) => blankSupply(`b${i}`, `Thing ${i}`));
  await send(url, big, 'big-list', { type: 'addSupplies', supplies });
  let worst = 0;
  let working = true;
  const small100 = (async () => {
    for (let i = 0; working; i++) {
      const from = performance.now();
      await send(url, small, `small-${i}`, add(`n${i}`));
      worst = Math.max(worst, performance.now() - from);
    }
  })();
  const from = performance.now();
  const commands = Array.from({ length: 800 }, (_, i) => ({ type: 'removeSupply' as const, id: `b${i}` }));
  await send(url, big, 'remove-many', { type: 'several', words: 'take out 800', commands });
  const took = performance.now() - from;
  working = false;
  await small100;
  note(
    '800 removals of 10,000 in one command; the longest another plan waited meanwhile',
    `${(took / 1000).toFixed(2)} s; ${(worst / 1000).toFixed(2)} s`,
    'was 8 s',
  );
  const before = memoryOf(child.pid!);
  const port = Number(/:(\d+)/.exec(url.slice(7))![1]);
  const sockets = Array.from({ length: 50 }, () => {
    const socket = connect(port, '127.0.0.1');
    socket.write(`GET /api/plans/${big}/stream HTTP/1.1\r\nHost: 127.0.0.1:${port}\r\n\r\n`);
    socket.pause();
    socket.on('error', () => undefined);
    return socket;
  });
  await new Promise((r) => setTimeout(r, 500));
  for (let round = 0; round < 6 && timeLeft(20_000); round++) {
    const set = Array.from({ length: 2000 }, (_, i) => ({
      type: 'setSupply' as const,
      id: `b${5000 + i}`,
      set: { note: `${round} ${'x'.repeat(200)}` },
    }));
    await send(url, big, `notes-${round}`, { type: 'several', words: 'notes', commands: set });
  }
  note(
    '50 streams nobody reads, 6 large changes',
    `+${Math.round((memoryOf(child.pid!) - before) / 1e6)} MB`,
    'was 2.3 GB',
  );
  for (const socket of sockets) socket.destroy();
  let count = 0;
  const until = performance.now() + 5000;
  await Promise.all(
    Array.from({ length: 16 }, async (_, w) => {
      for (let i = 0; performance.now() < until; i++) {
        await send(url, small, `rate-${w}-${i}`, add(`r${w}-${i}`));
        count++;
      }
    }),
  );
  note('acknowledged and synced changes a second, 16 at a time', (count / 5).toFixed(0), '100');
  await end(child, 'SIGTERM');
}

const wordAfter = (flag: string): string | undefined => {
  const at = process.argv.indexOf(flag);
  return at < 0 ? undefined : process.argv[at + 1];
};
/** Folders of each kind of power cut. */
const TIMES = Number(wordAfter('--times') ?? 20);
/** Each by its name: `npm run torture -- --only power,clocks --times 5` runs those alone. */
const PARTS: Record<string, () => Promise<void>> = {
  neighbours,
  owners: async () => {
    await owners(200, false);
    if (process.getuid?.() === 0 && existsSync('/usr/bin/unshare')) await owners(10, true);
  },
  disk: smallDisk,
  older: () => cutBack(5),
  power: async () => {
    await powerCuts(TIMES, false);
    await powerCuts(TIMES, true);
  },
  lineages: () => lineages(6),
  clocks,
  pictures: picturesFill,
  crafted: () => crafted(5000),
  kills: () => kills(33),
};
const wanted = wordAfter('--only')?.split(',') ?? Object.keys(PARTS);
try {
  for (const name of wanted) await PARTS[name]?.();
} finally {
  rmSync(base, { recursive: true, force: true });
}
const table = `| what | measured | wanted |\n| --- | --- | --- |\n${rows.map((r) => `| ${r.join(' | ')} |`).join('\n')}\n`;
console.log(`\n${table}`);
if (process.argv.includes('--write')) {
  const file = new URL('../../../docs/bench.md', import.meta.url);
  const [tables] = readFileSync(file, 'utf8').split(/\n## Torture\n/);
  const made = `Made by \`npm run torture -- --write\`. Node ${process.version}, ${new Date().toISOString().slice(0, 10)}.`;
  writeFileSync(file, `${tables}\n## Torture\n\n${made}\n\n${table}`);
}
