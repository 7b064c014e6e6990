import { placeSaid } from '@heronstone/core/concepts';
import { homesOf, monthWords, type Plan, restingMonths, type Supply, wantedMonths } from '@heronstone/core/plan';

/** Where a thing rests out of its season, and what that means for it, in whole sentences. */
export function seasonWords(plan: Plan, supply: Supply): { seasonal: boolean; rests: boolean; words: string } {
  const [home] = homesOf(plan, supply.id, 'resting');
  const place = home && plan.places[home.placeId];
  const resting = restingMonths(plan, supply);
  const seasonal = resting.length > 0;
  const sentences: string[] = [];
  if (supply.months.length === 0)
    sentences.push(
      seasonal
        ? `None pressed: as what uses it is made, ${monthWords(wantedMonths(plan, supply))}.`
        : 'None pressed: wanted all the year.',
    );
  if (place && seasonal) sentences.push(`In ${monthWords(resting)} it rests in ${placeSaid(plan, place)}.`);
  if (place && !seasonal)
    sentences.push(`It is said to rest in ${placeSaid(plan, place)}, and is wanted all the year.`);
  if (!place && seasonal) sentences.push('Out of its season it stays where it is.');
  return { seasonal, rests: place !== undefined, words: sentences.join(' ') };
}
