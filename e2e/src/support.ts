import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { type Page } from 'playwright-core';
import { root } from './harness.ts';

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
export async function serverPlan(url: string, id: string) {
  return (await (await fetch(`${url}/api/plans/${id}`)).json()) as {
    plan: {
      homes: Record<string, { placeId: string; pinned: boolean }>;
      units: Record<string, { x: number; y: number; name: string; facing: number; width: number }>;
      supplies: Record<string, { name: string }>;
      walls: Record<string, { length: number }>;
    };
    revision: number;
  };
}

export const planIdOf = (page: Page): string => /\/p\/([^/]+)/.exec(page.url())![1]!;

/** Waits until a question to the server is answered as wanted. */
export async function until(what: () => Promise<boolean>, words: string): Promise<void> {
  for (let i = 0; i < 100; i++) {
    if (await what()) return;
    await new Promise((r) => setTimeout(r, 100));
  }
  throw new Error(`never: ${words}`);
}
