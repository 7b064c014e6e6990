import { type Share } from './rows/index.ts';

/** What is said behind the name of a supply: nothing of what is at hand. */
export const shareWord = (share: Share): string =>
  ({ working: '', backstock: 'reserve', resting: 'out of season' })[share];

/** “nothing at hand”, “nothing in reserve”. */
export const sharePhrase = (share: Share): string =>
  ({ working: 'at hand', backstock: 'in reserve', resting: 'to put away out of its season' })[share];
