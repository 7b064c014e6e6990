import { likelyKinds, kindOf } from '../../things/kinds/index.ts';
import { countIn } from './amounts.ts';
import { filledIn } from './containers.ts';
import { seasonIn } from './seasons.ts';

const HELD = /\b(?:box|jar|tin|bag|tub|basket|drawer|case|kit|set) of\b/i;
const AND = /\s+(?:and|&|\+)\s+/i;

/** A kind that a phrase names wholly, its count aside; null: none, or one in doubt. */
function wholly(phrase: string): string | null {
  const bare = countIn(phrase)?.rest ?? phrase.replace(/^(?:an?|the|my|some)\s+/i, '');
  const [best, next] = likelyKinds(bare, 2);
  if (!best?.whole) return null;
  return next?.whole && next.score === best.score ? null : best.kind.id;
}

/**
 * What stands in one line though it is two things: “seam ripper and small scissors”. A line is parted where each side names a kind of its own and
 * both together are no thing of that name (“hook and eye”); what fills one box together stays together.
 * @returns the parts; the line itself where it is one thing
 */
export function thingsIn(line: string): string[] {
  // “only in June and July” is said of one thing
  if (seasonIn(line, false).months.length > 0) return [line];
  const m = AND.exec(line);
  // what is in quotes or brackets is one name; “box of pins and needles” is one box
  if (!m || /["“”()]/.test(line) || HELD.test(line.slice(0, m.index))) return [line];
  const [before, after] = [line.slice(0, m.index).trim(), line.slice(m.index + m[0].length).trim()];
  if (before === '' || after === '' || filledIn(line, []) !== null || filledIn(before, []) !== null) return [line];
  const [one, other] = [wholly(before), wholly(after)];
  if (one === null || other === null || one === other) return [line];
  const together = wholly(line);
  // a kind whose own name says both
  if (together !== null && AND.test([kindOf(together)!.name, ...kindOf(together)!.others].join(' / '))) return [line];
  return [before, ...thingsIn(after)];
}
