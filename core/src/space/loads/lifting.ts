export type Coupling = 'good' | 'fair' | 'poor';
export type Lift = {
  /** hands before the ankles, mm */
  horizontal: number;
  /** hands above the floor, mm */
  vertical: number;
  /** how far up or down it travels, mm */
  travel: number;
  /** twist, degrees */
  twist: number;
  coupling: Coupling;
  /** from the tables for frequency and duration; 1 for a lift every five minutes or less often within an hour */
  frequency?: number;
};

/** Load constant, kg (revised NIOSH lifting equation, 1991; Applications Manual 94-110, memory). */
export const LOAD_CONSTANT = 23;

const COUPLING: Record<Coupling, [low: number, high: number]> = { good: [1, 1], fair: [0.95, 1], poor: [0.9, 0.9] };

/** The multipliers of the revised NIOSH equation (1991, memory), metric form. */
export function liftMultipliers(lift: Lift) {
  const h = Math.max(250, lift.horizontal) / 10;
  const v = lift.vertical / 10;
  const d = Math.max(250, lift.travel) / 10;
  return {
    hm: h > 63 ? 0 : 25 / h,
    vm: v > 175 ? 0 : 1 - 0.003 * Math.abs(v - 75),
    dm: d > 175 ? 0 : 0.82 + 4.5 / d,
    am: lift.twist > 135 ? 0 : 1 - 0.0032 * lift.twist,
    fm: lift.frequency ?? 1,
    cm: COUPLING[lift.coupling][v < 75 ? 0 : 1],
  };
}

/** Recommended weight limit, kg. */
export function liftLimit(lift: Lift): number {
  const { hm, vm, dm, am, fm, cm } = liftMultipliers(lift);
  return LOAD_CONSTANT * hm * vm * dm * am * fm * cm;
}
