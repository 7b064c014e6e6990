import { describe, expect, test } from '@jest/globals';
import { addDemoPlan } from './harness.ts';
import { axeFaults, serverPlan, until, withApp } from './support.ts';

describe('sessions as they are', () => {
  const app = withApp();

  test('the figures of a plan add up where they are pressed, under the names they have everywhere', async () => {
    const { page } = app;
    const id = await addDemoPlan(app.server, 'spring');
    await app.open(id, 'homes');
    const figures = page.getByRole('button', { name: /^a year takes .* in all/ });
    const words = (await figures.textContent())!;
    await figures.click();
    const table = page.getByRole('table', { name: 'Hours a year' });
    await table.waitFor();
    const shown = async (figure: string) => Number(await table.locator(`[data-figure="${figure}"]`).textContent());
    const [year, without, against, all] = [
      await shown('year'),
      await shown('without'),
      await shown('against'),
      await shown('all'),
    ];
    // each is rounded to a tenth of an hour
    expect(Math.abs(year + without + against - all)).toBeLessThanOrEqual(0.25);
    expect(words).toContain(`a year takes ${year.toFixed(1)} h`);
    expect(words).toContain(`in all ${all.toFixed(1)} h`);
    for (const body of await table.locator('tbody').all()) {
      const numbers = (await body.locator('td').allTextContents()).map(Number);
      const [figure, ...parts] = numbers as [number, ...number[]];
      if (parts.length > 0 && figure !== all)
        expect(Math.abs(figure - parts.reduce((a, b) => a + b, 0))).toBeLessThanOrEqual(
          0.05 * (parts.length + 1) + 0.01,
        );
    }
    expect(await axeFaults(page)).toEqual([]);
    await page.keyboard.press('Escape');
    // beside each other, before and after: the same names
    await page.getByRole('button', { name: 'Find homes', exact: true }).click();
    await page
      .getByText(/homes changed|No better homes|Nothing better was found/)
      .first()
      .waitFor();
  });

  test('what lies out is drawn at the activity; back at once is said, and walks become more', async () => {
    const { page } = app;
    const id = await addDemoPlan(app.server, 'spring');
    await app.open(id, 'activities?activity=kites&view=asks');
    const table = page.getByRole('figure', { name: 'Table at Kite bench' });
    await table.getByText(/^\d+ things lie by the hand until done/).waitFor();
    expect(await table.locator('svg rect').count()).toBeGreaterThan(20);
    await table.getByText(/go(es)? back each time \(no room on the table\)/).waitFor();
    await page.getByLabel('what was got out').selectOption({ label: 'goes back at once' });
    await table.getByText('Nothing lies out: every reach is a walk.').waitFor();
    await until(
      async () => (await serverPlan(app.server.url, id)).plan.activities.kites!.leaving === 'atOnce',
      'back at once is kept',
    );
    await page.keyboard.press('Control+z');
    await table.getByText(/^\d+ things lie by the hand until done/).waitFor();
  });

  test('on a phone: get ready unit by unit, ticked; ticks outlive a reload', async () => {
    const { page } = app;
    const id = await addDemoPlan(app.server, 'spring');
    await page.setViewportSize({ width: 390, height: 800 });
    await app.open(id, 'keepup?view=ready');
    await page.getByLabel('for a session at').selectOption({ label: 'Packing' });
    await page
      .getByRole('heading', { name: /^Packing corner: bring [^;]*Rolling cart[^;]*; \d+ things, \d+ units, / })
      .waitFor();
    const ready = page.getByRole('region', { name: 'Get ready' });
    const things = ready.locator('button[aria-pressed]');
    const many = await things.count();
    expect(many).toBeGreaterThan(10);
    await things.first().click();
    await ready.getByText(`${many - 1} of ${many} still to get.`).waitFor();
    expect(await page.evaluate(() => document.activeElement?.getAttribute('aria-pressed'))).toBe('true');
    await page.reload();
    await page.getByLabel('for a session at').selectOption({ label: 'Packing' });
    await ready.getByText(`${many - 1} of ${many} still to get.`).waitFor();
    for (const thing of await things.all())
      if ((await thing.getAttribute('aria-pressed')) === 'false') await thing.click();
    await ready.getByText(/^All is there\. At the end \d+ things go back/).waitFor();
    await page.setViewportSize({ width: 1280, height: 800 });
    expect(await axeFaults(page)).toEqual([]);
  });

  test('what was arranged is told, and what it would gain not to keep it', async () => {
    const { page } = app;
    const id = await addDemoPlan(app.server, 'spring');
    await app.open(id, 'homes');
    await page.getByRole('button', { name: /^Kept/ }).click();
    const kept = page.getByRole('dialog', { name: 'Kept as you arranged it' });
    await kept.getByText(/Felting box is packed for Felting with Pip/).waitFor();
    await kept.getByRole('button', { name: 'What would it gain not to?' }).first().click();
    await kept.getByRole('status').first().waitFor();
    expect(await kept.getByRole('status').first().textContent()).toMatch(/a year in all|Nothing worth it/);
    expect(await axeFaults(page)).toEqual([]);
  });
});
