import { readdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, test } from '@jest/globals';
import exifr from 'exifr';
import { throwAwayFolders } from '../testing.ts';
import { DataFolder } from './data-folder.ts';
import { MOST_BYTES, photoTrouble } from './photos.ts';

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
  test('one that carries EXIF (an independent reader finds it) is refused; without it, it is kept and carries none', async () => {
    const told = withSegment(0xe1, EXIF);
    expect(await exifr.parse(told)).toMatchObject({ Make: 'abc' });
    expect(photoTrouble(told)).toMatch(/where, when/);
    expect(photoTrouble(withSegment(0xfe, Buffer.from('by me')))).toMatch(/where, when/);
    expect(photoTrouble(withSegment(0xe0, Buffer.from('JFIF\0\x01\x01\0\0\x01\0\x01\0\0', 'latin1')))).toBeNull();
    expect(photoTrouble(withSegment(0xe2, Buffer.from('ICC_PROFILE\0\x01\x01 profile', 'latin1')))).toBeNull();
    expect(photoTrouble(withSegment(0xe2, Buffer.from('MPF\0 more pictures', 'latin1')))).toMatch(/where, when/);
    expect(photoTrouble(PIXEL)).toBeNull();
    expect(await exifr.parse(PIXEL).catch(() => undefined)).toBeUndefined();
  });

  test('what is no JPEG, damaged or too large is refused with the reason', () => {
    expect(photoTrouble(Buffer.from('GIF89a'))).toMatch(/not a JPEG/);
    expect(photoTrouble(PIXEL.subarray(0, 30))).toMatch(/damaged/);
    expect(photoTrouble(Buffer.alloc(MOST_BYTES + 1))).toMatch(/kB/);
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
