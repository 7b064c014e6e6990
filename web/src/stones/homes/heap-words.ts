import { inSentence } from '@heronstone/core/concepts';
import { type EmptyBeside } from '@heronstone/core/homes';
import { longWords } from '../../ui/words.ts';

/** Less than this is no difference, s a year. */
const NOTHING = 60;

/** Why a place beside a heap stays empty, or what of the heap would be better there. */
export function whyEmpty({ best, reason }: Pick<EmptyBeside, 'best' | 'reason'>): string {
  if (!best)
    return reason === '' ? 'nothing of it finds room there, or may lie beside what is there.' : inSentence(reason);
  if (isBetter({ best })) return `${best.supply.name} there would count for ${longWords(-best.change)} a year less.`;
  const more = best.change < NOTHING ? 'as much as now' : `${longWords(best.change)} a year more in all`;
  return `${best.supply.name} would cost least there: ${more}.`;
}

/** Whether something of the heap is better there than where it lies. */
export const isBetter = ({ best }: Pick<EmptyBeside, 'best'>): boolean => best !== null && best.change <= -NOTHING;

/** Places that stay empty for the same reason are said together. */
export function sameReason(beside: readonly EmptyBeside[]): { places: EmptyBeside['place'][]; of: EmptyBeside }[] {
  const by = new Map<string, { places: EmptyBeside['place'][]; of: EmptyBeside }>();
  for (const one of beside) {
    const key = one.best ? one.place.id : one.reason;
    const known = by.get(key);
    if (known) known.places.push(one.place);
    else by.set(key, { places: [one.place], of: one });
  }
  return [...by.values()];
}
