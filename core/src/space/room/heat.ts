import { type Heat } from '../../record/plan/index.ts';

/**
 * How far what burns keeps off a heater, mm; 0: it does not glow. Portable heaters, open fires and stoves three feet (NFPA and CPSC advice, memory);
 * electric ones fixed to the wall a foot (their manuals commonly, memory; its own comes first).
 */
export const BURNS_OFF: Record<Heat, number> = { portable: 914, fire: 914, electric: 305, water: 0 };

/** The farthest of them, mm. */
export const MOST_OFF = Math.max(...Object.values(BURNS_OFF));

/** Air a radiator of hot water wants before and above it to give its warmth, mm (common practice). */
export const AIR = 100;

/** As high over a radiator what lies there is dried by it, mm (own assumption). */
export const DRIES = 500;

/** What a heater is called. */
export const HEAT_WORDS: Record<Heat, string> = {
  portable: 'portable heater',
  water: 'radiator of hot water',
  electric: 'electric, on the wall',
  fire: 'open fire or stove',
};
