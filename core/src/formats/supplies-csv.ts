import Papa from 'papaparse';
import { parseLength } from '../lengths/index.ts';
import { type Plan, Supply } from '../plan/index.ts';

/** The documented header; only `name` is needed. Lengths carry their unit, a bare number is millimetres. Lists are split by `;`. */
export const CSV_COLUMNS = [
  'name',
  'family',
  'form',
  'width',
  'depth',
  'height',
  'mass_g',
  'grammage',
  'working',
  'backstock',
  'stack_limit',
  'lies',
  'sensitive',
  'hazards',
  'colour',
  'note',
] as const;
type Column = (typeof CSV_COLUMNS)[number];

export type CsvTrouble = { line: number; reason: string };
export type CsvReport = {
  /** good rows, ready to add */
  supplies: Supply[];
  /** rows left out, each with its line in the file and why */
  troubles: CsvTrouble[];
  /** columns that have no meaning here; their cells are kept in the note */
  unknown: string[];
};

const FORMULA = /^[=+\-@\t\r]/;
/** A cell that a spreadsheet would run as a formula is written with an apostrophe before it. */
const safeCell = (text: string) => (FORMULA.test(text) ? `'${text}` : text);
const plainCell = (text: string) => (text.startsWith("'") && FORMULA.test(text.slice(1)) ? text.slice(1) : text);

class BadCell extends Error {}

/**
 * Reads supplies from CSV text. Good rows are never lost to bad ones; a file without a `name` column gives no rows and one trouble.
 * @param makeId gives the id of each new supply
 */
export function readSupplies(text: string, makeId: () => string): CsvReport {
  const parsed = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy' });
  const [header, ...rows] = parsed.data;
  if (!header) return { supplies: [], troubles: [{ line: 1, reason: 'The file is empty.' }], unknown: [] };
  const keys = header.map((h) => h.trim().toLowerCase().replace(/[ -]+/g, '_'));
  if (!keys.includes('name')) {
    const found = header
      .map((h) => h.trim())
      .filter(Boolean)
      .slice(0, 8)
      .join(', ');
    return {
      supplies: [],
      troubles: [{ line: 1, reason: `There is no column called “name”. The first line has: ${found || 'nothing'}.` }],
      unknown: [],
    };
  }
  const known = (key: string): key is Column => (CSV_COLUMNS as readonly string[]).includes(key);
  const unknown = header.filter((h, i) => !known(keys[i]!) && h.trim() !== '').map((h) => h.trim());
  const supplies: Supply[] = [];
  const troubles: CsvTrouble[] = [];
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
      const row = supplyFrom(cell, extra, makeId());
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
    }
  });
  return { supplies, troubles, unknown };
}

function number(cell: Partial<Record<Column, string>>, key: Column, empty: number): number;
function number(cell: Partial<Record<Column, string>>, key: Column, empty: null): number | null;
function number(cell: Partial<Record<Column, string>>, key: Column, empty: number | null): number | null {
  const text = cell[key];
  if (text === undefined || text === '') return empty;
  const n = Number(text.replace(',', '.'));
  if (!Number.isFinite(n)) throw new BadCell(`${key}: “${text}” is not a number`);
  return n;
}

function length(cell: Partial<Record<Column, string>>, key: Column): number | null {
  const text = cell[key];
  if (text === undefined || text === '') return null;
  const parsed = parseLength(/^[\d.,\s]+$/.test(text) ? `${text} mm` : text, 'metric');
  if (!parsed.ok) throw new BadCell(`${key}: ${parsed.reason}`);
  if (parsed.mm === 0) throw new BadCell(`${key}: must be more than zero`);
  return parsed.mm;
}

function words(cell: Partial<Record<Column, string>>, key: Column): string[] {
  return (cell[key] ?? '')
    .split(';')
    .map((w) => w.trim().toLowerCase())
    .filter(Boolean);
}

function supplyFrom(cell: Partial<Record<Column, string>>, extra: string[], id: string): unknown {
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
    mass: number(cell, 'mass_g', 0),
    grammage: number(cell, 'grammage', null),
    working: number(cell, 'working', 1),
    backstock: number(cell, 'backstock', 0),
    stackLimit: number(cell, 'stack_limit', null),
    lies: lies.length > 0 ? lies : form === 'sheet' ? ['flat'] : ['flat', 'edge', 'upright'],
    sensitive: words(cell, 'sensitive'),
    hazards: words(cell, 'hazards'),
    colour: cell.colour ? cell.colour.toLowerCase() : null,
    note: [cell.note ?? '', ...extra].filter(Boolean).join('\n').slice(0, 2000),
  };
}

/** All supplies of a plan as CSV with the documented header, in order of name. */
export function writeSupplies(plan: Pick<Plan, 'supplies'>): string {
  const size = (mm: number | null) => (mm === null ? '' : `${Number(mm.toFixed(3))} mm`);
  const rows = Object.values(plan.supplies)
    .sort((a, b) => (a.name < b.name ? -1 : a.name > b.name ? 1 : a.id < b.id ? -1 : 1))
    .map((s) => [
      s.name,
      s.family,
      s.form,
      size(s.width),
      size(s.depth),
      size(s.height),
      String(s.mass),
      s.grammage === null ? '' : String(s.grammage),
      String(s.working),
      String(s.backstock),
      s.stackLimit === null ? '' : String(s.stackLimit),
      s.lies.join(';'),
      s.sensitive.join(';'),
      s.hazards.join(';'),
      s.colour ?? '',
      s.note,
    ]);
  return `${Papa.unparse([[...CSV_COLUMNS], ...rows.map((r) => r.map(safeCell))])}\r\n`;
}
