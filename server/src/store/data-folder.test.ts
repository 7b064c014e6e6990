import {
  chmodSync,
  cpSync,
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { join, relative } from 'node:path';
import { createHash } from 'node:crypto';
import { gunzipSync } from 'node:zlib';
import { describe, expect, test } from '@jest/globals';
import { exportPlan, importPlan } from '@heronstone/core/formats';
import { type Command, HARMFUL, type Plan, planTrouble } from '@heronstone/core/plan';
import { block, tinyRoom, unit, withUnits } from '@heronstone/core/testing';
import { post, program, root, throwAwayFolders } from '../testing.ts';
import { type Backup, backupsFolder, listBackups, outlived } from './backup.ts';
import { DataFolder } from './data-folder.ts';
import { emptyOfVersion, type Database, openDatabase, TABLES_VERSION } from './database.ts';
import { catchUp, positionOf } from './entries.ts';
import { sealFolder, unsealFolder } from './folder-seal.ts';
import { Journal } from './journal.ts';
import { FolderEngine } from './folder-engine.ts';
import { PlanStore } from './plan-store.ts';
import { diskTrouble, FolderNewer, Trouble } from './trouble.ts';

const newFolder = throwAwayFolders();
const room = withUnits(tinyRoom(), unit('lowChest', { x: 900, y: 5700 }));
const addSupply = (id: string): Command => ({ type: 'addSupplies', supplies: [block({ id, name: `Thing ${id}` })] });
const supplies = async (folder: DataFolder, id: string) =>
  Object.keys((await folder.store.get(id))!.plan.supplies).sort();

/** Every file of a folder with its content. */
function contents(folder: string): Record<string, string> {
  const found: Record<string, string> = {};
  const walk = (path: string) => {
    for (const name of readdirSync(path)) {
      const inner = join(path, name);
      if (statSync(inner).isDirectory()) walk(inner);
      else found[relative(folder, inner)] = readFileSync(inner, 'base64');
    }
  };
  walk(folder);
  return found;
}

type Kept = {
  version: number;
  planId: string;
  revision: number;
  undo: string | null;
  redo: string | null;
  tables: Record<string, Record<string, unknown>[]>;
};
/** Rows as the program of that version left them in its database, after changes made, undone and redone through its server. */
const kept = (version: number) =>
  JSON.parse(gunzipSync(readFileSync(new URL(`kept/folder-${version}.json.gz`, import.meta.url))).toString()) as Kept;

/** A data folder with the tables of a version and the rows kept of it. */
async function folderOf({ version, tables }: Kept): Promise<string> {
  const folder = newFolder();
  const db = await emptyOfVersion(join(folder, 'database'), version);
  await db.transaction(async (tx) => {
    await tx.exec('DELETE FROM schema_migrations');
    await tx.exec('SET CONSTRAINTS ALL DEFERRED');
    if (tables.journal_state) await tx.exec('DELETE FROM journal_state');
    // plans first: what belongs to a plan names it
    for (const table of ['plans', ...Object.keys(tables).filter((t) => t !== 'plans')])
      await tx.query(`INSERT INTO ${table} SELECT * FROM jsonb_populate_recordset(NULL::${table}, $1)`, [
        JSON.stringify(tables[table]),
      ]);
  });
  await db.close();
  sealFolder(join(folder, 'database'));
  return folder;
}

describe('folders of every version ever written', () => {
  test.each([1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14, 15, 16, 17, 18, 19])(
    'version %i opens with everything, and its log can be undone and redone whole',
    async (version) => {
      const old = kept(version);
      const path = await folderOf(old);
      // the backup before that is the same whatever the version: seen at the first and the last
      const backed = version === 1 || version === TABLES_VERSION - 1;
      if (!backed) {
        unsealFolder(join(path, 'database'));
        await (await openDatabase(join(path, 'database'), async () => undefined)).close();
        sealFolder(join(path, 'database'));
      }
      const folder = await DataFolder.open(path);
      const got = (await folder.store.get(old.planId))!;
      expect(got).toMatchObject({ revision: old.revision, undo: old.undo, redo: old.redo });
      expect(planTrouble(got.plan)).toBeNull();
      for (const table of ['supplies', 'units', 'homes', 'people'] as const)
        expect(Object.keys(got.plan[table]).sort()).toEqual(old.tables[table]!.map((r) => r.id).sort());
      const places = Object.values(got.plan.places);
      expect(places.map((p) => p.id)).toEqual(expect.arrayContaining(old.tables.places!.map((r) => r.id)));
      // what was a set of organisers is so many containers, and tops of units are places, since version 5
      const sets = (old.tables.organiser_sets ?? []) as { place_id: string; organiser_id: string; count: number }[];
      for (const set of version < 5 ? sets : [])
        expect(places.filter((p) => p.inId === set.place_id && p.organiserId === set.organiser_id)).toHaveLength(
          set.count,
        );
      expect(places.some((p) => p.kind === 'top')).toBe(true);
      if (version === 1) expect(got.plan.people['kept-child']).toMatchObject({ age: null, keepFrom: [...HARMFUL] });
      const before = structuredClone(got.plan);
      let steps = 0;
      for (;;) {
        const done = await folder.store.undo(old.planId);
        if (!done.ok && done.kind === 'nothing') break;
        if (!done.ok) throw new Error(done.reason);
        steps++;
      }
      expect(steps).toBe(old.tables.command_log!.filter((e) => e.state === 'done').length);
      expect((await folder.store.get(old.planId))!.plan.supplies).not.toHaveProperty('kept-1');
      for (let i = 0; i < steps; i++) {
        const done = await folder.store.redo(old.planId);
        if (!done.ok) throw new Error(done.reason);
      }
      expect((await folder.store.get(old.planId))!.plan).toEqual(before);
      await folder.close();
      expect(listBackups(path).map((b) => b.why)).toEqual(backed ? ['before-migration'] : []);
    },
  );

  test('there is a kept file and a kept folder of the version of today', () => {
    expect(kept(TABLES_VERSION).tables).toHaveProperty('journal_state');
    expect(existsSync(join(root, `core/src/paper/formats/kept/plan-${TABLES_VERSION}.heron.json.gz`))).toBe(true);
  });

  test('a folder of a newer program is refused with a clear word, and no byte of it is touched', async () => {
    const folder = newFolder();
    writeFileSync(join(folder, 'heronstone.json'), JSON.stringify({ version: TABLES_VERSION + 1 }));
    mkdirSync(join(folder, 'database'));
    writeFileSync(join(folder, 'database', 'PG_VERSION'), '19\n');
    chmodSync(folder, 0o755);
    const before = contents(folder);
    await expect(DataFolder.open(folder)).rejects.toThrow(/newer Heronstone .* left untouched/);
    expect(contents(folder)).toEqual(before);
    expect(statSync(folder).mode & 0o777).toBe(0o755);
  });

  test('… also where only its tables say so', async () => {
    const path = newFolder();
    const db = await openDatabase(join(path, 'database'), async () => undefined);
    await db.query(`INSERT INTO schema_migrations (name) VALUES ('0099-later.sql')`);
    await db.close();
    await expect(DataFolder.open(path)).rejects.toThrow(FolderNewer);
  });
});

describe('what is acknowledged is on the disk', () => {
  test('an older copy of the database with the journal of today: everything is there, log and undo whole', async () => {
    const path = newFolder();
    let folder = await DataFolder.open(path);
    const id = await folder.store.add({ plan: room });
    await folder.store.run(id, 'command-a', addSupply('a'));
    await folder.close();
    cpSync(join(path, 'database'), join(path, 'older'), { recursive: true });
    folder = await DataFolder.open(path);
    await folder.store.run(id, 'command-b', addSupply('b'));
    await folder.store.run(id, 'command-c', addSupply('c'));
    await folder.store.undo(id);
    const other = (await folder.store.fork(id, 'Another way'))!;
    await folder.store.run(other, 'command-d', addSupply('d'));
    const wanted = [await folder.store.get(id), await folder.store.get(other)];
    await folder.close();
    rmSync(join(path, 'database'), { recursive: true });
    renameSync(join(path, 'older'), join(path, 'database'));
    const said: string[] = [];
    folder = await DataFolder.open(path, (words) => said.push(words));
    expect(said.join()).toMatch(/5 changes were in the journal and not yet in the database/);
    expect([await folder.store.get(id), await folder.store.get(other)]).toEqual(wanted);
    expect(await folder.store.run(id, 'command-b', addSupply('b'))).toMatchObject({ ok: true, event: { changes: [] } });
    expect((await folder.store.redo(id)).ok).toBe(true);
    for (let i = 0; i < 3; i++) expect((await folder.store.undo(id)).ok).toBe(true);
    expect(await supplies(folder, id)).toEqual([]);
    await folder.close();
  });

  test('the same for plans thrown away, gone for good, brought back and taken over', async () => {
    const path = newFolder();
    let folder = await DataFolder.open(path);
    const [first, old, back] = [
      await folder.store.add({ plan: room }),
      await folder.store.add({ plan: room }),
      await folder.store.add({ plan: room }),
    ];
    await folder.close();
    cpSync(join(path, 'database'), join(path, 'older'), { recursive: true });
    folder = await DataFolder.open(path);
    await folder.store.throwAway(old, true);
    expect(await folder.store.removeOld(() => true)).toHaveLength(1);
    await folder.store.throwAway(back, true);
    await folder.store.throwAway(back, false);
    await folder.store.run(back, 'command-a', addSupply('a'));
    expect((await folder.store.takeOver(first, back)).ok).toBe(true);
    await folder.store.throwAway(back, true);
    const wanted = [await folder.store.list(), await folder.store.get(first), await folder.store.get(back)];
    await folder.close();
    rmSync(join(path, 'database'), { recursive: true });
    renameSync(join(path, 'older'), join(path, 'database'));
    folder = await DataFolder.open(path);
    expect([await folder.store.list(), await folder.store.get(first), await folder.store.get(back)]).toEqual(wanted);
    expect(await folder.store.get(old)).toBeNull();
    expect((await folder.store.undo(first)).ok).toBe(true);
    expect(await supplies(folder, first)).toEqual([]);
    await folder.close();
  });

  /** A database whose next commit fails after the journal is written, as in a crash or on a full disk. */
  function failing(db: Database): Database & { fail: boolean } {
    const one = {
      fail: false,
      query: db.query.bind(db),
      exec: db.exec.bind(db),
      dump: db.dump.bind(db),
      reopen: db.reopen.bind(db),
      close: db.close.bind(db),
      transaction: ((work) =>
        db.transaction(async (tx) => {
          const done = await work(tx);
          if (!one.fail) return done;
          one.fail = false;
          throw new Error('the power went');
        })) as Database['transaction'],
    };
    return one;
  }

  test('a commit that fails behind the journal is caught up; the same command sent again is not done twice', async () => {
    const path = newFolder();
    const db = failing(await openDatabase(join(path, 'database'), async () => undefined));
    const journal = await Journal.open(join(path, 'journal'), { lineage: 'l', last: 0 });
    const store = new PlanStore(new FolderEngine(db, journal));
    const id = await store.add({ plan: room });
    db.fail = true;
    await expect(store.run(id, 'command-1', addSupply('a'))).rejects.toThrow('the power went');
    const again = await store.run(id, 'command-1', addSupply('a'));
    expect(again).toMatchObject({ ok: true, event: { changes: [], revision: 1, undo: 'add Thing a' } });
    expect(Object.keys((await store.get(id))!.plan.supplies)).toEqual(['a']);
    expect(await positionOf(db)).toMatchObject({ applied: journal.last });
    expect(await catchUp(db, journal)).toBe(0);
    await db.close();
  });

  test('many at once share a sync; one that cannot be kept is refused and the others go on', async () => {
    const path = newFolder();
    const db = await openDatabase(join(path, 'database'), async () => undefined);
    let syncs = 0;
    const journal = await Journal.open(join(path, 'journal'), { lineage: 'l', last: 0 }, async (file) => {
      syncs++;
      await file.datasync();
    });
    const store = new PlanStore(new FolderEngine(db, journal));
    const id = await store.add({ plan: room });
    const other = await store.add({ plan: room });
    // what the core would take and the tables do not: a table made stricter behind its back
    await db.exec(`ALTER TABLE supplies ADD CHECK (id <> 'bad')`);
    const before = syncs;
    const answers = await Promise.all([
      ...['a', 'bad', 'b'].map((s) => store.run(id, `command-${s}`, addSupply(s))),
      ...Array.from({ length: 30 }, (_, i) => store.run(other, `command-${i}`, addSupply(`s${i}`))),
    ]);
    expect(answers.filter((a) => !a.ok)).toEqual([
      { ok: false, kind: 'unstorable', reason: expect.stringMatching(/cannot hold this/) },
    ]);
    expect(Object.keys((await store.get(id))!.plan.supplies).sort()).toEqual(['a', 'b']);
    expect(Object.keys((await store.get(other))!.plan.supplies)).toHaveLength(30);
    expect(syncs - before).toBeLessThan(5);
    await db.close();
  });

  test('while nothing may be written every change is refused with the reason, and none is lost or done in part', async () => {
    const path = newFolder();
    const db = await openDatabase(join(path, 'database'), async () => undefined);
    const journal = await Journal.open(join(path, 'journal'), { lineage: 'l', last: 0 });
    let full = false;
    const store = new PlanStore(
      new FolderEngine(db, journal, () => {
        if (full) throw new Trouble('The disk is nearly full.');
      }),
    );
    const id = await store.add({ plan: room });
    full = true;
    await expect(store.run(id, 'command-1', addSupply('a'))).rejects.toThrow('nearly full');
    expect((await store.get(id))!.plan.supplies).toEqual({});
    full = false;
    expect((await store.run(id, 'command-1', addSupply('a'))).ok).toBe(true);
    await db.close();
  });
});

/** A line of the journal without what versions before there were seals did not write. */
function unsealed(line: string): string {
  const value = JSON.parse(line.slice(13)) as { plans?: unknown; entries?: { seal?: unknown }[] };
  delete value.plans;
  for (const entry of value.entries ?? []) delete entry.seal;
  const json = JSON.stringify(value);
  return `${createHash('sha256').update(json).digest('hex').slice(0, 12)} ${json}\n`;
}

/** Damages the journal where it speaks of something. */
function spoil(journal: string, words: string): void {
  for (const name of readdirSync(journal)) {
    const file = join(journal, name);
    writeFileSync(file, readFileSync(file, 'utf8').replaceAll(words, words.toUpperCase()));
  }
}

describe('a database that does not open', () => {
  /** A folder with a backup if asked for, a change made after it, and then its database damaged. */
  async function damaged(spoil: (database: string) => void, backedUp = false): Promise<{ path: string; id: string }> {
    const path = newFolder();
    const folder = await DataFolder.open(path);
    const id = await folder.store.add({ plan: room });
    await folder.store.run(id, 'command-a', addSupply('a'));
    if (backedUp) await folder.backUp('daily');
    await folder.store.run(id, 'command-b', addSupply('b'));
    await folder.close();
    spoil(join(path, 'database'));
    return { path, id };
  }

  test('is made anew from the newest backup and the journal, and that is said; what was there is kept', async () => {
    const { path, id } = await damaged((database) => {
      const wal = join(database, 'pg_wal');
      for (const name of readdirSync(wal)) if (/^[0-9A-F]{24}$/.test(name)) writeFileSync(join(wal, name), 'nothing');
      writeFileSync(join(database, 'global', 'pg_control'), Buffer.alloc(8192));
    }, true);
    const folder = await DataFolder.open(path);
    expect(folder.broken).toBeNull();
    expect(folder.safety().notices).toEqual([
      { at: expect.any(String), words: expect.stringMatching(/did not open.*from the backup of .*nothing is missing/) },
    ]);
    expect(await supplies(folder, id)).toEqual(['a', 'b']);
    expect((await folder.store.undo(id)).ok).toBe(true);
    const [aside] = readdirSync(join(path, 'kept'));
    expect(readdirSync(join(path, 'kept', aside!))).toEqual(['database']);
    await folder.close();
  });

  test('is never started empty over: not when it is gone, nor after a crash between two renames', async () => {
    const { path, id } = await damaged((database) => rmSync(database, { recursive: true }));
    // without any backup the journal alone has it all
    expect(listBackups(path)).toEqual([]);
    const folder = await DataFolder.open(path);
    expect(folder.safety().notices[0]!.words).toMatch(/not where it was.*from the journal, which has everything/);
    expect(await supplies(folder, id)).toEqual(['a', 'b']);
    await folder.close();
    // a crash: the new database ready, the old one laid aside already, the intent written
    renameSync(join(path, 'database'), join(path, 'database.restoring'));
    writeFileSync(join(path, 'restoring.json'), JSON.stringify({ aside: 'kept/x', parts: ['database'] }));
    const after = await DataFolder.open(path);
    expect(after.broken).toBeNull();
    expect(await supplies(after, id)).toEqual(['a', 'b']);
    expect(existsSync(join(path, 'restoring.json'))).toBe(false);
    await after.close();
  });

  test('where the journal cannot say what must come of it, it is offered and not done; where nothing goes, that is said', async () => {
    const { path, id } = await damaged((database) => rmSync(join(database, 'global'), { recursive: true }), true);
    const journal = join(path, 'journal');
    const file = join(journal, readdirSync(journal)[0]!);
    const whole = readFileSync(file, 'utf8');
    // as versions before there were seals wrote it
    writeFileSync(file, whole.split('\n').filter(Boolean).map(unsealed).join(''));
    const folder = await DataFolder.open(path);
    expect(folder.broken).toMatch(/damaged and does not open/);
    expect(() => folder.store).toThrow(/cannot be opened/);
    expect(folder.safety()).toMatchObject({ canMend: true, backups: [{ why: 'daily', change: 2 }], notices: [] });
    await folder.mend();
    expect(folder.broken).toBeNull();
    expect(await supplies(folder, id)).toEqual(['a', 'b']);
    await folder.close();
    rmSync(join(path, 'backups'), { recursive: true });
    rmSync(join(path, 'database', 'global'), { recursive: true });
    spoil(join(path, 'journal'), 'Thing a');
    const lost = await DataFolder.open(path);
    expect(lost.broken).toMatch(/./);
    await expect(lost.mend()).rejects.toThrow(/journal is damaged.*Put a backup back/);
    expect(lost.safety().canMend).toBe(false);
    await lost.close();
  });

  test('a mend that fails leaves a healthy folder open', async () => {
    const path = newFolder();
    const folder = await DataFolder.open(path);
    const id = await folder.store.add({ plan: room });
    await folder.store.run(id, 'command-a', addSupply('a'));
    spoil(join(path, 'journal'), 'Thing a');
    await expect(folder.mend()).rejects.toThrow(/not what was written/);
    expect(await supplies(folder, id)).toEqual(['a']);
    expect(folder.safety().broken).toBeNull();
    await folder.close();
  });

  test('two that are put back at once follow each other', async () => {
    const path = newFolder();
    const folder = await DataFolder.open(path);
    const id = await folder.store.add({ plan: room });
    const first = await folder.backUp();
    await folder.store.run(id, 'command-a', addSupply('a'));
    const second = await folder.backUp();
    expect(await Promise.all([folder.restore(first), folder.restore(second)])).toHaveLength(2);
    expect(await supplies(folder, id)).toEqual(['a']);
    await folder.close();
  });

  test('whatever goes wrong with the journal is said too', async () => {
    const { path, id } = await damaged(() => undefined);
    const journal = join(path, 'journal');
    const file = join(journal, readdirSync(journal)[0]!);
    const text = readFileSync(file, 'utf8');
    writeFileSync(file, text.replace('Thing a', 'Thing x'));
    const broken = await DataFolder.open(path);
    expect(broken.broken).toMatch(/journal is damaged/);
    await broken.close();
    writeFileSync(file, text);
    const folder = await DataFolder.open(path);
    expect(await supplies(folder, id)).toEqual(['a', 'b']);
    await folder.close();
  });
});

describe('backups', () => {
  const at = (iso: string, why: Backup['why'] = 'daily'): Backup => ({
    file: iso,
    at: iso,
    why,
    change: 1,
    lineage: null,
    bytes: 1,
  });

  test('thinned to seven days and eight weeks; those made by hand stay', () => {
    const days = Array.from({ length: 100 }, (_, i) =>
      at(new Date(Date.UTC(2026, 10, 25) - i * 86_400_000).toISOString()),
    );
    const gone = new Set(outlived([...days, at('2020-01-01T00:00:00.000Z', 'by-hand')], Date.UTC(2026, 10, 25)));
    const left = days.filter((b) => !gone.has(b)).map((b) => b.at.slice(0, 10));
    expect(left.slice(0, 7)).toEqual(days.slice(0, 7).map((b) => b.at.slice(0, 10)));
    // 25 November 2026 is a Wednesday: older weeks keep their Sunday
    expect(left.slice(7)).toEqual(['2026-11-15', '2026-11-08', '2026-11-01', '2026-10-25', '2026-10-18', '2026-10-11']);
    expect(gone.size).toBe(100 - 13);
  });

  test('one a day when something has changed; what broke off is swept away; the journal goes back to the last but one', async () => {
    const path = newFolder();
    mkdirSync(backupsFolder(path), { recursive: true });
    writeFileSync(join(backupsFolder(path), 'heronstone-x.tar.gz.part'), 'half');
    const folder = await DataFolder.open(path);
    expect(readdirSync(backupsFolder(path))).toEqual([]);
    expect(await folder.backUpIfDue()).toBe(false);
    const id = await folder.store.add({ plan: room });
    expect(await folder.backUpIfDue()).toBe(true);
    await folder.store.run(id, 'command-a', addSupply('a'));
    expect(await folder.backUpIfDue()).toBe(false);
    expect(await folder.backUpIfDue(Date.now() + 25 * 3600_000)).toBe(true);
    expect(await folder.backUpIfDue(Date.now() + 50 * 3600_000)).toBe(false);
    await folder.close();
    for (const { file } of listBackups(path))
      expect(statSync(join(backupsFolder(path), file)).mode & 0o777).toBe(0o600);
  });
});

describe('as a program', () => {
  test('folders 700, files 600, backups too, whatever the umask; the command line’s backup finds the server', async () => {
    const path = newFolder();
    chmodSync(path, 0o755);
    writeFileSync(join(path, 'notes.txt'), 'mine');
    chmodSync(join(path, 'notes.txt'), 0o644);
    const server = program(['serve', '--data', path, '--port', '0']);
    const url = await server.url;
    const { id } = (await (await post(`${url}/api/plans`, { file: exportPlan(room) })).json()) as { id: string };
    const backup = await program(['backup', '--data', path]).ended;
    expect(backup).toMatchObject({
      code: 0,
      out: expect.stringMatching(/backups\/heronstone-.*-n1-l[0-9a-f]{8}\.tar\.gz$/),
    });
    expect(await (await fetch(`${url}/api/backups`)).json()).toMatchObject({ broken: null, backups: [{ change: 1 }] });
    await post(`${url}/api/plans/${id}/commands`, { commandId: 'command-a', command: addSupply('a') });
    const [file] = listBackups(path);
    const put = await post(`${url}/api/backups/restore`, { file: file!.file });
    expect(put.status).toBe(200);
    const now = (await (await fetch(`${url}/api/plans/${id}`)).json()) as { plan: Plan };
    expect(now.plan.supplies).toEqual({});
    for (const bad of ['../../etc/passwd', 'x.tar.gz', 'heronstone-none.tar.gz'])
      expect((await post(`${url}/api/backups/restore`, { file: bad })).status).toBeGreaterThanOrEqual(400);
    const open: string[] = [];
    const walk = (folder: string) => {
      for (const name of [...readdirSync(folder), '']) {
        const inner = join(folder, name);
        const stat = statSync(inner);
        if ((stat.mode & 0o777) !== (stat.isDirectory() ? 0o700 : 0o600)) open.push(`${inner} ${stat.mode & 0o777}`);
        if (name && stat.isDirectory()) walk(inner);
      }
    };
    walk(path);
    expect(open).toEqual([]);
    server.child.kill('SIGTERM');
    await server.ended;
  });

  test('trouble at the start is said in one plain line', async () => {
    const path = newFolder();
    writeFileSync(join(path, 'file'), 'x');
    const said = async (...args: string[]) => {
      const { code, err } = await program(args).ended;
      expect(code).toBe(1);
      expect(err.split('\n')).toHaveLength(1);
      return err;
    };
    const [inner, port, ports, none] = await Promise.all([
      said('serve', '--data', join(path, 'file', 'inner'), '--port', '0'),
      said('serve', '--data', path, '--port', '70000'),
      said('serve', '--ports', '1'),
      said('restore', '--data', path),
    ]);
    expect(inner).toMatch(/is a file, not a folder/);
    expect(port).toMatch(/whole number from 0 to 65535, not “70000”/);
    expect(ports).toMatch(/Unknown option '--ports'/);
    expect(none).toMatch(/Say which backup/);
  });

  test('what the operating system refuses has plain words', () => {
    const words = (code: string) => diskTrouble(Object.assign(new Error('x'), { code }), '/data')?.message;
    expect(words('EACCES')).toMatch(/may not be read or written by you/);
    expect(words('EROFS')).toMatch(/can only be read/);
    expect(words('ENOSPC')).toMatch(/disk that is full.*what was saved before is kept/);
    expect(words('EOTHER')).toBeUndefined();
  });

  test('a plan file of every version is taken in by the server', async () => {
    const folder = await DataFolder.open(newFolder());
    for (const version of [1, 2, 3, 4]) {
      const file = gunzipSync(readFileSync(join(root, `core/src/paper/formats/kept/plan-${version}.heron.json.gz`)));
      const read = importPlan(file.toString(), 'new');
      if (!read.ok) throw new Error(read.reason);
      const id = await folder.store.add({ plan: read.plan });
      expect((await folder.store.get(id))!.plan.supplies).toHaveProperty('kept-2');
    }
    await folder.close();
  });
});
