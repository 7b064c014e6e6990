import { wordsOf } from '../../things/kinds/index.ts';
import { type Measure } from '../../measures/lengths/index.ts';
import { type Doubt } from '../lines/index.ts';
import type { Supply } from '../../record/plan/index.ts';
import { type Sized } from '../../record/plan/index.ts';
import { type Meaning } from './own-meanings.ts';

/** One line of a list of one’s own, understood. */
export type RowRead = {
  /** line in the file, the heading being the first */
  line: number;
  text: string;
  supply: Supply;
  /** fields that the line itself says; the others are usual ones */
  said: (keyof Supply)[];
  guessed: Sized[];
  doubts: Doubt[];
  /** names of activities that use it */
  uses: string[];
  /** where it says it lives, when that is a place of the plan */
  placeId: string | null;
};

export type Change = { field: keyof Supply | 'uses'; from: string; to: string };

/** What reading a list would do: what is new, what changes, what is as it was, and what could not be read. */
export type OwnReading = {
  measure: Measure;
  fresh: RowRead[];
  changed: { row: RowRead; supplyId: string; set: Partial<Supply>; changes: Change[] }[];
  same: RowRead[];
  troubles: { line: number; reason: string }[];
  /** activities named that the plan has not */
  activities: string[];
  /** headings whose cells are kept in the note */
  kept: string[];
};

/** What columns mean, in which measure lengths are, and how ids are made. */
export type Asked = { meanings: readonly Meaning[]; measure: Measure; makeId?: () => string };

/** Stands for every activity. */
export const ALL = '*';

/** What tells one name from another when a list is read again: its words in one spelling. */
export const keyOf = (name: string) => wordsOf(name).join(' ') || name.toLowerCase().trim();

/** Whether a cell is a number and nothing else. */
export const bare = (cell: string) => /^[~≈]?\s*(?:\d+ \d+\/\d+|\d+\/\d+|\d+(?:[.,]\d+)?)$/.test(cell);

/** A row as it is read, before it is known which supply it is. */
export type Draft = Omit<RowRead, 'line' | 'text' | 'supply'> & { supply: Omit<Supply, 'id'> };

/** Whether a name begins with how many: “3 rolls of …”. */
export const counted = (name: string) => /^\s*\d+\s*(?:x\s|packs?|rolls?|boxes|\s\p{L})/iu.test(name);
