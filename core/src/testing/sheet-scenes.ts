import { seenBy, type TestCamera } from './camera.ts';
import { blurred, type Painted, photographed, sheetOnTable } from './picture.ts';
import jsQR from 'jsqr';
import {
  CODE_SQUARE,
  CODE_SQUARES,
  CODED,
  codesOf,
  cornerWords,
  type Decode,
  findSheet,
  greysOf,
  KNOWN,
  lengthBetween,
  type Pixels,
  planeIn,
} from '../measures/picture/index.ts';

/**
 * Scenes with the measuring sheet in them, found or not: what came of it, as JSON. A program of its own, because pictures of two million points drawn and
 * looked through within the test runner take ten times as long.
 */
const decodeWith = (jsQR as unknown as { default?: typeof jsQR }).default ?? jsQR;
/** points looked through for codes */
let looked = 0;
const decode: Decode = (data, width, height) => {
  looked += width * height;
  return decodeWith(data as Uint8ClampedArray<ArrayBuffer>, width, height, { inversionAttempts: 'dontInvert' });
};

function steady(seed: number) {
  let s = seed;
  return () => {
    s = (s * 1664525 + 1013904223) >>> 0;
    return s / 2 ** 32;
  };
}

type Pt = { x: number; y: number };
const SIZE = { width: 1600, height: 1200 };
const sheetPaint = sheetOnTable(
  KNOWN.a4,
  codesOf('a4').map((p, i) => ({ ...p, side: CODE_SQUARE * CODE_SQUARES, words: cornerWords('a4', i) })),
);

/** A camera that sees the whole of an A4 sheet, up to 45° from straight. */
function cameraFor(random: () => number): TestCamera {
  for (;;) {
    const focal35 = 24 + Math.round(random() * 26);
    const across = 430 + random() * 220;
    const camera: TestCamera = {
      ...SIZE,
      focal35,
      tilt: random() * 45,
      towards: random() * 360,
      roll: random() * 360,
      over: (across * ((focal35 * Math.hypot(SIZE.width, SIZE.height)) / Math.hypot(36, 24))) / SIZE.width,
      at: { x: 105 + (random() - 0.5) * 60, y: 148 + (random() - 0.5) * 60 },
      lens: -random() * 0.05,
    };
    const corners = [
      [0, 0],
      [210, 0],
      [210, 297],
      [0, 297],
    ].map(([x, y]) => seenBy(camera, { x: x!, y: y! }));
    if (corners.every((p) => p && p.x > 0 && p.y > 0 && p.x < SIZE.width && p.y < SIZE.height)) return camera;
  }
}

const random = steady(20);
const scenes = Array.from({ length: 10 }, (_, i) => {
  const camera = cameraFor(random);
  let picture: Pixels = photographed(camera, sheetPaint, 5, random, 1);
  if (i % 3 === 0) picture = blurred(picture, 1);
  looked = 0;
  const sheet = findSheet(greysOf(picture), decode);
  const share = looked / (SIZE.width * SIZE.height);
  if (!sheet) return { tilt: camera.tilt, sheet: null };
  const off = sheet.marks.map((m) => {
    const there = seenBy(camera, m.on)!;
    return Math.hypot(there.x - m.at.x, there.y - m.at.y);
  });
  const image = { ...SIZE, focal35: camera.focal35 };
  const read = planeIn({ image, known: KNOWN.a4, corners: sheet.corners, marks: sheet.marks, pointing: CODED });
  const lines = read.ok
    ? Array.from({ length: 6 }, () => {
        const [a, b] = [0, 1].map(() => ({ x: random() * 210, y: random() * 297 })) as [Pt, Pt];
        const measured = lengthBetween(read.plane, seenBy(camera, a)!, seenBy(camera, b)!)!;
        return { true: Math.hypot(a.x - b.x, a.y - b.y), ...measured };
      })
    : [];
  return {
    tilt: camera.tilt,
    sheet: { paper: sheet.paper, bowed: sheet.bowed, lifted: sheet.lifted },
    share,
    off,
    lines,
  };
});

const straight = { ...cameraFor(random), tilt: 12, lens: 0 };
const cloth: Painted = (x, y) => ((Math.floor(x / 14) + Math.floor(y / 14)) % 2 === 0 ? [40, 40, 60] : [235, 230, 225]);
const label = sheetOnTable(KNOWN.a4, [{ x: 60, y: 90, side: 80, words: 'HERON:P:place-1' }]);
const table = sheetOnTable({ width: 0, height: 0 }, []);
const none = [cloth, label, table].map(
  (paint) => findSheet(greysOf(photographed(straight, paint, 5, random, 1)), decode) === null,
);
// its middle stands up, as one that was rolled
const rolled: Painted = (x, y) => sheetPaint(x, y + 6 * Math.sin((Math.PI * x) / 105));
const bent = findSheet(greysOf(photographed(straight, rolled, 4, random, 1)), decode)?.bowed ?? 0;
// its lower right corner stands up: seen a little farther out than it lies
const lifted = [3, 5].map((by) => {
  const raised: Painted = (x, y) => sheetPaint(x > 105 && y > 148 ? x - by : x, y);
  return findSheet(greysOf(photographed(straight, raised, 4, random, 1)), decode)?.lifted ?? 0;
});

process.stdout.write(JSON.stringify({ scenes, none, bent, lifted }));
