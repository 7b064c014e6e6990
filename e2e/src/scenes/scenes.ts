import { type TestCamera } from '@heronstone/core/testing/picture';

/** A drawer of the demo’s window chest, inside, mm. */
export const DRAWER = { width: 822, depth: 418 };
/** Where the measuring sheet lies in it. */
export const SHEET_AT = { x: 20, y: 60 };
/** What lies beside it, mm from the back left: its box, and the line one would say of it. */
export const THINGS = [
  ['3 ink pads', 260, 40, 92, 62],
  ['cutting mat', 260, 130, 150, 110],
  ['2 brayers', 260, 270, 110, 46],
  ['bone folder', 430, 40, 150, 26],
  ['steel ruler', 430, 90, 320, 30],
  ['glue stick', 430, 150, 96, 24],
  ['6 stamp blocks', 430, 200, 70, 50],
  ['scissors', 430, 280, 180, 64],
  ['tape dispenser', 640, 150, 90, 60],
  ['awl', 640, 240, 120, 22],
  ['2 rolls of twine', 640, 290, 64, 64],
  ['notebook', 260, 340, 140, 60],
] as const;

const SIZE = { width: 2400, height: 1800 };
export const DRAWER_CAMERA: TestCamera = {
  ...SIZE,
  ...{ focal35: 28, tilt: 12, towards: 75, roll: 1.5, over: 960, at: { x: 411, y: 215 }, lens: 0 },
};

/** A front of two columns and three rows: its size and its gaps, mm. */
export const FRONT = { width: 800, height: 900, columns: [420], rows: [280, 610] };
export const FRONT_CAMERA: TestCamera = {
  ...{ width: 1600, height: 1200, focal35: 28, tilt: 8, towards: 20, roll: -1, lens: 0 },
  ...{ over: 1150, at: { x: 400, y: 450 } },
};
