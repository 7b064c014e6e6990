export { PlanFile, exportPlan, importPlan, planFileName, type PlanRead } from './plan-file.ts';
export { CSV_COLUMNS, readSupplies, writeSupplies, type CsvReport, type CsvTrouble } from './supplies-csv.ts';
