import { describe, expect, test } from '@jest/globals';
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
    await app.type('Pretend laser, pointed at a wall', '250');
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
    await app.type('wall 2', '0');
    await app.bringIn('Low chest');
    await app.type('wall 5', '0');
    await app.type('wall 1', '0');
    await page.waitForSelector('text=/Low chest stands .* into the working space before Fuse board/');

    // 1: moved away by its distance from the west wall
    await app.type('wall 1', '150');
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
    await app.type('wall 5', '0');
    await app.type('wall 1', '200');
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
      .getByRole('button', { name: /Bookcase is 1900 mm tall/ })
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
      () => document.querySelectorAll('[aria-label="Low chest from the front"] title').length === 4,
    );

    await page.getByRole('button', { name: 'Does it go in?' }).click();
    await app.type('height', '90 mm');
    await app.type('width', '600 mm');
    await app.type('depth', '400 mm');
    await page.waitForSelector('text=It goes into 2 of 4 places.');
    expect(await page.getByRole('dialog').innerText()).toMatch(/needs 23 mm more height/);
    await page.keyboard.press('Escape');

    await page.getByRole('button', { name: 'Drawings' }).click();
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
    await page.keyboard.press('Escape');

    await page.getByRole('button', { name: 'Try another way' }).click();
    await page.waitForSelector('[aria-label="Beside: Second room"]');
    await page.locator('[data-unit][aria-label="Low chest"]').first().press('Shift+ArrowLeft');
    await page.waitForSelector('text=/1 unit stands otherwise here/');
  });
});

async function openings(id: string): Promise<Record<string, { left: number }>> {
  return (await (await fetch(`${app.server.url}/api/plans/${id}`)).json()).plan.openings;
}
