/**
 * Words that not every maker knows, in words that every maker does. What is said of lux and of colours far apart is common practice; the codes are those
 * of MTM-1 (from memory), as docs/computation.md says.
 */
export const EXPLANATIONS = {
  lux: 'Lux: how much light falls on the work. A lamp in the ceiling gives 100 to 200, a good lamp close by 500, a bright window a few thousand. Fine work and matching colours want 500 and more.',
  deltaE:
    'How far two colours are apart for the eye (CIEDE2000). Below 1 nobody tells them apart; up to 2 or 3 only side by side; from 5 on at a glance.',
  motionCodes:
    'Each line is one motion of hand or body, with its code and seconds as tables of motion times have them. R reach, G grasp, M move, P put in place, RL let go, with inches in between; EF the eyes find it; TB turn, B bend, S stoop, AB and AS up again; SS step aside, W with a number of paces; STD stand up, SIT sit down.',
} as const;
export type Term = keyof typeof EXPLANATIONS;
