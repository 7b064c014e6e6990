import { type Region } from '../../record/plan/index.ts';

/** What one socket circuit gives: amperes, volts, and the share of it that may run for three hours and more (memory; local code first). */
export const MAINS: Record<Region, { amps: number; volts: number; lasting: number; words: string }> = {
  us: { amps: 15, volts: 120, lasting: 0.8, words: '15 A at 120 V, 80 % of it for three hours and more' },
  uk: { amps: 13, volts: 230, lasting: 1, words: '13 A at 230 V' },
  eu: { amps: 16, volts: 230, lasting: 1, words: '16 A at 230 V' },
  au: { amps: 10, volts: 230, lasting: 1, words: '10 A at 230 V' },
};

/** Watts a circuit may carry for as long as a session lasts (minutes). */
export function circuitRating(region: Region, minutes: number): number {
  const { amps, volts, lasting } = MAINS[region];
  return amps * volts * (minutes >= 180 ? lasting : 1);
}
