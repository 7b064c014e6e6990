import { type CloseCall } from '@heronstone/core/fit';
import { formatLength } from '@heronstone/core/lengths';
import { type Plan } from '@heronstone/core/plan';

/** How much larger a thing may be and still go in: “4 mm larger than seen”, “12 % larger than guessed”. */
export const closeWords = (close: CloseCall, measure: Plan['head']['measure']): string =>
  'mm' in close
    ? `${formatLength(close.mm, measure)} larger than seen`
    : `${Math.floor(close.share * 100)} % larger than guessed`;
