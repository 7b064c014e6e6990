import { caliperOf, pieceOf } from '../../things/fit/index.ts';
import { kindOf, type KindOfSupply, liesOf, ofKind, wordsOf } from '../../things/kinds/index.ts';
import {
  formatLength,
  formatNumberOnly,
  formatWeight,
  type Measure,
  unitSuffix,
} from '../../measures/lengths/index.ts';
import type { Supply } from '../../record/plan/index.ts';
import { blankSupply, cutText, monthWords, shortBlanks, type Sized } from '../../record/plan/index.ts';
import { countIn, packIn, pieceWordIn } from './amounts.ts';
import { colourIn } from './colours.ts';
import { type SaidContainer, containersHere, filledIn } from './containers.ts';
import { sizeIn, tidied } from './sizes.ts';
import { seasonIn } from './seasons.ts';
import { thingsIn } from './several.ts';
import { inFigures } from './spoken.ts';
import { weighSheet, weightIn } from './weights.ts';
import { type LineContext, type LineRead, Storable, type Draft } from './line-read.ts';
import { quotedIn, behindIt, pouredBehind, spareIn, hexIn, notesIn, saidWithin, WORD } from './said-in-line.ts';
import { vesselled, setVessel } from './vessel-in-line.ts';
import { likelyOf, kindFor, goTogether } from './kind-in-line.ts';
import { sizeWanted, isOneLength, setStick, setSize } from './size-in-line.ts';
import { nameOf } from './name-in-line.ts';

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
  const { text, name: quoted } = quotedIn(seasonal.rest);
  const unquoted = quoted === null && chosen !== '' ? pouredBehind(text) : text;
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

function supplyOf(name: string, kind: KindOfSupply | null, colour: string | null): Draft {
  const blank: Partial<Supply> = blankSupply('x', name);
  delete blank.id;
  return { ...(blank as Draft), ...(kind ? ofKind(kind) : {}), name, colour };
}

export const several = (n: number, name: string) => `${n} × ${name}`;

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
