import { describe, expect, test } from '@jest/globals';
import { addDemoPlan, newPage } from './harness.ts';
import { axeFaults, serverPlan, until, withApp } from './support.ts';

describe('where one was: back, reload, focus, and two windows', () => {
  const app = withApp();
  const focused = () =>
    app.page.evaluate(() => {
      const el = document.activeElement!;
      return el === document.body ? '' : (el.getAttribute('aria-label') ?? el.textContent ?? '').trim();
    });

  test('back goes from way to way of a stone, and out of step closer', async () => {
    const { page } = app;
    const id = await app.demo();
    await app.open(id, 'keepup');
    const ways = page.getByRole('navigation', { name: 'Keep-up' });
    const at = async (name: string) =>
      ways
        .getByRole('button', { name, exact: true, pressed: undefined })
        .and(page.locator('[aria-current=page]'))
        .waitFor();
    await ways.getByRole('button', { name: 'Labels', exact: true }).click();
    await at('Labels');
    await ways.getByRole('button', { name: 'To buy', exact: true }).click();
    await at('To buy');
    await page.goBack();
    await at('Labels');
    await page.goBack();
    await at('Today');
    await page.goForward();
    await at('Labels');
    await app.goOn(id, 'homes');
    await page.getByRole('group', { name: /^The room as seen from/ }).waitFor();
    await page.keyboard.press('+');
    const closer = page.getByRole('region', { name: /^Step closer: / });
    await closer.waitFor();
    // the next unit is the same page
    await page.keyboard.press(']');
    await page.goBack();
    await page.getByRole('group', { name: /^The room as seen from/ }).waitFor();
    expect(page.url()).toContain('/homes');
    expect(app.errors).toEqual([]);
  });

  test('a reload finds the open person, and both sides of before and after', async () => {
    const { page } = app;
    const id = await addDemoPlan(app.server, 'pump');
    await app.open(id, 'activities?view=where');
    const people = page.getByRole('region', { name: 'People' });
    const someone = people.getByRole('button', { expanded: false }).first();
    const name = (await someone.innerText()).split('\n')[0]!;
    await someone.click();
    await people.getByRole('button', { name: new RegExp(name), expanded: true }).waitFor();
    await page.reload();
    await page
      .getByRole('region', { name: 'People' })
      .getByRole('button', { name: new RegExp(name), expanded: true })
      .waitFor();

    await app.open(id, 'homes');
    await page.getByRole('button', { name: 'Find homes', exact: true }).click();
    await page.getByRole('heading', { name: 'What lives where' }).waitFor();
    const sides = page.getByRole('group', { name: 'Shown' });
    await sides.waitFor();
    const said = await sides.innerText();
    const told = await page.getByRole('list', { name: 'What was done' }).innerText();
    await page.reload();
    await sides.waitFor();
    expect(await sides.innerText()).toBe(said);
    expect(await page.getByRole('list', { name: 'What was done' }).innerText()).toBe(told);
    expect(app.errors).toEqual([]);
  });

  test('the focus goes on where the button that had it is gone; the end of looking for ways is heard', async () => {
    const { page } = app;
    const id = await addDemoPlan(app.server, 'cupboard');
    await app.open(id, 'furniture?view=arrange');
    await page.getByRole('button', { name: 'Look for ways' }).press('Enter');
    const enough = page.getByRole('button', { name: 'Enough' });
    await enough.waitFor();
    await until(async () => (await focused()) === 'Enough', 'the focus is on Enough');
    await enough.press('Enter');
    await page.getByRole('button', { name: 'Look elsewhere' }).waitFor();
    await until(async () => (await focused()) === 'Look elsewhere', 'the focus is where the button came back');
    const heard = await page.getByRole('status').allInnerTexts();
    expect(heard.some((words) => /ways? found|Stopped before|No arrangement/.test(words))).toBe(true);
    expect(app.errors).toEqual([]);
  });

  test('what is small is pressed beside where it is drawn: places of Round, seats of Floor', async () => {
    const { page } = app;
    const id = await app.demo();
    await app.open(id, 'homes');
    const round = page.getByRole('group', { name: /^The room as seen from/ });
    await round.waitFor();
    // a narrow place with nothing as small beside it: what is drawn there is large, or nothing
    const spot = await round.evaluate((svg) => {
      const boxes = [...svg.querySelectorAll<SVGElement>('[data-place]')].flatMap((g) =>
        [...g.querySelectorAll(':scope > g > rect:first-child')].map((r) => ({
          id: g.dataset.place!,
          b: r.getBoundingClientRect(),
        })),
      );
      const small = boxes.filter(({ b }) => b.width < 24 || b.height < 24);
      for (const { id, b } of [...small].sort((x, y) => x.b.width - y.b.width)) {
        const at = { x: b.left - 4, y: b.top + b.height / 2 };
        if (at.x < 5 || at.x > innerWidth - 40) continue;
        const near = small.some(
          (o) =>
            o.id !== id &&
            o.b.left < at.x + 16 &&
            o.b.right > at.x - 16 &&
            o.b.top < at.y + 16 &&
            o.b.bottom > at.y - 16,
        );
        const over = document.elementFromPoint(at.x, at.y)?.closest<SVGElement>('[data-place]')?.dataset.place;
        const large = boxes.filter((o) => o.id === over).every(({ b: o }) => Math.min(o.width, o.height) > 24);
        if (b.width < 24 && over !== id && !near && large) return { id, ...at };
      }
      return null;
    });
    expect(spot).not.toBeNull();
    await page.mouse.click(spot!.x, spot!.y);
    await page.waitForURL((url) => url.searchParams.get('place') === spot!.id);
    const seats = await page
      .locator('svg g[role=button][aria-label$="ting"], svg g[role=button][aria-label$="standing"]')
      .all();
    expect(seats.length).toBeGreaterThan(0);
    for (const seat of seats) {
      const b = (await seat.boundingBox())!;
      expect(Math.min(b.width, b.height)).toBeGreaterThanOrEqual(24);
    }
    expect(await axeFaults(page)).toEqual([]);
  });

  test('two windows at one field: what one has changed is not written over unseen by the other', async () => {
    const { page } = app;
    const id = await addDemoPlan(app.server, 'cupboard');
    const { plan } = await serverPlan(app.server.url, id);
    const unit = Object.values(plan.units)[0]!;
    await app.open(id, `furniture?unit=${unit.id}`);
    const other = await newPage(app.browser);
    await other.page.goto(`${app.server.url}/p/${id}/furniture?unit=${unit.id}`);
    const mine = page.getByLabel('depth', { exact: true });
    const theirs = other.page.getByLabel('depth', { exact: true });
    await theirs.waitFor();
    const shown = await mine.inputValue();
    // typed here, not yet taken; meanwhile it changes there
    await mine.fill(String(unit.depth + 37));
    await theirs.fill(String(unit.depth + 11));
    await theirs.press('Enter');
    const depth = async () => (await serverPlan(app.server.url, id)).plan.units[unit.id]!.depth;
    await until(async () => (await depth()) !== unit.depth, 'the other window has saved it');
    const saved = await depth();
    expect(await mine.inputValue()).not.toBe(shown);
    // this window has heard of it: there is something to undo
    await page.getByRole('button', { name: /^Undo: / }).waitFor();
    // the first Enter only says so
    await mine.press('Enter');
    await page.getByText(/It has become .* meanwhile/).waitFor();
    expect(await depth()).toBe(saved);
    await mine.press('Escape');
    expect(await depth()).toBe(saved);
    await other.context.close();
    expect(app.errors).toEqual([]);
  });
});
