export { type Homography, homographyOf, mapped, inverted, after } from './homography.ts';
export { type ImageSize, focalOf, focal35Of, focalFrom, middleOf, poseOf, type Pose } from './camera.ts';
export { type Lens, bent, straightened, lensOf } from './lens.ts';
export { KNOWN, type Known, type KnownSize } from './known.ts';
export {
  CODED,
  POINTING,
  inPicture,
  lengthBetween,
  type Mark,
  type Marked,
  type Measured,
  onPlane,
  type Plane,
  type PlaneRead,
  planeIn,
  shrinkAt,
} from './plane.ts';
export { uprightHeight } from './upright.ts';
export { CHECK_LINE, CODE_SQUARE, CODE_SQUARES, codesOf, cornerWords, SHEET_PAPERS, type SheetPaper } from './sheet.ts';
export { type Decode, type Decoded, findSheet, type FoundSheet, MOST_BOWED, MOST_LIFTED } from './find-sheet.ts';
export { type Greys, greyAt, greysOf, type Pixels } from './pixels.ts';
export { edgeNear, gapNear, snapped } from './edges.ts';
export { type Frame, frameOf, inFrame, laidFlat, ofFrame, shownOf } from './flat.ts';
export { MeasureFile, measureFile, type MeasureAnswer } from './measure-file.ts';
export { fileTrouble, isBlurred, sharpness, sizeTrouble, MOST_FILE } from './judge.ts';
export { cornersOf, type Rectangle, rectangleOf, type Sides, sidesOf } from './sides.ts';
