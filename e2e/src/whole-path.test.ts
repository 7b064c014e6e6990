import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, test } from '@jest/globals';
import { type Unit } from '@heronstone/core/plan';
import { carriedOver, planIdOf, serverPlan, until, withApp } from './support.ts';

const app = withApp();

const CSV = `name,family,form,width,depth,height,working,hazards,colour of lid
Hot glue sticks,Gluing,stick,20 cm,12 mm,12 mm,20,,red
Ribbon reel,Trim,spool,90,90,30,6,,
Craft knife,Cutting,stick,"6""",20,15,1,blade,
Card pack,Paper,block,300 mm,210 mm,40 mm,2,,
Mystery,,block,wide,1,1,1,,
Felt,Cloth,soft,,,,4,,`;

describe('the whole path', () => {
  test('from a room’s walls to homes in reach, a change of mind, and all of it there after a restart', async () => {
    await app.page.goto(app.server.url);
    await app.page.fill('#new-name', 'Back room');
    await app.page.getByRole('button', { name: 'Begin' }).click();
    await app.page.waitForSelector('#next-wall');
    const id = planIdOf(app.page);

    // Room: Floor grows, the misclosure is said, one key mends it
    await app.nextWall('3.2 m');
    await app.nextWall('410');
    await app.nextWall('2900 mm');
    await app.nextWall('410cm');
    expect(await app.page.locator('[role=status]').first().innerText()).toMatch(
      /do not close: the end misses the start by 300 mm/,
    );
    await app.page.getByLabel('Length of wall 3').fill('319');
    await app.page.getByLabel('Length of wall 3').press('Enter');
    await app.page.waitForSelector('text=/The walls close to 10 mm/');
    await app.page.getByRole('button', { name: /Spread 1 cm/ }).click();
    await app.page.waitForSelector('text=The walls close.');
    expect(await app.page.getByTestId('wall-length').count()).toBe(4);
    await app.addToWall(4, 'Door');
    await app.addToWall(2, 'Window');
    await app.page.getByLabel('Ceiling height').fill('8\' 6"');
    await app.page.getByLabel('Ceiling height').press('Enter');

    // Furniture: brought in, dragged, by keys, by numbers
    const unitCalled = async (name: string) =>
      Object.values((await serverPlan(app.server.url, id)).plan.units).find((u) => u.name === name);
    let came: Unit | undefined;
    await app.page.getByRole('link', { name: /Furniture/ }).click();
    for (const kind of ['Work table', 'Low chest', 'Wall shelves', 'Three-tier cart']) {
      await app.page.getByRole('button', { name: 'Bring in a unit' }).click();
      await app.page.getByRole('menuitem', { name: new RegExp(`^${kind}`) }).click();
      await app.page.waitForSelector(`[data-unit][aria-label="${kind}"]`);
      if (kind === 'Work table') {
        await app.page.getByLabel('from the wall: wall 2').fill('0');
        await app.page.getByLabel('from the wall: wall 2').press('Enter');
      }
      if (kind === 'Low chest') {
        await until(async () => (came = await unitCalled(kind)) !== undefined, 'the chest is there');
        const before = await app.page.locator('[data-unit][aria-label="Low chest"]').boundingBox();
        await app.page.mouse.move(before!.x + 20, before!.y + 10);
        await app.page.mouse.down();
        await app.page.mouse.move(before!.x + 200, before!.y + 60, { steps: 6 });
        await app.page.mouse.up();
        await app.page.keyboard.press('r');
        await app.page.keyboard.press('Shift+ArrowRight');
      }
      if (kind === 'Wall shelves') {
        await app.page.getByLabel('from the wall: wall 2').fill('0 cm');
        await app.page.getByLabel('from the wall: wall 2').press('Enter');
      }
      if (kind === 'Three-tier cart')
        for (let i = 0; i < 6; i++)
          await app.page.locator('[data-unit][aria-label="Three-tier cart"]').press('Shift+ArrowLeft');
    }
    await until(
      async () => Object.keys((await serverPlan(app.server.url, id)).plan.units).length === 4,
      'four units saved',
    );
    const units = Object.values((await serverPlan(app.server.url, id)).plan.units);
    const chest = units.find((u) => u.name === 'Low chest')!;
    // turned by a quarter, and dragged away from where it came
    expect((((chest.facing - came!.facing) % 360) + 360) % 360).toBeCloseTo(90, 6);
    expect(Math.hypot(chest.x - came!.x, chest.y - came!.y)).toBeGreaterThan(500);
    expect(units.find((u) => u.name === 'Work table')!.y).toBeCloseTo(3195 - 350, -1);

    // Supplies: a list with one bad row
    await app.page.getByRole('link', { name: /Supplies/ }).click();
    const list = join(app.server.folder, 'list.csv');
    writeFileSync(list, CSV);
    await app.page.getByRole('button', { name: 'A table of your own', exact: true }).click();
    await app.page.locator('input[aria-label="A list as CSV or text"]').setInputFiles(list);
    await app.page.waitForSelector('text=/5 new supplies/');
    expect(await app.page.locator('[aria-label="Lines left out"]').innerText()).toMatch(
      /line 6\s+width: “wide” is not a length/,
    );
    expect(await app.page.getByRole('region', { name: 'What it would do' }).innerText()).toContain('colour of lid');
    await app.page.getByRole('button', { name: 'Take over 5' }).click();
    await app.page.getByRole('gridcell', { name: 'Ribbon reel', exact: true }).click();
    await app.page.getByLabel('at hand').fill('8');
    await app.page.getByLabel('at hand').press('Enter');

    // Activities: a person, an activity, a seat, what it reaches for
    await app.page.getByRole('link', { name: /Activities/ }).click();
    await app.page.getByRole('button', { name: 'Someone' }).click();
    await app.page.getByRole('button', { name: 'Another' }).click();
    await app.page.getByLabel('What is made').fill('Gift wrapping');
    await app.page.getByLabel('What is made').press('Enter');
    await app.page.getByRole('button', { name: 'Give it a seat' }).click();
    await app.page.getByRole('button', { name: 'What it reaches for' }).click();
    for (const name of ['Hot glue', 'Ribbon', 'Craft knife']) {
      await app.page.fill('#use-add', name);
      await app.page.press('#use-add', 'Enter');
    }
    await app.page.getByRole('textbox', { name: 'reached for a session' }).fill('12');
    await app.page.getByRole('textbox', { name: 'reached for a session' }).press('Enter');

    // Homes: found, seen from the seat, with the reason
    await app.page.getByRole('link', { name: /Homes/ }).click();
    await app.page.waitForSelector('[data-place]');
    await app.page.getByRole('button', { name: 'Find homes' }).click();
    await app.page.waitForSelector('text=/4 homes changed/');
    await app.page.getByRole('button', { name: 'Back to the homes' }).click();
    await until(async () => Object.keys((await serverPlan(app.server.url, id)).plan.homes).length === 4, 'homes saved');
    expect(await app.page.locator('[aria-label="Still without a home"]').innerText()).toContain('Felt');
    await app.page.keyboard.press('/');
    await app.page.getByPlaceholder('Type a few letters of it').fill('knif');
    await app.page.locator('[cmdk-item]').first().click();
    await app.page.waitForSelector('[aria-label="Ledger"]');
    expect(await app.page.locator('[aria-label="Ledger"]').innerText()).toMatch(
      /Craft knife →[\s\S]*get[\s\S]*put back/,
    );

    // a change of mind: dragged to the top of the shelves, the cost shown before letting go; then pinned
    const found = (await serverPlan(app.server.url, id)).plan;
    const knifeHome = `${Object.entries(found.supplies).find(([, x]) => x.name === 'Craft knife')![0]}.working`;
    const target = app.page.locator('[data-place][aria-label^="Wall shelves › shelf 1"]');
    await app.page.getByLabel('Any supply').fill('knife');
    const chip = app.page.locator('[aria-label="Still without a home"] li button').first();
    await carriedOver(chip, knifeHome, target, 'round:');
    await app.page.waitForSelector('text=/s a fetch · .* a year, .* (more|less)/');
    await app.page.mouse.up();
    await until(
      async () => /\.0\.0$/.test((await serverPlan(app.server.url, id)).plan.homes[knifeHome]!.placeId),
      'dropped on the top shelf',
    );
    await app.page.getByRole('button', { name: 'Pin it here' }).click();
    await until(async () => (await serverPlan(app.server.url, id)).plan.homes[knifeHome]!.pinned, 'pinned');
    await app.page.getByRole('button', { name: 'Find homes' }).click();
    await app.page.waitForSelector('text=/homes? changed|No better homes were found|Nothing better was found/', {});
    expect((await serverPlan(app.server.url, id)).plan.homes[knifeHome]!.pinned).toBe(true);

    // all of it is there after the server was killed, undo included
    const before = await serverPlan(app.server.url, id);
    await app.restart();
    expect(await serverPlan(app.server.url, id)).toEqual(before);
    await app.page.reload();
    await app.page.waitForSelector('main');
    for (let i = 0; i < 3; i++) {
      const { revision } = await serverPlan(app.server.url, id);
      await app.page.keyboard.press('Control+z');
      await until(async () => (await serverPlan(app.server.url, id)).revision > revision, 'undone');
    }
    expect((await serverPlan(app.server.url, id)).plan.homes[knifeHome]?.pinned ?? false).toBe(false);
    expect(
      app.errors.filter((e) => !/ERR_CONNECTION_REFUSED|ERR_INCOMPLETE_CHUNKED|ERR_CONNECTION_RESET/.test(e)),
    ).toEqual([]);
  });

  test('by keyboard alone', async () => {
    await app.page.goto(app.server.url);
    const press = async (...keys: string[]) => {
      for (const k of keys) await app.page.keyboard.press(k);
    };
    const tabTo = async (name: RegExp) => {
      for (let i = 0; i < 160; i++) {
        await app.page.keyboard.press('Tab');
        const label = await app.page.evaluate(() => {
          const e = document.activeElement as HTMLElement | null;
          if (e === document.body) return '';
          return `${e?.getAttribute('aria-label') ?? ''} ${e?.textContent ?? ''} ${(e as HTMLInputElement | null)?.placeholder ?? ''}`;
        });
        if (name.test(label)) return;
      }
      throw new Error(`Tab never came to ${name}`);
    };
    await app.page.waitForSelector('text=A new plan');
    await tabTo(/Name of the room/);
    await app.page.keyboard.type('Keys only');
    await press('Enter');
    await app.page.waitForSelector('#next-wall');
    const id = planIdOf(app.page);
    for (const length of ['300', '400', '300', '400']) {
      await app.page.keyboard.type(length);
      await press('Enter');
    }
    await app.page.waitForSelector('text=The walls close.');
    await tabTo(/^ ?Furniture|Furniture/);
    await press('Enter');
    await app.page.waitForSelector('text=Nothing stands here yet');
    for (const kind of ['Low', 'Work']) {
      await tabTo(/Bring in a unit/);
      await press('Enter');
      await app.page.waitForSelector('[role=menu]:focus-within');
      await app.page.keyboard.type(kind, { delay: 30 });
      await app.page.waitForSelector(`[role=menuitem][data-highlighted]:has-text("${kind}")`);
      await press('Enter');
      await app.page.waitForSelector(`[data-unit][aria-label^="${kind}"]`);
    }
    await tabTo(/^Work table/);
    for (let i = 0; i < 5; i++) await press('Shift+ArrowUp');
    await tabTo(/Activities/).catch(() => app.page.keyboard.press('Home'));
    await press('Enter');
    await app.page.waitForSelector('text=What is made here');
    await tabTo(/Someone/);
    await press('Enter');
    await tabTo(/Another/).catch(async () => undefined);
    await press('Enter');
    await app.page.waitForSelector('text=Give it a seat');
    await tabTo(/Give it a seat/);
    await press('Enter');
    await app.page.getByLabel('looks to').waitFor();
    await tabTo(/Supplies/);
    await press('Enter');
    // the tour comes first where there is furniture and nothing in it; the list is beside it
    await app.page.waitForSelector('#tour-line');
    await tabTo(/^ List $/);
    await press('Enter');
    await tabTo(/One more/);
    await press('Enter');
    await app.page.waitForSelector('text=One piece, as it lies flat');
    const fields: [string, string][] = [
      ['Name', 'Brayer'],
      ['width', '10'],
      ['depth', '8'],
      ['height', '5'],
    ];
    for (const [label, value] of fields) {
      for (let i = 0; i < 60; i++) {
        await app.page.keyboard.press('Tab');
        if (
          await app.page.evaluate(
            (l) => (document.activeElement as HTMLInputElement | null)?.labels?.[0]?.textContent === l,
            label,
          )
        )
          break;
      }
      await press('Control+a');
      await app.page.keyboard.type(value);
      await press('Enter');
    }
    await until(
      async () => Object.values((await serverPlan(app.server.url, id)).plan.supplies)[0]?.name === 'Brayer',
      'named',
    );
    await tabTo(/Homes/);
    await press('Enter');
    await app.page.waitForSelector('[data-place]');
    await tabTo(/^ Brayer/);
    await press('Enter');
    await app.page.waitForSelector('text=Best places for it');
    for (
      let i = 0;
      i < 60 &&
      !(await app.page.evaluate(() => Boolean((document.activeElement as HTMLElement | null)?.dataset.place)));
      i++
    )
      await press('Shift+Tab');
    await press('ArrowDown', 'Enter', 'Enter');
    await until(
      async () => Object.keys((await serverPlan(app.server.url, id)).plan.homes).length === 1,
      'given a home',
    );
    await press('p');
    await until(async () => Object.values((await serverPlan(app.server.url, id)).plan.homes)[0]!.pinned, 'pinned');
    await press('Control+z');
    await until(
      async () => !Object.values((await serverPlan(app.server.url, id)).plan.homes)[0]!.pinned,
      'unpinned by undo',
    );
    await press(']', ']');
    await app.page.waitForURL(/turn=30/);
    await press('f');
    await app.page.waitForSelector('text=/homes? changed|No better homes were found|Nothing better was found/', {});
    await press('/');
    await app.page.waitForSelector('[placeholder="Type a few letters of it"]');
    await app.page.keyboard.type('bray');
    await app.page.waitForSelector('[cmdk-item][data-selected=true] >> text=Brayer');
    await press('Enter');
    await app.page.waitForSelector('[aria-label="Ledger"]');
    expect(app.errors).toEqual([]);
  });
});
