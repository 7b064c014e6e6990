export { drawFloor, drawWall, drawAll } from './draw.ts';
export { drawInside, drawUnit, inReadingOrder, waysToSay, worthLookingInto } from './unit.ts';
export { drawRound } from './round.ts';
export { toSvg } from './svg.ts';
export { toDxf } from './dxf.ts';
export {
  type Area,
  colourOf,
  drawOn,
  type Measure,
  type Paper,
  PAPERS,
  POINTS_PER_MM,
  type Printed,
  type Scale,
  scaleBar,
  scaleFor,
  scaleIn,
  toPdf,
  wordsOf,
} from './pdf.ts';
export { measuringSheet } from './measuring-sheet.ts';
export { extent, LAYERS, type Sheet, type Mark, type Layer } from './sheet.ts';
