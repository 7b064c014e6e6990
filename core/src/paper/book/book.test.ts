import { describe, expect, test } from '@jest/globals';
import { PDFDict, PDFDocument, PDFName } from 'pdf-lib';
import { nameOfPlace } from '../../living/concepts/index.ts';
import {
  compartmentsOf,
  emptyPlan,
  homesIn,
  placeWithAllIn,
  type Plan,
  placeTitle,
  type Supply,
} from '../../record/plan/index.ts';
import { ownJob } from '../../better/doing/index.ts';
import { faces } from '../../testing/faces.ts';
import { applied, block, home, oneCupboard, sewingCorner, tinyRoom, unit, withUnits } from '../../testing/index.ts';
import { CHAPTER_NAMES, CHAPTERS, doorOf, mapLines, planBook, planMaps, whereOf } from './index.ts';

const FACES = faces();
const options = { paper: 'a4', faces: FACES, day: '2026-11-30' } as const;
const MM = 25.4 / 72;

type Page = {
  words: string[];
  strokes: { x: number; y: number; w: number; h: number }[];
  width: number;
  height: number;
};

/** A print as an independent reader (pdfjs-dist) sees it. */
async function read(data: Uint8Array) {
  const { getDocument, OPS, VerbosityLevel } = await import('pdfjs-dist/legacy/build/pdf.mjs');
  const pdf = await getDocument({ data: data.slice(), verbosity: VerbosityLevel.ERRORS }).promise;
  const pages: Page[] = [];
  for (let n = 1; n <= pdf.numPages; n++) {
    const page = await pdf.getPage(n);
    const [, , width, height] = page.view as [number, number, number, number];
    const items = (await page.getTextContent()).items.flatMap((i) => ('str' in i ? [i.str] : []));
    const { fnArray, argsArray } = await page.getOperatorList();
    const strokes: Page['strokes'] = [];
    let at = { x: 0, y: 0 };
    const kept: (typeof at)[] = [];
    fnArray.forEach((op, i) => {
      if (op === OPS.save) kept.push(at);
      if (op === OPS.restore) at = kept.pop()!;
      if (op === OPS.transform) at = { x: at.x + argsArray[i][4], y: at.y + argsArray[i][5] };
      if (op !== OPS.constructPath) return;
      const flat = Array.from(argsArray[i][1] as number[]);
      const xs = flat.filter((_, k) => k % 2 === 0);
      const ys = flat.filter((_, k) => k % 2 === 1);
      const [x, y] = [Math.min(...xs), Math.min(...ys)];
      strokes.push({ x: at.x + x, y: at.y + y, w: Math.max(...xs) - x, h: Math.max(...ys) - y });
    });
    pages.push({ words: items, strokes, width, height });
  }
  return { pdf, pages };
}

/** Everything on some pages as one string without blanks: lines are broken where they must be. */
const said = (pages: readonly Page[]) =>
  pages
    .flatMap((p) => p.words)
    .join('')
    .replace(/\s/g, '');
const bare = (words: string) => words.replace(/\s/g, '');
const countOf = (s: Supply) => (s.backstock > 0 ? `${s.working} + ${s.backstock}` : `${s.working}`);
const times = (all: string, part: string) => all.split(part).length - 1;

/** The pages of one chapter, by the book’s own bookmarks. */
async function chapterOf(book: Awaited<ReturnType<typeof read>>, title: string): Promise<Page[]> {
  const outline = await book.pdf.getOutline();
  const starts = await Promise.all(
    outline.map(async (o) => ({ title: o.title, page: await book.pdf.getPageIndex((o.dest as object[])[0] as never) })),
  );
  const i = starts.findIndex((s) => s.title === title);
  return book.pages.slice(starts[i]!.page, starts[i + 1]?.page);
}

/** A room in which everything lives somewhere: thing after thing in place after place. */
function furnished(plan: Plan): Plan {
  const places = Object.keys(plan.units).flatMap((id) => compartmentsOf(plan, id).filter((p) => p.kind !== 'top'));
  return applied(plan, ...Object.keys(plan.supplies).map((id, i) => home(id, places[i % places.length]!.id)));
}

describe('the plan book, read back by pdfjs-dist', () => {
  const plan = furnished(sewingCorner().plan);

  test('every supply once in the index with all its places, every place’s name where its unit is mapped', async () => {
    const bound = await planBook(plan, options);
    expect(bound.lacking).toEqual([]);
    const book = await read(bound.bytes);
    expect(book.pages).toHaveLength(bound.pages);
    const index = said(await chapterOf(book, CHAPTERS.index.title));
    // every thing once, with its count and all its places, and no line of anything else
    const lines = Object.values(plan.supplies).map((s) => bare(s.name + countOf(s) + whereOf(plan, s)));
    for (const line of lines) expect(index).toContain(line);
    expect(new Set(lines).size).toBe(lines.length);
    expect(times(index, '›')).toBe(times(lines.join(''), '›'));
    const maps = said(await chapterOf(book, CHAPTERS.units.title));
    for (const place of Object.values(plan.places)) {
      const name = nameOfPlace(plan, place.id);
      if (name) expect(maps).toContain(bare(name.words));
      for (const h of homesIn(plan, place.id)) expect(maps).toContain(bare(plan.supplies[h.supplyId]!.name));
    }
  });

  test('a plan in inches says nothing in the other measure on any page, and the other way round', async () => {
    const METRIC = /\d\s?(?:mm|cm|m|m²|ml|l|litres?|kg|g)(?![\p{L}\d])/u;
    const INCHES = /\d\s?(?:"|″|in|inches|ft|lb|oz|qt)(?![\p{L}\d])/u;
    const wordsOf = async (of: Plan) => {
      const { pages } = await read((await planBook(of, options)).bytes);
      const { pages: maps } = await read((await planMaps(of, { units: Object.keys(of.units) }, options)).bytes);
      return [...pages, ...maps].map((p) => p.words.join(' '));
    };
    const centimetres = { ...plan, head: { ...plan.head, measure: 'metric' as const } };
    const [here, there] = [await wordsOf(plan), await wordsOf(centimetres)];
    expect(here.filter((w) => METRIC.test(w))).toEqual([]);
    expect(there.filter((w) => INCHES.test(w))).toEqual([]);
    // and says lengths in its own
    expect(here.some((w) => INCHES.test(w))).toBe(true);
    expect(there.some((w) => METRIC.test(w))).toBe(true);
  });

  test('contents name every chapter with its page, and lead there; bookmarks do; pages are numbered', async () => {
    const bound = await planBook(plan, options);
    const { pdf, pages } = await read(bound.bytes);
    const outline = await pdf.getOutline();
    expect(outline.map((o) => o.title)).toEqual(CHAPTER_NAMES.map((n) => CHAPTERS[n].title));
    for (const { title, dest } of outline) {
      const n = await pdf.getPageIndex((dest as object[])[0] as never);
      expect(said([pages[n]!])).toContain(bare(title));
      expect(pages[n]!.words).toContain(String(n + 1));
    }
    const links = (await (await pdf.getPage(2)).getAnnotations()).filter((a) => a.subtype === 'Link');
    expect(links.length).toBeGreaterThanOrEqual(CHAPTER_NAMES.length);
    const first = await pdf.getPageIndex(links[0].dest[0]);
    expect(said([pages[first]!])).toContain(bare(CHAPTERS.room.title));
  });

  test('the chapter Doing it has every day with its jobs, and what found no day', async () => {
    const jobs = [
      ...[ownJob('a', 'Paint the north wall', 90), ownJob('b', 'Carry 22 things to the pedestal', 20)],
      ownJob('odd', 'Mend the eave', 40),
    ];
    const doing = {
      ...{
        id: 'doing',
        toPlanId: 'other',
        toName: 'Spring',
        begins: '2026-10-01',
        livable: true,
        way: 'found' as const,
      },
      ...{ moneyAMonth: null, planned: 1, promised: 0, findingsBefore: 0, findingsAfter: 0 },
    };
    const on = (id: string, jobId: string, day: string) => ({ id, jobId, on: day, from: 0, to: 30 });
    const sittings = {
      s1: on('s1', 'a', '2026-10-03'),
      s2: on('s2', 'b', '2026-10-10'),
      s3: on('s3', 'a', '2026-10-10'),
    };
    const planned = { ...plan, doings: { doing }, jobs: Object.fromEntries(jobs.map((j) => [j.id, j])), sittings };
    const bound = await planBook(planned, { ...options, chapters: ['days'] });
    const words = said((await read(bound.bytes)).pages);
    for (const line of [
      'To Spring.',
      '3 October 2026',
      '10 October 2026',
      'No day for it yet',
      ...jobs.map((j) => j.name),
    ])
      expect(words).toContain(bare(line));
    // the second time it is on the second day
    expect(words.split(bare('Paint the north wall'))).toHaveLength(3);
  });

  test('only the chapters asked for, in the book’s order; told how far it is; it ends when the teller does', async () => {
    const told: number[] = [];
    const bound = await planBook(plan, {
      ...options,
      chapters: ['index', 'zones'],
      onProgress: (s) => void told.push(s),
    });
    const outline = await (await read(bound.bytes)).pdf.getOutline();
    expect(outline.map((o) => o.title)).toEqual([CHAPTERS.zones.title, CHAPTERS.index.title]);
    expect(told).toEqual([...told].sort((a, b) => a - b));
    expect(told.at(-1)).toBeLessThanOrEqual(1);
    const stopped = planBook(plan, {
      ...options,
      onProgress: (s) => (s > 0.2 ? Promise.reject(new Error('enough')) : undefined),
    });
    await expect(stopped).rejects.toThrow('enough');
  });

  test('the scale bar and three walls have their lengths on paper, to 0.5 mm; nothing is drawn outside the page', async () => {
    for (const paper of ['a4', 'letter'] as const) {
      const bound = await planBook(tinyRoom(), { ...options, paper, chapters: ['room'] });
      const { pages } = await read(bound.bytes);
      const [w, h] = paper === 'a4' ? [210, 297] : [215.9, 279.4];
      for (const page of pages) {
        expect(page.width * MM).toBeCloseTo(w, 0);
        expect(page.height * MM).toBeCloseTo(h, 0);
        for (const s of page.strokes) {
          expect(s.x).toBeGreaterThanOrEqual(0);
          expect(s.y).toBeGreaterThanOrEqual(0);
          expect(s.x + s.w).toBeLessThanOrEqual(page.width + 0.01);
          expect(s.y + s.h).toBeLessThanOrEqual(page.height + 0.01);
        }
      }
      // Floor comes first: 6 × 6 m, at the scale it says
      const floor = pages.find((p) => p.words.some((t) => t.startsWith('floor from above')))!;
      const n = Number(/1 : (\d+)/.exec(floor.words.find((t) => t.startsWith('floor from above'))!)![1]);
      const near = (mm: number, along: 'w' | 'h') =>
        floor.strokes.filter((s) => Math.abs(s[along] * MM - mm) < 0.5).length;
      expect(near(6000 / n, 'w')).toBeGreaterThanOrEqual(2);
      expect(near(6000 / n, 'h')).toBeGreaterThanOrEqual(2);
      expect(near(1000 / n, 'w')).toBeGreaterThanOrEqual(1);
    }
  });

  test('of an empty plan, and of one with the longest names and with none', async () => {
    const empty = await planBook(emptyPlan('p', { name: 'Nothing yet' }), options);
    expect(said((await read(empty.bytes)).pages)).toContain('Nothingislistedyet');
    const long = 'Abcdefghij '.repeat(20).slice(0, 119);
    const named = applied(
      withUnits(tinyRoom(), unit('bookcase', { id: 'case', name: long, x: 4200, y: 3300, facing: 270 })),
      { type: 'addSupplies', supplies: [block({ id: 'x', name: 'X'.repeat(119) }), block({ id: 'y', name: '-' })] },
      home('x', 'case.0.0'),
    );
    const bound = await planBook(named, options);
    const book = await read(bound.bytes);
    // broken between letters, and all of them there
    expect(times(said(await chapterOf(book, CHAPTERS.index.title)), 'X')).toBe(119);
    expect(said(await chapterOf(book, CHAPTERS.units.title))).toContain(bare(long));
    for (const page of book.pages)
      for (const s of page.strokes) expect(s.x + s.w).toBeLessThanOrEqual(page.width + 0.01);
  });

  test('fonts are embedded; Greek, Cyrillic, Vietnamese and Polish are found again; other letters are told', async () => {
    const names = ['Χρώματα', 'Клей', 'giấy dó', 'nożyczki', '引き出し'];
    const many = applied(tinyRoom(), {
      type: 'addSupplies',
      supplies: names.map((name, i) => block({ id: `s${i}`, name })),
    });
    const bound = await planBook(many, { ...options, chapters: ['index'] });
    const all = said((await read(bound.bytes)).pages).normalize('NFC');
    for (const name of names.slice(0, 4)) expect(all).toContain(bare(name));
    expect(bound.lacking).toEqual([...'引き出し'].sort());
    const pdf = await PDFDocument.load(bound.bytes);
    const fonts = pdf.context
      .enumerateIndirectObjects()
      .flatMap(([, o]) =>
        o instanceof PDFDict && o.get(PDFName.of('Type')) === PDFName.of('FontDescriptor') ? [o] : [],
      );
    // the text face in Latin, Greek, Cyrillic, Vietnamese and more, each with its file; no face a reader would have to bring
    expect(fonts.length).toBeGreaterThanOrEqual(4);
    for (const font of fonts)
      expect(['FontFile2', 'FontFile3'].some((key) => font.get(PDFName.of(key)) !== undefined)).toBe(true);
  });

  test('a row of colours is drawn as it lies: swatches of one size edge to edge, in its order; each thing without a row once', async () => {
    const names = ['Rose', 'Amber', 'Moss', 'Slate'];
    const colours = ['#c0392b', '#e0a030', '#4c7a3d', '#5b6770'];
    const rowed = applied(
      withUnits(tinyRoom(), unit('bookcase', { id: 'case' })),
      {
        type: 'addSupplies',
        supplies: [...names, 'Alone'].map((name, i) => block({ id: `c${i}`, name, colour: colours[i] ?? '#123456' })),
      },
      {
        type: 'addColourRow',
        colourRow: {
          ...{ id: 'row', name: 'Papers in a row', order: 'rainbow', placeIds: ['case.0.0'] },
          slots: ['c0', 'c1', '', 'c2', 'c3'],
        },
      },
    );
    const { pages } = await read((await planBook(rowed, { ...options, chapters: ['colours'] })).bytes);
    const page = pages.find((p) => p.words.includes('Rose'))!;
    const at = names.map((n) => page.words.indexOf(n));
    expect(at).toEqual([...at].sort((a, b) => a - b));
    expect(at[0]).toBeGreaterThan(-1);
    expect(times(said(pages), 'Alone')).toBe(1);
    const large = page.strokes.filter((s) => Math.abs(s.h - 26) < 0.6);
    // a gap that is kept is one
    expect(large).toHaveLength(5);
    const lefts = large.map((s) => s.x);
    for (const [i, s] of large.slice(1).entries()) expect(s.x - lefts[i]!).toBeCloseTo(large[0]!.w, 0);
  });

  test('labels that are not on for good yet are there to be cut out, three beside each other', async () => {
    const { pages } = await read((await planBook(plan, { ...options, chapters: ['labels'] })).bytes);
    const wanted = Object.values(plan.places).filter((p) => homesIn(plan, p.id).length > 0 && p.label === 'none');
    expect(wanted.length).toBeGreaterThan(3);
    const boxes = pages.flatMap((p) =>
      p.strokes.filter((s) => Math.abs(s.w * MM - 60) < 0.5 && Math.abs(s.h * MM - 28) < 0.5),
    );
    expect(boxes).toHaveLength(wanted.length);
    expect(new Set(boxes.map((s) => Math.round(s.x))).size).toBe(3);
    const all = applied(
      plan,
      ...wanted.map((p) => ({ type: 'setPlace' as const, id: p.id, set: { label: 'permanent' as const } })),
    );
    const done = await read((await planBook(all, { ...options, chapters: ['labels'] })).bytes);
    expect(said(done.pages)).not.toContain('Tocutout');
  });

  test('ten thousand supplies', async () => {
    const supplies = Array.from({ length: 10_000 }, (_, i) => block({ id: `s${i}`, name: `Thing number ${i}` }));
    const bound = await planBook(applied(tinyRoom(), { type: 'addSupplies', supplies }), {
      ...{ ...options, chapters: ['index'] as const },
    });
    // 50 to 70 lines a page
    expect(bound.pages).toBeGreaterThan(140);
    expect(bound.pages).toBeLessThan(210);
  });
});

describe('maps', () => {
  const plan = furnished(oneCupboard().plan);
  const cupboard = Object.values(plan.units).find((u) => compartmentsOf(plan, u.id).length > 2)!;
  const used = (p: Plan) =>
    compartmentsOf(p, cupboard.id).filter((c) => placeWithAllIn(p, c).some((q) => homesIn(p, q.id).length > 0));

  test('a unit: its name, every place with what lies in it', async () => {
    const bound = await planMaps(plan, { units: [cupboard.id] }, options);
    const all = said((await read(bound.bytes)).pages);
    expect(all).toContain(bare(cupboard.name));
    for (const line of mapLines(plan, compartmentsOf(plan, cupboard.id))) {
      expect(all).toContain(bare(line.title));
      for (const thing of line.things) expect(all).toContain(bare(thing));
    }
  });

  test('on trial it says since when, on every sheet; for good it does not', async () => {
    const places = used(plan).map((p) => p.id);
    const of = { units: [cupboard.id], places };
    const trial = said((await read((await planMaps(plan, of, { ...options, trial: true })).bytes)).pages);
    expect(times(trial, 'Ontrialsince30November2026')).toBe(1 + places.length);
    expect(said((await read((await planMaps(plan, of, options)).bytes)).pages)).not.toContain('Ontrial');
  });

  test('one place a sheet: as many sheets as places, each with where it is', async () => {
    const places = used(plan);
    const bound = await planMaps(plan, { places: places.map((p) => p.id) }, { ...options, paper: 'letter' });
    const { pages } = await read(bound.bytes);
    expect(pages.length).toBeGreaterThanOrEqual(places.length);
    for (const place of places) expect(said(pages)).toContain(bare(placeTitle(plan, place)));
  });

  test('of nothing there is none', async () => {
    await expect(planMaps(plan, { units: ['nowhere'] }, options)).rejects.toThrow(/nothing to map/);
  });

  const shut = withUnits(
    plan,
    unit('wallCabinet', { id: 'cab', name: 'Cabinet', width: 240, height: 300, columns: 1 }),
  );

  test('the inside of a door: its leaf without its edges; of a cubby its own; none where nothing shuts, and where it is too small', () => {
    // two leaves from 60 cm on (catalogue)
    const wide = withUnits(plan, unit('cupboard', { id: 'wide', width: 800, height: 1900 }));
    expect(doorOf(wide, wide.units.wide!)).toEqual({ width: 360, height: 1860 });
    expect(doorOf(shut, shut.units.cab!)).toEqual({ width: 200, height: 260 });
    const cubes = withUnits(plan, unit('cubeUnit', { id: 'cubes', inserts: ['0.0 door 1'] }));
    const [behind, open] = ['cubes.0.0', 'cubes.1.1'].map((id) => cubes.places[id]!);
    expect(doorOf(cubes, cubes.units.cubes!)).toBeNull();
    expect(doorOf(cubes, cubes.units.cubes!, open)).toBeNull();
    expect(doorOf(cubes, cubes.units.cubes!, behind)).toEqual({
      ...{ width: behind!.width - 40, height: behind!.height - 40 },
    });
    const small = withUnits(plan, unit('wallCabinet', { id: 'small', width: 90, height: 90 }));
    expect(doorOf(small, small.units.small!)).toBeNull();
  });

  test('cut to a door, or to a size: the line has that size on paper to 0.5 mm and nothing lies beyond it; a larger one is the whole sheet', async () => {
    const lines = (page: Page) => page.strokes.map((s) => [Math.round(s.w * MM), Math.round(s.h * MM)]);
    const cut = await planMaps(shut, { units: ['cab'] }, { ...options, cut: 'door' });
    for (const page of (await read(cut.bytes)).pages) {
      expect(lines(page)).toContainEqual([192, 260]);
      const size = page.strokes.find((s) => Math.abs(s.h * MM - 260) < 0.5)!;
      for (const s of page.strokes) {
        expect(s.x).toBeGreaterThanOrEqual(size.x - 0.5);
        expect(s.y).toBeGreaterThanOrEqual(size.y - 0.5);
        expect(s.x + s.w).toBeLessThanOrEqual(size.x + size.w + 0.5);
        expect(s.y + s.h).toBeLessThanOrEqual(size.y + size.h + 0.5);
      }
    }
    const own = await planMaps(plan, { units: [cupboard.id] }, { ...options, cut: { width: 100, height: 140 } });
    const { pages } = await read(own.bytes);
    expect(pages.length).toBeGreaterThan(1);
    for (const page of pages) expect(lines(page)).toContainEqual([100, 140]);
    // nothing is lost by being cut small
    for (const line of mapLines(plan, compartmentsOf(plan, cupboard.id)))
      for (const thing of line.things) expect(said(pages)).toContain(bare(thing));
    const whole = await planMaps(plan, { units: [cupboard.id] }, options);
    const large = await planMaps(plan, { units: [cupboard.id] }, { ...options, cut: { width: 400, height: 900 } });
    expect((await read(large.bytes)).pages).toEqual((await read(whole.bytes)).pages);
    await expect(
      planMaps(plan, { units: [cupboard.id] }, { ...options, cut: { width: 300, height: 40 } }),
    ).rejects.toThrow(/6 cm/);
  });

  test('pictures of places and things, each once, where they are given; without them nothing is missing', async () => {
    const jpeg = new Uint8Array(
      Buffer.from(
        '/9j/4AAQSkZJRgABAQEASABIAAD/2wBDAP//////////////////////////////////////////////////////////////////////////////////////wgALCAABAAEBAREA/8QAFBABAAAAAAAAAAAAAAAAAAAAAP/aAAgBAQABPxA=',
        'base64',
      ),
    );
    const hash = 'a'.repeat(64);
    const [place] = used(plan);
    const [first] = homesIn(plan, place!.id);
    const pictured = applied(
      plan,
      { type: 'setPlace', id: place!.id, set: { photo: hash } },
      { type: 'setSupply', id: first!.supplyId, set: { photo: 'b'.repeat(64) } },
    );
    const imagesOf = async (photos?: ReadonlyMap<string, Uint8Array>) => {
      const bound = await planMaps(pictured, { units: [cupboard.id] }, { ...options, ...(photos ? { photos } : {}) });
      const { getDocument, OPS } = await import('pdfjs-dist/legacy/build/pdf.mjs');
      const pdf = await getDocument({ data: bound.bytes.slice() }).promise;
      let images = 0;
      for (let n = 1; n <= pdf.numPages; n++)
        images += (await (await pdf.getPage(n)).getOperatorList()).fnArray.filter(
          (op) => op === OPS.paintImageXObject,
        ).length;
      return images;
    };
    expect(await imagesOf()).toBe(0);
    expect(await imagesOf(new Map([[hash, jpeg]]))).toBe(1);
    // one that is damaged is left out as one that is not there
    expect(await imagesOf(new Map([[hash, jpeg.slice(2)]]))).toBe(0);
    const both = new Map([hash, 'b'.repeat(64), 'c'.repeat(64)].map((h) => [h, jpeg]));
    expect(await imagesOf(both)).toBe(2);
  });
});
