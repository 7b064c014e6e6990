import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, test } from '@jest/globals';
import { addDemoPlan, startServer } from './harness.ts';
import { planIdOf, serverPlan, until, withApp } from './support.ts';

const app = withApp();

describe('bad input and bad luck', () => {
  test('walls: letters, zero, nothing, a wild turn get a clear word and change nothing', async () => {
    await app.page.goto(app.server.url);
    await app.page.getByRole('button', { name: 'Begin' }).click();
    expect(await app.page.locator('[role=alert]').innerText()).toMatch(/Give the plan a name/);
    await app.page.fill('#new-name', 'Trial');
    await app.page.getByRole('button', { name: 'Begin' }).click();
    await app.page.waitForSelector('#next-wall');
    const word = async (text: string, turn = '90') => {
      await app.page.fill('#next-turn', turn);
      await app.nextWall(text);
      return app.page.locator('[role=alert]').first().innerText();
    };
    expect(await word('long')).toMatch(/“long” is not a length/);
    expect(await word('0')).toMatch(/longer than zero/);
    expect(await word('-5')).toMatch(/cannot be negative/);
    expect(await word('')).toMatch(/Type a length/);
    expect(await word('300', '400')).toMatch(/turn is a number of degrees/);
    expect(Object.keys((await serverPlan(app.server.url, planIdOf(app.page))).plan.walls)).toEqual([]);
  });

  test('files: a plan cut in half, a list with the wrong columns; ten thousand rows do not freeze the page', async () => {
    const id = await addDemoPlan(app.server, 'cupboard');
    const whole = await (await fetch(`${app.server.url}/api/plans/${id}/file`)).text();
    const half = join(app.server.folder, 'half.heron.json');
    writeFileSync(half, whole.slice(0, whole.length / 2));
    await app.page.goto(app.server.url);
    await app.page.locator('input[aria-label="Plan file"]').setInputFiles(half);
    await app.page.waitForSelector('text=/The file is not whole/');

    await app.open(id, 'supplies?view=table');
    const wrong = join(app.server.folder, 'wrong.csv');
    writeFileSync(wrong, '1;2\n3;4\n');
    await app.page.locator('input[aria-label="A list as CSV or text"]').setInputFiles(wrong);
    await app.page.waitForSelector('text=/2 lines without columns/');
    await app.page.getByRole('button', { name: 'Leave it' }).click();

    const big = join(app.server.folder, 'big.csv');
    writeFileSync(
      big,
      `name,width,depth,height\n${Array.from({ length: 10_000 }, (_, i) => `Bead ${i},10,10,10`).join('\n')}`,
    );
    await app.page.locator('input[aria-label="A list as CSV or text"]').setInputFiles(big);
    await app.page.getByRole('button', { name: 'Take over 10000' }).click();
    await app.page.waitForSelector('text=/10008 supplies/');
    await until(
      async () => Object.keys((await serverPlan(app.server.url, id)).plan.supplies).length === 10_008,
      'saved',
    );
    await app.page.keyboard.press('Control+z');
    await until(
      async () => Object.keys((await serverPlan(app.server.url, id)).plan.supplies).length === 8,
      'one undo takes it all back',
    );
  });

  test('a second tab follows; the server stopped while editing loses nothing and says so', async () => {
    const id = await addDemoPlan(app.server, 'cupboard');
    await app.open(id, 'supplies?supply=glue-pen');
    const second = await app.context.newPage();
    await second.goto(`${app.server.url}/p/${id}/supplies?supply=glue-pen`);
    await second.waitForSelector('text=One piece, as it lies flat');
    // the other tab hears of a change by the stream, maybe before this one has its own answer
    const answered = app.page.waitForResponse(/\/commands$/);
    await app.page.getByLabel('Name', { exact: true }).fill('Glue pen, fine');
    await app.page.getByLabel('Name', { exact: true }).press('Enter');
    await second.waitForSelector('text=Glue pen, fine');
    await (await answered).finished();

    await app.server.stop('SIGKILL');
    await app.page.getByLabel('at hand').fill('7');
    await app.page.getByLabel('at hand').press('Enter');
    await app.page.waitForSelector('text=/Not saved yet/');
    await app.page.getByLabel('in reserve').fill('9');
    await app.page.getByLabel('in reserve').press('Enter');
    await app.page.waitForSelector('text=/2 changes are kept in this browser/');
    const port = Number(new URL(app.server.url).port);
    app.server = await startServer({ folder: app.server.folder, port });
    await app.page.waitForSelector('text=/Not saved yet/', { state: 'detached' });
    // the word of trouble goes with the first change saved; the second follows at once
    await until(async () => {
      const saved = (await serverPlan(app.server.url, id)).plan.supplies['glue-pen'] as unknown as {
        working: number;
        backstock: number;
      };
      return saved.working === 7 && saved.backstock === 9;
    }, 'both changes saved');
  });
});
