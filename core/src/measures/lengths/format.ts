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
