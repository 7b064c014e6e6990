export {
  type Cover,
  type PlaceKind,
  type PlaceShape,
  type Solid,
  type UnitShape,
  type Mount,
  type BoardKind,
  COVERS,
  PLACE_KINDS,
  PULL_SHARE,
  MOUNTS,
  BOARDS,
} from './shapes.ts';
export { type KindFacts, BOARD, TOP } from './styles.ts';
export { type UnitKind, CATALOGUE, UNIT_KINDS, factsOf, defaultsOf } from './kinds.ts';
export { placesOf, sizesByGaps, solidsOf, frontTrouble, leafOf, emptyMass } from './places.ts';
export { topPlace } from './tops.ts';
export { wordOf } from './place-words.ts';
export { INSERT_KINDS, INSERT_PATTERN, readInsert, writeInsert, type Insert, type InsertKind } from './inserts.ts';
export { NATURES, type Nature, natureOfKind, FILE_PITCH } from './natures.ts';
export {
  DIVISION_KINDS,
  DIVISION_PATTERN,
  DIVIDER,
  PLAY,
  divideInside,
  readDivision,
  type Divided,
  type DivisionKind,
  type Part,
} from './divisions.ts';
