/** Air between stacked sheets (docs/sources.md, 5). */
export const LOOSENESS = 1.05;

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

/** How many sheets lie in a pile of some height, mm. */
export const sheetsIn = (height: number, caliper: number): number => Math.floor(height / (caliper * LOOSENESS) + 1e-9);
