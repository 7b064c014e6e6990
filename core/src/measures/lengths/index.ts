export { parseLength, parseLengths, plainFractions, type ParsedLength } from './parse.ts';
export { inMeasure } from './in-measure.ts';
export { parseWeight, formatWeight, type ParsedWeight } from './weight.ts';
export {
  formatArea,
  formatDistance,
  formatLength,
  formatNumberOnly,
  formatThin,
  formatVolume,
  unitSuffix,
  type Measure,
  type Said,
} from './format.ts';
export { gallonOf } from './gallons.ts';
