export { OWN_UPRIGHT, pieceOf, sorted, type Block, type Cavity, MARGIN } from './piece.ts';
export { caliperOf, sheetMass, sheetsIn } from './sheets.ts';
export { circlesIn, widthForCircles } from './round.ts';
export { holderOf, capacityOf, faceOf, AREA_SHARE, type Holder } from './holder.ts';
export { fitOf } from './fit-of.ts';
export { type Fit } from './fit.ts';
export { closeCall, closeRoom, type CloseCall, SIZE_DOUBT, sideDoubt } from './close-call.ts';
export { stow } from './stow.ts';
export { type Contents, type Stowage, type StowedThing, type LaidStack, type Thing, type Standing } from './stowage.ts';
export {
  stowageOf,
  stowageWith,
  contentsOf,
  boxesIn,
  standingIn,
  emptyMassOf,
  massIn,
  standingMass,
  stowagesOf,
  contentsBySeason,
  massInUnit,
} from './contents.ts';
export { layOnFloor, freeAreas, type Area } from './floor.ts';
export {
  goesIn,
  goesInBeside,
  MOST_BESIDE,
  shoppingList,
  seatsFor,
  type GoesIn,
  type ShoppingRow,
  type Seat,
} from './organisers.ts';
export { type Piece, piecesIn } from './pieces.ts';
export { measureOf } from './measure.ts';
export { STORAGE, heldAs, storageFormsOf, type Held, type StorageFacts } from './storage.ts';
export { setInCommand, standInCommands, moveCommand } from './set-in.ts';
