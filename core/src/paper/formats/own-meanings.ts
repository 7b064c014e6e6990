import Papa from 'papaparse';
import { wordsOf } from '../../things/kinds/index.ts';
import { type Measure } from '../../measures/lengths/index.ts';
import { colourIn, sizeOf, weightIn } from '../lines/index.ts';
import { type Plan, shortBlanks } from '../../record/plan/index.ts';

/** What a column of somebody’s own list may mean; empty: kept in the note under its heading. */
export const MEANINGS = [
  'name',
  'family',
  'size',
  'width',
  'depth',
  'height',
  'mass',
  'grammage',
  'working',
  'backstock',
  'packs',
  'packOf',
  'reorderAt',
  'colour',
  'maker',
  'line',
  'theme',
  'uses',
  'home',
  'note',
  '',
] as const;
export type Meaning = (typeof MEANINGS)[number];

/** A table as it was read: what stands in its first line, and the others. */
export type OwnTable = { headings: string[]; rows: string[][] };

/** More columns than this are no list of supplies. */
const MOST_COLUMNS = 200;

/**
 * Text as a table, whatever parts its cells (comma, semicolon, tab, bar).
 * @returns null when it has but one column: it is a list of lines then
 */
export function tableOf(text: string): OwnTable | null {
  const parsed = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), {
    skipEmptyLines: 'greedy',
    delimitersToGuess: [',', '\t', ';', '|'],
  });
  const [head, ...rows] = parsed.data;
  if (!head || rows.length === 0 || head.length > MOST_COLUMNS) return null;
  const width = parsed.data.reduce((most, r) => Math.max(most, r.length), 0);
  if (head.filter((h) => h.trim() !== '').length < 2 || width < 2) return null;
  // a comma within a line is no column: most lines of a table are as wide as its head
  const alike = rows.filter((r) => r.length === head.length).length;
  if (alike < rows.length * 0.6 || head.some((h) => /^\s*\d+([.,]\d+)?\s*$/.test(h))) return null;
  // a line of a list begins with how many; a heading does not
  if (/^\s*\d/.test(head[0]!)) return null;
  const headings = Array.from({ length: width }, (_, i) => shortBlanks(head[i] ?? '').trim() || `column ${i + 1}`);
  return { headings: unique(headings), rows: rows.map((r) => headings.map((_, i) => shortBlanks(r[i] ?? '').trim())) };
}

function unique(headings: readonly string[]): string[] {
  const seen = new Map<string, number>();
  return headings.map((h) => {
    const n = (seen.get(h) ?? 0) + 1;
    seen.set(h, n);
    return n === 1 ? h : `${h} (${n})`;
  });
}

/** Words of headings, the more particular first (common practice, no source). */
const BY_NAME: readonly [RegExp, Meaning][] = [
  [
    /(pack|pkg|box).*(size|qty|quantity|of|content|count)|(pieces|sheets|pcs|number).*(pack|pkg|box)|^per pack/,
    'packOf',
  ],
  [/^(no\.?|number|how many|count|qty|quantity)?\s*(of )?(packs?|packets?|pkgs?)$|^packs/, 'packs'],
  [/reorder|minimum|min\.? ?(stock|level)|buy (below|when)|par level|restock/, 'reorderAt'],
  [/backstock|reserve|spares?|extra|in storage|overflow|refills?|back-?up/, 'backstock'],
  [/g ?\/ ?m|gsm|grammage|paper ?weight|stock weight/, 'grammage'],
  [/weigh|mass|\bwt\b/, 'mass'],
  [/dimension|measure|\bsize\b|w ?x ?[dh]|l ?x ?w/, 'size'],
  [/\bwidth\b|\bwide\b|^w\b/, 'width'],
  [/\bdepth\b|\bdeep\b|\blength\b|\blong\b|^[dl]\b/, 'depth'],
  [/\bheight\b|\bhigh\b|\btall\b|thick|^h\b/, 'height'],
  [/colou?r|shade|\bhue\b/, 'colour'],
  [/maker|brand|manufactur/, 'maker'],
  [/\bline\b|\brange\b|collection|series/, 'line'],
  [/theme|occasion/, 'theme'],
  [/used? (for|in|with|by)|activit|project|craft|hobby|what for|purpose|\buse\b|\buses\b/, 'uses'],
  [/where|home|place|location|stored|lives|kept|storage|shelf|drawer|room/, 'home'],
  [/famil|categor|type|kind|group|class|section/, 'family'],
  [/note|remark|comment|memo|detail/, 'note'],
  [/count|qty|quantit|amount|how many|pieces|pcs|number|on hand|at hand|\bhave\b|stock|#|\bno\b/, 'working'],
  [/name|item|supply|supplies|thing|what|product|article|description|material|title/, 'name'],
];

/** What each column seems to mean, by its heading and by what stands in it; every meaning once but the note. */
export function meaningsOf(table: OwnTable, plan: Pick<Plan, 'activities'>): Meaning[] {
  const { headings, rows } = table;
  const taken = new Set<Meaning>();
  const out: Meaning[] = headings.map(() => '');
  const give = (i: number, meaning: Meaning) => {
    if (out[i] !== '' || (meaning !== 'note' && taken.has(meaning))) return;
    out[i] = meaning;
    taken.add(meaning);
  };
  const sample = rows.length <= 400 ? rows : rows.filter((_, i) => i % Math.ceil(rows.length / 400) === 0);
  const cells = headings.map((_, i) => sample.map((r) => r[i]!).filter((c) => c !== ''));
  const share = (i: number, is: (cell: string) => boolean) =>
    cells[i]!.length === 0 ? 0 : cells[i]!.filter(is).length / cells[i]!.length;
  const words = headings.map((h) => h.toLowerCase().replace(/[_-]+/g, ' ').trim());
  for (const [pattern, meaning] of BY_NAME)
    headings.forEach((_, i) => {
      if (out[i] === '' && pattern.test(words[i]!) && suits(meaning, (is) => share(i, is))) give(i, meaning);
    });
  // what no heading told is told by the cells
  const known = new Set(Object.values(plan.activities).flatMap((a) => wordsOf(a.name)));
  headings.forEach((_, i) => {
    if (out[i] !== '') return;
    if (share(i, isSize) > 0.6 && share(i, (c) => /[x×*]|dia|ø|by/i.test(c)) > 0.4) give(i, 'size');
    else if (share(i, (c) => weightIn(c, false) !== null) > 0.6) give(i, 'mass');
    else if (share(i, (c) => colourIn(c) !== null && wordsOf(c).length <= 3) > 0.6) give(i, 'colour');
    else if (known.size > 0 && share(i, (c) => wordsOf(c).some((w) => known.has(w))) > 0.6) give(i, 'uses');
  });
  if (!taken.has('name')) {
    // the column with the most letters in the most different cells
    const letters = headings.map((_, i) =>
      out[i] === '' || out[i] === 'family' ? new Set(cells[i]!.filter((c) => /\p{L}{3}/u.test(c))).size : 0,
    );
    const best = letters.indexOf(Math.max(...letters));
    if (letters[best]! > 0) {
      out[best] = 'name';
    }
  }
  if (!taken.has('working') && !taken.has('packs')) {
    const i = headings.findIndex((_, k) => out[k] === '' && share(k, (c) => /^\d{1,5}$/.test(c)) > 0.8);
    if (i >= 0) out[i] = 'working';
  }
  return out;
}

const isSize = (cell: string) => sizeOf(cell, 'metric') !== null;
const isNumber = (cell: string) =>
  /^[~≈]?\s*\d/.test(cell) || /^(a|one|two|three|few|some|many|lots|all|none|dozen)\b/i.test(cell);

/** Whether what stands in a column can be what its heading says. */
function suits(meaning: Meaning, share: (is: (cell: string) => boolean) => number): boolean {
  if (share(() => true) === 0) return true;
  if (meaning === 'name') return share((c) => /\p{L}{2}/u.test(c)) > 0.5;
  if (
    meaning === 'working' ||
    meaning === 'backstock' ||
    meaning === 'packs' ||
    meaning === 'packOf' ||
    meaning === 'reorderAt'
  )
    return share(isNumber) > 0.4;
  if (meaning === 'width' || meaning === 'depth' || meaning === 'height')
    return share((c) => sizeOf(c, 'metric')?.given.length === 1) > 0.4;
  if (meaning === 'mass' || meaning === 'grammage') return share((c) => /\d/.test(c)) > 0.4;
  if (meaning === 'size') return share((c) => /\d/.test(c) || /^(a\d|letter|legal)/i.test(c)) > 0.4;
  return true;
}

/** The unit that a heading says its bare numbers are in: “Width (in)”, “weight_g”. */
export function unitInHeading(heading: string): string | null {
  const m = /(?:[(\[_ ,]|\bin )(mm|cm|inch(?:es)?|in|g|kg|oz|lbs?|grams?|ounces?|pounds?)[)\].]?\s*$/i.exec(heading);
  return m ? m[1]!.toLowerCase() : null;
}

/** Whether a list is kept in inches: some of its sizes say so, or are written in fractions. */
export function measureOfTable(table: OwnTable, meanings: readonly Meaning[], usual: Measure): Measure {
  let metric = 0;
  let imperial = 0;
  table.headings.forEach((heading, i) => {
    if (!['size', 'width', 'depth', 'height', 'mass'].includes(meanings[i]!)) return;
    const unit = unitInHeading(heading);
    if (unit && /^(in|oz|lb|ounce|pound)/.test(unit)) imperial += 50;
    else if (unit) metric += 50;
    for (const row of table.rows.slice(0, 400)) {
      const cell = row[i]!;
      if (/["”″]|\b(in|inch|inches|ft|oz|lb|lbs)\b|\d\/\d/i.test(cell)) imperial++;
      if (/\d\s?(mm|cm|m|kg|g)\b/i.test(cell)) metric++;
    }
  });
  return imperial === metric ? usual : imperial > metric ? 'imperial' : 'metric';
}
