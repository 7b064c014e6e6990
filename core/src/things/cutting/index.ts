export {
  Guillotine,
  yieldOf,
  countsOf,
  drawnOf,
  type Sheet,
  type Piece,
  type Cut,
  type Laid,
  type Stroke,
} from './guillotine.ts';
export { Patterns, cutListOf, type CutList, type Pattern } from './cut-list.ts';
export { cutTogether, type Job, type Run } from './cut-together.ts';
export { outOfScraps, restsOf, scrapsFor, tooSmall, worthFiling, holds, ALIKE, type Sought } from './scraps.ts';
export { envelopeBlank, usualPieces, type UsualPiece } from './usual-pieces.ts';
export { offRoll, type OffRoll } from './roll.ts';
export { aheadSaves, SET_UP, STROKE } from './ahead.ts';
export { CutFile } from './cut-file.ts';
