import { exportPlan } from '@heronstone/core/formats';
import { type Plan } from '@heronstone/core/plan';
import { launch, newPage, post, removeFolder, startServer } from '../harness.ts';

export type HomesTimes = {
  /** ms until the first number of *find homes*, s until its answer is shown */
  first: number;
  answer: number;
  /** ms: the longest the page kept a frame waiting meanwhile, but for the answer being put on it; and that */
  waited: number;
  put: number;
  /** ms until the frame after one home is changed: median and longest */
  change: number;
  slowest: number;
};

/** Find homes and a change of one home in a plan, as the page in headless Chromium has it. */
export async function homesTimes(plan: Plan): Promise<HomesTimes> {
  const server = await startServer();
  const browser = await launch();
  try {
    const { id } = await post<{ id: string }>(`${server.url}/api/plans`, { file: exportPlan(plan) });
    const { page } = await newPage(browser, {});
    page.setDefaultTimeout(120_000);
    await page.goto(`${server.url}/p/${id}/homes`);
    await page.getByRole('button', { name: 'Find homes', exact: true }).waitFor();
    await page.waitForTimeout(3000);
    const changes: number[] = [];
    await page.getByLabel('Any supply').fill('1500');
    await page.locator('[data-row]').first().click();
    const places = page.getByLabel('Best places').getByRole('listitem');
    await places.first().waitFor();
    for (let i = 0; i < 6; i++) {
      await places
        .filter({ hasNotText: '(now)' })
        .nth(i % 2)
        .getByRole('button')
        .first()
        .click();
      const give = page.getByRole('button', { name: 'Give it this home' });
      await give.waitFor();
      changes.push(
        await give.evaluate(
          (button: HTMLElement) =>
            new Promise<number>((done) => {
              const start = performance.now();
              button.click();
              requestAnimationFrame(() => {
                const drawn = new MessageChannel();
                drawn.port1.onmessage = () => done(performance.now() - start);
                drawn.port2.postMessage(0);
              });
            }),
        ),
      );
      await page.waitForTimeout(300);
    }
    await page.keyboard.press('Escape');
    await page.waitForTimeout(500);
    const found = await page.evaluate(
      () =>
        new Promise<{ first: number; answer: number; waited: number; put: number }>((done) => {
          const start = performance.now();
          let first = 0;
          let last = start;
          const waits: number[] = [];
          const button = [...document.querySelectorAll('button')].find((b) => b.textContent?.trim() === 'Find homes')!;
          button.click();
          // a method: a named function would be wrapped by the loader in what the page does not have
          const loop = {
            frame() {
              const now = performance.now();
              waits.push(now - last);
              last = now;
              const said = document.querySelector('[aria-label="Finding homes"]')?.textContent ?? '';
              if (!first && /about .* a year/.test(said)) first = now - start;
              if (first && !document.querySelector('[aria-label="Finding homes"]'))
                return done({
                  first,
                  answer: (now - start) / 1000,
                  waited: Math.max(...waits.slice(0, -3)),
                  put: Math.max(...waits.slice(-3)),
                });
              requestAnimationFrame(() => loop.frame());
            },
          };
          requestAnimationFrame(() => loop.frame());
        }),
    );
    changes.sort((a, b) => a - b);
    return { ...found, change: changes[changes.length >> 1]!, slowest: changes.at(-1)! };
  } finally {
    await browser.close();
    await server.stop();
    removeFolder(server);
  }
}
