import { type ColourRow } from '../plan/index.ts';
import { HUE_FAMILIES, toneOf } from './hue.ts';

export type Order = ColourRow['order'];

/** What a thing is put in order by. */
export type Coloured = { id: string; name: string; colour: string | null; line: string };

const collator = new Intl.Collator('en', { numeric: true, sensitivity: 'base' });

/**
 * Sets two things in the order of a school: families of hue, light before dark within each; lightness; names; lines, and names within them. What has no
 * colour comes last.
 */
export function compareBy(order: Order): (a: Coloured, b: Coloured) => number {
  const byName = (a: Coloured, b: Coloured) => collator.compare(a.name, b.name) || (a.id < b.id ? -1 : 1);
  if (order === 'name') return byName;
  if (order === 'line') return (a, b) => collator.compare(a.line, b.line) || byName(a, b);
  return (a, b) => {
    if (a.colour === null || b.colour === null) return +(a.colour === null) - +(b.colour === null) || byName(a, b);
    const [x, y] = [toneOf(a.colour), toneOf(b.colour)];
    const family = order === 'rainbow' ? HUE_FAMILIES.indexOf(x.family) - HUE_FAMILIES.indexOf(y.family) : 0;
    return family || y.lightness - x.lightness || x.hue - y.hue || byName(a, b);
  };
}

/** Whether a row is in order; gaps (null) do not matter, and one thing may have several slots beside each other. */
export function isInOrder(slots: readonly (Coloured | null)[], order: Order): boolean {
  const compare = compareBy(order);
  const filled = slots.filter((s) => s !== null);
  return filled.every((s, i) => i === 0 || s.id === filled[i - 1]!.id || compare(filled[i - 1]!, s) < 0);
}
