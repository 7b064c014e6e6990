import { type Supply } from '../plan/index.ts';

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

/**
 * Reads a recipe: a step a line, “cut the spars: steel rule, craft knife ×3”. Before the colon stands what is done, after it what is fetched,
 * each with how often (once, when nothing is said). A supply is meant when its name, or the beginning of it, is written, and only it.
 */
export function readRecipe(text: string, supplies: readonly Supply[]): Recipe {
  const names = supplies.map((s) => ({ id: s.id, name: plain(s.name), as: s.name }));
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
      const words = counted && !SIZE.test(part) ? counted.words! : part;
      recipe.unknown.push({ line: i + 1, words, like: names.find((n) => n.name.includes(plain(words)))?.as ?? null });
    }
  }
  return recipe;

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
