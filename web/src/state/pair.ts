import { type Plan, type PlanHead } from '@heronstone/core/plan';
import type { Counted } from '../workers/homes.worker.ts';

/** One of two states of the homes of a room. */
export type Side = { name: string; plan: Plan; sum: Counted };

/** Two of them to be set beside each other: before and after *find homes*, or found twice under two ways of working; kept until it is put away. */
export type Pair = {
  planId: string;
  sides: readonly [Side, Side];
  /** what choosing the second way would set; null where the second side is the plan as it is now */
  choose: Partial<PlanHead> | null;
  /** what was done, in a few sentences */
  told?: readonly string[];
  /** how good it is proven to be, and what it cost */
  proven?: string;
};
