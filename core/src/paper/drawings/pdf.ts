import { PDFDocument, type PDFPage, rgb } from 'pdf-lib';
import { type PlanHead } from '../../record/plan/index.ts';
import { type Faces, INK, Type } from '../type/index.ts';
import { extent, type Layer, type Mark, type Sheet } from './sheet.ts';

/** Paper in points, landscape: ISO 216 A4 210 × 297 mm; ANSI Letter 8.5 × 11 in. */
export const PAPERS = { a4: [841.89, 595.28], letter: [792, 612] } as const;
export type Paper = keyof typeof PAPERS;

export const POINTS_PER_MM = 72 / 25.4;
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
export type Measure = PlanHead['measure'];
/** What the print is checked against, mm. */
const CHECK = { metric: { mm: 1000, words: '1 m' }, imperial: { mm: 914.4, words: '3 ft' } } as const;
/** The same for what is drawn larger than 1 : 8. */
const CLOSE_CHECK = { metric: { mm: 200, words: '20 cm' }, imperial: { mm: 203.2, words: '8 in' } } as const;
const PAPER = rgb(1, 1, 1);
const STROKE: Record<Layer, number> = {
  walls: 2.2,
  openings: 0.9,
  fixtures: 0.6,
  units: 0.9,
  places: 0.4,
  containers: 0.4,
  things: 0.3,
  'floor-uses': 0.5,
  seats: 0.6,
  names: 0.3,
  lengths: 0.35,
};

/** Part of a page, points from its lower left corner. */
export type Area = { x: number; y: number; width: number; height: number };
/** A scale, 1 : n, and as it is said. */
export type Scale = { n: number; words: string };

/** The largest usual scale at which something of this size (mm) goes into an area. */
export function scaleIn(
  width: number,
  height: number,
  area: Pick<Area, 'width' | 'height'>,
  measure: Measure = 'metric',
): Scale {
  const scales = measure === 'metric' ? SCALES : FEET_SCALES;
  const free = [area.width / POINTS_PER_MM, area.height / POINTS_PER_MM] as const;
  return scales.find(({ n }) => width / n <= free[0] && height / n <= free[1]) ?? scales.at(-1)!;
}

/** What a drawing has of a page that is all its own. */
const wholeOf = (paper: Paper): Area => {
  const [width, height] = PAPERS[paper];
  return { x: MARGIN, y: MARGIN + 22, width: width - 2 * MARGIN, height: height - 2 * MARGIN - 34 };
};

/** The largest usual scale at which something of this size (mm) goes on the paper. */
export const scaleFor = (width: number, height: number, paper: Paper, measure: Measure = 'metric'): Scale =>
  scaleIn(width, height, wholeOf(paper), measure);

/** A print, and the letters its faces lack: a dot was printed for them. */
export type Printed = { bytes: Uint8Array; lacking: string[] };

/** Every word of some drawings. */
export const wordsOf = (sheets: readonly Sheet[]): string =>
  sheets
    .flatMap((s) => [
      s.title,
      ...s.marks.flatMap((m) => (m.kind === 'text' ? [m.text, ...(m.within?.ways ?? [])] : [])),
    ])
    .join(' ');

/**
 * Drawings to print, one a page, each at the largest usual scale that fits, with title, scale and a length to check the print by.
 * @param note a line at the foot of every page
 */
export async function toPdf(
  sheets: readonly Sheet[],
  paper: Paper,
  note: string,
  faces: Faces,
  measure: Measure = 'metric',
): Promise<Printed> {
  const pdf = await PDFDocument.create();
  const type = await Type.embed(pdf, faces, `${wordsOf(sheets)} ${note}`);
  const [, height] = PAPERS[paper];
  for (const sheet of sheets) {
    const page = pdf.addPage([...PAPERS[paper]]);
    const scale = drawOn(page, type, sheet, wholeOf(paper), measure);
    type.draw(page, `${sheet.title}, ${scale.words}`, { x: MARGIN, y: height - MARGIN - 4, size: 13 });
    scaleBar(page, type, scale, measure, { right: page.getWidth() - MARGIN, y: height - MARGIN });
    type.draw(page, note, { x: MARGIN, y: MARGIN - 12, size: 8 });
  }
  pdf.setTitle(sheets[0]?.title ?? 'Plan');
  // a plain table of contents, which old readers and printers understand too
  return { bytes: await pdf.save({ useObjectStreams: false }), lacking: [...type.lacking] };
}

/** A length to hold a rule against, its right end given in points: the shorter one where the longer takes more than half of a width. */
export function scaleBar(
  page: PDFPage,
  type: Type,
  { n }: Scale,
  measure: Measure,
  { right, y, width = Infinity }: { right: number; y: number; width?: number },
): void {
  const goesIn = (CHECK[measure].mm * POINTS_PER_MM) / n <= width / 2;
  const check = n > 8 && goesIn ? CHECK[measure] : CLOSE_CHECK[measure];
  const long = (check.mm * POINTS_PER_MM) / n;
  page.drawLine({ start: { x: right - long, y }, end: { x: right, y }, thickness: 1.2, color: INK });
  const size = 9;
  type.draw(page, check.words, { x: right - long / 2 - type.width(check.words, size) / 2, y: y - 11, size });
}

/**
 * Draws into part of a page, in its middle.
 * @param scale by default the largest usual one that fits
 * @returns the scale
 */
export function drawOn(page: PDFPage, type: Type, sheet: Sheet, area: Area, measure: Measure, scale?: Scale): Scale {
  const e = extent(sheet);
  const drawn = scale ?? scaleIn(e.right - e.left, e.top - e.bottom, area, measure);
  const k = POINTS_PER_MM / drawn.n;
  const left = area.x + (area.width - (e.right - e.left) * k) / 2;
  const bottom = area.y + (area.height - (e.top - e.bottom) * k) / 2;
  const at = (p: { x: number; y: number }) => ({ x: left + (p.x - e.left) * k, y: bottom + (p.y - e.bottom) * k });
  for (const mark of sheet.marks) {
    if (mark.kind === 'path') stroke(page, mark, at);
    else if (mark.within) sayWithin(page, type, mark, mark.within, at(mark.at), k);
    else {
      const size = Math.max(4.5, mark.size * k * 1.4);
      const half = type.width(mark.text, size) / 2;
      const [c, s] = [Math.cos((mark.angle * Math.PI) / 180), Math.sin((mark.angle * Math.PI) / 180)];
      const p = at(mark.at);
      type.draw(page, mark.text, {
        ...{ x: p.x - half * c + size * 0.35 * s, y: p.y - half * s - size * 0.35 * c },
        ...{ size, angle: mark.angle },
      });
    }
  }
  return drawn;
}

type Path = Extract<Mark, { kind: 'path' }>;
type Text = Extract<Mark, { kind: 'text' }>;
type At = (p: { x: number; y: number }) => { x: number; y: number };

function stroke(page: PDFPage, mark: Path, at: At): void {
  const points = mark.points.map(at);
  const thickness = STROKE[mark.layer];
  if (mark.fill !== undefined) {
    // boxes only are filled
    const xs = points.map((p) => p.x);
    const ys = points.map((p) => p.y);
    const [x, y] = [Math.min(...xs), Math.min(...ys)];
    page.drawRectangle({
      ...{ x, y, width: Math.max(...xs) - x, height: Math.max(...ys) - y },
      ...{ color: colourOf(mark.fill), borderColor: INK, borderWidth: thickness },
    });
    return;
  }
  const last = mark.closed ? points.length : points.length - 1;
  for (let i = 0; i < last; i++)
    page.drawLine({
      ...{ start: points[i]!, end: points[(i + 1) % points.length]!, thickness, color: INK },
      ...(mark.dashed ? { dashArray: [3, 2] } : {}),
    });
}

/** #rrggbb as a colour of the print. */
export function colourOf(hex: string): ReturnType<typeof rgb> {
  const n = Number.parseInt(hex.slice(1), 16);
  return rgb(((n >> 16) & 255) / 255, ((n >> 8) & 255) / 255, (n & 255) / 255);
}

/** Names on a drawing are set no smaller, points (own choice: what is read at arm’s length on a door). */
const LEAST_NAME = 5.5;
const MOST_NAME = 12;
const LINE = 1.12;
/** So much of the paper under a name covers what lies behind it, 0 … 1. */
export const PLATE = 0.78;

/** Says a name in the longest way that goes into its box, in lines, upright where that is the longer side; not at all where none does. */
function sayWithin(
  page: PDFPage,
  type: Type,
  mark: Text,
  { width, height, ways }: NonNullable<Text['within']>,
  middle: { x: number; y: number },
  k: number,
): void {
  const wanted = Math.min(MOST_NAME, Math.max(LEAST_NAME, mark.size * k * 1.4));
  const flat = [width * k - 3, height * k - 1.5, 0] as const;
  const turned = [height * k - 3, width * k - 1.5, 90] as const;
  const boxes = height > width * 1.5 ? [flat, turned] : [flat];
  for (const size of wanted > LEAST_NAME ? [wanted, (wanted + LEAST_NAME) / 2, LEAST_NAME] : [LEAST_NAME])
    for (const words of ways)
      for (const [wide, high, angle] of boxes) {
        const lines = type.width(words, size) <= wide ? [words] : type.lines(words, size, wide);
        const whole = lines.join(' ') === words && lines.every((l) => type.width(l, size) <= wide);
        if (!whole || lines.length * size * LINE > high) continue;
        return sayLines(page, type, lines, size, middle, angle);
      }
}

function sayLines(
  page: PDFPage,
  type: Type,
  lines: readonly string[],
  size: number,
  middle: { x: number; y: number },
  angle: 0 | 90,
): void {
  for (const [i, line] of lines.entries()) {
    const off = (i - (lines.length - 1) / 2) * size * LINE + size * 0.33;
    const half = type.width(line, size) / 2;
    const [x, y] = angle === 0 ? [middle.x - half, middle.y - off] : [middle.x + off, middle.y - half];
    // words are read on paper, whatever colour lies behind them
    const [w, h] = angle === 0 ? [2 * half + 2, size] : [size, 2 * half + 2];
    page.drawRectangle({
      ...{ x: angle === 0 ? x - 1 : x - size * 0.78, y: angle === 0 ? y - size * 0.22 : y - 1, width: w, height: h },
      ...{ color: PAPER, opacity: PLATE },
    });
    type.draw(page, line, { x, y, size, angle });
  }
}
