import { describe, expect, test } from '@jest/globals';
import { type Command, blankOrganiser, blankSupply } from '@heronstone/core/plan';
import { addDemoPlan, post } from './harness.ts';
import { axeFaults, carriedOver, serverPlan, until, withApp } from './support.ts';

describe('containers, lanes and zones', () => {
  const app = withApp();
  const plan = async (id: string) => (await serverPlan(app.server.url, id)).plan;
  const send = (id: string, command: Command) =>
    post(`${app.server.url}/api/plans/${id}/commands`, {
      commandId: `c-${Math.random().toString(36).slice(2)}`,
      command,
    });

  test('four boxes set into a cubby by count, one filled, moved to the cart with what is in it, undone', async () => {
    const id = await addDemoPlan(app.server, 'pump');
    const { page } = app;
    await send(id, { type: 'takeOut', id: 'lid-box.cubes.2.2.1' });
    await send(id, { type: 'setOrganiser', id: 'clear-box', set: { width: 70, innerWidth: 66 } });
    await app.open(id, 'furniture?unit=cubes&place=cubes.2.2');
    await page.getByRole('button', { name: 'Inside', exact: true }).click();
    const inIt = page.getByRole('region', { name: 'Containers in it' });
    await inIt.getByLabel('set in').selectOption({ label: 'Clear box' });
    await app.type('how many', '4');
    await inIt.getByRole('button', { name: 'Set in' }).click();
    const boxes = async () =>
      Object.values((await plan(id)).places).filter((p) => p.inId === 'cubes.2.2' && p.organiserId === 'clear-box');
    await until(async () => (await boxes()).length === 4, 'four boxes in the cubby');
    expect(new Set((await boxes()).map((b) => `${b.left} ${b.front} ${b.bottom}`)).size).toBe(4);
    expect(await axeFaults(page)).toEqual([]);

    // one is filled; its path is read where it is looked for
    const box = (await boxes())[2]!;
    await send(id, {
      type: 'assignHome',
      supplyId: 'split-rings',
      share: 'working',
      placeId: box.id,
      since: '2026-11-25',
    });
    await page.keyboard.press('/');
    await page.getByPlaceholder('Type a few letters of it').fill('split');
    await page.waitForSelector(`text=Cube unit › cubby 3-3 › ${box.name}`);
    await page.keyboard.press('Escape');

    // opened, and moved to the cart with what is in it
    await inIt.getByRole('button', { name: box.name, exact: true }).click();
    await page.getByLabel('move it, with all in it, to').selectOption({ label: 'Rolling cart › tier 2' });
    await until(async () => (await plan(id)).places[box.id]!.inId === 'cart.1.0', 'moved to the cart');
    expect((await plan(id)).homes['split-rings.working']!.placeId).toBe(box.id);
    await page.getByRole('button', { name: /^Undo/ }).click();
    await until(async () => (await plan(id)).places[box.id]!.inId === 'cubes.2.2', 'back in the cubby');
    expect(app.errors).toEqual([]);
  });

  test('a drawer divided into lanes by typing and by dragging, also wrongly', async () => {
    const id = await addDemoPlan(app.server, 'pump');
    const { page } = app;
    await app.open(id, 'furniture?unit=right&place=right.1.0');
    await page.getByRole('button', { name: 'Inside', exact: true }).click();
    await app.type('sizes, or how many', '7, 7, rest');
    const lanes = async () =>
      Object.values((await plan(id)).places)
        .filter((p) => p.inId === 'right.1.0')
        .sort((a, b) => a.column - b.column)
        .map((p) => Math.round(p.width));
    await until(async () => (await lanes()).length === 3, 'three lanes');
    expect((await lanes()).slice(0, 2)).toEqual([70, 70]);
    await app.type('sizes, or how many', '90, 90, rest');
    await page.waitForSelector('text=/These lanes need|Nothing is left/');
    await app.type('sizes, or how many', 'seven and so');
    await page.waitForSelector('text=/Say sizes with commas/');
    expect(await lanes()).toHaveLength(3);

    const divider = (await page.locator('[data-divider="0"]').boundingBox())!;
    await page.mouse.move(divider.x + divider.width / 2, divider.y + 30);
    await page.mouse.down();
    await page.mouse.move(divider.x + divider.width / 2 + 25, divider.y + 30, { steps: 5 });
    await page.mouse.up();
    await until(async () => (await lanes())[0]! > 75, 'the first lane wider');
    expect((await lanes())[0]! + (await lanes())[1]!).toBeCloseTo(140, -1);
    expect(app.errors).toEqual([]);
  });

  test('scissors end on the board after find homes; a box carried to the seat is worth its walk', async () => {
    const id = await addDemoPlan(app.server, 'cupboard');
    const { page } = app;
    const before = await plan(id);
    const seat = Object.values(before.stations)[0]!;
    const use = Object.values(before.activities)[0]!;
    // a board on the wall at the working hand
    const scissors = {
      ...blankSupply('big-scissors', 'Big scissors'),
      form: 'stick' as const,
      width: 230,
      depth: 80,
      height: 20,
      mass: 200,
      lies: ['hanging' as const, 'flat' as const],
    };
    await send(id, { type: 'addSupplies', supplies: [scissors] });
    await send(id, {
      type: 'addUse',
      use: { id: 'cut', activityId: use.id, supplyId: scissors.id, fetches: 12, usedUp: 0 },
    });
    await app.open(id, 'furniture');
    await app.bringIn('Peg board');
    const boardOf = async () => Object.values((await plan(id)).units).find((u) => u.kind === 'wallBoard');
    await until(async () => (await boardOf()) !== undefined, 'the board is saved');
    const board = (await boardOf())!;
    await send(id, {
      type: 'setUnit',
      id: board.id,
      set: { x: seat.x + 550, y: seat.y, facing: 270, bottom: 800, width: 500, height: 500, rows: 1, columns: 1 },
    });
    await page.getByRole('link', { name: /Homes/ }).click();
    await page.click('text=Find homes');
    await page.waitForSelector('text=/homes? changed/');
    const homeOf = async () => Object.values((await plan(id)).homes).find((h) => h.supplyId === 'big-scissors');
    await until(async () => (await homeOf()) !== undefined, 'the found homes are saved');
    const home = (await homeOf())!;
    expect((await plan(id)).places[home.placeId]!.unitId).toBe(board.id);
    expect(app.errors).toEqual([]);
  });

  test('a zone brushed by pointer and set by keys; “only” is respected by find homes', async () => {
    const id = await addDemoPlan(app.server, 'pump');
    const { page } = app;
    await app.open(id, 'furniture?view=zones');
    expect(await axeFaults(page)).toEqual([]);
    await page.getByRole('button', { name: 'Brush for Packing' }).click();
    const [from, to] = await Promise.all(
      ['Sheet chest', 'Tall cupboard'].map((name) =>
        page.locator(`[data-unit][aria-label="${name}"]`).first().boundingBox(),
      ),
    );
    await page.mouse.move(from!.x + from!.width / 2, from!.y + from!.height / 2);
    await page.mouse.down();
    await page.mouse.move(to!.x + to!.width / 2, to!.y + to!.height / 2, { steps: 12 });
    await page.mouse.up();
    const zoneOf = async (unit: string) => (await plan(id)).units[unit]!.zoneId;
    await until(
      async () => (await zoneOf('sheets')) === 'zone-packing' && (await zoneOf('cupboard')) === 'zone-packing',
      'both brushed',
    );
    await page.keyboard.press('Escape');

    // by keys: the third zone in hand, Enter on a unit
    await page.keyboard.press('3');
    await page.waitForSelector('text=/is kept for Kites/');
    await page.locator('[data-unit][aria-label="Tall cupboard"]').first().press('Enter');
    await until(async () => (await zoneOf('cupboard')) === 'zone-kites', 'set by keys');
    await page.keyboard.press('0');
    await page.locator('[data-unit][aria-label="Tall cupboard"]').first().press('Enter');
    await until(async () => (await zoneOf('cupboard')) === null, 'for everybody again');

    // zones for me are seen before they are kept: nothing changes until one says so, and leaving them leaves all as it was
    const units = async () => Object.values((await plan(id)).units).map((u) => [u.id, u.zoneId]);
    const before = await units();
    const offer = page.getByRole('region', { name: 'Zones for you' });
    await page.getByRole('button', { name: 'Zones for me' }).click();
    await offer.waitFor();
    expect(await page.evaluate(() => document.activeElement?.textContent)).toMatch(/would be kept for others/);
    await offer.getByRole('button', { name: 'Leave them as they are' }).click();
    await offer.waitFor({ state: 'detached' });
    expect(await units()).toEqual(before);
    await page.getByRole('button', { name: 'Zones for me' }).click();
    await offer.getByRole('button', { name: 'Keep these zones' }).click();
    await until(async () => JSON.stringify(await units()) !== JSON.stringify(before), 'kept');
    await page.getByRole('button', { name: 'Undo' }).click();
    await until(async () => JSON.stringify(await units()) === JSON.stringify(before), 'and taken back');

    // nothing but what is for it moves into a zone kept for it only
    await send(id, { type: 'setZone', id: 'zone-kites', set: { rule: 'only' } });
    await app.open(id, 'homes');
    await page.click('text=Find homes');
    await page.waitForSelector('text=/homes changed/');
    const strangers = async () => {
      const now = await plan(id);
      const kites = new Set(
        Object.values(now.uses).flatMap((u) =>
          now.activities[u.activityId]!.zoneId === 'zone-kites' ? [u.supplyId] : [],
        ),
      );
      const inZone = Object.values(now.homes).filter(
        (h) => now.units[now.places[h.placeId]!.unitId]!.zoneId === 'zone-kites',
      );
      expect(inZone.length).toBeGreaterThan(3);
      return inZone.filter((h) => !kites.has(h.supplyId)).map((h) => now.supplies[h.supplyId]!.name);
    };
    await until(async () => (await strangers()).length === 0, 'nothing but kites in their zone');
    expect(app.errors).toEqual([]);
  });

  test('a container measured once, then set in by dropping', async () => {
    const id = await addDemoPlan(app.server, 'pump');
    const { page } = app;
    await send(id, { type: 'addOrganiser', organiser: blankOrganiser('aaa', 'A little tin', 60, 60, 40) });
    await app.open(id, 'furniture?unit=chest&place=chest.1.0');
    await page.getByRole('button', { name: 'Inside', exact: true }).click();
    const tin = page.locator('span', { hasText: /^A little tin$/ }).first();
    await tin.scrollIntoViewIfNeeded();
    await carriedOver(tin, 'aaa', page.getByRole('group', { name: 'drawer 2 seen from above' }), 'into');
    await page.mouse.up();
    await until(
      async () => Object.values((await plan(id)).places).some((p) => p.organiserId === 'aaa' && p.inId === 'chest.1.0'),
      'set in by dropping',
    );
    expect(app.errors).toEqual([]);
  });
});
