export { type WallFrame, wallFrames, frameOf, onWall, fromWall, doorSweep } from './frames.ts';
export { unitPrism, unitPoint, unitBox, unitSolids, fixturePrism, floorUsePrism } from './bodies.ts';
export { ceilingAt, HEAD_HEIGHT, slopeHeight, slopeReaches, wallOutline } from './ceiling.ts';
export { freeSpotFor } from './free-spot.ts';
export { snapUnit, wallGaps, SNAP, type Snapped } from './snap.ts';
export {
  freeFloor,
  blocksFloor,
  obstaclesOf,
  type Obstacle,
  insideDoor,
  widestWays,
  neckOnTheWay,
  clearanceAt,
  type FreeFloor,
  type WidestWays,
  type Neck,
} from './free-floor.ts';
export { walkingFrom, walkTo, walkLength, arrivalAt, type Arrival, type Walk, type Walking } from './walking.ts';
export { wallFront, type WallFront, type UnitFront, type Drawn } from './elevation.ts';
