export { AISLES, type Aisle, aisleOfKind, isAisle, withoutAisle } from './aisles.ts';
export {
  aisleFor,
  type Concept,
  familiesIn,
  type FamilyIn,
  inSentence,
  type Level,
  LEVELS,
  ownerOf,
  shelvedAs,
  type Shelved,
} from './shelved.ts';
export { andJoined, isOddsAndEnds, isOneName, type Naming, namingOf, SAYING } from './naming.ts';
export { livesSaid, nameFor, nameOfPlace, namesWanted, type PlaceName, placeSaid, sayingsIn } from './places.ts';
export { shorterNames } from './shorter.ts';
export { APART, apartIn, type ApartRule, togetherThatMustBeApart, type Together, toldOf } from './apart.ts';
