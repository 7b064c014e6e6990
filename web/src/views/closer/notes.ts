import { type Leaf, type Place } from '@heronstone/core/plan';

/** A note is no higher, mm (own choice: two lines that are read at arm’s length). */
const NOTE = 140;
/** Left free beside a note, as a share of the leaf. */
const EDGE = 0.08;

/**
 * The notes on the inside of a door, each before what it is of.
 * @returns boxes in mm from the left edge of the leaf and the foot of the unit
 */
export function notesOn(leaf: Leaf): { place: Place; box: { x: number; y: number; width: number; height: number } }[] {
  return leaf.places
    .filter((p) => p.label === 'inside')
    .map((place) => {
      const height = Math.min(NOTE, place.height * 0.7);
      return {
        place,
        box: {
          ...{ x: leaf.width * EDGE, width: leaf.width * (1 - 2 * EDGE) },
          ...{ y: place.bottom + (place.height - height) / 2, height },
        },
      };
    });
}

/** A note has no more lines. */
const LINES = 2;

/**
 * What a note says: the longest of some ways to say it that goes on it, broken between words.
 * @param letters so many go on a line, and so many lines on the note
 * @returns null where none does
 */
export function wordsOn(ways: readonly string[], letters: number, lines: number): string[] | null {
  for (const way of ways) {
    const broken: string[] = [];
    for (const word of way.split(' ')) {
      const longer = broken.length === 0 ? word : `${broken.at(-1)} ${word}`;
      if (broken.length > 0 && longer.length <= letters) broken[broken.length - 1] = longer;
      else broken.push(word);
    }
    if (broken.length <= Math.min(LINES, lines) && broken.every((l) => l.length <= letters)) return broken;
  }
  return null;
}
