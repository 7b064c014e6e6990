/** Codes of coins there are (ISO 4217, as the browser knows them): three other letters are no coin. */
const COINS: ReadonlySet<string> = new Set(Intl.supportedValuesOf('currency'));

/** More is no price of a craft room. */
const MOST = 1_000_000;

export type Money = { ok: true; amount: number | null } | { ok: false; reason: string };

/**
 * An amount of money as people write it, in whatever coin is theirs: “60”, “60,50”, “€ 1.200”, “$1,250.50”, “12 CHF”. What stands behind the last comma or point is a
 * fraction when it has one or two figures. Nothing typed: not said.
 */
export function moneyIn(text: string): Money {
  const typed = text
    .trim()
    .replace(/^(?:\p{Sc}|[A-Za-z]{3}\b)\s*|\s*(?:\p{Sc}|\b[A-Za-z]{3})$/gu, (coin) =>
      /\p{Sc}/u.test(coin) || COINS.has(coin.trim().toUpperCase()) ? '' : coin,
    )
    .replace(/(?<=\d)[\s’'](?=\d{3}(?!\d))/g, '');
  if (text.trim() === '') return { ok: true, amount: null };
  const m = /^(\d+(?:[.,]\d{3})*)(?:[.,](\d{1,2}))?$/.exec(typed);
  if (!m)
    return {
      ok: false,
      reason: /^[-−]/.test(typed) ? 'It cannot be negative.' : `“${text}” is no amount of money: 60, or 60.50.`,
    };
  const amount = Number(`${m[1]!.replace(/[.,]/g, '')}.${m[2] ?? '0'}`);
  return amount <= MOST ? { ok: true, amount } : { ok: false, reason: `At most ${MOST}.` };
}

/** The same as it is shown: whole, or with two figures behind the point. */
export const moneyShown = (amount: number | null): string =>
  amount === null ? '' : Number.isInteger(amount) ? String(amount) : amount.toFixed(2);
