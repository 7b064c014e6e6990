import { type Role } from '../../state/access.ts';

const WORDS: Readonly<Record<Role, string>> = {
  keeper: 'Keepers change everything and say who comes in.',
  helper: 'Helpers tick, count, log, take out and put back, and look.',
  guest: 'Guests look at the plans and find things.',
};

/** What somebody in a role does, in a sentence. */
export const roleWords = (role: Role): string => WORDS[role];

/** A limit as it is said before it bites: null while there is plenty. */
export function limitWords(what: string, now: number, most: number): string | null {
  if (now < most * 0.8) return null;
  return now >= most
    ? `There is no room for more ${what}: ${most} of ${most}. Whoever runs this server can give more.`
    : `${now} of ${most} ${what}: nearly all there may be.`;
}
