import { wordsOf } from '../../things/kinds/index.ts';
import { type Supply } from '../../record/plan/index.ts';

/** What a recipe says is fetched, and what in it is no supply of the plan. */
export type Recipe = {
  steps: number;
  /** fetches a session by supply id, in the order they first come */
  fetches: Map<string, number>;
  unknown: { line: number; words: string; like: string | null }[];
};

/** “knife ×3”, “3× knife”: a letter x stands apart from a word before it. */
const TIMES_AFTER = /^(?<words>.*\S)(?:\s*[×*]|(?<=\d)x|\s+x)\s*(?<times>\d+(?:[.,]\d+)?)$/i;
const TIMES_BEFORE = /^(?<times>\d+(?:[.,]\d+)?)\s*[×x*]\s*(?<words>\S.*)$/i;
/** Between two figures the sign makes a size: “mat 24x18”. */
const SIZE = /\d\s*[×x*]\s*\d/i;

const plain = (text: string) =>
  text
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();

/** So many words are a sentence (own assumption). */
const SENTENCE = 3;
const NUMBERS = ['', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten'];

/** How supplies may be named in a sentence: by their whole name, or by its first two words where only one begins so; the longest first. */
function spokenNames(supplies: readonly Supply[]): { id: string; parts: string[] }[] {
  const all = supplies.map(({ id, name }) => ({ id, parts: wordsOf(name) })).filter(({ parts }) => parts.length > 0);
  const starts = new Map<string, number>();
  const start = (parts: readonly string[]) => parts.slice(0, 2).join(' ');
  for (const { parts } of all) starts.set(start(parts), (starts.get(start(parts)) ?? 0) + 1);
  const short = all.flatMap(({ id, parts }) =>
    parts.length > 2 && starts.get(start(parts)) === 1 ? [{ id, parts: parts.slice(0, 2) }] : [],
  );
  return [...all, ...short].sort((a, b) => b.parts.length - a.parts.length);
}

/**
 * Reads a recipe: a step a line, “cut the spars: steel rule, craft knife ×3”. Before the colon stands what is done, after it what is fetched,
 * each with how often (once, when nothing is said). A supply is meant when its name, or the beginning of it, is written, and only it. In a sentence
 * (“fold the card with the bone folder”) every supply that is named is fetched, so often as a number before it says.
 */
export function readRecipe(text: string, supplies: readonly Supply[]): Recipe {
  const names = supplies.map((s) => ({ id: s.id, name: plain(s.name), as: s.name }));
  const spoken = spokenNames(supplies);
  const recipe: Recipe = { steps: 0, fetches: new Map(), unknown: [] };
  for (const [i, raw] of text.split(/\r?\n/).entries()) {
    const line = raw.trim();
    if (line === '') continue;
    recipe.steps++;
    const things = line.includes(':') ? line.slice(line.indexOf(':') + 1) : line;
    for (const part of partsOf(things)) {
      const counted = (TIMES_AFTER.exec(part) ?? TIMES_BEFORE.exec(part))?.groups;
      // what is a name as it stands is no count: “cutting mat 24x18”
      const readings = [{ words: part, count: 1 }];
      if (counted) readings.push({ words: counted.words!, count: Number(counted.times!.replace(',', '.')) });
      const reading = readings.find((r) => meant(r.words));
      if (reading && reading.count > 0) {
        const { id } = meant(reading.words)!;
        recipe.fetches.set(id, (recipe.fetches.get(id) ?? 0) + reading.count);
        continue;
      }
      const mentioned = counted ? new Map<string, number>() : inSentence(part);
      for (const [id, times] of mentioned) recipe.fetches.set(id, (recipe.fetches.get(id) ?? 0) + times);
      if (mentioned.size > 0) continue;
      const words = counted && !SIZE.test(part) ? counted.words! : part;
      const like = names.find((n) => n.name.includes(plain(words)))?.as ?? null;
      // a sentence that names nothing is a step all the same; a few words are a thing that is not there
      if (like === null && !line.includes(':') && part.split(/\s+/).length >= SENTENCE) continue;
      recipe.unknown.push({ line: i + 1, words, like });
    }
  }
  return recipe;

  /** Supplies named in a sentence, the longest names first, no word used twice. */
  function inSentence(part: string): Map<string, number> {
    const words = wordsOf(part);
    const used = words.map(() => false);
    const found = new Map<string, number>();
    for (const { id, parts } of spoken) {
      for (let at = 0; at + parts.length <= words.length; at++) {
        if (!parts.every((p, k) => p === words[at + k] && !used[at + k])) continue;
        parts.forEach((_, k) => (used[at + k] = true));
        const before = words[at - 1] ?? '';
        const times = Number(before) || NUMBERS.indexOf(before);
        found.set(id, (found.get(id) ?? 0) + (times > 0 ? times : 1));
      }
    }
    return found;
  }

  /** The one supply of this name, or the one whose name begins with it or has it in it. */
  function meant(words: string): { id: string } | undefined {
    const wanted = plain(words);
    if (wanted === '') return undefined;
    const same = names.filter((n) => n.name === wanted);
    const begin = names.filter((n) => n.name.startsWith(wanted));
    const within = names.filter((n) => n.name.includes(wanted));
    return [same, begin, within].find((list) => list.length === 1)?.[0];
  }

  /** Split at commas, but not inside a name that has one (“Ripstop, red”). */
  function partsOf(things: string): string[] {
    const parts = things.split(/[,;]/).map((p) => p.trim());
    const out: string[] = [];
    for (let i = 0; i < parts.length; i++) {
      const two =
        i + 1 < parts.length ? plain(`${parts[i]!} ${parts[i + 1]!.replace(/(?:×|x|\*)\s*\d+.*$/i, '')}`) : null;
      if (two !== null && names.some((n) => n.name === two)) {
        out.push(`${parts[i]!}, ${parts[i + 1]!}`);
        i++;
      } else if (parts[i] !== '') out.push(parts[i]!);
    }
    return out;
  }
}
