/** Which mark stands before the decimals: `1,200.5` (dot) or `1.200,5` (comma). */
export type DecimalMark = 'dot' | 'comma';

const TOKEN = /\d[\d.,]*\d|\d/g;
/** One mark with three digits behind it: thousands to some, decimals to others. */
const UNCLEAR = /^[1-9]\d{0,2},\d{3}$/;
const COMMA_GROUPS = /^\d{1,3}(,\d{3})+$/;
const DOT_GROUPS = /^\d{1,3}(\.\d{3})+$/;

/** What one number, as written, tells of the mark its writer uses; null: nothing. */
function evidence(token: string): DecimalMark | null {
  const comma = token.lastIndexOf(',');
  const dot = token.lastIndexOf('.');
  if (comma >= 0 && dot >= 0) return dot > comma ? 'dot' : 'comma';
  if (comma >= 0) {
    if (UNCLEAR.test(token)) return null;
    return COMMA_GROUPS.test(token) && token.split(',').length > 2 ? 'dot' : 'comma';
  }
  if (dot < 0 || /^[1-9]\d{0,2}\.\d{3}$/.test(token)) return null;
  return DOT_GROUPS.test(token) && token.split('.').length > 2 ? 'comma' : 'dot';
}

/** The decimal mark that all clear numbers in some texts agree on; null when there are none, or both. */
export function decimalMarkOf(texts: Iterable<string>): DecimalMark | null {
  const found = new Set<DecimalMark>();
  for (const text of texts)
    for (const [token] of text.matchAll(TOKEN)) {
      const mark = evidence(token);
      if (mark) found.add(mark);
    }
  return found.size === 1 ? [...found][0]! : null;
}

export type PlainNumbers = { ok: true; text: string } | { ok: false; unclear: string };

/**
 * A text with every number in it written plainly, with a dot before its decimals and nothing between its thousands. Where the mark is not
 * known, `1,200` is unclear (`1.200` is one and two tenths).
 */
export function plainNumbers(text: string, mark: DecimalMark | null): PlainNumbers {
  let unclear: string | null = null;
  const plain = text.replace(TOKEN, (token) => {
    if (!/[.,]/.test(token)) return token;
    const decimal = evidence(token) ?? mark ?? (token.includes(',') ? null : 'dot');
    if (decimal === null) unclear ??= token;
    const [groups, point] = decimal === 'comma' ? ['.', ','] : [',', '.'];
    return token.replaceAll(groups, '').replace(point, '.');
  });
  return unclear === null ? { ok: true, text: plain } : { ok: false, unclear };
}
