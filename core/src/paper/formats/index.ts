export { decodeText, type Decoded } from './decode.ts';
export { type DecimalMark } from './numbers.ts';
export {
  PLAN_VERSION,
  PlanFile,
  exportPlan,
  photosOf,
  importPlan,
  planFileName,
  type PlanRead,
  withPhotosAs,
} from './plan-file.ts';
export { CSV_COLUMNS, readSupplies, writeSupplies, type CsvReport, type CsvTrouble } from './supplies-csv.ts';
export { MEANINGS, meaningsOf, measureOfTable, tableOf, type Meaning, type OwnTable } from './own-meanings.ts';
export { readList, type ListRead } from './read-list.ts';
export { readOwnTable } from './own-table.ts';
export { type Change, type OwnReading, type RowRead } from './own-reading.ts';
export { takeOwnTable } from './own-take.ts';
export { writeOwnTable } from './own-write.ts';
