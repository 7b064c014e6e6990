import { describe, expect, test } from '@jest/globals';
import { Supply, blankSupply, usualLies } from '../../record/plan/index.ts';
import { KINDS, kindOf, likelyKinds, ofKind, pluralOf, wordsOf } from './index.ts';

const sizeOf = (id: string) => {
  const { width, depth, height } = kindOf(id)!;
  return [width, depth, ...(height === null ? [] : [height])];
};

describe('the catalogue of kinds', () => {
  test('there are more than 200, each whole, with a name of its own, over all common crafts', () => {
    expect(KINDS.length).toBeGreaterThanOrEqual(500);
    expect(new Set(KINDS.map((k) => k.id)).size).toBe(KINDS.length);
    for (const kind of KINDS) {
      const supply = { ...blankSupply('x', kind.name), ...ofKind(kind), lies: usualLies(kind.form) };
      const read = Supply.safeParse(supply);
      expect([kind.name, read.success ? 'whole' : read.error.issues]).toEqual([kind.name, 'whole']);
      // a thickness, or a paper weight that gives it
      expect([kind.name, kind.height !== null || kind.grammage !== null]).toEqual([kind.name, true]);
      expect([kind.name, kind.mass > 0, kind.packOf >= 1, kind.family !== '', kind.natures.length > 0]).toEqual([
        kind.name,
        ...Array.from({ length: 4 }, () => true),
      ]);
      expect([kind.name, kind.source]).toEqual([kind.name, expect.stringMatching(/common practice|from memory/)]);
    }
    for (const family of [
      'Card',
      'Paper',
      'Stamps',
      'Dies',
      'Inks',
      'Paints',
      'Pencils',
      'Adhesives',
      'Fabric',
      'Thread',
      'Yarn',
      'Embroidery',
      'Beads',
      'Felting',
      'Clay',
      'Resin',
      'Wax',
      'Soap',
      'Leather',
      'Wood',
      'Flowers',
      'Printing',
      'Packing',
      'Photography',
      'Hand tools',
      'Cleaning',
    ])
      expect([family, KINDS.some((k) => k.family === family)]).toEqual([family, true]);
  });

  // ISO 216: A0 is 1 m², sides 1 : √2, each next size half the one before, whole millimetres
  test('sheets of ISO 216', () => {
    expect(
      [sizeOf('printer-paper'), sizeOf('vellum'), sizeOf('drawing-paper'), sizeOf('blank-card')].map((s) =>
        s.slice(0, 2),
      ),
    ).toEqual([
      [210, 297],
      [210, 297],
      [297, 420],
      [105, 148],
    ]);
  });
  // ISO 269 (from memory): C6 114 × 162, C5 162 × 229, C4 229 × 324, DL 110 × 220 mm
  test('envelopes of ISO 269 take the sheets of ISO 216 that they are for', () => {
    expect(
      [sizeOf('envelope'), sizeOf('large-envelope'), sizeOf('c4-envelope'), sizeOf('dl-envelope')].map((s) =>
        s.slice(0, 2),
      ),
    ).toEqual([
      [114, 162],
      [162, 229],
      [229, 324],
      [110, 220],
    ]);
    const a4 = sizeOf('printer-paper');
    expect(sizeOf('c4-envelope')[0]!).toBeGreaterThan(a4[0]!);
    expect(sizeOf('large-envelope')[1]!).toBeGreaterThan(a4[0]!);
  });
  // IEC 60086 (from memory): greatest diameter and height of R6 14.5 × 50.5, R03 10.5 × 44.5, R14 26.2 × 50, R20 34.2 × 61.5; CR2032 20 × 3.2 mm
  test('batteries of IEC 60086', () => {
    expect([
      sizeOf('aa-battery'),
      sizeOf('aaa-battery'),
      sizeOf('c-battery'),
      sizeOf('d-battery'),
      sizeOf('coin-cell'),
    ]).toEqual([
      [14.5, 14.5, 50.5],
      [10.5, 10.5, 44.5],
      [26.2, 26.2, 50],
      [34.2, 34.2, 61.5],
      [20, 20, 3.2],
    ]);
  });
  // from memory: class 15 bobbin 20.3 × 11.7 mm, pencil 7.2 × 175 mm
  test('a bobbin and a pencil', () => {
    expect([sizeOf('bobbin'), sizeOf('pencil')]).toEqual([
      [20.3, 20.3, 11.7],
      [7.2, 175, 7.2],
    ]);
  });
  // the weight of a sheet is its area times its paper weight
  test('sheets weigh what their size and paper make them, to a fifth', () => {
    for (const kind of KINDS.filter((k) => k.form === 'sheet' && k.grammage !== null)) {
      const weighs = (kind.width * kind.depth * kind.grammage!) / 1e6;
      expect([kind.name, Math.abs(kind.mass - weighs) <= 0.2 * weighs + 0.1]).toEqual([kind.name, true]);
    }
  });
});

describe('finding a kind', () => {
  test('every kind is found first by its own name, in the singular and the plural, in capitals too', () => {
    for (const kind of KINDS)
      for (const name of [kind.name, pluralOf(kind.name), kind.name.toUpperCase()])
        expect([name, likelyKinds(name)[0]?.kind.name]).toEqual([name, kind.name]);
  });
  test('every other name leads to its kind, among the first three', () => {
    for (const kind of KINDS)
      for (const other of kind.others)
        expect([other, likelyKinds(other).map((l) => l.kind.id)]).toEqual([other, expect.arrayContaining([kind.id])]);
  });
  test.each([
    ['watercolor pencils', 'watercolour pencil'],
    ['jewelry pliers', 'pliers'],
    ['cardstock', 'card'],
    ['a reel of thread', 'thread spool'],
    ['embosing powder', 'embossing powder'],
    ['blue washi tape', 'washi tape'],
    ['black felt tip pens', 'marker'],
    ['scissor', 'scissors'],
  ])('%s', (said, kind) => expect(likelyKinds(said)[0]!.kind.name).toBe(kind));
  test('a word that names nothing finds nothing, half a name is not taken for the whole', () => {
    expect(likelyKinds('zyzzyva')).toEqual([]);
    expect(likelyKinds('')).toEqual([]);
    expect(likelyKinds('pads')[0]!.whole).toBe(false);
  });
  test.each(['2 pencil cases', 'glue gun stand', 'thread rack', 'ink pad case', 'yarn bowl', '2 thimble boxes'])(
    'what keeps a thing is not the thing: %s',
    (said) => expect(likelyKinds(said).filter((l) => l.whole)).toEqual([]),
  );
  test('what it may keep is asked about first', () =>
    expect(likelyKinds('2 thimble boxes')[0]!.kind.name).toBe('thimble'));
  test.each([
    ['24 pencils in a case', 'pencil'],
    ['button jar', 'button'],
    ['thimbles, in my small tall case', 'thimble'],
    ['box of pins', 'box of pins'],
    ['paint brush holders', 'brush holder'],
    ['washi tape dispenser', 'tape dispenser'],
    ['pencil sharpener', 'pencil sharpener'],
  ])('but what is said to lie in it is, and so is what goes by that name: %s', (said, kind) =>
    expect(likelyKinds(said)[0]).toMatchObject({ whole: true, kind: { name: kind } }),
  );
  test('a kind’s own names are taken for it whole, whatever they end with', () => {
    for (const kind of KINDS)
      for (const name of [kind.name, ...kind.others])
        expect([name, likelyKinds(name, 8).some((l) => l.kind === kind && l.whole)]).toEqual([name, true]);
  });
  test('words in one spelling', () => {
    expect(wordsOf("Baker's Twines, coloured")).toEqual(['baker', 'twine', 'coloured']);
    expect(pluralOf('reel of thread')).toBe('reels of thread');
  });
});

/** Of glass or metal through and through, or wire of it wound on a spool (then its share of the box): g/cm³ of the box. */
const SOLID: ReadonlyMap<string, number> = new Map([
  ['glass-slab', 2.5],
  ['glass-sheet', 2.5],
  ['copper-plate', 8.9],
  ['metal-sheet', 8.5],
  ['bench-block', 7.85],
  ['book-weight', 7.85 * 0.6],
  ['solder', 8.4 * 0.2],
  ['lead-came', 11.3 * 0.16],
]);

describe('masses, from sizes and stuffs', () => {
  // densities in g/cm³, masses of surface in g/m² (textbook values, from memory); what share of the box the stuff fills
  const STEEL = 7.85;
  test.each([
    // magnetic sheet: ferrite in rubber; dowel: hardwood, round; polymer clay; a blade with its holes and point
    ['magnetic-sheet', 210 * 297 * 1, 3.5, 1],
    ['dowel', 6 * 1000 * 6, 0.7, Math.PI / 4],
    ['polymer-clay', 45 * 55 * 14, 1.7, 1],
    ['knife-blade', 10 * 60 * 0.5, STEEL, 0.85],
    // cotton of 145 g/m², 457 × 559 mm; crepe of 32 g/m², 500 × 2500 mm; vinyl and its liner of 225 g/m²; 8 m of six strands, 0.25 g a metre
    ['fat-quarter', 457 * 559, 145e-3, 1],
    ['crepe-paper', 500 * 2500, 32e-3, 1],
    ['vinyl-sheet', 305 * 305, 225e-3, 1],
    ['embroidery-floss', 8, 0.25 * 1e3, 1],
    ['chipboard-sheet', 305 * 305, 1.2, 1],
  ])('%s within 30 %%', (id, size, stuff, share) => {
    const grams = (size * stuff * share) / 1000;
    const { mass } = kindOf(id)!;
    expect([id, mass, mass > grams * 0.7 && mass < grams * 1.3]).toEqual([id, mass, true]);
  });

  // one stuff each, densities in g/cm³ (textbook values, from memory) times the share of its box that the shape fills: a cylinder 0.79, a strip with
  // holes less; what is of several stuffs, or mostly air, is held to the bounds of its form below
  const ROUND = Math.PI / 4;
  const ACRYLIC = 1.18;
  const PAPER = 0.75;
  test.each([
    ['acrylic-block', ACRYLIC],
    ['quilting-ruler', ACRYLIC],
    ['cutting-plate', ACRYLIC],
    ['rolling-pin', ACRYLIC * ROUND],
    ['ruler', STEEL],
    ['long-ruler', 2.7],
    ['drill-bit', STEEL * ROUND * 0.65],
    ['magnet', 7.5 * ROUND],
    ['coin-cell', 2.9 * ROUND],
    ['aa-battery', 2.75 * ROUND],
    ['aaa-battery', 2.75 * ROUND],
    ['c-battery', 2.65 * ROUND],
    ['d-battery', 2.6 * ROUND],
    ['stencil', 1.38 * 0.85],
    ['large-stencil', 1.38 * 0.85],
    ['acetate-sheet', 1.3],
    ['template', 0.91],
    ['cutting-mat', 1.3],
    ['craft-mat', 1.2],
    ['cutting-mat-for-machine', 1.2],
    ['lino', 1.2],
    ['gel-plate', 1],
    ['leather-piece', 0.86],
    ['wood-sheet', 0.6],
    ['stir-stick', 0.6],
    ['pencil', 0.65 * 0.85],
    ['coloured-pencil', 0.7 * 0.85],
    ['watercolour-pencil', 0.7 * 0.85],
    ['charcoal-stick', 0.6 * ROUND],
    ['crayon', 0.95 * ROUND],
    ['sealing-wax-stick', 1.1 * ROUND],
    ['glue-stick-for-gun', 0.95 * ROUND],
    ['air-dry-clay', 1.5],
    ['soap-base', 1.05],
    ['eraser', 1.35],
    ['watercolour-pan', 1.2],
    ['paper-strip', 0.8],
    ['foam-board', 0.14],
    ['corrugated-card', 0.15],
    ['mount-board', 0.68],
    ['floral-foam', 0.022],
    ['felt-sheet', 0.16],
    ['foam-pad', 0.2],
    ['adhesive-sheet', 1.05],
    ['notebook', PAPER],
    ['sketchbook', PAPER],
    ['paper-pad', PAPER],
    ['craft-book', PAPER],
    ['magazine', 0.85],
    ['label-sheet', 0.85],
    ['photo', 1.05],
    ['laminating-pouch', 1],
    ['button', 1.2 * ROUND * 0.8],
    ['sequin', 1.3 * ROUND * 0.95],
    ['rhinestone', 2.5 * 0.45],
    ['wobbly-eye', 1.05 * 0.6],
    ['bone-folder', 1.9 * 0.6],
    ['bead', 1.9 * 0.52],
    ['cello-bag', 0.9],
    ['wool-tops', 0.04],
    ...SOLID,
  ])('%s, of one stuff, within 30 %%', (id, density) => {
    const { width, depth, height, mass } = kindOf(id)!;
    const grams = (width! * depth! * height! * density) / 1000;
    expect([id, mass, mass > grams * 0.7 && mass < grams * 1.3]).toEqual([id, mass, true]);
  });

  test('paper by its grammage and its size, every kind that says both (within a gram or a tenth)', () => {
    const sheets = KINDS.filter((k) => k.grammage && k.width && k.depth && k.height === null);
    expect(sheets.length).toBeGreaterThan(12);
    for (const { id, width, depth, grammage, mass } of sheets) {
      const grams = (width! * depth! * grammage!) / 1e6;
      expect([id, Math.abs(mass - grams) <= Math.max(1, grams * 0.1)]).toEqual([id, true]);
    }
  });

  test('whatever it is made of, nothing is heavier or lighter than things of its form can be', () => {
    // g/cm³ of the box around it: machines are mostly air, full bottles mostly water, soft things mostly air; metal alone is above 3
    const bounds: Partial<Record<string, readonly [number, number]>> = {
      machine: [0.1, 0.65],
      bottle: [0.05, 1.35],
      soft: [0.005, 1.1],
      roll: [0.015, 0.5],
      spool: [0.15, 1.1],
      block: [0.01, 2.2],
      pocket: [0.07, 3.6],
    };
    for (const { id, form, width, depth, height, mass } of KINDS) {
      // of glass and metal through and through: held to their stuff above
      if (SOLID.has(id)) continue;
      if (!width || !depth || !height) continue;
      const [least, most] = bounds[form] ?? [0.03, STEEL];
      const density = (1000 * mass) / (width * depth * height);
      expect([id, form, density >= least && density <= most]).toEqual([id, form, true]);
    }
  });
});
