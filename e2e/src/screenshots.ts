import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { type Page } from 'playwright-core';
import { startGuild } from './guild.ts';
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
/** What is drawn over the demo’s picture of a shelf, in shares of it. */
const PICTURED = [
  ['roll of linen tape', [0.034, 0.257, 0.157, 0.73]],
  ['2 packs of felt', [0.266, 0.117, 0.107, 0.87]],
  ['notebook', [0.376, 0.117, 0.105, 0.87]],
] as const;
/** The morning of the demo’s first day on its way to Spring. */
const SATURDAY = '2026-10-03T09:55:00';
const shots: Record<string, (page: Page) => Promise<unknown>> = {
  room: () => at(pump, 'room?wall=wall-south'),
  'first-page': async (page) => {
    await page.goto(server.url);
    await page.getByRole('heading', { name: 'A new plan' }).evaluate((heading) => heading.scrollIntoView());
  },
  activities: () => at(pump, 'activities?activity=lanterns'),
  tryout: async (page) => {
    await at(spring, `tryout?seat=kite-seat&against=${encodeURIComponent(`plan ${pump}`)}`);
    await page.waitForSelector('text=/is quicker by/');
    for (let i = 0; i < 12; i++) await page.getByRole('button', { name: 'Next moment' }).click();
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
  furniture: async (page) => {
    await at(pump, 'furniture?unit=chest');
    await page.getByText(/^\d+ open$/).waitFor();
  },
  closer: async (page) => {
    await at(spring, 'homes?view=closer&unit=chest');
    await page.getByRole('region', { name: /^Step closer/ }).waitFor();
    await page.getByText('counting …').waitFor({ state: 'detached' });
  },
  zones: () => at(pump, 'furniture?view=zones&unit=chest'),
  colours: async (page) => {
    await at(pump, 'supplies?view=colours');
    for (const name of ['Red card', 'Yellow card', 'Purple card'])
      await page.getByRole('region', { name: 'Swatch chart' }).getByTitle(name, { exact: true }).click();
    await page.waitForSelector('text=/On one walk/');
  },
  picture: async (page) => {
    await at(pump, 'supplies?view=picture&place=cupboard.2.0');
    await page.getByRole('button', { name: '2026-02-14', exact: true }).click();
    await page.locator('[data-flat]').waitFor();
    const box = (await page.locator('[data-flat]').boundingBox())!;
    const draw = async (line: string, [x, y, w, d]: readonly number[]) => {
      await page.mouse.move(box.x + x! * box.width, box.y + y! * box.height);
      await page.mouse.down();
      await page.mouse.move(box.x + (x! + w!) * box.width, box.y + (y! + d!) * box.height, { steps: 3 });
      await page.mouse.up();
      await page
        .getByRole('textbox', { name: /^What is/ })
        .last()
        .fill(line);
    };
    for (const [line, where] of PICTURED) await draw(line, where);
  },
  homes: async () => {
    await at(spring, 'homes?seat=kite-seat&supply=ripstop-white');
    await page.waitForSelector('text=/Why here/');
    await page.waitForSelector('text=/shares of/');
  },
  today: () => at(pump, 'keepup'),
  labels: async (page) => {
    await at(pump, 'keepup?view=labels');
    await page.getByRole('button', { name: /^Pick these/ }).click();
    await page.getByLabel('code to scan').check();
    await page.getByLabel('what lies there').check();
  },
};
for (const [name, show] of Object.entries(shots)) {
  if (wanted.length > 0 && !wanted.includes(name)) continue;
  await show(page);
  await page.waitForTimeout(400);
  await page.screenshot({ path: join(out, `${name}.png`) });
}
for (const [name, show] of [
  [
    'where-is-it',
    async (p: Page) => {
      await p.goto(`${server.url}/p/${pump}/keepup`);
      await p.getByRole('button', { name: 'Where is it?' }).tap();
      await p.getByPlaceholder('Type a few letters of it').fill('paste');
      await p.waitForSelector('text=Paste bowl');
    },
  ],
  [
    'saturday',
    async (p: Page) => {
      await p.clock.setFixedTime(SATURDAY);
      await p.goto(`${server.url}/p/${pump}/keepup?view=doing`);
      await p.getByRole('list', { name: 'Moves' }).waitFor();
      await p.getByRole('region', { name: 'Saturday 3 October' }).scrollIntoViewIfNeeded();
    },
  ],
] as const) {
  if (wanted.length > 0 && !wanted.includes(name)) continue;
  const phone = await newPage(browser, { viewport: { width: 390, height: 800 }, hasTouch: true, isMobile: true });
  await show(phone.page);
  await phone.page.waitForTimeout(400);
  await phone.page.screenshot({ path: join(out, `${name}.png`) });
}
if (wanted.length === 0 || wanted.includes('fronts')) {
  const { page } = await newPage(browser);
  const mine = await addDemoPlan(server, 'pump');
  await page.goto(`${server.url}/p/${mine}/homes`);
  await page.click('text=Find homes');
  await page.getByRole('heading', { name: 'What lives where' }).waitFor();
  // the message has gone
  await page.getByText(/homes changed/).waitFor({ state: 'hidden' });
  await page.screenshot({ path: join(out, 'fronts.png') });
}
if (wanted.length === 0 || wanted.includes('doing')) {
  const { page } = await newPage(browser);
  await page.clock.setFixedTime(SATURDAY);
  await page.goto(`${server.url}/p/${pump}/keepup?view=doing`);
  await page.getByRole('button', { name: 'Plan the days anew' }).click();
  await page.getByRole('button', { name: 'Take: All at a weekend' }).waitFor({ timeout: 60_000 });
  await page.getByRole('status', { name: 'Looking which day what' }).waitFor({ state: 'hidden' });
  await page.screenshot({ path: join(out, 'doing.png') });
}
if (wanted.length === 0 || wanted.includes('household')) {
  const guild = await startGuild();
  for (const [n, name] of ['Maren', 'Jonne'].entries()) {
    const { page } = await newPage(browser);
    await page.goto(guild.links[n]!);
    await page.getByLabel('A passphrase of your own').fill('four words that go');
    await page.getByRole('button', { name: 'Come in', exact: true }).click();
    await page.getByText(`${name}, `).waitFor();
    if (n === 0) continue;
    const keeper = browser.contexts().at(-2)!.pages()[0]!;
    await keeper.getByRole('link', { name: 'The pump house', exact: true }).first().click();
    await keeper.getByRole('heading', { name: 'For others' }).waitFor();
    await keeper.screenshot({ path: join(out, 'household.png') });
  }
  await guild.stop();
}
if (errors.length > 0) console.error(`The console showed:\n${errors.join('\n')}`);
await browser.close();
await server.stop();
removeFolder(server);
process.exitCode = errors.length > 0 ? 1 : 0;
