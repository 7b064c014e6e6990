import { pieceOf } from '../../things/fit/index.ts';
import { fetchesPerYear } from '../../living/homes/index.ts';
import { KINDS, kindOf, wordsOf } from '../../things/kinds/index.ts';
import { type Activity, type Decision, DECISIONS, type Plan, type Supply, usesOf } from '../../record/plan/index.ts';

/** More than so many years' use in stock is too much (common practice, no source). */
export const TOO_MANY_YEARS = 3;

/** Litres that all of a supply takes as it is, pieces side by side; null while it is not measured. */
export function litresOf(supply: Supply): number | null {
  const piece = pieceOf(supply);
  return piece ? (piece.width * piece.depth * piece.height * (supply.working + supply.backstock)) / 1e6 : null;
}

export type Heap = {
  decision: Decision;
  supplies: Supply[];
  litres: number;
  grams: number;
  unmeasured: number;
  guessed: boolean;
};

/** The piles of a sort-out, each with its litres and weight. */
export function heapsOf(plan: Pick<Plan, 'supplies'>): Record<Decision, Heap> {
  const heaps = Object.fromEntries(
    DECISIONS.map((decision): [Decision, Heap] => [
      decision,
      { decision, supplies: [], litres: 0, grams: 0, unmeasured: 0, guessed: false },
    ]),
  ) as Record<Decision, Heap>;
  for (const supply of Object.values(plan.supplies)) {
    const heap = heaps[supply.decision];
    const litres = litresOf(supply);
    heap.supplies.push(supply);
    heap.litres += litres ?? 0;
    heap.grams += supply.mass * (supply.working + supply.backstock);
    if (litres === null) heap.unmeasured++;
    else if (supply.usual.length + supply.unsure.length > 0) heap.guessed = true;
  }
  return heaps;
}

/** Supplies that no activity uses; none while nothing is used by anything. */
export function usedByNobody(plan: Plan): Supply[] {
  if (Object.keys(plan.uses).length === 0) return [];
  return Object.values(plan.supplies).filter((s) => usesOf(plan, s.id).length === 0);
}

/** Years that what there is of a supply lasts, by what is used up of it; null when nothing is. */
export function yearsOf(plan: Plan, supply: Supply): number | null {
  const usedUp = usesOf(plan, supply.id).reduce(
    (sum, use) => sum + fetchesPerYear(plan, use.activityId, use.usedUp, supply.months),
    0,
  );
  return usedUp > 0 ? (supply.working + supply.backstock) / usedUp : null;
}

/** Supplies of which there is more than three years' use, longest first. */
export function tooMuch(plan: Plan): { supply: Supply; years: number }[] {
  return Object.values(plan.supplies)
    .flatMap((supply) => {
      const years = yearsOf(plan, supply);
      return years !== null && years > TOO_MANY_YEARS ? [{ supply, years }] : [];
    })
    .sort((a, b) => b.years - a.years);
}

/** What every maker of a craft has (common practice, no source): words that tell the craft, and kinds of supply. */
const CRAFTS: readonly { words: readonly string[]; kinds: readonly string[] }[] = [
  {
    words: ['card', 'scrapbook', 'paper', 'invitation', 'marbled', 'marbling', 'lantern'],
    kinds: [
      'card',
      'scissors',
      'paper-trimmer',
      'bone-folder',
      'craft-glue',
      'double-sided-tape',
      'ruler',
      'cutting-mat',
      'craft-knife',
    ],
  },
  { words: ['stamp', 'stamping'], kinds: ['ink-pad', 'acrylic-block', 'stamp-cleaner', 'card', 'craft-mat'] },
  {
    words: ['sew', 'sewing', 'quilt', 'quilting', 'dress', 'kite', 'tailoring'],
    kinds: [
      'thread-spool',
      'bobbin',
      'fabric-scissors',
      'box-of-pins',
      'needle-pack',
      'seam-ripper',
      'tape-measure',
      'iron',
    ],
  },
  {
    words: ['knit', 'knitting', 'crochet', 'yarn'],
    kinds: ['yarn-ball', 'stitch-marker', 'tape-measure', 'fine-scissors'],
  },
  {
    words: ['embroidery', 'stitching', 'stitch'],
    kinds: ['embroidery-floss', 'embroidery-hoop', 'needle-pack', 'fine-scissors'],
  },
  { words: ['felt', 'felting'], kinds: ['wool-tops', 'felting-needle', 'felting-mat'] },
  {
    words: ['paint', 'painting', 'watercolour', 'watercolor'],
    kinds: ['paint-brush', 'palette', 'cloth', 'masking-tape', 'watercolour-paper'],
  },
  {
    words: ['draw', 'drawing', 'sketch', 'lettering'],
    kinds: ['pencil', 'eraser', 'pencil-sharpener', 'sketchbook', 'fineliner'],
  },
  {
    words: ['bead', 'beading', 'jewellery', 'jewelry'],
    kinds: ['pliers', 'wire-cutter', 'jump-ring', 'clasp', 'jewellery-wire'],
  },
  {
    words: ['resin'],
    kinds: ['resin', 'hardener', 'gloves', 'mixing-cup', 'stir-stick', 'silicone-mould', 'safety-glasses'],
  },
  { words: ['candle', 'wax'], kinds: ['candle-wax', 'wick', 'candle-jar', 'thermometer', 'melting-pot'] },
  { words: ['soap'], kinds: ['soap-base', 'silicone-mould', 'scales', 'gloves', 'safety-glasses'] },
  { words: ['clay', 'pottery', 'ceramic'], kinds: ['clay-tool', 'rolling-pin', 'sponge', 'apron'] },
  { words: ['leather'], kinds: ['leather-punch', 'hammer', 'awl', 'cutting-mat'] },
  { words: ['wood', 'woodwork', 'carving'], kinds: ['sandpaper', 'hand-saw', 'clamp', 'safety-glasses', 'wood-stain'] },
  { words: ['print', 'printing', 'lino', 'linocut', 'sun'], kinds: ['gloves', 'apron', 'cloth', 'tray'] },
  {
    words: ['pack', 'packing', 'post', 'shop', 'market', 'stall'],
    kinds: ['packing-tape', 'scissors', 'label-sheet', 'marker', 'tissue-paper', 'shipping-box'],
  },
  { words: ['flower', 'wreath', 'floral'], kinds: ['floral-wire', 'floral-tape', 'wire-cutter', 'hot-glue-gun'] },
];

export type Missing = { activity: Activity; kinds: { id: string; name: string }[] };

/** What makers of each activity usually have and this list has not; activities whose name tells no craft are left out. */
export function usuallyHad(plan: Plan): Missing[] {
  const has = new Set(Object.values(plan.supplies).map((s) => s.kind));
  const words = new Set(Object.values(plan.supplies).flatMap((s) => wordsOf(s.name)));
  const hasKind = (id: string) => {
    const kind = kindOf(id);
    return (
      kind === null ||
      has.has(id) ||
      [kind.name, ...kind.others].some((name) => wordsOf(name).every((w) => words.has(w)))
    );
  };
  return Object.values(plan.activities).flatMap((activity) => {
    const said = new Set(wordsOf(activity.name));
    const wanted = new Set(CRAFTS.filter((c) => c.words.some((w) => said.has(w))).flatMap((c) => c.kinds));
    const kinds = KINDS.filter((k) => wanted.has(k.id) && !hasKind(k.id)).map(({ id, name }) => ({ id, name }));
    return kinds.length > 0 ? [{ activity, kinds }] : [];
  });
}
