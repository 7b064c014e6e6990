import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { type Page } from 'playwright-core';
import { exportPlan } from '@heronstone/core/formats';
import { type Plan } from '@heronstone/core/plan';
import { launch, newPage, post, removeFolder, root, startServer } from '../harness.ts';
import { crowdedRoom } from './rooms.ts';

const HEADER = ['| what | median | slowest | wanted |', '| --- | --- | --- | --- |'];
/** A frame at sixty a second, ms. */
const FRAME = 16.7;

const sorted = (all: readonly number[]) => [...all].sort((a, b) => a - b);

function row(what: string, all: readonly number[], wanted: string): string {
  const of = sorted(all);
  return `| ${what} | ${of[Math.floor(of.length / 2)]!.toFixed(1)} ms | ${of.at(-1)!.toFixed(1)} ms | ${wanted} |`;
}

/** How long the page takes from an event of one kind to the end of the frame after it, ms, for each that comes. */
async function watched(page: Page, event: 'keydown' | 'pointermove', work: () => Promise<void>): Promise<number[]> {
  await page.evaluate((event) => {
    const noted: number[] = [];
    const listen = () => {
      const began = performance.now();
      requestAnimationFrame(() => {
        const drawn = new MessageChannel();
        drawn.port1.onmessage = () => noted.push(performance.now() - began);
        drawn.port2.postMessage(0);
      });
    };
    document.addEventListener(event, listen, { capture: true });
    Object.assign(globalThis, { noted, still: () => document.removeEventListener(event, listen, { capture: true }) });
  }, event);
  await work();
  await page.waitForTimeout(500);
  return page.evaluate(() => {
    const { noted, still } = globalThis as unknown as { noted: number[]; still: () => void };
    still();
    return noted;
  });
}

/** Turning Round and stepping closer, in headless Chromium without a graphics card. */
async function seen(words: string, plan: Plan): Promise<string[]> {
  const server = await startServer();
  const browser = await launch();
  try {
    const { id } = await post<{ id: string }>(`${server.url}/api/plans`, { file: exportPlan(plan) });
    const { page } = await newPage(browser);
    await page.goto(`${server.url}/p/${id}/homes`);
    const round = page.getByRole('group', { name: /^The room as seen from/ });
    await round.waitFor();
    await page.waitForTimeout(4000);
    const box = (await round.boundingBox())!;
    const dragged = await watched(page, 'pointermove', async () => {
      await page.mouse.move(box.x + box.width / 2, box.y + 8);
      await page.mouse.down();
      for (let i = 1; i <= 60; i++) {
        await page.mouse.move(box.x + box.width / 2 - 8 * i, box.y + 8);
        await page.waitForTimeout(30);
      }
      await page.mouse.up();
    });
    const keys = (key: string, times: number) =>
      watched(page, 'keydown', async () => {
        for (let i = 0; i < times; i++) {
          await page.keyboard.press(key);
          await page.waitForTimeout(150);
        }
      });
    const turned = await keys(']', 24);
    const closer = await keys('+', 1);
    const next = await keys(']', 20);
    return [
      row(`${words}: Round turned by hand, a step until the frame after it`, dragged.slice(1), `${FRAME} ms`),
      row(`${words}: turned by a key`, turned, `${FRAME} ms`),
      row(`${words}: step closer`, closer, '50 ms'),
      row(`${words}: to the next unit`, next, '50 ms'),
    ];
  } finally {
    await browser.close();
    await server.stop();
    removeFolder(server);
  }
}

/** Plan books written again and again by a process of their own: the first one’s seconds, what is held after each, and the most there was. */
function books(words: string, which: string): string {
  const { stdout, stderr } = spawnSync(
    process.execPath,
    ['--expose-gc', join(root, 'scripts/program.mjs'), 'e2e/src/bench/book-child.ts', which],
    { cwd: root, encoding: 'utf8', env: { ...process.env, NODE_OPTIONS: '' } },
  );
  if (stdout === '') throw new Error(stderr);
  const { pages, seconds, held, most } = JSON.parse(stdout) as {
    pages: number;
    seconds: number;
    held: number[];
    most: number;
  };
  return `| ${words}, ${pages} pages | ${seconds.toFixed(1)} s | ${held.map((m) => m.toFixed(0)).join(', ')} MB | ${most.toFixed(0)} MB |`;
}

/** Round, step closer and the plan book, of the demo and of 2,000 supplies in 300 places. */
export async function turningRows(demo: Plan): Promise<string[]> {
  return [
    ...HEADER,
    ...(await seen('demo', demo)),
    ...(await seen('2,000 × 300 × 9', crowdedRoom())),
    '',
    '| plan books, five after each other in one process | the first | held after each | most memory |',
    '| --- | --- | --- | --- |',
    books('demo', 'demo'),
    books('2,000 × 300', 'crowded'),
    books('10,000 supplies', 'many'),
  ];
}
