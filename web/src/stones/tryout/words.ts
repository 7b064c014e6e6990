import { type Band, type Moment, type Toll } from '@heronstone/core/tryout';
import { placeSaid } from '@heronstone/core/concepts';
import { formatDistance, formatWeight, type Measure } from '@heronstone/core/lengths';
import { type Plan } from '@heronstone/core/plan';
import { bandColour, bandName } from '../../ui/words.ts';

export const bandWords = (band: Band): string => (band === 0 ? 'no home: dug out' : bandName(band));
export const colourOf = (band: Band): string => (band === 0 ? 'var(--clash)' : bandColour(band));

/** Seconds of a session: `48 s`, `12 min`, `1.4 h`. */
export function spentWords(s: number): string {
  if (Math.abs(s) < 100) return `${s.toFixed(0)} s`;
  if (Math.abs(s) < 6000) return `${(s / 60).toFixed(s < 600 ? 1 : 0)} min`;
  return `${(s / 3600).toFixed(1)} h`;
}

/** Grams to three figures. */
const tidy = (g: number) => Number(g.toPrecision(3));

/** What of a toll is shown, with its words. */
export const TOLL_WORDS: readonly (readonly [keyof Toll, string, (n: number, measure: Measure) => string])[] = [
  ['seconds', 'time', spentWords],
  ['paces', 'paces', (n) => n.toFixed(0)],
  ['wheeled', 'wheeled', (n, measure) => formatDistance(1000 * n, measure)],
  ['bends', 'bends and stoops', (n) => n.toFixed(0)],
  ['climbs', 'climbs', (n) => n.toFixed(n > 0 && n < 10 ? 1 : 0)],
  ['opened', 'drawers and doors opened', (n) => n.toFixed(0)],
  ['kilos', 'lifted', (n, measure) => formatWeight(tidy(1000 * n), measure)],
];

/** “get Craft knife from Wall board › board 1”. */
export function momentWords(plan: Plan, m: Moment): string {
  const place = m.placeId === null ? undefined : plan.places[m.placeId];
  const where = place ? placeSaid(plan, place) : null;
  if (m.what === 'bring')
    return `bring ${m.brought!.name}${where ? ` from ${where}` : ''}, and take it away at the end`;
  const group = m.together > 1 ? `, with ${m.together - 1} more from there` : '';
  if (m.what === 'reach') return `reach for ${m.supply!.name} over the table`;
  if (m.what === 'hand on') return `carry the work to ${m.to!.name}`;
  if (m.what === 'put back') return `put ${m.supply!.name} back${where ? ` into ${where}` : ''}${group}`;
  if (m.band === 0) return `look for ${m.supply!.name}: ${where ? `nobody gets at ${where}` : 'it has no home'}`;
  const again = m.need?.back === 'no room' && m.together === 1 ? ': no room for it on the table' : '';
  return `get ${m.supply!.name}${where ? ` from ${where}` : ''}${group}${again}`;
}
