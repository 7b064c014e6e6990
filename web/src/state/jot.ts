import { type DiaryEntry, newId } from '@heronstone/core/plan';
import { jotting } from '@heronstone/core/upkeep';
import { today } from '../ui/words.ts';
import { usePlan } from './plan-store.ts';

export type Jotting = Pick<DiaryEntry, 'what'> & Partial<DiaryEntry>;

/** Writes lines into the log, of this moment. False when that was refused. */
export function jot(...lines: readonly Jotting[]): boolean {
  if (lines.length === 0) return true;
  const at = new Date().toISOString();
  const { dispatch } = usePlan.getState();
  return dispatch({
    type: 'jot',
    entries: lines.map(({ what, ...about }) => jotting(newId('log'), at, today(), what, about)),
  });
}
