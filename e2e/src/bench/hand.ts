import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { type Browser, type Page } from 'playwright-core';
import { addDemoPlan, launch, newPage, removeFolder, root, startServer, type TestServer } from '../harness.ts';
import { drawerByPicture, onPhoto, PLACE_NAMES } from '../scenes/by-picture.ts';
import { cupboardTonight, wholeHour } from '../scenes/first-hour.ts';
import { withFinger, withKeys } from '../scenes/hands.ts';
import { DRAWER_CAMERA, THINGS } from '../scenes/scenes.ts';
import { type Acts, countActs, secondsOfActs } from './acts.ts';

/** One side measured with a tape: the thing taken up, the tape laid on, read, and the hand back at the keys, s (own assumption). */
const TAPED = 6;
const SIDES = 3;
/** A size as it is typed behind a name: “ 12 x 8 x 3”. */
const SIZE_KEYS = 11;

const PHONE = { viewport: { width: 390, height: 844 }, hasTouch: true };

/** What somebody does on a page, counted. */
async function actsOf(
  browser: Browser,
  work: (page: Page) => Promise<unknown>,
  options: Parameters<Browser['newContext']>[0] = {},
): Promise<Acts> {
  const { page, context } = await newPage(browser, options);
  try {
    const acts = await countActs(context);
    await work(page);
    return await acts(page);
  } finally {
    await context.close();
  }
}

const minutes = (s: number) => `${(s / 60).toFixed(1)} min`;
const counts = ({ keys, presses, drags, switches }: Acts) =>
  `${keys} keys, ${presses} presses, ${drags} drags, ${switches} changes of hand`;

/** The long tasks of a page from now on, ms, until they are asked for. */
async function longTasks(page: Page): Promise<() => Promise<number>> {
  await page.evaluate(() => {
    const noted: number[] = [];
    new PerformanceObserver((list) => noted.push(...list.getEntries().map((e) => e.duration))).observe({
      type: 'longtask',
    });
    Object.assign(globalThis, { longest: () => Math.max(0, ...noted) });
  });
  return () => page.evaluate(() => (globalThis as unknown as { longest: () => number }).longest());
}

/** A picture of twelve megapixels: until it is shown flat, ms; frames a second while a corner is pulled; the longest task of either, ms. */
async function largePicture(browser: Browser, server: TestServer, file: string) {
  const id = await addDemoPlan(server, 'pump');
  const { page, context } = await newPage(browser);
  try {
    await page.goto(`${server.url}/p/${id}/supplies?view=picture&place=chest.3.0`);
    await page.getByText('A photo with one thing of known size').waitFor();
    await page.waitForTimeout(6000);
    const longest = await longTasks(page);
    await page.evaluate(() => {
      document.addEventListener(
        'change',
        () => {
          const began = performance.now();
          const look = () => {
            const canvas = document.querySelector('[data-flat]')?.parentElement?.querySelector('canvas');
            const middle = canvas?.getContext('2d')?.getImageData(canvas.width / 2, canvas.height / 2, 1, 1).data[3];
            if (middle) Object.assign(globalThis, { took: performance.now() - began });
            else requestAnimationFrame(look);
          };
          look();
        },
        { capture: true, once: true },
      );
    });
    await page.getByLabel('From a file').setInputFiles(file);
    await page.waitForFunction(() => 'took' in globalThis);
    const flat = await page.evaluate(() => (globalThis as unknown as { took: number }).took);
    await page.waitForTimeout(1500);
    const opening = await longest();
    const again = await longTasks(page);
    const handle = page.getByRole('button', { name: `its inside: ${PLACE_NAMES[0]!}` });
    await handle.scrollIntoViewIfNeeded();
    const box = (await handle.boundingBox())!;
    const to = await onPhoto(page, { ...DRAWER_CAMERA, width: 4000, height: 3000 }, 0, 0);
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
    await page.mouse.down();
    await page.evaluate(() => {
      const began = performance.now();
      let frames = 0;
      const tick = () => {
        frames++;
        requestAnimationFrame(tick);
      };
      requestAnimationFrame(tick);
      Object.assign(globalThis, { rate: () => (1000 * frames) / (performance.now() - began) });
    });
    for (let i = 0; i < 90; i++) {
      await page.mouse.move(to.x + 20 * Math.sin(i / 6), to.y + 20 * Math.cos(i / 5));
      await page.waitForTimeout(16);
    }
    const rate = await page.evaluate(() => (globalThis as unknown as { rate: () => number }).rate());
    await page.mouse.up();
    await page.waitForTimeout(1500);
    return { flat, opening, rate, dragging: await again() };
  } finally {
    await context.close();
  }
}

/** What a hand does: the first hour, and a drawer of twelve by picture beside lines with a tape; and how quick a large picture is. */
export async function handRows(): Promise<string[]> {
  const folder = mkdtempSync(join(tmpdir(), 'heronstone-scenes-'));
  execFileSync(process.execPath, [join(root, 'scripts/program.mjs'), 'e2e/src/scenes/draw.ts', folder, 'large']);
  const [server, browser] = await Promise.all([startServer(), launch()]);
  try {
    const tonight = await actsOf(browser, (page) => cupboardTonight(page, server.url));
    const hour = await actsOf(browser, (page) => wholeHour(page, server.url));
    const tonightByKeys = await actsOf(browser, (page) => cupboardTonight(page, server.url, withKeys(page)));
    const hourByKeys = await actsOf(browser, (page) => wholeHour(page, server.url, withKeys(page)));
    const tonightOnPhone = await actsOf(browser, (page) => cupboardTonight(page, server.url, withFinger), PHONE);
    const hourOnPhone = await actsOf(browser, (page) => wholeHour(page, server.url, withFinger), PHONE);
    const id = await addDemoPlan(server, 'pump');
    const picture = await actsOf(browser, (page) => drawerByPicture(page, server.url, id, join(folder, 'drawer.jpg')));
    const lines = {
      ...{ keys: THINGS.reduce((sum, [line]) => sum + line.length + SIZE_KEYS + 1, 0), presses: 1, drags: 0 },
      ...{ switches: 1, thoughts: THINGS.length + 1 },
    };
    const taped = secondsOfActs(lines) + THINGS.length * SIDES * TAPED;
    const seen = secondsOfActs(picture);
    const large = await largePicture(browser, server, join(folder, 'large.jpg'));
    const megabytes = statSync(join(folder, 'large.jpg')).size / 1e6;
    return [
      '| by the keystroke-level model, somebody who knows the way | acts | takes | wanted |',
      '| --- | --- | --- | --- |',
      `| one cupboard, tonight: twenty things, to its printed map | ${counts(tonight)} | ${minutes(secondsOfActs(tonight))} | 6 min |`,
      `| the hour of the trial, in inches: odd room, five units, two people, three activities, a list of 48 and 25 spoken lines, to the first homes | ${counts(hour)} | ${minutes(secondsOfActs(hour))} | 12 min |`,
      `| one cupboard by keyboard alone | ${counts(tonightByKeys)} | ${minutes(secondsOfActs(tonightByKeys))} | 6 min |`,
      `| the hour by keyboard alone | ${counts(hourByKeys)} | ${minutes(secondsOfActs(hourByKeys))} | 12 min |`,
      `| one cupboard with a finger, 390 px wide | ${counts(tonightOnPhone)} | ${minutes(secondsOfActs(tonightOnPhone))} | 6 min |`,
      `| the hour with a finger, 390 px wide | ${counts(hourOnPhone)} | ${minutes(secondsOfActs(hourOnPhone))} | 12 min |`,
      `| a drawer of twelve by picture, a thing | ${counts(picture)} for all | ${(seen / THINGS.length).toFixed(1)} s | half of the next |`,
      `| the same as lines, three sides with a tape (${TAPED} s a side, own assumption), a thing | ${lines.keys} keys for all | ${(taped / THINGS.length).toFixed(1)} s | |`,
      '',
      '| a picture of 4000 × 3000 | measured | wanted |',
      '| --- | --- | --- |',
      `| from the file (${megabytes.toFixed(1)} MB) to what is laid flat | ${large.flat.toFixed(0)} ms | 1,000 ms |`,
      `| longest task of the page meanwhile | ${large.opening.toFixed(0)} ms | 100 ms |`,
      `| frames a second while a corner is pulled | ${large.rate.toFixed(0)} | 30 |`,
      `| longest task meanwhile | ${large.dragging.toFixed(0)} ms | 100 ms |`,
    ];
  } finally {
    await browser.close();
    await server.stop();
    removeFolder(server);
    rmSync(folder, { recursive: true, force: true });
  }
}
