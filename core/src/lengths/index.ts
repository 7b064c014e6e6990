export { parseLength, parseLengths, type ParsedLength } from './parse.ts';
export { formatLength, formatNumberOnly, unitSuffix, type Measure } from './format.ts';
