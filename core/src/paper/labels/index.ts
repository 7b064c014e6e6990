export { LABEL_STOCKS, stockTrouble, type LabelStock } from './stocks.ts';
export { codeOf, readCode, placeLabel, rowLabel, supplyLabel, type Coded, type LabelText } from './wording.ts';
export { DOTS, DOT_PATHS, dotWords } from './dots.ts';
export { qrOf, qrPath, QUIET, type QrCode } from './code.ts';
export { fitted, PT } from './fitting.ts';
export { drawLabel, labelsPdf } from './label-pdf.ts';
export { labelRun, type RunStop } from './label-run.ts';
