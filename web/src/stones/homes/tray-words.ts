import { countWords } from '../../ui/words.ts';

/**
 * What is said of things that have a home which does not hold them, and so count as without one; null: there are none, or it is not counted yet.
 * @param listed without any home; @param counted without one that holds them, by the figures of the plan
 */
export function notHeldWords(listed: number, counted: number | null): string | null {
  const more = counted === null ? 0 : counted - listed;
  if (more <= 0) return null;
  return `${countWords(more, 'has', 'have')} a home that does not hold ${more === 1 ? 'it' : 'them'}: too full, too small, or out of reach. Find homes gives ${more === 1 ? 'it another' : 'them others'}.`;
}
