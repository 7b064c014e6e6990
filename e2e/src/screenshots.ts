import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { type Page } from 'playwright-core';
import { addDemoPlan, launch, newPage, removeFolder, root, startServer } from './harness.ts';

/** One current picture of every main view, from the demo, at 1280 × 800. `npm run screenshots [-- NAME …]` */
const out = process.env.SHOTS ?? join(root, 'docs/screenshots');
mkdirSync(out, { recursive: true });
const wanted = process.argv.slice(2);

const server = await startServer();
const pump = await addDemoPlan(server, 'pump');
const spring = await addDemoPlan(server, 'spring');
const cupboard = await addDemoPlan(server, 'cupboard');
const browser = await launch();
const { page, errors } = await newPage(browser);

const at = (plan: string, path: string) =>
  page.goto(`${server.url}/p/${plan}/${path}`, { waitUntil: 'load' }).then(() => page.waitForSelector('main'));
const LINES = `24 small ink pads
3 packs card 12x12 216 g
6 rolls twine 3 in dia x 3
shoe box of ribbon ends
half of drawer 3 of felt
3 pads
72 twin-tip markers, 6 1/2 in
about 40 red buttons
2 packs of 50 white A6 card blanks
rubber stamp 2 x 2 x 3/4`;
const shots: Record<string, (page: Page) => Promise<unknown>> = {
  plans: () => page.goto(server.url).then(() => page.waitForSelector('text=The pump house')),
  room: () => at(pump, 'room?wall=wall-south'),
  activities: () => at(pump, 'activities?activity=lanterns'),
  tryout: async (page) => {
    await at(spring, `tryout?seat=kite-seat&against=${encodeURIComponent(`plan ${pump}`)}`);
    await page.waitForSelector('text=/is quicker by/');
    for (let i = 0; i < 12; i++) await page.getByRole('button', { name: 'Next moment' }).click();
  },
  'help-most': async (page) => {
    await at(spring, 'tryout?view=help');
    await page.getByRole('button', { name: 'Look what would help' }).click();
    await page.getByRole('button', { name: 'Look again' }).waitFor({ timeout: 120_000 });
    await page.locator('main button[aria-pressed]').first().click();
  },
  arrange: async (page) => {
    await at(cupboard, 'furniture?view=arrange');
    await page.getByRole('button', { name: 'Look for ways' }).click();
    await page.getByRole('button', { name: 'Look elsewhere' }).waitFor({ timeout: 240_000 });
  },
  tour: async (page) => {
    await at(pump, 'supplies?view=tour&place=left.3.0');
    await page.fill('#tour-line', '24 small ink pads');
    await page.waitForSelector('text=/24 × small ink pad/');
  },
  lines: async (page) => {
    await at(pump, 'supplies?view=lines');
    await page.fill('#lines', LINES);
    await page.waitForSelector('text=/in doubt/');
  },
  supplies: () => at(pump, 'supplies?view=list&supply=pompoms'),
  furniture: () => at(pump, 'furniture?unit=chest'),
  inside: async (page) => {
    await at(pump, 'furniture?unit=cubes&place=cubes.2.0');
    await page.getByRole('button', { name: 'Inside', exact: true }).click();
  },
  zones: () => at(pump, 'furniture?view=zones&unit=chest'),
  colours: async (page) => {
    await at(pump, 'supplies?view=colours');
    for (const name of ['Red card', 'Yellow card', 'Purple card'])
      await page.getByRole('region', { name: 'Swatch chart' }).getByTitle(name, { exact: true }).click();
    await page.waitForSelector('text=/On one walk/');
  },
  cutting: async (page) => {
    await at(pump, 'supplies?view=cutting');
    await page.waitForSelector('text=/the fewest there can be/');
  },
  homes: async () => {
    await at(spring, 'homes?seat=kite-seat&supply=ripstop-white');
    await page.waitForSelector('text=/Why here/');
  },
  'before-after': async (page) => {
    await at(pump, 'homes?seat=lantern-seat');
    await page.click('text=Find homes');
    await page.waitForSelector('text=/homes changed/', { timeout: 60_000 });
    await page.getByRole('button', { name: 'Before and after' }).click();
    await page.waitForSelector('text=Gained most');
  },
  'where-is-it': async () => {
    await at(pump, 'homes');
    await page.keyboard.press('/');
    await page.waitForSelector('[placeholder="Type a few letters of it"]');
    await page.keyboard.type('paste');
    await page.waitForSelector('text=Paste bowl');
  },
};
for (const [name, show] of Object.entries(shots)) {
  if (wanted.length > 0 && !wanted.includes(name)) continue;
  await show(page);
  await page.waitForTimeout(400);
  await page.screenshot({ path: join(out, `${name}.png`) });
}
if (wanted.length === 0 || wanted.includes('sort-out')) {
  const phone = await newPage(browser, { viewport: { width: 390, height: 800 }, hasTouch: true, isMobile: true });
  await phone.page.goto(`${server.url}/p/${pump}/supplies?view=sort`);
  await phone.page.waitForSelector('[data-thing]');
  for (const way of ['keep', 'keep', 'pass on', 'keep', 'throw', 'away for the season', 'undecided', 'keep']) {
    await phone.page.getByRole('button', { name: new RegExp(`^${way} `) }).tap();
    await phone.page.waitForTimeout(80);
  }
  await phone.page.waitForTimeout(300);
  await phone.page.screenshot({ path: join(out, 'sort-out.png') });
}
if (wanted.length === 0 || wanted.includes('crossing')) {
  const found = await newPage(browser);
  const mine = await addDemoPlan(server, 'pump');
  await found.page.goto(`${server.url}/p/${mine}/homes`);
  await found.page.click('text=Find homes');
  await found.page.waitForSelector('text=/homes changed/', { timeout: 60_000 });
  await found.page.getByRole('button', { name: 'Before and after' }).click();
  await found.page.getByRole('button', { name: 'Carry them over step by step' }).click();
  await found.page.getByRole('button', { name: 'Done, the next' }).waitFor({ timeout: 60_000 });
  await found.page.close();
  const phone = await newPage(browser, { viewport: { width: 390, height: 800 }, hasTouch: true, isMobile: true });
  await phone.page.goto(`${server.url}/p/${mine}/homes?view=crossing`);
  for (let i = 0; i < 40; i++) await phone.page.getByRole('button', { name: 'Done, the next' }).tap();
  await phone.page.waitForTimeout(300);
  await phone.page.screenshot({ path: join(out, 'crossing.png') });
}
if (errors.length > 0) console.error(`The console showed:\n${errors.join('\n')}`);
await browser.close();
await server.stop();
removeFolder(server);
process.exitCode = errors.length > 0 ? 1 : 0;
