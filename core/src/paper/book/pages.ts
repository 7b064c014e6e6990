import { PDFDocument, type PDFImage, type PDFPage, rgb } from 'pdf-lib';
import {
  type Area,
  colourOf,
  drawOn,
  extent,
  type Measure,
  type Paper,
  PAPERS,
  type Scale,
  scaleBar,
  scaleIn,
  type Sheet,
} from '../drawings/index.ts';
import { type Faces, INK, Type, type Weight } from '../type/index.ts';

/** Points a millimetre. */
const MM = 72 / 25.4;
export const MARGIN = 42;
const FOOT = 30;
/** What is cut out of a page: this far from its edges, and this much left free within the cut, points. */
const CUT_EDGE = 26;
const CUT_PAD = 12;
const CUT_FOOT = 12;
const LEADING = 1.32;
export const SOFT = rgb(0.38, 0.43, 0.46);
const LINE = rgb(0.8, 0.78, 0.72);
const NO_PHOTOS: ReadonlyMap<string, Uint8Array> = new Map();
/** Room a drawing’s caption takes, points. */
const CAPTION = 14;

/** A heading with where it stands, for contents and bookmarks. */
export type Headed = { words: string; level: 1 | 2; page: PDFPage; y: number };
/** What a page is written into, and where what is said at its foot stands, points. */
export type Written = { left: number; right: number; top: number; low: number; foot: number };
/** A picture and what is said under it. */
export type Picture = { photo: string; words: string };
/** A size to be cut out, mm. */
export type Cut = { width: number; height: number };
/** Nothing is cut smaller, mm (own choice: a name in the smallest letters has to go on a line). */
export const LEAST_CUT = 60;
/** A column of a table: how much of the line it takes, 0 … 1. */
export type Column = { share: number; weight?: Weight; soft?: boolean };

/** Pages that fill one after the other from the top, upright, with headings, lines, tables and drawings. */
export class Pages {
  readonly size: readonly [number, number];
  private page!: PDFPage;
  private y = 0;
  readonly headed: Headed[] = [];
  /** what each page is written into */
  readonly written = new Map<PDFPage, Written>();
  /** what the pages to come are cut to; null: not at all */
  private cut: Cut | null = null;
  private readonly images = new Map<string, PDFImage | null>();

  private constructor(
    readonly pdf: PDFDocument,
    readonly type: Type,
    paper: Paper,
    /** what is said at the foot of every page */
    readonly foot: string,
    readonly measure: Measure,
    private readonly photos: ReadonlyMap<string, Uint8Array>,
  ) {
    const [a, b] = PAPERS[paper];
    this.size = [Math.min(a, b), Math.max(a, b)];
  }

  /** @param all every word that may be printed, or more */
  static async begin(
    paper: Paper,
    faces: Faces,
    all: string,
    {
      title,
      foot,
      measure,
      photos = NO_PHOTOS,
    }: { title: string; foot: string; measure: Measure; photos?: ReadonlyMap<string, Uint8Array> | undefined },
  ): Promise<Pages> {
    const pdf = await PDFDocument.create();
    pdf.setTitle(title);
    const type = await Type.embed(pdf, faces, `${all} ${foot}`);
    return new Pages(pdf, type, paper, foot, measure, photos);
  }

  /** What the next page is written into: the whole of it but its margins, or what is cut out of it. */
  private get area(): Written {
    const [width, height] = this.size;
    if (this.cut === null)
      return { left: MARGIN, right: width - MARGIN, top: height - MARGIN, low: MARGIN + FOOT, foot: MARGIN - 12 };
    const low = height - CUT_EDGE - this.cut.height * MM + CUT_PAD;
    return {
      ...{ left: CUT_EDGE + CUT_PAD, right: CUT_EDGE + this.cut.width * MM - CUT_PAD },
      ...{ top: height - CUT_EDGE - CUT_PAD, low: low + CUT_FOOT, foot: low },
    };
  }

  /** Where lines begin, points from the left. */
  private get x(): number {
    return this.area.left;
  }
  /** Width of what is written, points. */
  get width(): number {
    return this.area.right - this.area.left;
  }
  /** Room left on the page, points. */
  get left(): number {
    return this.y - this.area.low;
  }
  get fullHeight(): number {
    return this.area.top - this.area.low;
  }

  /**
   * Pages to come are cut to a size: what is larger than the sheet is as large as the sheet in that direction. Nothing is written beyond the line.
   * @param cut null: no longer; likewise where the sheet is smaller in both directions, so that there is nothing to cut
   */
  cutTo(cut: Cut | null): void {
    const [width, height] = this.size.map((points) => (points - 2 * CUT_EDGE) / MM) as [number, number];
    this.cut =
      cut === null || (cut.width >= width && cut.height >= height)
        ? null
        : { width: Math.min(cut.width, width), height: Math.min(cut.height, height) };
  }

  /** A picture as it is embedded, once; null: it is not at hand, or damaged. */
  private async imageOf(photo: string): Promise<PDFImage | null> {
    const known = this.images.get(photo);
    if (known !== undefined) return known;
    const bytes = this.photos.get(photo);
    const image = bytes === undefined ? null : await this.pdf.embedJpg(bytes).catch(() => null);
    this.images.set(photo, image);
    return image;
  }

  turn(): void {
    this.page = this.pdf.addPage([...this.size]);
    const area = this.area;
    this.written.set(this.page, area);
    this.y = area.top;
    if (this.cut !== null)
      this.page.drawRectangle({
        ...{ x: CUT_EDGE, y: this.size[1] - CUT_EDGE - this.cut.height * MM },
        ...{ width: this.cut.width * MM, height: this.cut.height * MM },
        ...{ borderColor: SOFT, borderWidth: 0.5, borderDashArray: [4, 3] },
      });
  }

  /** Turns the page where so much does not go on it any more, points. */
  need(points: number): void {
    if (!this.page || this.left < points) this.turn();
  }

  space(points: number): void {
    this.y -= points;
  }

  /**
   * Level 1 begins a page.
   * @param keep so much of what follows stands on the same page, points
   */
  heading(words: string, level: 1 | 2 = 1, keep = 26): void {
    const size = level === 1 ? 20 : 13;
    if (level === 1) this.turn();
    else {
      this.need(size * 2 + keep);
      this.space(10);
    }
    this.headed.push({ words, level, page: this.page, y: this.y });
    for (const line of this.type.lines(words, size, this.width, 'bold')) {
      this.y -= size;
      this.type.draw(this.page, line, { x: this.x, y: this.y, size, weight: 'bold' });
      this.y -= size * 0.25;
    }
    this.space(level === 1 ? 8 : 3);
  }

  text(words: string, { size = 10, weight = 'regular' as Weight, soft = false, indent = 0 } = {}): void {
    for (const line of this.type.lines(words, size, this.width - indent, weight)) {
      this.need(size * LEADING);
      this.y -= size * LEADING;
      const color = soft ? SOFT : INK;
      this.type.draw(this.page, line, { x: this.x + indent, y: this.y + size * 0.3, size, weight, color });
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
        ...{ x: this.x, y: this.y - size * LEADING + 1, width: size + 1, height: size + 1 },
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
      (_, i) => this.x + inset + wide * columns.slice(0, i).reduce((sum, c) => sum + c.share, 0),
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
        ...{ start: { x: this.x, y: this.y }, end: { x: this.x + this.width, y: this.y } },
        ...{ thickness: 0.4, color: LINE },
      });
    }
  }

  /** How high a drawing is on the page, and its scale. */
  private fitted(sheet: Sheet, most: number, toScale: boolean): { height: number; scale: Scale } {
    const e = extent(sheet);
    const [wide, high] = [e.right - e.left, e.top - e.bottom];
    const room = { width: this.width, height: most - 2 * CAPTION };
    const free = Math.max(wide / (room.width / MM), high / (room.height / MM));
    const scale = toScale ? scaleIn(wide, high, room, this.measure) : { n: free, words: '' };
    return { height: (high / scale.n) * MM, scale };
  }

  /** What a drawing takes of a page with what is said of it, points. */
  heightOf(sheet: Sheet, most: number): number {
    return this.fitted(sheet, most, true).height + 2 * CAPTION;
  }

  /**
   * A drawing as wide as the page and so high at most, in its scale, with a length to check it by.
   * @param most points
   * @param toScale where it is drawn in millimetres; bearings are not
   */
  drawing(sheet: Sheet, most: number, caption = '', toScale = true): void {
    const { height, scale } = this.fitted(sheet, most, toScale);
    this.need(height + 2 * CAPTION);
    this.y -= CAPTION;
    const said = [...(caption === '' ? [] : [caption]), ...(toScale ? [scale.words] : [])].join(', ');
    this.type.draw(this.page, said, { x: this.x, y: this.y + 3, size: 8, color: SOFT });
    if (toScale)
      scaleBar(this.page, this.type, scale, this.measure, {
        right: this.x + this.width,
        y: this.y + 7,
        width: this.width,
      });
    this.y -= height + 4;
    drawOn(this.page, this.type, sheet, { x: this.x, y: this.y, width: this.width, height }, this.measure, scale);
    this.y -= CAPTION - 4;
  }

  /** Pictures beside each other, each with what is said of it; they keep their shape. Those that are not at hand are left out. */
  async pictures(pictures: readonly Picture[], columns: number, most: number): Promise<void> {
    const shown: { image: PDFImage; words: string }[] = [];
    for (const { photo, words } of pictures) {
      const image = await this.imageOf(photo);
      if (image) shown.push({ image, words });
    }
    const gap = 10;
    const column = (this.width - gap * (columns - 1)) / columns;
    for (let first = 0; first < shown.length; first += columns) {
      const row = shown.slice(first, first + columns).map(({ image, words }) => {
        const { width, height } = image.scaleToFit(column, most);
        return { image, width, height, lines: this.type.lines(words, 8, column).slice(0, 2) };
      });
      const high = Math.max(...row.map((r) => r.height));
      const said = Math.max(...row.map((r) => r.lines.length)) * 8 * LEADING;
      this.need(high + said + 8);
      this.y -= 4;
      for (const [i, { image, width, height, lines }] of row.entries()) {
        const x = this.x + i * (column + gap);
        this.page.drawImage(image, { x, y: this.y - height, width, height });
        for (const [n, line] of lines.entries())
          this.type.draw(this.page, line, { x, y: this.y - high - (n + 1) * 8 * LEADING + 2, size: 8, color: SOFT });
      }
      this.y -= high + said + 4;
    }
  }

  /** Colours in their order, edge to edge as they lie in a row, each with its name below. */
  swatches(row: readonly { colour: string; name: string }[]): void {
    const size = 7.5;
    const most = Math.max(1, Math.floor(this.width / 56));
    // lines of one length, and colours no larger where they are few
    const per = Math.ceil(row.length / Math.ceil(row.length / most));
    const cell = Math.min(84, this.width / per);
    for (let first = 0; first < row.length; first += per) {
      const some = row.slice(first, first + per).map(({ colour, name }) => ({
        colour,
        lines: this.type.lines(name, size, cell - 4),
      }));
      const lines = Math.max(...some.map((s) => s.lines.length));
      this.need(28 + lines * size * LEADING + 6);
      this.y -= 28;
      for (const [i, { colour, lines: said }] of some.entries()) {
        const x = this.x + i * cell;
        this.page.drawRectangle({
          ...{ x, y: this.y, width: cell, height: 26 },
          ...{ color: colourOf(colour), borderColor: INK, borderWidth: 0.3 },
        });
        for (const [n, line] of said.entries())
          this.type.draw(this.page, line, { x: x + 1, y: this.y - (n + 1) * size * LEADING + 1, size });
      }
      this.y -= lines * size * LEADING + 6;
    }
  }

  /**
   * Boxes of one size beside and below each other, as many as there are; somebody else draws into them.
   * @param draw is told the page and its height, and the box in mm from the left and the top of the sheet
   */
  boxes<T>(
    all: readonly T[],
    each: Cut,
    draw: (one: T, page: PDFPage, box: { x: number; y: number; width: number; height: number }, top: number) => void,
  ): void {
    const columns = Math.max(1, Math.floor((this.width + 0.5) / (each.width * MM)));
    for (const [i, one] of all.entries()) {
      if (i % columns === 0) {
        this.need(each.height * MM + 2);
        this.y -= each.height * MM;
      }
      const box = {
        x: this.x / MM + (i % columns) * each.width,
        y: (this.size[1] - this.y) / MM - each.height,
        ...each,
      };
      draw(one, this.page, box, this.size[1]);
    }
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
      scaleBar(this.page, this.type, scale, this.measure, {
        right: this.x + this.width,
        y: this.y + 7,
        width: this.width,
      });
      for (const [i, { sheet, e }] of row.entries()) {
        const own = points(e.top - e.bottom);
        const area: Area = { x: this.x + i * (column + gap), y: this.y - 6 - own, width: column, height: own };
        const [line] = this.type.lines(`${sheet.title}, ${scale.words}`, 8, i === columns - 1 ? column * 0.5 : column);
        this.type.draw(this.page, line ?? '', { x: area.x, y: this.y + 3, size: 8, color: SOFT });
        drawOn(this.page, this.type, sheet, area, this.measure, scale);
      }
      this.y -= points(high) + CAPTION;
    }
  }
}
