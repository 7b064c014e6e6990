import fontkit from '@pdf-lib/fontkit';
import {
  beginText,
  type Color,
  endText,
  type PDFDocument,
  type PDFFont,
  PDFHexString,
  type PDFName,
  type PDFPage,
  popGraphicsState,
  pushGraphicsState,
  rgb,
  setFillingColor,
  setFontAndSize,
  setTextMatrix,
  showText,
} from 'pdf-lib';

/** Files of the faces a print is set in, TrueType, OpenType or WOFF: each letter is taken from the first that has it. */
export type Faces = { regular: readonly Uint8Array[]; bold: readonly Uint8Array[] };
export type Weight = keyof Faces;

export const INK = rgb(0.14, 0.2, 0.23);
/** Stands for a letter no face has. */
const STAND_IN = '·';

/**
 * One embedded face. Letters are set one by one, without kerning: laying words out took four fifths of the time of a book, and not one letter of
 * these scripts takes another shape beside another.
 */
class Face {
  private readonly set = new Map<string, { code: string; width: number }>();
  private readonly keys = new WeakMap<PDFPage, PDFName>();

  constructor(
    private readonly font: PDFFont,
    readonly letters: ReadonlySet<number>,
  ) {}

  /** A letter as it is written into the document, and its width at size 1, points. */
  letter(letter: string): { code: string; width: number } {
    let known = this.set.get(letter);
    if (!known) {
      known = { code: this.font.encodeText(letter).asString(), width: this.font.widthOfTextAtSize(letter, 1) };
      this.set.set(letter, known);
    }
    return known;
  }

  keyOn(page: PDFPage): PDFName {
    let key = this.keys.get(page);
    if (!key) {
      key = page.node.newFontDictionary(this.font.name, this.font.ref);
      this.keys.set(page, key);
    }
    return key;
  }
}

/** Letters of one face after each other: as they are written into the document, and how wide they are at size 1, points. */
type Run = { face: Face; code: string; width: number };

/** Where words stand: x and the line they stand on, points from the left and the foot of the page; degrees counter-clockwise. */
export type Standing = { x: number; y: number; size: number; weight?: Weight; color?: Color; angle?: number };

/** The letters of one document: its faces, embedded as far as they are used, and what they lack. */
export class Type {
  /** letters that were asked for and that no face has: a dot was printed for them */
  readonly lacking = new Set<string>();
  private readonly widths: Record<Weight, Map<string, number>> = { regular: new Map(), bold: new Map() };

  private constructor(private readonly faces: Record<Weight, Face[]>) {}

  /**
   * @param all the plan’s words that will be printed, or more: faces that are not needed for them stay out of the document. The first is always in
   *   it, and has the letters of the app’s own words
   * @throws when a face cannot be read
   */
  static async embed(pdf: PDFDocument, faces: Faces, all: string): Promise<Type> {
    pdf.registerFontkit(fontkit);
    const wanted = new Set([...all.normalize('NFC')].map((c) => c.codePointAt(0)!));
    const some = async (files: readonly Uint8Array[]): Promise<Face[]> => {
      const left = new Set(wanted);
      const found: Face[] = [];
      for (const bytes of files) {
        const letters = new Set(fontkit.create(bytes).characterSet);
        const has = [...left].filter((c) => letters.has(c));
        // the first is that of the app’s own words
        if (found.length > 0 && has.length === 0) continue;
        for (const c of has) left.delete(c);
        found.push(new Face(await pdf.embedFont(bytes, { subset: true }), letters));
      }
      return found;
    };
    return new Type({ regular: await some(faces.regular), bold: await some(faces.bold) });
  }

  /** Words as they are printed, by the face that has their letters. */
  private runs(words: string, weight: Weight): Run[] {
    const runs: Run[] = [];
    const all = this.faces[weight];
    for (const letter of words.normalize('NFC').replace(/\s/gu, ' ')) {
      const has = all.find((f) => f.letters.has(letter.codePointAt(0)!));
      if (!has) this.lacking.add(letter);
      const face = has ?? all[0]!;
      const { code, width } = face.letter(has ? letter : STAND_IN);
      const last = runs.at(-1);
      if (last && last.face === face) {
        last.code += code;
        last.width += width;
      } else runs.push({ face, code, width });
    }
    return runs;
  }

  /** How wide words are, points. */
  width(words: string, size: number, weight: Weight = 'regular'): number {
    const known = this.widths[weight];
    let one = known.get(words);
    if (one === undefined) {
      one = this.runs(words, weight).reduce((sum, r) => sum + r.width, 0);
      known.set(words, one);
    }
    return one * size;
  }

  /** {@link width} of one weight. */
  measuring(weight: Weight): (words: string, size: number) => number {
    return (words, size) => this.width(words, size, weight);
  }

  draw(page: PDFPage, words: string, { x, y, size, weight = 'regular', color = INK, angle = 0 }: Standing): void {
    const [c, s] = [Math.cos((angle * Math.PI) / 180), Math.sin((angle * Math.PI) / 180)];
    let along = 0;
    page.pushOperators(pushGraphicsState(), beginText(), setFillingColor(color));
    for (const { face, code, width } of this.runs(words, weight)) {
      page.pushOperators(
        setFontAndSize(face.keyOn(page), size),
        setTextMatrix(c, s, -s, c, x + along * c, y + along * s),
        showText(PDFHexString.of(code)),
      );
      along += width * size;
    }
    page.pushOperators(endText(), popGraphicsState());
  }

  /** Words broken into lines of a width, points; a word that is wider than a line is broken between letters. */
  lines(words: string, size: number, width: number, weight: Weight = 'regular'): string[] {
    const lines: string[] = [];
    let line = '';
    for (const word of words.split(/\s+/u).flatMap((w) => this.pieces(w, size, width, weight))) {
      const longer = line === '' ? word : `${line} ${word}`;
      if (line !== '' && this.width(longer, size, weight) > width) {
        lines.push(line);
        line = word;
      } else line = longer;
    }
    return line === '' ? lines : [...lines, line];
  }

  private pieces(word: string, size: number, width: number, weight: Weight): string[] {
    if (this.width(word, size, weight) <= width) return word === '' ? [] : [word];
    const pieces: string[] = [];
    let piece = '';
    for (const letter of word) {
      if (piece !== '' && this.width(piece + letter, size, weight) > width) {
        pieces.push(piece);
        piece = letter;
      } else piece += letter;
    }
    return [...pieces, piece];
  }
}
