/** What lies in the plane and is of a known size: its first side and the one after it, mm. */
export type KnownSize = { width: number; height: number };

/**
 * Things of a size that everybody has at home, upright as they are named: A4 (ISO 216), Letter (ANSI/ASME Y14.1, 8.5 × 11 in), a bank card
 * (ISO/IEC 7810 ID-1, from memory).
 */
export const KNOWN = {
  a4: { name: 'A4', width: 210, height: 297 },
  letter: { name: 'Letter', width: 215.9, height: 279.4 },
  card: { name: 'a bank card', width: 85.6, height: 53.98 },
} as const satisfies Record<string, KnownSize & { name: string }>;
export type Known = keyof typeof KNOWN;
