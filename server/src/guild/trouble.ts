import { Trouble } from '../store/trouble.ts';

const KEPT = 'What was saved before is kept; what is changed now waits in the browser and is saved when it is back.';

/** SQLSTATEs (PostgreSQL’s own table of them) that say the database, not the question, is at fault, in plain words. */
const WORDS: readonly (readonly [RegExp, string])[] = [
  [/^(08|57P0[1-5]|ECONN|ENOTFOUND|EHOSTUNREACH|ETIMEDOUT|EPIPE|EAI_)/, `The database does not answer. ${KEPT}`],
  [/^25006$/, `The database is only being read from right now. ${KEPT}`],
  [/^53100$/, `The disk of the database is full. ${KEPT}`],
  [/^(53|54000|57014|55P03|40001|40P01)/, `The database has too much to do right now. ${KEPT}`],
];

/** What is said when all connections are in use, or one breaks off without a code (node-postgres’ own words). */
const WITHOUT_CODE: readonly (readonly [RegExp, string])[] = [
  [/timeout exceeded when trying to connect/, WORDS[3]![1]],
  [/Connection terminated|Client has encountered a connection error|Connection ended/, WORDS[0]![1]],
];

/** Trouble of the database that may pass, in plain words; null for any other error. */
export function passingTrouble(error: unknown): Trouble | null {
  if (error instanceof Trouble) return error;
  const { code, message = '', errors } = error as { code?: string; message?: string; errors?: unknown[] };
  // refused on every address of a name
  if (errors?.[0] !== undefined) return passingTrouble(errors[0]);
  const [, words] =
    WORDS.find(([which]) => code !== undefined && which.test(code)) ??
    WITHOUT_CODE.find(([which]) => which.test(message)) ??
    [];
  return words === undefined ? null : new Trouble(words, { cause: error });
}
