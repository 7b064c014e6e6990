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
const cupboard = await addDemoPlan(server, 'cupboard');
const browser = await launch();
const { page, errors } = await newPage(browser);

const at = (plan: string, path: string) =>
  page.goto(`${server.url}/p/${plan}/${path}`, { waitUntil: 'load' }).then(() => page.waitForSelector('main'));
const shots: Record<string, (page: Page) => Promise<unknown>> = {
  plans: () => page.goto(server.url).then(() => page.waitForSelector('text=The pump house')),
  room: () => at(pump, 'room?wall=wall-south'),
  activities: () => at(pump, 'activities?activity=lanterns'),
  needs: () => at(pump, 'activities?activity=felting&view=asks'),
  'seat-map': async (page) => {
    await at(pump, 'activities?activity=kites&view=where');
    await page.getByRole('button', { name: 'Where should I sit?' }).click();
    await page.waitForSelector('[data-map]', { timeout: 60_000 });
  },
  arrange: async (page) => {
    await at(pump, 'furniture?view=arrange');
    await page.getByRole('button', { name: 'Look for ways' }).click();
    await page.getByRole('button', { name: 'Look elsewhere' }).waitFor({ timeout: 240_000 });
  },
  supplies: () => at(pump, 'supplies?supply=hot-knife'),
  furniture: () => at(pump, 'furniture?unit=chest'),
  'wall-front': async (page) => {
    await at(pump, 'furniture?unit=board');
    await page.getByRole('button', { name: 'Its wall' }).click();
  },
  inside: async (page) => {
    await at(pump, 'furniture?unit=cubes&place=cubes.2.0');
    await page.getByRole('button', { name: 'Inside', exact: true }).click();
  },
  lanes: async (page) => {
    await at(pump, 'furniture?unit=right&place=right.0.0');
    await page.getByRole('button', { name: 'Inside', exact: true }).click();
  },
  containers: async (page) => {
    await at(pump, 'furniture?unit=cubes');
    await page.getByRole('button', { name: 'Containers' }).click();
  },
  zones: () => at(pump, 'furniture?view=zones&unit=chest'),
  sun: async () => {
    await at(pump, 'furniture?month=6&hour=9.5');
    await page.waitForSelector('[data-sun]');
  },
  homes: () => at(pump, 'homes?seat=kite-seat&supply=hot-knife&place=chest.3.0'),
  'homes-found': async () => {
    await at(pump, 'homes?seat=lantern-seat');
    await page.click('text=Find homes');
    await page.waitForSelector('text=/homes changed/', { timeout: 20_000 });
  },
  'where-is-it': async () => {
    await at(pump, 'homes');
    await page.keyboard.press('/');
    await page.waitForSelector('[placeholder="Type a few letters of it"]');
    await page.keyboard.type('paste');
    await page.waitForSelector('text=Paste bowl');
  },
  'cupboard-homes': () => at(cupboard, 'homes'),
};
for (const [name, show] of Object.entries(shots)) {
  if (wanted.length > 0 && !wanted.includes(name)) continue;
  await show(page);
  await page.waitForTimeout(400);
  await page.screenshot({ path: join(out, `${name}.png`) });
}
if (wanted.length === 0 || wanted.includes('homes-dark')) {
  const evening = await newPage(browser, { colorScheme: 'dark' });
  await evening.page.goto(`${server.url}/p/${pump}/homes?seat=kite-seat&supply=hot-knife`);
  await evening.page.waitForSelector('[data-place]');
  await evening.page.waitForTimeout(400);
  await evening.page.screenshot({ path: join(out, 'homes-dark.png') });
}
if (errors.length > 0) console.error(`The console showed:\n${errors.join('\n')}`);
await browser.close();
await server.stop();
removeFolder(server);
process.exitCode = errors.length > 0 ? 1 : 0;
