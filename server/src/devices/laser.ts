/** What the meter shows: the distance in mm as it measured it. */
export type LaserReading = { mm: number };

/** Twice the standard deviation of a common hand-held meter, mm (common practice: about 2 mm). */
const TYPICAL_ERROR = 2;

/**
 * A stand-in for a laser measure: pointed at something `distance` mm away it shows that with a small normally distributed error,
 * to the whole millimetre and never below 1.
 * @param random numbers in [0, 1), for tests
 */
export function laserMeasure(random: () => number = Math.random): (distance: number) => LaserReading {
  return (distance) => {
    // Box–Muller: two even numbers give one normal one
    const spread = Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
    return { mm: Math.max(1, Math.round(distance + (spread * TYPICAL_ERROR) / 2)) };
  };
}
