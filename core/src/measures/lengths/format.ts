import { gallonOf, type GallonRegion } from './gallons.ts';

/** How lengths are shown and how a bare number is read: centimetres, or inches with fractions. */
export type Measure = 'metric' | 'imperial';

/**
 * Shows a length with its unit: `41.3 cm`, or `16 1/4"` (nearest sixteenth).
 * @param mm millimetres
 */
export function formatLength(mm: number, measure: Measure): string {
  return `${formatNumberOnly(mm, measure)}${unitSuffix(measure)}`;
}

/** What follows a number shown by {@link formatNumberOnly}. */
export function unitSuffix(measure: Measure): string {
  return measure === 'metric' ? ' cm' : '"';
}

/** As {@link formatLength} without the unit, for columns headed by it. */
export function formatNumberOnly(mm: number, measure: Measure): string {
  if (measure === 'metric') return String(Number((mm / 10).toFixed(1)));
  const sixteenths = Math.round((Math.abs(mm) / 25.4) * 16);
  const sign = mm < 0 && sixteenths > 0 ? '-' : '';
  const whole = Math.floor(sixteenths / 16);
  let num = sixteenths % 16;
  if (num === 0) return `${sign}${whole}`;
  let den = 16;
  while (num % 2 === 0) {
    num /= 2;
    den /= 2;
  }
  return `${sign}${whole > 0 ? `${whole} ` : ''}${num}/${den}`;
}

/** One square foot in mm² (exact by definition: 25.4 mm an inch). */
const SQUARE_FOOT = 304.8 ** 2;

/** Shows an area with its unit: `0.12 m²`, `85 cm²`, or `1.3 sq ft`, `13 sq in`. @param mm2 square millimetres */
export function formatArea(mm2: number, measure: Measure): string {
  if (measure === 'metric')
    return Math.abs(mm2) < 1e4 ? `${Math.round(mm2 / 100)} cm²` : `${(mm2 / 1e6).toFixed(2)} m²`;
  const feet = mm2 / SQUARE_FOOT;
  return Math.abs(feet) < 0.5 ? `${Math.round(feet * 144)} sq in` : `${feet.toFixed(1)} sq ft`;
}

/** In which measure things are said, and where, for quarts are not the same everywhere: the head of a plan. */
export type Said = { measure: Measure; region: GallonRegion };

/** Shows a volume with its unit: `3.4 l`, or `3.6 qt`, US or imperial. @param digits behind the point; one where nothing is said, two where it is less than one */
export function formatVolume(litres: number, { measure, region }: Said, digits?: number): string {
  const amount = measure === 'metric' ? litres : litres / (gallonOf(region).litres / 4);
  const shown = amount.toFixed(digits ?? (amount > 0 && amount < 1 ? 2 : 1));
  return `${shown} ${measure === 'metric' ? 'l' : 'qt'}`;
}

/** How far one goes: `5.8 m`, or `19 ft`. @param mm millimetres */
export const formatDistance = (mm: number, measure: Measure): string =>
  measure === 'metric' ? `${(mm / 1000).toFixed(1)} m` : `${Math.round(mm / 304.8)} ft`;

/** A thickness too small for the tape: `0.27 mm`, or `0.011"`. @param mm millimetres */
export const formatThin = (mm: number, measure: Measure): string =>
  measure === 'metric' ? `${mm.toFixed(2)} mm` : `${(mm / 25.4).toFixed(3)}"`;
