import { type ListInHand } from '../../../workers/csv.worker.ts';

export type TableInHand = Extract<ListInHand['list'], { what: 'table' }>;

/** Rows of the preview, and of each list below it. */
export const SHOWN = 6;
