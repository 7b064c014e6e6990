import { type Ready } from '@heronstone/core/tryout';
import { countWords, longWords } from '../../ui/words.ts';

/** “Kites: 45 things, 7 units, 2 min”. */
export function readyWords(
  name: string,
  { brought, stops, alone, seconds }: Pick<Ready, 'brought' | 'stops' | 'alone' | 'seconds'>,
): string {
  const things = stops.reduce((sum, s) => sum + s.things.length, 0) + alone.length;
  const first = brought.map((b) => b.name).join(' and ');
  if (things === 0) return first ? `${name}: bring ${first}, and all is there` : `${name}: nothing to get together`;
  const units = new Set([...stops.map((s) => s.unit.id), ...alone.map((a) => a.place.unitId)]).size;
  return `${name}: ${first ? `bring ${first}; ` : ''}${countWords(things, 'thing', 'things')}, ${countWords(units, 'unit', 'units')}, ${longWords(seconds)}`;
}
