import pluralize from 'pluralize';
import { wordsOf } from '../../things/kinds/index.ts';
import { type Region } from '../../record/plan/index.ts';
import { type KnownHolder, filledIn } from './containers.ts';
import { likelyOf } from './kind-in-line.ts';
import { sizeIn } from './sizes.ts';
import { weightIn } from './weights.ts';

export const WORD: Partial<Record<string, string>> = {
  working: 'count',
  backstock: 'count in reserve',
  mass: 'weight',
  grammage: 'paper weight',
  packOf: 'pack',
};

/** “…” holds a name that is taken as it stands. */
export function quotedIn(text: string): { text: string; name: string | null } {
  const m = /(?<=^|\s)"([^"]+)"(?=$|[\s,+])/.exec(text);
  // the sign of inches stands right behind its number
  if (!m) return { text, name: null };
  return {
    text: `${text.slice(0, m.index)} ${text.slice(m.index + m[0].length)}`.replace(/\s+/g, ' ').trim(),
    name: m[1]!.trim(),
  };
}

export function spareIn(text: string): { rest: string; count: number | null; packs: boolean } {
  const m =
    /(?:\s*[,;(]?\s*(?:\+|plus|and|&)\s*|\s*[,;(]\s*)(\d+)\s*(packs?|packets?)?\s*(?:in reserve|in stock|spares?|reserve|backup|in the cupboard)\)?/i.exec(
      text,
    );
  if (!m) return { rest: text, count: null, packs: false };
  return {
    rest: `${text.slice(0, m.index)} ${text.slice(m.index + m[0].length)}`.replace(/\s+/g, ' ').trim(),
    count: Number(m[1]),
    packs: m[2] !== undefined,
  };
}

export function hexIn(text: string): { rest: string; colour: string | null } {
  const m = /(?<=^|[\s,])#([0-9a-f]{6})(?=$|[\s,])/i.exec(text);
  if (!m) return { rest: text, colour: null };
  return {
    rest: `${text.slice(0, m.index)} ${text.slice(m.index + m[0].length)}`.replace(/\s+/g, ' ').trim(),
    colour: m[0].toLowerCase(),
  };
}

/** What stands in brackets is a note, unless it is a size, a weight or a count. */
export function notesIn(text: string, may: boolean): { rest: string; note: string } {
  const notes: string[] = [];
  const rest = text.replace(/\(([^()]+)\)/g, (all, inner: string) => {
    if (!may || sizeIn(inner, 'metric') || weightIn(inner, false) || /^\s*x?\s*\d+\s*x?\s*$/.test(inner))
      return /^\s*x?\s*\d+\s*x?\s*$/.test(inner) ? all : ` ${inner} `;
    notes.push(inner.trim());
    return ' ';
  });
  return { rest: rest.replace(/\s+/g, ' ').trim(), note: notes.join('; ') };
}

/** What it fills said behind it: “webbing, one shoe box”, “buttons, 2 jam jars”. */
export function behindIt(text: string, holders: readonly KnownHolder[], region: Region): ReturnType<typeof filledIn> {
  const m = /^(.+?),\s*((?:an?|one|half an?|\d+)\s+[^,\d]+)$/i.exec(text);
  return m && filledIn(`${m[2]} of ${m[1]}`, holders, region);
}

/** Whether all words of a name are among those said. */
export function saidWithin(said: string, name: string): boolean {
  const words = new Set(wordsOf(said));
  return wordsOf(name).every((word) => words.has(word));
}

/** “2 button jars” are two jars of buttons: small loose things named before what they are poured into. */
const POURED_INTO = /^(\d+\s+|an?\s+)?(\p{L}[\p{L} -]*?)\s+(jar|tin|tub)(s?)$/iu;

/** A line with what is poured said behind what it is in; as it was where it is something else. */
export function pouredBehind(text: string): string {
  const said = POURED_INTO.exec(text.trim());
  if (!said) return text;
  const [, count = '', things, vessel, many] = said;
  // a kind that is called so itself, “glass jar”, is that
  if (likelyOf(things!)?.form !== 'loose' || likelyOf(text)?.form !== 'loose') return text;
  return `${count ? `${count}${vessel}${many}` : `a ${vessel}`} of ${pluralize(things!)}`;
}
