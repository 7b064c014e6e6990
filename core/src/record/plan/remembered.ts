import { type Plan } from './plan.ts';
import { type TableName } from './tables.ts';

/** What an answer may be worked out from: tables, and the plan’s own row. */
export type Read = TableName | 'head';

/** Whether two states of a plan are the same in all that an answer reads. */
export const readsSame = <K extends Read>(reads: readonly K[], a: Pick<Plan, K>, b: Pick<Plan, K>): boolean =>
  reads.every((t) => a[t] === b[t]);
