import { readFileSync } from 'node:fs';
import {
  type Bound,
  type ChapterName,
  CHAPTER_NAMES,
  type Cut,
  LEAST_CUT,
  planBook,
  planMaps,
} from '@heronstone/core/book';
import { type Paper, PAPERS } from '@heronstone/core/drawings';
import { formatLength, parseLength } from '@heronstone/core/lengths';
import { type Plan } from '@heronstone/core/plan';
import { FACE_PARTS, faceFile, type Faces, type Weight } from '@heronstone/core/type';
import { json, picturedPlanOf, type Result, today, Trouble, type Values, write } from '../input.ts';
import { type Verb } from './verb.ts';

export const bookVerb: Verb = {
  usage: ['book PLAN.heron.json --out FILE.pdf [--chapters room,zones,…] [--paper a4|letter] [--pictures]'],
  flags: ['out', 'chapters', 'paper', 'pictures'],
  run: book,
};

export const mapsVerb: Verb = {
  usage: [
    'maps PLAN.heron.json --out FILE.pdf [--unit NAME] [--paper a4|letter] [--cut door|WIDTHxHEIGHT] [--trial] [--pictures]',
  ],
  flags: ['out', 'unit', 'paper', 'cut', 'trial', 'pictures'],
  run: maps,
};

/** The faces the app ships with, from beside the packages. */
function shippedFaces(): Faces {
  const of = (weight: Weight) =>
    FACE_PARTS.map(
      (part) =>
        new Uint8Array(
          readFileSync(
            new URL(`../../../node_modules/@fontsource/source-sans-3/files/${faceFile(part, weight)}`, import.meta.url),
          ),
        ),
    );
  return { regular: of('regular'), bold: of('bold') };
}

function paperOf({ paper = 'a4' }: Values): Paper {
  if (!(paper in PAPERS)) throw new Trouble(`--paper takes a4 or letter, not “${paper}”`);
  return paper as Paper;
}

function outOf({ out }: Values): string {
  if (!out) throw new Trouble('say where to with --out FILE.pdf');
  return out;
}

function written(out: string, { bytes, pages, lacking }: Bound): Result {
  write(out, bytes);
  return { code: 0, out: json({ out, pages, bytes: bytes.length, lettersLacking: lacking }) };
}

/** The plan book as PDF. */
async function book(file: string, values: Values): Promise<Result> {
  const [out, paper] = [outOf(values), paperOf(values)];
  const chapters = values.chapters?.split(',').map((c) => c.trim());
  const unknown = chapters?.find((c) => !(CHAPTER_NAMES as readonly string[]).includes(c));
  if (unknown !== undefined)
    throw new Trouble(`there is no chapter “${unknown}”; there are ${CHAPTER_NAMES.join(', ')}`);
  const { plan, photos } = picturedPlanOf(file);
  return written(
    out,
    await planBook(plan, {
      ...{ paper, faces: shippedFaces(), day: today() },
      ...(values.pictures ? { photos } : {}),
      ...(chapters ? { chapters: chapters as ChapterName[] } : {}),
    }),
  );
}

/** Maps of units, all of them or those of a name, as PDF. */
async function maps(file: string, values: Values): Promise<Result> {
  const [out, paper] = [outOf(values), paperOf(values)];
  const { plan, photos } = picturedPlanOf(file);
  const cut = cutOf(plan, values);
  const units = unitsCalled(plan, values.unit);
  const how = {
    paper,
    faces: shippedFaces(),
    day: today(),
    cut,
    trial: values.trial === true,
    ...(values.pictures ? { photos } : {}),
  };
  return written(out, await planMaps(plan, { units }, how));
}

/** What maps are cut to: the inside of the door, or a width and a height in either system of lengths. */
function cutOf({ head: { measure } }: Plan, { cut }: Values): 'door' | Cut | null {
  if (cut === undefined || cut === 'door') return cut ?? null;
  const sides = cut.split(/[x×]/).map((side) => parseLength(side, measure));
  const [width, height] = sides.map((side) => (side.ok ? side.mm : Number.NaN));
  if (sides.length !== 2 || !(width! >= LEAST_CUT) || !(height! >= LEAST_CUT))
    throw new Trouble(
      `--cut takes door, or a width x a height of ${formatLength(LEAST_CUT, measure)} or more as “20 x 30”, not “${cut}”`,
    );
  return { width: width!, height: height! };
}

function unitsCalled(plan: Plan, name: string | undefined): string[] {
  const holding = new Set(Object.values(plan.places).map((p) => p.unitId));
  const all = Object.values(plan.units).filter((u) => holding.has(u.id));
  const some = all.filter((u) => name === undefined || u.name === name || u.id === name);
  if (some.length === 0)
    throw new Trouble(
      name === undefined
        ? 'the plan has no unit with places'
        : `there is no unit “${name}” with places; there ${all.length === 1 ? 'is' : 'are'} ${all.map((u) => u.name).join(', ') || 'none'}`,
    );
  return some.sort((a, b) => (a.name < b.name ? -1 : 1)).map((u) => u.id);
}
