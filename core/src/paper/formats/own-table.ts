import { kindOf, liesOf, wordsOf } from '../../things/kinds/index.ts';
import { formatLength, formatWeight, type Measure, parseWeight } from '../../measures/lengths/index.ts';
import {
  colourIn,
  countIn,
  type Doubt,
  lineContextOf,
  type LineContext,
  packIn,
  readLine,
  sizeOf,
  weighSheet,
  weightIn,
} from '../lines/index.ts';
import {
  cutText,
  newId,
  placeTitle,
  type Plan,
  type Sized,
  Supply,
  usesOf,
  wholePath,
} from '../../record/plan/index.ts';
import { type Meaning, measureOfTable, type OwnTable, unitInHeading } from './own-meanings.ts';
import { plainCell } from './safe-cell.ts';

/** One line of a list of one’s own, understood. */
export type RowRead = {
  /** line in the file, the heading being the first */
  line: number;
  text: string;
  supply: Supply;
  /** fields that the line itself says; the others are usual ones */
  said: (keyof Supply)[];
  guessed: Sized[];
  doubts: Doubt[];
  /** names of activities that use it */
  uses: string[];
  /** where it says it lives, when that is a place of the plan */
  placeId: string | null;
};

export type Change = { field: keyof Supply | 'uses'; from: string; to: string };
/** What reading a list would do: what is new, what changes, what is as it was, and what could not be read. */
export type OwnReading = {
  measure: Measure;
  fresh: RowRead[];
  changed: { row: RowRead; supplyId: string; set: Partial<Supply>; changes: Change[] }[];
  same: RowRead[];
  troubles: { line: number; reason: string }[];
  /** activities named that the plan has not */
  activities: string[];
  /** headings whose cells are kept in the note */
  kept: string[];
};

type Asked = { meanings: readonly Meaning[]; measure: Measure; makeId?: () => string };

/**
 * Reads a list of one’s own. Nothing of it is lost: what does not fit its column goes into the note with its heading. Entries are known again by their
 * name, so that a list read twice updates and does not double; of the same name in one list, by their colour too.
 */
export function readOwnTable(
  table: OwnTable,
  plan: Plan,
  { meanings, measure, makeId = () => newId('supply') }: Asked,
): OwnReading {
  const own = measureOfTable(table, meanings, measure);
  const out: Pick<OwnReading, 'troubles' | 'kept'> = {
    troubles: [],
    kept: table.headings.filter((_, i) => meanings[i] === ''),
  };
  const nameAt = meanings.indexOf('name');
  if (nameAt < 0) {
    out.troubles.push({ line: 1, reason: 'No column says what each thing is called. Say which one does.' });
    return readAgainst(plan, [], own, out);
  }
  const places = placesByName(plan);
  const read: RowRead[] = [];
  table.rows.forEach((cells, i) => {
    const line = i + 2;
    const row = rowOf(
      cells.map(plainCell),
      table.headings,
      meanings,
      { ...lineContextOf(plan, null), measure: own, holders: [] },
      places,
    );
    if (typeof row === 'string') out.troubles.push({ line, reason: row });
    else {
      const checked = Supply.safeParse({ ...row.supply, id: makeId() });
      if (checked.success) read.push({ ...row, supply: checked.data, line, text: cells.filter(Boolean).join(', ') });
      else
        out.troubles.push({
          line,
          reason: `${String(checked.error.issues[0]!.path[0])} ${checked.error.issues[0]!.message}`,
        });
    }
  });
  tellApart(read);
  return readAgainst(plan, read, own, out);
}

/** Rows against what the plan has: new, changed, the same. Names tell them. */
export function readAgainst(
  plan: Plan,
  rows: readonly RowRead[],
  measure: Measure,
  told: Pick<OwnReading, 'troubles' | 'kept'>,
): OwnReading {
  const out: OwnReading = {
    measure,
    fresh: [],
    changed: [],
    same: [],
    activities: [],
    troubles: told.troubles,
    kept: told.kept,
  };
  const activities = new Set<string>();
  const known = new Map<string, Supply[]>();
  for (const s of Object.values(plan.supplies)) known.set(keyOf(s.name), [...(known.get(keyOf(s.name)) ?? []), s]);
  for (const row of rows) {
    for (const use of row.uses) if (use !== ALL && activityNamed(plan, use) === undefined) activities.add(use);
    const there = known.get(keyOf(row.supply.name))?.shift();
    if (!there) {
      out.fresh.push(row);
      continue;
    }
    const { set, changes } = differences(plan, there, row, measure);
    if (changes.length > 0) out.changed.push({ row, supplyId: there.id, set, changes });
    else out.same.push({ ...row, supply: { ...row.supply, id: there.id } });
  }
  out.activities = [...activities];
  return out;
}

/** Stands for every activity. */
export const ALL = '*';
const keyOf = (name: string) => wordsOf(name).join(' ') || name.toLowerCase().trim();

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
function placesByName(plan: Plan): ReadonlyMap<string, string | null> {
  const by = new Map<string, string | null>();
  for (const place of Object.values(plan.places)) {
    for (const path of [wholePath(plan, place), placeTitle(plan, place)]) by.set(path.toLowerCase(), place.id);
    const own = keyOf(place.name);
    by.set(own, by.has(own) ? null : place.id);
  }
  return by;
}

const bare = (cell: string) => /^[~≈]?\s*(?:\d+ \d+\/\d+|\d+\/\d+|\d+(?:[.,]\d+)?)$/.test(cell);

type Draft = Omit<RowRead, 'line' | 'text' | 'supply'> & { supply: Omit<Supply, 'id'> };

function rowOf(
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

const counted = (name: string) => /^\s*\d+\s*(?:x\s|packs?|rolls?|boxes|\s\p{L})/iu.test(name);

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

/** Entries of one name are told apart by their colour, and else by their number. */
function tellApart(rows: RowRead[]): void {
  const by = new Map<string, RowRead[]>();
  for (const row of rows) by.set(keyOf(row.supply.name), [...(by.get(keyOf(row.supply.name)) ?? []), row]);
  const taken = new Set<string>();
  for (const [, same] of by) {
    for (const [i, row] of same.entries()) {
      const colour = /^(?:.*\n)*?[^\n:]*(?:colou?r|shade|hue)[^\n:]*: ([^\n]+)/i.exec(row.supply.note)?.[1];
      const wanted = same.length > 1 && colour ? `${row.supply.name}, ${colour}` : row.supply.name;
      let name = cutText(wanted, 120);
      for (let n = 2; taken.has(keyOf(name)); n++) name = `${cutText(wanted, 112)} (${n})`;
      if (i >= 0) row.supply.name = name;
      taken.add(keyOf(name));
    }
  }
}

/** What a line says otherwise than the plan has it. Usual sizes never come over measured ones. */
function differences(
  plan: Plan,
  there: Supply,
  row: RowRead,
  measure: Measure,
): { set: Partial<Supply>; changes: Change[] } {
  const set: Record<string, unknown> = {};
  const changes: Change[] = [];
  const words = (field: keyof Supply, value: unknown): string => {
    if (value === null || value === '') return '–';
    if (field === 'width' || field === 'depth' || field === 'height') return formatLength(value as number, measure);
    if (field === 'mass') return formatWeight(value as number, measure);
    return String(value);
  };
  const differ = (field: keyof Supply, a: unknown, b: unknown) =>
    typeof a === 'number' && typeof b === 'number'
      ? words(field, a) !== words(field, b)
      : JSON.stringify(a) !== JSON.stringify(b);
  for (const field of row.said) {
    if (field === 'name' || !differ(field, there[field], row.supply[field])) continue;
    set[field] = row.supply[field];
    changes.push({ field, from: words(field, there[field]), to: words(field, row.supply[field]) });
  }
  const note = mergedNote(there.note, row.supply.note);
  if (note !== there.note) {
    set.note = note;
    changes.push({ field: 'note', from: there.note, to: note });
  }
  const has = new Set(usesOf(plan, there.id).map((u) => u.activityId));
  const missing = row.uses.filter((use) => use !== ALL && !has.has(activityNamed(plan, use) ?? ''));
  if (missing.length > 0) changes.push({ field: 'uses', from: '', to: missing.join(', ') });
  return { set: set as Partial<Supply>, changes };
}

/** The note with the lines of the list as they are now; what the maker wrote herself stays. */
function mergedNote(before: string, now: string): string {
  const heading = (line: string) => /^([^:\n]{1,60}): /.exec(line)?.[1] ?? line;
  const lines = now === '' ? [] : now.split('\n');
  const named = new Set(lines.map(heading));
  const kept = before.split('\n').filter((line) => line !== '' && !named.has(heading(line)));
  return cutText([...lines, ...kept].filter((l, i, all) => all.indexOf(l) === i).join('\n'), 2000);
}
