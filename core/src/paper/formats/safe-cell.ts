/**
 * What a spreadsheet would run as a formula, at the start of a cell or behind anything it may split cells at, with the apostrophes before it.
 * (Common separators; `=` and `@` also behind blanks and colons.)
 */
const FORMULA = /(^|[,;|\t\r\n])(\s*)('*)(?=[=+\-@])|([ :])('*)(?=[=@])/g;
/** Writes one more apostrophe before each; {@link plainCell} takes one off again. */
export const safeCell = (text: string) =>
  text.replace(FORMULA, (_, start = '', space = '', marks = '', blank = '', more = '') =>
    blank ? `${blank}'${more}` : `${start}${space}'${marks}`,
  );
/** A cell as it was before {@link safeCell}. */
export const plainCell = (text: string) =>
  text.replace(FORMULA, (_, start = '', space = '', marks = '', blank = '', more = '') =>
    blank ? `${blank}${more.slice(1)}` : `${start}${space}${marks.slice(1)}`,
  );
