import { describe, expect, test } from '@jest/globals';
import { nameOfPlace } from '@heronstone/core/concepts';
import { compartmentsOf, homesIn, type Plan } from '@heronstone/core/plan';
import { addDemoPlan, post } from './harness.ts';
import { axeFaults, carriedOver, serverPlan, settled, until, withApp } from './support.ts';

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
    const named = round.getByText('Hand tools', { exact: true });
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

  test('step closer: by keys round the whole room and back, each unit once, its places named; a thing dragged from place to place', async () => {
    const { page } = app;
    const id = await addDemoPlan(app.server, 'spring');
    const plan = await planOf(id);
    await app.open(id, 'homes');
    await page.getByRole('group', { name: /^The room as seen from/ }).waitFor();
    await page.keyboard.press('+');
    const closer = page.getByRole('region', { name: /^Step closer: / });
    await closer.waitFor();
    const unit = () => closer.getByRole('status').innerText();
    const first = await unit();
    const seen = [first];
    for (;;) {
      const before = await unit();
      // arrows go round the room too
      await page.keyboard.press(seen.length % 2 === 0 ? ']' : 'ArrowRight');
      await page.waitForFunction(
        (was) => document.querySelector('section[aria-label^="Step closer"] [role=status]')?.textContent !== was,
        before,
      );
      if ((await unit()) === first) break;
      seen.push(await unit());
    }
    const there = Object.values(plan.units).filter((u) => u.mount !== 'away' && compartmentsOf(plan, u.id).length > 0);
    expect([...seen].sort()).toEqual(there.map((u) => u.name).sort());
    expect(await axeFaults(page)).toEqual([]);

    // what lives in its first drawer goes to where it is let go
    await app.goOn(id, 'homes?view=closer&unit=chest');
    const chip = closer
      .getByRole('list', { name: /^In drawer 1/ })
      .getByRole('listitem')
      .first();
    const said = await chip.innerText();
    const to = closer.getByRole('button', { name: /^drawer 3/ });
    const supply = Object.values(plan.supplies).find((s) => said === s.name || said === `${s.name}, reserve`)!;
    await carriedOver(chip, `closer:${supply.id}.`, to, 'front:chest.2.0');
    await page.mouse.up();
    await until(async () => {
      const now = await planOf(id);
      return homesIn(now, 'chest.2.0').some((h) => h.supplyId === supply.id);
    }, 'the thing lives in the third drawer');
    // a tray in it is opened where it stands, and there is the way back
    const tray = Object.values(plan.places).find(
      (p) => p.inId === 'chest.2.0' && p.organiserId !== null && homesIn(plan, p.id).length > 0,
    )!;
    const inside = closer.getByRole('list', { name: 'Seen from inside' });
    await inside
      .getByRole('button', { name: new RegExp(`^Open ${tray.name}`) })
      .first()
      .click();
    await inside.getByRole('list', { name: `In ${tray.name}` }).waitFor();
    await inside.getByRole('button', { name: 'back to drawer 3' }).click();
    await inside.getByRole('list', { name: 'In drawer 3' }).waitFor();
    // notes inside a door are seen on it, at what they are of
    await post(`${app.server.url}/api/plans/${id}/commands`, {
      commandId: 'command-note',
      command: { type: 'setPlace', id: 'cupboard.5.0', set: { label: 'inside' } },
    });
    await app.goOn(id, 'homes?view=closer&unit=cupboard');
    const note = nameOfPlace(await planOf(id), 'cupboard.5.0')!.words;
    await closer.getByRole('img', { name: `Tall cupboard, the door from within: ${note}` }).waitFor();
    expect(await axeFaults(page)).toEqual([]);
    await app.goOn(id, 'homes?view=closer&unit=chest');
    // every name that may stand on a thing is edged with paper, whatever the colour of the thing
    const bare = await closer.evaluate((el) =>
      [...el.querySelectorAll('[aria-label="Seen from inside"] svg text, [aria-label$=" from the front"] text')]
        .filter((t) => {
          const { paintOrder, stroke, strokeWidth } = getComputedStyle(t);
          return !paintOrder.startsWith('stroke') || stroke === 'none' || Number.parseFloat(strokeWidth) <= 0;
        })
        .map((t) => t.textContent),
    );
    expect(bare).toEqual([]);
    // its map is printed, and the way back leads to the room
    const [map] = await Promise.all([
      page.waitForEvent('download'),
      closer.getByRole('button', { name: 'Its map' }).click(),
    ]);
    expect(map.suggestedFilename()).toBe('Window-chest.pdf');
    await closer.getByRole('button', { name: 'The whole room' }).click();
    await page.getByRole('group', { name: /^The room as seen from/ }).waitFor();
    expect(app.errors).toEqual([]);
  });

  test('on a phone one unit is a screen, and a finger across shows the next', async () => {
    const id = await addDemoPlan(app.server, 'spring');
    await app.newPage({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });
    const { page } = app;
    await app.open(id, 'homes?view=closer&unit=chest');
    const closer = page.getByRole('region', { name: /^Step closer: / });
    const status = closer.getByRole('status');
    await status.waitFor();
    const next = (await closer.getByRole('button', { name: /^Next to the right/ }).getAttribute('aria-label'))!.split(
      ': ',
    )[1]!;
    const box = (await closer.boundingBox())!;
    const touch = { pointerType: 'touch', bubbles: true, pointerId: 7 };
    const y = box.y + 120;
    await closer.dispatchEvent('pointerdown', { ...touch, clientX: 300, clientY: y });
    await closer.dispatchEvent('pointerup', { ...touch, clientX: 90, clientY: y + 5 });
    await page.getByRole('region', { name: `Step closer: ${next}` }).waitFor();
    expect(await page.evaluate(() => document.documentElement.scrollWidth - innerWidth)).toBe(0);
  });
});
