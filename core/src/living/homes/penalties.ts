import { natureOf, type Plan, saidIn, type Share, type Supply } from '../../record/plan/index.ts';
import { type BandNumber, type Spot } from '../../space/reach/index.ts';
import { weightOf } from './weights.ts';
import { type Case, type Whose } from './penalty-case.ts';
import { type Rule, RULES } from './penalty-rules.ts';

/** Something that speaks against a thing lying in a place, set at so many seconds a year, and why. */
export type Penalty = { seconds: number; words: string; care: boolean };

const caseOf = (
  plan: Plan,
  supply: Supply,
  share: Share,
  spot: Spot,
  band: BandNumber | null,
  fetches: number,
): Case => {
  const place = plan.places[spot.place.id] ?? spot.place;
  return { plan, supply, share, spot, place, nature: natureOf(place), band, fetches };
};

const concerning = (who: Whose): readonly Rule[] => RULES.filter((rule) => rule.concerns?.(who) ?? true);

/** What speaks against a share of a supply lying somewhere, apart from the way to it, s a year: for many places of one share. */
export function penaltiesOf(
  plan: Plan,
  supply: Supply,
  share: Share,
  fetches: number,
): (spot: Spot, band: BandNumber | null) => number {
  const rules = concerning({ plan, supply, share, fetches });
  const weights = rules.map(({ weighed }) => (weighed === null ? 1 : weightOf(plan, weighed)));
  return (spot, band) => {
    const c = caseOf(plan, supply, share, spot, band, fetches);
    let sum = 0;
    for (let i = 0; i < rules.length; i++) {
      const seconds = rules[i]!.seconds(c);
      if (seconds > 0) sum += seconds * weights[i]!;
    }
    return sum;
  };
}

/** The same with words, each by itself. */
export function penaltiesFor(
  plan: Plan,
  supply: Supply,
  share: Share,
  spot: Spot,
  band: BandNumber | null,
  fetches: number,
): Penalty[] {
  const c = caseOf(plan, supply, share, spot, band, fetches);
  return concerning(c).flatMap((rule) => {
    const seconds = rule.seconds(c) * (rule.weighed === null ? 1 : weightOf(plan, rule.weighed));
    return seconds > 0 ? [{ seconds, words: saidIn(plan, rule.words(c, seconds)), care: rule.care ?? false }] : [];
  });
}
