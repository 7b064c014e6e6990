/** The child of ASTM F2057-23, g (memory: 60 lb). */
export const CHILD_MASS = 27_000;
/** Storage furniture this tall is fastened to the wall, mm (ASTM F2057-23: 27 in, memory). */
export const FASTEN_FROM = 686;

export type TippingUnit = {
  /** outside depth, mm */
  depth: number;
  /** empty and without its drawers, g */
  mass: number;
  /** what lies in it and stays where it is when everything is open, g */
  inside: number;
  drawers: {
    /** contents with the drawer itself, g */
    mass: number;
    /** how far it comes out, and how deep it is inside, mm */
    pull: number;
    depth: number;
  }[];
  /** how far an open door's edge stands before the front, mm; 0 without doors */
  leaf: number;
};

/**
 * Moments about the front edge with every drawer open and loaded and a child's weight at the outermost edge (docs/computation.md 8.2,
 * after ASTM F2057-23 from memory). Masses in g, lengths in mm; moments in N·m.
 * @returns `safety` restoring over overturning; Infinity when nothing overturns. Below 1 it tips.
 */
export function tipping(unit: TippingUnit): { restoring: number; overturning: number; safety: number } {
  const newtonMetres = (gramMm: number) => (gramMm * 9.80665) / 1e6;
  let restoring = (unit.mass + unit.inside) * (unit.depth / 2);
  let overturning = 0;
  for (const d of unit.drawers) {
    // middle of the open drawer before (positive) or behind the front edge
    const arm = d.pull - d.depth / 2;
    if (arm > 0) overturning += d.mass * arm;
    else restoring += d.mass * -arm;
  }
  const edge = Math.max(unit.leaf, ...unit.drawers.map((d) => d.pull), 0);
  overturning += CHILD_MASS * edge;
  return {
    restoring: newtonMetres(restoring),
    overturning: newtonMetres(overturning),
    safety: overturning === 0 ? Infinity : restoring / overturning,
  };
}
