export { fitBlocks, type BlockFit, type Block, type Cavity } from './blocks.ts';
export { fitSheets, caliperOf, sheetMass, type SheetFit } from './sheets.ts';
export { fitSupply, pieceOf, type Fit } from './supply.ts';
export { goesIn, shoppingList, PLAY, type GoesIn, type ShoppingRow } from './organisers.ts';
export { packPlace, type Inside, type Stack } from './pack.ts';
