/**
 * Litres of a gallon, and how many fluid ounces it has. The US one is 231 cubic inches (15 USC 205, from memory), 128 of them; the imperial one, of Britain and
 * Australia, 4.54609 l (Weights and Measures Act 1985, schedule 1, from memory), 160. Of either four quarts and eight pints.
 */
const GALLONS = {
  us: { litres: (231 * 25.4 ** 3) / 1e6, ounces: 128 },
  imperial: { litres: 4.54609, ounces: 160 },
} as const;
const GALLON_OF = { eu: 'us', us: 'us', uk: 'imperial', au: 'imperial' } as const;
export type GallonRegion = keyof typeof GALLON_OF;

/** The gallon that people mean where they live. Who says gallons where there are none means the US one. */
export const gallonOf = (region: GallonRegion): { litres: number; ounces: number } => GALLONS[GALLON_OF[region]];
