import { createHash } from 'node:crypto';
import { readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, test } from '@jest/globals';
import { addDemoPlan, startServer } from './harness.ts';
import { axeFaults, serverPlan, until, withApp } from './support.ts';

const app = withApp();
const suppliesOf = async (id: string) => (await serverPlan(app.server.url, id)).plan.supplies;

/** A line of the journal without what versions before there were seals did not write. */
function unsealed(line: string): string {
  const value = JSON.parse(line.slice(13)) as { plans?: unknown; entries?: { seal?: unknown }[] };
  delete value.plans;
  for (const entry of value.entries ?? []) delete entry.seal;
  const json = JSON.stringify(value);
  return `${createHash('sha256').update(json).digest('hex').slice(0, 12)} ${json}\n`;
}

describe('nothing lost', () => {
  test('a change that cannot be kept is set aside with its reason; what another tab left behind is saved', async () => {
    const id = await addDemoPlan(app.server, 'cupboard');
    await app.open(id, 'supplies?supply=glue-pen');
    // what two other tabs left in the browser: a change that no longer makes sense, and one that does
    await app.page.evaluate(async (planId) => {
      const asked = indexedDB.open('heronstone');
      const db = await new Promise<IDBDatabase>((done) => (asked.onsuccess = () => done(asked.result)));
      const tx = db.transaction('unsaved', 'readwrite');
      const put = (key: string, at: number, command: object) =>
        tx.objectStore('unsaved').put({ id: key, planId, at, command });
      put('command-of-tab-1', 1, { type: 'removeUnit', id: 'nowhere' });
      put('command-of-tab-2', 2, { type: 'setSupply', id: 'glue-pen', set: { name: 'Glue pen, found again' } });
      await new Promise((done) => (tx.oncomplete = done));
      db.close();
    }, id);
    await app.page.reload();
    await app.page.waitForSelector('text=One change could not be kept and is set aside.');
    await until(async () => (await suppliesOf(id))['glue-pen']!.name === 'Glue pen, found again', 'the other is saved');
    await app.page.getByRole('button', { name: 'Look at it' }).click();
    await app.page.waitForSelector('text=/This unit is not in the plan any more/');
    expect(await axeFaults(app.page)).toEqual([]);
    const [download] = await Promise.all([
      app.page.waitForEvent('download'),
      app.page.getByRole('button', { name: 'Save them to a file' }).click(),
    ]);
    expect(download.suggestedFilename()).toBe('changes-set-aside.json');
    await app.page.getByRole('button', { name: 'Forget', exact: true }).click();
    await app.page.waitForSelector('text=/is set aside/', { state: 'detached' });
    await app.page.reload();
    await app.page.waitForSelector('text=/Glue pen, found again/');
    expect(await app.page.getByText('set aside').count()).toBe(0);
  });

  test('a list of an old spreadsheet: its letters are right, and a number that may mean two things is asked', async () => {
    const id = await addDemoPlan(app.server, 'cupboard');
    await app.open(id, 'supplies?view=table');
    const list = join(app.server.folder, 'liste.csv');
    writeFileSync(list, Buffer.from('name;width;working\nTüllrolle;1,250;3\nDose;40;2\n', 'latin1'));
    await app.page.locator('input[aria-label="A list as CSV or text"]').setInputFiles(list);
    await app.page.waitForSelector('text=What does 1,250 mean in this list?');
    expect(await app.page.getByRole('button', { name: 'Take over 1' }).isVisible()).toBe(true);
    await app.page.getByRole('radio', { name: /^1250/ }).check();
    await app.page.getByRole('button', { name: 'Take over 2' }).click();
    await until(
      async () => Object.values(await suppliesOf(id)).some((s) => s.name === 'Tüllrolle' && s.width === 1250),
      'the list is taken over',
    );
    await app.open(id, 'supplies?view=table');
    writeFileSync(list, Buffer.from([0x89, 0x50, 0x4e, 0x47, 0, 1, 2, 3]));
    await app.page.locator('input[aria-label="A list as CSV or text"]').setInputFiles(list);
    await app.page.waitForSelector('text=/This file is not text/');
  });

  test('a database that does not open is made anew, and that is said; where that is not sure, one button does it', async () => {
    const id = await addDemoPlan(app.server, 'cupboard');
    await app.open(id, 'supplies?supply=glue-pen');
    await app.type('at hand', '8');
    await until(async () => (await suppliesOf(id))['glue-pen']!.working === 8, 'it is saved');
    const { folder, url } = app.server;
    const again = async () => {
      await app.server.stop('SIGKILL');
      rmSync(join(folder, 'database', 'global'), { recursive: true });
      return { folder, port: Number(new URL(url).port) };
    };
    app.server = await startServer(await again());
    await app.page.goto(app.server.url);
    await app.page.waitForSelector('text=/The database did not open as it should.*nothing is missing/');
    expect(await axeFaults(app.page)).toEqual([]);
    expect((await suppliesOf(id))['glue-pen']!.working).toBe(8);

    // a journal of before there were seals cannot say what must come of it
    const where = await again();
    for (const name of readdirSync(join(folder, 'journal'))) {
      const file = join(folder, 'journal', name);
      const lines = readFileSync(file, 'utf8').split('\n').filter(Boolean);
      writeFileSync(file, lines.map(unsealed).join(''));
    }
    app.server = await startServer(where);
    await app.page.goto(app.server.url);
    await app.page.waitForSelector('text=/The plans cannot be opened: the database is damaged/');
    expect(await axeFaults(app.page)).toEqual([]);
    await app.page.getByRole('button', { name: 'Put back the newest backup and every change since' }).click();
    await app.page.waitForSelector('text=/What was there before is kept in/');
    await app.page.waitForSelector('text=/One cupboard and a table/');
    expect((await suppliesOf(id))['glue-pen']!.working).toBe(8);
  });
});
