export { shelfSag, shelfCarries, shelfUnder, STIFFNESS, CREEP, SAG_LIMIT, GRAVITY, type Shelf } from './shelf.ts';
export { tipping, CHILD_MASS, FASTEN_FROM, type TippingUnit } from './tipping.ts';
export { liftLimit, liftMultipliers, LOAD_CONSTANT, type Lift, type Coupling } from './lifting.ts';
export { circuitRating, MAINS } from './mains.ts';
