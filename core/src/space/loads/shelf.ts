import { type BoardKind } from '../../record/catalogue/index.ts';
import { type Place, type Unit } from '../../record/plan/index.ts';

/** Standard gravity, m/s² (ISO 80000-3; CGPM 1901). */
export const GRAVITY = 9.80665;

/** Modulus of elasticity, GPa. Wood ones after the Wood Handbook (memory); steel sheet 200 (common handbook value, memory). */
export const STIFFNESS: Record<BoardKind, number> = { particleboard: 2.4, mdf: 3.4, plywood: 8, pine: 9, metal: 200 };
/** What a lasting load makes of the first sag (docs/computation.md 8.1; Wood Handbook on creep, memory). */
export const CREEP = 2;
/** The eye sees a shelf sag beyond a six-hundredth of its span: 0.02 in a foot (common practice). */
export const SAG_LIMIT = 1 / 600;

export type Shelf = { board: BoardKind; thickness: number; depth: number; span: number };

/**
 * Sag in mm at the middle of a shelf that lies loose on its two ends under an even load: 5 w L⁴ / (384 E I).
 * @param shelf sizes in mm
 * @param load g, over the whole span
 * The board’s own weight is not in it (common practice: shelves are judged by what is put on them).
 * @returns sag at once and after the load has lain for long (× {@link CREEP})
 */
export function shelfSag(shelf: Shelf, load: number): { first: number; lasting: number; limit: number } {
  const { span, depth, thickness, board } = shelf;
  const newtonsPerMm = ((load / 1000) * GRAVITY) / span;
  const inertia = (depth * thickness ** 3) / 12;
  const first = (5 * newtonsPerMm * span ** 4) / (384 * STIFFNESS[board] * 1000 * inertia);
  return { first, lasting: first * CREEP, limit: span * SAG_LIMIT };
}

/** The lasting load (g) at which a shelf just reaches its limit. */
export function shelfCarries(shelf: Shelf): number {
  const { lasting, limit } = shelfSag(shelf, 1000);
  return (1000 * limit) / lasting;
}

/** The shelf that the contents of a place lie on, held at its two ends; null: they lie on none that could sag. */
export function shelfUnder(unit: Unit, place: Place): Shelf | null {
  if (unit.mount === 'away' || (place.kind !== 'shelf' && place.kind !== 'cubby')) return null;
  // the lowest board of what stands on the floor lies on its plinth
  if (unit.mount === 'floor' && place.bottom <= 150) return null;
  return { board: unit.board, thickness: unit.thickness, depth: place.depth, span: place.width };
}
