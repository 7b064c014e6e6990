import { placeSaid } from '../../living/concepts/index.ts';
import Papa from 'papaparse';
import { parseLength } from '../../measures/lengths/index.ts';
import { usualLies, countIn, cutText, homesOf, type Plan, SHARES, shareWord, Supply } from '../../record/plan/index.ts';
import { type DecimalMark, decimalMarkOf, plainNumbers } from './numbers.ts';
import { plainCell, safeCell } from './safe-cell.ts';

/**
 * The documented header; only `name` is needed. Lengths carry their unit, a bare number is millimetres; a mass is in grams or in ounces, as its heading says. Lists are split by `;`. `home` is written for
 * people to read (“Cube unit › cubby 2-2 › box 3”) and not taken over when it is read.
 */
export const CSV_COLUMNS = [
  'name',
  'family',
  'form',
  'width',
  'depth',
  'height',
  'mass_g',
  'mass_oz',
  'grammage',
  'working',
  'backstock',
  'stack_limit',
  'lies',
  'bears',
  'sensitive',
  'hazards',
  'colour',
  'note',
  'kind',
  'usual',
  'unsure',
  'pictured',
  'plus_minus',
  'pack_of',
  'reorder_at',
  'kept',
  'may_keep',
  'is_new',
  'decision',
  'decide_by',
  'months',
  'on_show',
  'open_width',
  'open_length',
  'maker',
  'line',
  'theme',
  'also_called',
  'life',
  'bought_in',
  'bought_on',
  'used_on',
  'shop',
  'price',
  'home',
] as const;
type Column = (typeof CSV_COLUMNS)[number];
const NUMERIC: readonly Column[] = [
  'width',
  'depth',
  'height',
  'mass_g',
  'mass_oz',
  'grammage',
  'working',
  'backstock',
  'stack_limit',
  'pack_of',
  'reorder_at',
  'price',
];

/** Grams of an ounce (exact by definition). */
const OUNCE = 28.349523125;

export type CsvTrouble = { line: number; reason: string };
export type CsvReport = {
  /** good rows, ready to add */
  supplies: Supply[];
  /** rows left out, each with its line in the file and why */
  troubles: CsvTrouble[];
  /** columns that have no meaning here; their cells are kept in the note */
  unknown: string[];
  /** which decimal mark the numbers were read with: as said, or as all clear ones in the list have it; null: none of them tells */
  decimal: DecimalMark | null;
  /** a number that may mean two things as long as the decimal mark is not said; rows with such are among the troubles */
  unclear: { line: number; number: string } | null;
};

class BadCell extends Error {}
/** A number that may mean two things. */
class Unclear extends BadCell {
  constructor(
    readonly number: string,
    key: Column,
  ) {
    super(
      `${key}: “${number}” may be ${number.replace(',', '')} or ${Number(number.replace(',', '.'))}; say which is meant`,
    );
  }
}

/**
 * Reads supplies from CSV text. Good rows are never lost to bad ones; a file without a `name` column gives no rows and one trouble.
 * @param makeId gives the id of each new supply
 * @param said the decimal mark, where the maker has said it
 */
export function readSupplies(text: string, makeId: () => string, said: DecimalMark | null = null): CsvReport {
  const parsed = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy' });
  const [header, ...rows] = parsed.data;
  const nothing = { supplies: [], unknown: [], decimal: null, unclear: null };
  if (!header) return { ...nothing, troubles: [{ line: 1, reason: 'The file is empty.' }] };
  const keys = header.map((h) => h.trim().toLowerCase().replace(/[ -]+/g, '_'));
  if (!keys.includes('name')) {
    const found = header
      .map((h) => h.trim())
      .filter(Boolean)
      .slice(0, 8)
      .join(', ');
    return {
      ...nothing,
      troubles: [{ line: 1, reason: `There is no column called “name”. The first line has: ${found || 'nothing'}.` }],
    };
  }
  const known = (key: string): key is Column => (CSV_COLUMNS as readonly string[]).includes(key);
  const unknown = header.filter((h, i) => !known(keys[i]!) && h.trim() !== '').map((h) => h.trim());
  const supplies: Supply[] = [];
  const troubles: CsvTrouble[] = [];
  const decimal = said ?? decimalMarkOf(cellsOf(rows, keys));
  let unclear: CsvReport['unclear'] = null;
  rows.forEach((cells, i) => {
    const line = i + 2;
    const cell: Partial<Record<Column, string>> = {};
    const extra: string[] = [];
    cells.forEach((raw, k) => {
      const value = plainCell(raw.trim());
      const key = keys[k];
      if (key !== undefined && known(key)) cell[key] = value;
      else if (value !== '' && key) extra.push(`${header[k]!.trim()}: ${value}`);
    });
    try {
      const row = supplyFrom(cell, extra, makeId(), decimal);
      const checked = Supply.safeParse(row);
      if (checked.success) supplies.push(checked.data);
      else
        troubles.push({
          line,
          reason: `${String(checked.error.issues[0]!.path[0])} ${checked.error.issues[0]!.message}`,
        });
    } catch (error) {
      if (!(error instanceof BadCell)) throw error;
      troubles.push({ line, reason: error.message });
      if (error instanceof Unclear) unclear ??= { line, number: error.number };
    }
  });
  return { supplies, troubles, unknown, decimal, unclear };
}

/** The cells that hold numbers. */
function* cellsOf(rows: readonly string[][], keys: readonly string[]): Iterable<string> {
  const columns = NUMERIC.map((key) => keys.indexOf(key)).filter((i) => i >= 0);
  for (const row of rows) for (const i of columns) if (row[i]) yield row[i];
}

type Cells = Partial<Record<Column, string>> & { decimal: DecimalMark | null };

/** A cell with its numbers written plainly, or null when it is empty. */
function plain(cell: Cells, key: Column): string | null {
  const text = cell[key];
  if (text === undefined || text === '') return null;
  const read = plainNumbers(text, cell.decimal);
  if (!read.ok) throw new Unclear(read.unclear, key);
  return read.text;
}

function number(cell: Cells, key: Column, empty: number): number;
function number(cell: Cells, key: Column, empty: null): number | null;
function number(cell: Cells, key: Column, empty: number | null): number | null {
  const text = plain(cell, key);
  if (text === null) return empty;
  const n = Number(text);
  if (!Number.isFinite(n)) throw new BadCell(`${key}: “${cell[key]}” is not a number`);
  return n;
}

function length(cell: Cells, key: Column): number | null {
  const text = plain(cell, key);
  if (text === null) return null;
  const parsed = parseLength(/^[\d.\s]+$/.test(text) ? `${text} mm` : text, 'metric');
  if (!parsed.ok) throw new BadCell(`${key}: ${parsed.reason}`);
  if (parsed.mm === 0) throw new BadCell(`${key}: must be more than zero`);
  return parsed.mm;
}

function words(cell: Cells, key: Column): string[] {
  return (cell[key] ?? '')
    .split(';')
    .map((w) => w.trim().toLowerCase())
    .filter(Boolean);
}

function yes(cell: Cells, key: Column): boolean {
  const text = (cell[key] ?? '').toLowerCase();
  if (!['', 'yes', 'no', 'true', 'false', '1', '0'].includes(text))
    throw new BadCell(`${key}: “${cell[key]}” is neither yes nor no`);
  return ['yes', 'true', '1'].includes(text);
}

function supplyFrom(
  row: Partial<Record<Column, string>>,
  extra: string[],
  id: string,
  decimal: DecimalMark | null,
): unknown {
  const cell: Cells = { ...row, decimal };
  if (!cell.name) throw new BadCell('there is no name');
  const lies = words(cell, 'lies');
  const form = (cell.form || 'block').toLowerCase();
  return {
    id,
    name: cell.name,
    family: cell.family ?? '',
    form,
    width: length(cell, 'width'),
    depth: length(cell, 'depth'),
    height: length(cell, 'height'),
    mass: number(cell, 'mass_g', null) ?? Number((number(cell, 'mass_oz', 0) * OUNCE).toFixed(3)),
    grammage: number(cell, 'grammage', null),
    working: number(cell, 'working', 1),
    backstock: number(cell, 'backstock', 0),
    stackLimit: number(cell, 'stack_limit', null),
    bears: yes(cell, 'bears'),
    lies: lies.length > 0 ? lies : usualLies(form),
    sensitive: words(cell, 'sensitive'),
    hazards: words(cell, 'hazards'),
    colour: cell.colour ? cell.colour.toLowerCase() : null,
    note: cutText([cell.note ?? '', ...extra].filter(Boolean).join('\n'), 2000),
    zoneId: null,
    kind: cell.kind ?? '',
    usual: words(cell, 'usual'),
    unsure: words(cell, 'unsure'),
    pictured: words(cell, 'pictured'),
    plusMinus: length(cell, 'plus_minus') ?? 0,
    packOf: number(cell, 'pack_of', 1),
    reorderAt: number(cell, 'reorder_at', null),
    storage: cell.kept || 'asBought',
    mayKeep: words(cell, 'may_keep'),
    isNew: yes(cell, 'is_new'),
    decision: cell.decision || 'open',
    decideBy: cell.decide_by || null,
    months: words(cell, 'months').map((m) => (/^\d+$/.test(m) ? Number(m) : m)),
    onShow: yes(cell, 'on_show'),
    openWidth: length(cell, 'open_width'),
    openLength: length(cell, 'open_length'),
    maker: cell.maker ?? '',
    line: cell.line ?? '',
    theme: cell.theme ?? '',
    alsoCalled: cell.also_called ?? '',
    life: cell.life || 'current',
    kit: cell.bought_in ?? '',
    boughtOn: cell.bought_on || null,
    usedOn: cell.used_on || null,
    shop: cell.shop ?? '',
    price: number(cell, 'price', null),
    photo: null,
  };
}

/** Fields of a supply whose columns are under other names. */
const FIELD: Partial<Record<Column, keyof Supply>> = {
  mass_g: 'mass',
  mass_oz: 'mass',
  stack_limit: 'stackLimit',
  pack_of: 'packOf',
  reorder_at: 'reorderAt',
  kept: 'storage',
  may_keep: 'mayKeep',
  is_new: 'isNew',
  decide_by: 'decideBy',
  on_show: 'onShow',
  open_width: 'openWidth',
  open_length: 'openLength',
  also_called: 'alsoCalled',
  bought_in: 'kit',
  bought_on: 'boughtOn',
  used_on: 'usedOn',
};

/** Which fields of a supply some headings of ours say. */
export function fieldsOf(headings: readonly string[]): (keyof Supply)[] {
  return CSV_COLUMNS.filter((c) => headings.includes(c) && c !== 'home' && c !== 'note').map(
    (c) => FIELD[c] ?? (c as keyof Supply),
  );
}

/** Where a supply lives, every home with its path and what the place is called; how many where there are several. */
function livesIn(plan: Plan, supply: Supply): string {
  const homes = SHARES.flatMap((share) => homesOf(plan, supply.id, share));
  return homes
    .flatMap((home) => {
      const place = plan.places[home.placeId];
      if (!place) return [];
      const more = [homes.length > 1 ? countIn(plan, home, supply) : null, shareWord(home.share) || null].filter(
        (x) => x !== null,
      );
      const many = more.length > 0 ? ` (${more.join(', ')})` : '';
      return [`${placeSaid(plan, place)}${many}`];
    })
    .join('; ');
}

/** All supplies of a plan as CSV with the documented header, in order of name; lengths and masses in the plan's own measure. */
export function writeSupplies(plan: Plan): string {
  const inches = plan.head.measure === 'imperial';
  const size = (mm: number | null) =>
    mm === null ? '' : inches ? `${Number((mm / 25.4).toFixed(5))} in` : `${Number(mm.toFixed(3))} mm`;
  const mass = (g: number) => String(inches ? Number((g / OUNCE).toFixed(4)) : g);
  const columns = CSV_COLUMNS.filter((c) => c !== (inches ? 'mass_g' : 'mass_oz'));
  const rows = Object.values(plan.supplies)
    .sort((a, b) => (a.name < b.name ? -1 : a.name > b.name ? 1 : a.id < b.id ? -1 : 1))
    .map((s) => [
      s.name,
      s.family,
      s.form,
      size(s.width),
      size(s.depth),
      size(s.height),
      mass(s.mass),
      s.grammage === null ? '' : String(s.grammage),
      String(s.working),
      String(s.backstock),
      s.stackLimit === null ? '' : String(s.stackLimit),
      s.lies.join(';'),
      s.bears ? 'yes' : '',
      s.sensitive.join(';'),
      s.hazards.join(';'),
      s.colour ?? '',
      s.note,
      s.kind,
      s.usual.join(';'),
      s.unsure.join(';'),
      s.pictured.join(';'),
      s.plusMinus === 0 ? '' : size(s.plusMinus),
      s.packOf === 1 ? '' : String(s.packOf),
      s.reorderAt === null ? '' : String(s.reorderAt),
      s.storage === 'asBought' ? '' : s.storage,
      s.mayKeep.join(';'),
      s.isNew ? 'yes' : '',
      s.decision === 'open' ? '' : s.decision,
      s.decideBy ?? '',
      s.months.join(';'),
      s.onShow ? 'yes' : '',
      size(s.openWidth),
      size(s.openLength),
      s.maker,
      s.line,
      s.theme,
      s.alsoCalled,
      s.life === 'current' ? '' : s.life,
      s.kit,
      s.boughtOn ?? '',
      s.usedOn ?? '',
      s.shop,
      s.price === null ? '' : String(s.price),
      livesIn(plan, s),
    ]);
  return `${Papa.unparse([columns, ...rows.map((r) => r.map(safeCell))])}\r\n`;
}
