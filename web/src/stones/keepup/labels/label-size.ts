import { fitted, PT } from '@heronstone/core/labels';

/** How wide a letter is on average, of its size (own measurement of the text face, bold). */
const LETTER = 0.56;

/** As large as words may be to stand in a box as they do on paper, mm; letters are taken as equally wide. */
export const sizeFor = (words: string, width: number, height: number, most: number): number =>
  fitted(words, (line, size) => line.length * LETTER * size, width, height, most * PT).size / PT;
