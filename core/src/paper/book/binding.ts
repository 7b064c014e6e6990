import { PDFHexString, PDFName, PDFNumber, type PDFRef } from 'pdf-lib';
import { type Weight } from '../type/index.ts';
import { type Headed, MARGIN, type Pages, SOFT } from './pages.ts';

/**
 * Puts contents, bookmarks, links and page numbers on, and writes all of it.
 * @param contentsAfter so many pages come before the contents, and have no number; null: no contents
 */
export async function bind(pages: Pages, contentsAfter: number | null = 1): Promise<Uint8Array> {
  pages.cutTo(null);
  const {
    pdf,
    type,
    size: [, height],
    width: wide,
  } = pages;
  const per = Math.floor((pages.fullHeight - 40) / 16);
  const listed = contentsAfter === null ? [] : pages.headed;
  const sheets = listed.length === 0 ? 0 : Math.ceil(listed.length / per);
  const inserted = Array.from({ length: sheets }, (_, i) => pdf.insertPage(contentsAfter! + i, [...pages.size]));
  const all = pdf.getPages();
  const numberOf = new Map(all.map((p, i) => [p, i + 1]));
  for (const [i, page] of inserted.entries()) {
    let y = height - MARGIN - 20;
    if (i === 0) type.draw(page, 'Contents', { x: MARGIN, y, size: 20, weight: 'bold' });
    y -= 24;
    const links: PDFRef[] = [];
    for (const { words, level, page: to, y: top } of listed.slice(i * per, (i + 1) * per)) {
      const number = String(numberOf.get(to));
      const size = level === 1 ? 11 : 9.5;
      const indent = level === 1 ? 0 : 14;
      const [line] = type.lines(words, size, wide - indent - 40, level === 1 ? 'bold' : 'regular');
      const weight: Weight = level === 1 ? 'bold' : 'regular';
      type.draw(page, line ?? '', { x: MARGIN + indent, y, size, weight });
      const right = MARGIN + wide;
      type.draw(page, number, { x: right - type.width(number, size), y, size });
      links.push(
        pdf.context.register(
          pdf.context.obj({
            ...{ Type: 'Annot', Subtype: 'Link', Border: [0, 0, 0] },
            ...{ Rect: [MARGIN, y - 3, right, y + 11], Dest: [to.ref, 'XYZ', null, top + 4, null] },
          }),
        ),
      );
      y -= 16;
    }
    page.node.set(PDFName.of('Annots'), pdf.context.obj(links));
  }
  const whole = { left: MARGIN, right: MARGIN + wide, foot: MARGIN - 12 };
  for (const [page, number] of numberOf) {
    if (number <= (contentsAfter ?? 0)) continue;
    const { left, right, foot } = pages.written.get(page) ?? whole;
    const words = `${number}`;
    const begins = right - type.width(words, 9);
    const [said] = type.lines(pages.foot, 8, begins - left - 8);
    type.draw(page, said ?? '', { x: left, y: foot, size: 8, color: SOFT });
    type.draw(page, words, { x: begins, y: foot, size: 9 });
  }
  bookmarks(pages);
  return pdf.save({ useObjectStreams: true });
}

/** The book’s own table of contents, which a reader shows beside it. */
function bookmarks({ pdf, headed }: Pages): void {
  const { context, catalog } = pdf;
  if (headed.length === 0) return;
  const root = context.nextRef();
  type Node = { headed: Headed; ref: PDFRef; inner: Node[] };
  const tops: Node[] = [];
  for (const one of headed) {
    const node = { headed: one, ref: context.nextRef(), inner: [] };
    if (one.level === 1 || tops.length === 0) tops.push(node);
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
