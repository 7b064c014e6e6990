export { shelfSag, shelfCarries, STIFFNESS, CREEP, SAG_LIMIT, GRAVITY, type Shelf } from './shelf.ts';
export { tipping, CHILD_MASS, FASTEN_FROM, type TippingUnit } from './tipping.ts';
export { circuitRating, MAINS } from './mains.ts';
