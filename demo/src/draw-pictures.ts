import { writeFileSync } from 'node:fs';
import jpeg from 'jpeg-js';
import { stowageOf } from '@heronstone/core/fit';
import { CODE_SQUARE, CODE_SQUARES, codesOf, cornerWords, KNOWN } from '@heronstone/core/picture';
import { type Painted, photographed, sheetOnTable, type TestCamera } from '@heronstone/core/testing/picture';
import { CUBES, FRONT_CAMERA, SHEET_AT, SHELF, SHELF_CAMERA } from './pictures.ts';
import { pumpHouse } from './pump-house.ts';

/** Draws the two pictures of the demo, a shelf from above and a front, as a camera would see them; `node scripts/run.mjs demo/src/draw-pictures.ts`. */
const plan = pumpHouse({ pictures: false });
let seed = 11;
const random = () => {
  seed = (seed * 1664525 + 1013904223) >>> 0;
  return seed / 2 ** 32;
};
type Rgb = readonly [number, number, number];
const rgb = (hex: string): Rgb => [1, 3, 5].map((i) => Number.parseInt(hex.slice(i, i + 2), 16)) as unknown as Rgb;
const wood = (x: number, y: number): Rgb => {
  const grain = 7 * Math.sin(y / 7 + 3 * Math.sin(x / 90)) + 4 * Math.sin(x / 31 + y / 3);
  return [206 + grain, 184 + grain, 150 + grain];
};

function shelf(): Painted {
  const place = plan.places[SHELF]!;
  const { stacks, things } = stowageOf(plan, place);
  const sheet = sheetOnTable(
    KNOWN.a4,
    codesOf('a4').map((p, i) => ({ ...p, side: CODE_SQUARE * CODE_SQUARES, words: cornerWords('a4', i) })),
  );
  const boxes = stacks.map((s, i) => ({
    ...{ x: s.x, y: place.depth - s.y - s.depth, width: s.width, depth: s.depth },
    colour: rgb(
      things.find((t) => t.id === s.id)?.supply.colour ?? ['#7d8f86', '#a97c50', '#6b7c93', '#b59a5c'][i % 4]!,
    ),
  }));
  return (x, y) => {
    if (x < 0 || y < 0 || x > place.width || y > place.depth) return [88, 72, 58];
    const [u, v] = [x - SHEET_AT.x, y - SHEET_AT.y];
    if (u >= 0 && v >= 0 && u <= KNOWN.a4.width && v <= KNOWN.a4.height) return sheet(u, v);
    const box = boxes.find((b) => x > b.x && x < b.x + b.width && y > b.y && y < b.y + b.depth);
    if (!box) return wood(x, y);
    const edge = Math.min(x - box.x, box.x + box.width - x, y - box.y, box.y + box.depth - y);
    const by = edge < 2.5 ? 0.72 : 1;
    return [box.colour[0] * by, box.colour[1] * by, box.colour[2] * by];
  };
}

function front(): Painted {
  const unit = plan.units[CUBES]!;
  const places = Object.values(plan.places).filter((p) => p.unitId === unit.id && p.inId === null && p.kind !== 'top');
  return (x, y) => {
    if (x < 0 || y < 0 || x > unit.width || y > unit.height) return [196, 204, 200];
    const up = unit.height - y;
    const place = places.find((p) => x > p.left && x < p.left + p.width && up > p.bottom && up < p.bottom + p.height);
    if (!place) return [232, 226, 214];
    const deep = (up - place.bottom) / place.height;
    return [70 + 30 * deep, 62 + 28 * deep, 54 + 26 * deep];
  };
}

function draw(name: string, camera: TestCamera, paint: Painted): void {
  const { data, width, height } = photographed(camera, paint, 3, random, 2);
  const { data: bytes } = jpeg.encode({ data: Buffer.from(data), width, height }, 72);
  writeFileSync(new URL(`../pictures/${name}.jpg`, import.meta.url), bytes);
}
draw('shelf', SHELF_CAMERA, shelf());
draw('cubes', FRONT_CAMERA, front());
