import { isDeepStrictEqual } from 'node:util';
import { describe, expect, test } from '@jest/globals';
import { exportPlan } from '@heronstone/core/formats';
import { applied, block, home, tinyRoom, unit, use, withUnits } from '@heronstone/core/testing';
import { type Command } from '@heronstone/core/plan';
import { addDemoPlan, post } from './harness.ts';
import { axeFaults, planIdOf, serverPlan, until, withApp } from './support.ts';

/** A chest in the far corner out of which everything is fetched: moving it helps. */
const far = () =>
  applied(
    withUnits(
      tinyRoom({ standing: false }),
      unit('lowChest', { id: 'chest', name: 'Low chest', x: 600, y: 600, facing: 90, rows: 2, height: 500 }),
    ),
    {
      type: 'addSupplies',
      supplies: Array.from({ length: 4 }, (_, i) =>
        block({ id: `s${i}`, name: `Reel ${i}`, width: 300, depth: 300, height: 60, lies: ['flat'] }),
      ),
    },
    ...Array.from({ length: 4 }, (_, i): Command => ({ type: 'addUse', use: use(`s${i}`, 9 + i) })),
    ...Array.from({ length: 4 }, (_, i) => home(`s${i}`, `chest.${i % 2}.0`)),
  );

describe('try-out', () => {
  const app = withApp();
  const planNow = async (id: string) => (await serverPlan(app.server.url, id)).plan;

  test('a session is walked through moment by moment and set beside another plan; a recipe goes over two seats', async () => {
    const { page } = app;
    const pump = await addDemoPlan(app.server, 'the-pump-house');
    const spring = await addDemoPlan(app.server, 'spring');
    await app.open(spring, 'tryout');
    await page.getByLabel('work through').selectOption({ label: 'Needle felting, at Felting with Pip' });
    const strip = page.getByRole('slider', { name: /^Moments of/ }).first();
    await page.getByText(/^1 of \d+/).waitFor();
    await strip.focus();
    await page.keyboard.press('ArrowRight');
    await page.getByText(/^2 of \d+/).waitFor();
    await page.keyboard.press('End');
    const last = await page.getByText(/^(\d+) of \1:/).count();
    expect(last).toBe(1);
    // where hands go in a session, on Floor
    expect(await page.locator('[data-visits] circle').count()).toBeGreaterThan(3);
    await page.getByRole('button', { name: 'Walk it' }).waitFor();
    expect(await axeFaults(page)).toEqual([]);

    // the untidy plan beside it: the same sessions, and by how much this one is quicker
    await page.getByLabel('against').selectOption(`plan ${pump}`);
    await page
      .getByText(/^This plan is quicker by .* a session \(± .*, 95 %, the same 400 sessions in both\)\.$/)
      .waitFor();
    await page.getByText('How sessions differ, and seconds by band').click();
    await page.locator('canvas').first().waitFor();
    await page.getByText('as a table').first().click();
    await page.getByRole('columnheader', { name: 'this plan' }).first().waitFor();

    // this plan worked the other way: at the same seat, and with homes found by another school
    await page.getByLabel('against').selectOption({ label: 'working standing' });
    await page.getByText(/is (quicker|slower) by .* a session|No difference/).waitFor();
    await page.getByLabel('against').selectOption({ label: 'finding homes by kind' });
    await page.getByRole('status', { name: 'working the other way' }).waitFor();
    await page.getByRole('button', { name: 'Enough' }).click();
    await page.getByText('It was not worked out to the end.').waitFor();
    await page.getByLabel('against').selectOption('');

    // a recipe over two seats, one line of it not understood
    await page.getByRole('button', { name: 'A recipe of steps …' }).click();
    const text = page.getByRole('textbox', { name: /^Steps, one a line/ });
    await text.fill('Needle felting\nfelt it: felting needles ×4, unicorn hair\nPacking\nwrap it: packing tape ×2');
    await text.blur();
    await page.getByText(/Line 2: there is no “unicorn hair”/).waitFor();
    await until(async () => Object.values((await planNow(spring)).recipes).length === 1, 'the recipe is kept');
    await page
      .getByText(/carry the work to Packing/)
      .or(page.getByText(/^1 of \d+/))
      .first()
      .waitFor();
    expect(app.errors).toEqual([]);
  });

  test('what would help most: the best change that costs nothing is taken over, homes and all, and undone at once', async () => {
    const { page } = app;
    const { id } = await post<{ id: string }>(`${app.server.url}/api/plans`, { file: exportPlan(far()) });
    const before = await planNow(id);
    await app.open(id, 'tryout?view=help');
    await page.getByRole('button', { name: 'Look what would help' }).click();
    const free = page.getByRole('region', { name: 'Costs nothing' });
    await free
      .getByRole('button', { name: /Low chest/ })
      .first()
      .waitFor();
    await page.getByRole('button', { name: 'Look again' }).waitFor();
    await page.getByText(/\d+ changes? tried.*against this plan with its homes found/).waitFor();
    await free
      .getByRole('button', { name: /Low chest/ })
      .first()
      .click();
    const looked = page.getByRole('complementary', { name: 'The change looked at' });
    await looked.getByText(/saved/).waitFor();
    expect(await axeFaults(page)).toEqual([]);
    await looked.getByRole('button', { name: 'Take it over' }).click();
    await until(
      async () => JSON.stringify((await planNow(id)).units) !== JSON.stringify(before.units),
      'it stands otherwise',
    );
    await page.getByText('The plan has been changed since: look again.').waitFor();
    await page.getByRole('button', { name: 'Undo' }).first().click();
    await until(
      // whatever the order of the rows
      async () => isDeepStrictEqual(await planNow(id), before),
      'one undo takes all of it back',
    );
    expect(planIdOf(page)).toBe(id);
    expect(app.errors).toEqual([]);
  });

  test('what is to be bought: a price is said once, in one’s own coin, and only what can be paid is shown', async () => {
    const { page } = app;
    const id = await addDemoPlan(app.server, 'cupboard');
    await app.open(id, 'tryout?view=help');
    await page.getByRole('button', { name: 'Look what would help' }).click();
    await page.getByRole('button', { name: 'Look again' }).waitFor();
    const toBuy = page.getByRole('region', { name: 'To be bought' });
    const looked = page.getByRole('complementary', { name: 'The change looked at' });
    const unit = toBuy.getByRole('button', { name: /Cube unit.*price not said/ });
    await unit.click();
    const price = looked.getByLabel('one of it costs');
    await price.fill('80 old');
    await price.press('Enter');
    await looked.getByText(/is no amount of money/).waitFor();
    expect((await planNow(id)).prices).toEqual({});
    await price.fill('CHF 80,50');
    await price.press('Enter');
    await toBuy.getByRole('button', { name: /Cube unit.*80\.50/ }).waitFor();
    await until(async () => Object.values((await planNow(id)).prices)[0]?.price === 80.5, 'its price is kept');
    const most = page.getByLabel('for at most');
    await most.fill('80');
    await most.press('Enter');
    // what is dearer and what has no price are left out, the best together too
    await toBuy.waitFor({ state: 'detached' });
    expect(await page.getByRole('region', { name: 'Together' }).count()).toBe(0);
    await page.getByRole('region', { name: 'Costs nothing' }).waitFor();
    await most.fill('81');
    await most.press('Enter');
    await toBuy.getByRole('button', { name: /Cube unit/ }).waitFor();
    expect(await toBuy.getByRole('listitem').count()).toBe(1);
    await most.fill('');
    await most.press('Enter');
    await page.getByRole('region', { name: 'Together' }).waitFor();
    await price.fill('');
    await price.press('Enter');
    await unit.waitFor();
    await until(async () => Object.keys((await planNow(id)).prices).length === 0, 'it is not said any more');
    expect(await axeFaults(page)).toEqual([]);
    expect(app.errors).toEqual([]);
  });

  test('the same things in another room: what is owned comes along, and the room is still to be measured', async () => {
    const { page } = app;
    const spring = await addDemoPlan(app.server, 'spring');
    await page.goto(app.server.url);
    await page
      .getByRole('button', { name: /^The things of Spring in another room$/ })
      .first()
      .click();
    await page.waitForURL(/\/p\/[^/]+\/room/);
    const made = planIdOf(page);
    expect(made).not.toBe(spring);
    const [was, plan] = [await planNow(spring), await planNow(made)];
    expect(Object.keys(plan.supplies)).toEqual(Object.keys(was.supplies));
    expect([plan.walls, plan.homes, plan.stations]).toEqual([{}, {}, {}]);
    expect(app.errors).toEqual([]);
  });

  test('where should this stand: a map on Floor, its best spot taken with the homes found for it, undone in one step', async () => {
    const { id } = await post<{ id: string }>(`${app.server.url}/api/plans`, { file: exportPlan(far()) });
    const { page } = app;
    await app.open(id, 'furniture?unit=chest');
    await page.getByRole('button', { name: 'Where should Low chest stand?' }).click();
    const spots = page.getByRole('group', { name: 'Best spots' });
    await spots.waitFor();
    expect(await page.locator('[data-map] path').count()).toBeGreaterThan(20);
    await spots.getByRole('button', { name: /^1 .* a year less/ }).click();
    const at = async () => (await planNow(id)).units.chest!;
    await until(async () => (await at()).x !== 600, 'it stands elsewhere');
    await page.getByRole('button', { name: /^Undo: move Low chest/ }).click();
    await until(async () => (await at()).x === 600 && (await at()).y === 600, 'where it was');
    // what is pinned is not asked about in vain
    await page.getByRole('tab', { name: 'Stands, bears, draws' }).click();
    await page.getByLabel('pinned: arrange for me leaves it').check();
    await page.getByRole('button', { name: 'Where should Low chest stand?' }).click();
    await page.getByText(/must be free to move: not pinned/).waitFor();
    expect(app.errors).toEqual([]);
  });
});
