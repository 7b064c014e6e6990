import { toneOf } from '@heronstone/core/colour';
import { livesSaid } from '@heronstone/core/concepts';
import { pieceOf, STORAGE } from '@heronstone/core/fit';
import { kindOf } from '@heronstone/core/kinds';
import { formatNumberOnly, formatThin, formatWeight, parseWeight, type Measure } from '@heronstone/core/lengths';
import { sizeOf } from '@heronstone/core/lines';
import { monthOf, today } from '../../../ui/words.ts';
import {
  DECISIONS,
  livesIn,
  type Plan,
  STORAGE_FORMS,
  type Supply,
  usesOf,
  withoutHome,
  zonesOf,
} from '@heronstone/core/plan';
import { litresOf } from '@heronstone/core/stock';

/** What a cell becomes when it is edited: the change, or why not. */
export type Edited = { ok: true; set: Partial<Supply> } | { ok: false; reason: string };

export type Column = {
  id: string;
  title: string;
  /** px */
  width: number;
  right?: boolean;
  text: (plan: Plan, supply: Supply) => string;
  /** what it is sorted by; else its text */
  sort?: (plan: Plan, supply: Supply) => number | string;
  /** whether what stands there is only usual, or not sure */
  guessed?: (supply: Supply) => boolean;
  edit?: (text: string, supply: Supply, measure: Measure) => Edited;
  /** what it may be, where that is one of a few */
  options?: readonly (readonly [value: string, words: string])[];
  /** whether rows may be put together by it */
  groups?: boolean;
};

export const DECISION_WORDS: Record<Supply['decision'], string> = {
  open: 'not yet',
  keep: 'keep',
  away: 'away for the season',
  passOn: 'pass on',
  throw: 'throw',
  undecided: 'undecided',
};

const no = (reason: string): Edited => ({ ok: false, reason });

function whole(field: 'working' | 'backstock' | 'packOf' | 'reorderAt', least: number, empty?: null) {
  return (text: string): Edited => {
    const t = text.trim();
    if (t === '' && empty === null) return { ok: true, set: { [field]: null } };
    const n = Number(t);
    if (t === '' || !Number.isInteger(n) || n < least || n > 1_000_000) return no('A whole number is wanted.');
    return { ok: true, set: { [field]: n } };
  };
}

const anyGuess = (supply: Supply, fields: readonly Supply['usual'][number][]) =>
  fields.some((f) => supply.usual.includes(f) || supply.unsure.includes(f));

/** A piece in numbers: “6.2 × 4.6 × 1.8”. */
export function sizeWords(supply: Supply, measure: Measure): string {
  const piece = pieceOf(supply);
  if (!piece) return '';
  const n = (mm: number) => (mm < 1 ? formatThin(mm, measure) : formatNumberOnly(mm, measure));
  return `${n(piece.width)} × ${n(piece.depth)} × ${n(piece.height)}`;
}

/** Every column that the list can show. */
export const COLUMNS: readonly Column[] = [
  {
    id: 'name',
    title: 'name',
    width: 220,
    text: (_, s) => s.name,
    edit: (text) => (text.trim() === '' ? no('It needs a name.') : { ok: true, set: { name: text.trim() } }),
  },
  {
    id: 'family',
    title: 'family',
    width: 130,
    groups: true,
    text: (_, s) => s.family,
    edit: (text) => ({ ok: true, set: { family: text.trim() } }),
  },
  { id: 'kind', title: 'kind', width: 130, groups: true, text: (_, s) => kindOf(s.kind)?.name ?? s.kind },
  {
    id: 'size',
    title: 'w × d × h',
    width: 150,
    text: (plan, s) => sizeWords(s, plan.head.measure),
    sort: (_, s) => litresOf({ ...s, working: 1, backstock: 0 }) ?? -1,
    guessed: (s) => anyGuess(s, ['width', 'depth', 'height']),
    edit: (text, supply, measure) => {
      if (text.trim() === '') return { ok: true, set: { width: null, depth: null, height: null } };
      const size = sizeOf(text, measure);
      if (!size || size.given.length < 2) return no('A size is wanted, like 12 x 9 x 2.');
      const [a, b, c] = size.given as [number, number, number?];
      if (size.round) return { ok: true, set: { width: a, depth: a, height: b } };
      return {
        ok: true,
        set: {
          width: a,
          depth: b,
          ...(c === undefined && supply.form === 'sheet' ? {} : { height: c ?? supply.height }),
        },
      };
    },
  },
  {
    id: 'mass',
    title: 'weight',
    width: 84,
    right: true,
    text: (plan, s) => (s.mass > 0 ? formatWeight(s.mass, plan.head.measure) : ''),
    sort: (_, s) => s.mass,
    guessed: (s) => anyGuess(s, ['mass']),
    edit: (text, _, measure) => {
      if (text.trim() === '') return { ok: true, set: { mass: 0 } };
      const got = parseWeight(text, measure === 'metric' ? 'g' : 'oz');
      return got.ok ? { ok: true, set: { mass: Number(got.g.toFixed(3)) } } : no(got.reason);
    },
  },
  {
    id: 'working',
    title: 'at hand',
    width: 74,
    right: true,
    text: (_, s) => String(s.working),
    sort: (_, s) => s.working,
    guessed: (s) => anyGuess(s, ['working']),
    edit: whole('working', 0),
  },
  {
    id: 'backstock',
    title: 'reserve',
    width: 74,
    right: true,
    text: (_, s) => String(s.backstock || ''),
    sort: (_, s) => s.backstock,
    guessed: (s) => anyGuess(s, ['backstock']),
    edit: whole('backstock', 0),
  },
  {
    id: 'packOf',
    title: 'pack of',
    width: 74,
    right: true,
    text: (_, s) => (s.packOf > 1 ? String(s.packOf) : ''),
    sort: (_, s) => s.packOf,
    edit: whole('packOf', 1),
  },
  {
    id: 'reorderAt',
    title: 'buy below',
    width: 84,
    right: true,
    text: (_, s) => (s.reorderAt === null ? '' : String(s.reorderAt)),
    sort: (_, s) => s.reorderAt ?? -1,
    edit: whole('reorderAt', 0, null),
  },
  {
    id: 'home',
    title: 'lives in',
    width: 210,
    groups: true,
    // what stands together in the room stands together here
    sort: (plan, s) => livesIn(plan, s, monthOf(today())),
    text: (plan, s) =>
      livesSaid(plan, s, monthOf(today())) || (withoutHome(plan, s, 'working') > 0 ? 'no home yet' : ''),
  },
  {
    id: 'zone',
    title: 'zone',
    width: 110,
    groups: true,
    text: (plan, s) => [...zonesOf(plan, s)].map((id) => plan.zones[id]?.name ?? '').join(', '),
  },
  {
    id: 'activity',
    title: 'used for',
    width: 150,
    groups: true,
    text: (plan, s) =>
      [...new Set(usesOf(plan, s.id).map((u) => plan.activities[u.activityId]?.name ?? ''))].sort().join(', '),
  },
  {
    id: 'maker',
    title: 'maker',
    width: 110,
    groups: true,
    text: (_, s) => s.maker,
    edit: (text) => ({ ok: true, set: { maker: text.trim() } }),
  },
  {
    id: 'line',
    title: 'line',
    width: 110,
    groups: true,
    text: (_, s) => s.line,
    edit: (text) => ({ ok: true, set: { line: text.trim() } }),
  },
  {
    id: 'theme',
    title: 'theme',
    width: 110,
    groups: true,
    text: (_, s) => s.theme,
    edit: (text) => ({ ok: true, set: { theme: text.trim() } }),
  },
  {
    id: 'colour',
    title: 'colour',
    width: 100,
    groups: true,
    text: (_, s) => (s.colour === null ? '' : toneOf(s.colour).family),
  },
  {
    id: 'storage',
    title: 'kept',
    width: 130,
    groups: true,
    text: (_, s) => STORAGE[s.storage].name,
    options: STORAGE_FORMS.map((f) => [f, STORAGE[f].name] as const),
    edit: (text) => ({ ok: true, set: { storage: text as Supply['storage'] } }),
  },
  {
    id: 'decision',
    title: 'decided',
    width: 110,
    groups: true,
    text: (_, s) => DECISION_WORDS[s.decision],
    options: DECISIONS.map((d) => [d, DECISION_WORDS[d]] as const),
    edit: (text) => ({ ok: true, set: { decision: text as Supply['decision'] } }),
  },
  {
    id: 'litres',
    title: 'litres',
    width: 70,
    right: true,
    text: (_, s) => litresOf(s)?.toFixed(1) ?? '',
    sort: (_, s) => litresOf(s) ?? -1,
  },
  {
    id: 'note',
    title: 'note',
    width: 220,
    text: (_, s) => s.note.replace(/\n/g, ' · '),
    edit: (text) => ({ ok: true, set: { note: text } }),
  },
];

export const USUAL_COLUMNS: readonly string[] = ['name', 'family', 'size', 'working', 'backstock', 'home'];

/** Ways to narrow the list beside a text. */
export const ONLY = [
  ['', 'everything'],
  ['size', 'without size'],
  ['guess', 'with guesses'],
  ['home', 'without a home'],
  ['buy', 'below their level'],
  ['double', 'perhaps the same'],
] as const;
