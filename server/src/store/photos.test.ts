import { readdirSync, rmSync, utimesSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, test } from '@jest/globals';
import { blankSupply } from '@heronstone/core/plan';
import exifr from 'exifr';
import { throwAwayFolders } from '../testing.ts';
import { DataFolder } from './data-folder.ts';
import { keepable, MOST_BYTES } from './photos.ts';

const newFolder = throwAwayFolders();

/** The smallest JPEG there is to tell apart: one grey pixel, with more segments before its picture. */
const PIXEL = Buffer.from(
  '/9j/2wBDAAMCAgICAgMCAgIDAwMDBAYEBAQEBAgGBgUGCQgKCgkICQkKDA8MCgsOCwkJDRENDg8QEBEQCgwSExIQEw8QEBD/yQALCAABAAEBAREA/8wABgAQEAX/2gAIAQEAAD8A0s8g/9k=',
  'base64',
);
const withSegment = (marker: number, body: Buffer, of = PIXEL) =>
  Buffer.concat([
    of.subarray(0, 2),
    Buffer.from([0xff, marker, (body.length + 2) >> 8, (body.length + 2) & 255]),
    body,
    of.subarray(2),
  ]);
/** EXIF with one tag: the camera’s make. */
const EXIF = Buffer.concat([
  Buffer.from('Exif\0\0', 'latin1'),
  Buffer.from('4d4d002a00000008', 'hex'),
  Buffer.from('0001010f00020000000400000000' + '00000000', 'hex'),
]);
EXIF.write('abc\0', 6 + 8 + 2 + 8, 'latin1');

describe('pictures', () => {
  /** What is kept of a picture. */
  const points = (bytes: Buffer): Buffer => {
    const read = keepable(bytes);
    if (!read.ok) throw new Error(read.reason);
    return read.bytes;
  };
  const GREETING = Buffer.from('made by me, at home');
  const said = (bytes: Buffer) => bytes.includes(GREETING);

  test('where, when and with what it was taken is left behind, wherever in the file it stands (an independent reader finds none)', async () => {
    const told = withSegment(0xe1, EXIF);
    expect(await exifr.parse(told)).toMatchObject({ Make: 'abc' });
    expect(await exifr.parse(points(told)).catch(() => undefined)).toBeUndefined();
    // as the first part, in a profile, in a comment, behind the scan, behind the end
    const [body, end] = [PIXEL.subarray(0, -2), PIXEL.subarray(-2)];
    const segment = (marker: number, text: Buffer) =>
      Buffer.concat([Buffer.from([0xff, marker, 0, text.length + 2]), text]);
    for (const carrying of [
      withSegment(0xe0, Buffer.concat([Buffer.from('JFIF\0\x01\x01\0\0\x01\0\x01\0\0', 'latin1'), GREETING])),
      withSegment(0xe2, Buffer.concat([Buffer.from('ICC_PROFILE\0\x01\x01', 'latin1'), GREETING])),
      withSegment(0xee, Buffer.concat([Buffer.from('Adobe', 'latin1'), GREETING])),
      withSegment(0xfe, GREETING),
      Buffer.concat([body, segment(0xe1, GREETING), end]),
      Buffer.concat([body, segment(0xfe, GREETING), end]),
      Buffer.concat([PIXEL, GREETING]),
    ]) {
      expect(said(carrying)).toBe(true);
      expect(points(carrying).equals(PIXEL)).toBe(true);
    }
    expect(points(PIXEL).equals(PIXEL)).toBe(true);
  });

  test('what is no JPEG, damaged, too large, or of too many points is refused with the reason', () => {
    const why = (bytes: Buffer) => {
      const read = keepable(bytes);
      return read.ok ? 'kept' : read.reason;
    };
    expect(why(Buffer.from('GIF89a'))).toMatch(/not a JPEG/);
    for (let cut = 2; cut < PIXEL.length; cut++) expect(why(PIXEL.subarray(0, cut))).toMatch(/damaged|not a JPEG/);
    expect(why(Buffer.alloc(MOST_BYTES + 1))).toMatch(/kB/);
    const huge = Buffer.from(PIXEL);
    // the frame says how high and how wide (T.81, B.2.2)
    huge.fill(0xff, huge.indexOf(Buffer.from([0xff, 0xc9])) + 5, huge.indexOf(Buffer.from([0xff, 0xc9])) + 9);
    expect(why(huge)).toMatch(/4096 points a side; this one has 65535 × 65535/);
  });

  test('a damaged one is not shown, and whole again when it is sent once more or a backup is opened', async () => {
    const path = newFolder();
    let folder = await DataFolder.open(path);
    const kept = folder.photos.keep(PIXEL);
    if (!kept.ok) throw new Error(kept.reason);
    const file = join(path, 'photos', `${kept.hash}.jpg`);
    writeFileSync(file, 'half of it');
    expect(folder.photos.read(kept.hash)).toBeNull();
    folder.photos.keep(PIXEL);
    expect(folder.photos.read(kept.hash)!.equals(PIXEL)).toBe(true);
    await folder.backUp();
    writeFileSync(file, 'half of it');
    await folder.close();
    folder = await DataFolder.open(path);
    expect(folder.photos.read(kept.hash)!.equals(PIXEL)).toBe(true);
    await folder.close();
  });

  test('one that no plan shows can be deleted, and no backup brings it back; one on its way to a plan stays', async () => {
    const path = newFolder();
    const folder = await DataFolder.open(path);
    const [shown, measured, unused, fresh] = [
      PIXEL,
      withSegment(0xdd, Buffer.from([0, 3])),
      withSegment(0xdd, Buffer.from([0, 1])),
      withSegment(0xdd, Buffer.from([0, 2])),
    ].map((bytes) => {
      const kept = folder.photos.keep(bytes);
      if (!kept.ok) throw new Error(kept.reason);
      return kept.hash;
    });
    const long = (hash: string) => utimesSync(join(path, 'photos', `${hash}.jpg`), new Date(0), new Date(0));
    [shown!, measured!, unused!].forEach(long);
    const supplies = [{ ...blankSupply('a', 'A'), photo: shown! }];
    const id = await folder.store.add({ head: { name: 'Room' } });
    await folder.store.run(id, 'command-a', { type: 'addSupplies', supplies });
    await folder.store.run(id, 'command-b', {
      type: 'addPicture',
      picture: {
        ...{ id: 'p', placeId: null, unitId: null, wallId: null, photo: measured!, width: 1000, height: 750 },
        ...{ focal35: null, corners: [0, 0, 9, 0, 9, 9, 0, 9], knownWidth: 210, knownDepth: 297, frame: [], lens: 0 },
        ...{ drawn: [], takenOn: '2026-11-30' },
      },
    });
    const backup = await folder.backUp();
    expect(await folder.pictures()).toMatchObject({ count: 4, unused: 1 });
    expect(await folder.deleteUnusedPhotos()).toMatchObject({ count: 3, unused: 0 });
    const here = [shown!, measured!, unused!, fresh!].map((hash) => folder.photos.read(hash) !== null);
    expect(here).toEqual([true, true, false, true]);
    await folder.restore(backup);
    expect(folder.photos.read(unused!)).toBeNull();
    // sent again it is there again
    folder.photos.keep(withSegment(0xdd, Buffer.from([0, 1])));
    expect(folder.photos.read(unused!)).not.toBeNull();
    await folder.close();
  });

  test('it lies beside the database under its hash, goes into every backup, and is there again when one is put back', async () => {
    const path = newFolder();
    const folder = await DataFolder.open(path);
    const kept = folder.photos.keep(PIXEL);
    if (!kept.ok) throw new Error(kept.reason);
    expect(folder.photos.keep(PIXEL)).toEqual(kept);
    expect(readdirSync(join(path, 'photos'))).toEqual([`${kept.hash}.jpg`]);
    expect(folder.photos.read('../heronstone.json')).toBeNull();
    const backup = await folder.backUp();
    rmSync(join(path, 'photos'), { recursive: true });
    await folder.restore(backup);
    expect(folder.photos.read(kept.hash)?.equals(PIXEL)).toBe(true);
    await folder.close();
  }, 60_000);
});
