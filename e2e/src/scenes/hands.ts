import { type Locator, type Page } from 'playwright-core';

/** How one works on a page: presses what is there, writes into a field. */
export type Hand = {
  press: (what: Locator) => Promise<void>;
  write: (what: Locator, text: string) => Promise<void>;
};

export const withMouse: Hand = {
  press: (what) => what.click(),
  write: (what, text) => what.fill(text),
};

export const withFinger: Hand = {
  press: (what) => what.tap(),
  write: async (what, text) => {
    await what.tap();
    await what.fill(text);
  },
};

/** So many keys until something is reached is no way to work. */
const MOST_KEYS = 200;

/**
 * By keyboard alone: Tab and Shift+Tab to what is wanted, arrows where several things are one stop, Enter or the space bar on it; letters typed into what
 * has the focus. @throws when no number of keys leads there
 */
export function withKeys(page: Page): Hand {
  /** the next key on the way to it; null: it has the focus */
  const onward = (what: Locator): Promise<string | null> =>
    what.evaluate((wanted) => {
      const now = document.activeElement;
      if (now === wanted) return null;
      const group = wanted.closest('[role=menu],[role=radiogroup],[role=tablist],[role=listbox],[role=toolbar]');
      const after = now !== null && Boolean(now.compareDocumentPosition(wanted) & Node.DOCUMENT_POSITION_FOLLOWING);
      if (group?.contains(now)) return after ? 'ArrowDown' : 'ArrowUp';
      const radio = wanted instanceof HTMLInputElement && wanted.type === 'radio';
      if (radio && now instanceof HTMLInputElement && now.name === wanted.name) return after ? 'ArrowDown' : 'ArrowUp';
      return now === null || now === document.body || after ? 'Tab' : 'Shift+Tab';
    });
  const reach = async (what: Locator): Promise<void> => {
    await what.waitFor();
    const seen: string[] = [];
    for (let n = 0; n < MOST_KEYS; n++) {
      const next = await onward(what);
      if (next === null) return;
      await page.keyboard.press(next);
      seen.push(await page.evaluate(() => document.activeElement?.outerHTML.slice(0, 120) ?? 'nothing'));
    }
    throw new Error(`No key leads to ${String(what)}; the last stops were\n${seen.slice(-8).join('\n')}`);
  };
  return {
    press: async (what) => {
      await reach(what);
      const box = await what.evaluate((e) => e instanceof HTMLInputElement && ['checkbox', 'radio'].includes(e.type));
      await page.keyboard.press(box ? 'Space' : 'Enter');
    },
    write: async (what, text) => {
      await reach(what);
      await page.keyboard.press('Control+a');
      await page.keyboard.insertText(text);
    },
  };
}
