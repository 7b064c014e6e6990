import { describe, expect, test } from '@jest/globals';
import { axeFaults, withApp } from './support.ts';

const app = withApp();

describe('every screen', () => {
  test('axe finds nothing (WCAG 2.2 AA), the console is silent, what is said is words', async () => {
    const id = await app.demo();
    await app.open(id, 'room');
    for (const path of [
      'room?wall=wall-south',
      'activities',
      'supplies?supply=hot-knife',
      'supplies?view=colours',
      'supplies?view=cutting',
      'furniture?unit=chest',
      'furniture?unit=cubes&place=cubes.0.0&month=6&hour=9.5',
      'homes?month=6&hour=9.5',
      'homes?supply=hot-knife&place=chest.3.0',
      'keepup',
      ...['back', 'projects', 'doing', 'labels', 'seasons', 'buy', 'log', 'scan&place=cubes.3.1', 'guests'].map(
        (view) => `keepup?view=${view}`,
      ),
    ]) {
      await app.goOn(id, path);
      await app.page.waitForFunction(() => !document.body.innerText.includes('Opening …'));
      await app.settled();
      expect([path, await axeFaults(app.page)]).toEqual([path, []]);
      // what is read aloud or shown is words: no ids of places, nothing that is no number
      const said = await app.page.evaluate(() =>
        [...document.querySelectorAll('[aria-label], [title], title')].map(
          (e) => `${e.getAttribute('aria-label') ?? ''} ${e.getAttribute('title') ?? ''} ${e.textContent ?? ''}`,
        ),
      );
      const unsaid = /\w\.\d+\.\d+\b|not reachable a|\b(NaN|Infinity|undefined|null)\b/;
      expect([path, said.filter((s) => unsaid.test(s))]).toEqual([path, []]);
      expect([path, app.errors]).toEqual([path, []]);
    }
  });

  test.each([
    [1280, 800],
    [768, 1024],
    [640, 400], // 1280 × 800 at 200 %
    [390, 844],
  ])(
    '%i × %i: no sideways scrolling, nothing pressed is under 24 px, no drawn letter under 11 px, Floor to be used',
    async (width, height) => {
      await app.newPage({ viewport: { width, height } });
      const id = await app.demo();
      const stones = ['room', 'activities', 'supplies', 'furniture', 'homes', 'keepup'];
      const views = [
        ...['tour', 'lines', 'sort', 'colours', 'cutting', 'room', 'table'].map((view) => `supplies?view=${view}`),
        ...['back', 'projects', 'doing', 'labels', 'seasons', 'buy', 'log', 'scan', 'guests'].map(
          (view) => `keepup?view=${view}`,
        ),
      ];
      await app.open(id, 'room');
      for (const stone of width < 800 ? [...stones, ...views] : stones) {
        await app.goOn(id, stone);
        await app.page.waitForFunction(() => !document.body.innerText.includes('Opening …'));
        await app.settled();
        const found = await app.page.evaluate(() => {
          const pressed = [
            ...document.querySelectorAll<HTMLElement>('button, a[role=button], input, select, [role=option]'),
          ]
            .filter((e) => !e.closest('svg') && e.offsetParent !== null)
            .map((e) => {
              const { width, height } = (e.closest('label') ?? e).getBoundingClientRect();
              return { what: e.getAttribute('aria-label') ?? e.textContent, width, height };
            })
            .filter((r) => r.width > 0 && (r.width < 23.9 || r.height < 23.9));
          const letters = [...document.querySelectorAll<SVGTextElement>('svg text')]
            .map((t) => {
              const m = t.getScreenCTM()!;
              return {
                what: t.textContent,
                size: Number.parseFloat(getComputedStyle(t).fontSize) * Math.hypot(m.a, m.b),
              };
            })
            .filter((t) => t.size < 10.99);
          const floor = document.querySelector('svg[aria-label*="loor"]')?.getBoundingClientRect();
          const small =
            floor !== undefined && (floor.height < 240 || floor.width < 300) ? [floor.width, floor.height] : [];
          return { pressed, letters, small, aside: document.documentElement.scrollWidth - innerWidth };
        });
        expect([stone, found]).toEqual([stone, { pressed: [], letters: [], small: [], aside: 0 }]);
      }
    },
  );

  test('the plans page, the keys and where-is-it are clean too', async () => {
    await app.page.goto(app.server.url);
    await app.page.waitForSelector('text=A new plan');
    expect(await axeFaults(app.page)).toEqual([]);
    await app.open(await app.demo(), 'homes');
    await app.page.keyboard.press('?');
    await app.page.getByRole('dialog', { name: 'Guide' }).getByRole('button', { name: 'Keys' }).click();
    await app.page.waitForSelector('text=Everywhere');
    expect(await axeFaults(app.page)).toEqual([]);
    await app.page.keyboard.press('Escape');
    await app.page.keyboard.press('/');
    await app.page.getByPlaceholder('Type a few letters of it').fill('paste');
    await app.page.waitForSelector('text=Paste bowl');
    expect(await axeFaults(app.page)).toEqual([]);
    expect(app.errors).toEqual([]);
  });

  test('what Furniture opens is clean: catalogue, does it go in, containers, drawings, each side of a unit, a finding', async () => {
    const { page } = app;
    await app.open(await app.demo(), 'furniture?unit=cubes');
    for (const [button, words] of [
      ['Does it go in?', 'It goes into'],
      ['Containers', 'Buy 1 pack'],
      ['On paper', 'Everything as PDF, A4'],
    ] as const) {
      await page.getByRole('button', { name: button }).click();
      await page.waitForSelector(`text=${words}`);
      expect(await axeFaults(page)).toEqual([]);
      await page.keyboard.press('Escape');
    }
    await page.getByRole('button', { name: 'Bring in a unit' }).click();
    await page.getByRole('menuitem', { name: /^Peg board/ }).waitFor();
    expect(await axeFaults(page)).toEqual([]);
    await page.keyboard.press('Escape');
    for (const tab of ['Split its front', 'Stands, bears, draws']) await page.getByRole('tab', { name: tab }).click();
    for (const side of ['Inside', 'Its wall', 'Front']) {
      await page.getByRole('button', { name: side, exact: true }).click();
      expect(await axeFaults(page)).toEqual([]);
    }
    await page.locator('[aria-label="All findings"] [data-row]').first().click();
    await page.waitForSelector('text=/licensed tradesperson/');
    expect(await axeFaults(page)).toEqual([]);
    expect(app.errors).toEqual([]);
  });

  test('dark scheme keeps its contrast', async () => {
    await app.newPage({ colorScheme: 'dark' });
    await app.open(await app.demo(), 'homes?supply=hot-knife&place=chest.3.0');
    expect(await axeFaults(app.page)).toEqual([]);
    await app.goOn(await app.demo(), 'furniture?unit=chest&month=6&hour=9.5');
    await app.page.waitForSelector('[aria-label="All findings"] button');
    expect(await axeFaults(app.page)).toEqual([]);
  });

  test('where is it works on a phone, 390 px wide', async () => {
    await app.newPage({ viewport: { width: 390, height: 800 } });
    await app.open(await app.demo(), 'room');
    await app.page.getByRole('button', { name: 'Where is it?' }).click();
    await app.page.getByPlaceholder('Type a few letters of it').fill('brush');
    await app.page
      .getByRole('dialog')
      .getByText(/^Wall board/)
      .first()
      .waitFor();
    const dialog = await app.page.locator('[role=dialog]').boundingBox();
    expect(dialog!.x).toBeGreaterThanOrEqual(0);
    expect(dialog!.x + dialog!.width).toBeLessThanOrEqual(390);
  });

  test('the address holds what is on screen: reload and back', async () => {
    const id = await app.demo();
    await app.open(id, 'homes?seat=print-seat&place=bench.0.0');
    await app.page.waitForSelector('[aria-label="Ledger"]');
    await app.page.reload();
    await app.page.waitForSelector('[aria-label="Ledger"]');
    expect(
      await app.page.getByRole('button', { name: 'Wet bench', exact: true }).first().getAttribute('aria-pressed'),
    ).toBe('true');
    await app.page.getByRole('link', { name: /Supplies/ }).click();
    await app.page.waitForSelector('[aria-label="Stock list"]');
    await app.page.goBack();
    await app.page.waitForSelector('[aria-label="Ledger"]');
  });
});
