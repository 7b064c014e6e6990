import { kindOf, liesOf, wordsOf } from '../../things/kinds/index.ts';
import { parseWeight } from '../../measures/lengths/index.ts';
import { colourIn, countIn, type LineContext, packIn, readLine, sizeOf, weighSheet, weightIn } from '../lines/index.ts';
import type { Supply } from '../../record/plan/index.ts';
import { cutText, placeTitle, type Plan, wholePath } from '../../record/plan/index.ts';
import { type Meaning, unitInHeading } from './own-meanings.ts';
import { keyOf, type Draft, counted, bare, ALL } from './own-reading.ts';

/** Finds an activity by its name, or by some of its words where only one has them. */
export function activityNamed(plan: Pick<Plan, 'activities'>, name: string): string | undefined {
  const all = Object.values(plan.activities);
  const exact = all.find((a) => keyOf(a.name) === keyOf(name));
  if (exact) return exact.id;
  const words = wordsOf(name);
  const some = words.length === 0 ? [] : all.filter((a) => words.every((w) => wordsOf(a.name).includes(w)));
  return some.length === 1 ? some[0]!.id : undefined;
}

/** Places by their whole path, and by their own name where only one has it. */
export function placesByName(plan: Plan): ReadonlyMap<string, string | null> {
  const by = new Map<string, string | null>();
  for (const place of Object.values(plan.places)) {
    for (const path of [wholePath(plan, place), placeTitle(plan, place)]) by.set(path.toLowerCase(), place.id);
    const own = keyOf(place.name);
    by.set(own, by.has(own) ? null : place.id);
  }
  return by;
}

export function rowOf(
  cells: readonly string[],
  headings: readonly string[],
  meanings: readonly Meaning[],
  context: LineContext,
  places: ReadonlyMap<string, string | null>,
): Draft | string {
  const cell = (meaning: Meaning) => {
    const i = meanings.indexOf(meaning);
    return i < 0 ? '' : cells[i]!;
  };
  const name = cell('name');
  if (name === '') return 'There is no name.';
  const { measure } = context;
  const line = readLine(name, context);
  // a name that is no line (a bare number, a heading) is taken as it stands
  const base = line.what === 'supply' && !line.container ? line : readLine(`1 "${name.replaceAll('"', '″')}"`, context);
  if (base.what !== 'supply') return base.what === 'nothing' ? base.reason : 'It cannot be read as a supply.';
  const supply = { ...base.supply, name: cutText(counted(name) ? base.supply.name : name, 120), note: '' };
  const said = new Set<keyof Supply>(['name']);
  const notes: string[] = [];
  const keep = (i: number) => notes.push(`${headings[i]}: ${cells[i]}`);
  const say = (field: keyof Supply) => {
    said.add(field);
    supply.usual = supply.usual.filter((f) => f !== field);
    supply.unsure = supply.unsure.filter((f) => f !== field);
  };
  let uses: string[] = [];
  let placeId: string | null = null;
  let packs: number | null = null;
  const paper = supply.form === 'sheet';
  headings.forEach((heading, i) => {
    const text = cells[i]!;
    if (text === '') return;
    const unit = unitInHeading(heading);
    const united = unit !== null && bare(text) ? `${text} ${unit}` : text;
    switch (meanings[i]!) {
      case 'name':
        return;
      case 'family':
        supply.family = cutText(text, 80);
        return say('family');
      case 'note':
        return void notes.push(text);
      case '':
        return void keep(i);
      case 'size': {
        const size = sizeOf(unit !== null && /^[\d\s./x×*,-]+$/i.test(text) ? `${text} ${unit}` : text, measure);
        if (!size) return void keep(i);
        const [a, b, c] = size.given as [number, number?, number?];
        const set = (field: 'width' | 'depth' | 'height', mm: number | undefined) => {
          if (mm === undefined) return;
          supply[field] = Math.round(mm * 1000) / 1000;
          say(field);
        };
        if (size.round) {
          set('width', a);
          set('depth', a);
          set('height', b);
        } else if (b === undefined) {
          // one number alone: the longest side, where a kind says which; else it is not known what of
          if (supply.width === null) return void keep(i);
          const longest = Math.max(supply.width, supply.depth ?? 0, supply.height ?? 0);
          set(supply.height === longest ? 'height' : supply.depth === longest ? 'depth' : 'width', a);
        } else {
          set('width', a);
          set('depth', b);
          set('height', c);
        }
        return;
      }
      case 'width':
      case 'depth':
      case 'height': {
        const size = sizeOf(united, measure);
        if (size?.given.length !== 1) return void keep(i);
        const field = meanings[i] as 'width' | 'depth' | 'height';
        supply[field] = Math.round(size.given[0]! * 1000) / 1000;
        return say(field);
      }
      case 'mass':
      case 'grammage': {
        const whole = meanings[i] === 'mass' && !paper ? parseWeight(united, measure === 'metric' ? 'g' : 'oz') : null;
        if (whole?.ok) {
          supply.mass = Number(whole.g.toFixed(3));
          return say('mass');
        }
        const weight = weightIn(united, paper || meanings[i] === 'grammage')?.weight;
        if (weight && 'grammage' in weight) {
          supply.grammage = weight.grammage;
          return say('grammage');
        }
        if (weight) {
          supply.mass = weight.mass;
          return say('mass');
        }
        if (meanings[i] === 'grammage' && bare(text)) {
          supply.grammage = Number(text.replace(',', '.'));
          return say('grammage');
        }
        const got = parseWeight(text, measure === 'metric' ? 'g' : 'oz');
        if (!got.ok) return void keep(i);
        supply.mass = Number(got.g.toFixed(3));
        return say('mass');
      }
      case 'working':
      case 'backstock':
      case 'reorderAt': {
        const field = meanings[i] as 'working' | 'backstock' | 'reorderAt';
        const got = howMany(text);
        if (!got) return void keep(i);
        supply[field] = got.count;
        if (got.packOf !== null) supply.packOf = got.packOf;
        say(field);
        if (!got.sure && field !== 'reorderAt') supply.unsure.push(field);
        if (got.rest !== '') keep(i);
        return;
      }
      case 'packs':
        packs = howMany(text)?.count ?? null;
        return void (packs === null && keep(i));
      case 'packOf': {
        const got = howMany(text);
        if (!got || got.count < 1) return void keep(i);
        supply.packOf = got.count;
        return say('packOf');
      }
      case 'colour': {
        const hex = /^#[0-9a-f]{6}$/i.exec(text)?.[0].toLowerCase() ?? colourIn(text);
        if (hex) {
          supply.colour = hex;
          say('colour');
        }
        // the maker’s own word for it is kept beside
        return void (wordsOf(text).length > 0 && !/^#/.test(text) && keep(i));
      }
      case 'maker':
      case 'line':
      case 'theme':
        if (text.length > 120) return void keep(i);
        supply[meanings[i] as 'maker' | 'line' | 'theme'] = text;
        return say(meanings[i] as 'maker' | 'line' | 'theme');
      case 'uses':
        uses = usesIn(text);
        return;
      case 'home': {
        const found = places.get(text.toLowerCase()) ?? places.get(keyOf(text));
        if (found) placeId = found;
        return void keep(i);
      }
    }
  });
  if (packs !== null) {
    supply.working = packs * supply.packOf;
    say('working');
    if (!said.has('packOf')) supply.usual.push('working');
  }
  if (!said.has('mass')) weighSheet(supply);
  supply.lies = liesOf(kindOf(supply.kind), supply.form);
  supply.note = cutText(notes.join('\n'), 2000);
  return {
    supply,
    said: [...said],
    guessed: [...new Set([...supply.usual, ...supply.unsure])],
    doubts: base.doubts,
    uses,
    placeId,
  };
}

/** A count as it stands in a cell: `12`, `1,200`, `about 40`, `2 packs of 25`, `lots`, `3 (one open)`. */
function howMany(text: string): { count: number; sure: boolean; packOf: number | null; rest: string } | null {
  if (/^(none|no|0|-|–)$/i.test(text)) return { count: 0, sure: true, packOf: null, rest: '' };
  const m = countIn(`${text} things`);
  if (!m) return null;
  const rest = m.rest.replace(/\s*things$/, '').trim();
  const pack = packIn(`${rest} things`);
  if (pack?.of) return { count: m.count * pack.of, sure: m.sure, packOf: pack.of, rest: '' };
  return {
    count: m.count,
    sure: m.sure,
    packOf: null,
    rest: /^(pcs?|pieces?|sheets?|rolls?|each|ea|x|of)?\.?$/i.test(rest) ? '' : rest,
  };
}

/** Activities named in a cell: “Cards, Tags”, “kites & lanterns”, “all”. */
function usesIn(text: string): string[] {
  const parts = text
    .split(/\s*(?:[,;/|+&\n]|\band\b)\s*/i)
    .map((p) => p.trim())
    .filter(Boolean);
  return [
    ...new Set(
      parts.map((p) =>
        /^(all|everything|any|general|all crafts)$/i.test(p)
          ? ALL
          : cutText(p.charAt(0).toUpperCase() + p.slice(1), 120),
      ),
    ),
  ];
}
