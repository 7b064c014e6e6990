import { expect, test } from '@jest/globals';
import { CHECK_LINE, CODE_SQUARE, CODE_SQUARES, codesOf, KNOWN, SHEET_PAPERS } from '../../measures/picture/index.ts';
import { faces } from '../../testing/faces.ts';
import { measuringSheet } from './index.ts';

const MM = 25.4 / 72;

test.each(SHEET_PAPERS)(
  'the measuring sheet on %s, measured back from the PDF by an independent reader: to 0.2 mm',
  async (paper) => {
    const { getDocument, OPS, VerbosityLevel } = await import('pdfjs-dist/legacy/build/pdf.mjs');
    const { bytes, lacking } = await measuringSheet(paper, faces());
    expect(lacking).toEqual([]);
    const pdf = await getDocument({ data: bytes, verbosity: VerbosityLevel.ERRORS }).promise;
    expect(pdf.numPages).toBe(1);
    const page = await pdf.getPage(1);
    const [, , width, height] = page.view as [number, number, number, number];
    expect(Math.abs(width * MM - KNOWN[paper].width)).toBeLessThan(0.2);
    expect(Math.abs(height * MM - KNOWN[paper].height)).toBeLessThan(0.2);
    const { fnArray, argsArray } = await page.getOperatorList();
    const boxes: { left: number; right: number; top: number; low: number }[] = [];
    let at = { x: 0, y: 0 };
    fnArray.forEach((op, i) => {
      if (op === OPS.save) at = { x: 0, y: 0 };
      if (op === OPS.transform) {
        const t = argsArray[i] as number[];
        if (t[4] !== 0 || t[5] !== 0) at = { x: t[4]!, y: t[5]! };
      }
      if (op !== OPS.constructPath) return;
      const flat = Array.from(argsArray[i][1] as number[]);
      const xs = flat.filter((_, k) => k % 2 === 0).map((x) => (x + at.x) * MM);
      const ys = flat.filter((_, k) => k % 2 === 1).map((y) => (height - y - at.y) * MM);
      boxes.push({ left: Math.min(...xs), right: Math.max(...xs), top: Math.min(...ys), low: Math.max(...ys) });
    });
    const side = CODE_SQUARE * CODE_SQUARES;
    for (const corner of codesOf(paper)) {
      const mine = boxes.filter(
        (b) =>
          b.left > corner.x - 1 && b.right < corner.x + side + 1 && b.top > corner.y - 1 && b.low < corner.y + side + 1,
      );
      expect(mine.length).toBeGreaterThan(60);
      expect(Math.abs(Math.min(...mine.map((b) => b.left)) - corner.x)).toBeLessThan(0.2);
      expect(Math.abs(Math.max(...mine.map((b) => b.right)) - corner.x - side)).toBeLessThan(0.2);
      expect(Math.abs(Math.min(...mine.map((b) => b.top)) - corner.y)).toBeLessThan(0.2);
      expect(Math.abs(Math.max(...mine.map((b) => b.low)) - corner.y - side)).toBeLessThan(0.2);
    }
    const longest = Math.max(...boxes.filter((b) => b.low - b.top < 0.1).map((b) => b.right - b.left));
    expect(Math.abs(longest - CHECK_LINE)).toBeLessThan(0.2);
    const words = (await page.getTextContent()).items.map((t) => ('str' in t ? t.str : '')).join(' ');
    expect(words).toContain('Hold a ruler to it');
  },
);
