import { type Command } from '../../../record/plan/index.ts';

/** What is done: furniture, seats, containers, ways of keeping, tools, cutting ahead, moving out. */
export const CHANGE_KINDS = [
  'move',
  'seat',
  'cart',
  'kit',
  'lid',
  'door',
  'label',
  'lane',
  'away',
  'storage',
  'cutAhead',
  'container',
  'tool',
  'unit',
] as const;
export type ChangeKind = (typeof CHANGE_KINDS)[number];

/** Costs nothing; an hour’s work; to be bought. */
export const EFFORTS = ['free', 'work', 'buy'] as const;
export type Effort = (typeof EFFORTS)[number];

/** One change of a plan that could help. */
export type Change = {
  id: string;
  kind: ChangeKind;
  /** the id of what is changed: of two changes of one thing only one can be made */
  subject: string;
  words: string;
  effort: Effort;
  /** it takes about so long to do, besides carrying things to their new homes */
  minutes: number;
  /** in the maker’s own money; null: nobody said */
  price: number | null;
  /** under which its price is kept among the plan’s prices; not said: it has a price elsewhere, or none */
  priceId?: string;
  command: Command;
  /** what to look at on Floor */
  unitIds: string[];
  /** seconds a year it saves that homes know nothing of */
  besides: number;
  /** nothing has a better home for it */
  homesStay?: boolean;
};

/** How long things take to do, minutes (own assumptions). */
export const MINUTES = {
  move: 20,
  turn: 10,
  seat: 2,
  cart: 5,
  kit: 15,
  lid: 1,
  door: 10,
  label: 1,
  lane: 10,
  away: 15,
  storage: 2,
  cutAhead: 15,
  container: 3,
  tool: 2,
  unit: 60,
} as const;
