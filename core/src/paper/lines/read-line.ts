import { caliperOf, pieceOf } from '../../things/fit/index.ts';
import { kindOf, type KindOfSupply, liesOf, likelyKinds, ofKind, wordsOf } from '../../things/kinds/index.ts';
import {
  formatLength,
  formatNumberOnly,
  formatWeight,
  type Measure,
  unitSuffix,
} from '../../measures/lengths/index.ts';
import {
  blankSupply,
  cutText,
  monthWords,
  type Region,
  shortBlanks,
  type Sized,
  Supply,
} from '../../record/plan/index.ts';
import { countIn, packIn, pieceWordIn } from './amounts.ts';
import { colourIn } from './colours.ts';
import { type KnownHolder, type SaidContainer, containersHere, filledIn } from './containers.ts';
import { type SaidSize, sizeIn, tidied } from './sizes.ts';
import { seasonIn } from './seasons.ts';
import { thingsIn } from './several.ts';
import { inFigures } from './spoken.ts';
import { GRAMS_A_LITRE, vesselOf, volumeIn } from './volumes.ts';
import { weighSheet, weightIn } from './weights.ts';

/** Something that was not understood for sure: what is asked, and the likeliest answers. */
export type Doubt = { why: string; candidates: { kind: string; name: string }[] };

/** A line of a list, understood. */
export type LineRead =
  | {
      what: 'supply';
      /** all but its id */
      supply: Omit<Supply, 'id'>;
      /** sizes and counts that nobody said: usual ones, or estimates */
      guessed: Sized[];
      doubts: Doubt[];
      /** what it was said to fill */
      container: SaidContainer | null;
      /** what the line was taken for, in a few words each */
      took: string[];
    }
  | { what: 'containers'; container: Omit<SaidContainer, 'share'>; took: string[] }
  | { what: 'nothing'; reason: string };

export type LineContext = {
  measure: Measure;
  /** places and containers of the plan that a line may name */
  holders?: readonly KnownHolder[];
  /** whether seasons are those of the southern half of the earth */
  south?: boolean;
  /** where pints and gallons are said: the imperial ones are a fifth larger */
  region?: Region;
  /** the kind that the maker has chosen for this line; empty: none of those offered */
  chosen?: string | null;
};

/** The second of two kinds is as likely as the first within so much of a score (own assumption). */
const CLOSE_CALL = 4;
/** Of a bulk so much is filled, and things thrown in fill so much of that (docs/sources.md, 5). */
const BULK = 0.85;
const THROWN: Record<string, number> = { soft: 0.9 / 0.7, loose: 0.6 };

/**
 * Understands a line as a maker writes it: `24 small ink pads`, `3 packs card 12x12 216 g`, `6 rolls twine 3 in dia x 3`, `shoe box of ribbon ends`,
 * `half of drawer 3 of felt`, `4 clear boxes here`. What it does not say comes from the kind of supply and is marked as guessed; where the kind is
 * in doubt nothing is taken from any.
 */
export function readLine(line: string, context: LineContext): LineRead {
  const { measure, holders = [], chosen = null, south = false, region = 'us' } = context;
  const whole = inFigures(tidied(shortBlanks(line)));
  if (whole === '') return { what: 'nothing', reason: 'There is nothing in this line.' };
  if (whole.length > 400) return { what: 'nothing', reason: 'This line is longer than a line of a list.' };
  const seasonal = seasonIn(whole, south);
  const { text: unquoted, name: quoted } = quotedIn(seasonal.rest);
  if (quoted === null) {
    const here = containersHere(seasonal.rest, holders, region);
    if (here)
      return {
        what: 'containers',
        container: here.container,
        took: [`${here.container.count} × ${here.container.name}, standing here`],
      };
  }
  const vessel = quoted === null && chosen !== '' ? vesselled(unquoted, region) : null;
  const filled =
    quoted === null && !vessel ? (filledIn(unquoted, holders, region) ?? behindIt(unquoted, holders, region)) : null;
  let rest = vessel ? vessel.rest : filled ? filled.rest : unquoted;
  const spare = spareIn(rest);
  rest = spare.rest;
  const coloured = hexIn(rest);
  rest = coloured.rest;
  const noted = notesIn(rest, quoted === null);
  rest = noted.rest;

  // whether it is paper decides what `216 g` means, and that is known by its words alone
  const first = quoted ?? rest;
  const guess = chosen !== null ? kindOf(chosen) : likelyOf(first);
  const paper = guess ? guess.form === 'sheet' : /\b(papers?|card|cardstock|cardboard|vellum|sheets?)\b/i.test(first);
  const weighed = weightIn(rest, paper);
  if (weighed) rest = weighed.rest;
  // a count before a size is not part of it: “24 x 12x12 card”
  const ahead = /^(\d+)\s+x\s+(?=\d[^ ]*x)/i.exec(rest);
  const sized = ahead ? sizeIn(rest.slice(ahead[0].length), measure) : sizeIn(rest, measure);
  // of what is no paper a word of its name is no size: “letter punches”
  const taken = sized ? wordsOf(rest).filter((word) => !wordsOf(sized.rest).includes(word)) : [];
  const ofItsName =
    guess !== null &&
    !['sheet', 'pocket'].includes(guess.form) &&
    taken.length > 0 &&
    taken.every((word) => !/\d/.test(word)) &&
    [guess.name, ...guess.others].some(
      (name) => saidWithin(first, name) && taken.every((word) => wordsOf(name).includes(word)),
    );
  const usable = sized && !ofItsName && sizeWanted(sized.size, guess) ? sized : null;
  if (usable) rest = ahead ? `${ahead[1]} ${usable.rest}` : usable.rest;
  // of a stick both how thick and how long: “3/8 in dowels 36 in”
  const second = usable && guess?.form === 'long' && isOneLength(usable.size) ? sizeIn(rest, measure) : null;
  const stick = second && isOneLength(second.size) ? [usable!.size.given[0]!, second.size.given[0]!] : null;
  if (stick) rest = second!.rest;
  rest = rest.replace(/\s*[,;]\s*(?=[,;]|$)/g, '').replace(/^[\s,;:-]+|[\s,;:-]+$/g, '');

  const counted = countIn(quoted === null ? rest : `${rest} thing`);
  const afterCount = counted ? counted.rest : rest;
  const packed = packIn(afterCount);
  const afterPack = packed ? packed.rest : afterCount;
  const inPack = packed && packed.of === null ? countIn(afterPack) : null;
  const behind = inPack && /^\d/.test(afterPack) ? inPack.rest : afterPack;
  const worded = quoted === null ? pieceWordIn(behind) : null;
  const named = nameOf(worded, behind, quoted, chosen);
  if (named.name === '' || (quoted === null && !/\p{L}/u.test(named.name)))
    return { what: 'nothing', reason: `“${cutText(whole, 60)}” says how many or how large, but not of what.` };

  const { kind, doubts } = kindFor(named, chosen);
  const colour = coloured.colour ?? (quoted === null ? colourIn(named.name, named.kindWords) : null);
  const supply = supplyOf(named.name, kind, colour);
  const known = new Set<Sized>();
  if (stick) setStick(supply, Math.min(...stick), Math.max(...stick), known);
  else if (usable) setSize(supply, usable.size, known);
  else if (vessel) setVessel(supply, vessel.litres, kind, weighed !== null, known);
  if (weighed) {
    if ('grammage' in weighed.weight) {
      supply.grammage = weighed.weight.grammage;
      if (!kind) supply.form = 'sheet';
    } else {
      supply.mass = weighed.weight.mass;
      known.add('mass');
    }
  }
  supply.usual = supply.usual.filter((field) => !known.has(field));
  // a press of thirty pounds is no sheet of paper: the size that such things usually have is not taken then
  const sizeSaid = (['width', 'depth', 'height'] as const).some((f) => known.has(f));
  if (known.has('mass') && !sizeSaid && !goTogether(supply)) {
    doubts.push({
      why: `${formatWeight(supply.mass, measure)} is not what ${kind ? `a ${kind.name}` : 'such a thing'} weighs: what is it, or how large?`,
      candidates: [],
    });
    Object.assign(supply, { width: null, depth: null, height: null, grammage: null });
    supply.usual = supply.usual.filter((f) => f !== 'width' && f !== 'depth' && f !== 'height');
  }
  if (!known.has('mass')) weighSheet(supply);
  supply.lies = liesOf(kindOf(supply.kind), supply.form);
  supply.note = noted.note;
  supply.months = seasonal.months;

  count();
  const wrong = Storable.safeParse(supply);
  if (!wrong.success) {
    const { path, message } = wrong.error.issues[0]!;
    return { what: 'nothing', reason: `The ${WORD[String(path[0])] ?? String(path[0])} ${message}.` };
  }
  const guessed = [...new Set([...supply.usual, ...supply.unsure])];
  return {
    what: 'supply',
    supply,
    guessed,
    doubts,
    container: filled?.container ?? null,
    took: tookFor(supply, kind, filled?.container ?? null, measure),
  };

  /** How many there are: said, by packs, or by what they fill. */
  function count(): void {
    const packOf = packed?.of ?? (inPack && behind !== afterPack ? inPack.count : null);
    if (packed) {
      const of = packOf ?? kind?.packOf ?? 1;
      supply.packOf = of;
      supply.working = (counted?.count ?? 1) * of;
      // where a piece is what is sold there is nothing to guess
      if (packOf === null && (kind?.packOf ?? 2) > 1) supply.usual.push('working');
      if (counted && !counted.sure) supply.unsure.push('working');
    } else if (filled && !counted) byVolume(filled.container);
    else {
      supply.working = counted?.count ?? 1;
      const inOne = kind && IN_ONE[kind.id];
      if (inOne && counted && counted.count >= inOne / 10 && !worded && !/\b(tubes?|vials?)\b/i.test(whole)) {
        supply.working = Math.ceil(counted.count / inOne);
        supply.unsure.push('working');
        supply.note = [supply.note, `${counted.count.toLocaleString('en')} of them`].filter(Boolean).join('; ');
      }
      if (!counted ? named.several : !counted.sure) supply.unsure.push('working');
    }
    if (spare.count !== null) supply.backstock = spare.packs ? spare.count * supply.packOf : spare.count;
    known.delete('working');
  }

  function byVolume(container: SaidContainer): void {
    const litres =
      (container.width * container.depth * container.height * (container.count - 1 + container.share)) / 1e6;
    const piece = pieceOf(supply as Supply);
    if (!piece) {
      // nothing is known of a piece: one lot, as large as what it fills
      Object.assign(supply, {
        width: container.width,
        depth: container.depth,
        height: Math.max(1, Math.round(container.height * container.share)),
        working: container.count,
      });
      supply.unsure.push('width', 'depth', 'height');
      return;
    }
    const each = (piece.width * piece.depth * piece.height) / (THROWN[supply.form] ?? 0.55) / 1e6;
    // one in each at the least: who fills two bags has two of what a bag holds
    supply.working = Math.max(container.count, Math.round((litres * BULK) / each));
    supply.unsure.push('working');
  }
}

/** What is so small is counted in what it comes in; so many lie in one (common practice, no source: ten grams of seed beads). */
const IN_ONE: Partial<Record<string, number>> = { 'seed-bead-tube': 1000 };

type Draft = Omit<Supply, 'id'>;

/** What is poured, with how much one vessel of it holds; null: it is counted in pieces, or nothing is said of the kind. */
function vesselled(text: string, region: Region): { litres: number; rest: string } | null {
  const said = volumeIn(text, region);
  if (!said) return null;
  // a bottle of ink is a kind of its own beside what ink else there is
  const within = `${said.vessel.replace(/s$/i, '')} of ${said.rest}`;
  const rest = said.vessel !== '' && likelyOf(within)?.form === 'bottle' ? within : said.rest;
  const kind = likelyOf(rest);
  // a jar of buttons is filled with them
  const poured = kind
    ? kind.form === 'bottle' || /\bbottle\b/.test(kind.name)
    : !(/\bof\s+\S/i.test(text) && filledIn(text, []));
  if (!poured) return null;
  return { litres: said.litres, rest: said.count === null ? rest : `${said.count} ${rest}` };
}

/** The sizes of a vessel from what it holds: worked out, so they are marked as not sure. */
function setVessel(supply: Draft, litres: number, kind: KindOfSupply | null, weighed: boolean, known: Set<Sized>) {
  Object.assign(supply, vesselOf(litres, kind));
  for (const field of ['width', 'depth', 'height'] as const) known.add(field);
  supply.unsure.push('width', 'depth', 'height');
  if (!kind) supply.form = 'bottle';
  if (weighed) return;
  supply.mass = Math.round(litres * GRAMS_A_LITRE);
  known.add('mass');
  supply.unsure.push('mass');
}

/** What a plan can hold of it. */
const Storable = Supply.omit({ id: true });
const WORD: Partial<Record<string, string>> = {
  working: 'count',
  backstock: 'count in reserve',
  mass: 'weight',
  grammage: 'paper weight',
  packOf: 'pack',
};

function supplyOf(name: string, kind: KindOfSupply | null, colour: string | null): Draft {
  const blank: Partial<Supply> = blankSupply('x', name);
  delete blank.id;
  return { ...(blank as Draft), ...(kind ? ofKind(kind) : {}), name, colour };
}

/** “…” holds a name that is taken as it stands. */
function quotedIn(text: string): { text: string; name: string | null } {
  const m = /(?<=^|\s)"([^"]+)"(?=$|[\s,+])/.exec(text);
  // the sign of inches stands right behind its number
  if (!m) return { text, name: null };
  return {
    text: `${text.slice(0, m.index)} ${text.slice(m.index + m[0].length)}`.replace(/\s+/g, ' ').trim(),
    name: m[1]!.trim(),
  };
}

function spareIn(text: string): { rest: string; count: number | null; packs: boolean } {
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

function hexIn(text: string): { rest: string; colour: string | null } {
  const m = /(?<=^|[\s,])#([0-9a-f]{6})(?=$|[\s,])/i.exec(text);
  if (!m) return { rest: text, colour: null };
  return {
    rest: `${text.slice(0, m.index)} ${text.slice(m.index + m[0].length)}`.replace(/\s+/g, ' ').trim(),
    colour: m[0].toLowerCase(),
  };
}

/** What stands in brackets is a note, unless it is a size, a weight or a count. */
function notesIn(text: string, may: boolean): { rest: string; note: string } {
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
function behindIt(text: string, holders: readonly KnownHolder[], region: Region): ReturnType<typeof filledIn> {
  const m = /^(.+?),\s*((?:an?|one|half an?|\d+)\s+[^,\d]+)$/i.exec(text);
  return m && filledIn(`${m[2]} of ${m[1]}`, holders, region);
}

/** Nothing a maker keeps is denser than lead or lighter than foam, g/cm³ (11.3 for lead; the rest own assumption). */
const DENSEST = 11.5;
const LIGHTEST = 0.002;

/** Whether a weight that was said and a usual size go together. */
function goTogether({ width, depth, height, mass, grammage }: Draft): boolean {
  if (!width || !depth || !mass) return true;
  // a sheet as thick as its paper is
  const thick = height ?? (grammage ?? 1000) / 800;
  const density = (1000 * mass) / (width * depth * thick);
  return density <= DENSEST && density >= LIGHTEST;
}

/** Whether all words of a name are among those said. */
function saidWithin(said: string, name: string): boolean {
  const words = new Set(wordsOf(said));
  return wordsOf(name).every((word) => words.has(word));
}

function likelyOf(words: string): KindOfSupply | null {
  const [best] = likelyKinds(words, 1);
  return best?.whole ? best.kind : null;
}

/** One length alone is taken where it says something of the kind; else it stays part of the name (“5 m”). */
function sizeWanted(size: SaidSize, kind: KindOfSupply | null): boolean {
  if (size.given.length > 1 || size.round || size.of !== null) return true;
  if (!kind) return false;
  return true;
}

type Named = { name: string; words: string; kindWords: readonly string[]; several: boolean };

/** The name of a thing: its words as they were written, without the word for a piece where its kind is known without. */
function nameOf(
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

function kindFor(named: Named, chosen: string | null): { kind: KindOfSupply | null; doubts: Doubt[] } {
  if (chosen !== null) return { kind: kindOf(chosen), doubts: [] };
  const likely = likelyKinds(named.words, 3);
  const [best, next] = likely;
  if (!best) return { kind: null, doubts: [] };
  const candidates = likely.map(({ kind }) => ({ kind: kind.id, name: kind.name }));
  if (!best.whole) return { kind: null, doubts: [{ why: `What is “${cutText(named.words, 60)}”?`, candidates }] };
  if (next?.whole && best.score - next.score < CLOSE_CALL)
    return { kind: null, doubts: [{ why: `${candidates[0]!.name} or ${candidates[1]!.name}?`, candidates }] };
  return { kind: best.kind, doubts: [] };
}

/** Puts a size where it belongs by what kind of thing it is. */
function setSize(supply: Draft, size: SaidSize, known: Set<Sized>): void {
  const set = (field: 'width' | 'depth' | 'height', mm: number) => {
    supply[field] = Math.round(mm * 1000) / 1000;
    known.add(field);
  };
  const [a, b, c] = size.given as [number, number?, number?];
  if (size.round) {
    set('width', a);
    set('depth', a);
    if (b !== undefined) set('height', b);
    return;
  }
  if (b !== undefined) {
    set('width', a);
    set('depth', b);
    if (c !== undefined) set('height', c);
    return;
  }
  const { width, depth, height } = supply;
  if (size.of === 'wide' && supply.form !== 'spool' && supply.form !== 'roll') return set('width', a);
  if (size.of === 'high') return set('height', a);
  if (size.of === 'thick') return set('height', a);
  if (width !== null && width === depth && depth === height) {
    set('width', a);
    set('depth', a);
    return set('height', a);
  }
  if (supply.form === 'spool') return set('height', a);
  // one length is that of the longest side
  const longest = Math.max(width ?? 0, depth ?? 0, height ?? 0);
  if (longest > 0 && height === longest && supply.form === 'bottle') set('height', a);
  else if (longest > 0 && width === longest && depth === longest) {
    set('width', a);
    set('depth', a);
  } else if (longest > 0 && width === longest) set('width', a);
  else set('depth', a);
}

/** One length and no more. */
const isOneLength = (size: SaidSize): boolean => size.given.length === 1 && !size.round;

/** A stick so thick and so long, mm. */
function setStick(supply: Draft, thick: number, long: number, known: Set<Sized>): void {
  const round = (mm: number) => Math.round(mm * 1000) / 1000;
  Object.assign(supply, { width: round(thick), depth: round(long), height: round(thick) });
  for (const field of ['width', 'depth', 'height'] as const) known.add(field);
}

const several = (n: number, name: string) => `${n} × ${name}`;

/** What a line was taken for, in a few words each. */
export function tookFor(
  supply: Draft,
  kind: KindOfSupply | null,
  container: SaidContainer | null,
  measure: Measure,
): string[] {
  const out = [several(supply.working, kind?.name ?? supply.name)];
  if (supply.packOf > 1) out.push(`${supply.packOf} in a pack`);
  if (supply.backstock > 0) out.push(`${supply.backstock} in reserve`);
  if (container)
    out.push(
      `${container.share < 1 ? `${Math.round(container.share * 100)} % of ` : ''}${container.count > 1 ? `${container.count} × ` : ''}${container.name}`,
    );
  const { width, depth, height, grammage } = supply;
  if (width !== null && depth !== null) {
    const thick = height ?? (grammage === null ? null : caliperOf(grammage));
    const sizes = [width, depth, ...(thick === null ? [] : [thick])];
    const fine = (n: number) => n < 3;
    out.push(
      sizes.some(fine)
        ? sizes.map((n) => (fine(n) ? `${Number(n.toFixed(2))} mm` : formatLength(n, measure))).join(' × ')
        : `${sizes.map((n) => formatNumberOnly(n, measure)).join(' × ')}${unitSuffix(measure)}`,
    );
  } else out.push('size not known');
  if (grammage !== null) out.push(`${grammage} g/m²`);
  if (supply.mass >= 0.5) out.push(`${formatWeight(supply.mass, measure)} each`);
  if (supply.family !== '') out.push(supply.family);
  if (supply.months.length > 0) out.push(`only ${monthWords(supply.months)}`);
  return out;
}

/** Every line of a text that is not empty; what begins with # or // is a heading and not a thing. */
export function linesOf(text: string): string[] {
  return text
    .split(/\r\n|\r|\n/)
    .map((line) =>
      shortBlanks(line)
        .replace(/^\s*(?:[-*•▪]|\d+[.)](?=\s+\d))\s+/, '')
        .trim(),
    )
    .filter((line) => line !== '' && !/^(#\s|\/\/)/.test(line))
    .flatMap(thingsIn);
}
