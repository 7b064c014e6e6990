/** Points to a millimetre. */
export const PT = 72 / 25.4;

/** How wide words are at a size, points. */
export type Measuring = (words: string, size: number) => number;

/** Smaller nothing is read at arm’s length, points (own assumption). */
const LEAST = 5;

/** Words broken into lines, as large as they go into a box (mm); at the least size what does not fit is cut off with dots. */
export function fitted(
  words: string,
  widthOf: Measuring,
  width: number,
  height: number,
  most: number,
): { size: number; lines: string[] } {
  for (let size = most; ; size -= 0.5) {
    const lines = broken(words, widthOf, width * PT, size);
    const fits = lines.length * size * 1.15 <= height * PT && lines.every((l) => widthOf(l, size) <= width * PT);
    if (fits) return { size, lines };
    if (size > LEAST) continue;
    const rows = Math.max(1, Math.floor((height * PT) / (LEAST * 1.15)));
    const kept = lines.slice(0, rows);
    let last = kept.at(-1) ?? '';
    if (lines.length > rows) last = `${last} …`;
    while (last.length > 1 && widthOf(last, LEAST) > width * PT) last = `${last.replace(/ ?…$/, '').slice(0, -1)}…`;
    kept[kept.length - 1] = last;
    return { size: LEAST, lines: kept.map((l) => clipped(l, widthOf, width * PT)) };
  }
}

function clipped(line: string, widthOf: Measuring, width: number): string {
  let out = line;
  while (out.length > 1 && widthOf(out, LEAST) > width) out = out.slice(0, -1);
  return out;
}

function broken(words: string, widthOf: Measuring, width: number, size: number): string[] {
  const lines: string[] = [];
  let line = '';
  for (const word of words.split(/\s+/)) {
    const longer = line === '' ? word : `${line} ${word}`;
    if (line !== '' && widthOf(longer, size) > width) {
      lines.push(line);
      line = word;
    } else line = longer;
  }
  return line === '' ? lines : [...lines, line];
}
