import { type Page } from 'playwright-core';
import { readList } from '@heronstone/core/formats';
import { KINDS, likelyKinds, ofKind, pluralOf } from '@heronstone/core/kinds';
import { apply, blankSupply, emptyPlan, type Plan, type Supply, usualLies } from '@heronstone/core/plan';
import { budgetOf } from '@heronstone/core/stock';
import { addDemoPlan, launch, newPage, post, removeFolder, startServer, type TestServer } from '../harness.ts';

/**
 * Seconds of a person at a keyboard: a stroke 0.28, making up one’s mind 1.35 before each thing (keystroke-level model of Card, Moran and Newell,
 * 1980, average non-secretary typist; from memory).
 */
const STROKE = 0.28;
const MIND = 1.35;

const median = (all: readonly number[]) => [...all].sort((a, b) => a - b)[Math.floor(all.length / 2)]!;
const ms = (work: () => unknown) => {
  const begin = performance.now();
  work();
  return performance.now() - begin;
};

/** Sixty things as a maker writes them, of sixty kinds all over the crafts. */
const SIXTY: readonly string[] = KINDS.filter(
  (k) => likelyKinds(pluralOf(k.name))[0]?.kind === k && likelyKinds(pluralOf(k.name)).length > 0,
)
  .filter((_, i) => i % 5 === 0)
  .slice(0, 60)
  .map(
    (kind, i) =>
      `${(i % 12) + 1} ${i % 4 === 0 ? `${['red', 'blue', 'white'][(i / 4) % 3]} ` : ''}${pluralOf(kind.name)}`,
  );

/** So many supplies of all kinds, a third of them with sizes of their own. */
export function crowdOf(plan: Plan, count: number): Plan {
  const supplies = Array.from({ length: count }, (_, i): Supply => {
    const kind = KINDS[i % KINDS.length]!;
    const own = i % 3 === 0;
    return {
      ...blankSupply(`crowd-${i}`, `${kind.name} ${i}`),
      ...ofKind(kind),
      lies: usualLies(kind.form),
      name: `${kind.name} ${i}`,
      working: (i % 17) + 1,
      ...(own ? { width: kind.width + (i % 7), usual: [] } : {}),
    };
  });
  const done = apply(plan, { type: 'addSupplies', supplies });
  if (!done.ok) throw new Error(done.reason);
  return done.plan;
}

/** Rows of the table for what goes into the list and what is read off it. */
export async function supplyRows(plan: Plan): Promise<string[]> {
  const rows: string[] = [];
  const say = (what: string, took: string, budget: string) => rows.push(`| ${what} | ${took} | ${budget} |`);
  const server = await startServer();
  const browser = await launch();
  try {
    const { page } = await newPage(browser);
    for (const [what, { strokes, seconds }] of [
      ['60 things by lines', await byLines(page, server)],
      ['60 things on a tour of 20 places', await onTour(page, server)],
      ['60 things sorted out', await sorted(page, server)],
    ] as const) {
      const minds = 60 * MIND;
      const person = (strokes * STROKE + minds) / 60;
      say(`${what}: key strokes, a thing`, `${strokes}, ${(strokes / 60).toFixed(1)}`, '–');
      say(
        `${what}: seconds a thing of a person (keystroke-level model), of the machine`,
        `${person.toFixed(1)} s, ${(seconds / 60).toFixed(2)} s`,
        what.includes('lines') ? '5 s' : '–',
      );
    }
    const { filter, step, first, where } = await scrolling(page, server);
    say(
      'the list of 10,000: a letter typed to narrow it, until the frame after it',
      `${filter.toFixed(0)} ms`,
      '100 ms',
    );
    say('where is it, 10,000 things: a letter typed, until the frame after it', `${where.toFixed(0)} ms`, '20 ms');
    say('the same, the first letter', `${first.toFixed(0)} ms`, '–');
    say('the list of 10,000: a page down, until the frame after it', `${step.toFixed(0)} ms`, '50 ms');
  } finally {
    await browser.close();
    await server.stop();
    removeFolder(server);
  }
  const own = [
    'Item,Dims,Qty,Wt,Colour,Used for',
    ...Array.from({ length: 10_000 }, (_, i) => `Thing ${i},2 x 2 x 3/4,${(i % 9) + 1},3 oz,red,"Cards, Tags"`),
  ].join('\n');
  say(
    'a list of 10,000 with headings of its own read',
    `${median([0, 1, 2].map(() => ms(() => readList(own, emptyPlan('x'), { measure: 'metric' })))).toFixed(0)} ms`,
    '5,000 ms',
  );
  const budgets: number[] = [];
  const again: number[] = [];
  for (let i = 0; i < 5; i++) {
    const crowd = crowdOf(plan, 2000);
    budgets.push(ms(() => budgetOf(crowd)));
    const done = apply(crowd, { type: 'setSupply', id: 'crowd-7', set: { working: 40 } });
    if (done.ok) again.push(ms(() => budgetOf(done.plan)));
  }
  say(
    'space budget of 2,000 supplies (and those of the demo), the first time',
    `${median(budgets).toFixed(0)} ms`,
    '50 ms',
  );
  say('the same after one supply was changed', `${median(again).toFixed(0)} ms`, '50 ms');
  return rows;
}

async function emptyPlanWithRoom(server: TestServer): Promise<string> {
  const id = await addDemoPlan(server, 'pump');
  const { plan } = (await (await fetch(`${server.url}/api/plans/${id}`)).json()) as { plan: Plan };
  const commands = Object.keys(plan.supplies).map((s) => ({ type: 'removeSupply', id: s }));
  await post(`${server.url}/api/plans/${id}/commands`, {
    commandId: 'bench-empty-1',
    command: { type: 'several', words: 'empty', commands },
  });
  return id;
}

const count = async (server: TestServer, id: string) =>
  Object.keys(((await (await fetch(`${server.url}/api/plans/${id}`)).json()) as { plan: Plan }).plan.supplies).length;

async function until(what: () => Promise<boolean>): Promise<void> {
  for (let i = 0; i < 200; i++) {
    if (await what()) return;
    await new Promise((r) => setTimeout(r, 50));
  }
  throw new Error('the bench waited in vain');
}

type Took = { strokes: number; seconds: number };

async function byLines(page: Page, server: TestServer): Promise<Took> {
  const id = await emptyPlanWithRoom(server);
  await page.goto(`${server.url}/p/${id}/supplies?view=lines`);
  await page.waitForSelector('#lines');
  const begin = performance.now();
  let strokes = 0;
  for (const line of SIXTY) {
    await page.keyboard.type(line);
    await page.keyboard.press('Enter');
    strokes += line.length + 1;
  }
  await page.waitForTimeout(50);
  for (
    let asked = await page.locator('[role=group][aria-label^="What is"], [role=group][aria-label*=" or "]').count();
    asked > 0;
    asked--
  ) {
    await page
      .locator('[role=group][aria-label^="What is"], [role=group][aria-label*=" or "]')
      .first()
      .getByRole('button')
      .first()
      .click();
    strokes += 1;
  }
  await page.locator('#lines').press('Control+Enter');
  await until(async () => (await count(server, id)) >= 55);
  return { strokes: strokes + 1, seconds: (performance.now() - begin) / 1000 };
}

async function onTour(page: Page, server: TestServer): Promise<Took> {
  const id = await emptyPlanWithRoom(server);
  await page.goto(`${server.url}/p/${id}/supplies?view=tour`);
  await page.waitForSelector('#tour-line');
  const begin = performance.now();
  let strokes = 0;
  for (const [i, line] of SIXTY.entries()) {
    await page.keyboard.type(line);
    await page.keyboard.press('Enter');
    strokes += line.length + 1;
    await page.waitForFunction(
      () =>
        (document.querySelector('#tour-line') as HTMLInputElement | null)?.value === '' ||
        document.querySelector('[role=group][aria-label^="What is"]') !== null,
    );
    if ((await page.inputValue('#tour-line')) !== '') {
      await page.keyboard.press('1');
      strokes++;
    }
    if (i % 3 !== 2) continue;
    const here = await page.locator('[data-stop]').getAttribute('data-stop');
    await page.keyboard.press('Enter');
    strokes++;
    await page.waitForFunction((was) => document.querySelector('[data-stop]')?.getAttribute('data-stop') !== was, here);
  }
  await until(async () => (await count(server, id)) >= 55);
  return { strokes, seconds: (performance.now() - begin) / 1000 };
}

async function sorted(page: Page, server: TestServer): Promise<Took> {
  const id = await addDemoPlan(server, 'pump');
  await page.goto(`${server.url}/p/${id}/supplies?view=sort`);
  await page.waitForSelector('[data-thing]');
  const begin = performance.now();
  for (let i = 0; i < 60; i++) {
    const here = await page.locator('[data-thing]').getAttribute('data-thing');
    await page.keyboard.press(['ArrowRight', 'ArrowRight', 'ArrowUp', 'ArrowLeft', 'ArrowDown', 'u'][i % 6]!);
    await page.waitForFunction(
      (was) => document.querySelector('[data-thing]')?.getAttribute('data-thing') !== was,
      here,
    );
  }
  return { strokes: 60, seconds: (performance.now() - begin) / 1000 };
}

async function scrolling(
  page: Page,
  server: TestServer,
): Promise<{ filter: number; step: number; where: number; first: number }> {
  const { id } = await post<{ id: string }>(`${server.url}/api/plans`, { head: { name: 'Crowd' } });
  const { supplies } = crowdOf(emptyPlan('x'), 10_000);
  await post(`${server.url}/api/plans/${id}/commands`, {
    commandId: 'bench-crowd-1',
    command: { type: 'addSupplies', supplies: Object.values(supplies) },
  });
  await page.goto(`${server.url}/p/${id}/supplies?view=list`);
  await page.waitForSelector('[role=grid] [role=row]');
  await page.waitForTimeout(1500);
  const frameAfter = async (act: () => Promise<unknown>) => {
    await page.evaluate(() => {
      (window as unknown as { took: number }).took = 0;
      window.addEventListener(
        'keydown',
        ({ timeStamp }) =>
          requestAnimationFrame(() =>
            setTimeout(() => ((window as unknown as { took: number }).took = performance.now() - timeStamp)),
          ),
        { capture: true, once: true },
      );
    });
    await act();
    await page.waitForFunction(() => (window as unknown as { took: number }).took > 0);
    return page.evaluate(() => (window as unknown as { took: number }).took);
  };
  const filters: number[] = [];
  const box = page.getByLabel('Narrow the list');
  await box.focus();
  for (const letter of ['i', 'n', 'k', ' ', 'p', 'a', 'd']) {
    filters.push(await frameAfter(() => page.keyboard.press(letter)));
    await page.waitForTimeout(400);
  }
  await box.fill('');
  await page.waitForTimeout(800);
  await page.getByRole('grid').focus();
  const steps: number[] = [];
  for (let i = 0; i < 15; i++) {
    steps.push(await frameAfter(() => page.keyboard.press('PageDown')));
    await page.waitForTimeout(100);
  }
  await page.getByRole('button', { name: 'Where is it?' }).click();
  const field = page.getByPlaceholder('Type a few letters of it');
  await field.focus();
  const wheres: number[] = [];
  for (const letter of ['i', 'n', 'k', ' ', 'p', 'a', 'd', 'Backspace', 'Backspace', 'a', 'd']) {
    wheres.push(await frameAfter(() => page.keyboard.press(letter)));
    await page.waitForTimeout(400);
  }
  const [first, ...rest] = wheres;
  return { filter: median(filters), step: median(steps), first: first!, where: median(rest) };
}
