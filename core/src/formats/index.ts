export { decodeText, type Decoded } from './decode.ts';
export { type DecimalMark } from './numbers.ts';
export { PLAN_VERSION, PlanFile, exportPlan, importPlan, planFileName, type PlanRead } from './plan-file.ts';
export { CSV_COLUMNS, readSupplies, writeSupplies, type CsvReport, type CsvTrouble } from './supplies-csv.ts';
