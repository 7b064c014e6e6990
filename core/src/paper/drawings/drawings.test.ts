import { describe, expect, test } from '@jest/globals';
import { DOMParser } from '@xmldom/xmldom';
import { interpolate, wcagContrast } from 'culori';
import DxfParser from 'dxf-parser';
import { PDFDocument } from 'pdf-lib';
import { BY_TAPE, blankFixture } from '../../record/plan/index.ts';
import { faces } from '../../testing/faces.ts';
import { INK } from '../type/index.ts';
import { applied, tinyRoom, unit, withUnits } from '../../testing/index.ts';
import { drawAll, drawFloor, drawWall, extent, PAPERS, scaleFor, toDxf, toPdf, toSvg } from './index.ts';
import { PLATE } from './pdf.ts';

const FACES = faces();

const plan = applied(
  withUnits(
    tinyRoom(),
    unit('lowChest', { name: 'Chest & <co>', x: 225, y: 3000, facing: 90 }),
    unit('wallShelves', { x: 3000, y: 5890, facing: 180 }),
  ),
  {
    type: 'addOpening',
    opening: {
      id: 'door',
      wallId: 'w3',
      kind: 'door',
      left: 2500,
      width: 900,
      sill: 0,
      head: 2000,
      hinge: 'left',
      swing: 'in',
      ...BY_TAPE,
    },
  },
);
const numbers = (text: string) =>
  text
    .trim()
    .split(/[\s,]+/)
    .map(Number);
const spans = (points: number[][]) =>
  [0, 1].map((i) => Math.max(...points.map((p) => p[i]!)) - Math.min(...points.map((p) => p[i]!)));

describe('SVG (read by @xmldom/xmldom)', () => {
  test('names hold nothing that XML has no place for (XML 1.0, Char)', () => {
    const text = toSvg(drawFloor({ ...plan, head: { ...plan.head, name: 'A\ufffe\uffff\u0001\ud800 & <b>' } }));

    expect(text).not.toMatch(/[\ufffe\uffff\u0000-\u0008\u000e-\u001f]|\p{Cs}/u);
    expect(text).toContain('A &#38; &#60;b&#62;');
  });

  const read = (scale?: number) => new DOMParser().parseFromString(toSvg(drawFloor(plan), scale), 'image/svg+xml');
  const group = (id: string) => [...read().getElementsByTagName('g')].find((g) => g.getAttribute('id') === id)!;

  test('walls and furniture have their true sizes in millimetres', () => {
    const walls = [...group('walls').getElementsByTagName('polygon')].map((p) => numbers(p.getAttribute('points')!));
    const pairs = walls[0]!.flatMap((x, i, all) => (i % 2 === 0 ? [[x, all[i + 1]!]] : []));
    expect(spans(pairs)).toEqual([6000, 6000]);
    const chest = [...group('units').getElementsByTagName('polygon')].map((p) => {
      const n = numbers(p.getAttribute('points')!);
      return spans(n.flatMap((x, i, all) => (i % 2 === 0 ? [[x, all[i + 1]!]] : []))).map(Math.round);
    });
    expect(chest).toContainEqual([450, 900]);
  });

  test('printed, it is to scale: its width in paper millimetres times the scale is the width of its box', () => {
    for (const scale of [20, 50]) {
      const svg = read(scale).documentElement!;
      const [, , width, height] = numbers(svg.getAttribute('viewBox')!);
      expect(Number.parseFloat(svg.getAttribute('width')!) * scale).toBeCloseTo(width!, 0);
      expect(Number.parseFloat(svg.getAttribute('height')!) * scale).toBeCloseTo(height!, 0);
      expect(svg.getAttribute('width')).toMatch(/mm$/);
    }
  });

  test('names with marks of their own do not break it', () => {
    const texts = [...read().getElementsByTagName('text')].map((t) => t.textContent);
    expect(texts).toContain('Chest & <co>');
  });
});

describe('DXF (read by dxf-parser)', () => {
  const parse = (text: string) => new DxfParser().parseSync(text)!;
  type Line = { type: string; layer: string; vertices?: { x: number; y: number }[]; text?: string; shape?: boolean };

  test('Floor: in millimetres, each thing on its layer, the walls 6 × 6 m', () => {
    const dxf = parse(toDxf(drawFloor(plan)));
    expect(dxf.header.$INSUNITS).toBe(4);
    const entities = dxf.entities as unknown as Line[];
    const wall = entities.find((e) => e.layer === 'walls')!;
    expect(wall.type).toBe('LWPOLYLINE');
    expect(spans(wall.vertices!.map((v) => [v.x, v.y]))).toEqual([expect.closeTo(6000, 6), expect.closeTo(6000, 6)]);
    expect(wall.shape).toBe(true);
    expect(entities.filter((e) => e.layer === 'units' && e.vertices).length).toBe(2);
    expect(entities.filter((e) => e.layer === 'lengths' && e.text).length).toBeGreaterThanOrEqual(4);
  });

  test('a wall front: openings and what hangs there, at their heights', () => {
    const south = parse(toDxf(drawWall(plan, 'w3')!)).entities as unknown as Line[];
    const door = south.find((e) => e.layer === 'openings' && e.vertices)!;
    expect(spans(door.vertices!.map((v) => [v.x, v.y]))).toEqual([900, 2000]);
    expect(Math.min(...door.vertices!.map((v) => v.x))).toBe(2500);
    const north = parse(toDxf(drawWall(plan, 'w1')!)).entities as unknown as Line[];
    const shelves = north.find((e) => e.layer === 'units' && e.vertices)!;
    expect(Math.min(...shelves.vertices!.map((v) => v.y))).toBe(1200);
  });
});

describe('what a person who drills marks out', () => {
  const words = (sheet: ReturnType<typeof drawWall>) =>
    sheet!.marks.flatMap((m) => (m.kind === 'text' ? [m.text] : []));
  const fitted = applied(
    withUnits(
      plan,
      unit('wallBoard', { id: 'board', name: 'Board', x: 60, y: 2000, facing: 90, bottom: 1100, width: 900 }),
    ),
    {
      type: 'addFixture',
      fixture: { ...blankFixture('sock', 'socket'), wallId: 'w0', left: 1230, bottom: 317, width: 80, height: 80 },
    },
  );

  test('wall fronts: sockets, boards, doors from the left corner and from the floor, each with its line', () => {
    const west = drawWall(fitted, 'w0');
    // wall 0 runs north: the board of 900 mm at y = 2000 begins 1550 mm from its left corner
    for (const text of ['123 cm', '131 cm', '31.7 cm', '155 cm', '245 cm', '110 cm'])
      expect(words(west)).toContain(text);
    const ticks = west!.marks.filter((m) => m.kind === 'path' && m.layer === 'lengths' && m.dashed);
    const at = (axis: 'x' | 'y', mm: number) =>
      ticks.some((m) => m.kind === 'path' && m.points.every((p) => Math.abs(p[axis] - mm) < 0.01));
    expect(at('x', 1230)).toBe(true);
    expect(at('y', 317)).toBe(true);
    expect(at('y', 1100)).toBe(true);
    const south = words(drawWall(fitted, 'w3'));
    for (const text of ['250 cm', '340 cm', '200 cm']) expect(south).toContain(text);
  });

  test('floor: free-standing units from the walls; nothing for what stands against one', () => {
    const chest = (x: number) =>
      words(drawFloor(withUnits(tinyRoom(), unit('lowChest', { x, y: 2000, facing: 90, width: 900, depth: 450 }))));
    expect(chest(225 + 380)).toEqual(expect.arrayContaining(['38 cm', '155 cm']));
    expect(chest(225)).toContain('155 cm');
    expect(chest(225).filter((t) => t === '0 cm')).toEqual([]);
  });

  test('in feet and inches: a scale of an architect’s rule and three feet to check by', async () => {
    expect(scaleFor(6000, 6000, 'letter', 'imperial')).toEqual({ n: 48, words: '1/4 in = 1 ft' });
    expect(scaleFor(1200, 500, 'letter', 'imperial').words).toBe('1 1/2 in = 1 ft');
    const { getDocument, VerbosityLevel } = await import('pdfjs-dist/legacy/build/pdf.mjs');
    const inches = applied(fitted, { type: 'setPlan', set: { measure: 'imperial' } });
    const { bytes: data } = await toPdf([drawFloor(inches)], 'letter', 'note', FACES, 'imperial');
    const page = await (await getDocument({ data, verbosity: VerbosityLevel.ERRORS }).promise).getPage(1);
    const texts = (await page.getTextContent()).items.map((item) => ('str' in item ? item.str : ''));
    expect(texts).toContain('3 ft');
    expect(texts.join(' ')).toMatch(/in = 1 ft/);
    expect(texts.join(' ')).not.toMatch(/\d (cm|mm|m)\b/);
  });
});

describe('PDF', () => {
  test('one page each for Floor and the four walls, on A4 (ISO 216: 210 × 297 mm) and Letter (8.5 × 11 in), landscape', async () => {
    for (const [paper, w, h] of [
      ['a4', (297 / 25.4) * 72, (210 / 25.4) * 72],
      ['letter', 11 * 72, 8.5 * 72],
    ] as const) {
      const pdf = await PDFDocument.load((await toPdf(drawAll(plan), paper, 'note', FACES)).bytes);
      expect(pdf.getPageCount()).toBe(5);
      const { width, height } = pdf.getPage(0).getSize();
      expect(width).toBeCloseTo(w, 1);
      expect(height).toBeCloseTo(h, 1);
    }
  });

  test('read by pdfjs-dist: title, scale and lengths are text; the walls are as long as 1 : n says', async () => {
    const { getDocument, OPS, VerbosityLevel } = await import('pdfjs-dist/legacy/build/pdf.mjs');
    const sheet = drawFloor(plan);
    const { bytes: data } = await toPdf([sheet], 'a4', 'Check by the metre', FACES);
    const page = await (await getDocument({ data, verbosity: VerbosityLevel.ERRORS }).promise).getPage(1);
    const texts = (await page.getTextContent()).items.map((item) => ('str' in item ? item.str : ''));
    const e = extent(sheet);
    const scale = scaleFor(e.right - e.left, e.top - e.bottom, 'a4');
    expect(texts).toEqual(
      expect.arrayContaining([`${sheet.title}, ${scale.words}`, '600 cm', '1 m', 'Check by the metre']),
    );
    const { fnArray, argsArray } = await page.getOperatorList();
    const lengths = fnArray.flatMap((op, i) => {
      if (op !== OPS.constructPath) return [];
      const [x0, y0, x1, y1] = Array.from(argsArray[i][1] as number[]).slice(-4) as [number, number, number, number];
      return [Math.hypot(x1 - x0, y1 - y0)];
    });
    expect(Math.max(...lengths)).toBeCloseTo((6000 / scale.n / 25.4) * 72, 3);
  });

  test('Greek, Cyrillic, Vietnamese and Polish names are found again as text; letters the faces lack are told, and nothing stops', async () => {
    const { getDocument, VerbosityLevel } = await import('pdfjs-dist/legacy/build/pdf.mjs');
    for (const name of ['Χρώματα και ψαλίδι', 'Клей и ножницы', 'Kéo và giấy dó', 'Żółte nożyczki']) {
      const named = applied(plan, { type: 'setUnit', id: 'lowChest', set: { name } });
      const { bytes: data, lacking } = await toPdf([drawFloor(named)], 'a4', 'note', FACES);
      expect(lacking).toEqual([]);
      const page = await (await getDocument({ data, verbosity: VerbosityLevel.ERRORS }).promise).getPage(1);
      const said = (await page.getTextContent()).items.map((item) => ('str' in item ? item.str : '')).join('');
      expect(said.normalize('NFC')).toContain(name);
    }
    const named = applied(plan, { type: 'setUnit', id: 'lowChest', set: { name: '引き出し' } });
    expect((await toPdf(drawAll(named), 'letter', 'note', FACES)).lacking.sort()).toEqual([...'引き出し'].sort());
  });

  test('the largest usual scale that fits is taken', () => {
    expect(PAPERS.a4[0]).toBeGreaterThan(PAPERS.a4[1]);
    expect(scaleFor(2000, 1000, 'a4').n).toBe(10);
    expect(scaleFor(2800, 1000, 'a4').n).toBe(20);
    expect(scaleFor(13_000, 8000, 'a4').n).toBe(50);
    expect(scaleFor(13_700, 8000, 'a4').n).toBe(100);
  });
});

describe('names on paper', () => {
  test('are read on things of every colour: at least 4.5 : 1 (WCAG 2.2, 1.4.3; contrast and mixture by culori)', () => {
    const steps = ['00', '33', '66', '99', 'cc', 'ff'];
    const colours = steps.flatMap((r) => steps.flatMap((g) => steps.map((b) => `#${r}${g}${b}`)));
    const { red, green, blue } = INK as unknown as Record<'red' | 'green' | 'blue', number>;
    const ink = { mode: 'rgb', r: red, g: green, b: blue } as const;
    const low = colours.filter((c) => wcagContrast(ink, interpolate([c, '#ffffff'], 'rgb')(PLATE)) < 4.5);
    expect(low).toEqual([]);
    // without the paper under them they would not be
    expect(wcagContrast(ink, '#000000')).toBeLessThan(4.5);
  });
});
