export {
  type Cover,
  type PlaceKind,
  type PlaceShape,
  type Solid,
  type UnitShape,
  type Mount,
  COVERS,
  PLACE_KINDS,
  PULL_SHARE,
} from './shapes.ts';
export { type UnitKind, type KindFacts, CATALOGUE, UNIT_KINDS, placesOf, solidsOf } from './kinds.ts';
