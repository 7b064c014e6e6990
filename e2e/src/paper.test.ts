import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { type Browser } from 'playwright-core';
import { exportPlan } from '@heronstone/core/formats';
import { applied, sheet, tinyRoom, unit, withUnits } from '@heronstone/core/testing';
import { launch, newPage, post, removeFolder, startServer, type TestServer } from './harness.ts';
import { serverPlan, until } from './support.ts';

const IN = 25.4;
/** Forty cards of as many colours round the wheel. */
const cards = Array.from({ length: 40 }, (_, i) => {
  const part = (k: number) => Math.round(127 + 110 * Math.cos((i / 40) * 2 * Math.PI + k));
  const hex = [0, 2.1, 4.2].map((k) => part(k).toString(16).padStart(2, '0')).join('');
  return sheet({
    id: `card-${i}`,
    name: `Card ${i}`,
    family: 'Card',
    colour: `#${hex}`,
    width: 12 * IN,
    depth: 12 * IN,
    height: null,
    grammage: 216,
    working: 20,
    lies: ['flat', 'edge', 'upright'],
  });
});

describe('paper: rows of colours, the chart, cutting, scraps', () => {
  let server: TestServer;
  let browser: Browser;
  let plan: string;
  beforeAll(async () => {
    server = await startServer();
    const room = applied(
      withUnits(
        tinyRoom(),
        unit('paperSlots', {
          id: 'slots',
          x: 2500,
          y: 5800,
          width: 800,
          depth: 330,
          height: 720,
          rows: 2,
          columns: 22,
        }),
        unit('cubeUnit', { id: 'cubes', x: 800, y: 5800, width: 1380, depth: 390, height: 1380, rows: 4, columns: 4 }),
      ),
      { type: 'addSupplies', supplies: cards },
    );
    plan = (await post<{ id: string }>(`${server.url}/api/plans`, { file: exportPlan(room) })).id;
    browser = await launch();
  });
  afterAll(async () => {
    await browser.close();
    await server.stop();
    removeFolder(server);
  });

  test('forty colours laid in a row, a newcomer put between its neighbours, the labels printed', async () => {
    const { page, errors } = await newPage(browser);
    await page.addInitScript(() => {
      window.print = () => void ((window as unknown as { printed: string }).printed = document.body.dataset.part ?? '');
    });
    await page.goto(`${server.url}/p/${plan}/supplies?view=colours`);
    const chart = page.getByRole('region', { name: 'Swatch chart' });
    for (let i = 0; i < 39; i++) await chart.getByTitle(`Card ${i}`, { exact: true }).click();
    const rows = page.getByRole('region', { name: 'Rows' });
    await rows.getByText(/39 colours chosen/).waitFor();
    await rows.getByRole('button', { name: 'Lay it so' }).click();
    const homed = async () =>
      new Set(Object.values((await serverPlan(server.url, plan)).plan.homes).map((h) => h.placeId)).size;
    await until(async () => (await homed()) === 39, 'every colour has a slot of its own');
    // the fortieth alone is chosen now
    await page.getByRole('button', { name: 'Let go' }).click();
    await chart.getByTitle('Card 39', { exact: true }).click();
    await rows.getByText(/^Card 39 goes to slot \d+: (nothing else moves|\d neighbours? moves? by a slot)$/).waitFor();
    await rows.getByRole('button', { name: 'Put it there' }).click();
    await until(async () => (await homed()) === 40, 'the newcomer has its slot');
    await rows.getByRole('button', { name: 'Labels of the row' }).click();
    expect(await page.evaluate(() => (window as unknown as { printed: string }).printed)).toBe('labels');
    expect(await page.locator('ul[aria-label="Labels of the row"] li').count()).toBe(44);
    expect(errors).toEqual([]);
    await page.close();
  });

  test('slots planned for forty colours: how many, in what, how heavy; made, and told whether a pad goes in', async () => {
    const { page, errors } = await newPage(browser);
    await page.goto(`${server.url}/p/${plan}/supplies?view=colours`);
    const rows = page.getByRole('region', { name: 'Rows' });
    await rows.getByText('Plan slots for the 40 of the chart').click();
    await rows.getByText(/40 colours want 50 slots/).waitFor();
    // twelve in each, as such inserts are sold (common practice): five cubbies
    await rows.getByLabel('slots each').fill('12');
    await rows.getByLabel('slots each').press('Enter');
    await rows.getByText(/20 % of them free: 5 places of 12/).waitFor();
    await rows.getByLabel('slots each').fill('none');
    await rows.getByLabel('slots each').press('Enter');
    await rows.getByText('“none” is not a number.').waitFor();
    await rows.getByLabel('slots each').press('Escape');
    await rows.getByRole('button', { name: 'Divide it so' }).click();
    await until(
      async () =>
        Object.values((await serverPlan(server.url, plan)).plan.places).filter(
          (p) => p.unitId === 'cubes' && p.kind === 'slot',
        ).length === 60,
      'five cubbies have twelve slots each',
    );
    // the row of all five is the one on the screen
    await rows.getByText('Now: 0 of 60 slots').waitFor();
    const pad = rows.getByLabel('Does this pad go in?');
    const answer = rows.getByRole('status');
    for (const [size, words] of [
      ['12 x 12 x 1/2 in', /^Yes, one in each slot/],
      ['14 x 14 x 1/2 in', /^No: it needs [\d.]+ (mm|cm) more/],
      ['large', /^A size is two or three lengths/],
    ] as const) {
      await pad.fill(size);
      await pad.press('Enter');
      await answer.getByText(words).waitFor();
    }
    await page.getByRole('button', { name: 'Undo' }).first().click();
    await until(
      async () =>
        !Object.values((await serverPlan(server.url, plan)).plan.places).some(
          (p) => p.unitId === 'cubes' && p.kind === 'slot',
        ),
      'the slots are undone',
    );
    expect(errors).toEqual([]);
    await page.close();
  });

  test('three colours chosen and kept, ten bases of each cut, and a scrap in the stead of a sheet', async () => {
    const { page, errors } = await newPage(browser);
    await page.goto(`${server.url}/p/${plan}/supplies?view=colours`);
    const chart = page.getByRole('region', { name: 'Swatch chart' });
    for (const i of [3, 17, 30]) await chart.getByTitle(`Card ${i}`, { exact: true }).click();
    const chosen = page.getByRole('region', { name: 'Chosen colours' });
    await chosen.getByText(/On one walk [\d.]+ s, one by one [\d.]+ s/).waitFor();
    await chosen.getByLabel('keep it as').fill('Evening');
    await chosen.getByRole('button', { name: 'Keep', exact: true }).click();
    await page.getByRole('list', { name: 'Kept combinations' }).getByText('Evening').waitFor();

    // ten bases of 4 1/4 × 11 in of each: two a sheet of 12 × 12, five sheets each
    await page.goto(`${server.url}/p/${plan}/supplies?view=cutting`);
    const kept = page.getByRole('region', { name: 'Kept cut' });
    for (const i of [3, 17, 30]) {
      await kept.getByRole('textbox', { name: 'piece' }).fill('Base');
      await kept.getByLabel('width').last().fill('4.25 in');
      await kept.getByLabel('depth').last().fill('11 in');
      await kept.getByLabel('out of', { exact: true }).selectOption(`card-${i}`);
      await kept.getByRole('button', { name: 'Keep it cut' }).click();
      const row = kept.getByRole('listitem').filter({ hasText: `Card ${i} ` });
      await row.getByRole('button', { name: /^Base/ }).click();
      await row.getByLabel('cut now').fill('10');
      await row.getByLabel('cut now').press('Enter');
      await row.getByRole('button', { name: 'cut 10' }).waitFor();
      await row.getByRole('button', { name: /^Base/ }).click();
    }
    const list = page.getByRole('region', { name: 'Cut list' });
    await list.getByText(/15 sheets, which is the fewest there can be/).waitFor();
    await list.getByRole('img', { name: 'Pattern: 2 Base' }).waitFor();
    await list.getByRole('button', { name: 'It is cut' }).click();
    const now = async () => (await serverPlan(server.url, plan)).plan;
    await until(async () => (await now()).supplies['card-17']!.working === 15, 'five sheets are taken off');
    expect(Object.values((await now()).cutPieces).map((p) => p.have)).toEqual([10, 10, 10]);

    // and five tags, this once: they are cut and kept nowhere
    await kept.getByLabel('out of', { exact: true }).selectOption('card-5');
    await kept.getByLabel('usual pieces').selectOption({ label: 'tag, 7.6 cm × 7.6 cm' });
    await kept.getByLabel('or just').fill('5');
    await kept.getByLabel('or just').press('Enter');
    await kept.getByRole('button', { name: 'Cut once' }).click();
    await kept.getByText('this once: 5 tag of Card 5').waitFor();
    await list.getByText(/1 sheet, which is the fewest there can be/).waitFor();
    await list.getByRole('button', { name: 'It is cut' }).click();
    await until(async () => (await now()).supplies['card-5']!.working === 19, 'one sheet is taken off');
    expect(Object.keys((await now()).cutPieces)).toHaveLength(3);

    // a scrap of card 3 is left over: it does for a tag of 65 × 90 mm
    const scraps = page.getByRole('complementary', { name: 'Scraps' });
    const more = scraps.getByRole('form', { name: 'One more scrap' });
    await more.getByLabel('width').fill('7');
    await more.getByLabel('depth').fill('9.5');
    await more.getByLabel('of', { exact: true }).selectOption('card-3');
    await more.getByRole('button', { name: 'One more' }).click();
    await scraps.getByLabel('width').first().fill('6.5');
    await scraps.getByLabel('depth').first().fill('9');
    await scraps.getByLabel('depth').first().press('Enter');
    const answer = scraps.getByRole('list', { name: 'Scraps that will do' });
    await answer.getByText(/Yes: 7 cm × 9.5 cm/).waitFor();
    await answer.getByRole('button', { name: 'Take it' }).click();
    await answer.getByText(/No: it must come out of a new sheet/).waitFor();
    await until(async () => Object.keys((await now()).scraps).length === 0, 'the scrap is used');
    expect((await now()).supplies['card-3']!.working).toBe(15);
    expect(errors).toEqual([]);
    await page.close();
  });
});
