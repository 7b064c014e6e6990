import { type CloseCall } from '@heronstone/core/fit';
import { formatLength } from '@heronstone/core/lengths';
import { type Plan } from '@heronstone/core/plan';

/** How much larger a thing may be and still go in, or how much smaller a place: “4 mm larger than seen”, “12 % larger than guessed”. */
export const closeWords = (
  close: CloseCall,
  measure: Plan['head']['measure'],
  than: 'larger' | 'smaller' = 'larger',
): string =>
  'mm' in close
    ? `${formatLength(close.mm, measure)} ${than} than seen`
    : `${Math.floor(close.share * 100)} % ${than} than guessed`;
