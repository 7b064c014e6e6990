export { fitBlocks, type BlockFit, type Block, type Cavity } from './blocks.ts';
export { fitSheets, caliperOf, sheetMass, type SheetFit } from './sheets.ts';
export { fitSupply, pieceOf, type Fit } from './supply.ts';
