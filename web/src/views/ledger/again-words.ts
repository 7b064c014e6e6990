import { nameOfPlace } from '@heronstone/core/concepts';
import { type Again, foundAgainOf } from '@heronstone/core/homes';
import { type Plan, placeTitle } from '@heronstone/core/plan';
import { countWords, yearWords } from '../../ui/words.ts';

/** From here on a thing is known by heart, and up to there it is not remembered. */
const [KNOWN, FORGOTTEN] = [0.8, 0.35];
/** So many wrong places are named. */
const NAMED = 2;

const often = (fetches: number) => {
  const times = Math.round(fetches);
  if (times < 1) return 'hardly ever';
  return times === 1 ? 'once a year' : times === 2 ? 'twice a year' : `${times} times a year`;
};
const list = (words: readonly string[]) => words.join(' and ');

/**
 * Whether a home is found again, in a sentence or two: “Wanted twice a year: you will not remember it. You would look in Sewing and Buttons first.”
 * @returns null where nobody fetches it
 */
export function againWords(plan: Plan, homeId: string): string | null {
  const found = foundAgainOf(plan, homeId);
  if (!found || found.again.fetches <= 0) return null;
  const { again } = found;
  if (again.inView) return 'In view of where it is used: nothing to be remembered.';
  const wanted = `Wanted ${often(again.fetches)}: ${knownWords(again)}.`;
  if (again.remembered >= KNOWN) return wanted;
  const better = found.before.filter((p) => p.match < again.match);
  const names = [
    ...new Set(better.map((p) => nameOfPlace(plan, p.placeId)?.words ?? placeTitle(plan, plan.places[p.placeId]!))),
  ];
  const cost = again.year >= 60 ? ` That is ${yearWords(again.year)}.` : '';
  return `${wanted} ${whereWords(names, again)}${cost}`;
}

const knownWords = ({ remembered }: Again) =>
  remembered >= KNOWN
    ? 'you know it by heart'
    : remembered <= FORGOTTEN
      ? 'you will not remember where it is'
      : 'you will remember it about every other time';

function whereWords(names: readonly string[], { looks, blind }: Again): string {
  const silent = blind >= 0.5 ? ' A label would say which of them it is.' : '';
  if (names.length > 0) {
    const more = names.length - NAMED;
    return `You would look in ${list(names.slice(0, NAMED))}${more > 0 ? ` and ${countWords(more, 'other place', 'other places')}` : ''} first.${silent}`;
  }
  if (looks < 1.25) return `Its name leads you there at the first look.${silent}`;
  return `Several places go by its name: ${looks.toFixed(1)} looks.${silent}`;
}
