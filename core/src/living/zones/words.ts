import { type Nature } from '../../record/catalogue/index.ts';
import { type Said } from '../../measures/lengths/index.ts';
import { measureOf } from '../../things/fit/index.ts';
import { type Balance } from './balance.ts';

const OF: Record<Nature, string> = {
  row: 'of shelf',
  area: 'of drawer and board',
  bulk: 'of bins',
  pile: 'of piles',
  pockets: 'in binders',
};

/** “Kites need 1.40 m² of drawer and board, their zone has 0.90 m²”. */
export function balanceWords(name: string, { nature, needs, offers }: Balance, said: Said): string {
  const has = offers > 0 ? `the zone has ${measureOf(nature, offers, said)}` : 'the zone has none';
  return `${name} needs ${measureOf(nature, needs, said)} ${OF[nature]}, ${has}`;
}
