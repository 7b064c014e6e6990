import { type Zone } from '@heronstone/core/plan';
import { type Together } from '@heronstone/core/zones';
import { yearWords } from '../../../ui/words.ts';
import { type ZonesFound } from '../../../workers/zones.worker.ts';

export const RULE_WORDS: Record<Zone['rule'], string> = {
  only: 'for it alone',
  first: 'it first, then others',
};

/** What keeping zones costs, homes found with them and without. */
export const costWords = ({ free, zoned }: ZonesFound): string =>
  zoned - free > 60
    ? `Keeping them costs you ${yearWords(zoned - free)} against free placement.`
    : 'Keeping them costs you nothing against free placement.';

/** Where the places kept for a zone lie, seen from its seat. */
export function liesWords({ lies, station }: Pick<Together, 'lies' | 'station'>): string {
  if (!lies || !station) return 'No place is kept for it yet.';
  return `It lies ${lies === 'ahead' || lies === 'behind' ? lies : `on the ${lies}`} of ${station.name}.`;
}
