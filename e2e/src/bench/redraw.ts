import { type Page } from 'playwright-core';
import { type Command, newId, type Plan } from '@heronstone/core/plan';
import { block } from '@heronstone/core/testing';
import { addDemoPlan, launch, newPage, removeFolder, startServer, type TestServer } from '../harness.ts';

/** Milliseconds, medians: script, style and layout of one arrow key; until the frame after it; after a step of dragging; after bringing a unit in. */
export type Redraws = { work: number; frame: number; drag: number; bringIn: number };

const median = (all: readonly number[]) => [...all].sort((a, b) => a - b)[Math.floor(all.length / 2)]!;

/**
 * Edits of the demo on the Furniture stone, in headless Chromium.
 * @param supplies so many blocks more, with homes all over the room
 */
export async function editToRedraw(supplies: number): Promise<Redraws> {
  const server = await startServer();
  const browser = await launch();
  try {
    const plan = await addDemoPlan(server, 'pump');
    if (supplies > 0) await stock(server, plan, supplies);
    const { page } = await newPage(browser);
    await page.goto(`${server.url}/p/${plan}/furniture?unit=chest`);
    await page.waitForSelector('[data-unit="chest"]');
    await page.waitForTimeout(2500);
    await watch(page);
    const unit = page.locator('[data-unit="chest"]');
    for (let i = 0; i < 30; i++) {
      await unit.press(i % 2 ? 'ArrowLeft' : 'ArrowRight');
      await page.waitForTimeout(120);
    }
    const { work, frame } = await taken(page);
    const box = (await unit.boundingBox())!;
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
    await page.mouse.down();
    for (let i = 0; i < 30; i++) {
      await page.mouse.move(box.x + box.width / 2 - 2 * i, box.y + box.height / 2);
      await page.waitForTimeout(60);
    }
    const dragged = (await taken(page)).frame;
    await page.mouse.up();
    const brought: number[] = [];
    for (let i = 0; i < 7; i++) {
      await page.getByRole('button', { name: 'Bring in a unit' }).click();
      await page.getByRole('menuitem', { name: /^Low chest/ }).waitFor();
      await taken(page);
      await page.keyboard.type('Low chest');
      await taken(page);
      await page.keyboard.press('Enter');
      await page.waitForTimeout(600);
      brought.push(Math.max(...(await taken(page)).frame));
    }
    return { work: median(work), frame: median(frame), drag: median(dragged), bringIn: median(brought) };
  } finally {
    await browser.close();
    await server.stop();
    removeFolder(server);
  }
}

async function stock(server: TestServer, planId: string, count: number): Promise<void> {
  const url = `${server.url}/api/plans/${planId}`;
  const { plan } = (await (await fetch(url)).json()) as { plan: Plan };
  const places = Object.keys(plan.places);
  const ids = Array.from({ length: count }, (_, i) => `more-${i}`);
  const commands: Command[] = [
    {
      type: 'addSupplies',
      supplies: ids.map((id, i) => block({ id, name: `Block ${i}`, width: 30, depth: 20, height: 20, working: 1 })),
    },
    {
      type: 'settle',
      since: '2026-11-25',
      homes: ids.map((supplyId, i) => ({ supplyId, share: 'working', placeId: places[i % places.length]! })),
    },
  ];
  for (const command of commands) {
    const answer = await fetch(`${url}/commands`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ commandId: newId('command'), command }),
    });
    if (!answer.ok) throw new Error(await answer.text());
  }
}

type Times = { work: number[]; frame: number[] };

/** Has the page note how long it takes to answer keys and steps of the pointer. */
async function watch(page: Page): Promise<void> {
  await page.evaluate(() => {
    const times: Times = { work: [], frame: [] };
    (globalThis as unknown as { times: Times }).times = times;
    let start = 0;
    for (const event of ['keydown', 'pointermove']) {
      // React listens on its root and has drawn the change before the event comes to the window
      window.addEventListener(event, () => {
        document.body.getBoundingClientRect();
        times.work.push(performance.now() - start);
      });
      document.addEventListener(
        event,
        () => {
          start = performance.now();
          const began = start;
          requestAnimationFrame(() => {
            const drawn = new MessageChannel();
            drawn.port1.onmessage = () => times.frame.push(performance.now() - began);
            drawn.port2.postMessage(0);
          });
        },
        { capture: true },
      );
    }
  });
}

/** What was noted since this was last asked. */
const taken = (page: Page): Promise<Times> =>
  page.evaluate(() => {
    const { times } = globalThis as unknown as { times: Times };
    return { work: times.work.splice(0), frame: times.frame.splice(0) };
  });
