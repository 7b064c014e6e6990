import { type Nature, NATURES } from '../../record/catalogue/index.ts';
import {
  FORMS,
  HAZARDS,
  SENSITIVE,
  STORAGE_FORMS,
  type StorageForm,
  type Supply,
  usualLies,
} from '../../record/plan/index.ts';
import { KIND_LINES } from './data.ts';

/** A generic kind of supply: what one piece of it usually is. */
export type KindOfSupply = {
  /** its name in small letters and hyphens, which is kept with the supply */
  id: string;
  name: string;
  others: readonly string[];
  form: Supply['form'];
  family: string;
  /** usual sizes of one piece as it is bought and lies flat, mm; of a sheet the thickness follows from its weight */
  width: number;
  depth: number;
  height: number | null;
  /** g */
  mass: number;
  /** paper, g/m² */
  grammage: number | null;
  packOf: number;
  /** thickness without its package, mm; null: it has none */
  bare: number | null;
  minds: Supply['sensitive'];
  hazards: Supply['hazards'];
  /** fetches a session of what uses it */
  fetches: number;
  /** ways it may be kept beside as bought */
  keeps: readonly StorageForm[];
  /** natures of holding that suit it, best first */
  natures: readonly Nature[];
  /** where its sizes come from */
  source: string;
};

const COMMON = 'common practice, no source';

/** Natures that suit what has some form, best first (common practice, no source). */
const NATURES_OF: Record<Supply['form'], readonly Nature[]> = {
  block: ['area', 'row', 'bulk'],
  sheet: ['pile', 'row', 'area'],
  roll: ['row', 'bulk'],
  bottle: ['row', 'area'],
  stick: ['area', 'row', 'bulk'],
  spool: ['area', 'row', 'bulk'],
  soft: ['row', 'area', 'bulk'],
  pocket: ['row', 'area', 'pockets', 'pile'],
  loose: ['bulk', 'area'],
  machine: ['row', 'area'],
  long: ['row', 'area'],
};

function read(line: string): KindOfSupply {
  const [name, others = '', size = '', mass = '', form = '', family = '', more = ''] = line
    .split('|')
    .map((c) => c.trim());
  const [width, depth, height] = size.split('x').map(Number);
  const kind: KindOfSupply = {
    id: idOf(name!),
    name: name!,
    others: others
      .split(',')
      .map((o) => o.trim())
      .filter(Boolean),
    form: oneOf(FORMS, form, line),
    family,
    width: width!,
    depth: depth!,
    height: height ?? null,
    mass: Number(mass),
    grammage: null,
    packOf: 1,
    bare: null,
    minds: [],
    hazards: [],
    fetches: 1,
    keeps: [],
    natures: NATURES_OF[form as Supply['form']],
    source: COMMON,
  };
  for (const part of more
    .split(',')
    .map((p) => p.trim())
    .filter(Boolean))
    say(kind, part, line);
  return kind;
}

function say(kind: KindOfSupply, part: string, line: string): void {
  const [word, ...rest] = part.split(' ');
  if (word === 'pack') kind.packOf = Number(rest[0]);
  else if (word === 'gsm') kind.grammage = Number(rest[0]);
  else if (word === 'bare') kind.bare = Number(rest[0]);
  else if (word === 'fetch') kind.fetches = Number(rest[0]);
  else if (word === 'minds') kind.minds = rest.map((w) => oneOf(SENSITIVE, w, line));
  else if (word === 'care') kind.hazards = rest.map((w) => oneOf(HAZARDS, w, line));
  else if (word === 'keeps') kind.keeps = rest.map((w) => oneOf(STORAGE_FORMS, w, line));
  else if (word === 'in') kind.natures = rest.map((w) => oneOf(NATURES, w, line));
  else if (word === 'src') kind.source = `${rest.join(' ')} (from memory)`;
  else throw new Error(`A kind of supply says “${part}”, which means nothing: ${line}`);
}

function oneOf<T extends string>(all: readonly T[], word: string, line: string): T {
  if (!(all as readonly string[]).includes(word)) throw new Error(`A kind of supply says “${word}”: ${line}`);
  return word as T;
}

const idOf = (name: string) => name.toLowerCase().replace(/[^a-z0-9]+/g, '-');

/** Every kind of supply there is, in the order of the crafts. */
export const KINDS: readonly KindOfSupply[] = KIND_LINES.split('\n')
  .filter((line) => line.trim() !== '' && !line.startsWith('#'))
  .map(read);

/** How a supply of a kind usually lies: as its form does, and hanging where such things hang. */
export const liesOf = (kind: Pick<KindOfSupply, 'keeps'> | null, form: Supply['form']): Supply['lies'] => {
  const lies = usualLies(form);
  return kind?.keeps.includes('hanging') ? [...lies, 'hanging'] : lies;
};

const byId = new Map(KINDS.map((kind) => [kind.id, kind]));

/** The kind of an id; null for none, or one that this program does not know. */
export const kindOf = (id: string): KindOfSupply | null => byId.get(id) ?? null;

/** A supply of a kind in its usual sizes, each marked as usual; how many there are is not said. */
export function ofKind(
  kind: KindOfSupply,
): Omit<
  Supply,
  | 'id'
  | 'name'
  | 'working'
  | 'backstock'
  | 'zoneId'
  | 'note'
  | 'colour'
  | 'lies'
  | 'alsoCalled'
  | 'life'
  | 'kit'
  | 'boughtOn'
  | 'usedOn'
  | 'shop'
  | 'price'
  | 'photo'
  | 'maker'
> {
  const { width, depth, height, form, family, mass, grammage, packOf, minds, hazards, id } = kind;
  return {
    form,
    family,
    width,
    depth,
    height,
    mass,
    grammage,
    packOf,
    stackLimit: null,
    bears: false,
    sensitive: [...minds],
    hazards: [...hazards],
    kind: id,
    usual: ['width', 'depth', ...(height === null ? [] : (['height'] as const)), 'mass'],
    unsure: [],
    pictured: [],
    plusMinus: 0,
    reorderAt: null,
    storage: 'asBought',
    mayKeep: [],
    isNew: false,
    decision: 'open',
    decideBy: null,
    months: [],
    onShow: false,
    openWidth: null,
    openLength: null,
    line: '',
    theme: '',
  };
}

/** Natures of holding that suit a supply, best first: those of its kind, else of its form. */
export const naturesFor = (supply: Pick<Supply, 'kind' | 'form'>): readonly Nature[] =>
  kindOf(supply.kind)?.natures ?? NATURES_OF[supply.form];
