import { PDFDocument, type PDFImage, type PDFPage, rgb } from 'pdf-lib';
import { colourOf, PAPERS, type Printed } from '../drawings/index.ts';
import { type Faces, INK, Type } from '../type/index.ts';
import { dayWords } from '../../keeping/upkeep/index.ts';
import { qrOf, qrPath, QUIET } from './code.ts';
import { DOT_PATHS, DOTS } from './dots.ts';
import { fitted, PT } from './fitting.ts';
import { type LabelStock } from './stocks.ts';
import { type LabelText } from './wording.ts';

const PAD = 2;

/** Room a code takes at most of a label’s width, and a square of it at least, mm (own assumption; a phone reads 0.4 mm at a hand’s length). */
const CODE_SHARE = 0.42;

type Print = { page: PDFPage; type: Type };

/**
 * Labels on sheets: each label as often as it has sides, from the first free one on. Positions are those of the sheet to the tenth of a millimetre.
 * @param skip so many labels of the first sheet have been used already
 * @param photos JPEG of the pictures that labels show, by hash; one that is missing is left out
 * @param lines cutting lines round every label, for plain paper
 */
export async function labelsPdf(
  labels: readonly LabelText[],
  stock: LabelStock,
  faces: Faces,
  { skip = 0, lines = false, photos = new Map<string, Uint8Array>() } = {},
): Promise<Printed> {
  const pdf = await PDFDocument.create();
  const words = labels.flatMap((l) => [l.name, ...l.contents]).join(' ');
  const type = await Type.embed(pdf, faces, words);
  const pictures = new Map<string, PDFImage>();
  for (const [hash, bytes] of photos) pictures.set(hash, await pdf.embedJpg(bytes));
  const [a, b] = PAPERS[stock.paper];
  const paper: [number, number] = [Math.min(a, b), Math.max(a, b)];
  const each = stock.columns * stock.rows;
  let page: PDFPage | null = null;
  let n = skip % each;
  for (const label of labels)
    for (let copy = 0; copy < label.copies; copy++) {
      if (page === null || n % each === 0) page = pdf.addPage(paper);
      const at = n % each;
      const x = stock.left + (at % stock.columns) * stock.across;
      const y = stock.top + Math.floor(at / stock.columns) * stock.down;
      const box = { x, y, width: stock.width, height: stock.height, top: paper[1] };
      drawLabel({ page, type }, label, box, pictures, lines);
      n++;
    }
  if (page === null) pdf.addPage(paper);
  pdf.setTitle('Labels');
  return { bytes: await pdf.save({ useObjectStreams: false }), lacking: [...type.lacking] };
}

type Box = { x: number; y: number; width: number; height: number; /** height of the page, pt */ top: number };

/**
 * One label in its box.
 * @param pictures embedded already, by hash; one that is missing is left out
 * @param lines a cutting line round it
 */
export function drawLabel(
  { page, type }: Print,
  label: LabelText,
  box: Box,
  pictures: ReadonlyMap<string, PDFImage>,
  lines: boolean,
): void {
  if (lines)
    page.drawRectangle({
      ...{ x: box.x * PT, y: box.top - (box.y + box.height) * PT, width: box.width * PT, height: box.height * PT },
      ...{ borderColor: rgb(0.6, 0.6, 0.6), borderWidth: 0.4, borderDashArray: [2, 2] },
    });
  const inner = { x: box.x + PAD, y: box.y + PAD, width: box.width - 2 * PAD, height: box.height - 2 * PAD };
  const down = (mm: number) => box.top - mm * PT;
  let right = inner.x + inner.width;
  if (label.code !== null) {
    const code = qrOf(label.code);
    const side = Math.min(inner.height, inner.width * CODE_SHARE);
    const square = side / (code.size + 2 * QUIET);
    page.drawSvgPath(qrPath(code), {
      ...{ x: (right - side + QUIET * square) * PT, y: down(inner.y + QUIET * square), scale: square * PT },
      ...{ color: rgb(0, 0, 0), borderWidth: 0 },
    });
    right -= side + 1;
  }
  const picture = label.photo === null ? undefined : pictures.get(label.photo);
  let left = inner.x;
  if (picture) {
    const side = Math.min(inner.height, (right - left) * 0.45);
    const scale = Math.min(side / picture.width, side / picture.height);
    const [w, h] = [picture.width * scale, picture.height * scale];
    page.drawImage(picture, { x: left * PT, y: down(inner.y + h), width: w * PT, height: h * PT });
    left += w + 1.5;
  }
  // swatches and dots stand in a strip below the words
  const strip = label.swatches.length > 0 || label.dots.length > 0 ? Math.min(5, inner.height * 0.24) : 0;
  let at = left;
  for (const colour of label.swatches) {
    if (at + strip > right) break;
    page.drawRectangle({
      ...{ x: at * PT, y: down(inner.y + inner.height), width: strip * PT, height: strip * PT },
      ...{ color: colourOf(colour), borderColor: INK, borderWidth: 0.3 },
    });
    at += strip + 0.6;
  }
  for (const dots of label.dots) {
    for (const d of dots) {
      const dot = DOTS[d];
      if (!dot || at + strip > right) continue;
      page.drawSvgPath(DOT_PATHS[dot.shape], {
        ...{
          x: at * PT,
          y: down(inner.y + inner.height - strip),
          scale: strip * PT,
          color: colourOf(dot.colour),
          borderWidth: 0,
        },
      });
      at += strip + 0.4;
    }
    at += 1.5;
  }
  const room = { width: right - left, height: inner.height - strip - (strip > 0 ? 1 : 0) };
  let y = inner.y;
  if (label.name !== '') {
    const share = label.contents.length > 0 ? 0.45 : 1;
    const { size, lines } = fitted(label.name, type.measuring('bold'), room.width, room.height * share, 26);
    for (const line of lines) {
      y += (size * 1.05) / PT;
      type.draw(page, line, { x: left * PT, y: down(y) + size * 0.22, size, weight: 'bold' });
    }
  }
  if (label.since !== null) {
    const size = 6;
    type.draw(page, `${SINCE} ${dayWords(label.since)}`, { x: left * PT, y: down(inner.y + room.height), size });
    room.height -= size / PT + 0.6;
  }
  if (label.contents.length > 0) {
    const { size, lines } = fitted(
      label.contents.join(', '),
      type.measuring('regular'),
      room.width,
      room.height - (y - inner.y),
      11,
    );
    for (const line of lines) {
      y += (size * 1.15) / PT;
      type.draw(page, line, { x: left * PT, y: down(y) + size * 0.22, size });
    }
  }
}

const SINCE = 'on trial since';
