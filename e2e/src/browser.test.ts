import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { type Browser, type BrowserContext, type Page } from 'playwright-core';
import { addDemoPlan, launch, newPage, removeFolder, startServer, type TestServer } from './harness.ts';
import { axeFaults, planIdOf, serverPlan, until } from './support.ts';

let browser: Browser;
let server: TestServer;
let page: Page;
let context: BrowserContext;
let errors: string[];

beforeAll(async () => {
  [browser, server] = await Promise.all([launch(), startServer()]);
});
afterAll(async () => {
  await browser.close();
  await server.stop();
  removeFolder(server);
});
beforeEach(async () => {
  ({ page, context, errors } = await newPage(browser));
});
afterEach(async () => {
  await context.close();
});

const open = (plan: string, path: string) =>
  page.goto(`${server.url}/p/${plan}/${path}`).then(() => page.waitForSelector('main'));
const restart = async () => {
  const { url, folder } = server;
  await server.stop('SIGKILL');
  server = await startServer({ folder, port: Number(new URL(url).port) });
};
const nextWall = async (length: string) => {
  await page.fill('#next-wall', length);
  await page.press('#next-wall', 'Enter');
};

const CSV = `name,family,form,width,depth,height,working,hazards,colour of lid
Hot glue sticks,Gluing,stick,20 cm,12 mm,12 mm,20,,red
Ribbon reel,Trim,spool,90,90,30,6,,
Craft knife,Cutting,stick,"6""",20,15,1,blade,
Card pack,Paper,block,300 mm,210 mm,40 mm,2,,
Mystery,,block,wide,1,1,1,,
Felt,Cloth,soft,,,,4,,`;

describe('the whole path', () => {
  test('from a room’s walls to homes in reach, a change of mind, and all of it there after a restart', async () => {
    await page.goto(server.url);
    await page.fill('#new-name', 'Back room');
    await page.getByRole('button', { name: 'Begin' }).click();
    await page.waitForSelector('#next-wall');
    const id = planIdOf(page);

    // Room: Floor grows, the misclosure is said, one key mends it
    await nextWall('3.2 m');
    await nextWall('410');
    await nextWall('2900 mm');
    await nextWall('410cm');
    expect(await page.locator('[role=status]').first().innerText()).toMatch(
      /do not close: the end misses the start by 300 mm/,
    );
    await page.getByLabel('Length of wall 3').fill('319');
    await page.getByLabel('Length of wall 3').press('Enter');
    await page.waitForSelector('text=/The walls close to 10 mm/');
    await page.getByRole('button', { name: /Spread 1 cm/ }).click();
    await page.waitForSelector('text=The walls close.');
    expect(await page.getByTestId('wall-length').count()).toBe(4);
    await page.getByLabel('Add a door to wall 4').click();
    await page.getByLabel('Add a window to wall 2').click();
    await page.getByLabel('Ceiling height').fill('8\' 6"');
    await page.getByLabel('Ceiling height').press('Enter');

    // Furniture: brought in, dragged, by keys, by numbers
    await page.getByRole('link', { name: /Furniture/ }).click();
    for (const kind of ['Work table', 'Low chest', 'Wall shelves', 'Rolling cart']) {
      await page.getByRole('button', { name: 'Bring in a unit' }).click();
      await page.getByRole('menuitem', { name: new RegExp(`^${kind}`) }).click();
      await page.waitForSelector(`[data-unit][aria-label="${kind}"]`);
      if (kind === 'Work table') {
        await page.getByLabel('wall 2', { exact: true }).fill('0');
        await page.getByLabel('wall 2', { exact: true }).press('Enter');
      }
      if (kind === 'Low chest') {
        const before = await page.locator('[data-unit][aria-label="Low chest"]').boundingBox();
        await page.mouse.move(before!.x + 20, before!.y + 10);
        await page.mouse.down();
        await page.mouse.move(before!.x + 200, before!.y + 60, { steps: 6 });
        await page.mouse.up();
        await page.keyboard.press('r');
        await page.keyboard.press('Shift+ArrowRight');
      }
      if (kind === 'Wall shelves') {
        await page.getByLabel('wall 2', { exact: true }).fill('0 cm');
        await page.getByLabel('wall 2', { exact: true }).press('Enter');
      }
      if (kind === 'Rolling cart')
        for (let i = 0; i < 6; i++)
          await page.locator('[data-unit][aria-label="Rolling cart"]').press('Shift+ArrowLeft');
    }
    await until(
      async () => Object.keys((await serverPlan(server.url, id)).plan.units).length === 4,
      'four units saved',
    );
    const units = Object.values((await serverPlan(server.url, id)).plan.units);
    const chest = units.find((u) => u.name === 'Low chest')!;
    expect(chest.facing).toBe(270);
    expect(chest.x).toBeGreaterThan(2050 + 500);
    expect(units.find((u) => u.name === 'Work table')!.y).toBeCloseTo(3195 - 350, -1);

    // Supplies: a list with one bad row
    await page.getByRole('link', { name: /Supplies/ }).click();
    const list = join(server.folder, 'list.csv');
    writeFileSync(list, CSV);
    await page.locator('input[aria-label="CSV list"]').setInputFiles(list);
    await page.waitForSelector('text=/5 supplies/');
    expect(await page.locator('[aria-label="Lines left out"]').innerText()).toMatch(
      /line 6\s+width: “wide” is not a length/,
    );
    expect(await page.locator('[role=dialog]').innerText()).toContain('colour of lid');
    await page.getByRole('button', { name: 'Take over 5' }).click();
    await page.getByRole('option', { name: /Ribbon reel/ }).click();
    await page.getByLabel('at hand').fill('8');
    await page.getByLabel('at hand').press('Enter');

    // Activities: a person, an activity, a seat, what it reaches for
    await page.getByRole('link', { name: /Activities/ }).click();
    await page.getByRole('button', { name: 'Someone' }).click();
    await page.getByRole('button', { name: 'Another' }).click();
    await page.getByLabel('What is made').fill('Gift wrapping');
    await page.getByLabel('What is made').press('Enter');
    await page.getByRole('button', { name: 'Give it a seat' }).click();
    for (const name of ['Hot glue', 'Ribbon', 'Craft knife']) {
      await page.fill('#use-add', name);
      await page.press('#use-add', 'Enter');
    }
    await page.getByRole('textbox', { name: 'fetches a session' }).fill('12');
    await page.getByRole('textbox', { name: 'fetches a session' }).press('Enter');

    // Homes: found, seen from the seat, with the reason
    await page.getByRole('link', { name: /Homes/ }).click();
    await page.waitForSelector('[data-place]');
    await page.getByRole('button', { name: 'Find homes' }).click();
    await page.waitForSelector('text=/4 homes changed/', { timeout: 20_000 });
    await until(async () => Object.keys((await serverPlan(server.url, id)).plan.homes).length === 4, 'homes saved');
    expect(await page.locator('[aria-label="Still without a home"]').innerText()).toContain('Felt');
    await page.keyboard.press('/');
    await page.getByPlaceholder('Type a few letters of it').fill('knif');
    await page.locator('[cmdk-item]').first().click();
    await page.waitForSelector('[aria-label="Ledger"]');
    expect(await page.locator('[aria-label="Ledger"]').innerText()).toMatch(/Craft knife →[\s\S]*get[\s\S]*put back/);

    // a change of mind: dragged to the top of the shelves, the cost shown before letting go; then pinned
    const found = (await serverPlan(server.url, id)).plan.homes;
    const knifeHome = Object.entries(found).find(([, h]) => page.url().includes(h.placeId))![0];
    const target = page.locator('[data-place][aria-label^="Wall shelves, shelf 1"]');
    await page.getByLabel('Any supply').fill('knife');
    const chip = await page.locator('[aria-label="Still without a home"] li button').first().boundingBox();
    const spot = await target.boundingBox();
    await page.mouse.move(chip!.x + 30, chip!.y + 10);
    await page.mouse.down();
    await page.mouse.move(chip!.x + 60, chip!.y - 40, { steps: 4 });
    await page.mouse.move(spot!.x + spot!.width / 2, spot!.y + spot!.height / 2, { steps: 8 });
    await page.waitForSelector('text=/s a fetch · .* a year, .* (more|less)/');
    await page.mouse.up();
    await until(
      async () => /\.0\.0$/.test((await serverPlan(server.url, id)).plan.homes[knifeHome]!.placeId),
      'dropped on the top shelf',
    );
    await page.getByRole('button', { name: 'Pin it here' }).click();
    await until(async () => (await serverPlan(server.url, id)).plan.homes[knifeHome]!.pinned, 'pinned');
    await page.getByRole('button', { name: 'Find homes' }).click();
    await page.waitForSelector('text=/homes? changed|already where it is best/', { timeout: 20_000 });
    expect((await serverPlan(server.url, id)).plan.homes[knifeHome]!.pinned).toBe(true);

    // all of it is there after the server was killed, undo included
    const before = await serverPlan(server.url, id);
    await restart();
    expect(await serverPlan(server.url, id)).toEqual(before);
    await page.reload();
    await page.waitForSelector('[data-place]');
    for (let i = 0; i < 3; i++) {
      const { revision } = await serverPlan(server.url, id);
      await page.keyboard.press('Control+z');
      await until(async () => (await serverPlan(server.url, id)).revision > revision, 'undone');
    }
    expect((await serverPlan(server.url, id)).plan.homes[knifeHome]?.pinned ?? false).toBe(false);
    expect(errors.filter((e) => !/ERR_CONNECTION_REFUSED|ERR_INCOMPLETE_CHUNKED|ERR_CONNECTION_RESET/.test(e))).toEqual(
      [],
    );
  });

  test('by keyboard alone', async () => {
    await page.goto(server.url);
    const press = async (...keys: string[]) => {
      for (const k of keys) await page.keyboard.press(k);
    };
    const tabTo = async (name: RegExp) => {
      for (let i = 0; i < 160; i++) {
        await page.keyboard.press('Tab');
        const label = await page.evaluate(() => {
          const e = document.activeElement as HTMLElement | null;
          if (e === document.body) return '';
          return `${e?.getAttribute('aria-label') ?? ''} ${e?.textContent ?? ''} ${(e as HTMLInputElement | null)?.placeholder ?? ''}`;
        });
        if (name.test(label)) return;
      }
      throw new Error(`Tab never came to ${name}`);
    };
    await page.waitForSelector('text=A new plan');
    await tabTo(/Name of the room/);
    await page.keyboard.type('Keys only');
    await press('Enter');
    await page.waitForSelector('#next-wall');
    const id = planIdOf(page);
    for (const length of ['300', '400', '300', '400']) {
      await page.keyboard.type(length);
      await press('Enter');
    }
    await page.waitForSelector('text=The walls close.');
    await tabTo(/^ ?Furniture|Furniture/);
    await press('Enter');
    await page.waitForSelector('text=Nothing stands here yet');
    for (const kind of ['Low', 'Work']) {
      await tabTo(/Bring in a unit/);
      await press('Enter');
      await page.waitForSelector('[role=menu]');
      await page.keyboard.type(kind);
      await press('Enter');
      await page.waitForSelector(`[data-unit][aria-label^="${kind}"]`);
    }
    await tabTo(/^Work table/);
    for (let i = 0; i < 5; i++) await press('Shift+ArrowUp');
    await tabTo(/Activities/).catch(() => page.keyboard.press('Home'));
    await press('Enter');
    await page.waitForSelector('text=What is made here');
    await tabTo(/Someone/);
    await press('Enter');
    await tabTo(/Another/).catch(async () => undefined);
    await press('Enter');
    await page.waitForSelector('text=Give it a seat');
    await tabTo(/Give it a seat/);
    await press('Enter');
    await page.waitForSelector('text=looks to');
    await tabTo(/Supplies/);
    await press('Enter');
    await page.waitForSelector('text=Take everything out');
    await tabTo(/One more/);
    await press('Enter');
    await page.waitForSelector('text=One piece, as it lies flat');
    const fields: [string, string][] = [
      ['Name', 'Brayer'],
      ['width', '10'],
      ['depth', '8'],
      ['height', '5'],
    ];
    for (const [label, value] of fields) {
      for (let i = 0; i < 60; i++) {
        await page.keyboard.press('Tab');
        if (
          await page.evaluate(
            (l) => (document.activeElement as HTMLInputElement | null)?.labels?.[0]?.textContent === l,
            label,
          )
        )
          break;
      }
      await press('Control+a');
      await page.keyboard.type(value);
      await press('Enter');
    }
    await until(
      async () => Object.values((await serverPlan(server.url, id)).plan.supplies)[0]?.name === 'Brayer',
      'named',
    );
    await tabTo(/Homes/);
    await press('Enter');
    await page.waitForSelector('[data-place]');
    await tabTo(/^ Brayer/);
    await press('Enter');
    await page.waitForSelector('text=Best places for it');
    for (
      let i = 0;
      i < 60 && !(await page.evaluate(() => Boolean((document.activeElement as HTMLElement | null)?.dataset.place)));
      i++
    )
      await press('Shift+Tab');
    await press('ArrowDown', 'Enter', 'Enter');
    await until(async () => Object.keys((await serverPlan(server.url, id)).plan.homes).length === 1, 'given a home');
    await press('p');
    await until(async () => Object.values((await serverPlan(server.url, id)).plan.homes)[0]!.pinned, 'pinned');
    await press('Control+z');
    await until(
      async () => !Object.values((await serverPlan(server.url, id)).plan.homes)[0]!.pinned,
      'unpinned by undo',
    );
    await press(']', ']');
    await page.waitForURL(/turn=30/);
    await press('f');
    await page.waitForSelector('text=/changed|already where it is best/', { timeout: 20_000 });
    await press('/');
    await page.waitForSelector('[placeholder="Type a few letters of it"]');
    await page.keyboard.type('bray');
    await page.waitForSelector('[cmdk-item] >> text=Brayer');
    await press('Enter');
    await page.waitForSelector('[aria-label="Ledger"]');
    expect(errors).toEqual([]);
  });
});

describe('bad input and bad luck', () => {
  test('walls: letters, zero, nothing, a wild turn get a clear word and change nothing', async () => {
    await page.goto(server.url);
    await page.getByRole('button', { name: 'Begin' }).click();
    expect(await page.locator('[role=alert]').innerText()).toMatch(/Give the plan a name/);
    await page.fill('#new-name', 'Trial');
    await page.getByRole('button', { name: 'Begin' }).click();
    await page.waitForSelector('#next-wall');
    const word = async (text: string, turn = '90') => {
      await page.fill('#next-turn', turn);
      await nextWall(text);
      return page.locator('[role=alert]').first().innerText();
    };
    expect(await word('long')).toMatch(/“long” is not a length/);
    expect(await word('0')).toMatch(/longer than zero/);
    expect(await word('-5')).toMatch(/cannot be negative/);
    expect(await word('')).toMatch(/Type a length/);
    expect(await word('300', '400')).toMatch(/turn is a number of degrees/);
    expect(Object.keys((await serverPlan(server.url, planIdOf(page))).plan.walls)).toEqual([]);
  });

  test('files: a plan cut in half, a list with the wrong columns; ten thousand rows do not freeze the page', async () => {
    const id = await addDemoPlan(server, 'cupboard');
    const whole = await (await fetch(`${server.url}/api/plans/${id}/file`)).text();
    const half = join(server.folder, 'half.heron.json');
    writeFileSync(half, whole.slice(0, whole.length / 2));
    await page.goto(server.url);
    await page.locator('input[aria-label="Plan file"]').setInputFiles(half);
    await page.waitForSelector('text=/The file is not whole/');

    await open(id, 'supplies');
    const wrong = join(server.folder, 'wrong.csv');
    writeFileSync(wrong, 'thing;how many\nReel;4\n');
    await page.locator('input[aria-label="CSV list"]').setInputFiles(wrong);
    await page.waitForSelector('text=/no column called “name”/');
    expect(await page.getByRole('button', { name: 'Take over 0' }).isDisabled()).toBe(true);
    await page.getByRole('button', { name: 'Leave it' }).click();

    const big = join(server.folder, 'big.csv');
    writeFileSync(
      big,
      `name,width,depth,height\n${Array.from({ length: 10_000 }, (_, i) => `Bead ${i},10,10,10`).join('\n')}`,
    );
    await page.locator('input[aria-label="CSV list"]').setInputFiles(big);
    await page.getByRole('button', { name: 'Take over 10000' }).click({ timeout: 30_000 });
    await page.waitForSelector('text=10008 supplies', { timeout: 30_000 });
    await until(async () => Object.keys((await serverPlan(server.url, id)).plan.supplies).length === 10_008, 'saved');
    await page.keyboard.press('Control+z');
    await until(
      async () => Object.keys((await serverPlan(server.url, id)).plan.supplies).length === 8,
      'one undo takes it all back',
    );
  });

  test('a second tab follows; the server stopped while editing loses nothing and says so', async () => {
    const id = await addDemoPlan(server, 'cupboard');
    await open(id, 'supplies?supply=glue-pen');
    const second = await context.newPage();
    await second.goto(`${server.url}/p/${id}/supplies?supply=glue-pen`);
    await second.waitForSelector('text=One piece, as it lies flat');
    await page.getByLabel('Name', { exact: true }).fill('Glue pen, fine');
    await page.getByLabel('Name', { exact: true }).press('Enter');
    await second.waitForSelector('text=Glue pen, fine');

    await server.stop('SIGKILL');
    await page.getByLabel('at hand').fill('7');
    await page.getByLabel('at hand').press('Enter');
    await page.waitForSelector('text=/Not saved yet/');
    await page.getByLabel('in reserve').fill('9');
    await page.getByLabel('in reserve').press('Enter');
    await page.waitForSelector('text=/2 changes are kept in this browser/');
    const port = Number(new URL(server.url).port);
    server = await startServer({ folder: server.folder, port });
    await page.waitForSelector('text=/Not saved yet/', { state: 'detached', timeout: 30_000 });
    const saved = (await serverPlan(server.url, id)).plan.supplies['glue-pen'] as unknown as {
      working: number;
      backstock: number;
    };
    expect([saved.working, saved.backstock]).toEqual([7, 9]);
  });
});

describe('as a new user would', () => {
  test('in inches: shown and typed so, centimetres taken too', async () => {
    const id = await addDemoPlan(server, 'cupboard');
    await open(id, 'furniture?unit=table');
    const width = page.getByLabel('width', { exact: true });
    expect(await width.inputValue()).toBe('48"');
    await width.fill('4\' 1 1/2"');
    await width.press('Enter');
    await until(
      async () => Math.abs((await serverPlan(server.url, id)).plan.units.table!.width - 1257.3) < 0.01,
      '49 1/2 in',
    );
    expect(await width.inputValue()).toBe('49 1/2"');
    await width.fill('120 cm');
    await width.press('Enter');
    await until(async () => (await serverPlan(server.url, id)).plan.units.table!.width === 1200, '120 cm');
    await open(id, 'room');
    await page.getByLabel('Lengths in').selectOption('metric');
    expect(await page.getByLabel('Length of wall 1').inputValue()).toBe('299.7 cm');
  });

  test('letters, nothing, zero and less in the fields of a unit and a supply: a word beside the field, Escape takes it back', async () => {
    const id = await addDemoPlan(server, 'pump');
    await open(id, 'furniture?unit=chest');
    const before = await serverPlan(server.url, id);
    const width = page.getByLabel('width', { exact: true });
    for (const [text, why] of [
      ['wide', /not a length/],
      ['0', /more than zero/],
      ['-3', /cannot be negative/],
      ['', /Type a length/],
    ] as const) {
      await width.fill(text);
      await width.press('Enter');
      expect(await page.locator('[role=alert]').first().innerText()).toMatch(why);
    }
    await width.press('Escape');
    expect(await width.inputValue()).toBe('88 cm');
    const rows = page.getByLabel('rows');
    await rows.fill('2.5');
    await rows.press('Enter');
    expect(await page.locator('[role=alert]').first().innerText()).toMatch(/whole number/);
    await open(id, 'supplies?supply=hot-knife');
    await page.getByLabel('at hand').fill('many');
    await page.getByLabel('at hand').press('Enter');
    expect(await page.locator('[role=alert]').first().innerText()).toMatch(/“many” is not a number/);
    expect(await serverPlan(server.url, id)).toEqual(before);
  });

  test('taking out a unit leaves its supplies without a home, and one undo brings all of it back', async () => {
    const id = await addDemoPlan(server, 'pump');
    await open(id, 'furniture?unit=cubes');
    const before = (await serverPlan(server.url, id)).plan;
    await page.getByRole('button', { name: 'Take it out' }).click();
    await until(async () => !(await serverPlan(server.url, id)).plan.units.cubes, 'taken out');
    const without = (await serverPlan(server.url, id)).plan;
    expect(Object.keys(without.supplies)).toEqual(Object.keys(before.supplies));
    expect(Object.keys(without.homes).length).toBeLessThan(Object.keys(before.homes).length);
    await page.getByRole('button', { name: /^Undo/ }).click();
    await until(async () => Boolean((await serverPlan(server.url, id)).plan.units.cubes), 'back');
    expect((await serverPlan(server.url, id)).plan).toEqual(before);
  });

  test('find homes can be stopped at once and says what it did; a person who is still needed is not taken out', async () => {
    const id = await addDemoPlan(server, 'pump');
    await open(id, 'homes');
    await page.getByRole('button', { name: 'Find homes' }).click();
    await page.getByRole('button', { name: 'Enough' }).click();
    await page.waitForSelector('text=/homes changed/');
    const homes = Object.keys((await serverPlan(server.url, id)).plan.homes).length;
    expect(homes).toBeGreaterThan(90);
    await open(id, 'activities');
    await page.getByRole('button', { name: /^Ash/ }).click();
    await page.getByRole('region', { name: 'People' }).getByRole('button', { name: 'Take out' }).click();
    await page.waitForSelector('text=/Ash works at Kite bench/');
  });

  test('the list as CSV and the plan as a file come down and go in again', async () => {
    const id = await addDemoPlan(server, 'pump');
    await open(id, 'supplies');
    const [csv] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: 'As CSV' }).click(),
    ]);
    const list = join(server.folder, 'down.csv');
    await csv.saveAs(list);
    const [file] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('link', { name: 'Save the whole plan as a file' }).click(),
    ]);
    const plan = join(server.folder, 'down.heron.json');
    await file.saveAs(plan);
    await page.goto(server.url);
    await page.locator('input[aria-label="Plan file"]').setInputFiles(plan);
    await page.waitForSelector('text=Walk round with a tape');
    const again = planIdOf(page);
    expect({ ...(await serverPlan(server.url, again)).plan, id: '' }).toEqual({
      ...(await serverPlan(server.url, id)).plan,
      id: '',
    });
    await page.getByRole('link', { name: /Supplies/ }).click();
    await page.locator('input[aria-label="CSV list"]').setInputFiles(list);
    await page.getByRole('button', { name: 'Take over 76' }).click();
    await page.waitForSelector('text=152 supplies');
  });

  test('an empty plan says at every stone what to do next', async () => {
    await page.goto(server.url);
    await page.fill('#new-name', 'Empty');
    await page.getByRole('button', { name: 'Begin' }).click();
    await page.waitForSelector('text=The room appears here while you type');
    for (const [stone, words] of [
      ['Activities', /Name one thing that is made/],
      ['Supplies', /Take everything out and count it/],
      ['Furniture', /Nothing stands here yet/],
      ['Homes', /Give an activity a seat/],
    ] as const) {
      await page.getByRole('link', { name: stone }).first().click();
      await page.waitForSelector(`text=${words}`);
      expect(await axeFaults(page)).toEqual([]);
    }
  });
});

describe('every screen', () => {
  test.each([
    'room?wall=wall-south',
    'activities',
    'supplies?supply=hot-knife',
    'furniture?unit=chest',
    'homes?supply=hot-knife&place=chest.3.0',
  ])('%s: axe finds nothing (WCAG 2.2 AA), the console is silent', async (path) => {
    const id = await addDemoPlan(server, 'pump');
    await open(id, path);
    await page.waitForTimeout(200);
    expect(await axeFaults(page)).toEqual([]);
    expect(errors).toEqual([]);
  });

  test('the plans page, the keys and where-is-it are clean too', async () => {
    await page.goto(server.url);
    await page.waitForSelector('text=A new plan');
    expect(await axeFaults(page)).toEqual([]);
    await open(await addDemoPlan(server, 'pump'), 'homes');
    await page.keyboard.press('?');
    await page.waitForSelector('text=Everywhere');
    expect(await axeFaults(page)).toEqual([]);
    await page.keyboard.press('Escape');
    await page.keyboard.press('/');
    await page.getByPlaceholder('Type a few letters of it').fill('paste');
    await page.waitForSelector('text=Paste bowl');
    expect(await axeFaults(page)).toEqual([]);
    expect(errors).toEqual([]);
  });

  test('dark scheme keeps its contrast', async () => {
    await context.close();
    ({ page, context, errors } = await newPage(browser, { colorScheme: 'dark' }));
    await open(await addDemoPlan(server, 'pump'), 'homes?supply=hot-knife&place=chest.3.0');
    expect(await axeFaults(page)).toEqual([]);
  });

  test('where is it works on a phone, 390 px wide', async () => {
    await context.close();
    ({ page, context, errors } = await newPage(browser, { viewport: { width: 390, height: 800 } }));
    await open(await addDemoPlan(server, 'pump'), 'room');
    await page.getByRole('button', { name: 'Where is it?' }).click();
    await page.getByPlaceholder('Type a few letters of it').fill('brush');
    await page.waitForSelector('text=/Wall board, field 2-2/');
    const dialog = await page.locator('[role=dialog]').boundingBox();
    expect(dialog!.x).toBeGreaterThanOrEqual(0);
    expect(dialog!.x + dialog!.width).toBeLessThanOrEqual(390);
  });

  test('the address holds what is on screen: reload and back', async () => {
    const id = await addDemoPlan(server, 'pump');
    await open(id, 'homes?seat=print-seat&place=bench.0.0');
    await page.waitForSelector('[aria-label="Ledger"]');
    await page.reload();
    await page.waitForSelector('[aria-label="Ledger"]');
    expect(
      await page.getByRole('button', { name: 'Wet bench', exact: true }).first().getAttribute('aria-pressed'),
    ).toBe('true');
    await page.getByRole('link', { name: /Supplies/ }).click();
    await page.waitForSelector('[aria-label="Stock list"]');
    await page.goBack();
    await page.waitForSelector('[aria-label="Ledger"]');
  });
});
