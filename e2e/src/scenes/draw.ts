import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import jpeg from 'jpeg-js';
import { CODE_SQUARE, CODE_SQUARES, codesOf, cornerWords, KNOWN, type Pixels } from '@heronstone/core/picture';
import { blurred, type Painted, photographed, sheetOnTable, type TestCamera } from '@heronstone/core/testing/picture';
import { DRAWER, DRAWER_CAMERA, FRONT, FRONT_CAMERA, SHEET_AT, THINGS } from './scenes.ts';

/** Draws the pictures of the browser test into a folder, in a program of its own: within the test runner it takes ten times as long. */
const folder = process.argv[2]!;
let seed = 5;
const random = () => {
  seed = (seed * 1664525 + 1013904223) >>> 0;
  return seed / 2 ** 32;
};
const sheet = sheetOnTable(
  KNOWN.a4,
  codesOf('a4').map((p, i) => ({ ...p, side: CODE_SQUARE * CODE_SQUARES, words: cornerWords('a4', i) })),
);
const COLOURS = [
  [168, 44, 52],
  [40, 84, 156],
  [62, 118, 74],
  [190, 140, 52],
  [92, 66, 124],
  [84, 84, 88],
] as const;
const drawerWith =
  (paper: Painted): Painted =>
  (x, y) => {
    if (x < 0 || y < 0 || x > DRAWER.width || y > DRAWER.depth) return [92, 68, 48];
    const [u, v] = [x - SHEET_AT.x, y - SHEET_AT.y];
    if (u >= 0 && v >= 0 && u <= KNOWN.a4.width && v <= KNOWN.a4.height) return paper(u, v);
    const i = THINGS.findIndex(
      ([, left, top, width, depth]) => x > left && x < left + width && y > top && y < top + depth,
    );
    return i < 0 ? [214, 194, 162] : COLOURS[i % COLOURS.length]!;
  };
const drawer = drawerWith(sheet);
/** One whose middle stands up, as if it had been rolled; one of which a corner does; and one that something lies on. */
const rolledSheet: Painted = (u, v) => sheet(u, v + 6 * Math.sin((Math.PI * u) / 105));
const liftedSheet: Painted = (u, v) => sheet(u > KNOWN.a4.width / 2 && v > KNOWN.a4.height / 2 ? u - 4 : u, v);
const coveredSheet: Painted = (u, v) =>
  u > KNOWN.a4.width / 2 && v > KNOWN.a4.height / 2 ? [120, 120, 124] : sheet(u, v);
const front: Painted = (x, y) => {
  if (x < 0 || y < 0 || x > FRONT.width || y > FRONT.height) return [120, 132, 126];
  const gap = [...FRONT.columns.map((g) => x - g), ...FRONT.rows.map((g) => y - g)].some((d) => Math.abs(d) < 1.8);
  return gap ? [44, 36, 30] : [216, 206, 190];
};

function draw(name: string, camera: TestCamera, paint: Painted) {
  const pixels = photographed(camera, paint, 3, random, 1);
  return { pixels, file: write(name, pixels) };
}
function write(name: string, { data, width, height }: Pixels): Buffer {
  const file = jpeg.encode({ data: Buffer.from(data), width, height }, 85).data;
  writeFileSync(join(folder, name), file);
  return file;
}
/** A JPEG that says its focal length as cameras do (Exif 2.32, tag A405, FocalLengthIn35mmFilm, from memory): the segment right behind its beginning. */
function withFocal(file: Buffer, focal35: number): Buffer {
  const tiff = Buffer.alloc(44);
  tiff.write('II*\0', 'latin1');
  tiff.writeUInt32LE(8, 4);
  // one entry: where the camera’s own are
  tiff.writeUInt16LE(1, 8);
  tiff.writeUInt16LE(0x8769, 10);
  tiff.writeUInt16LE(4, 12);
  tiff.writeUInt32LE(1, 14);
  tiff.writeUInt32LE(26, 18);
  // one of those: a short
  tiff.writeUInt16LE(1, 26);
  tiff.writeUInt16LE(0xa405, 28);
  tiff.writeUInt16LE(3, 30);
  tiff.writeUInt32LE(1, 32);
  tiff.writeUInt16LE(focal35, 36);
  const said = Buffer.concat([Buffer.from('Exif\0\0', 'latin1'), tiff]);
  const head = Buffer.from([0xff, 0xe1, 0, 0]);
  head.writeUInt16BE(said.length + 2, 2);
  return Buffer.concat([file.subarray(0, 2), head, said, file.subarray(2)]);
}
const { pixels, file } = draw('drawer.jpg', DRAWER_CAMERA, drawer);
writeFileSync(join(folder, 'lens.jpg'), withFocal(file, DRAWER_CAMERA.focal35));
// one that says a longer lens than it was taken with: what it says is what is believed
writeFileSync(join(folder, 'long.jpg'), withFocal(file, 2 * DRAWER_CAMERA.focal35));
write('blurred.jpg', blurred(pixels, 7));
const SMALLER = { ...DRAWER_CAMERA, width: (DRAWER_CAMERA.width * 3) / 4, height: (DRAWER_CAMERA.height * 3) / 4 };
draw('rolled.jpg', SMALLER, drawerWith(rolledSheet));
draw('lifted.jpg', SMALLER, drawerWith(liftedSheet));
draw('covered.jpg', SMALLER, drawerWith(coveredSheet));
// of twelve megapixels, as a telephone takes it: only where it is asked for
if (process.argv[3] === 'large') draw('large.jpg', { ...DRAWER_CAMERA, width: 4000, height: 3000 }, drawer);
draw('front.jpg', FRONT_CAMERA, front);
const small = { data: Buffer.alloc(100 * 100 * 4, 128), width: 100, height: 100 };
writeFileSync(join(folder, 'small.jpg'), jpeg.encode(small, 80).data);
writeFileSync(join(folder, 'renamed.jpg'), '%PDF-1.7 this is a letter and no picture');
writeFileSync(join(folder, 'moving.gif'), Buffer.from('GIF89a\x01\x00\x01\x00', 'latin1'));
