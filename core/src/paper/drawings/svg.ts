import { extent, LAYERS, type Layer, type Mark, roughly, type Sheet } from './sheet.ts';

const STROKE: Record<Layer, number> = {
  walls: 30,
  openings: 12,
  fixtures: 8,
  units: 12,
  places: 5,
  containers: 4,
  things: 3,
  names: 3,
  'floor-uses': 6,
  seats: 8,
  lengths: 4,
};
const PAD = 120;

/** What XML 1.0 has no place for (its production Char): control characters, halves of pairs, U+FFFE and U+FFFF. */
const NO_CHAR = /[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]|\p{Cs}/gu;
const escape = (words: string) => words.replace(/[<>&"']/g, (c) => `&#${c.charCodeAt(0)};`).replace(NO_CHAR, '');
const n = (mm: number) => String(Math.round(mm * 100) / 100);

/**
 * A drawing as SVG, to scale: one millimetre of the room is 1/scale mm on paper; coordinates inside are millimetres of the room.
 * @param scale 20 for 1 : 20
 */
export function toSvg(sheet: Sheet, scale = 20): string {
  const e = extent(sheet);
  const [w, h] = [e.right - e.left + 2 * PAD, e.top - e.bottom + 2 * PAD];
  // y runs down on paper
  const point = (x: number, y: number) => `${n(x - e.left + PAD)},${n(e.top - y + PAD)}`;
  const one = (mark: Mark): string => {
    if (mark.kind === 'path') {
      const tag = mark.closed ? 'polygon' : 'polyline';
      const dash = mark.dashed ? ' stroke-dasharray="60 40"' : '';
      const fill = mark.fill === undefined ? '' : ` fill="${mark.fill}"`;
      return `<${tag} points="${mark.points.map((p) => point(p.x, p.y)).join(' ')}"${dash}${fill}/>`;
    }
    const [x, y] = point(mark.at.x, mark.at.y).split(',');
    const turn = mark.angle === 0 ? '' : ` transform="rotate(${n(-mark.angle)} ${x} ${y})"`;
    const said = mark.within ? roughly(mark) : { words: mark.text, size: mark.size * 1.4 };
    return said === null
      ? ''
      : `<text x="${x}" y="${y}" font-size="${n(said.size)}"${turn}>${escape(said.words)}</text>`;
  };
  const layers = LAYERS.map((layer) => {
    const marks = sheet.marks.filter((m) => m.layer === layer).map(one);
    return marks.length ? `<g id="${layer}" stroke-width="${STROKE[layer]}">\n${marks.join('\n')}\n</g>` : '';
  }).filter(Boolean);
  return `<?xml version="1.0" encoding="UTF-8"?>
<svg xmlns="http://www.w3.org/2000/svg" width="${n(w / scale)}mm" height="${n(h / scale)}mm" viewBox="0 0 ${n(w)} ${n(h)}" fill="none" stroke="#24323b" stroke-linejoin="round">
<title>${escape(sheet.title)} (1 : ${n(scale)})</title>
<style>text { fill: #24323b; stroke: none; text-anchor: middle; dominant-baseline: middle; font-family: sans-serif }</style>
${layers.join('\n')}
</svg>
`;
}
