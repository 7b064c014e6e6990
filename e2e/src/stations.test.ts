import { describe, expect, test } from '@jest/globals';
import { findingsOf } from '@heronstone/core/findings';
import { HARD } from '@heronstone/core/arrange';
import { type Plan } from '@heronstone/core/plan';
import { planAsWorked } from '@heronstone/core/reach';
import { addDemoPlan } from './harness.ts';
import { axeFaults, planIdOf, serverPlan, until, withApp } from './support.ts';

const app = withApp();
const planNow = async (id: string): Promise<Plan> => (await serverPlan(app.server.url, id)).plan;
const view = (name: string) => app.page.getByRole('button', { name, exact: true }).click();

describe('people, activities and stations', () => {
  test('what is chosen is on the screen before anything else can be pressed or typed', async () => {
    const { page } = app;
    const id = await addDemoPlan(app.server, 'cupboard');
    await app.open(id, 'activities');
    await page.getByLabel('What is made').waitFor();
    const activities = Object.values((await planNow(id)).activities).length;
    // within one piece of script: nothing else has had its turn
    const shown = await page.evaluate(() => {
      const button = [...document.querySelectorAll('button')].find((b) => b.textContent!.trim() === 'Another')!;
      button.click();
      const label = [...document.querySelectorAll('label')].find((l) => l.textContent === 'What is made')!;
      return (document.getElementById(label.htmlFor) as HTMLInputElement).value;
    });
    expect(shown).toBe(`Activity ${activities + 1}`);
  });

  test('the months of an activity said in words; what is no month is told off and left', async () => {
    const { page } = app;
    const id = await addDemoPlan(app.server, 'pump');
    await app.open(id, 'activities?activity=lanterns');
    const months = async () => (await planNow(id)).activities.lanterns!.months;
    const words = page.getByLabel('in these months, in words');
    await words.fill('only October to Dec');
    await words.press('Enter');
    await until(async () => (await months()).join() === '10,11,12', 'October to December');
    await page.getByRole('button', { name: 'Sep', pressed: false }).waitFor();
    await words.fill('when it rains');
    await words.press('Enter');
    await page.getByRole('alert').filter({ hasText: 'when it rains' }).waitFor();
    expect(await months()).toEqual([10, 11, 12]);
    await words.press('Escape');
    await words.fill('not in August');
    await words.press('Enter');
    await until(async () => (await months()).length === 11, 'all but August');
  });

  test('done outside: its seat goes to the door, no table of the room is asked for, and its things are got ready there; back again', async () => {
    const { page } = app;
    const id = await addDemoPlan(app.server, 'spring');
    await app.open(id, 'activities?activity=prints&view=where');
    const seat = async () => (await planNow(id)).stations['print-seat']!;
    const before = await seat();
    const done = page.getByLabel('done', { exact: true });
    await done.selectOption('outside');
    await page.getByText('It is done outside').waitFor();
    await until(async () => (await seat()).unitId === null, 'the seat has left its table');
    const at = await seat();
    expect(Math.hypot(at.x - before.x, at.y - before.y)).toBeGreaterThan(300);
    await page.getByRole('button', { name: `${at.name}, outside` }).waitFor();
    await view('Asks and gets');
    await page.getByLabel('kind of work').waitFor();
    expect(await page.getByText(/too (low|high|narrow|shallow)/).count()).toBe(0);
    await app.open(id, 'activities?activity=prints&view=where');
    await page.getByLabel('done', { exact: true }).selectOption('here');
    await until(async () => (await seat()).unitId !== null, 'it sits at a table again');
  });

  test('somebody comes once a month to what others do: said in words, beside the sessions of the others', async () => {
    const { page } = app;
    const id = await addDemoPlan(app.server, 'pump');
    await app.open(id, 'activities?activity=kites&view=where');
    await page.getByLabel('posture').waitFor();
    // who is alone has no number of her own
    expect(await page.getByLabel('comes, times a month').count()).toBe(0);
    await page.getByRole('button', { name: 'Another seat' }).click();
    const comes = page.getByLabel('comes, times a month');
    await until(async () => (await comes.count()) === 2, 'both may have one');
    await comes.last().fill('now and then');
    await comes.last().press('Enter');
    await page.getByRole('alert').filter({ hasText: 'now and then' }).waitFor();
    await comes.last().fill('once a month');
    await comes.last().press('Enter');
    const said = async () => Object.values((await planNow(id)).stations).filter((s) => s.comes !== null);
    await until(async () => (await said()).length === 1, 'once a month');
    expect((await said())[0]!.comes).toBe(1);
    await comes.last().fill('');
    await comes.last().press('Enter');
    await until(async () => (await said()).length === 0, 'every time again');
  });

  test('the left-handed maker sets up two stations and a cart', async () => {
    const { page } = app;
    await page.goto(app.server.url);
    await page.fill('#new-name', 'Left hand first');
    await page.getByRole('button', { name: 'Begin' }).click();
    await page.waitForSelector('#next-wall');
    const id = planIdOf(page);
    for (const length of ['400', '500', '400', '500']) await app.nextWall(length);
    await page.getByRole('link', { name: /Furniture/ }).click();
    await app.bringIn('Work table');
    await app.bringIn('Three-tier cart');
    for (let i = 0; i < 12; i++)
      await page.locator('[data-unit][aria-label="Three-tier cart"]').press('Shift+ArrowLeft');

    await page.getByRole('link', { name: /Activities/ }).click();
    await page.getByRole('button', { name: 'Someone' }).click();
    await page.getByLabel('Hand', { exact: true }).selectOption('left');
    await app.type('Height without shoes', '1,62 m');
    await page.waitForSelector('text=/162 cm, left-handed/');
    for (const name of ['Kites', 'Lanterns']) {
      await page.getByRole('button', { name: 'Another', exact: true }).click();
      await app.type('What is made', name);
      await page.getByRole('button', { name: 'Give it a seat' }).click();
      await page.waitForSelector('text=it lives as');
    }
    // the second on the other side of the table, at the same time, with the cart
    await view('its back');
    await page.getByLabel('at the same time as').selectOption({ label: 'Kites seat' });
    await page.getByLabel('it lives as').selectOption('cart');
    await page.getByLabel('on', { exact: true }).selectOption({ label: 'Three-tier cart' });
    await page.waitForSelector('text=/a session to bring it and put it away/');
    await until(
      async () => Object.values((await planNow(id)).stations).some((s) => s.travellerId !== null),
      'the cart',
    );
    const plan = await planNow(id);
    const [kites, lanterns] = ['Kites seat', 'Lanterns seat'].map((name) =>
      Object.values(plan.stations).find((s) => s.name === name)!,
    );
    expect(Math.abs(kites!.heading - lanterns!.heading)).toBe(180);
    expect(kites!.together).toBe(lanterns!.together);
    expect(kites!.together).not.toBe('');
    // beside her left hand: she looks down the page, so that is on the right of it
    const cart = Object.values(planAsWorked(plan, lanterns!).units).find((u) => u.kind === 'rollingCart')!;
    const right = (lanterns!.heading + 90) % 360;
    expect((cart.x - lanterns!.x) * Math.sin((right * Math.PI) / 180)).toBeLessThan(-300);
    // both at once are one person: said
    expect(
      findingsOf(plan)
        .map((f) => f.words)
        .join(),
    ).toMatch(/is to work at .* at the same time/);
    // hand on, undone, done again
    await view('Hands on');
    await page.getByRole('button', { name: 'Add', exact: true }).click();
    await page.waitForSelector('text=/a year, carried/');
    await page.getByRole('button', { name: /^Undo/ }).click();
    await page.waitForSelector('[data-flow]', { state: 'detached' });
    // the round from the cart’s seat
    await page.getByRole('link', { name: /Homes/ }).click();
    await page.getByRole('button', { name: 'Lanterns seat' }).first().click();
    await page.waitForSelector('[data-place]');
    expect(app.errors).toEqual([]);
  });

  test('a person who may not kneel sees what is out of reach, and that it is not when she may', async () => {
    const { page } = app;
    const id = await addDemoPlan(app.server, 'pump');
    await app.open(id, 'homes?seat=print-seat&place=sheets.5.0');
    await page.waitForSelector('text=Out of reach for Rowan: it needs kneeling.');
    await app.open(id, 'activities?activity=prints');
    await page.getByRole('button', { name: /^Rowan/ }).click();
    await page.getByLabel('may kneel').check();
    await until(async () => (await planNow(id)).people.rowan!.mayKneel, 'she may kneel');
    await app.open(id, 'homes?seat=print-seat&place=sheets.5.0');
    await page.waitForSelector('[aria-label="Ledger"] >> text=kneel');
    expect(await page.locator('text=Out of reach for Rowan').count()).toBe(0);
    // the walk to it goes round what stands between: it has a turn
    const walk = await page.locator('[data-walk]').getAttribute('d');
    expect(walk!.split('L').length).toBeGreaterThanOrEqual(3);
  });

  test('uses from a recipe, by family and as for another; what is unknown is named and nothing guessed', async () => {
    const { page } = app;
    const id = await addDemoPlan(app.server, 'pump');
    await app.open(id, 'activities?activity=packing');
    const uses = async () =>
      Object.values((await planNow(id)).uses)
        .filter((u) => u.activityId === 'packing')
        .map((u) => `${u.supplyId} ${u.fetches}`);
    await view('From a recipe');
    await page.fill('#recipe', 'wrap: bubble sleeves x7, no such thing\nseal: masking tape');
    await page.waitForSelector('text=/Line 1: “no such thing” is no single supply/');
    await page.getByRole('button', { name: 'Take 2 supplies over' }).click();
    await until(async () => (await uses()).includes('masking-tape 1'), 'the recipe');
    expect(await uses()).toContain('bubble-sleeves 7');
    await view('By family');
    const families = page.getByRole('list', { name: 'Families' });
    // one of which nothing is used yet, by its key, and off again
    const unused = families.getByRole('listitem').filter({ has: page.locator('button[aria-pressed="false"]') });
    const row = (await unused.first().elementHandle())!;
    const key = (await (await row.$('kbd'))!.innerText()).trim();
    const first = families
      .getByRole('listitem')
      .filter({ has: page.locator('kbd', { hasText: new RegExp(`^${key}$`) }) });
    const button = first.getByRole('button').first();
    const before = (await uses()).length;
    await page.keyboard.press(key);
    await until(async () => (await uses()).length > before, 'the family is on');
    expect(await button.getAttribute('aria-pressed')).toBe('true');
    const of = first.getByLabel(/a session$/);
    const things = (await uses()).length - before;
    await of.fill('1');
    await of.press('Enter');
    await until(
      async () => (await uses()).filter((u) => u.endsWith(` ${Number((1 / things).toFixed(3))}`)).length >= things,
      'one of them a session',
    );
    await button.press(key);
    await until(async () => (await uses()).length === before, 'and off');
    await first.getByRole('button', { name: /^One by one/ }).click();
    const box = first.getByRole('checkbox').first();
    await box.check();
    await until(async () => (await uses()).length === before + 1, 'ticked');
    await box.uncheck();
    await until(async () => (await uses()).length === before, 'and not');
    // what already lies on the line is chosen there, not laid twice
    await page.fill('#use-add', 'masking tape');
    await page.press('#use-add', 'Enter');
    await page.getByLabel('reached for a session').waitFor();
    expect((await uses()).filter((u) => u.startsWith('masking-tape')).length).toBe(1);
    // no chip lies over another, on a table and on a phone
    for (const width of [1280, 390]) {
      await page.setViewportSize({ width, height: 800 });
      await page.waitForFunction(() => {
        const line = document.querySelector('[aria-label="Use line"] .bg-paper.relative')!.getBoundingClientRect();
        const chips = [...document.querySelectorAll('[aria-label*="times a session"]')].map((c) =>
          c.getBoundingClientRect(),
        );
        return (
          chips.length > 0 &&
          chips.every((a) => a.right <= line.right + 1) &&
          chips.every((a, i) =>
            chips
              .slice(i + 1)
              .every((b) => a.right <= b.left || b.right <= a.left || a.bottom <= b.top || b.bottom <= a.top),
          )
        );
      });
    }
    await page.setViewportSize({ width: 1280, height: 800 });
    await view('As for another');
    await page.getByLabel('the same as for').selectOption({ label: 'Needle felting' });
    await page.getByRole('button', { name: /^Copy 12 uses/ }).click();
    await until(async () => (await uses()).includes('felting-needles 6'), 'copied');
    await page.getByRole('button', { name: /^Undo/ }).click();
    await until(async () => !(await uses()).includes('felting-needles 6'), 'one undo takes all of it back');
    expect(app.errors).toEqual([]);
  });

  test('a kit is packed; the map of seats and of parking; ways of working side by side; clean for axe', async () => {
    const { page } = app;
    const id = await addDemoPlan(app.server, 'pump');
    await app.open(id, 'activities?activity=felting&view=where');
    await page.waitForSelector('text=/2 of 12 packed/');
    await page.getByRole('button', { name: 'Pack it' }).click();
    await page.waitForSelector('text=/([3-9]|1[0-2]) of 12 packed/');
    await page.getByRole('button', { name: 'Where should I sit?' }).click();
    await page.waitForSelector('[data-map] [data-best]');
    const before = (await planNow(id)).stations['felt-seat']!;
    expect(await axeFaults(page)).toEqual([]);
    await page.getByRole('group', { name: 'Best spots' }).getByRole('button').first().click();
    await until(async () => (await planNow(id)).stations['felt-seat']!.x !== before.x, 'she sits there now');
    await app.open(id, 'activities?activity=packing&view=where');
    await page.getByRole('button', { name: 'Where should it park?' }).click();
    await page.waitForSelector('[role=status] >> text=trying every spot');
    await page.getByRole('button', { name: 'Enough' }).click();
    await page.waitForSelector('text=Put the map away');
    await app.open(id, 'activities?activity=lanterns&view=ways');
    await page.getByRole('button', { name: 'sitting or standing?' }).click();
    await page.waitForSelector('[aria-label="Sitting or standing"]');
    expect(await page.locator('[aria-label="Sitting or standing"] strong').allInnerTexts()).toEqual([
      'sitting',
      'standing',
    ]);
    expect(await axeFaults(page)).toEqual([]);
    for (const what of ['flows', 'asks', 'uses']) {
      await app.open(id, `activities?activity=prints&view=${what}`);
      await app.settled();
      expect(await axeFaults(page)).toEqual([]);
    }
    await app.open(id, 'activities?activity=marbling&view=asks');
    await page.waitForSelector('text=/Nobody worked here for \\d+ months/');
    await page.getByRole('button', { name: /^Pip/ }).click();
    await app.type('years old', '2');
    await until(async () => (await planNow(id)).people.pip!.keepFrom.includes('small'), 'small parts too, under three');
    expect(app.errors).toEqual([]);
  });

  test('arrange for me: an offer breaks no hard rule and is taken as a plan of its own; what is pinned stays', async () => {
    const { page } = app;
    const id = await addDemoPlan(app.server, 'cupboard');
    const before = await planNow(id);
    await app.open(id, 'furniture?view=arrange');
    await page.getByRole('button', { name: 'Look for ways' }).click();
    await page.getByRole('button', { name: 'Look elsewhere' }).waitFor();
    await page.waitForSelector('[aria-label="Arrangement 1"]');
    expect(await axeFaults(page)).toEqual([]);
    await page.getByRole('button', { name: 'Take it as a new plan' }).first().click();
    await page.waitForURL((url) => /\/p\/[^/]+\/furniture/.test(url.pathname) && !url.pathname.includes(id));
    const made = planIdOf(page);
    await until(
      async () => JSON.stringify((await planNow(made)).units) !== JSON.stringify(before.units),
      'it stands otherwise',
    );
    const plan = await planNow(made);
    expect(plan.head.forkedFrom).toBe(id);
    expect(findingsOf(plan).filter((f) => HARD.has(f.check))).toEqual([]);
    expect((await planNow(id)).units).toEqual(before.units);
    expect(app.errors).toEqual([]);
  });
});
