import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gunzipSync, gzipSync } from 'node:zlib';
import { PGlite } from '@electric-sql/pglite';
import { exportPlan, importPlan } from '@heronstone/core/formats';
import { type Command, commandUpToDate, type Sent } from '@heronstone/core/plan';
import { TABLES_VERSION } from './database.ts';
import { DataFolder } from './data-folder.ts';

/**
 * Keeps a plan file and the rows of a data folder as this version writes them: the demo with what was done to the last kept one, and what is new, some of
 * it undone and done again. Run once when there is a new version (CONTRIBUTING).
 */
/** what only this version knows */
const NEW: Sent[] = [
  { type: 'setUnit', id: 'sheets', set: { usual: ['depth'], unsure: ['height'], pictured: ['width'], plusMinus: 4 } },
  { type: 'setOpening', id: 'door', set: { sizeBy: 'picture', plusMinus: 6 } },
  { type: 'setFixture', id: 'socket-table', set: { sizeBy: 'guess' } },
  { type: 'setFixture', id: 'socket-table', set: { sizeBy: 'usual' } },
];

const at = (path: string) => new URL(`../../../${path}`, import.meta.url);
const folderFile = (version: number) => at(`server/src/store/kept/folder-${version}.json.gz`);
const last = JSON.parse(gunzipSync(readFileSync(folderFile(TABLES_VERSION - 1))).toString()) as {
  tables: { command_log: { seq: string; state: string; command: Command }[] };
};
const demo = importPlan(readFileSync(at('demo/plans/the-pump-house.heron.json'), 'utf8'), 'demo');
if (!demo.ok) throw new Error(demo.reason);
const path = mkdtempSync(join(tmpdir(), 'heronstone-kept-'));
const folder = await DataFolder.open(path);
const { store } = folder;
const planId = await store.add({ plan: demo.plan });
let ran = 0;
const run = async (command: Sent) => {
  const done = await store.run(planId, `kept-command-${++ran}`, command);
  if (!done.ok) throw new Error(`${command.type}: ${JSON.stringify(done)}`);
};
const before = last.tables.command_log
  .filter((e) => e.state === 'done' || e.state === 'kept')
  .sort((a, b) => Number(a.seq) - Number(b.seq))
  .map((e) => commandUpToDate(e.command, () => undefined));
for (const command of [...before, ...NEW]) await run(command);
await run({ type: 'removeListView', id: 'kept-view' });
await store.undo(planId);
await store.redo(planId);
await store.undo(planId);
await run({ type: 'setSupply', id: 'kept-2', set: { note: 'after a step back' } });
await store.undo(planId);
const got = (await store.get(planId))!;
await folder.close();
const pg = await PGlite.create(join(path, 'database'));
const { rows } = await pg.query<{ name: string }>(
  "SELECT table_name AS name FROM information_schema.tables WHERE table_schema = 'public' ORDER BY 1",
);
const tables: Record<string, unknown[]> = {};
for (const { name } of rows)
  tables[name] = (await pg.query<{ row: unknown }>(`SELECT to_jsonb(t) AS row FROM ${name} t`)).rows.map((r) => r.row);
await pg.close();
rmSync(path, { recursive: true });
const { revision, undo, redo } = got;
writeFileSync(
  folderFile(TABLES_VERSION),
  gzipSync(JSON.stringify({ version: TABLES_VERSION, planId, revision, undo, redo, tables })),
);
writeFileSync(at(`core/src/paper/formats/kept/plan-${TABLES_VERSION}.heron.json.gz`), gzipSync(exportPlan(got.plan)));
