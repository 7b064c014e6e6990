import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, afterEach, beforeAll, beforeEach } from '@jest/globals';
import { type Locator, type Browser, type BrowserContext, type Page } from 'playwright-core';
import { type Plan } from '@heronstone/core/plan';
import { addDemoPlan, launch, newPage, PATIENCE, removeFolder, root, startServer, type TestServer } from './harness.ts';

const AXE = readFileSync(join(root, 'node_modules/axe-core/axe.min.js'), 'utf8');
type Violation = { id: string; nodes: { target: string[]; failureSummary?: string }[] };

/** WCAG 2.2 AA faults that axe finds on the page, one line each. */
export async function axeFaults(page: Page): Promise<string[]> {
  await page.evaluate(AXE);
  const violations = await page.evaluate(async () => {
    const axe = (
      globalThis as unknown as { axe: { run: (c: Document, o: object) => Promise<{ violations: unknown[] }> } }
    ).axe;
    return (await axe.run(document, { runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'] })).violations;
  });
  return (violations as Violation[]).map(
    (v) =>
      `${v.id}: ${v.nodes
        .map((n) => `${n.target.join(' ')} (${n.failureSummary?.split('\n')[1]?.trim()})`)
        .slice(0, 3)
        .join('; ')}`,
  );
}

/** The plan as the server has it. */
export async function serverPlan(url: string, id: string): Promise<{ plan: Plan; revision: number }> {
  return (await (await fetch(`${url}/api/plans/${id}`)).json()) as { plan: Plan; revision: number };
}

export const planIdOf = (page: Page): string => /\/p\/([^/]+)/.exec(page.url())![1]!;

/** Waits until a question to the server is answered as wanted. */
export async function until(what: () => Promise<boolean>, words: string): Promise<void> {
  for (const end = Date.now() + PATIENCE; Date.now() < end;) {
    if (await what()) return;
    await new Promise((r) => setTimeout(r, 100));
  }
  throw new Error(`never: ${words}`);
}

/** Waits until a page has drawn what it had to draw and has nothing left to do. */
export async function settled(page: Page): Promise<void> {
  await page.evaluate(
    () =>
      new Promise<void>((done) =>
        requestAnimationFrame(() => requestIdleCallback(() => requestAnimationFrame(() => done()))),
      ),
  );
}

/** Where something is drawn once it stands still: what is pressed with the mouse must not move away meanwhile. */
export async function restingBox(of: Locator): Promise<{ x: number; y: number; width: number; height: number }> {
  for (let was = ''; ;) {
    await settled(of.page());
    const box = (await of.boundingBox())!;
    const now = JSON.stringify(box);
    if (now === was) return box;
    was = now;
  }
}

/**
 * Carries a thing by the mouse over a place that would take it, and holds it there. Dragging begins a moment after the
 * hand moves, and things may still find their place on the screen: what is said of the drag is waited for.
 *
 * @param thing what it is called when it is said that it was picked up
 * @param spot what the place is called when it is said that the thing is over it
 */
export async function carriedOver(of: Locator, thing: string, onto: Locator, spot: string): Promise<void> {
  const page = of.page();
  const says = async (words: string) =>
    (await page.locator('[id^="DndLiveRegion"]').allTextContents()).some((t) => t.includes(words));
  await until(async () => {
    const box = await restingBox(of);
    await page.mouse.move(box.x + 10, box.y + 8);
    await page.mouse.down();
    await page.mouse.move(box.x - 20, box.y + 8, { steps: 4 });
    await settled(page);
    if (await says(thing)) return true;
    await page.mouse.up();
    return false;
  }, `${thing} is picked up`);
  await until(async () => {
    const box = await restingBox(onto);
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2, { steps: 8 });
    return says(`over droppable area ${spot}`);
  }, `${thing} is over ${spot}`);
}

/** The real app for the tests of one file: a server and a browser for all of them, a fresh page for each. */
class App {
  server!: TestServer;
  browser!: Browser;
  page!: Page;
  context!: BrowserContext;
  errors: string[] = [];

  async start(): Promise<void> {
    [this.browser, this.server] = await Promise.all([launch(), startServer()]);
  }

  async stop(): Promise<void> {
    await this.browser.close();
    await this.server.stop();
    removeFolder(this.server);
  }

  /** A demo plan for those tests of the file that only look at it. */
  demo(): Promise<string> {
    return (this.looked ??= addDemoPlan(this.server, 'pump'));
  }
  private looked: Promise<string> | null = null;

  /** A fresh page in place of the one there is. */
  async newPage(options: Parameters<Browser['newContext']>[0] = {}): Promise<void> {
    await this.context?.close();
    ({ page: this.page, context: this.context, errors: this.errors } = await newPage(this.browser, options));
  }

  /** What is on a wall, from its menu; the wall is open afterwards. */
  async addToWall(wall: number, what: string): Promise<void> {
    await this.page.getByLabel(`Add to wall ${wall}`).click();
    await this.page.getByRole('menuitem', { name: what, exact: true }).click();
  }

  /** Brings a kind of unit in from the menu. */
  async bringIn(kind: string): Promise<void> {
    await this.page.getByRole('button', { name: 'Bring in a unit' }).click();
    await this.page.getByRole('menuitem', { name: new RegExp(`^${kind}`) }).click();
    await this.page.waitForSelector(`[data-unit][aria-label="${kind}"]`);
  }

  /** Types into a field and takes it with Enter. */
  async type(label: string, text: string, nth = 0): Promise<void> {
    const field = this.page.getByLabel(label, { exact: true }).nth(nth);
    await field.fill(text);
    await field.press('Enter');
  }

  async open(plan: string, path: string): Promise<void> {
    await this.page.goto(`${this.server.url}/p/${plan}/${path}`);
    await this.page.waitForSelector('main');
  }

  /** On to another address of the plan that is open, as its links go: without loading the page again. */
  async goOn(plan: string, path: string): Promise<void> {
    await this.page.evaluate((to) => {
      history.pushState(null, '', to);
      dispatchEvent(new PopStateEvent('popstate'));
    }, `/p/${plan}/${path}`);
    // the screen before stays until the next one is there; the title comes with it
    const stone = /^\w+/.exec(path)![0];
    await this.page.waitForFunction((s) => document.title.toLowerCase().startsWith(s), stone);
    await this.page.waitForSelector('main');
  }

  settled(): Promise<void> {
    return settled(this.page);
  }

  /** Kills the server and starts it again on the same folder and port. */
  async restart(): Promise<void> {
    const { url, folder } = this.server;
    await this.server.stop('SIGKILL');
    this.server = await startServer({ folder, port: Number(new URL(url).port) });
  }

  /** Types the length of the next wall and takes it. */
  async nextWall(length: string): Promise<void> {
    await this.page.fill('#next-wall', length);
    await this.page.press('#next-wall', 'Enter');
  }
}

export function withApp(): App {
  const app = new App();
  beforeAll(() => app.start());
  afterAll(() => app.stop());
  beforeEach(() => app.newPage());
  afterEach(() => app.context.close());
  return app;
}
