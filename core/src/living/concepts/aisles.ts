import { KINDS, kindOf, likelyKinds, wordsOf } from '../../things/kinds/index.ts';
import { type Supply } from '../../record/plan/index.ts';

/** The aisles that families stand under, as a shop for makers would be parted (common practice, no source). */
export const AISLES = {
  paper: 'paper and card',
  pictures: 'books and pictures',
  adhesives: 'adhesives and tapes',
  cutting: 'cutting',
  measuring: 'measuring and marking',
  drawing: 'drawing and colouring',
  inks: 'inks and paints',
  stamps: 'stamps and dies',
  thread: 'thread and needles',
  fabric: 'fabric and leather',
  yarn: 'yarn and wool',
  ribbon: 'ribbon and trim',
  findings: 'beads and findings',
  casting: 'clay, wax and resin',
  foils: 'vinyl and foil',
  wire: 'wire and metal',
  long: 'wood and long stock',
  light: 'light and power',
  chemistry: 'chemistry',
  wet: 'wet work and cleaning',
  protection: 'protection',
  packing: 'packing and post',
  templates: 'templates and patterns',
  tools: 'hand tools',
  machines: 'machines',
  inHand: 'work in hand',
} as const;
export type Aisle = keyof typeof AISLES;
export const isAisle = (word: string): word is Aisle => Object.hasOwn(AISLES, word);

/** The aisle of every family of the catalogue of kinds. */
const OF_FAMILY: Readonly<Record<string, Aisle>> = Object.fromEntries(
  (
    [
      ['paper', 'Card, Paper, Envelopes, Scraps, Tags'],
      ['pictures', 'Photos, Albums, Photography, Books, Frames'],
      ['adhesives', 'Adhesives, Tapes'],
      ['cutting', 'Cutting tools, Punches'],
      ['drawing', 'Markers, Pens, Pencils, Drawing'],
      ['inks', 'Inks, Powders, Dyes, Inking tools, Printing, Paints, Brushes'],
      ['stamps', 'Stamps, Stamping tools, Dies'],
      ['thread', 'Thread, Sewing, Embroidery'],
      ['fabric', 'Fabric, Felt, Leather'],
      ['yarn', 'Yarn, Knitting, Felting, Weaving'],
      ['ribbon', 'Ribbon, Twine, Flowers'],
      ['findings', 'Beads, Buttons, Findings, Embellishments'],
      ['casting', 'Clay, Resin, Moulds, Wax, Soap'],
      ['foils', 'Vinyl, Foils'],
      ['wire', 'Wire'],
      ['long', 'Wood'],
      ['light', 'Electrics'],
      ['chemistry', 'Chemistry'],
      ['wet', 'Cleaning'],
      ['packing', 'Packing'],
      ['templates', 'Stencils, Patterns, Templates'],
      ['tools', 'Tools, Hand tools'],
      ['machines', 'Machines'],
    ] as const
  ).flatMap(([aisle, families]) => families.split(', ').map((family) => [family, aisle] as const)),
);

/** Kinds that stand under another aisle than the rest of their family. */
const OF_KIND: Readonly<Record<string, Aisle>> = Object.fromEntries(
  (
    [
      [
        'measuring',
        'ruler, long-ruler, quilting-ruler, tape-measure, scales, score-board, tailor-s-chalk, thermometer',
      ],
      ['cutting', 'cutting-mat, craft-mat, lino-cutter, seam-ripper, machine-blade, cutting-mat-for-machine'],
      ['protection', 'gloves, apron, safety-glasses'],
      ['adhesives', 'packing-tape'],
      ['fabric', 'fabric-scrap'],
      ['stamps', 'embossing-powder'],
      ['chemistry', 'lye'],
    ] as const
  ).flatMap(([aisle, kinds]) => kinds.split(', ').map((kind) => [kind, aisle] as const)),
);

/** Words by which a family of one’s own tells its aisle, beside the names of the catalogue’s families (common practice, no source). */
const OF_WORD: ReadonlyMap<string, Aisle> = new Map([
  ...Object.entries(OF_FAMILY).flatMap(([family, aisle]): [string, Aisle][] =>
    wordsOf(family).length === 1 ? [[wordsOf(family)[0]!, aisle]] : [],
  ),
  ...(
    [
      ['adhesives', 'glue gluing paste tape adhesive sticking'],
      ['cutting', 'cutting cut blade knife scissors punching'],
      ['measuring', 'measuring measure marking mark ruler'],
      ['drawing', 'colour colouring drawing writing pen pencil crayon'],
      ['inks', 'ink paint painting printing marbling dyeing stamping dye colouring'],
      ['thread', 'sewing needle pin thread embroidery quilting'],
      ['fabric', 'fabric cloth textile ripstop canvas cotton leather felt linen'],
      ['yarn', 'yarn wool felting knitting crochet weaving'],
      ['ribbon', 'ribbon trim trimming lace cord string line rope braid'],
      ['findings', 'bead jewellery finding embellishment button'],
      ['wire', 'wire metal wirework'],
      ['long', 'wood rod stick bamboo dowel spar pole'],
      ['light', 'light lighting battery power electrics electronics lamp cell led'],
      ['chemistry', 'chemistry chemical chemicals sensitiser developer'],
      ['wet', 'wet washing water cleaning sink rinse'],
      ['protection', 'protection safety glove'],
      ['packing', 'packing post shipping mail wrapping gift'],
      ['templates', 'template pattern stencil'],
      ['tools', 'tool'],
      ['machines', 'machine'],
      ['inHand', 'project unfinished hand season'],
      ['paper', 'paper card cardstock envelope'],
      ['casting', 'clay wax resin candle soap casting mould'],
      ['foils', 'vinyl foil'],
    ] as const
  ).flatMap(([aisle, words]) => words.split(' ').map((word): [string, Aisle] => [word, aisle])),
]);

const families = new Set(KINDS.map((kind) => kind.family));
/** Families of the catalogue that stand under no aisle: none, as long as the catalogue is in order. */
export const withoutAisle = (): string[] => [...families].filter((family) => !(family in OF_FAMILY));

/** The aisle of a kind of supply. */
export const aisleOfKind = (kindId: string): Aisle | null =>
  OF_KIND[kindId] ?? OF_FAMILY[kindOf(kindId)?.family ?? ''] ?? null;

/** The aisle of a thing by what it is, whatever family its maker has given it: by its kind, or the kind its name tells. */
export function aisleOfThing(supply: Pick<Supply, 'kind' | 'name'>): Aisle | null {
  const known = supply.kind === '' ? null : aisleOfKind(supply.kind);
  if (known) return known;
  const [likely] = likelyKinds(supply.name, 1);
  return likely?.whole ? aisleOfKind(likely.kind.id) : null;
}

/**
 * The aisle of a family: the catalogue’s own, or as its name says (“lantern paper”: the last word that names one), else the one of most of its things.
 * Null: nobody knows.
 * @param things what is in the family
 */
export function aisleOfFamily(family: string, things: readonly Pick<Supply, 'kind' | 'name'>[]): Aisle | null {
  const known = OF_FAMILY[family];
  if (known) return known;
  // “wet tools” are told by what they are for: that they are tools says least
  const said = wordsOf(family).reverse();
  for (const word of [...said.filter((w) => w !== 'tool'), ...said]) {
    const aisle = OF_WORD.get(word);
    if (aisle) return aisle;
  }
  const votes = new Map<Aisle, number>();
  for (const thing of things) {
    const aisle = aisleOfThing(thing);
    if (aisle) votes.set(aisle, (votes.get(aisle) ?? 0) + 1);
  }
  const [best] = [...votes].sort((a, b) => b[1] - a[1] || (a[0] < b[0] ? -1 : 1));
  return best?.[0] ?? null;
}
