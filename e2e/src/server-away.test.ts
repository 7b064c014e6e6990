import { describe, expect, test } from '@jest/globals';
import { type Page } from 'playwright-core';
import { addDemoPlan, post, startServer } from './harness.ts';
import { serverPlan, until, withApp } from './support.ts';

const app = withApp();
const STONES = ['room', 'activities', 'supplies', 'furniture', 'homes', 'tryout', 'keepup'] as const;

/** The server ends, and is there again on the same folder and port. */
const away = () => app.server.stop('SIGKILL');
async function back(): Promise<void> {
  const { url, folder } = app.server;
  app.server = await startServer({ folder, port: Number(new URL(url).port) });
}

/** Waits until all the parts of the app are fetched ahead. */
const fetchedAhead = async (page: Page) => {
  const parts = (await (await fetch(`${app.server.url}/parts.json`)).json()) as string[];
  const scripts = parts.filter((p) => p.endsWith('.js') && !p.includes('worker'));
  await page.waitForFunction(
    (n) => document.querySelectorAll('head link[rel=modulepreload]').length >= n,
    scripts.length,
  );
  // the last of them is on its way when its link is there; workers and styles come after it
  await page.waitForFunction(
    (all) => all.every((p) => performance.getEntriesByName(new URL(p, location.href).href).length > 0),
    parts,
  );
};

const rename = async (name: string) => {
  await app.page.getByLabel('Name', { exact: true }).fill(name);
  await app.page.getByLabel('Name', { exact: true }).press('Enter');
};
const nameOf = async (id: string) => (await serverPlan(app.server.url, id)).plan.supplies['glue-pen']!.name;

describe('when the server is away', () => {
  test('every stone opens, visited before or not; the plan is saved to a file, a drawing is written; what waits is saved when it is back', async () => {
    const id = await addDemoPlan(app.server, 'cupboard');
    await app.open(id, 'supplies?supply=glue-pen');
    await fetchedAhead(app.page);
    await away();
    await rename('Glue pen, offline');
    await app.page.waitForSelector('text=/Not saved yet.*One change is kept/');
    const [file] = await Promise.all([
      app.page.waitForEvent('download'),
      app.page.getByRole('button', { name: 'Save the plan to a file' }).click(),
    ]);
    expect(file.suggestedFilename()).toMatch(/heron\.json$/);
    for (const stone of STONES) {
      await app.goOn(id, stone);
      expect([stone, await app.page.getByText('This part of the app').count()]).toEqual([stone, 0]);
    }
    for (const view of ['supplies?view=colours', 'keepup?view=labels', 'keepup?view=seasons', 'supplies?view=tour']) {
      await app.goOn(id, view);
      expect([view, await app.page.getByText('This part of the app').count()]).toEqual([view, 0]);
    }
    await app.goOn(id, 'furniture');
    await app.page.getByRole('button', { name: 'On paper' }).click();
    const [drawing] = await Promise.all([
      app.page.waitForEvent('download'),
      app.page.getByRole('button', { name: 'Floor as SVG' }).click(),
    ]);
    expect(drawing.suggestedFilename()).toMatch(/svg$/);
    await back();
    await app.page.waitForSelector('text=/Not saved yet/', { state: 'detached' });
    await until(async () => (await nameOf(id)) === 'Glue pen, offline', 'the change is saved');
  });

  test('a part that was not fetched in time says so in its own place, and comes when it is asked for again; meanwhile what waits is sent', async () => {
    const id = await addDemoPlan(app.server, 'cupboard');
    // nothing is fetched ahead, and the stone itself does not come
    await app.context.route('**/parts.json', (route) => route.abort());
    await app.context.route('**/TryOutStone*', (route) => route.abort());
    await app.open(id, 'supplies?supply=glue-pen');
    // the list itself is there
    await app.page.getByLabel('Name', { exact: true }).waitFor();
    await away();
    await rename('Glue pen, waiting');
    await app.page.waitForSelector('text=/Not saved yet.*One change is kept/');
    await app.page.getByRole('link', { name: /Try-out/ }).click();
    await app.page.waitForSelector('text=This part of the app is not here yet.');
    // asked for again while the server is away it still is not here, and nothing else is lost
    await app.page.getByRole('button', { name: 'Try again' }).click();
    await app.page.waitForSelector('text=This part of the app is not here yet.');
    await back();
    // what waits is sent while this is on the screen
    await until(async () => (await nameOf(id)) === 'Glue pen, waiting', 'the change is saved');
    await app.context.unroute('**/TryOutStone*');
    await app.page.getByRole('button', { name: 'Try again' }).click();
    await app.page.waitForSelector('main');
    await app.page.waitForFunction(() => document.title.startsWith('Tryout'));
    await app.page.waitForSelector('text=This part of the app is not here yet.', { state: 'detached' });
  });

  test('what waits for a plan that is not open is sent from the first page', async () => {
    const id = await addDemoPlan(app.server, 'cupboard');
    await app.open(id, 'supplies?supply=glue-pen');
    await fetchedAhead(app.page);
    await away();
    await rename('Glue pen, left behind');
    await app.page.waitForSelector('text=/Not saved yet.*One change is kept/');
    await app.page.getByRole('link', { name: 'Heronstone' }).click();
    await app.page.waitForSelector('text=/The server does not answer/');
    await back();
    await until(async () => (await nameOf(id)) === 'Glue pen, left behind', 'the change is saved');
  });

  test('a plan thrown away in another window is said to be, and is brought back from there', async () => {
    const id = await addDemoPlan(app.server, 'cupboard');
    await app.open(id, 'room');
    await post(`${app.server.url}/api/plans/${id}/away`, {});
    await app.page.waitForSelector('text=/This plan was thrown away. It is kept until \\d+ \\w+/');
    await app.page.reload();
    await app.page.waitForSelector('text=/This plan was thrown away/');
    await app.page.getByRole('button', { name: 'Bring it back' }).click();
    await app.page.waitForSelector('text=/This plan was thrown away/', { state: 'detached' });
    const plans = (await (await fetch(`${app.server.url}/api/plans`)).json()) as {
      id: string;
      keptUntil: string | null;
    }[];
    expect(plans.find((p) => p.id === id)!.keptUntil).toBeNull();
  });

  test('where the browser may it starts without the server from what it last had, says so, and keeps what is changed', async () => {
    const id = await addDemoPlan(app.server, 'cupboard');
    await app.newPage({ serviceWorkers: 'allow' });
    await app.open(id, 'supplies?supply=glue-pen');
    // the app is kept, and the plan as the server has it
    await app.page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
    await app.page.reload();
    await app.page.waitForFunction(() => navigator.serviceWorker.controller !== null);
    await app.page.waitForFunction(
      (plan) =>
        new Promise<boolean>((done) => {
          const asked = indexedDB.open('heronstone-last-known');
          asked.onsuccess = () => {
            const db = asked.result;
            if (!db.objectStoreNames.contains('plans')) return (db.close(), done(false));
            const got = db.transaction('plans').objectStore('plans').get(plan);
            got.onsuccess = () => (db.close(), done(got.result !== undefined));
          };
        }),
      id,
      { polling: 500 },
    );
    await app.page.goto(app.server.url);
    await app.page.waitForSelector('text=/One cupboard and a table/');
    await away();
    await app.page.goto(app.server.url);
    await app.page.waitForSelector('text=/These are the plans as they were on/');
    await app.page.goto(`${app.server.url}/p/${id}/supplies?supply=glue-pen`);
    await app.page.waitForSelector('text=/This is the plan as the server last had it here/');
    await rename('Glue pen, begun offline');
    await app.page.reload();
    await app.page.waitForSelector('text=/Glue pen, begun offline/');
    await app.page.waitForSelector('text=/One change is kept in this browser/');
    await back();
    await app.page.waitForSelector('text=/Not saved yet/', { state: 'detached' });
    await until(async () => (await nameOf(id)) === 'Glue pen, begun offline', 'the change is saved');
  });
});
