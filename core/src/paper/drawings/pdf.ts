import type { PDFPage } from 'pdf-lib';
import { degrees, PDFDocument, type PDFFont, rgb, StandardFonts } from 'pdf-lib';
import { type PlanHead } from '../../record/plan/index.ts';
import { extent, type Layer, type Sheet } from './sheet.ts';

/** Paper in points, landscape: ISO 216 A4 210 × 297 mm; ANSI Letter 8.5 × 11 in. */
export const PAPERS = { a4: [841.89, 595.28], letter: [792, 612] } as const;
export type Paper = keyof typeof PAPERS;

const POINTS_PER_MM = 72 / 25.4;
const MARGIN = 36;
/** Scales one finds on a rule (ISO 5455), and 1 : 30 between. */
const SCALES = [5, 10, 20, 25, 30, 50, 100, 200, 500].map((n) => ({ n, words: `1 : ${n}` }));
/** Scales of a rule in feet and inches: so much of an inch for a foot (architect's rule, common practice). */
const FEET_SCALES = [
  ['3', 4],
  ['1 1/2', 8],
  ['1', 12],
  ['3/4', 16],
  ['1/2', 24],
  ['3/8', 32],
  ['1/4', 48],
  ['3/16', 64],
  ['1/8', 96],
  ['1/16', 192],
].map(([inch, n]) => ({ n: n as number, words: `${inch} in = 1 ft` }));
type Measure = PlanHead['measure'];
/** What the print is checked against, mm. */
const CHECK = { metric: { mm: 1000, words: '1 m' }, imperial: { mm: 914.4, words: '3 ft' } } as const;
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

/** The largest usual scale (1 : n, and as it is said) at which something of this size (mm) goes on the paper. */
export function scaleFor(
  width: number,
  height: number,
  paper: Paper,
  measure: Measure = 'metric',
): { n: number; words: string } {
  const [w, h] = PAPERS[paper];
  const free = [(w - 2 * MARGIN) / POINTS_PER_MM, (h - 2 * MARGIN - 34) / POINTS_PER_MM] as const;
  const scales = measure === 'metric' ? SCALES : FEET_SCALES;
  return scales.find(({ n }) => width / n <= free[0] && height / n <= free[1]) ?? scales.at(-1)!;
}

/**
 * Drawings to print, one a page, each at the largest usual scale that fits, with title, scale and a length to check the print by.
 * @param note a line at the foot of every page
 */
export async function toPdf(
  sheets: readonly Sheet[],
  paper: Paper,
  note: string,
  measure: Measure = 'metric',
): Promise<Uint8Array> {
  const pdf = await PDFDocument.create();
  const font = await pdf.embedFont(StandardFonts.Helvetica);
  const known = new Set(font.getCharacterSet());
  // the standard fonts know Latin letters only; what they cannot print becomes a question mark instead of stopping the print
  const printable = (words: string) => [...words].map((c) => (known.has(c.codePointAt(0)!) ? c : '?')).join('');
  for (const sheet of sheets)
    onPage(pdf.addPage([...PAPERS[paper]]), font, sheet, paper, measure, printable(note), printable);
  pdf.setTitle(sheets[0]?.title ?? 'Plan');
  // a plain table of contents, which old readers and printers understand too
  return pdf.save({ useObjectStreams: false });
}

function onPage(
  page: PDFPage,
  font: PDFFont,
  sheet: Sheet,
  paper: Paper,
  measure: Measure,
  note: string,
  printable: (words: string) => string,
): void {
  const e = extent(sheet);
  const scale = scaleFor(e.right - e.left, e.top - e.bottom, paper, measure);
  const k = POINTS_PER_MM / scale.n;
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
  page.drawText(printable(`${sheet.title}, ${scale.words}`), {
    x: MARGIN,
    y: height - MARGIN - 4,
    size: 13,
    font,
    color: INK,
  });
  // a length to hold a rule against
  const check = CHECK[measure];
  const long = check.mm * k;
  const from = { x: width - MARGIN - long, y: height - MARGIN };
  page.drawLine({ start: from, end: { x: from.x + long, y: from.y }, thickness: 1.2, color: INK });
  page.drawText(check.words, { x: from.x + long / 2 - 7, y: from.y - 11, size: 9, font, color: INK });
  page.drawText(note, { x: MARGIN, y: MARGIN - 12, size: 8, font, color: INK });
}
