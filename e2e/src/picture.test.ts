import { execFile } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { type Browser } from 'playwright-core';
import { type Plan, type Supply } from '@heronstone/core/plan';
import { addDemoPlan, launch, newPage, PATIENCE, removeFolder, root, startServer, type TestServer } from './harness.ts';
import { axeFaults, serverPlan, until } from './support.ts';
import { drawerByPicture, FRONT_NAMES, laidFlat, onPhoto, PLACE_NAMES, pull } from './scenes/by-picture.ts';
import { DRAWER, DRAWER_CAMERA, FRONT, FRONT_CAMERA, THINGS } from './scenes/scenes.ts';

let server: TestServer;
let browser: Browser;
let folder: string;
beforeAll(async () => {
  folder = mkdtempSync(join(process.env.HERONSTONE_TEST_FOLDER ?? tmpdir(), 'heronstone-scenes-'));
  const drawing = promisify(execFile)(process.execPath, [
    join(root, 'scripts/program.mjs'),
    'e2e/src/scenes/draw.ts',
    folder,
  ]);
  [server, browser] = await Promise.all([startServer(), launch()]);
  await drawing;
}, 2 * PATIENCE);
afterAll(async () => {
  await browser.close();
  await server.stop();
  removeFolder(server);
  rmSync(folder, { recursive: true, force: true });
});

/** What lies straight under the camera, mm of the plane it looks at. */
function cameraFoot({ tilt, towards, over, at }: typeof DRAWER_CAMERA): { x: number; y: number } {
  const away = over * Math.tan((tilt * Math.PI) / 180);
  const [c, s] = [Math.cos((towards * Math.PI) / 180), Math.sin((towards * Math.PI) / 180)];
  return { x: at.x - away * c, y: at.y - away * s };
}

const planOf = async (id: string) => (await serverPlan(server.url, id)).plan;

/** The plan once the server has what was done on the screen. */
async function planWith(id: string, has: (plan: Plan) => boolean): Promise<Plan> {
  await until(async () => has(await planOf(id)), 'the server has it');
  return planOf(id);
}

describe('measuring by picture', () => {
  test(
    'a drawer of twelve things, from its picture to homes, with the mouse',
    async () => {
      const id = await addDemoPlan(server, 'pump');
      const { page, context, errors } = await newPage(browser);
      await drawerByPicture(page, server.url, id, join(folder, 'drawer.jpg'));
      // the sheet was found by its codes
      expect(await page.getByLabel('of known size in it').inputValue()).toBe('sheet');
      expect(await axeFaults(page)).toEqual([]);
      await page.getByRole('button', { name: 'Take in 12 things' }).click();
      await page.getByText(/12 things live in Window chest/).waitFor();
      const plan = await planWith(id, (p) => Object.values(p.pictures).some((x) => x.placeId === 'chest.3.0'));
      const here = Object.values(plan.homes).filter((h) => h.placeId === 'chest.3.0');
      const measured = here.map((h) => plan.supplies[h.supplyId]!).filter((s) => s.pictured.length > 0);
      expect(measured.length).toBeGreaterThanOrEqual(11);
      const sizes = THINGS.map(([, , , w, d]) => [Math.max(w, d), Math.min(w, d)] as const);
      // painted flat they are taken for things that stand as high as such things do, and are shortened by that
      const shown = (s: Supply) => DRAWER_CAMERA.over / (DRAWER_CAMERA.over - (s.height ?? 0));
      for (const s of measured) {
        const sides = s.pictured.map((f) => s[f]! * shown(s)).sort((a, b) => b - a) as [number, number];
        // each is one of those that were drawn, within a hundredth and its ±
        const near = sizes.some(
          ([a, b]) => Math.abs(a - sides[0]) < 2 + 0.012 * a && Math.abs(b - sides[1]) < 2 + 0.012 * b,
        );
        expect([s.name, sides, near]).toEqual([s.name, sides, true]);
        expect(s.plusMinus).toBeGreaterThan(0);
        expect(s.plusMinus).toBeLessThan(6);
      }
      const [picture] = Object.values(plan.pictures).filter((p) => p.placeId === 'chest.3.0');
      expect(picture).toMatchObject({ knownWidth: 210, knownDepth: 297, drawn: expect.any(Array) });
      expect(picture!.drawn).toHaveLength(12);
      // what was kept lies under what is drawn of the drawer, and more can be measured in it
      await page.goto(`${server.url}/p/${id}/supplies?view=tour&place=chest.3.0`);
      await page.locator('[data-ground]').first().waitFor();
      await page.goto(`${server.url}/p/${id}/supplies?view=picture&place=chest.3.0`);
      await page.getByRole('button', { name: picture!.takenOn, exact: true }).click();
      await page.locator('[data-flat]').waitFor();
      await page.getByRole('button', { name: `Forget the picture of ${picture!.takenOn}` }).click();
      await planWith(id, (p) => !Object.values(p.pictures).some((x) => x.placeId === 'chest.3.0'));
      expect(errors).toEqual([]);
      await context.close();
    },
    2 * PATIENCE,
  );

  test(
    'on a phone, with a finger: corners under a magnifier, a box, a line, a home',
    async () => {
      const id = await addDemoPlan(server, 'pump');
      const { page, context, errors } = await newPage(browser, {
        viewport: { width: 390, height: 844 },
        hasTouch: true,
        isMobile: true,
      });
      await page.goto(`${server.url}/p/${id}/supplies?view=picture&place=chest.3.0`);
      await page.getByLabel('From a file').setInputFiles(join(folder, 'drawer.jpg'));
      await page.locator('[data-flat]').waitFor();
      const touch = await context.newCDPSession(page);
      const finger = async (from: { x: number; y: number }, to: { x: number; y: number }) => {
        const point = ({ x, y }: { x: number; y: number }) => [{ x, y }];
        await touch.send('Input.dispatchTouchEvent', { type: 'touchStart', touchPoints: point(from) });
        for (let i = 1; i <= 3; i++)
          await touch.send('Input.dispatchTouchEvent', {
            type: 'touchMove',
            touchPoints: point({ x: from.x + ((to.x - from.x) * i) / 3, y: from.y + ((to.y - from.y) * i) / 3 }),
          });
        await touch.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] });
      };
      const corners = [
        [0, 0],
        [DRAWER.width, 0],
        [DRAWER.width, DRAWER.depth],
        [0, DRAWER.depth],
      ] as const;
      for (const [i, [x, y]] of corners.entries()) {
        const handle = page.getByRole('button', { name: `its inside: ${PLACE_NAMES[i]!}` });
        await handle.scrollIntoViewIfNeeded();
        const box = (await handle.boundingBox())!;
        await finger({ x: box.x + box.width / 2, y: box.y + box.height / 2 }, await onPhoto(page, DRAWER_CAMERA, x, y));
      }
      await page.getByText(/Its inside by this picture: 8[12](\.\d)? cm/).waitFor();
      await laidFlat(page, DRAWER.width);
      const flat = page.locator('[data-flat]');
      await flat.scrollIntoViewIfNeeded();
      const box = (await flat.boundingBox())!;
      const k = box.width / Number((await flat.getAttribute('viewBox'))!.split(' ')[2]);
      const [line, x, y, w, d] = THINGS[1];
      await finger(
        { x: box.x + (x - 3) * k, y: box.y + (y - 3) * k },
        { x: box.x + (x + w + 3) * k, y: box.y + (y + d + 3) * k },
      );
      await page.getByRole('textbox', { name: 'What is 1?' }).fill(line);
      await page.getByRole('button', { name: 'Take in 1 thing' }).click();
      await page.getByText(/1 thing lives in Window chest/).waitFor();
      const plan = await planWith(id, (p) => Object.values(p.pictures).some((x) => x.placeId === 'chest.3.0'));
      const mat = Object.values(plan.supplies).find((s) => s.pictured.length === 2)!;
      expect(Math.abs(Math.max(mat.width!, mat.depth!) - w)).toBeLessThan(5);
      expect(Math.abs(Math.min(mat.width!, mat.depth!) - d)).toBeLessThan(5);
      // nothing reaches beyond the phone's width
      expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
      expect(errors).toEqual([]);
      await context.close();
    },
    2 * PATIENCE,
  );

  test(
    'a front: its gaps pressed, a chest that was not in the plan stands as measured',
    async () => {
      const id = await addDemoPlan(server, 'pump');
      const { page, context, errors } = await newPage(browser);
      await page.goto(`${server.url}/p/${id}/supplies?view=picture`);
      await page.getByLabel('a picture of').selectOption('front');
      await page.getByLabel('From a file').setInputFiles(join(folder, 'front.jpg'));
      await page.getByRole('group', { name: 'The picture as it was taken' }).waitFor();
      await page.getByLabel('of known size in it').selectOption('own');
      await page.getByLabel('its width').fill('800 mm');
      await page.getByLabel('its width').press('Enter');
      await page.getByLabel('its height').fill('900 mm');
      await page.getByLabel('its height').press('Enter');
      await pull(page, FRONT_CAMERA, 'what is known', FRONT_NAMES, [FRONT.width, FRONT.height]);
      await pull(page, FRONT_CAMERA, 'the front', FRONT_NAMES, [FRONT.width, FRONT.height]);
      await page.getByText(/By this picture (79|80)(\.\d)? cm/).waitFor();
      await laidFlat(page, FRONT.width);
      const flat = page.locator('[data-flat]');
      const press = async (u: number, v: number) => {
        const box = (await flat.boundingBox())!;
        const gaps = await page.locator('[data-gap]').count();
        await flat.click({ position: { x: (u / FRONT.width) * box.width, y: (v / FRONT.height) * box.height } });
        await until(async () => (await page.locator('[data-gap]').count()) === gaps + 1, 'the gap stands');
      };
      await flat.scrollIntoViewIfNeeded();
      for (const y of FRONT.rows) await press(100, y + 5);
      await page.getByRole('button', { name: 'Gaps between columns' }).click();
      for (const x of FRONT.columns) await press(x - 4, 100);
      await page.getByLabel('what it is').selectOption('cubeUnit');
      await page.getByLabel('its name').fill('Grandmother’s press');
      await page.getByLabel('its name').press('Enter');
      await page.getByRole('button', { name: 'Bring it in: 2 by 3' }).click();
      await page.getByText(/stands as measured: 2 by 3/).waitFor();
      const plan = await planWith(id, (p) => Object.values(p.units).some((u) => u.name === 'Grandmother’s press'));
      const unit = Object.values(plan.units).find((u) => u.name === 'Grandmother’s press')!;
      // two of its sides are by picture, so exact; its depth is what such things usually have until somebody says it
      expect(unit).toMatchObject({ rows: 3, columns: 2, pictured: ['width', 'height'], usual: ['depth'] });
      expect(unit.plusMinus).toBeGreaterThan(1);
      expect(unit.plusMinus).toBeLessThan(10);
      const board = 18;
      expect(Math.abs(unit.columnSizes[0]! - (FRONT.columns[0]! - 1.5 * board))).toBeLessThan(4);
      expect(Math.abs(unit.rowSizes[1]! - (FRONT.rows[1]! - FRONT.rows[0]! - board))).toBeLessThan(4);
      expect(Object.values(plan.places).filter((p) => p.unitId === unit.id && p.kind === 'cubby')).toHaveLength(6);
      expect(errors).toEqual([]);
      await context.close();
    },
    2 * PATIENCE,
  );

  test(
    'a wall: what is drawn on it comes onto it, from its left end and the floor; one thing by two pictures has three sides',
    async () => {
      const id = await addDemoPlan(server, 'pump');
      const { page, context, errors } = await newPage(browser);
      await page.goto(`${server.url}/p/${id}/supplies?view=picture&wall=wall-north`);
      await page.getByLabel('From a file').setInputFiles(join(folder, 'front.jpg'));
      await page.getByRole('group', { name: 'The picture as it was taken' }).waitFor();
      await page.getByLabel('of known size in it').selectOption('own');
      await page.getByLabel('its width').fill('800 mm');
      await page.getByLabel('its width').press('Enter');
      await page.getByLabel('its height').fill('900 mm');
      await page.getByLabel('its height').press('Enter');
      await pull(page, FRONT_CAMERA, 'what is known', FRONT_NAMES, [FRONT.width, FRONT.height]);
      const flat = page.locator('[data-flat]');
      await flat.waitFor();
      await page.getByRole('button', { name: /Press where the wall/ }).click();
      const box = (await flat.boundingBox())!;
      await flat.click({ position: { x: box.width * 0.1, y: box.height * 0.9 } });
      await page.mouse.move(box.x + box.width * 0.4, box.y + box.height * 0.4);
      await page.mouse.down();
      await page.mouse.move(box.x + box.width * 0.5, box.y + box.height * 0.5, { steps: 3 });
      await page.mouse.up();
      await page.getByLabel('what it is').selectOption('window');
      await page.getByRole('button', { name: 'Put 1 thing on the wall' }).click();
      await page.getByText('1 thing is on the wall now.').waitFor();
      const plan = await planWith(id, (p) => Object.values(p.pictures).some((x) => x.wallId === 'wall-north'));
      const before = await planOf(await addDemoPlan(server, 'pump'));
      const fresh = Object.values(plan.openings).filter((o) => !(o.id in before.openings));
      expect(fresh).toMatchObject([{ wallId: 'wall-north', kind: 'window', sizeBy: 'picture' }]);
      expect(fresh[0]!.sill).toBeGreaterThan(0);
      expect(Object.values(plan.pictures).filter((p) => p.wallId === 'wall-north')).toHaveLength(1);

      await page.goto(`${server.url}/p/${id}/supplies?view=picture`);
      await page.getByLabel('a picture of').selectOption('thing');
      await page.getByLabel('From a file').setInputFiles(join(folder, 'drawer.jpg'));
      await flat.waitFor();
      const put = async () => {
        await page.getByRole('button', { name: 'Put one in the middle' }).click();
        await page.locator('[data-shape]').waitFor();
      };
      await put();
      await page.getByRole('textbox', { name: 'What is 1?' }).fill('"Odd tin"');
      await page.getByRole('button', { name: 'Its third side, by another picture' }).click();
      await put();
      await page.getByText(/Its third side is/).waitFor();
      await page.getByRole('button', { name: 'Onto the list' }).click();
      await page.getByText(/on the list, measured by picture/).waitFor();
      const { supplies } = await planWith(id, (p) => Object.values(p.supplies).some((s) => s.name === 'Odd tin'));
      const tin = Object.values(supplies).find((s) => s.name === 'Odd tin')!;
      expect([...tin.pictured].sort()).toEqual(['depth', 'height', 'width']);
      expect(errors).toEqual([]);
      await context.close();
    },
    2 * PATIENCE,
  );

  test(
    'by keyboard alone: a corner is moved, a thing is put, stretched, named and taken in',
    async () => {
      const id = await addDemoPlan(server, 'pump');
      const { page, context, errors } = await newPage(browser);
      await page.goto(`${server.url}/p/${id}/supplies?view=picture&place=chest.3.0`);
      await page.getByLabel('From a file').setInputFiles(join(folder, 'drawer.jpg'));
      await page.locator('[data-flat]').waitFor();
      const corner = page.getByRole('button', { name: 'its inside: back left' });
      await corner.focus();
      const before = (await corner.boundingBox())!.x;
      await page.keyboard.press('Shift+ArrowLeft');
      await page.waitForFunction(
        ([x]) => document.querySelector('[aria-label="its inside: back left"]')!.getBoundingClientRect().x < x! - 5,
        [before],
      );
      await page.getByRole('button', { name: 'Put one in the middle' }).press('Enter');
      const shape = page.locator('[data-shape]');
      await shape.waitFor();
      await shape.focus();
      const said = () => shape.getAttribute('aria-label');
      const first = await said();
      await page.keyboard.press('Alt+Shift+ArrowRight');
      expect(await said()).not.toBe(first);
      await page.keyboard.press('Enter');
      await page.keyboard.type('tin of nibs');
      await page.keyboard.press('Enter');
      await page.keyboard.press('Enter');
      await page.getByText(/1 thing lives in/).waitFor();
      expect(errors).toEqual([]);
      await context.close();
    },
    2 * PATIENCE,
  );

  test(
    'what a picture says of its lens is used; one that is blurred, and a sheet that is bent or covered, are told off',
    async () => {
      const id = await addDemoPlan(server, 'pump');
      const { page, context, errors } = await newPage(browser);
      const opened = async (file: string) => {
        await page.goto(`${server.url}/p/${id}/supplies?view=picture&place=chest.3.0`);
        await page.getByLabel('From a file').setInputFiles(join(folder, file));
        await page.locator('[data-flat]').waitFor();
      };
      const cameraHeight = async (): Promise<number> => {
        const said = await page.getByText(/^The camera was .* above/).textContent();
        return 10 * Number(/The camera was ([\d.]+) cm/.exec(said!)![1]);
      };
      await opened('lens.jpg');
      // from the sheet and what the picture says of its lens: as high as it was, within a fiftieth
      expect(Math.abs((await cameraHeight()) - DRAWER_CAMERA.over)).toBeLessThan(DRAWER_CAMERA.over / 50);
      for (const words of [/does not lie flat/, /stands up or is folded/, /four codes are seen/])
        expect(await page.getByText(words).count()).toBe(0);
      // how high a thing stands, by where an upright edge begins and ends: painted flat here, pressed where it would be seen
      await page.getByRole('button', { name: 'Put one in the middle' }).click();
      await page.getByRole('textbox', { name: 'What is 1?' }).fill('tin of nibs');
      const flat = page.locator('[data-flat]');
      const pressAt = async (p: { x: number; y: number }) => {
        const box = (await flat.boundingBox())!;
        const k = box.width / Number((await flat.getAttribute('viewBox'))!.split(' ')[2]);
        await flat.click({ position: { x: p.x * k, y: p.y * k } });
      };
      const size = { width: DRAWER.width, depth: DRAWER.depth };
      await pull(page, DRAWER_CAMERA, 'its inside', PLACE_NAMES, [size.width, size.depth]);
      await laidFlat(page, DRAWER.width);
      const foot = { x: 650, y: 120 };
      const stands = cameraFoot(DRAWER_CAMERA);
      const [tall, over] = [90, DRAWER_CAMERA.over];
      // the top is seen where the ray through it meets the ground
      const top = {
        x: stands.x + ((foot.x - stands.x) * over) / (over - tall),
        y: stands.y + ((foot.y - stands.y) * over) / (over - tall),
      };
      await page.getByRole('button', { name: 'By its foot and its top' }).click();
      await page.getByText('Press the foot of an upright edge').waitFor();
      await pressAt(foot);
      await page.getByText('Now press the top of that edge.').waitFor();
      await pressAt(top);
      await page.getByText(/^± .* by picture$/).waitFor();
      const said = await page.getByLabel('stands so high').inputValue();
      expect(Math.abs(10 * Number.parseFloat(said) - tall)).toBeLessThan(0.12 * tall);
      // pressed the wrong way round nothing is changed, and it is said
      await page.getByRole('button', { name: 'By its foot and its top' }).click();
      await pressAt(top);
      await page.getByText('Now press the top of that edge.').waitFor();
      await pressAt(foot);
      await page.getByText(/does not say how high that stands/).waitFor();
      expect(await page.getByLabel('stands so high').inputValue()).toBe(said);
      await opened('long.jpg');
      expect(await cameraHeight()).toBeGreaterThan(1.6 * DRAWER_CAMERA.over);
      await opened('rolled.jpg');
      await page.getByText(/The sheet does not lie flat: its codes disagree/).waitFor();
      await opened('lifted.jpg');
      await page.getByText(/A corner of the sheet stands up or is folded/).waitFor();
      await opened('covered.jpg');
      await page.getByText(/Only 3 of the sheet’s four codes are seen/).waitFor();
      await page.goto(`${server.url}/p/${id}/supplies?view=picture&place=chest.3.0`);
      await page.getByLabel('From a file').setInputFiles(join(folder, 'blurred.jpg'));
      await page.getByText(/This picture is blurred/).waitFor();
      expect(errors).toEqual([]);
      await context.close();
    },
    2 * PATIENCE,
  );

  test(
    'what is no picture to measure in is said, and nothing is changed; the sheet is printed',
    async () => {
      const id = await addDemoPlan(server, 'pump');
      const before = await planOf(id);
      const { page, context, errors } = await newPage(browser);
      await page.goto(`${server.url}/p/${id}/supplies?view=picture&place=chest.3.0`);
      const alert = page.getByRole('alert');
      for (const [file, words] of [
        ['renamed.jpg', /no picture, whatever its name says/],
        ['moving.gif', /moves/],
        ['small.jpg', /only 100 × 100 points/],
      ] as const) {
        await page.getByLabel('From a file').setInputFiles(join(folder, file));
        await alert.filter({ hasText: words }).waitFor();
      }
      // the wrong sheet named: an A4 taken for a bank card
      await page.getByLabel('From a file').setInputFiles(join(folder, 'drawer.jpg'));
      await page.locator('[data-flat]').waitFor();
      await page.getByLabel('of known size in it').selectOption('card');
      await pull(page, DRAWER_CAMERA, 'what is known', PLACE_NAMES, [DRAWER.width, 200]);
      await alert.filter({ hasText: /not what was named|looks like|other way/ }).waitFor();
      const download = page.waitForEvent('download');
      await page.getByRole('button', { name: 'Measuring sheet, A4' }).click();
      expect((await download).suggestedFilename()).toBe('heronstone-measuring-sheet-a4.pdf');
      expect(await planOf(id)).toEqual(before);
      expect(errors).toEqual([]);
      await context.close();
    },
    2 * PATIENCE,
  );
});
