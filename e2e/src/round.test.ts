import { describe, expect, test } from '@jest/globals';
import { nameOfPlace } from '@heronstone/core/concepts';
import { type Plan } from '@heronstone/core/plan';
import { addDemoPlan } from './harness.ts';
import { axeFaults, serverPlan, settled, withApp } from './support.ts';

describe('Round', () => {
  const app = withApp();
  const planOf = async (id: string): Promise<Plan> => (await serverPlan(app.server.url, id)).plan;

  test('tells what is where, how far it is, how much of it: a key each, and kept at a reload', async () => {
    const { page } = app;
    const id = await addDemoPlan(app.server, 'spring');
    await app.open(id, 'homes');
    const round = page.getByRole('group', { name: /^The room as seen from/ });
    const pressed = () =>
      page.getByRole('group', { name: 'What Round tells' }).locator('[aria-pressed="true"]').textContent();
    const named = round.getByText('Wheat paste', { exact: true });
    await named.waitFor();
    expect(await pressed()).toBe('what');
    await page.keyboard.press('d');
    await named.waitFor({ state: 'detached' });
    expect(await pressed()).toBe('how far');
    await page.keyboard.press('m');
    await page.getByRole('button', { name: 'how much', pressed: true }).waitFor();
    await page.reload();
    await page.getByRole('button', { name: 'how much', pressed: true }).waitFor();
    expect(await named.count()).toBe(0);
    await page.getByRole('button', { name: 'what', exact: true }).click();
    await named.waitFor();
    expect(await axeFaults(page)).toEqual([]);
    // a key typed into a field is a letter of it
    await page.getByLabel('Any supply').fill('d');
    expect(await pressed()).toBe('what');
  });

  test('every name in it is the place’s own, or a shorter way to say that; a place too small for one says it when it is pointed at', async () => {
    const { page } = app;
    const id = await addDemoPlan(app.server, 'spring');
    const plan = await planOf(id);
    await app.open(id, 'homes');
    await page.locator('[data-place] text').first().waitFor();
    await settled(page);
    const shown = await page
      .locator('[data-place]')
      .evaluateAll((marks) =>
        marks.map((m) => [m.getAttribute('data-place')!, m.querySelector('text')?.textContent ?? null] as const),
      );
    const written = shown.filter(([, words]) => words !== null);
    expect(written.length).toBeGreaterThan(15);
    for (const [place, words] of written) {
      const name = nameOfPlace(plan, place)!.words.toLowerCase();
      for (const word of words!.toLowerCase().replace(' …', '').split(' ')) expect(name).toContain(word);
    }
    const [small] = shown.find(([place, words]) => words === null && nameOfPlace(plan, place) !== null)!;
    await page.locator(`[data-place="${small}"]`).focus();
    const tag = page.getByRole('group', { name: /^The room as seen from/ }).getByText(nameOfPlace(plan, small)!.words);
    await tag.last().waitFor();
  });
});
