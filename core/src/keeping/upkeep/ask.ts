import { type Command, type DiaryEntry } from '../../record/plan/index.ts';

/** What asks for a hand. */
export type AskKind =
  | 'putBack'
  | 'season'
  | 'trip'
  | 'buy'
  | 'label'
  | 'new'
  | 'kit'
  | 'overFull'
  | 'resting'
  | 'review'
  | 'uses'
  | 'doing';

/** One way to be done with it: a change of the plan, lines for the log, or both. */
export type Answer = {
  words: string;
  command?: Command;
  jots?: readonly (Pick<DiaryEntry, 'what'> & Partial<DiaryEntry>)[];
};

export type Ask = {
  /** the same as long as it asks for the same */
  key: string;
  kind: AskKind;
  words: string;
  detail: string;
  /** one tap each; none: it is done on its own page */
  answers: Answer[];
  /** page of keep-up, or what to show at another stone */
  go: { view: string } | { stone: string; query: string } | null;
};

/** A key without signs that keys may not have. */
export const safe = (key: string) => key.replace(/[^A-Za-z0-9:._-]/g, '_').slice(0, 400);

/** “1 thing”, “3 things”. */
export const count = (n: number, one: string, many: string) => `${n} ${n === 1 ? one : many}`;

/** Names of a few, and how many more there are. */
export const names = (list: readonly { name: string }[]) =>
  list.length > 4
    ? `${list
        .slice(0, 3)
        .map((s) => s.name)
        .join(', ')} and ${list.length - 3} more`
    : list.map((s) => s.name).join(', ');
