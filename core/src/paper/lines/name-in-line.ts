import { likelyKinds } from '../../things/kinds/index.ts';
import { cutText } from '../../record/plan/index.ts';

export type Named = { name: string; words: string; kindWords: readonly string[]; several: boolean };

/** The name of a thing: its words as they were written, without the word for a piece where its kind is known without. */
export function nameOf(
  worded: { word: string; rest: string } | null,
  behind: string,
  quoted: string | null,
  chosen: string | null,
): Named {
  const clean = (text: string) =>
    text
      .replace(/^(?:of|the|my)\s+/i, '')
      .replace(/\s+/g, ' ')
      .replace(/^[\s,;:-]+|[\s,;:-]+$/g, '');
  const name = (text: string) => cutText(`${text.charAt(0).toUpperCase()}${text.slice(1)}`, 120);
  if (quoted !== null)
    return {
      name: cutText(quoted, 120),
      words: quoted,
      kindWords: likelyKinds(quoted, 1)[0]?.named ?? [],
      several: false,
    };
  const withWord = clean(behind);
  const [long] = likelyKinds(withWord, 1);
  if (worded) {
    const short = clean(worded.rest);
    const [bare] = likelyKinds(short, 1);
    const better = chosen !== null || !long?.whole || (bare?.whole && bare.score + 2 >= long.score);
    // a pad, a set or a block may be the thing itself
    if (short !== '' && better && (bare?.whole || !/^(pad|set|block|sheet|tube|stick|bag|box|tin)/.test(worded.word)))
      return { name: name(short), words: short, kindWords: bare?.named ?? [], several: false };
  }
  const several = /[^s]s$/i.test(withWord.split(' of ')[0]!);
  return { name: name(withWord), words: withWord, kindWords: long?.named ?? [], several };
}
