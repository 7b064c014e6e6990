export { type WallFrame, wallFrames, frameOf, onWall, fromWall, doorSweep } from './frames.ts';
export { unitPrism, unitPoint, unitBox, unitSolids, fixturePrism, floorUsePrism } from './bodies.ts';
export { ceilingAt, HEAD_HEIGHT, slopeHeight, slopeReaches, wallOutline } from './ceiling.ts';
export { freeSpotFor } from './free-spot.ts';
export { snapUnit, hangsUnder, hangingAt, SNAP, type Snapped } from './snap.ts';
export { tapesFrom, wallGaps, type Tape } from './tapes.ts';
export {
  freeFloor,
  blocksFloor,
  obstaclesOf,
  type Obstacle,
  insideDoor,
  clearanceAt,
  type FreeFloor,
} from './free-floor.ts';
export { widestWays, neckOnTheWay, type WidestWays, type Neck } from './widest-ways.ts';
export { getsTo, walkingFrom, walkTo, walkLength, arrivalAt, type Arrival, type Walking } from './walking.ts';
export { type Walk } from './taut.ts';
export { wallFront, type WallFront, type UnitFront, type Drawn } from './elevation.ts';
export { KNEE, KNEES, kneeSpace } from './knees.ts';
export { doneAtCommand, seatAtDoor, spotAtDoor } from './at-door.ts';
export { AIR, BURNS_OFF, DRIES, HEAT_WORDS, MOST_OFF } from './heat.ts';
export { chairOf, moveSeat, seatMoves } from './chair.ts';
export { seatsAt, bestSeatAt, sitAtCommand, SIDES, SOMEBODY, type SeatAt, type Side } from './sit.ts';
