import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import jpeg from 'jpeg-js';
import { CODE_SQUARE, CODE_SQUARES, codesOf, cornerWords, KNOWN } from '@heronstone/core/picture';
import { type Painted, photographed, sheetOnTable, type TestCamera } from '@heronstone/core/testing/picture';
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
const drawer: Painted = (x, y) => {
  if (x < 0 || y < 0 || x > DRAWER.width || y > DRAWER.depth) return [92, 68, 48];
  const [u, v] = [x - SHEET_AT.x, y - SHEET_AT.y];
  if (u >= 0 && v >= 0 && u <= KNOWN.a4.width && v <= KNOWN.a4.height) return sheet(u, v);
  const i = THINGS.findIndex(
    ([, left, top, width, depth]) => x > left && x < left + width && y > top && y < top + depth,
  );
  return i < 0 ? [214, 194, 162] : COLOURS[i % COLOURS.length]!;
};
const front: Painted = (x, y) => {
  if (x < 0 || y < 0 || x > FRONT.width || y > FRONT.height) return [120, 132, 126];
  const gap = [...FRONT.columns.map((g) => x - g), ...FRONT.rows.map((g) => y - g)].some((d) => Math.abs(d) < 1.8);
  return gap ? [44, 36, 30] : [216, 206, 190];
};

function draw(name: string, camera: TestCamera, paint: Painted): void {
  const { data, width, height } = photographed(camera, paint, 3, random, 1);
  writeFileSync(join(folder, name), jpeg.encode({ data: Buffer.from(data), width, height }, 85).data);
}
draw('drawer.jpg', DRAWER_CAMERA, drawer);
// of twelve megapixels, as a telephone takes it: only where it is asked for
if (process.argv[3] === 'large') draw('large.jpg', { ...DRAWER_CAMERA, width: 4000, height: 3000 }, drawer);
draw('front.jpg', FRONT_CAMERA, front);
const small = { data: Buffer.alloc(100 * 100 * 4, 128), width: 100, height: 100 };
writeFileSync(join(folder, 'small.jpg'), jpeg.encode(small, 80).data);
writeFileSync(join(folder, 'renamed.jpg'), '%PDF-1.7 this is a letter and no picture');
writeFileSync(join(folder, 'moving.gif'), Buffer.from('GIF89a\x01\x00\x01\x00', 'latin1'));
