import { lineContextOf } from '../lines/index.ts';
import { newId, type Plan, Supply } from '../../record/plan/index.ts';
import { measureOfTable, type OwnTable } from './own-meanings.ts';
import { plainCell } from './safe-cell.ts';
import { type Asked, type OwnReading, type RowRead } from './own-reading.ts';
import { readAgainst, tellApart } from './own-table-again.ts';
import { placesByName, rowOf } from './own-row.ts';

/**
 * Reads a list of one’s own. Nothing of it is lost: what does not fit its column goes into the note with its heading. Entries are known again by their
 * name, so that a list read twice updates and does not double; of the same name in one list, by their colour too.
 */
export function readOwnTable(
  table: OwnTable,
  plan: Plan,
  { meanings, measure, makeId = () => newId('supply') }: Asked,
): OwnReading {
  const own = measureOfTable(table, meanings, measure);
  const out: Pick<OwnReading, 'troubles' | 'kept'> = {
    troubles: [],
    kept: table.headings.filter((_, i) => meanings[i] === ''),
  };
  const nameAt = meanings.indexOf('name');
  if (nameAt < 0) {
    out.troubles.push({ line: 1, reason: 'No column says what each thing is called. Say which one does.' });
    return readAgainst(plan, [], own, out);
  }
  const places = placesByName(plan);
  const read: RowRead[] = [];
  table.rows.forEach((cells, i) => {
    const line = i + 2;
    const row = rowOf(
      cells.map(plainCell),
      table.headings,
      meanings,
      { ...lineContextOf(plan, null), measure: own, holders: [] },
      places,
    );
    if (typeof row === 'string') out.troubles.push({ line, reason: row });
    else {
      const checked = Supply.safeParse({ ...row.supply, id: makeId() });
      if (checked.success) read.push({ ...row, supply: checked.data, line, text: cells.filter(Boolean).join(', ') });
      else
        out.troubles.push({
          line,
          reason: `${String(checked.error.issues[0]!.path[0])} ${checked.error.issues[0]!.message}`,
        });
    }
  });
  tellApart(read);
  return readAgainst(plan, read, own, out);
}
