import type { PDFPage } from 'pdf-lib';
import { degrees, PDFDocument, type PDFFont, rgb, StandardFonts } from 'pdf-lib';
import { extent, type Layer, type Sheet } from './sheet.ts';

/** Paper in points, landscape: ISO 216 A4 210 × 297 mm; ANSI Letter 8.5 × 11 in. */
export const PAPERS = { a4: [841.89, 595.28], letter: [792, 612] } as const;
export type Paper = keyof typeof PAPERS;

const POINTS_PER_MM = 72 / 25.4;
const MARGIN = 36;
/** Scales one finds on a rule (ISO 5455), and 1 : 30 between. */
const SCALES = [5, 10, 20, 25, 30, 50, 100, 200, 500];
const INK = rgb(0.14, 0.2, 0.23);
const STROKE: Record<Layer, number> = {
  walls: 2.2,
  openings: 0.9,
  fixtures: 0.6,
  units: 0.9,
  places: 0.4,
  'floor-uses': 0.5,
  seats: 0.6,
  lengths: 0.35,
};

/** The largest usual scale (as n of 1 : n) at which something of this size (mm) goes on the paper. */
export function scaleFor(width: number, height: number, paper: Paper): number {
  const [w, h] = PAPERS[paper];
  const free = [(w - 2 * MARGIN) / POINTS_PER_MM, (h - 2 * MARGIN - 34) / POINTS_PER_MM] as const;
  return SCALES.find((s) => width / s <= free[0] && height / s <= free[1]) ?? SCALES.at(-1)!;
}

/**
 * Drawings to print, one a page, each at the largest usual scale that fits, with title, scale and a length to check the print by.
 * @param note a line at the foot of every page
 */
export async function toPdf(sheets: readonly Sheet[], paper: Paper, note: string): Promise<Uint8Array> {
  const pdf = await PDFDocument.create();
  const font = await pdf.embedFont(StandardFonts.Helvetica);
  const known = new Set(font.getCharacterSet());
  // the standard fonts know Latin letters only; what they cannot print becomes a question mark instead of stopping the print
  const printable = (words: string) => [...words].map((c) => (known.has(c.codePointAt(0)!) ? c : '?')).join('');
  for (const sheet of sheets) onPage(pdf.addPage([...PAPERS[paper]]), font, sheet, paper, printable(note), printable);
  pdf.setTitle(sheets[0]?.title ?? 'Plan');
  // a plain table of contents, which old readers and printers understand too
  return pdf.save({ useObjectStreams: false });
}

function onPage(
  page: PDFPage,
  font: PDFFont,
  sheet: Sheet,
  paper: Paper,
  note: string,
  printable: (words: string) => string,
): void {
  const e = extent(sheet);
  const scale = scaleFor(e.right - e.left, e.top - e.bottom, paper);
  const k = POINTS_PER_MM / scale;
  const [width, height] = PAPERS[paper];
  const left = (width - (e.right - e.left) * k) / 2;
  const bottom = MARGIN + 22 + (height - 2 * MARGIN - 34 - (e.top - e.bottom) * k) / 2;
  const at = (p: { x: number; y: number }) => ({ x: left + (p.x - e.left) * k, y: bottom + (p.y - e.bottom) * k });
  for (const mark of sheet.marks) {
    if (mark.kind === 'path') {
      const points = mark.points.map(at);
      const last = mark.closed ? points.length : points.length - 1;
      for (let i = 0; i < last; i++)
        page.drawLine({
          start: points[i]!,
          end: points[(i + 1) % points.length]!,
          thickness: STROKE[mark.layer],
          color: INK,
          ...(mark.dashed ? { dashArray: [3, 2] } : {}),
        });
      continue;
    }
    const words = printable(mark.text);
    const size = Math.max(4.5, mark.size * k * 1.4);
    const half = font.widthOfTextAtSize(words, size) / 2;
    const c = Math.cos((mark.angle * Math.PI) / 180);
    const s = Math.sin((mark.angle * Math.PI) / 180);
    const p = at(mark.at);
    page.drawText(words, {
      x: p.x - half * c + size * 0.35 * s,
      y: p.y - half * s - size * 0.35 * c,
      size,
      font,
      color: INK,
      rotate: degrees(mark.angle),
    });
  }
  page.drawText(printable(`${sheet.title}, 1 : ${scale}`), {
    x: MARGIN,
    y: height - MARGIN - 4,
    size: 13,
    font,
    color: INK,
  });
  // one metre (or as much of it as is sensible) to hold a rule against
  const metre = 1000 * k;
  const from = { x: width - MARGIN - metre, y: height - MARGIN };
  page.drawLine({ start: from, end: { x: from.x + metre, y: from.y }, thickness: 1.2, color: INK });
  page.drawText('1 m', { x: from.x + metre / 2 - 7, y: from.y - 11, size: 9, font, color: INK });
  page.drawText(note, { x: MARGIN, y: MARGIN - 12, size: 8, font, color: INK });
}
