import { ONES, TENS } from './number-words.ts';

/** How many, as people say it. */
export type SaidCount = { count: number; sure: boolean; rest: string };

const WORDS: Readonly<Record<string, number>> = { ...ONES, ...TENS, hundred: 100 };
/** How many somebody means who does not count (own assumption): said as unsure. */
const VAGUE: Record<string, number> = { few: 4, some: 6, several: 7, many: 20, lots: 30, loads: 50, heaps: 50 };

const ABOUT =
  /^(?:(?:about|around|roughly)(?=\s)|approx(?:imately)?\.?(?=\s)|ca\.?(?=\s*\d)|circa|~|some(?= \d)|nearly(?=\s)|over(?=\s\d)|up to)\s*/i;
const SPELT = new RegExp(
  `^(?:an?\\s+(?=(?:hundred|dozen|couple|pair|few)\\b))?(half a dozen|a dozen|dozen|couple(?: of)?|${Object.keys(WORDS).join('|')})(?:\\s+(dozen))?\\s+(?:x\\s+)?(?=\\S)`,
  'i',
);
const FRONT =
  /^(\d{1,3}(?:[ ,.]\d{3})+(?!\d)|\d+(?!\d))(\+|\?|ish)?\s*(?:pcs?\.?|pieces?|x(?=\s))?\s*(?:of\s+)?(?=\S)/i;
/** A number that is the beginning of something else: 3D, 9V, 2-ply, 4/5, 5 %. */
const NO_COUNT =
  /^\d+(?:[.,]?\d)*(?:(?!ish\b)[a-wyz]|x[a-z0-9]|[-/%]\d|[.,]\d(?!\d\d(?!\d))|-[a-z]|\s?%|\s(?:m|yd|yards?|metres?|meters?|ft|feet|ml|cl|l|litres?|liters?|pts?|mil|pints?|qts?|quarts?|gal|gallons?|watts?|w|ply|hole)(?![a-z]))/i;
const DOZENS = /^(?:dozens?|doz\.?)\s+(?:of\s+)?(?=\S)/i;
const VAGUELY = new RegExp(`^(?:a\\s+)?(${Object.keys(VAGUE).join('|')})(?:\\s+of)?\\s+(?=\\S)`, 'i');
const BEHIND =
  /(?:(?:^|[\s,;:(])(?:x\s?|qty:?\s?|:\s?|=\s?|,\s?|\()(\d+)(?:\s?(?:pcs?\.?|pieces?|off|x))?\)?|[\s,](\d+)\s?(?:sheets?|pcs?\.?|pieces?|off|rolls?|balls?|spools?|bottles?)|(?<!\b(?:size|no|nr|number|type|drawer|box|shelf|part|set|series|vol))\s(\d+))\s*$/i;

/** Takes a count off the front of a line, or off its end (`ink pads x 12`, `ink pads: 12`); null when it says none. */
export function countIn(text: string): SaidCount | null {
  const about = ABOUT.exec(text);
  const t = about ? text.slice(about[0].length) : text;
  const numeric = FRONT.exec(t);
  if (numeric && !NO_COUNT.test(t)) {
    const dozens = DOZENS.exec(t.slice(numeric[0].length));
    const count = Number(numeric[1]!.replace(/[ ,.]/g, '')) * (dozens ? 12 : 1);
    if (dozens && count <= 1_000_000)
      return { count, sure: !about && !numeric[2], rest: t.slice(numeric[0].length + dozens[0].length) };
    if (count >= 1 && count <= 1_000_000)
      return { count, sure: !about && !numeric[2], rest: t.slice(numeric[0].length) };
  }
  const spelt = SPELT.exec(t);
  if (spelt) {
    const word = spelt[1]!.toLowerCase();
    const n = word.startsWith('half') ? 6 : word.endsWith('dozen') ? 12 : word.startsWith('couple') ? 2 : WORDS[word]!;
    return {
      count: n * (spelt[2] ? 12 : 1),
      sure: !about && !word.startsWith('couple'),
      rest: t.slice(spelt[0].length).replace(/^of /, ''),
    };
  }
  const vague = VAGUELY.exec(t);
  if (vague) return { count: VAGUE[vague[1]!.toLowerCase()]!, sure: false, rest: t.slice(vague[0].length) };
  const behind = BEHIND.exec(t);
  if (behind && behind.index > 0) {
    const count = Number(behind[1] ?? behind[2] ?? behind[3]);
    if (count >= 1 && count <= 1_000_000)
      return { count, sure: !about, rest: t.slice(0, behind.index).replace(/[\s,;:(x]+$/, '') };
  }
  const one = /^an?\s+(?=\S)/i.exec(t);
  return one ? { count: 1, sure: !about, rest: t.slice(one[0].length) } : null;
}

const SHARES: [RegExp, number][] = [
  [/^(?:one |a )?half(?: of)?(?: an?)?\s+/i, 1 / 2],
  [/^(?:1\/2)(?: of)?(?: an?)?\s+/i, 1 / 2],
  [/^(?:two[- ]thirds|2\/3)(?: of)?(?: an?)?\s+/i, 2 / 3],
  [/^(?:(?:one|a)[- ]third|1\/3)(?: of)?(?: an?)?\s+/i, 1 / 3],
  [/^(?:three[- ]quarters|3\/4)(?: of)?(?: an?)?\s+/i, 3 / 4],
  [/^(?:(?:one|a)[- ]quarter|1\/4|quarter)(?: of)?(?: an?)?\s+/i, 1 / 4],
  [/^most(?: of)?(?: an?)?\s+/i, 0.8],
];

/** Takes a share of something off the front: “half of …”, “two thirds of a …”. */
export function shareIn(text: string): { share: number; rest: string } | null {
  for (const [pattern, share] of SHARES) {
    const m = pattern.exec(text);
    if (m) return { share, rest: text.slice(m[0].length) };
  }
  return null;
}

/** Words that count packs as they are sold. */
const PACK =
  /^(packs?|packets?|pkts?|pks?|reams?|sleeves?|blisters?|boxes|box|sets?|bags?|bundles?)\.?\s+(?:of\s+(\d+)\s+(?:x\s+)?)?(?:of\s+)?(?=\S)/i;
const ALWAYS = /^(pack|packet|pkt|pk|ream|sleeve|blister)/i;

/**
 * Takes a pack off the front of what is left after the count: “packs of 25 …”, “ream of …”.
 * @returns how many are in one (null: not said); null when it is no pack
 */
export function packIn(text: string): { of: number | null; rest: string } | null {
  const m = PACK.exec(text);
  if (!m) return null;
  if (m[2] === undefined && !ALWAYS.test(m[1]!)) return null;
  const of = m[2] === undefined ? (m[1]!.toLowerCase().startsWith('ream') ? 500 : null) : Number(m[2]);
  return of === 0 ? null : { of, rest: text.slice(m[0].length) };
}

/** What pieces are called beside their name: rolls of twine, bottles of glue. */
const PIECE =
  /^(rolls?|spools?|reels?|balls?|skeins?|hanks?|cones?|bottles?|tubes?|pots?|sticks?|sheets?|pads?|pairs?|pcs?|pieces?|tins?|cubes?|blocks?|bolts?|cakes?|lengths?|strands?|sets?|bags?|boxes|box|cans?|bars?|bundles?|jars?|colou?rs?|different)\.?\s+(?:of\s+)?(?=\S)/i;

/** Takes the word for a piece off the front, where there is one. */
export function pieceWordIn(text: string): { word: string; rest: string } | null {
  const m = PIECE.exec(text);
  return m ? { word: m[1]!.toLowerCase(), rest: text.slice(m[0].length) } : null;
}
