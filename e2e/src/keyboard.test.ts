import { describe, expect, test } from '@jest/globals';
import { addDemoPlan } from './harness.ts';
import { axeFaults, until, withApp } from './support.ts';

const app = withApp();
/** What the focused thing is called. */
const focused = () =>
  app.page.evaluate(() => {
    const e = document.activeElement;
    return e?.getAttribute('aria-label') ?? e?.textContent?.trim() ?? '';
  });

describe('by keys alone', () => {
  test('places of a front take focus, arrows go from one to the next, and only Enter chooses', async () => {
    await app.open(await addDemoPlan(app.server, 'pump'), 'furniture?unit=cubes');
    const { page } = app;
    const front = page.getByRole('group', { name: 'Cube unit from the front' });
    await front.getByRole('button').first().focus();
    expect(await focused()).toMatch(/^cubby 1-1/);
    await page.keyboard.press('ArrowRight');
    expect(await focused()).toMatch(/^cubby 1-2/);
    await page.keyboard.press('ArrowDown');
    expect(await focused()).toMatch(/^cubby 2-2/);
    expect(page.url()).not.toContain('place=');
    await page.keyboard.press('Enter');
    await page.waitForURL(/place=cubes\.1\.1/);
    // one stop of Tab for all of them
    await page.keyboard.press('Tab');
    expect(await page.evaluate(() => document.activeElement?.matches('[data-row]'))).toBe(false);
    expect(app.errors).toEqual([]);
  });

  test('from a row of the supplies one Tab leads to its editor; going through the list chooses nothing', async () => {
    await app.open(await addDemoPlan(app.server, 'pump'), 'supplies');
    const { page } = app;
    const grid = page.getByRole('grid', { name: 'Supplies' });
    await grid.focus();
    const cell = () => grid.getAttribute('aria-activedescendant');
    const first = await cell();
    await page.keyboard.press('ArrowDown');
    expect(await cell()).not.toBe(first);
    expect(page.url()).not.toContain('supply=');
    const name = await page.locator(`#${await cell()}`).textContent();
    await page.keyboard.press('Shift+Enter');
    await page.waitForURL(/supply=/);
    await page.getByLabel('Name', { exact: true }).waitFor();
    await page.keyboard.press('Tab');
    expect(await page.evaluate(() => (document.activeElement as HTMLInputElement).value)).toBe(name);
  });

  test('keys of one letter do nothing once they are switched off, nor while a list is open; a sheet gives the focus back', async () => {
    await app.open(await addDemoPlan(app.server, 'pump'), 'homes');
    const { page } = app;
    const findHomes = page.getByRole('button', { name: 'Find homes' });
    await findHomes.focus();
    await page.keyboard.press('?');
    await page.getByRole('dialog', { name: 'Guide' }).getByRole('button', { name: 'Keys' }).click();
    await page.getByRole('dialog', { name: 'Keys' }).waitFor();
    await page.getByLabel(/Keys of one letter/).uncheck();
    await page.keyboard.press('Escape');
    await page.getByRole('dialog').waitFor({ state: 'detached' });
    expect(await focused()).toBe('Find homes');
    for (const key of ['?', '/', 'f', ']']) await page.keyboard.press(key);
    await page.waitForTimeout(200);
    expect(await page.getByRole('dialog').count()).toBe(0);
    expect(await findHomes.isVisible()).toBe(true);
    expect(page.url()).not.toContain('turn=');
    await page.getByRole('button', { name: 'Guide and keys' }).click();
    await page.getByRole('dialog').getByRole('button', { name: 'Keys' }).click();
    await page.getByLabel(/Keys of one letter/).check();
    await page.keyboard.press('Escape');
    await page.getByRole('dialog').waitFor({ state: 'detached' });
    await page.keyboard.press(']');
    await page.waitForURL(/turn=15/);
  });

  test('what is wrong in a field is said with it', async () => {
    await app.open(await addDemoPlan(app.server, 'pump'), 'supplies?supply=hot-knife');
    const field = app.page.getByLabel('width', { exact: true });
    await field.fill('three apples');
    await field.press('Enter');
    const id = await field.getAttribute('aria-describedby');
    expect(await app.page.locator(`[id="${id}"]`).textContent()).toMatch(/apples/);
    expect(await field.getAttribute('aria-invalid')).toBe('true');
  });

  test('a plan is thrown away and brought back from its list; another way is taken over into the first', async () => {
    const id = await addDemoPlan(app.server, 'cupboard');
    const { page } = app;
    await page.goto(app.server.url);
    const name = 'One cupboard and a table';
    await page
      .getByRole('button', { name: `Throw ${name} away` })
      .first()
      .click();
    await page
      .getByRole('region', { name: 'Thrown away' })
      .getByText(/kept until/)
      .waitFor();
    await page
      .getByRole('button', { name: `Bring ${name} back` })
      .first()
      .click();
    await page.getByRole('region', { name: 'Thrown away' }).waitFor({ state: 'detached' });
    await app.open(id, 'furniture');
    // by its key: a line that comes in above moves it from under a pointer
    await page.getByRole('button', { name: 'Try another way' }).press('Enter');
    await page.waitForURL(/beside=/);
    const other = /\/p\/([^/]+)/.exec(page.url())![1]!;
    // the address changes before the plan does: the title is that of the plan on screen
    const onScreen = (plan: string) =>
      page.waitForFunction((title) => document.title === title, `Furniture · ${plan} · Heronstone`);
    await onScreen(`${name}, another way`);
    const takeOver = page.getByRole('button', { name: /^Take this way over into/ });
    await takeOver.waitFor();
    const unit = page.locator('[data-unit][tabindex="0"]').first();
    const unitId = (await unit.getAttribute('data-unit'))!;
    const where = async (plan: string) =>
      (
        (await (await fetch(`${app.server.url}/api/plans/${plan}`)).json()) as {
          plan: { units: Record<string, { x: number }> };
        }
      ).plan.units[unitId]!.x;
    const before = await where(id);
    await unit.press('ArrowRight');
    await until(async () => (await where(other)) !== before, 'moved in the other way');
    await takeOver.click();
    await page.waitForURL(new RegExp(`/p/${id}/furniture`));
    await onScreen(name);
    expect(await where(id)).toBe(await where(other));
    await page.keyboard.press('Control+z');
    await until(async () => (await where(id)) === before, 'taken back');
  });
});

describe('the guide', () => {
  test('behind ? is the page of the stone, with its pictures; its links go from page to page', async () => {
    const { page } = app;
    await app.open(await addDemoPlan(app.server, 'pump'), 'homes');
    await page.keyboard.press('?');
    const guide = page.getByRole('dialog', { name: 'Guide' });
    await guide.getByRole('heading', { name: 'Homes', exact: true }).waitFor();
    const picture = guide.getByRole('img').first();
    await picture.scrollIntoViewIfNeeded();
    await until(() => picture.evaluate((img: HTMLImageElement) => img.naturalWidth > 600), 'its picture is there');
    expect(await axeFaults(page)).toEqual([]);
    await guide.getByRole('article').getByRole('button', { name: 'Carrying things over' }).click();
    await guide.getByRole('heading', { name: 'Carrying things over' }).waitFor();
    const pages = guide.getByRole('navigation', { name: 'Pages of the guide' });
    expect(await pages.locator('[aria-current=page]').innerText()).toBe('Carrying things over');
    await pages.getByRole('button', { name: 'On the phone' }).click();
    // what lies outside the guide is words, and no way out of the plan
    await guide.getByText(/how that is run/).waitFor();
    expect(await guide.getByRole('link').count()).toBe(0);
    expect(app.errors).toEqual([]);
  });
});

describe('the address', () => {
  test('follows Round once it is let go, not while it is dragged', async () => {
    await app.open(await addDemoPlan(app.server, 'pump'), 'homes');
    const { page } = app;
    const round = (await page.getByRole('group', { name: /The room as seen from/ }).boundingBox())!;
    const y = round.y + 12;
    await page.mouse.move(round.x + 640, y);
    await page.mouse.down();
    for (let i = 1; i <= 8; i++) await page.mouse.move(round.x + 640 + 20 * i, y);
    await page.waitForSelector('text=/\\d+° left/');
    expect(page.url()).not.toContain('turn=');
    await page.mouse.up();
    await page.waitForURL(/turn=-\d+/);
  });
});
