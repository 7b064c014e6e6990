export { drawFloor, drawWall, drawAll } from './draw.ts';
export { toSvg } from './svg.ts';
export { toDxf } from './dxf.ts';
export { toPdf, scaleFor, PAPERS, type Paper } from './pdf.ts';
export { extent, LAYERS, type Sheet, type Mark, type Layer } from './sheet.ts';
