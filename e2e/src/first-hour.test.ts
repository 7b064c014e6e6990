import { describe, expect, test } from '@jest/globals';
import { type Page } from 'playwright-core';
import { findingsOf } from '@heronstone/core/findings';
import { countActs, secondsOfActs } from './bench/acts.ts';
import { cupboardTonight, OWN_TABLE, SPOKEN, TWENTY, wholeHour } from './scenes/first-hour.ts';
import { withFinger, withKeys, withMouse } from './scenes/hands.ts';
import { axeFaults, planIdOf, serverPlan, until, withApp } from './support.ts';

describe('the first hour', () => {
  const app = withApp();
  const planOf = async () => (await serverPlan(app.server.url, planIdOf(app.page))).plan;
  const next = () => app.page.getByRole('region', { name: 'The next thing' });

  /** By keyboard alone, and with a finger on a phone. */
  const HANDS = [
    { by: 'by keyboard alone', hand: (page: Page) => withKeys(page), options: {} },
    {
      by: 'with a finger, 390 px wide',
      hand: () => withFinger,
      options: { viewport: { width: 390, height: 844 }, hasTouch: true },
    },
  ];

  test.each(HANDS)(
    'one cupboard, tonight, $by: the line leads from the first page to its printed map, at most six minutes of acts',
    async ({ hand, options }) => {
      await app.newPage(options);
      const { page } = app;
      await page.goto(app.server.url);
      await page.getByRole('heading', { name: 'One cupboard, tonight' }).waitFor();
      expect(await axeFaults(page)).toEqual([]);
      const acts = await countActs(app.context);
      expect(await cupboardTonight(page, app.server.url, hand(page))).toMatch(/\.pdf$/);
      const plan = await planOf();
      expect(Object.values(plan.units).map((u) => u.kind)).toEqual(['cupboard']);
      expect(Object.keys(plan.supplies)).toHaveLength(20);
      expect(Object.keys(plan.homes).length).toBeGreaterThanOrEqual(18);
      const done = await acts(page);
      // every letter of the list was counted, and nothing was dragged
      expect(done.keys).toBeGreaterThanOrEqual(TWENTY.length);
      expect(done.drags).toBe(0);
      expect(secondsOfActs(done)).toBeLessThan(6 * 60);
      expect(app.errors).toEqual([]);
    },
  );

  test.each([{ by: 'with the mouse', hand: () => withMouse, options: {} }, ...HANDS])(
    'the trial’s hour $by, in inches, to the first homes: at most twelve minutes of acts, no line mended, furniture one gets at',
    async ({ hand, options }) => {
      await app.newPage(options);
      const { page } = app;
      const acts = await countActs(app.context);
      await wholeHour(page, app.server.url, hand(page));
      await until(async () => Object.keys((await planOf()).homes).length >= 60, 'they have homes');
      const plan = await planOf();
      expect(Object.keys(plan.supplies)).toHaveLength(OWN_TABLE.split('\n').length - 1 + SPOKEN.split('\n').length);
      expect([plan.units, plan.people, plan.activities].map((t) => Object.keys(t).length)).toEqual([5, 2, 3]);
      // what things are kept in stands with its back to a wall and can be opened, as it came
      const wrong = findingsOf(plan).filter((f) => ['drawer', 'stand', 'before', 'overlap', 'door'].includes(f.check));
      expect(wrong.map((f) => f.words)).toEqual([]);
      const done = await acts(page);
      expect(done.keys).toBeGreaterThanOrEqual(SPOKEN.length);
      expect(secondsOfActs(done)).toBeLessThan(12 * 60);
      expect(app.errors).toEqual([]);
    },
  );

  test('my room: four walls in numbers, a table brought in, sat down at by pressing a side of it; all of it one undo each', async () => {
    const { page } = app;
    await page.goto(app.server.url);
    await page.getByRole('button', { name: 'Begin' }).click();
    await page
      .getByRole('alert')
      .getByText(/Give the plan a name/)
      .waitFor();
    await page.fill('#new-name', 'Attic');
    await page.getByLabel('Wall 1').fill('410');
    await page.getByLabel('Wall 2').fill('wide');
    await page.getByRole('button', { name: 'Begin' }).click();
    await page
      .getByRole('alert')
      .getByText(/^Wall 2: /)
      .waitFor();
    await page.getByLabel('Wall 2').fill('320');
    await page.getByRole('button', { name: 'Begin' }).click();
    await next().getByText('The walls close: now it can be furnished.').waitFor();
    await next().getByRole('button', { name: 'Do this' }).click();
    await page.getByRole('menuitem', { name: /^Work table/ }).click();
    await next()
      .getByText(/^Sit down at Work table/)
      .waitFor();
    await page.getByRole('button', { name: 'Sit down at its left end: Work table' }).click();
    await until(async () => Object.keys((await planOf()).stations).length === 1, 'there is a seat');
    const plan = await planOf();
    const [seat] = Object.values(plan.stations);
    expect(seat).toMatchObject({ unitId: Object.keys(plan.units)[0], standing: false });
    expect([Object.values(plan.people)[0]!.name, Object.values(plan.activities)[0]!.name]).toEqual(['Me', 'Making']);
    // that side is taken now
    await page.getByRole('button', { name: 'Sit down at its left end: Work table' }).waitFor({ state: 'detached' });
    await page.keyboard.press('Control+z');
    await until(async () => Object.keys((await planOf()).people).length === 0, 'nobody is there any more');
    // and the line itself sits down
    await next().getByRole('button', { name: 'Do this' }).click();
    await until(async () => Object.keys((await planOf()).stations).length === 1, 'there is a seat again');
    expect(await axeFaults(page)).toEqual([]);
    expect(app.errors).toEqual([]);
  });

  test('nothing to press is on the first page before its list is known: a button does not move away from under the hand', async () => {
    const { page } = app;
    let tell = () => {};
    const told = new Promise<void>((resolve) => (tell = resolve));
    await page.route('**/api/plans', async (route) => {
      await told;
      await route.continue();
    });
    await page.goto(app.server.url);
    await page.getByRole('heading', { name: 'Plans', exact: true }).waitFor();
    expect(await page.getByRole('button', { name: 'Begin' }).count()).toBe(0);
    tell();
    await page.getByRole('button', { name: 'Begin' }).waitFor();
    const listed = await page.getByRole('link', { name: /^Attic/ }).boundingBox();
    expect((await page.getByRole('button', { name: 'Begin' }).boundingBox())!.y).toBeGreaterThan(listed!.y);
    await page.unroute('**/api/plans');
  });

  test('the line is put away for good, and comes back where the keys are said', async () => {
    const { page } = app;
    await page.goto(app.server.url);
    await page.fill('#new-name', 'Quiet');
    await page.getByRole('button', { name: 'Begin' }).click();
    await next().getByText('Type how long the first wall is').waitFor();
    await next().getByRole('button', { name: 'Do this' }).click();
    await page.waitForFunction(() => document.activeElement?.id === 'next-wall');
    await next()
      .getByRole('button', { name: /^Put this line away/ })
      .click();
    await next().waitFor({ state: 'detached' });
    await page.reload();
    await page.waitForSelector('#next-wall');
    await app.settled();
    expect(await next().count()).toBe(0);
    await page.getByRole('button', { name: 'Guide and keys' }).click();
    await page.getByRole('dialog').getByRole('button', { name: 'Keys' }).click();
    await page.getByLabel(/^A line says the one next thing/).check();
    await page.keyboard.press('Escape');
    await next().waitFor();
  });

  test('a room that is furnished is opened as a plan of one’s own, in one’s own measure, also on a phone', async () => {
    await app.newPage({ viewport: { width: 390, height: 844 }, hasTouch: true });
    const { page } = app;
    await page.goto(app.server.url);
    await page.getByLabel('inches').check();
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
    expect(await axeFaults(page)).toEqual([]);
    await page.getByRole('button', { name: 'Open it' }).tap();
    await page.waitForURL(/\/homes/);
    await page.waitForSelector('main');
    const plan = await planOf();
    expect([plan.head.measure, Object.keys(plan.supplies).length > 100]).toEqual(['imperial', true]);
    // what was measured in is remembered for the next one
    await page.goto(app.server.url);
    await page.getByLabel('inches', { exact: true }).and(page.locator(':checked')).waitFor();
    expect(app.errors).toEqual([]);
  });
});
