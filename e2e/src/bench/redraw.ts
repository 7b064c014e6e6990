import { addDemoPlan, launch, newPage, removeFolder, startServer } from '../harness.ts';

/**
 * One arrow key on a unit of the demo, in headless Chromium: ms until script, style and layout are done, and until the frame after
 * is drawn. Medians of 30 keys.
 */
export async function editToRedraw(): Promise<{ work: number; frame: number }> {
  const server = await startServer();
  const browser = await launch();
  try {
    const plan = await addDemoPlan(server, 'pump');
    const { page } = await newPage(browser);
    await page.goto(`${server.url}/p/${plan}/furniture?unit=chest`);
    await page.waitForSelector('[data-unit="chest"]');
    await page.waitForTimeout(1500);
    await page.evaluate(() => {
      const times: { work: number[]; frame: number[] } = { work: [], frame: [] };
      (globalThis as unknown as { times: typeof times }).times = times;
      let start = 0;
      // React listens on its root and has drawn the change before the event comes to the window
      window.addEventListener('keydown', () => {
        document.body.getBoundingClientRect();
        times.work.push(performance.now() - start);
      });
      document.addEventListener(
        'keydown',
        () => {
          start = performance.now();
          requestAnimationFrame(() => {
            const drawn = new MessageChannel();
            drawn.port1.onmessage = () => times.frame.push(performance.now() - start);
            drawn.port2.postMessage(0);
          });
        },
        { capture: true },
      );
    });
    const unit = page.locator('[data-unit="chest"]');
    for (let i = 0; i < 30; i++) {
      await unit.press(i % 2 ? 'ArrowLeft' : 'ArrowRight');
      await page.waitForTimeout(120);
    }
    const times = await page.evaluate(
      () => (globalThis as unknown as { times: { work: number[]; frame: number[] } }).times,
    );
    const median = (all: number[]) => [...all].sort((a, b) => a - b)[Math.floor(all.length / 2)]!;
    return { work: median(times.work), frame: median(times.frame) };
  } finally {
    await browser.close();
    await server.stop();
    removeFolder(server);
  }
}
