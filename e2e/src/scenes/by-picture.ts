import { type Page } from 'playwright-core';
import { seenBy, type TestCamera } from '@heronstone/core/testing/picture';
import { DRAWER, DRAWER_CAMERA, THINGS } from './scenes.ts';

/** A point of the photo on the screen. */
export async function onPhoto(page: Page, camera: TestCamera, x: number, y: number): Promise<{ x: number; y: number }> {
  const p = seenBy(camera, { x, y })!;
  const box = (await page.getByRole('group', { name: 'The picture as it was taken' }).boundingBox())!;
  const by = Math.min(box.width / camera.width, box.height / camera.height);
  return {
    x: box.x + (box.width - camera.width * by) / 2 + p.x * by,
    y: box.y + (box.height - camera.height * by) / 2 + p.y * by,
  };
}

/** Pulls four corners to where they belong, a point or two beside it. */
export async function pull(
  page: Page,
  camera: TestCamera,
  of: string,
  names: readonly string[],
  size: [number, number],
) {
  const [w, d] = size;
  const to = [
    [0, 0],
    [w, 0],
    [w, d],
    [0, d],
  ] as const;
  for (const [i, [x, y]] of to.entries()) {
    const handle = page.getByRole('button', { name: `${of}: ${names[i]!}` });
    await handle.scrollIntoViewIfNeeded();
    const from = (await handle.boundingBox())!;
    const p = await onPhoto(page, camera, x, y);
    await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2);
    await page.mouse.down();
    await page.mouse.move(p.x + 1, p.y - 1, { steps: 4 });
    await page.mouse.up();
  }
}

/** What is laid flat is the drawer, or the front, by now: so wide, give or take a hundredth. */
export const laidFlat = (page: Page, width: number) =>
  page.waitForFunction((wanted) => {
    const shown = document.querySelector('[data-flat]')?.getAttribute('viewBox')!.split(' ')[2];
    return Math.abs(Number(shown) - wanted) < 0.012 * wanted;
  }, width);

/** Draws a box over the flat picture, as a hand does: a few millimetres beside its edges. */
export async function drawBox(page: Page, [x, y, w, d]: readonly [number, number, number, number]) {
  const flat = page.locator('[data-flat]');
  const before = await flat.locator('[data-shape]').count();
  await flat.scrollIntoViewIfNeeded();
  const box = (await flat.boundingBox())!;
  const [, , wide] = (await flat.getAttribute('viewBox'))!.split(' ').map(Number) as [number, number, number];
  const k = box.width / wide;
  const at = (u: number, v: number) => [box.x + u * k, box.y + v * k] as const;
  await page.mouse.move(...at(x - 2, y + 2));
  await page.mouse.down();
  await page.mouse.move(...at(x + w + 2, y + d + 2), { steps: 3 });
  await page.mouse.up();
  await page.waitForFunction((n) => document.querySelectorAll('[data-flat] [data-shape]').length === n, before + 1);
}

/** What the four corners are called, of a place from above and of a front. */
export const PLACE_NAMES = ['back left', 'back right', 'front right', 'front left'];
export const FRONT_NAMES = ['top left', 'top right', 'bottom right', 'bottom left'];

/** A drawer of twelve things from its picture to the moment before they are taken in. */
export async function drawerByPicture(page: Page, url: string, planId: string, file: string): Promise<void> {
  await page.goto(`${url}/p/${planId}/supplies?view=picture&place=chest.3.0`);
  await page.getByText('A photo with one thing of known size').waitFor();
  await page.getByLabel('From a file').setInputFiles(file);
  await page.locator('[data-flat]').waitFor();
  await pull(page, DRAWER_CAMERA, 'its inside', PLACE_NAMES, [DRAWER.width, DRAWER.depth]);
  await page.getByText(/Its inside by this picture: 8[12](\.\d)? cm/).waitFor();
  await laidFlat(page, DRAWER.width);
  for (const [line, ...box] of THINGS) {
    await drawBox(page, box);
    await page
      .getByRole('textbox', { name: /^What is \d+\?$/ })
      .last()
      .fill(line);
  }
}
