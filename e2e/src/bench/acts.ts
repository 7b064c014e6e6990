import { type BrowserContext, type Page } from 'playwright-core';

/** What a hand did on a page: keys pressed or letters put in, presses, drags, and times it went from the keys to the mouse or back. */
export type Acts = { keys: number; presses: number; drags: number; switches: number; thoughts: number };

/**
 * Seconds of each by the keystroke-level model (Card, Moran and Newell 1980, from memory): a key of an average typist 0.28, pointing 1.1, a button down or
 * up 0.1, a hand from keys to mouse or back 0.4, making up one’s mind 1.35.
 */
const KLM = { key: 0.28, point: 1.1, button: 0.1, home: 0.4, mind: 1.35 };

/** What those acts take somebody who knows the way, s; one thought before every press, drag and run of letters. */
export const secondsOfActs = ({ keys, presses, drags, switches, thoughts }: Acts): number =>
  keys * KLM.key +
  presses * (KLM.point + 2 * KLM.button) +
  drags * 2 * (KLM.point + KLM.button) +
  switches * KLM.home +
  thoughts * KLM.mind;

/** Counts from now on what is done on every page of a context, also over loads of the page. */
export async function countActs(context: BrowserContext): Promise<(page: Page) => Promise<Acts>> {
  await context.addInitScript(() => {
    type Kept = { keys: number; presses: number; drags: number; switches: number; thoughts: number; last: string };
    const kept = 'acts of the bench';
    const read = (): Kept =>
      JSON.parse(
        localStorage.getItem(kept) ?? '{"keys":0,"presses":0,"drags":0,"switches":0,"thoughts":0,"last":"mouse"}',
      ) as Kept;
    const did = (what: 'keys' | 'presses' | 'drags', times: number, isRun: boolean) => {
      const acts = read();
      acts[what] += times;
      const device = what === 'keys' ? 'keys' : 'mouse';
      if (acts.last !== device) acts.switches++;
      if (device === 'mouse' || acts.last !== 'keys' || !isRun) acts.thoughts++;
      acts.last = device;
      localStorage.setItem(kept, JSON.stringify(acts));
    };
    let down = { x: 0, y: 0 };
    const texts = new WeakMap<object, string>();
    document.addEventListener('pointerdown', (e) => (down = { x: e.clientX, y: e.clientY }), true);
    document.addEventListener(
      'pointerup',
      (e) => did(Math.hypot(e.clientX - down.x, e.clientY - down.y) > 8 ? 'drags' : 'presses', 1, false),
      true,
    );
    // a choice from a list of choices is a press on it and one in it
    document.addEventListener('change', (e) => e.target instanceof HTMLSelectElement && did('presses', 2, false), true);
    document.addEventListener(
      'keydown',
      (e) => e.key.length > 1 && !/^(Shift|Control|Alt|Meta)/.test(e.key) && did('keys', 1, true),
      true,
    );
    // letters, however they are put in: so many as came
    document.addEventListener(
      'input',
      (e) => {
        const field = e.target as HTMLInputElement;
        if (typeof field.value !== 'string' || field instanceof HTMLSelectElement) return;
        const before = texts.get(field) ?? '';
        texts.set(field, field.value);
        const more = Math.abs(field.value.length - before.length);
        if (more > 0 && !['checkbox', 'radio', 'file', 'range', 'color'].includes(field.type)) did('keys', more, true);
      },
      true,
    );
  });
  return (page) =>
    page.evaluate(() => {
      const { keys, presses, drags, switches, thoughts } = JSON.parse(
        localStorage.getItem('acts of the bench') ?? '{}',
      ) as Acts;
      return { keys, presses, drags, switches, thoughts };
    });
}
