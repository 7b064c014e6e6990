export { readLine, linesOf } from './read-line.ts';
export { type Doubt, type LineContext, type LineRead } from './line-read.ts';
export { writeLine } from './write-line.ts';
export { sizeIn, sizeOf, type SaidSize } from './sizes.ts';
export { weighSheet, weightIn, BASIS, type SaidWeight } from './weights.ts';
export { countIn, packIn, shareIn } from './amounts.ts';
export {
  CONTAINER_KINDS,
  containerNamed,
  containersHere,
  filledIn,
  type ContainerKind,
  type KnownHolder,
  type SaidContainer,
} from './containers.ts';
export { colourIn } from './colours.ts';
export { lineContextOf, sameAs, takeIn, takeInAll } from './take-in.ts';
export {
  type Seen,
  type SeenWay,
  SEEN_WAYS,
  readSeen,
  sizesSeen,
  standsAt,
  takeSeen,
  thirdSide,
  usualWay,
} from './seen.ts';
