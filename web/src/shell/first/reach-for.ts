/** How long a screen is waited for, ms. */
const PATIENCE = 8_000;

/**
 * Takes hold of something on the screen one has just gone to, as soon as it is there: a field gets the focus, a menu opens, a button is pressed.
 * Does nothing where it does not come.
 */
export async function reachFor(selector: string): Promise<void> {
  for (const end = performance.now() + PATIENCE; performance.now() < end;) {
    const it = document.querySelector<HTMLElement>(selector);
    if (it) {
      it.focus();
      if (it.matches('[aria-haspopup="menu"]'))
        it.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true, cancelable: true }));
      else if (it.matches('button')) it.click();
      return;
    }
    await new Promise(requestAnimationFrame);
  }
}
