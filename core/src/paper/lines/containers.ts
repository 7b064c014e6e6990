import { type Nature } from '../../record/catalogue/index.ts';
import { countIn, shareIn } from './amounts.ts';
import { type Region } from '../../record/plan/index.ts';
import { vesselIn } from './volumes.ts';
import { likelyKinds, wordsOf } from '../../things/kinds/index.ts';

/** Something that holds, as people name it when they say how much there is: inner sizes, mm (common practice, no source). */
export type ContainerKind = {
  name: string;
  width: number;
  depth: number;
  height: number;
  nature: Nature;
  lid: boolean;
};

const kind = (
  name: string,
  width: number,
  depth: number,
  height: number,
  nature: Nature = 'bulk',
  lid = false,
): ContainerKind => ({ name, width, depth, height, nature, lid });

/** From the most particular name to the plainest. */
export const CONTAINER_KINDS: readonly ContainerKind[] = [
  kind('shoe box', 320, 185, 115, 'bulk', true),
  kind('boot box', 420, 300, 120, 'bulk', true),
  kind('biscuit tin', 195, 195, 70, 'bulk', true),
  kind('cookie tin', 195, 195, 70, 'bulk', true),
  kind('cigar box', 220, 160, 55, 'bulk', true),
  kind('clear box', 330, 230, 115, 'area', true),
  kind('small clear box', 200, 150, 70, 'area', true),
  kind('large clear box', 390, 290, 180, 'area', true),
  kind('photo box', 280, 190, 110, 'row', true),
  kind('banana box', 500, 380, 230),
  kind('moving box', 550, 350, 350),
  kind('bankers box', 385, 305, 255, 'bulk', true),
  kind('bead box', 270, 180, 40, 'area', true),
  kind('magazine file', 75, 240, 300, 'row'),
  kind('carrier bag', 300, 350, 120),
  kind('freezer bag', 200, 250, 30),
  kind('zip bag', 150, 200, 20),
  kind('glass jar', 85, 85, 120, 'bulk', true),
  kind('jam jar', 65, 65, 90, 'bulk', true),
  kind('jar', 75, 75, 110, 'bulk', true),
  kind('bucket', 240, 240, 240),
  kind('basket', 290, 210, 140),
  kind('bowl', 180, 180, 60),
  kind('crate', 360, 260, 200),
  kind('tub', 250, 180, 120, 'bulk', true),
  kind('bin', 300, 240, 200),
  kind('tin', 180, 120, 70, 'bulk', true),
  kind('tray', 300, 220, 50, 'area'),
  kind('suitcase', 600, 400, 180, 'bulk', true),
  kind('trunk', 800, 450, 400, 'bulk', true),
  kind('cubby', 330, 380, 330, 'row'),
  kind('shelf', 800, 300, 300, 'row'),
  kind('drawer', 350, 400, 100, 'area'),
  kind('bag', 250, 300, 80),
  kind('box', 300, 200, 140, 'bulk', true),
];

/** A place or container of the plan that a line may name. */
export type KnownHolder = {
  id: string;
  name: string;
  width: number;
  depth: number;
  height: number;
  organiserId: string | null;
};

export type SaidContainer = {
  /** how many of them are filled */
  count: number;
  /** so much of one, or of the last one */
  share: number;
  name: string;
  width: number;
  depth: number;
  height: number;
  nature: Nature;
  lid: boolean;
  /** the place or container of the plan that is meant; null: one that people have at home */
  holderId: string | null;
  organiserId: string | null;
};

const same = (a: readonly string[], b: readonly string[]) => a.length === b.length && a.every((w, i) => w === b[i]);

/** What holds that a phrase names, the plan’s own first. */
export function containerNamed(
  phrase: string,
  known: readonly KnownHolder[],
  region: Region = 'us',
): Omit<SaidContainer, 'count' | 'share'> | null {
  const words = wordsOf(phrase).filter((w) => w !== 'full' && w !== 'these' && w !== 'this' && w !== 'those');
  if (words.length === 0) return null;
  const own = known.find((h) => same(wordsOf(h.name), words));
  if (own) {
    const { name, width, depth, height, organiserId } = own;
    return { name, width, depth, height, nature: 'bulk', lid: false, holderId: own.id, organiserId };
  }
  const found =
    CONTAINER_KINDS.find((c) => same(wordsOf(c.name), words)) ??
    // a word before it only says which one: “green jar”, “old shoe box”
    (words.length <= 3 || vesselIn(phrase.trim())
      ? CONTAINER_KINDS.find((c) => same(wordsOf(c.name), words.slice(-wordsOf(c.name).length)))
      : undefined);
  if (!found) return null;
  // one that is said to hold so much is like others of its kind, but for that
  const said = vesselIn(phrase.trim(), region);
  const by = said ? Math.cbrt((said.litres * 1e6) / (found.width * found.depth * found.height)) : 1;
  const size = (mm: number) => (by === 1 ? mm : Math.round(mm * by));
  return {
    ...found,
    width: size(found.width),
    depth: size(found.depth),
    height: size(found.height),
    name: phrase.trim(),
    holderId: null,
    organiserId: null,
  };
}

const FILLS = /^(.+?)\s+(?:fills?|fill up|takes? up)\s+(.+)$/i;
const OF = /\s+(?:full\s+)?(?:of|with)\s+/gi;

/** “shoe box of ribbon ends”, “half of drawer 3 of felt”, “2 jars of buttons”, “felt fills two of these boxes”; null when a line says nothing of the kind. */
export function filledIn(
  text: string,
  known: readonly KnownHolder[],
  region: Region = 'us',
): { container: SaidContainer; rest: string } | null {
  const fills = FILLS.exec(text);
  if (fills) {
    const container = amountOf(fills[2]!.replace(/^((?:\S+\s+)?)of (?:these|those|the) /i, '$1'), known, region);
    if (container) return { container, rest: fills[1]! };
  }
  for (const m of text.matchAll(OF)) {
    const rest = text.slice(m.index + m[0].length).replace(/^(?:of|with)\s+/i, '');
    // “3 boxes of 100 pins” are packs, “bag of 2 …” too
    if (/^\d/.test(rest)) continue;
    if (isItself(text.slice(0, m.index), text)) continue;
    const container = amountOf(text.slice(0, m.index), known, region);
    if (container) return { container, rest };
  }
  return null;
}

/** A box of pins is what pins are: the box belongs to the thing. */
function isItself(holder: string, text: string): boolean {
  const [best] = likelyKinds(text, 1);
  const last = wordsOf(holder).at(-1);
  return best !== undefined && best.whole && last !== undefined && best.named.includes(last);
}

function amountOf(text: string, known: readonly KnownHolder[], region: Region): SaidContainer | null {
  const shared = shareIn(text);
  if (shared) {
    const container = containerNamed(shared.rest.replace(/^(?:of|the|my)\s+/i, ''), known, region);
    return container && { ...container, count: 1, share: shared.share };
  }
  const one = text.replace(/^(?:an?|the|my|this|one)\s+/i, '');
  const direct = containerNamed(one, known, region);
  if (direct?.holderId) return { ...direct, count: 1, share: 1 };
  // “3 gallon tub” is one that holds three gallons, “2 quart jars” are two
  const said = vesselIn(one, region);
  if (direct && said && !/s$/i.test(said.vessel)) return { ...direct, count: 1, share: 1 };
  const lead = said && /^(\d+)\s+(?=[a-z])(.+)$/i.exec(one);
  const each = lead && containerNamed(lead[2]!, known, region);
  if (each) return { ...each, count: Number(lead[1]), share: 1 };
  const counted = countIn(`${text} `);
  const several = counted && containerNamed(counted.rest, known, region);
  if (several) return { ...several, count: counted.count, share: 1 };
  return direct && { ...direct, count: 1, share: 1 };
}

/** “4 clear boxes here”: containers found standing in a place; null when a line says none. */
export function containersHere(
  text: string,
  known: readonly KnownHolder[],
  region: Region = 'us',
): { container: Omit<SaidContainer, 'share'> } | null {
  const m = /^(.+?)\s+(?:here|in here|in it|stand here)\.?$/i.exec(text);
  if (!m) return null;
  const counted = countIn(`${m[1]!} `);
  const container = containerNamed((counted ? counted.rest : m[1]!).trim(), known, region);
  return container && { container: { ...container, count: counted?.count ?? 1 } };
}
