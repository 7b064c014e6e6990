import { create } from 'qrcode';
import { PDFDocument, type PDFPage } from 'pdf-lib';
import { CHECK_LINE, CODE_SQUARE, codesOf, cornerWords, KNOWN, type SheetPaper } from '../../measures/picture/index.ts';
import { type Faces, INK, Type } from '../type/index.ts';
import { POINTS_PER_MM, type Printed } from './pdf.ts';

const WORDS = {
  title: 'Measuring sheet',
  how: [
    'Lay it flat where you measure: in the drawer, on the shelf, against the front or the wall.',
    'Take the picture from above, all of the sheet in it, the whole of what you measure round it.',
    'What stands higher than the sheet looks larger: lay the sheet as high as what you measure, where you can.',
  ],
  check: (paper: SheetPaper) =>
    `Printed at 100 % this line is ${CHECK_LINE} mm (5.91 in) long, and the paper ${KNOWN[paper].name}. Hold a ruler to it.`,
} as const;

/** The measuring sheet to print: a code of known size in every corner, and a line that a ruler is held to. Positions as `codesOf` has them. */
export async function measuringSheet(paper: SheetPaper, faces: Faces): Promise<Printed> {
  const { width, height } = KNOWN[paper];
  const pdf = await PDFDocument.create();
  const type = await Type.embed(pdf, faces, [WORDS.title, ...WORDS.how, WORDS.check(paper), '0123456789'].join(' '));
  const page = pdf.addPage([width * POINTS_PER_MM, height * POINTS_PER_MM]);
  // y of paper goes down, that of PDF up
  const at = (x: number, y: number) => ({ x: x * POINTS_PER_MM, y: (height - y) * POINTS_PER_MM });
  codesOf(paper).forEach((corner, i) => code(page, cornerWords(paper, i), corner, at));
  const say = (words: string, y: number, size: number) =>
    type.draw(page, words, {
      ...at(width / 2, y),
      x: (width * POINTS_PER_MM - type.width(words, size)) / 2,
      size,
    });
  say(WORDS.title, height / 2 - 34, 20);
  WORDS.how.forEach((line, i) => say(line, height / 2 - 22 + i * 6, 9));
  const [left, y] = [(width - CHECK_LINE) / 2, height / 2 + 16];
  const line = (x1: number, y1: number, x2: number, y2: number) =>
    page.drawLine({ start: at(x1, y1), end: at(x2, y2), thickness: 0.6, color: INK });
  line(left, y, left + CHECK_LINE, y);
  for (let mm = 0; mm <= CHECK_LINE; mm += 5) line(left + mm, y, left + mm, y - (mm % 10 === 0 ? 4 : 2));
  for (let mm = 0; mm <= CHECK_LINE; mm += 50) {
    const words = String(mm / 10);
    type.draw(page, words, { ...at(left + mm, y + 4), x: at(left + mm, 0).x - type.width(words, 8) / 2, size: 8 });
  }
  say(WORDS.check(paper), y + 12, 9);
  pdf.setTitle(WORDS.title);
  return { bytes: await pdf.save({ useObjectStreams: false }), lacking: [...type.lacking] };
}

/** A code as squares of its own, level Q: a quarter of it may lie in shadow. */
function code(
  page: PDFPage,
  words: string,
  corner: { x: number; y: number },
  at: (x: number, y: number) => { x: number; y: number },
): void {
  const { modules } = create(words, { errorCorrectionLevel: 'Q', version: 1 });
  for (let row = 0; row < modules.size; row++)
    for (let column = 0; column < modules.size;) {
      if (!modules.data[row * modules.size + column]) {
        column++;
        continue;
      }
      const from = column;
      while (column < modules.size && modules.data[row * modules.size + column]) column++;
      page.drawRectangle({
        ...at(corner.x + from * CODE_SQUARE, corner.y + (row + 1) * CODE_SQUARE),
        width: (column - from) * CODE_SQUARE * POINTS_PER_MM,
        height: CODE_SQUARE * POINTS_PER_MM,
        color: INK,
      });
    }
}
