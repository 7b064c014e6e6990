import { describe, expect, test } from '@jest/globals';
import jsQR from 'jsqr';
import { StandardFonts, PDFDocument } from 'pdf-lib';
import { type Command } from '../../record/plan/index.ts';
import { faces } from '../../testing/faces.ts';
import { applied, block, home, tinyRoom, unit, use, withUnits } from '../../testing/index.ts';
import { foundAgainIn } from '../../living/homes/index.ts';
import {
  codeOf,
  fitted,
  LABEL_STOCKS,
  labelRun,
  labelsPdf,
  placeLabel,
  qrOf,
  QUIET,
  readCode,
  stockTrouble,
  supplyLabel,
} from './index.ts';

const FACES = faces();

const MM = 25.4 / 72;
const outside: Command = { type: 'setPlan', set: { labels: 'outside' } };
const room = (...more: Command[]) =>
  applied(
    withUnits(tinyRoom({ standing: true }), unit('lowChest', { id: 'chest', x: 3000, y: 4200 })),
    {
      type: 'addSupplies',
      supplies: [block({ id: 'a', name: 'Ink pads', family: 'Inks' }), block({ id: 'b', name: 'Stamps' })],
    },
    home('a', 'chest.0.0'),
    home('b', 'chest.1.0'),
    { type: 'addUse', use: use('a', 4) },
    ...more,
  );

describe('label sheets', () => {
  test('every sheet is within its paper; labels that overlap or reach over the edge are told', () => {
    for (const stock of LABEL_STOCKS) expect([stock.id, stockTrouble(stock)]).toEqual([stock.id, null]);
    expect(new Set(LABEL_STOCKS.map((s) => s.id)).size).toBe(LABEL_STOCKS.length);
    const [one] = LABEL_STOCKS;
    expect(stockTrouble({ ...one!, across: 60 })).toMatch(/overlap/);
    expect(stockTrouble({ ...one!, rows: 8 })).toMatch(/lower edge/);
    expect(stockTrouble({ ...one!, left: 20 })).toMatch(/right edge/);
  });

  test('measured back from the PDF by an independent reader (pdfjs-dist): every label where the sheet has it, to 0.5 mm', async () => {
    const { getDocument, OPS, VerbosityLevel } = await import('pdfjs-dist/legacy/build/pdf.mjs');
    for (const stock of LABEL_STOCKS) {
      const each = stock.columns * stock.rows;
      const label = { ...placeLabel(room(), room().places['chest.0.0']!), contents: [], name: 'X', copies: each + 1 };
      const { bytes: data } = await labelsPdf([label], stock, FACES, { lines: true });
      const pdf = await getDocument({ data, verbosity: VerbosityLevel.ERRORS }).promise;
      expect(pdf.numPages).toBe(2);
      const page = await pdf.getPage(1);
      const [, , width, height] = page.view as [number, number, number, number];
      expect([Math.round(width * MM), Math.round(height * MM)]).toEqual(stock.paper === 'a4' ? [210, 297] : [216, 279]);
      const { fnArray, argsArray } = await page.getOperatorList();
      const boxes: { x: number; y: number; w: number; h: number }[] = [];
      // each outline is moved to its corner first
      let at = { x: 0, y: 0 };
      fnArray.forEach((op, i) => {
        if (op === OPS.transform) {
          const t = argsArray[i] as number[];
          if (t[4] !== 0 || t[5] !== 0) at = { x: t[4]!, y: t[5]! };
        }
        if (op !== OPS.constructPath) return;
        const flat = Array.from(argsArray[i][1] as number[]);
        const xs = flat.filter((_, k) => k % 2 === 0);
        const ys = flat.filter((_, k) => k % 2 === 1);
        boxes.push({ x: at.x, y: at.y, w: Math.max(...xs) - Math.min(...xs), h: Math.max(...ys) - Math.min(...ys) });
      });
      expect(boxes).toHaveLength(each);
      boxes.forEach((box, k) => {
        const left = stock.left + (k % stock.columns) * stock.across;
        const top = stock.top + Math.floor(k / stock.columns) * stock.down;
        expect(Math.abs(box.x * MM - left)).toBeLessThan(0.5);
        expect(Math.abs((height - box.y) * MM - (top + stock.height))).toBeLessThan(0.5);
        expect(Math.abs(box.w * MM - stock.width)).toBeLessThan(0.5);
        expect(Math.abs(box.h * MM - stock.height)).toBeLessThan(0.5);
      });
      const texts = (await page.getTextContent()).items.flatMap((t) =>
        'str' in t && t.str === 'X' ? [t.transform as number[]] : [],
      );
      expect(texts).toHaveLength(each);
    }
  });

  test('labels begin behind those used already; letters the faces lack stop nothing and are told; a long text goes in', async () => {
    const { getDocument, VerbosityLevel } = await import('pdfjs-dist/legacy/build/pdf.mjs');
    const stock = LABEL_STOCKS[0]!;
    const label = { ...placeLabel(room(), room().places['chest.0.0']!), name: '引き出し '.repeat(30) };
    const { bytes: data, lacking } = await labelsPdf([label, label], stock, FACES, { skip: 20 });
    expect(lacking.join('')).toBe('引き出し');
    const pdf = await getDocument({ data, verbosity: VerbosityLevel.ERRORS }).promise;
    expect(pdf.numPages).toBe(2);
    const font = await (await PDFDocument.create()).embedFont(StandardFonts.Helvetica);
    for (const words of ['Spar connectors', 'a'.repeat(200), 'many words '.repeat(60)]) {
      const { size, lines } = fitted(words, (w, s) => font.widthOfTextAtSize(w, s), 50, 12, 20);
      expect(lines.length * size * 1.15).toBeLessThanOrEqual((12 / MM) * 1.001);
      for (const line of lines) expect(font.widthOfTextAtSize(line, size)).toBeLessThanOrEqual(50 / MM);
    }
  });

  test('a code is read back by an independent decoder (jsqr) at the size of the smallest label, drawn at 300 dots an inch', () => {
    const smallest = Math.min(...LABEL_STOCKS.map((s) => s.height)) - 4;
    const dots = Math.round((smallest / 25.4) * 300);
    for (const id of ['chest.0.0', 'parts-tray.right.2.0.1.d3', 'x'.repeat(40)]) {
      const text = codeOf({ kind: 'place', id });
      const code = qrOf(text);
      const whole = code.size + 2 * QUIET;
      const pixels = new Uint8ClampedArray(dots * dots * 4).fill(255);
      for (let y = 0; y < dots; y++)
        for (let x = 0; x < dots; x++) {
          const [c, r] = [Math.floor((x * whole) / dots) - QUIET, Math.floor((y * whole) / dots) - QUIET];
          if (c < 0 || r < 0 || c >= code.size || r >= code.size || !code.dark[r * code.size + c]) continue;
          pixels.fill(0, (y * dots + x) * 4, (y * dots + x) * 4 + 3);
        }
      const read = (jsQR as unknown as { default?: typeof jsQR }).default ?? jsQR;
      expect(read(pixels, dots, dots)?.data).toBe(text);
      expect(readCode(text)).toEqual({ kind: 'place', id });
    }
    expect(readCode('https://example.org')).toBeNull();
    expect(readCode('HERON:P:')).toBeNull();
  });
});

describe('what is on a label', () => {
  test('its own words, else the name of the place or the one family in it; contents; a note on trial says since when', () => {
    const plan = room();
    const place = plan.places['chest.0.0']!;
    expect(placeLabel(plan, { ...place, labelWords: 'Pads' }).name).toBe('Pads');
    expect(placeLabel(plan, place, ['name', 'contents'])).toMatchObject({ name: 'Ink pads', contents: [] });
    expect(placeLabel(plan, place, ['contents'])).toMatchObject({ name: '', contents: ['Ink pads'] });
    const more = ['c', 'd', 'e'].map((id) => block({ id, name: `Pad ${id}`, family: 'Inks' }));
    const full = applied(plan, { type: 'addSupplies', supplies: more }, ...more.map((s) => home(s.id, 'chest.0.0')));
    expect(placeLabel(full, place).name).toBe('Inks');
    const mixed = applied(full, { type: 'setSupply', id: 'e', set: { family: 'Other' } });
    expect(placeLabel(mixed, place).name).toBe('Inks and Pad e');
    expect(placeLabel(plan, plan.places['chest.2.0']!).name).toMatch(/drawer 3/);
    expect(placeLabel(plan, { ...place, label: 'trial', labelSince: '2026-11-01' }).since).toBe('2026-11-01');
    expect(placeLabel(plan, { ...place, labelSides: ['front', 'left', 'right'] }).copies).toBe(3);
  });

  test('what belongs together carries the same dots', () => {
    const plan = room({ type: 'addTie', tie: { id: 't', name: '', dots: [1, 4], supplyIds: ['a', 'b'] } });
    expect(supplyLabel(plan, plan.supplies.a!).dots).toEqual([[1, 4]]);
    expect(supplyLabel(plan, plan.supplies.b!).dots).toEqual([[1, 4]]);
    expect(placeLabel(plan, plan.places['chest.1.0']!, ['name', 'dots']).dots).toEqual([[1, 4]]);
  });
});

describe('the label run', () => {
  test('says for each place what a label saves: labelling them all saves just that', () => {
    const plan = room(outside);
    const { stops, saves } = labelRun(plan);
    expect(stops.map((s) => s.place.id).sort()).toEqual(['chest.0.0', 'chest.1.0']);
    expect(stops[0]!.among).toBeGreaterThan(1);
    const looking = (p: typeof plan) =>
      [...foundAgainIn(p).of.values()].reduce((sum, a) => sum + a.year + a.unlabelled, 0);
    expect(saves).toBeGreaterThan(0);
    const then = applied(
      plan,
      ...stops.map((s): Command => ({ type: 'setPlace', id: s.place.id, set: { label: 'trial' } })),
    );
    expect(saves).toBeCloseTo(looking(plan) - looking(then), 6);
    expect(labelRun(then)).toEqual({ stops: [], saves: 0 });
    expect(labelRun(room())).toEqual({ stops: [], saves: 0 });
  });
});
