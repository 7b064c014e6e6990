import { describe, expect, test } from '@jest/globals';
import { type Page } from 'playwright-core';
import { type Plan } from '@heronstone/core/plan';
import { addDemoPlan, post } from './harness.ts';
import { serverPlan, withApp } from './support.ts';

/** Everything a screen shows or reads aloud, a piece a line. */
const SCREENS = [
  'room?wall=wall-south',
  'furniture?unit=chest',
  'furniture?unit=cubes&place=cubes.0.0',
  'furniture?view=zones',
  ...['where', 'asks', 'ways'].map((view) => `activities?view=${view}`),
  ...['tour', 'lines', 'sort', 'colours', 'cutting', 'room', 'table'].map((view) => `supplies?view=${view}`),
  'supplies?supply=hot-knife',
  'homes?supply=hot-knife&place=chest.3.0',
  'homes?view=closer&unit=chest',
  'tryout',
  ...['', 'ready', 'back', 'projects', 'look', 'doing', 'labels', 'seasons', 'buy', 'log', 'guests'].map(
    (view) => `keepup?view=${view}`,
  ),
];
/** What the maker has typed herself stays as it is. */
const typed = (plan: Plan): string[] =>
  Object.values(plan)
    .flatMap((table) => (typeof table === 'object' ? Object.values(table as object) : []))
    .flatMap((row) => (row !== null && typeof row === 'object' ? Object.values(row as object) : []))
    .filter((value): value is string => typeof value === 'string' && /\d/.test(value) && value.length > 3);

const METRIC = /\d ?(mm|cm|m|m²|cm²|kg|g|g\/m²|ml|l)(?![\p{L}\d²/])/u;
const INCHES = /\d ?("|″|lb|oz|sq ft|sq in|cu ft|qt|quarts?|pounds?|ounces?)(?![\p{L}\d])/u;

/** All that a page says: to read, to hear, and in its drawings and fields. */
function saidOn(page: Page): Promise<string[]> {
  return page.evaluate(() => {
    const out = document.body.innerText.split('\n');
    for (const e of document.querySelectorAll<HTMLElement>(
      '[aria-label], [title], [placeholder], input, svg text, title',
    ))
      out.push(
        e.getAttribute('aria-label') ?? '',
        e.getAttribute('title') ?? '',
        e.getAttribute('placeholder') ?? '',
        e instanceof HTMLInputElement ? e.value : e instanceof SVGElement ? (e.textContent ?? '') : '',
      );
    return out;
  });
}

describe('her own measure everywhere', () => {
  const app = withApp();

  test.each([
    ['inches', 'imperial', METRIC, /sheets? of A\d|^A4|^Letter/],
    ['centimetres', 'metric', INCHES, /^Letter|^label/],
  ] as const)('a plan in %s says nothing in the other measure, on no screen', async (_, measure, other, aside) => {
    const id = await addDemoPlan(app.server, 'pump');
    await post(`${app.server.url}/api/plans/${id}/commands`, {
      commandId: `command-${measure}`,
      command: { type: 'setPlan', set: { measure } },
    });
    const { plan } = await serverPlan(app.server.url, id);
    expect(plan.head.measure).toBe(measure);
    const own = typed(plan).sort((a, b) => b.length - a.length);
    await app.open(id, 'room');
    const found: string[] = [];
    for (const path of SCREENS) {
      await app.goOn(id, path);
      await app.page.waitForFunction(() => !/Opening …|looking …|measuring/.test(document.body.innerText));
      await app.settled();
      const said = await saidOn(app.page);
      for (const line of new Set(said)) {
        const theirs = own.reduce((left, words) => left.split(words).join('…'), line);
        if (other.test(theirs) && !aside.test(line)) found.push(`${path}: ${theirs.trim().slice(0, 160)}`);
      }
    }
    expect(found).toEqual([]);
    expect(app.errors).toEqual([]);
  });

  test('an empty plan in inches shows what will be on each stone, in inches', async () => {
    const { id } = await post<{ id: string }>(`${app.server.url}/api/plans`, {
      head: { name: 'Bare', measure: 'imperial' },
    });
    await app.open(id, 'room');
    for (const [stone, words] of [
      ['room', 'The room appears here while you type'],
      ['furniture', 'Nothing stands here yet'],
      ['activities', 'Name one thing that is made in this room'],
      ['homes', 'The room as it is seen from your seat'],
      ['tryout', 'A session is worked through'],
      ['keepup', 'this is where the room is kept true'],
    ] as const) {
      await app.goOn(id, stone);
      await app.page.getByText(words).waitFor();
      expect((await saidOn(app.page)).filter((line) => METRIC.test(line) && !/Latitude/.test(line))).toEqual([]);
    }
    // the first step is taken where it is spoken of
    await app.goOn(id, 'activities');
    await app.page.getByRole('button', { name: 'The first one' }).click();
    await app.page.getByText('First say who works here').waitFor();
    expect(app.errors).toEqual([]);
  });
});
