import { type Measure } from '../../measures/lengths/index.ts';
import { lineContextOf, type LineRead, linesOf, readLine } from '../lines/index.ts';
import { newId, type Plan } from '../../record/plan/index.ts';
import { type DecimalMark } from './numbers.ts';
import { type Meaning, meaningsOf, type OwnTable, tableOf } from './own-meanings.ts';
import { type OwnReading, type RowRead } from './own-reading.ts';
import { readAgainst } from './own-table-again.ts';
import { readOwnTable } from './own-table.ts';
import { CSV_COLUMNS, type CsvReport, fieldsOf, readSupplies } from './supplies-csv.ts';

/** A list as it was read, whatever it was: our own CSV, a table with headings of its own, or plain lines. */
export type ListRead =
  | { what: 'ours'; report: CsvReport; reading: OwnReading }
  | { what: 'table'; table: OwnTable; meanings: Meaning[]; reading: OwnReading }
  | { what: 'lines'; lines: { line: number; text: string; read: LineRead }[] };

export type Asked = {
  measure: Measure;
  /** what the columns mean, where the maker has said it */
  meanings?: readonly Meaning[] | null;
  /** the decimal mark of our own CSV, where the maker has said it */
  decimal?: DecimalMark | null;
  makeId?: () => string;
};

/** Reads a list against a plan: nothing in it is changed, what would be is told. */
export function readList(
  text: string,
  plan: Plan,
  { measure, meanings = null, decimal = null, makeId = () => newId('supply') }: Asked,
): ListRead {
  const table = tableOf(text);
  const headings = (text.replace(/^\uFEFF/, '').split(/\r\n|\r|\n/)[0] ?? '')
    .split(/[,;\t]/)
    .map((h) => h.trim().toLowerCase().replace(/^"|"$/g, '').replace(/[ -]+/g, '_'));
  if (meanings === null && isOurs(headings)) {
    const report = readSupplies(text, makeId, decimal);
    const said = fieldsOf(headings);
    const rows = report.supplies.map((supply, i): RowRead => ({
      line: i + 2,
      text: supply.name,
      supply,
      said,
      guessed: [...supply.usual, ...supply.unsure],
      doubts: [],
      uses: [],
      placeId: null,
    }));
    return {
      what: 'ours',
      report,
      reading: readAgainst(plan, rows, measure, { troubles: report.troubles, kept: report.unknown }),
    };
  }
  if (table) {
    const means = meanings ?? saidBefore(plan, table) ?? meaningsOf(table, plan);
    const filled = table.headings.map((_, i): Meaning => means[i] ?? '');
    return {
      what: 'table',
      table,
      meanings: filled,
      reading: readOwnTable(table, plan, { meanings: filled, measure, makeId }),
    };
  }
  const context = { ...lineContextOf(plan, null), measure };
  return {
    what: 'lines',
    lines: linesOf(text).map((line, i) => ({
      line: i + 1,
      text: line,
      read: readLine(line, context),
    })),
  };
}

/** Our own list: its name column, and most others under the names that we write. */
function isOurs(headings: readonly string[]): boolean {
  const known = headings.filter((h) => (CSV_COLUMNS as readonly string[]).includes(h));
  return (
    headings.includes('name') &&
    (known.length === headings.length || known.length >= 4) &&
    (known.length > 1 || headings.length === 1) &&
    !headings.includes('size')
  );
}

/** A list with the same headings as one that was read before means the same. */
function saidBefore(plan: Plan, table: OwnTable): Meaning[] | null {
  const before = Object.values(plan.ownLists).find(
    (l) => l.headings.length === table.headings.length && l.headings.every((h, i) => h === table.headings[i]),
  );
  return before ? (before.meanings as Meaning[]) : null;
}
