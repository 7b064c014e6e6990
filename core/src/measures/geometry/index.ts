export {
  type Point,
  type Point3,
  distance,
  distance3,
  length2,
  heading,
  direction,
  angleBetween,
  rotateRight,
} from './points.ts';
export { polygonArea, insidePolygon, distanceToSegment, isSimplePolygon } from './polygon.ts';
export { type Prism, prism, prismFootprint, footprintDistance, segmentHitsPrism } from './prism.ts';
export { convexDistance, convexOverlap, clipByConvex } from './convex.ts';
