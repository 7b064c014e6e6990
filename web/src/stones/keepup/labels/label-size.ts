/** How wide a letter is on average, of its size (own measurement of the text face, bold). */
const LETTER = 0.56;
const STEP = 0.25;
/** Smaller nothing is read at arm’s length, mm. */
const LEAST = 1.6;

/** How many lines words take at a size, none broken within; Infinity: one of them is too wide. */
function linesOf(words: string, width: number, size: number): number {
  const most = Math.floor(width / (LETTER * size));
  let [lines, used] = [1, 0];
  for (const word of words.split(/\s+/)) {
    if (word.length > most) return Infinity;
    const more = used === 0 ? word.length : used + 1 + word.length;
    if (more <= most) used = more;
    else [lines, used] = [lines + 1, word.length];
  }
  return lines;
}

/** As large as words may be to stand in a box, mm; down to what can still be read. */
export function sizeFor(words: string, width: number, height: number, most: number): number {
  let size = most;
  while (size - STEP >= LEAST && linesOf(words, width, size) * size * 1.1 > height) size -= STEP;
  return size;
}
