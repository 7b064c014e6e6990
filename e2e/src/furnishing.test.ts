import { readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import { wallGaps } from '@heronstone/core/room';
import { addDemoPlan } from './harness.ts';
import { planIdOf, serverPlan, until, withApp } from './support.ts';

const app = withApp();
const findings = () => app.page.getByRole('list', { name: 'All findings' });

describe('the pump house, measured and furnished from nothing', () => {
  test('walls as they are walked, what is on them, three findings met and resolved', async () => {
    const { page } = app;
    await page.goto(app.server.url);
    await page.fill('#new-name', 'Pump house again');
    await page.getByRole('button', { name: 'Begin' }).click();
    await page.waitForSelector('#next-wall');
    const id = planIdOf(page);

    // four walls at right angles, then the corner by the chimney is cut: five walls that close
    for (const length of ['320', '410', '320', '410']) await app.nextWall(length);
    await page.getByLabel('Add to wall 3').click();
    await page.getByRole('menuitem', { name: 'Cut the corner after it' }).click();
    await page.getByRole('button', { name: 'Do it' }).click();
    await page.waitForSelector('text=It needs every length');
    await app.type('off this wall', '50');
    await app.type('off the next', '50');
    await page.getByRole('button', { name: 'Do it' }).click();
    await until(async () => Object.keys((await serverPlan(app.server.url, id)).plan.walls).length === 5, 'five walls');
    await page.waitForSelector('text=The walls close.');
    const slant = Object.values((await serverPlan(app.server.url, id)).plan.walls).find((w) => w.length < 1000)!;
    expect(slant.length).toBeCloseTo(500 * Math.SQRT2, 1);

    // on the walls, left to right; the pretend laser measures where the door begins
    await app.addToWall(1, 'Door');
    await page.getByLabel('from the left').first().focus();
    await app.type('Pretend laser, pointed at a wall so far away', '25');
    await page.getByLabel('from the left').first().focus();
    await page.getByRole('button', { name: 'Read' }).click();
    await page.waitForSelector('text=/typed into “from the left”/');
    await page.getByLabel('from the left').first().press('Enter');
    await until(
      async () => Math.abs(Object.values(await openings(id))[0]!.left - 250) <= 10,
      'the door where the laser said',
    );
    await page.getByLabel('hinge, swing').selectOption('left out');
    await app.addToWall(5, 'Fuse board');
    await app.type('from the left', '312', 0);
    await app.addToWall(3, 'Window');
    await page.waitForSelector('[aria-label="wall 3 from the front"]');
    await app.addToWall(2, 'Slope of the roof');
    await page.waitForSelector('text=/head height 190 cm/');

    // furnished: a table, and a chest that stands before the fuse board
    await page.getByRole('link', { name: /Furniture/ }).click();
    await app.bringIn('Work table');
    await app.type('from the wall: wall 2', '0');
    await app.bringIn('Low chest');
    await app.type('from the wall: wall 5', '0');
    await app.type('from the wall: wall 1', '0');
    await page.waitForSelector('text=/Low chest stands .* into the working space before Fuse board/');

    // 1: moved away by its distance from the west wall
    await app.type('from the wall: wall 1', '150');
    await page.waitForSelector('text=/working space before Fuse board/', { state: 'detached' });

    // 2: fastened to the wall against tipping
    await findings()
      .getByRole('button', { name: /Tipping/ })
      .click();
    await page.waitForSelector('text=/ASTM F2057/');
    await page.getByRole('tab', { name: 'Stands, bears, draws' }).click();
    await page.getByLabel('fastened to the wall').check();
    await page.waitForSelector('text=/not fastened to the wall/', { state: 'detached' });

    // 3: a second unit in the first one, dragged to where it clears
    await app.bringIn('Bookcase');
    await app.type('from the wall: wall 5', '0');
    await app.type('from the wall: wall 1', '200');
    await page.waitForSelector('text=/Bookcase and Low chest are|Low chest and Bookcase are/');
    const mark = page.locator('[data-unit][aria-label="Bookcase"]');
    const from = (await mark.boundingBox())!;
    await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2);
    await page.mouse.down();
    await page.mouse.move(from.x - 60, from.y - 120, { steps: 8 });
    // while it is still held the list has the new findings
    await page.waitForSelector('text=/Bookcase and Low chest are|Low chest and Bookcase are/', { state: 'detached' });
    await page.mouse.up();
    // what stays is left as it is, with its reason
    await findings()
      .getByRole('button', { name: /Bookcase is 190 cm tall/ })
      .click();
    await page.getByLabel('Why it stays as it is').fill('Fastened on Saturday');
    await page.getByRole('button', { name: 'Leave it so' }).click();
    await page.waitForSelector('text=/left as it is since .*: Fastened on Saturday/');
    await until(
      async () =>
        Object.values((await serverPlan(app.server.url, id)).plan.acknowledgements)[0]?.reason ===
        'Fastened on Saturday',
      'acknowledged on the server',
    );
    expect(
      Object.values((await serverPlan(app.server.url, id)).plan.units).find((u) => u.name === 'Low chest')!.fixed,
    ).toBe(true);
  });

  test('exact drawers, a thing that goes in and one that does not, drawings to take along, another way beside it', async () => {
    const { page } = app;
    await page.goto(app.server.url);
    await page.fill('#new-name', 'Second room');
    await page.getByRole('button', { name: 'Begin' }).click();
    await page.waitForSelector('#next-wall');
    for (const length of ['300', '300', '300', '300']) await app.nextWall(length);
    await page.getByRole('link', { name: /Furniture/ }).click();
    await app.bringIn('Low chest');
    await page.getByRole('tab', { name: 'Split its front' }).click();
    await app.type('inside heights from the top', 'drawers 70, 70, 110, 1100 mm');
    await page.waitForSelector('text=/more height/');
    await app.type('inside heights from the top', 'drawers 70, 70, 110, 110 mm');
    await page.waitForFunction(
      () => document.querySelectorAll('[aria-label="Low chest from the front"] title').length === 5,
    );

    await page.getByRole('button', { name: 'Does it go in?' }).click();
    const type = async (label: string, text: string) => {
      const field = page.getByRole('dialog').getByLabel(label, { exact: true });
      await field.fill(text);
      await field.press('Enter');
    };
    await type('height', '90 mm');
    await type('width', '600 mm');
    await type('depth', '400 mm');
    await page.waitForSelector('text=/It goes into 3 of 5 places as they are/');
    expect(await page.getByRole('dialog').innerText()).toMatch(/needs 23 mm more height/);
    await page.keyboard.press('Escape');

    await page.getByRole('button', { name: 'On paper' }).click();
    for (const [button, ending] of [
      ['Floor as SVG', /Second-room-floor\.svg$/],
      ['Wall 1 as DXF', /\.dxf$/],
      ['Everything as PDF, A4', /a4\.pdf$/],
    ] as const) {
      const [download] = await Promise.all([
        page.waitForEvent('download'),
        page.getByRole('button', { name: button }).click(),
      ]);
      expect(download.suggestedFilename()).toMatch(ending);
    }
    // a book of two chapters, and the map of one unit, read back
    for (const chapter of await page.getByRole('region', { name: 'Plan book' }).getByRole('checkbox').all())
      await chapter.uncheck();
    expect(await page.getByRole('button', { name: 'Book, A4' }).isDisabled()).toBe(true);
    await page.getByLabel('everything, A to Z').check();
    await page.getByLabel('what lives where').check();
    for (const [button, name, words] of [
      ['Book, A4', 'Second-room-plan-book.pdf', ['What lives where', 'Everything, A to Z', 'Low chest']],
      ['Maps, US Letter', 'Second-room-map-of-Low-chest.pdf', ['Low chest', 'drawer 1']],
    ] as const) {
      await page.getByLabel('Map of').selectOption('Low chest');
      const [download] = await Promise.all([
        page.waitForEvent('download'),
        page.getByRole('button', { name: button }).click(),
      ]);
      expect(download.suggestedFilename()).toBe(name);
      const said = await wordsOf(await download.path());
      for (const word of words) expect(said).toContain(word);
    }
    await page.keyboard.press('Escape');

    await page.getByRole('button', { name: 'Try another way' }).click();
    await page.waitForSelector('[aria-label="Beside: Second room"]');
    await page.locator('[data-unit][aria-label="Low chest"]').first().press('Shift+ArrowLeft');
    await page.waitForSelector('text=/1 unit stands otherwise here/');
  });

  test('by keys alone: a unit brought in, moved, turned, hung on a door, kept as a kind of one’s own, parked', async () => {
    const { page } = app;
    await page.goto(app.server.url);
    await page.fill('#new-name', 'Third room');
    await page.getByRole('button', { name: 'Begin' }).click();
    await page.waitForSelector('#next-wall');
    const id = planIdOf(page);
    for (const length of ['300', '400', '300', '400']) await app.nextWall(length);
    await app.addToWall(4, 'Door');
    await page.getByRole('link', { name: /Furniture/ }).click();

    // the menu by letters, the unit by arrows and R
    await page.getByRole('button', { name: 'Bring in a unit' }).focus();
    await page.keyboard.press('Enter');
    await page.getByRole('menuitem', { name: /^Work table/ }).waitFor();
    await page.keyboard.type('three');
    await page.waitForSelector('[role=menuitem][data-highlighted]:has-text("Three-tier cart")');
    await page.keyboard.press('Enter');
    const cart = page.locator('[data-unit][aria-label="Three-tier cart"]');
    // a menu that closes gives the focus back to its button
    await page.locator('[role=menu]').waitFor({ state: 'detached' });
    await page.waitForFunction(() => document.activeElement?.textContent?.includes('Bring in a unit'));
    await cart.focus();
    const unitNow = async (name: string) =>
      Object.values((await serverPlan(app.server.url, id)).plan.units).find((u) => u.name === name)!;
    await until(async () => Boolean(await unitNow('Three-tier cart')), 'the cart is there');
    const before = await unitNow('Three-tier cart');
    await page.keyboard.press('Shift+ArrowUp');
    await page.keyboard.press('ArrowLeft');
    await page.keyboard.press('Shift+R');
    await until(async () => {
      const now = await unitNow('Three-tier cart');
      return now.x === before.x - 10 && now.y === before.y + 100 && now.facing === before.facing + 15;
    }, 'moved by 1 cm and 10 cm, turned by 15°');

    // parked here and there
    await page.getByRole('tab', { name: 'Stands, bears, draws' }).click();
    await page.getByRole('button', { name: 'Park it here' }).click();
    await cart.focus();
    for (let i = 0; i < 5; i++) await page.keyboard.press('Shift+ArrowRight');
    await page.getByRole('tab', { name: 'Stands, bears, draws' }).click();
    await page.getByRole('button', { name: 'Roll to Spot 1' }).click();
    await until(async () => (await unitNow('Three-tier cart')).x === before.x - 10, 'rolled back');

    // a rack goes onto the leaf of the only door
    await app.bringIn('Door-back rack');
    await until(async () => Boolean(await unitNow('Door-back rack')), 'the rack is there');
    const rack = await unitNow('Door-back rack');
    // wall 4 runs back along the foot of the page; the door was put into its middle
    expect(rack.x).toBeCloseTo(2000, -1);
    expect(rack.y).toBeCloseTo(65, -1);

    // a front split, stood the other way, kept, and brought in again
    await app.bringIn('Cube unit');
    await page.getByRole('tab', { name: 'Split its front' }).click();
    await app.type('rows', '3');
    await page.getByRole('button', { name: 'Stand it the other way' }).click();
    await page.getByRole('button', { name: 'Keep as my own kind' }).click();
    await page.getByRole('button', { name: /Forget the kind/ }).waitFor();
    await page.getByRole('button', { name: 'Bring in a unit' }).click();
    await page
      .getByRole('menuitem', { name: /^Cube unit/ })
      .first()
      .click();
    await page.waitForSelector('[data-unit][aria-label="Cube unit 2"]');
    await until(async () => Boolean(await unitNow('Cube unit 2')), 'the second is there');
    expect((await unitNow('Cube unit 2')).width).toBe((await unitNow('Cube unit')).width);
    expect((await unitNow('Cube unit')).width).toBe(1400);
    expect(app.errors).toEqual([]);
  });

  test('under the hand: nothing moves between press and release, a unit not yet chosen follows the pointer; new ones find room', async () => {
    const { page } = app;
    await page.goto(app.server.url);
    await page.fill('#new-name', 'Under the hand');
    await page.getByRole('button', { name: 'Begin' }).click();
    await page.waitForSelector('#next-wall');
    const id = planIdOf(page);
    for (const length of ['600', '500', '600', '500']) await app.nextWall(length);
    await page.getByRole('link', { name: /Furniture/ }).click();
    await app.bringIn('Work table');
    await page.keyboard.press('Escape');
    await app.bringIn('Low chest');
    const unitNow = async (name: string) =>
      Object.values((await serverPlan(app.server.url, id)).plan.units).find((u) => u.name === name)!;
    await until(async () => Boolean(await unitNow('Low chest')), 'both are there');
    // the second does not stand in the first
    const [table, chest] = [await unitNow('Work table'), await unitNow('Low chest')];
    expect(
      Math.abs(table.x - chest.x) >= (table.width + chest.width) / 2 - 3 ||
        Math.abs(table.y - chest.y) >= (table.depth + chest.depth) / 2 - 3,
    ).toBe(true);

    // nothing chosen: Floor is at its largest
    const floor = page.getByRole('group', { name: 'Floor: the room from above' });
    const empty = (await floor.boundingBox())!;
    await page.mouse.click(empty.x + 8, empty.y + 8);
    await until(async () => !page.url().includes('unit='), 'nothing is chosen');
    const mark = page.locator('[data-unit][aria-label="Work table"]');
    const size = async () => (await floor.boundingBox())!.height;
    const before = await size();
    const mm = await floor.evaluate((svg) => 1 / (svg as unknown as SVGGraphicsElement).getScreenCTM()!.a);
    const box = (await mark.boundingBox())!;
    const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
    await page.mouse.move(x, y);
    await page.mouse.down();
    await new Promise((r) => setTimeout(r, 200));
    expect(await size()).toBe(before);
    await page.mouse.move(x + 20, y - 10, { steps: 4 });
    expect(await size()).toBe(before);
    await page.mouse.up();
    await until(async () => (await unitNow('Work table')).x !== table.x, 'moved');
    const moved = await unitNow('Work table');
    expect(Math.abs(moved.x - table.x - 20 * mm)).toBeLessThan(12);
    expect(Math.abs(moved.y - table.y - 10 * mm)).toBeLessThan(12);
    await page
      .getByRole('tab', { name: 'Split its front' })
      .or(page.getByRole('tab', { name: /Stands/ }))
      .first()
      .waitFor();

    // focus alone chooses nothing, Enter does
    await page.mouse.click(empty.x + 8, empty.y + 8);
    await until(async () => !page.url().includes('unit='), 'nothing is chosen again');
    await mark.focus();
    await new Promise((r) => setTimeout(r, 150));
    expect(page.url()).not.toMatch(/unit=/);
    await mark.press('Enter');
    await page.waitForURL(/unit=/);
    expect(app.errors).toEqual([]);
  });

  test('sun by month and hour, on Floor and in Round; a finding reopened; the address holds it all', async () => {
    const { page } = app;
    const id = await addDemoPlan(app.server, 'pump');
    await app.open(id, 'furniture');
    await page.getByLabel('Month of the sun').selectOption('June');
    await page.getByLabel('Hour of the sun').fill('9.5');
    await page.waitForSelector('[data-sun]');
    expect(page.url()).toMatch(/month=6/);
    await page.waitForSelector('text=/9:30 by the sun, in the room/');
    await page.getByLabel('Hour of the sun').fill('21');
    await page.waitForSelector('text=/not up|not in the room/');
    expect(await page.locator('[data-sun]').count()).toBe(0);
    await app.open(id, 'homes?month=6&hour=9.5');
    await page.waitForSelector('[data-sun]');

    await app.open(id, 'furniture');
    await findings()
      .getByRole('button', { name: /Wall board covers/ })
      .click();
    await page.getByLabel('Why it stays as it is').fill('no');
    expect(await page.getByRole('button', { name: 'Leave it so' }).isDisabled()).toBe(true);
    await page.getByLabel('Why it stays as it is').fill('The socket is dead');
    await page.getByRole('button', { name: 'Leave it so' }).click();
    await page.waitForSelector('text=/1 left as it is/');
    await page.reload();
    await page.waitForSelector('text=/The socket is dead/');
    await page.getByRole('button', { name: 'Look at it again' }).click();
    await page.waitForSelector('text=/The socket is dead/', { state: 'detached' });
    await page.getByRole('button', { name: /^Undo/ }).click();
    await page.waitForSelector('text=/The socket is dead/');
    expect(app.errors).toEqual([]);
  });

  test('lengths are typed where they apply, from arrow to arrow by tab; what is on a wall is moved by hand and by key', async () => {
    const { page } = app;
    const id = await addDemoPlan(app.server, 'pump');
    await app.open(id, 'furniture?unit=chest');
    const now = async () => (await serverPlan(app.server.url, id)).plan;
    const before = (await now()).units.chest!;
    // no field on Floor lies over another nor over the unit itself
    await page.getByLabel('width', { exact: true }).waitFor();
    // all at once: what arrives above Floor moves everything on it
    const { own, boxes } = await page.evaluate(() => {
      const of = (e: Element) => {
        const { x, y, width, height } = e.getBoundingClientRect();
        return { x, y, width, height };
      };
      const fields = [...document.querySelectorAll('[title="width"],[title="depth"],[title^="from the wall"]')];
      return { own: of(document.querySelector('[data-unit="chest"] path')!), boxes: fields.map(of) };
    });
    expect(boxes.length).toBeGreaterThanOrEqual(5);
    const meet = (a: typeof own, b: typeof own) =>
      a.x < b.x + b.width - 1 && b.x < a.x + a.width - 1 && a.y < b.y + b.height - 1 && b.y < a.y + a.height - 1;
    boxes.forEach((a, i) => expect([own, ...boxes.slice(i + 1)].filter((b) => meet(a, b))).toEqual([]));
    await page.getByLabel('width', { exact: true }).fill('90 cm');
    await page.keyboard.press('Tab');
    expect(await page.evaluate(() => (document.activeElement as HTMLInputElement).labels![0]!.textContent)).toBe(
      'depth',
    );
    await page.keyboard.press('Tab');
    await page.keyboard.press('Tab');
    expect(await page.evaluate(() => (document.activeElement as HTMLInputElement).labels![0]!.textContent)).toMatch(
      /^from the wall: /,
    );
    await app.type('from the wall: north', '1.2 m');
    await app.type('height', '80 cm');
    await until(async () => (await now()).units.chest!.height === 800, 'its height, typed on its front');
    const after = (await now()).units.chest!;
    expect(after).toMatchObject({ width: 900, depth: before.depth, x: before.x });
    const north = wallGaps(await now(), after).find((g) => g.name === 'north')!;
    expect(north.gap).toBeCloseTo(1200, 0);

    await app.open(id, `room?wall=${Object.values((await now()).walls).find((w) => w.name === 'south')!.id}`);
    const socket = page.getByRole('button', { name: 'South socket on south' });
    const fixture = async () => Object.values((await now()).fixtures).find((f) => f.name === 'South socket')!;
    const stood = await fixture();
    const drawn = (await socket.locator('rect').boundingBox())!;
    await page.mouse.move(drawn.x + drawn.width / 2, drawn.y + drawn.height / 2);
    await page.mouse.down();
    await page.mouse.move(drawn.x + 40, drawn.y - 30, { steps: 4 });
    await page.mouse.up();
    await until(async () => (await fixture()).left > stood.left + 100, 'moved along the wall');
    const dropped = await fixture();
    expect(dropped.bottom).toBeGreaterThan(stood.bottom + 100);
    expect([dropped.left % 10, dropped.bottom % 10]).toEqual([0, 0]);
    const above = page.getByTitle('above the floor').getByRole('textbox');
    await above.fill('40 cm');
    await above.press('Enter');
    await until(async () => (await fixture()).bottom === 400, 'typed on its own arrow');
    await socket.press('Shift+ArrowLeft');
    await until(async () => (await fixture()).left === dropped.left - 100, 'moved by key');
    // a seat likewise
    await app.open(id, 'activities?view=where');
    const seat = async () => (await now()).stations;
    await app.type('from the wall: west', '2 m');
    await until(async () => Object.values(await seat()).some((s) => Math.abs(s.x - 2000) < 1), 'the seat');
    expect(app.errors).toEqual([]);
  });
});

async function openings(id: string): Promise<Record<string, { left: number }>> {
  return (await (await fetch(`${app.server.url}/api/plans/${id}`)).json()).plan.openings;
}

/** The words of a PDF, as an independent reader (pdfjs-dist) finds them. */
async function wordsOf(path: string): Promise<string> {
  const { getDocument, VerbosityLevel } = await import('pdfjs-dist/legacy/build/pdf.mjs');
  const data = new Uint8Array(readFileSync(path));
  const pdf = await getDocument({ data, verbosity: VerbosityLevel.ERRORS }).promise;
  const pages = await Promise.all(
    Array.from({ length: pdf.numPages }, async (_, i) => (await (await pdf.getPage(i + 1)).getTextContent()).items),
  );
  return pages.flatMap((items) => items.map((i) => ('str' in i ? i.str : ''))).join('\n');
}
