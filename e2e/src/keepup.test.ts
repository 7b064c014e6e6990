import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, test } from '@jest/globals';
import exifr from 'exifr';
import { toBuffer } from 'qrcode';
import { codeOf } from '@heronstone/core/labels';
import { addDemoPlan } from './harness.ts';
import { axeFaults, serverPlan, until, withApp } from './support.ts';

/** A day in April, when what rests until May comes in. */
const APRIL = new Date('2027-05-04T09:00:00');

/** A picture written as it is: trying all its filters takes four seconds in the test runner’s sandbox. */
const UNFILTERED: object = { filterType: 0 };

describe('keep-up on a phone', () => {
  const app = withApp();
  const planNow = async (id: string) => (await serverPlan(app.server.url, id)).plan;
  const jots = async (id: string) => Object.values((await planNow(id)).diary);
  const phone = () => app.newPage({ viewport: { width: 390, height: 780 }, hasTouch: true, isMobile: true });

  test('find by another name, say that it was not there, find it elsewhere: the stray is logged', async () => {
    await phone();
    const id = await addDemoPlan(app.server, 'the-pump-house');
    const { page } = app;
    await app.open(id, 'keepup');
    await page.getByRole('button', { name: 'Where is it?' }).tap();
    const field = page.getByPlaceholder('Type a few letters of it');
    // misspelt, and a name it goes by besides
    await field.fill('scalpl');
    await page
      .getByRole('option', { name: /Craft knife/ })
      .first()
      .waitFor();
    await page.getByText('not put back yet').first().waitFor();
    await field.fill('blue');
    await page.getByRole('option', { name: /Ripstop, blue/ }).waitFor();
    await field.fill('moon lant');
    await page.getByRole('option', { name: /Lantern wire, 2 mm/ }).waitFor();
    await field.fill('fabric scissors');
    await page.getByRole('button', { name: 'Fabric scissors was not there' }).tap();
    expect(await axeFaults(page)).toEqual([]);
    const before = (await jots(id)).length;
    await page
      .getByRole('button', { name: /^Found it: Long table/ })
      .first()
      .tap();
    await until(async () => (await jots(id)).length === before + 1, 'the stray logged');
    expect((await jots(id)).find((e) => e.what === 'stray')).toMatchObject({
      supplyId: 'fabric-scissors',
      placeId: 'table.1000.0',
    });
    expect(app.errors).toEqual([]);
  });

  test('scan a code off a picture: what lives here, took one, opened the spare, used one up; undo takes the count back, not the log', async () => {
    await phone();
    const id = await addDemoPlan(app.server, 'the-pump-house');
    const { page } = app;
    await app.open(id, 'keepup?view=scan');
    const picture = (text: string) => toBuffer(text, { width: 240, margin: 4, rendererOpts: UNFILTERED });
    const read = async (buffer: Buffer, mimeType = 'image/png') =>
      page.getByLabel('A picture of the code').setInputFiles({ name: 'code', mimeType, buffer });
    await read(await picture('https://example.org/'));
    await page.getByText(/none of Heronstone/).waitFor();
    await read(await picture(codeOf({ kind: 'place', id: 'nowhere' })));
    await page.getByText(/nothing in The pump house has it/).waitFor();
    await read(Buffer.from('no picture'));
    await page.getByText(/does not open/).waitFor();
    await read(await picture(codeOf({ kind: 'place', id: 'right.1.0' })));
    const place = page.getByRole('region', { name: 'Right pedestal › drawer 2' });
    await place.waitFor();
    const labels = async () => (await planNow(id)).supplies['address-labels']!;
    const was = await labels();
    await place.getByRole('button', { name: 'Took one: Address labels' }).tap();
    await place.getByRole('button', { name: 'Used one up: Address labels' }).tap();
    await until(async () => (await labels()).working === was.working - 1, 'one less');
    await place.getByRole('button', { name: 'Opened the spare: Address labels' }).tap();
    await until(async () => (await labels()).backstock === was.backstock - 1, 'a spare opened');
    const logged = async () =>
      (await jots(id))
        .filter((e) => e.supplyId === 'address-labels')
        .map((e) => e.what)
        .sort();
    await until(async () => (await logged()).length === 3, 'three lines');
    expect(await logged()).toEqual(['fetched', 'opened', 'usedUp']);
    await page.getByRole('button', { name: /^Undo/ }).tap();
    await until(async () => (await labels()).backstock === was.backstock, 'the spare is there again');
    expect(await logged()).toEqual(['fetched', 'opened', 'usedUp']);
    // the camera that stands in
    await page.getByLabel('Pretend camera: hold the label of').selectOption('cubes.3.1');
    await until(async () => {
      await page.getByRole('button', { name: 'Read it' }).tap();
      return page.getByRole('region', { name: 'Cube unit › cubby 4-2' }).isVisible();
    }, 'read by the camera that stands in');
    await read(await picture(codeOf({ kind: 'place', id: 'right.1.0' })));
    await place.waitFor();
    // empty, and the next one opened out of the reserve: it is back in its place
    await place.getByRole('button', { name: 'This is empty' }).tap();
    await until(async () => (await labels()).working === 0, 'empty');
    await page.getByText('Nothing lives here.').waitFor();
    await app.goOn(id, 'keepup?view=scan&supply=address-labels');
    await page.getByRole('button', { name: 'Opened the spare: Address labels' }).tap();
    await until(
      async () =>
        Object.values((await planNow(id)).homes).some(
          (h) => h.supplyId === 'address-labels' && h.share === 'working' && h.placeId === 'right.1.0',
        ),
      'at home where it was',
    );
    await read(await picture(codeOf({ kind: 'place', id: 'right.1.0' })));
    await place.waitFor();
    // put something here
    await place.getByRole('button', { name: 'Put something here' }).tap();
    await page.getByPlaceholder('What is put here?').fill('bone folder');
    await page.getByRole('option', { name: /^Bone folder/ }).tap();
    await until(
      async () =>
        Object.values((await planNow(id)).homes).some((h) => h.supplyId === 'bone-folder' && h.placeId === 'right.1.0'),
      'it lives there',
    );
    expect(app.errors).toEqual([]);
  });

  test('put back in one round, ticked off; a session begun and ended; used up under the log; a line struck', async () => {
    await phone();
    const id = await addDemoPlan(app.server, 'the-pump-house');
    const { page } = app;
    await app.open(id, 'keepup');
    await page.getByRole('button', { name: 'Lantern end' }).tap();
    await page.getByRole('button', { name: /Lantern end: 0 min, end it/ }).waitFor();
    await page.getByRole('link', { name: '5 things lie about' }).tap();
    await page.getByRole('heading', { name: 'Keep-up' }).waitFor({ state: 'attached' });
    const outs = async () => Object.values((await planNow(id)).outs).filter((o) => o.projectId === null);
    for (let left = 4; left >= 1; left--) {
      await page
        .getByRole('button', { name: /^Back in / })
        .first()
        .tap();
      await until(async () => (await outs()).length === left, `${left} left`);
    }
    await page.getByText(/Without a home to go back to: Bone folder/).waitFor();
    await page.getByRole('button', { name: 'Log', exact: true }).tap();
    await page.getByPlaceholder('What was taken or used up?').fill('wheat paste');
    await page.getByRole('option', { name: /^Wheat paste/ }).tap();
    await page.getByText('at Lantern end', { exact: true }).waitFor();
    await page.getByRole('button', { name: 'Used one up' }).tap();
    const mine = async () =>
      (await jots(id)).filter((e) => e.supplyId === 'wheat-paste' && e.stationId === 'lantern-seat');
    await until(async () => (await mine()).some((e) => e.what === 'usedUp'), 'logged with its session');
    const lines = (await jots(id)).length;
    await page
      .getByRole('button', { name: /^Strike it: .* used up Wheat paste/ })
      .first()
      .tap();
    await until(async () => (await jots(id)).length === lines + 1, 'struck by another line');
    await page.getByRole('link', { name: 'Today' }).tap();
    await page.getByRole('button', { name: /Lantern end: \d+ min, end it/ }).tap();
    await until(async () => (await jots(id)).some((e) => e.what === 'ended' && e.day > '2026-11-25'), 'ended');
    expect(app.errors).toEqual([]);
  });

  test('a season changes: what is due is asked, carried in, done with one tap; something else is put off', async () => {
    await phone();
    const id = await addDemoPlan(app.server, 'the-pump-house');
    const { page } = app;
    await page.clock.setFixedTime(APRIL);
    await app.open(id, 'keepup');
    const asks = () => page.locator('[data-ask]');
    await page.locator('[data-ask=season]').first().waitFor();
    const seasonal = await page.locator('[data-ask=season]').count();
    expect(seasonal).toBe(1);
    await page.getByRole('button', { name: /^Done: Bring in Season/ }).tap();
    await until(
      async () => (await jots(id)).some((e) => e.what === 'season' && e.supplyId === 'festival-banners'),
      'logged',
    );
    await page.waitForFunction(() => document.querySelectorAll('[data-ask=season]').length === 0);
    const before = await asks().count();
    await page
      .getByRole('button', { name: /^Not now: / })
      .first()
      .tap();
    await page.waitForFunction((n) => document.querySelectorAll('[data-ask]').length === n, before - 1);
    // whoever answers by keys goes on with the next line
    await page.waitForFunction(() => document.activeElement?.closest('[data-ask]') !== null);
    await until(
      async () => Object.values((await planNow(id)).putOffs).some((p) => p.until === '2027-05-11'),
      'put off',
    );
    expect(app.errors).toEqual([]);
  });
});

describe('keep-up at the table', () => {
  const app = withApp();
  const planNow = async (id: string) => (await serverPlan(app.server.url, id)).plan;

  test('a label run: what it saves, the printer jams and goes on, what is out is stuck on; sheets as PDF', async () => {
    const id = await addDemoPlan(app.server, 'the-pump-house');
    const { page } = app;
    await app.open(id, 'keepup?view=labels');
    await page.getByText(/shut places say nothing\. Labelling them saves/).waitFor();
    await page.getByRole('button', { name: 'Pick these 5' }).click();
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: 'Sheets as PDF' }).click(),
    ]);
    const pdf = readFileSync((await download.path())!);
    expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
    // a window of its own
    const [printer] = await Promise.all([
      page.waitForEvent('popup'),
      page.getByRole('button', { name: 'Show the printer' }).click(),
    ]);
    await printer.getByText('It is ready.').waitFor();
    await printer.getByRole('button', { name: 'Jam the tape' }).click();
    await printer.getByText(/jammed/).waitFor();
    await page.getByRole('button', { name: 'On the label printer' }).click();
    await page.getByText(/jammed: open it .* 5 labels wait/).waitFor();
    expect(await axeFaults(printer)).toEqual([]);
    await printer.getByRole('button', { name: 'Clear the jam' }).click();
    await printer.locator('[data-job=printing]').waitFor();
    await printer.getByRole('button', { name: 'Jam the tape' }).click();
    await printer.locator('[data-job=spoilt]').waitFor();
    await printer.getByRole('button', { name: 'Clear the jam' }).click();
    const permanent = async () =>
      Object.values((await planNow(id)).places).filter((p) => p.unitId === 'right' && p.label === 'permanent').length;
    await until(async () => (await permanent()) === 5, 'five stuck on');
    await page.getByText(/Every shut place with something in it says what it is/).waitFor();
    // the last line may be on its way when its label is stuck on already
    const lines = async () => Object.values((await planNow(id)).diary).filter((e) => e.what === 'labelled');
    await until(async () => (await lines()).length >= 5, 'five lines in the log');
    expect(await lines()).toHaveLength(5);
    // a sheet of one’s own that cannot be
    await page.getByLabel('sheet', { exact: true }).selectOption('own');
    await app.type('width of one', '12 cm');
    await page.getByText(/would overlap/).waitFor();
    await page.getByRole('button', { name: 'Sheets as PDF' }).isDisabled();
    expect(app.errors).toEqual([]);
  });

  test('a picture is shrunk and stripped of its data before it is sent; it is shown, and goes along in the plan file when asked', async () => {
    const id = await addDemoPlan(app.server, 'the-pump-house');
    const { page } = app;
    await app.open(id, 'supplies?view=list&supply=pompoms');
    // a JPEG of 3000 × 2000 with the place it was taken at in it
    const jpeg = Buffer.from(
      await page.evaluate(async () => {
        const canvas = new OffscreenCanvas(3000, 2000);
        const c = canvas.getContext('2d')!;
        for (let i = 0; i < 60; i++) {
          c.fillStyle = `hsl(${i * 6} 60% 50%)`;
          c.fillRect(i * 50, 0, 50, 2000);
        }
        const blob = await canvas.convertToBlob({ type: 'image/jpeg', quality: 0.9 });
        return [...new Uint8Array(await blob.arrayBuffer())];
      }),
    );
    const told = withMake(jpeg);
    expect(await exifr.parse(told)).toMatchObject({ Make: 'abc' });
    await page.getByText('Picture, other names, shop, life').click();
    await page
      .getByLabel('Picture of Pompoms', { exact: true })
      .setInputFiles({ name: 'a.jpg', mimeType: 'image/jpeg', buffer: told });
    await until(async () => (await planNow(id)).supplies.pompoms!.photo !== null, 'kept');
    const { photo } = (await planNow(id)).supplies.pompoms!;
    const [file] = readdirSync(join(app.server.folder, 'photos')).filter((f) => f === `${photo}.jpg`);
    const kept = readFileSync(join(app.server.folder, 'photos', file!));
    expect(await exifr.parse(kept).catch(() => undefined)).toBeUndefined();
    expect(kept.length).toBeLessThan(300_000);
    const seen = await page
      .getByAltText('Picture of Pompoms')
      .evaluate((img: HTMLImageElement) => img.decode().then(() => [img.naturalWidth, img.naturalHeight]));
    expect(seen).toEqual([1000, 667]);
    const text = async (query: string) => (await fetch(`${app.server.url}/api/plans/${id}/file${query}`)).text();
    expect(await text('')).not.toMatch(/"photos"/);
    expect(JSON.parse(await text('?photos=1')) as object).toMatchObject({
      photos: { [photo!]: kept.toString('base64') },
    });
    await page
      .getByLabel('Picture of Pompoms', { exact: true })
      .setInputFiles({ name: 'a.txt', mimeType: 'text/plain', buffer: Buffer.from('x') });
    await page.getByText(/does not open: a JPEG, PNG or WebP/).waitFor();
    expect(app.errors).toEqual([]);
  });

  test('a trip is packed from its list and checked when back; a project ends and leaves what is to be put back; what runs out is bought', async () => {
    const id = await addDemoPlan(app.server, 'the-pump-house');
    const { page } = app;
    await app.open(id, 'keepup?view=projects&project=stall');
    await page.getByRole('button', { name: 'All packed' }).click();
    const outs = async (project: string | null) =>
      Object.values((await planNow(id)).outs).filter((o) => o.projectId === project);
    await until(async () => (await outs('stall')).every((o) => o.state === 'out'), 'packed');
    await page.getByRole('button', { name: 'Back: Tape dispenser' }).click();
    await until(async () => (await outs('stall')).some((o) => o.state === 'back'), 'one is back');
    await app.goOn(id, 'keepup?view=projects&project=delta');
    await page.getByRole('region', { name: 'Delta kite for Pip' }).getByLabel('it is').selectOption('done');
    await until(
      async () => (await outs(null)).length === 8 && (await outs('delta')).length === 0,
      'three more to put back',
    );
    await page.getByRole('button', { name: /^Undo: end a project/ }).click();
    await until(async () => (await outs('delta')).length === 3, 'undone in one step');
    await app.goOn(id, 'keepup?view=buy');
    const paste = async () => (await planNow(id)).supplies['wheat-paste']!;
    const was = (await paste()).backstock;
    await page.getByRole('button', { name: 'Bought: Wheat paste' }).click();
    await until(async () => (await paste()).backstock === was + 1, 'bought');
    await page.getByLabel('Before you buy: is there one?').fill('brush');
    await page.getByText(/^You have \d+ of Paste brush, wide$/).waitFor();
    await page.getByLabel('Before you buy: is there one?').fill('unicorn');
    await page.getByText('You have nothing called that.').waitFor();
    const [ics] = await Promise.all([
      page.waitForEvent('download'),
      app.goOn(id, 'keepup?view=seasons').then(() => page.getByRole('button', { name: 'Calendar file' }).click()),
    ]);
    expect(readFileSync((await ics.path())!, 'utf8')).toMatch(/^BEGIN:VCALENDAR/);
    await app.goOn(id, 'keepup?view=log');
    await page.getByRole('button', { name: 'Use the weighed ones' }).click();
    await until(
      async () => Object.values((await planNow(id)).uses).some((u) => u.supplyId === 'hot-knife' && u.fetches > 10),
      'uses as logged',
    );
    await page.getByRole('button', { name: 'Look what is worth moving' }).click();
    await page.getByRole('button', { name: /^Move \d+ things?: / }).click();
    await until(
      async () => Object.values((await planNow(id)).diary).some((e) => e.what === 'moved'),
      'what pays back is moved and logged',
    );
    expect(app.errors).toEqual([]);
  });
});

/** A JPEG with the make of a camera in it, as EXIF. */
function withMake(jpeg: Buffer): Buffer {
  const body = Buffer.concat([
    Buffer.from('Exif\0\0', 'latin1'),
    Buffer.from('4d4d002a00000008' + '0001010f00020000000461626300' + '00000000', 'hex'),
  ]);
  return Buffer.concat([
    jpeg.subarray(0, 2),
    Buffer.from([0xff, 0xe1, (body.length + 2) >> 8, (body.length + 2) & 255]),
    body,
    jpeg.subarray(2),
  ]);
}
