import { CATALOGUE } from '../../record/catalogue/index.ts';
import { angleBetween, distance, heading, type Point, prismFootprint } from '../../measures/geometry/index.ts';
import { compartmentsOf, type Plan, type Unit } from '../../record/plan/index.ts';
import { type Maker } from './maker.ts';
import { type Spot } from './spot.ts';
import { unitPrism } from '../room/index.ts';

/** A stretch of the ribbon: bearing in degrees from straight ahead, right positive, `from` < `to`, within −180 … 180. */
export type Stretch = { from: number; to: number };

/** Something seen from the seat: one stretch, or two where it is cut at “behind”. Heights in mm. */
export type Seen = { stretches: Stretch[]; low: number; high: number; away: number; front: boolean };

/** The stretch between two points as seen from the seat, cut in two where it passes behind. */
export function stretchesBetween(
  seat: Point,
  facing: number,
  left: Point,
  right: Point,
): { stretches: Stretch[]; front: boolean } {
  const a = angleBetween(facing, heading(seat, left));
  const span = angleBetween(heading(seat, left), heading(seat, right));
  const from = span >= 0 ? a : a + span;
  return { stretches: cut(from, from + Math.abs(span)), front: span > 0 };
}

/** A stretch in degrees from ahead, cut in two where it passes behind. */
export function cut(from: number, to: number): Stretch[] {
  if (from < -180) return [{ from: from + 360, to: 180 }, ...(to > -180 ? [{ from: -180, to }] : [])];
  if (to > 180)
    return [
      { from, to: 180 },
      { from: -180, to: to - 360 },
    ];
  return [{ from, to }];
}

export function seePlace(maker: Maker, facing: number, spot: Spot): Seen {
  const { stretches, front } = stretchesBetween(maker.seat, facing, spot.left, spot.right);
  const middle = { x: (spot.left.x + spot.right.x) / 2, y: (spot.left.y + spot.right.y) / 2 };
  return { stretches, front, low: spot.low, high: spot.high, away: distance(maker.seat, middle) };
}

/** A unit's whole width as seen from the seat; a table only as the slab of its top. */
export function seeUnit(maker: Maker, facing: number, unit: Unit): Seen {
  const corners = prismFootprint(unitPrism(unit));
  const towards = heading(maker.seat, unit);
  const offs = corners.map((c) => angleBetween(towards, heading(maker.seat, c)));
  const mid = angleBetween(facing, towards);
  const slab = CATALOGUE[unit.kind].worktop && unit.kind === 'worktable';
  return {
    stretches: cut(mid + Math.min(...offs), mid + Math.max(...offs)),
    front: true,
    low: slab ? unit.bottom + unit.height - 30 : unit.bottom,
    high: unit.bottom + unit.height,
    away: Math.min(...corners.map((c) => distance(maker.seat, c))),
  };
}

/**
 * The units that have places, in the order in which they stand around the seat: by the bearing of their middle, from the far left over straight ahead to
 * behind; at one bearing the nearest first.
 */
export function unitsAround(plan: Plan, maker: Maker): Unit[] {
  return Object.values(plan.units)
    .filter((u) => u.mount !== 'away' && compartmentsOf(plan, u.id).length > 0)
    .map((unit) => ({
      unit,
      bearing: angleBetween(maker.seat.heading, heading(maker.seat, unit)),
      away: distance(maker.seat, unit),
    }))
    .sort((a, b) => a.bearing - b.bearing || a.away - b.away || (a.unit.id < b.unit.id ? -1 : 1))
    .map(({ unit }) => unit);
}

/** Of some units the one that stands most nearly straight ahead where the maker looks (`facing`, degrees); null: there is none. */
export function mostAhead(units: readonly Unit[], maker: Maker, facing: number): Unit | null {
  const aside = (unit: Unit) => Math.abs(angleBetween(facing, heading(maker.seat, unit)));
  return units.reduce<Unit | null>((best, unit) => (best === null || aside(unit) < aside(best) ? unit : best), null);
}
