import { type Motion, SECONDS_PER_TMU } from '../../space/reach/index.ts';

/** What something asks of a body: time, and what makes one tired. */
export type Toll = {
  seconds: number;
  paces: number;
  /** on wheels, m */
  wheeled: number;
  /** bends, stoops and kneelings; a lean is half of one */
  bends: number;
  /** up onto a step */
  climbs: number;
  /** drawers, doors, lids opened */
  opened: number;
  /** lifted, kg */
  kilos: number;
};

export const NO_TOLL: Toll = { seconds: 0, paces: 0, wheeled: 0, bends: 0, climbs: 0, opened: 0, kilos: 0 };
export const TOLLS = Object.keys(NO_TOLL) as (keyof Toll)[];

/** Two tolls, the second so many times. */
export function plus(a: Toll, b: Toll, times = 1): Toll {
  const sum = { ...a };
  for (const key of TOLLS) sum[key] += b[key] * times;
  return sum;
}

const BENDS: Record<string, number> = { B: 1, '½B': 0.5, S: 1, KBK: 1 };

/**
 * The toll of some motions, read off their codes.
 * @param opened covers opened on the way
 * @param mass what is in the hand, g
 */
export function tollOf(motions: readonly Motion[], opened: number, mass: number): Toll {
  const toll = { ...NO_TOLL, opened, kilos: mass / 1000 };
  for (const { code, tmu, text } of motions) {
    toll.seconds += tmu * SECONDS_PER_TMU;
    toll.bends += BENDS[code] ?? 0;
    if (code === 'STEP' && text === 'climb up') toll.climbs++;
    for (const [, paces] of code.matchAll(/(?:^| )W(\d+)P/g)) toll.paces += Number(paces);
    const [, cm] = /^WH(\d+)$/.exec(code) ?? [];
    if (cm) toll.wheeled += Number(cm) / 100;
  }
  return toll;
}
