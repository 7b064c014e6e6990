export {
  HUE_FAMILIES,
  type HueFamily,
  toneOf,
  type Tone,
  colourDifference,
  isWarm,
  webColour,
  colourOf,
} from './hue.ts';
export { type Order, type Coloured, compareBy, isInOrder } from './order.ts';
export { slotsFor, layRow, insertInto, type Wanted, type Slots, type Placed } from './row.ts';
export { nearestColours } from './nearest.ts';
export { colourBeside } from './from-picture.ts';
