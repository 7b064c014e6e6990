import { type Supply } from '../plan/index.ts';

/** What a recipe says is fetched, and what in it is no supply of the plan. */
export type Recipe = {
  steps: number;
  /** fetches a session by supply id, in the order they first come */
  fetches: Map<string, number>;
  unknown: { line: number; words: string; like: string | null }[];
};

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
      const times = /(?:×|x|\*)\s*(\d+(?:[.,]\d+)?)\s*$/i.exec(part) ?? /^(\d+(?:[.,]\d+)?)\s*(?:×|x|\*)/i.exec(part);
      const count = times ? Number(times[1]!.replace(',', '.')) : 1;
      const words = times ? part.replace(times[0], '').trim() : part;
      const wanted = plain(words);
      const same = names.filter((n) => n.name === wanted);
      const begin = names.filter((n) => n.name.startsWith(wanted));
      const within = names.filter((n) => n.name.includes(wanted));
      const meant = [same, begin, within].find((list) => list.length === 1)?.[0];
      if (meant && wanted !== '' && count > 0)
        recipe.fetches.set(meant.id, (recipe.fetches.get(meant.id) ?? 0) + count);
      else recipe.unknown.push({ line: i + 1, words, like: within[0]?.as ?? null });
    }
  }
  return recipe;

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
