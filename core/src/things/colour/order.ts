import { type ColourRow, type Supply } from '../../record/plan/index.ts';
import { HUE_FAMILIES, toneOf } from './hue.ts';

export type Order = ColourRow['order'];

/** What a thing is put in order by. */
export type Coloured = Pick<Supply, 'id' | 'name' | 'colour' | 'line' | 'theme' | 'width' | 'depth'>;

const collator = new Intl.Collator('en', { numeric: true, sensitivity: 'base' });

/**
 * Sets two things in the order of a school: families of hue, light before dark within each; lightness; names; lines or themes, and names within them;
 * sizes, the smallest first. What has no colour, no line or no size comes last.
 */
export function compareBy(order: Order): (a: Coloured, b: Coloured) => number {
  const byName = (a: Coloured, b: Coloured) => collator.compare(a.name, b.name) || (a.id < b.id ? -1 : 1);
  if (order === 'name') return byName;
  if (order === 'line' || order === 'theme')
    return (a, b) => +(a[order] === '') - +(b[order] === '') || collator.compare(a[order], b[order]) || byName(a, b);
  if (order === 'size') return (a, b) => areaOf(a) - areaOf(b) || byName(a, b);
  return (a, b) => {
    if (a.colour === null || b.colour === null) return +(a.colour === null) - +(b.colour === null) || byName(a, b);
    const [x, y] = [toneOf(a.colour), toneOf(b.colour)];
    const family = order === 'rainbow' ? HUE_FAMILIES.indexOf(x.family) - HUE_FAMILIES.indexOf(y.family) : 0;
    return family || y.lightness - x.lightness || x.hue - y.hue || byName(a, b);
  };
}

const areaOf = (thing: Coloured): number =>
  thing.width === null || thing.depth === null ? Number.MAX_VALUE : thing.width * thing.depth;

/** Whether a row is in order; gaps (null) do not matter, and one thing may have several slots beside each other. */
export function isInOrder(slots: readonly (Coloured | null)[], order: Order): boolean {
  const compare = compareBy(order);
  const filled = slots.filter((s) => s !== null);
  return filled.every((s, i) => i === 0 || s.id === filled[i - 1]!.id || compare(filled[i - 1]!, s) < 0);
}
