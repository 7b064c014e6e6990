import { PDFDocument, PDFHexString, PDFName, PDFNumber, type PDFPage, type PDFRef, rgb } from 'pdf-lib';
import {
  type Area,
  colourOf,
  drawOn,
  extent,
  type Measure,
  type Paper,
  PAPERS,
  scaleBar,
  scaleIn,
  type Sheet,
} from '../drawings/index.ts';
import { type Faces, INK, Type, type Weight } from '../type/index.ts';

/** Points a millimetre. */
const MM = 72 / 25.4;
const MARGIN = 42;
const FOOT = 30;
const LEADING = 1.32;
const SOFT = rgb(0.38, 0.43, 0.46);
const LINE = rgb(0.8, 0.78, 0.72);
/** Room a drawing’s caption takes, points. */
const CAPTION = 14;

/** A heading with where it stands, for contents and bookmarks. */
type Headed = { words: string; level: 1 | 2; page: PDFPage; y: number };
/** A column of a table: how much of the line it takes, 0 … 1. */
export type Column = { share: number; weight?: Weight; soft?: boolean };

/** Pages that fill one after the other from the top, upright, with headings, lines, tables and drawings. */
export class Pages {
  readonly size: readonly [number, number];
  private page!: PDFPage;
  private y = 0;
  private readonly headed: Headed[] = [];
  /** what is said at the foot of every page */
  private readonly foot: string;

  private constructor(
    readonly pdf: PDFDocument,
    readonly type: Type,
    paper: Paper,
    foot: string,
    readonly measure: Measure,
  ) {
    const [a, b] = PAPERS[paper];
    this.size = [Math.min(a, b), Math.max(a, b)];
    this.foot = foot;
  }

  /** @param all every word that may be printed, or more */
  static async begin(
    paper: Paper,
    faces: Faces,
    all: string,
    { title, foot, measure }: { title: string; foot: string; measure: Measure },
  ): Promise<Pages> {
    const pdf = await PDFDocument.create();
    pdf.setTitle(title);
    const type = await Type.embed(pdf, faces, `${all} ${foot}`);
    return new Pages(pdf, type, paper, foot, measure);
  }

  /** Width of what is written, points. */
  get width(): number {
    return this.size[0] - 2 * MARGIN;
  }
  /** Room left on the page, points. */
  get left(): number {
    return this.y - MARGIN - FOOT;
  }
  get fullHeight(): number {
    return this.size[1] - 2 * MARGIN - FOOT;
  }

  turn(): void {
    this.page = this.pdf.addPage([...this.size]);
    this.y = this.size[1] - MARGIN;
  }

  /** Turns the page where so much does not go on it any more, points. */
  need(points: number): void {
    if (!this.page || this.left < points) this.turn();
  }

  space(points: number): void {
    this.y -= points;
  }

  /** Level 1 begins a page. */
  heading(words: string, level: 1 | 2 = 1): void {
    const size = level === 1 ? 20 : 13;
    if (level === 1) this.turn();
    else {
      this.need(size * 4);
      this.space(10);
    }
    this.headed.push({ words, level, page: this.page, y: this.y });
    for (const line of this.type.lines(words, size, this.width, 'bold')) {
      this.y -= size;
      this.type.draw(this.page, line, { x: MARGIN, y: this.y, size, weight: 'bold' });
      this.y -= size * 0.25;
    }
    this.space(level === 1 ? 8 : 3);
  }

  text(words: string, { size = 10, weight = 'regular' as Weight, soft = false, indent = 0 } = {}): void {
    for (const line of this.type.lines(words, size, this.width - indent, weight)) {
      this.need(size * LEADING);
      this.y -= size * LEADING;
      const color = soft ? SOFT : INK;
      this.type.draw(this.page, line, { x: MARGIN + indent, y: this.y + size * 0.3, size, weight, color });
    }
  }

  /** One line of a table; each cell is broken into as many lines as it needs. */
  row(columns: readonly Column[], cells: readonly string[], { size = 9.5, rule = false, swatch = '' } = {}): void {
    const gap = 8;
    const inset = swatch === '' ? 0 : size + 5;
    const wide = this.width - inset;
    const broken = columns.map(({ share, weight = 'regular' }, i) =>
      this.type.lines(cells[i] ?? '', size, wide * share - gap, weight),
    );
    const lines = Math.max(1, ...broken.map((b) => b.length));
    // what is longer than a page goes on on the next one line by line
    this.need(Math.min(lines, 8) * size * LEADING);
    if (swatch !== '')
      this.page.drawRectangle({
        ...{ x: MARGIN, y: this.y - size * LEADING + 1, width: size + 1, height: size + 1 },
        ...{ color: colourOf(swatch), borderColor: INK, borderWidth: 0.3 },
      });
    const write = (n: number, at: number, column: number, x: number) => {
      const { weight = 'regular', soft } = columns[column]!;
      const line = broken[column]![n];
      if (line)
        this.type.draw(this.page, line, {
          ...{ x, y: at + size * 0.3, size, weight },
          ...(soft ? { color: SOFT } : {}),
        });
    };
    const starts = columns.map(
      (_, i) => MARGIN + inset + wide * columns.slice(0, i).reduce((sum, c) => sum + c.share, 0),
    );
    const step = size * LEADING;
    if (lines * step <= this.left) {
      // cell after cell, as it is read and found again
      for (const [i, x] of starts.entries()) for (let n = 0; n < lines; n++) write(n, this.y - (n + 1) * step, i, x);
      this.y -= lines * step;
    } else
      for (let n = 0; n < lines; n++) {
        this.need(step);
        this.y -= step;
        for (const [i, x] of starts.entries()) write(n, this.y, i, x);
      }
    if (rule) {
      this.page.drawLine({
        ...{ start: { x: MARGIN, y: this.y }, end: { x: MARGIN + this.width, y: this.y } },
        ...{ thickness: 0.4, color: LINE },
      });
    }
  }

  /**
   * A drawing as wide as the page and so high at most, in its scale, with a length to check it by.
   * @param most points
   * @param toScale where it is drawn in millimetres; bearings are not
   */
  drawing(sheet: Sheet, most: number, caption = '', toScale = true): void {
    const e = extent(sheet);
    const [wide, high] = [e.right - e.left, e.top - e.bottom];
    const room = { width: this.width, height: most - 2 * CAPTION };
    const free = Math.max(wide / (room.width / MM), high / (room.height / MM));
    const scale = toScale ? scaleIn(wide, high, room, this.measure) : { n: free, words: '' };
    const height = (high / scale.n) * MM;
    this.need(height + 2 * CAPTION);
    this.y -= CAPTION;
    const said = [...(caption === '' ? [] : [caption]), ...(toScale ? [scale.words] : [])].join(', ');
    this.type.draw(this.page, said, { x: MARGIN, y: this.y + 3, size: 8, color: SOFT });
    if (toScale) scaleBar(this.page, this.type, scale, this.measure, { right: MARGIN + this.width, y: this.y + 7 });
    this.y -= height + 4;
    drawOn(this.page, this.type, sheet, { x: MARGIN, y: this.y, width: this.width, height }, this.measure, scale);
    this.y -= CAPTION - 4;
  }

  /** Drawings beside each other, in rows, those of a row at one scale (the largest usual one at which each of them goes into a column). */
  drawings(sheets: readonly Sheet[], columns: number, most: number): void {
    const gap = 14;
    const column = (this.width - gap * (columns - 1)) / columns;
    const room = { width: column, height: Math.min(most, this.fullHeight) - 2 * CAPTION };
    for (let first = 0; first < sheets.length; first += columns) {
      const row = sheets.slice(first, first + columns).map((sheet) => ({ sheet, e: extent(sheet) }));
      const largest = (of: (e: (typeof row)[number]['e']) => number) => Math.max(...row.map(({ e }) => of(e)));
      const high = largest((e) => e.top - e.bottom);
      const scale = scaleIn(
        largest((e) => e.right - e.left),
        high,
        room,
        this.measure,
      );
      const points = (mm: number) => (mm / scale.n) * MM;
      this.need(points(high) + 2 * CAPTION);
      this.y -= CAPTION;
      scaleBar(this.page, this.type, scale, this.measure, { right: MARGIN + this.width, y: this.y + 7 });
      for (const [i, { sheet, e }] of row.entries()) {
        const own = points(e.top - e.bottom);
        const area: Area = { x: MARGIN + i * (column + gap), y: this.y - 6 - own, width: column, height: own };
        const [line] = this.type.lines(`${sheet.title}, ${scale.words}`, 8, i === columns - 1 ? column * 0.5 : column);
        this.type.draw(this.page, line ?? '', { x: area.x, y: this.y + 3, size: 8, color: SOFT });
        drawOn(this.page, this.type, sheet, area, this.measure, scale);
      }
      this.y -= points(high) + CAPTION;
    }
  }

  /**
   * Puts contents, bookmarks, links and page numbers on, and writes all of it.
   * @param contentsAfter so many pages come before the contents, and have no number; null: no contents
   */
  async finish(contentsAfter: number | null = 1): Promise<Uint8Array> {
    const per = Math.floor((this.fullHeight - 40) / 16);
    const listed = contentsAfter === null ? [] : this.headed;
    const sheets = listed.length === 0 ? 0 : Math.ceil(listed.length / per);
    const inserted = Array.from({ length: sheets }, (_, i) => this.pdf.insertPage(contentsAfter! + i, [...this.size]));
    const all = this.pdf.getPages();
    const numberOf = new Map(all.map((p, i) => [p, i + 1]));
    for (const [i, page] of inserted.entries()) {
      let y = this.size[1] - MARGIN - 20;
      if (i === 0) this.type.draw(page, 'Contents', { x: MARGIN, y, size: 20, weight: 'bold' });
      y -= 24;
      const links: PDFRef[] = [];
      for (const { words, level, page: to, y: top } of listed.slice(i * per, (i + 1) * per)) {
        const number = String(numberOf.get(to));
        const size = level === 1 ? 11 : 9.5;
        const indent = level === 1 ? 0 : 14;
        const [line] = this.type.lines(words, size, this.width - indent - 40, level === 1 ? 'bold' : 'regular');
        const weight: Weight = level === 1 ? 'bold' : 'regular';
        this.type.draw(page, line ?? '', { x: MARGIN + indent, y, size, weight });
        const right = MARGIN + this.width;
        this.type.draw(page, number, { x: right - this.type.width(number, size), y, size });
        links.push(
          this.pdf.context.register(
            this.pdf.context.obj({
              ...{ Type: 'Annot', Subtype: 'Link', Border: [0, 0, 0] },
              ...{ Rect: [MARGIN, y - 3, right, y + 11], Dest: [to.ref, 'XYZ', null, top + 4, null] },
            }),
          ),
        );
        y -= 16;
      }
      page.node.set(PDFName.of('Annots'), this.pdf.context.obj(links));
    }
    for (const [page, number] of numberOf) {
      if (number <= (contentsAfter ?? 0)) continue;
      const words = `${number}`;
      this.type.draw(page, this.foot, { x: MARGIN, y: MARGIN - 12, size: 8, color: SOFT });
      this.type.draw(page, words, {
        ...{ x: MARGIN + this.width - this.type.width(words, 9), y: MARGIN - 12, size: 9 },
      });
    }
    this.bookmarks();
    return this.pdf.save({ useObjectStreams: true });
  }

  private bookmarks(): void {
    const { context, catalog } = this.pdf;
    if (this.headed.length === 0) return;
    const root = context.nextRef();
    type Node = { headed: Headed; ref: PDFRef; inner: Node[] };
    const tops: Node[] = [];
    for (const headed of this.headed) {
      const node = { headed, ref: context.nextRef(), inner: [] };
      if (headed.level === 1 || tops.length === 0) tops.push(node);
      else tops.at(-1)!.inner.push(node);
    }
    const write = (nodes: readonly Node[], parent: PDFRef) => {
      for (const [i, { headed, ref, inner }] of nodes.entries()) {
        const dict = context.obj({
          Parent: parent,
          Dest: [headed.page.ref, 'XYZ', null, headed.y + 4, null],
          ...(i > 0 ? { Prev: nodes[i - 1]!.ref } : {}),
          ...(i < nodes.length - 1 ? { Next: nodes[i + 1]!.ref } : {}),
          // a chapter’s parts are folded
          ...(inner.length > 0
            ? { First: inner[0]!.ref, Last: inner.at(-1)!.ref, Count: PDFNumber.of(-inner.length) }
            : {}),
        });
        dict.set(PDFName.of('Title'), PDFHexString.fromText(headed.words));
        context.assign(ref, dict);
        write(inner, ref);
      }
    };
    write(tops, root);
    context.assign(
      root,
      context.obj({ Type: 'Outlines', First: tops[0]!.ref, Last: tops.at(-1)!.ref, Count: tops.length }),
    );
    catalog.set(PDFName.of('Outlines'), root);
    catalog.set(PDFName.of('PageMode'), PDFName.of('UseOutlines'));
  }
}
