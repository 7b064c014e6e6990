/** A day as it is written in plans. Browsers give half-typed years as whole days (0002-05-01): that is none yet. */
const WHOLE = /^[12]\d{3}-\d\d-\d\d$/;

/** What a date field says: a day, none, or one that is only half typed (undefined). */
export function wholeDay(text: string): string | null | undefined {
  if (text === '') return null;
  return WHOLE.test(text) ? text : undefined;
}
