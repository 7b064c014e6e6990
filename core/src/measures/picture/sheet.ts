import { type Point } from '../geometry/index.ts';
import { KNOWN } from './known.ts';

/** Papers the measuring sheet is printed on. */
export const SHEET_PAPERS = ['a4', 'letter'] as const;
export type SheetPaper = (typeof SHEET_PAPERS)[number];

/** Squares along a side of the smallest code (ISO/IEC 18004 version 1, from memory), and how large one is printed, mm. */
export const CODE_SQUARES = 21;
export const CODE_SQUARE = 2;
const CODE_SIDE = CODE_SQUARES * CODE_SQUARE;
/** From the edge of the paper to a code: what printers leave white, and a code’s own margin, mm. */
const EDGE = 12;
/** The line that a ruler is laid to, mm. */
export const CHECK_LINE = 150;

/** What a code in a corner of the sheet says: which paper, and which corner, round from the upper left. */
export const cornerWords = (paper: SheetPaper, corner: number): string =>
  `HERON:M:${paper === 'a4' ? 'A4' : 'LETTER'}:${corner + 1}`;

/** Which corner of which sheet a code is; null: it is none of them. */
export function readCorner(text: string): { paper: SheetPaper; corner: number } | null {
  const m = /^HERON:M:(A4|LETTER):([1-4])$/.exec(text);
  return m ? { paper: m[1] === 'A4' ? 'a4' : 'letter', corner: Number(m[2]) - 1 } : null;
}

/** Upper left corners of the four codes on the upright sheet, mm from its upper left. */
export function codesOf(paper: SheetPaper): Point[] {
  const { width, height } = KNOWN[paper];
  const [right, low] = [width - EDGE - CODE_SIDE, height - EDGE - CODE_SIDE];
  return [
    { x: EDGE, y: EDGE },
    { x: right, y: EDGE },
    { x: right, y: low },
    { x: EDGE, y: low },
  ];
}

/** Middles of the three squares in squares by which a code is found, mm on the sheet. */
export function findersOf(paper: SheetPaper, corner: number): Point[] {
  const at = codesOf(paper)[corner]!;
  const [near, far] = [3.5 * CODE_SQUARE, (CODE_SQUARES - 3.5) * CODE_SQUARE];
  return [
    { x: at.x + near, y: at.y + near },
    { x: at.x + far, y: at.y + near },
    { x: at.x + near, y: at.y + far },
  ];
}
