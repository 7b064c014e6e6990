import { type Cavity } from './blocks.ts';

export type SheetFit = {
  fits: number;
  frontage: number;
  stacks: number;
  /** sheets in one stack of the full inside height */
  perStack: number;
  /** how much deeper the place is than the sheet, mm: beyond a little, a stop is wanted at the back */
  spareDepth: number;
};

/** Air between stacked sheets (docs/computation.md 5.1). */
const LOOSENESS = 1.05;
const MARGIN = 2;

/**
 * Thickness of one sheet in mm from its grammage (g/m²) and density (kg/m³; ordinary paper 800, common practice).
 */
export function caliperOf(grammage: number, density = 800): number {
  return grammage / density;
}

/** Mass of one sheet, g, from sizes in mm and grammage in g/m². */
export function sheetMass(width: number, depth: number, grammage: number): number {
  return (width * depth * grammage) / 1e6;
}

/**
 * Sheets lying flat: the way round that takes the least frontage.
 * @param caliper thickness of one sheet, mm
 * @returns null when the sheet does not lie in the place
 */
export function fitSheets(
  cavity: Cavity,
  width: number,
  depth: number,
  caliper: number,
  wanted: number,
): SheetFit | null {
  const perStack = Math.floor(cavity.height / (caliper * LOOSENESS) + 1e-9);
  if (perStack < 1) return null;
  let best: SheetFit | null = null;
  for (const [w, d] of [
    [width, depth],
    [depth, width],
  ] as const) {
    const columns = Math.floor((cavity.width + 1e-9) / (w + 2 * MARGIN));
    if (columns < 1 || d > cavity.depth) continue;
    const stacks = Math.min(columns, Math.max(1, Math.ceil(wanted / perStack)));
    const fit = {
      fits: columns * perStack,
      frontage: stacks * (w + 2 * MARGIN),
      stacks,
      perStack,
      spareDepth: cavity.depth - d,
    };
    if (!best || (fit.fits >= wanted && (best.fits < wanted || fit.frontage < best.frontage))) best = fit;
  }
  return best;
}
