import { execFile } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import { promisify } from 'node:util';
import { beforeAll, describe, expect, test } from '@jest/globals';
import { CATALOGUE, sizesByGaps } from '../../record/catalogue/index.ts';
import { seenBy, type TestCamera } from '../../testing/camera.ts';
import { blurred, type Painted, photographed } from '../../testing/picture.ts';
import {
  edgeNear,
  frameOf,
  gapNear,
  greysOf,
  laidFlat,
  MOST_BOWED,
  MOST_LIFTED,
  onPlane,
  planeIn,
  fileTrouble,
  isBlurred,
  sharpness,
  sizeTrouble,
  snapped,
} from './index.ts';

function steady(seed: number) {
  let s = seed;
  return () => {
    s = (s * 1664525 + 1013904223) >>> 0;
    return s / 2 ** 32;
  };
}

const { abs } = Math;

type Scenes = {
  scenes: {
    tilt: number;
    sheet: { paper: string; bowed: number; lifted: number } | null;
    /** points looked through for codes, of all there are */
    share?: number;
    off?: number[];
    lines?: { true: number; length: number; plusMinus: number }[];
  }[];
  none: boolean[];
  bent: number;
  lifted: number[];
};

describe('the measuring sheet in a picture', () => {
  let all: Scenes;
  beforeAll(async () => {
    const root = fileURLToPath(new URL('../../../../', import.meta.url));
    const program = [`${root}scripts/program.mjs`, `${root}core/src/testing/sheet-scenes.ts`];
    all = JSON.parse((await promisify(execFile)(process.execPath, program)).stdout) as Scenes;
  }, 240_000);

  test('is found in nine of ten scenes up to 45°, its marks to a fifth of a point', () => {
    const found = all.scenes.flatMap((s) => (s.sheet ? [s] : []));
    expect(found.length).toBeGreaterThanOrEqual(0.9 * all.scenes.length);
    for (const { sheet } of found) {
      expect(sheet!.paper).toBe('a4');
      expect(sheet!.bowed).toBeLessThan(0.4);
      expect(sheet!.lifted).toBeLessThan(MOST_LIFTED);
    }
    const off = found.flatMap((s) => s.off!).sort((a, b) => a - b);
    expect(off[Math.floor(0.95 * off.length)]!).toBeLessThan(0.25);
  });

  test('once one of its codes is read the others are looked for where they must be: mostly in less than the whole picture once', () => {
    const shares = all.scenes.flatMap((s) => (s.sheet ? [s.share!] : [])).sort((a, b) => a - b);
    expect(shares[Math.floor(shares.length / 2)]!).toBeLessThan(1);
  });

  test('lengths on it are right within 1 % or 1 mm', () => {
    const lines = all.scenes.flatMap((s) => s.lines ?? []).filter((l) => l.true > 30);
    expect(lines.length).toBeGreaterThan(40);
    const near = lines.filter((l) => abs(l.length - l.true) <= Math.max(1, 0.01 * l.true));
    expect(near.length / lines.length).toBeGreaterThanOrEqual(0.95);
  });

  test('none is found where there is none: a checked cloth, a code of something else, a bare table', () => {
    expect(all.none).toEqual([true, true, true]);
  });

  test('one that does not lie flat is told by its own codes', () => {
    expect(all.bent).toBeGreaterThan(MOST_BOWED);
  });

  test('one of which a corner is lifted is told by the other three: four corners alone fit many a plane', () => {
    for (const lifted of all.lifted) expect(lifted).toBeGreaterThan(MOST_LIFTED);
    expect(all.lifted[1]!).toBeGreaterThan(all.lifted[0]!);
  });
});

describe('edges, gaps and what lies flat', () => {
  const box: Painted = (x, y) => (x > 60 && x < 180 && y > 80 && y < 150 ? [90, 60, 50] : [222, 214, 200]);
  const camera: TestCamera = {
    ...{ width: 800, height: 600, focal35: 28, tilt: 0, towards: 0, roll: 0, lens: 0 },
    ...{ over: 400, at: { x: 120, y: 115 } },
  };

  test('corners drawn by hand go to where the edges cross', () => {
    const greys = greysOf(photographed(camera, box, 4, steady(5)));
    const corners = [
      [60, 80],
      [180, 80],
      [180, 150],
      [60, 150],
    ].map(([x, y]) => seenBy(camera, { x: x!, y: y! })!);
    const drawn = corners.map((p, i) => ({ x: p.x + [5, -6, 4, 3][i]!, y: p.y + [-4, 5, 6, -5][i]! }));
    const found = snapped(greys, drawn, 12);
    expect(found.sides).toBe(4);
    found.corners.forEach((p, i) => expect(Math.hypot(p.x - corners[i]!.x, p.y - corners[i]!.y)).toBeLessThan(0.7));
    // in the middle of nowhere nothing pulls
    const nowhere = [
      { x: 20, y: 20 },
      { x: 60, y: 20 },
      { x: 60, y: 50 },
      { x: 20, y: 50 },
    ];
    expect(snapped(greys, nowhere, 8)).toEqual({ corners: nowhere, sides: 0 });
    expect(edgeNear(greys, { x: 1, y: 1 }, { x: 2, y: 1 }, 5)).toBeNull();
  });

  test('rows and columns of twenty fronts come out within 2 mm from gaps pressed by hand', () => {
    const random = steady(77);
    let worst = 0;
    for (let n = 0; n < 20; n++) {
      const columns = 1 + Math.floor(random() * 3);
      const rows = 2 + Math.floor(random() * 5);
      const [width, height] = [300 + random() * 500, 400 + random() * 600];
      const { board } = CATALOGUE.cubeUnit.places!;
      const parts = (count: number, total: number) => {
        const free = total - board * (count + 1);
        const shares = Array.from({ length: count }, () => 1 + random());
        const sum = shares.reduce((a, b) => a + b, 0);
        return shares.map((s) => (s / sum) * free);
      };
      const [wide, tall] = [parts(columns, width), parts(rows, height)];
      // the gap lies in the middle of the board between two
      const gaps = (sizes: readonly number[]) =>
        sizes.slice(0, -1).map((_, i) => board * (i + 1.5) + sizes.slice(0, i + 1).reduce((a, b) => a + b, 0));
      const [across, down] = [gaps(wide), gaps(tall)];
      const paint: Painted = (x, y) =>
        x < 0 || y < 0 || x > width || y > height
          ? [120, 130, 125]
          : [...across.map((g) => x - g), ...down.map((g) => y - g)].some((d) => abs(d) < 1.6)
            ? [40, 34, 30]
            : [214, 205, 190];
      const seen: TestCamera = {
        ...{ width: 560, height: 560, focal35: 30, tilt: 12 * random(), towards: 360 * random(), roll: 4, lens: 0 },
        ...{ over: 0.95 * Math.max(width, height), at: { x: width / 2, y: height / 2 } },
      };
      const four = [
        [0, 0],
        [width, 0],
        [width, height],
        [0, height],
      ].map(([x, y]) => seenBy(seen, { x: x!, y: y! })!);
      const picture = photographed(seen, paint, 4, random, 1);
      const read = planeIn({ image: seen, known: { width, height }, corners: four });
      if (!read.ok) throw new Error(read.trouble);
      const scale = 640 / Math.max(width, height);
      const frame = frameOf(four.map((p) => onPlane(read.plane, p)!));
      const flat = greysOf(laidFlat(picture, read.plane, frame, scale));
      const pressed = (at: number) => (at + (random() - 0.5) * 12) * scale;
      const snap = (between: 'columns' | 'rows', at: number) =>
        gapNear(flat, between, pressed(at), [10, (between === 'columns' ? height : width) * scale - 10], 12 * scale) /
        scale;
      const { columnSizes, rowSizes } = sizesByGaps(
        'cubeUnit',
        { width, height, depth: 400, rows, columns },
        { columns: across.map((g) => snap('columns', g)), rows: down.map((g) => snap('rows', g)) },
      )!;
      const found = [columnSizes, rowSizes];
      [...wide, ...tall].forEach((mm, i) => (worst = Math.max(worst, Math.abs(mm - found.flat()[i]!))));
    }
    expect(worst).toBeLessThan(2);
    const chest = { width: 300, height: 300, depth: 300, rows: 1, columns: 3 };
    expect(sizesByGaps('cubeUnit', chest, { columns: [100, 105], rows: [] })).toBeNull();
  });

  test('a 12-megapixel picture lies flat within a second', () => {
    const pixels = { data: new Uint8ClampedArray(4000 * 3000 * 4).fill(120), width: 4000, height: 3000 };
    const corners = [
      { x: 900, y: 700 },
      { x: 2900, y: 750 },
      { x: 3000, y: 2400 },
      { x: 800, y: 2300 },
    ];
    const read = planeIn({ image: pixels, corners, known: { width: 500, height: 400 } });
    if (!read.ok) throw new Error(read.trouble);
    const frame = frameOf(corners.map((p) => onPlane(read.plane, p)!));
    const flat = laidFlat(pixels, read.plane, frame, 2);
    expect([flat.width, flat.height]).toEqual([1000, 800]);
    expect([...flat.data.subarray(0, 4)]).toEqual([120, 120, 120, 255]);
  });
});

describe('pictures that are none to measure in are told', () => {
  const bytes = (text: string) => Uint8Array.from(text, (c) => c.charCodeAt(0));
  test.each([
    ['an empty file', '', 0, /empty/],
    ['40 MB', '\xff\xd8\xff', 40_000_000, /40 MB/],
    ['an animation', 'GIF89a', 1000, /moves/],
    ['a moving PNG', '\x89PNG\r\n\x1a\n....acTL', 1000, /moves/],
    ['a moving WebP', 'RIFF....WEBPVP8X....ANIM', 1000, /moves/],
    ['a picture of a phone that only it opens', '....ftypheic', 1000, /JPEG/],
    ['a document renamed', '%PDF-1.7', 1000, /no picture, whatever its name/],
  ])('%s', (_, head, size, words) => {
    expect(fileTrouble(bytes(head), size)).toMatch(words);
  });

  test('a picture is none of those; one of 100 points is too small', () => {
    expect(fileTrouble(bytes('\xff\xd8\xff\xe0'), 4_000_000)).toBeNull();
    expect(fileTrouble(bytes('RIFF....WEBPVP8 '), 4_000_000)).toBeNull();
    expect(sizeTrouble(100, 100)).toMatch(/only 100 × 100 points/);
    expect(sizeTrouble(4000, 3000)).toBeNull();
  });

  test('a blurred picture is told from a sharp one', () => {
    const stripes: Painted = (x) => (Math.floor(x / 25) % 2 === 0 ? [30, 30, 30] : [225, 220, 215]);
    const seen: TestCamera = {
      ...{ width: 400, height: 300, focal35: 28, tilt: 0, towards: 0, roll: 5, lens: 0 },
      ...{ over: 300, at: { x: 0, y: 0 } },
    };
    const sharp = photographed(seen, stripes, 3, steady(1), 2);
    expect(isBlurred(greysOf(sharp))).toBe(false);
    const soft = blurred(sharp, 6);
    expect(sharpness(greysOf(soft))).toBeLessThan(sharpness(greysOf(sharp)) / 2);
    expect(isBlurred(greysOf(soft))).toBe(true);
  });
});
