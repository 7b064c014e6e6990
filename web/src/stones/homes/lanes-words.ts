import { inSentence } from '@heronstone/core/concepts';
import { type LanesOffer } from '@heronstone/core/homes';
import { longWords } from '../../ui/words.ts';

const WHERE = {
  lanes: { 2: ['left', 'right'], 3: ['left', 'middle', 'right'] },
  rows: { 2: ['front', 'back'], 3: ['front', 'middle', 'back'] },
} as const;

/** What goes where when a place is parted: “left: needles; right: clips”. */
export function lanesSaid({ along, lanes }: Pick<LanesOffer, 'along' | 'lanes'>): string {
  const where: readonly string[] =
    along === 'lanes' || along === 'rows' ? (WHERE[along][lanes.length as 2 | 3] ?? []) : [];
  return lanes.map(({ name }, i) => `${where[i] ?? i + 1}: ${inSentence(name)}`).join('; ');
}

/** What that gives: how much less a year, and in how many places one looks. */
export function lanesGive({ saves, looks }: Pick<LanesOffer, 'saves' | 'looks'>): string {
  const looked =
    looks.before - looks.after < 0.05
      ? ''
      : `, found in ${looks.after.toFixed(1)} looks instead of ${looks.before.toFixed(1)}`;
  return `It counts for ${longWords(saves)} a year${looked}.`;
}
