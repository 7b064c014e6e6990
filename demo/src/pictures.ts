import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { KNOWN } from '@heronstone/core/picture';
import { seenBy, type TestCamera } from '@heronstone/core/testing/picture';
import { type Picture, type Plan } from '@heronstone/core/plan';

/** The shelf seen from above, and the unit whose front is seen. */
export const SHELF = 'cupboard.2.0';
export const CUBES = 'cubes';
/** Where the measuring sheet lies on the shelf, mm from its back left. */
export const SHEET_AT = { x: 470, y: 60 };

const SIZE = { width: 1200, height: 900 };
export const SHELF_CAMERA: TestCamera = {
  ...SIZE,
  ...{ focal35: 26, tilt: 17, towards: 80, roll: 2, over: 690, at: { x: 390, y: 205 }, lens: 0 },
};
export const FRONT_CAMERA: TestCamera = {
  ...SIZE,
  ...{ focal35: 26, tilt: 9, towards: 25, roll: -1.5, over: 1750, at: { x: 740, y: 730 }, lens: 0 },
};

const file = (name: string) => readFileSync(new URL(`../pictures/${name}.jpg`, import.meta.url));
const hash = (name: string) => createHash('sha256').update(file(name)).digest('hex');

/** Corners of a rectangle of the plane as the camera sees them, x and y by turns. */
const seen = (camera: TestCamera, x: number, y: number, width: number, height: number): number[] =>
  [
    [x, y],
    [x + width, y],
    [x + width, y + height],
    [x, y + height],
  ].flatMap(([u, v]) => {
    const p = seenBy(camera, { x: u!, y: v! })!;
    return [Math.round(p.x * 10) / 10, Math.round(p.y * 10) / 10];
  });

/** The demo’s two pictures as they were measured in. */
export function demoPictures(plan: Plan): Picture[] {
  const [shelf, cubes] = [plan.places[SHELF]!, plan.units[CUBES]!];
  const shared = { ...SIZE, focal35: 26, lens: 0, drawn: [], takenOn: '2026-02-14', wallId: null };
  return [
    {
      ...shared,
      ...{ id: 'picture-shelf', placeId: SHELF, unitId: null, photo: hash('shelf') },
      corners: seen(SHELF_CAMERA, SHEET_AT.x, SHEET_AT.y, KNOWN.a4.width, KNOWN.a4.height),
      ...{ knownWidth: KNOWN.a4.width, knownDepth: KNOWN.a4.height },
      frame: seen(SHELF_CAMERA, 0, 0, shelf.width, shelf.depth),
    },
    {
      ...shared,
      ...{ id: 'picture-cubes', placeId: null, unitId: CUBES, photo: hash('cubes') },
      corners: seen(FRONT_CAMERA, 0, 0, cubes.width, cubes.height),
      ...{ knownWidth: cubes.width, knownDepth: cubes.height, frame: [] },
    },
  ];
}

/** The pictures themselves, by hash, as the plan’s file carries them. */
export const photosWith = (plan: Plan): Record<string, string> =>
  Object.keys(plan.pictures).length === 0
    ? {}
    : Object.fromEntries(['shelf', 'cubes'].map((name) => [hash(name), file(name).toString('base64')]));
