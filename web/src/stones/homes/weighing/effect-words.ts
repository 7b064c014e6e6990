import { type Effect } from '@heronstone/core/homes';
import { countWords, yearWords } from '../../../ui/words.ts';

/** “41 min a year less, 12 l more room taken”. */
export function effectWords(effect: Effect, now: Effect): string {
  const seconds = effect.seconds - now.seconds;
  const litres = Math.round(effect.litres - now.litres);
  const parts = [
    Math.abs(seconds) < 60
      ? 'no difference in time'
      : `${yearWords(Math.abs(seconds))} ${seconds < 0 ? 'less' : 'more'}`,
    ...(litres === 0 ? [] : [`${Math.abs(litres)} l ${litres < 0 ? 'less' : 'more'} room taken`]),
    ...(effect.without === now.without
      ? []
      : [
          `${countWords(Math.abs(effect.without - now.without), 'thing', 'things')} ${effect.without > now.without ? 'more' : 'fewer'} without a home`,
        ]),
    ...(effect.buy.length === 0
      ? []
      : [
          `to buy: ${effect.buy
            .slice(0, 4)
            .map((b) => `${b.more} ${b.supply.name}`)
            .join(', ')}${effect.buy.length > 4 ? ' …' : ''}`,
        ]),
  ];
  return parts.join(', ');
}
