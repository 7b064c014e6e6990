import { parse as independent } from 'csv-parse/sync';
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  apply,
  blankActivity,
  type Command,
  placeTitle,
  type Plan,
  type Supply,
  usesOf,
} from '../../record/plan/index.ts';
import { tinyRoom, unit, withUnits } from '../../testing/index.ts';
import { meaningsOf, readList, tableOf, takeOwnTable, writeOwnTable, writeSupplies, type ListRead } from './index.ts';

const run = (plan: Plan, command: Command): Plan => {
  const done = apply(plan, command);
  if (!done.ok) throw new Error(done.reason);
  return done.plan;
};
const room = () => withUnits(tinyRoom(), unit('lowChest', { x: 900, y: 5700 }));
const table = (text: string, plan: Plan, measure: 'metric' | 'imperial' = 'metric') => {
  const list = readList(text, plan, { measure });
  if (list.what !== 'table') throw new Error(list.what);
  return list;
};
const take = (plan: Plan, list: Extract<ListRead, { what: 'table' }>): Plan => {
  const command = takeOwnTable(
    plan,
    list.reading,
    { table: list.table, meanings: list.meanings, name: 'My list' },
    '2026-05-05',
  );
  return command ? run(plan, command) : plan;
};
const named = (plan: Plan, name: string): Supply => {
  const found = Object.values(plan.supplies).find((s) => s.name === name);
  if (!found)
    throw new Error(
      `no ${name} among ${Object.values(plan.supplies)
        .map((s) => s.name)
        .join(', ')}`,
    );
  return found;
};

/** Invented lists, each kept in another way. */
const SHEETS: {
  name: string;
  text: string;
  measure: 'metric' | 'imperial';
  meanings: string[];
  check: (plan: Plan) => void;
}[] = [
  {
    name: 'one size column in inches, fractions, what it is used for',
    measure: 'metric',
    text: [
      'Item,Dimensions,Qty,Weight,Color,Used for,Bought at',
      'Rubber stamps,2 x 2 x 3/4,12,3 oz,,"Cards, Tags",fair',
      'Embossing powder,2 dia x 2.5,4,10 oz,gold,all,',
      'Odd gadget,"8 1/2 x 4 x 1 1/2",1,1 lb 2 oz,,Cards,web',
      'Cleaner,,a few,,,,',
    ].join('\n'),
    meanings: ['name', 'size', 'working', 'mass', 'colour', 'uses', ''],
    check: (plan) => {
      expect(named(plan, 'Rubber stamps')).toMatchObject({
        width: 50.8,
        depth: 50.8,
        height: 19.05,
        working: 12,
        mass: expect.closeTo(85.049, 2),
        note: 'Bought at: fair',
      });
      expect(named(plan, 'Embossing powder')).toMatchObject({
        width: 50.8,
        depth: 50.8,
        height: 63.5,
        mass: expect.closeTo(283.495, 2),
        colour: '#c19a3f',
      });
      expect(named(plan, 'Odd gadget')).toMatchObject({
        width: 215.9,
        depth: 101.6,
        height: 38.1,
        mass: expect.closeTo(510.29, 1),
        usual: [],
      });
      expect(named(plan, 'Cleaner')).toMatchObject({ working: 4, unsure: ['working'] });
      const activities = Object.values(plan.activities).map((a) => a.name);
      expect(activities).toEqual(expect.arrayContaining(['Cards', 'Tags']));
      expect(usesOf(plan, named(plan, 'Embossing powder').id)).toHaveLength(activities.length);
      expect(usesOf(plan, named(plan, 'Rubber stamps').id)).toHaveLength(2);
    },
  },
  {
    name: 'three columns in centimetres, semicolons, a decimal comma',
    measure: 'metric',
    text: [
      'Bezeichnung;Kategorie;Breite (width cm);Tiefe (depth cm);Höhe (height cm);Stück qty;Note',
      'Filzplatte rot;Filz;21;29,7;0,2;10;weich',
      'Draht;Metall;6,5;6,5;2;3;',
    ].join('\n'),
    meanings: ['name', '', 'width', 'depth', 'height', 'working', 'note'],
    check: (plan) => {
      expect(named(plan, 'Filzplatte rot')).toMatchObject({
        width: 210,
        depth: 297,
        height: 2,
        working: 10,
        note: 'Kategorie: Filz\nweich',
      });
      expect(named(plan, 'Draht')).toMatchObject({ width: 65, depth: 65, height: 20 });
    },
  },
  {
    name: 'pasted from a spreadsheet, packs and contents, reserve and level',
    measure: 'metric',
    text: [
      'Supply\tCategory\tPacks\tSheets per pack\tgsm\tSpare\tReorder at\tWhere',
      'Card 12x12\tPaper\t3\t25\t216\t1\t2\tLow chest › drawer 1',
      'A4 paper\tPaper\t2\t500\t80\t0\t1\tunder the stairs',
    ].join('\n'),
    meanings: ['name', 'family', 'packs', 'packOf', 'grammage', 'backstock', 'reorderAt', 'home'],
    check: (plan) => {
      expect(named(plan, 'Card 12x12')).toMatchObject({
        working: 75,
        packOf: 25,
        grammage: 216,
        backstock: 1,
        reorderAt: 2,
        family: 'Paper',
        width: 304.8,
        usual: [],
      });
      expect(named(plan, 'A4 paper')).toMatchObject({
        working: 1000,
        packOf: 500,
        grammage: 80,
        note: 'Where: under the stairs',
      });
    },
  },
  {
    name: 'the same name in many colours, grams and ounces mixed',
    measure: 'imperial',
    text: [
      'What,Shade,How many,Wt',
      'Ink pad,navy blue,1,70 g',
      'Ink pad,red,2,2.5 oz',
      'Ink pad,"leaf, light",1,',
      'Ribbon,cream,"3 (one open)",',
    ].join('\n'),
    meanings: ['name', 'colour', 'working', 'mass'],
    check: (plan) => {
      expect(named(plan, 'Ink pad, navy blue')).toMatchObject({ colour: '#23335c', mass: 70, kind: 'ink-pad' });
      expect(named(plan, 'Ink pad, red')).toMatchObject({ colour: '#b4272f', mass: expect.closeTo(70.87, 1) });
      expect(named(plan, 'Ink pad, leaf, light').note).toBe('Shade: leaf, light');
      expect(named(plan, 'Ribbon')).toMatchObject({
        working: 3,
        colour: '#f5ecd0',
        note: expect.stringContaining('How many: 3 (one open)'),
      });
    },
  },
  {
    name: 'headings that tell nothing, columns known by what is in them',
    measure: 'metric',
    text: ['A|B|C|D', 'Brads|10 x 4 x 2 cm|100|x1', 'Twine|8 dia x 8 cm|6|y2', 'Felt|A4|20|z3'].join('\n'),
    meanings: ['name', 'size', 'working', ''],
    check: (plan) => {
      expect(named(plan, 'Brads')).toMatchObject({ width: 100, depth: 40, height: 20, working: 100, note: 'D: x1' });
      expect(named(plan, 'Twine')).toMatchObject({ width: 80, depth: 80, height: 80 });
      expect(named(plan, 'Felt')).toMatchObject({ width: 210, depth: 297 });
    },
  },
];

describe('lists of one’s own', () => {
  test.each(SHEETS)('$name', ({ text, measure, meanings, check }) => {
    const plan = run(room(), { type: 'setPlan', set: { measure } });
    const list = table(text, plan, measure);
    expect(list.meanings).toEqual(meanings);
    expect(list.reading.troubles).toEqual([]);
    const after = take(plan, list);
    check(after);
    // nothing lost: every cell is in a field, a use, or the note with its heading
    expect(Object.keys(after.supplies)).toHaveLength(list.table.rows.length);
    list.meanings.forEach((meaning, i) => {
      if (meaning !== '' && meaning !== 'note') return;
      for (const row of list.table.rows)
        if (row[i]) expect(Object.values(after.supplies).some((s) => s.note.includes(row[i]!))).toBe(true);
    });
    // nothing doubled: read again it is all as it was
    const again = table(text, after, measure);
    expect([again.reading.fresh, again.reading.changed, again.reading.same.length]).toEqual([
      [],
      [],
      list.table.rows.length,
    ]);
    expect(
      takeOwnTable(
        after,
        again.reading,
        { table: again.table, meanings: again.meanings, name: 'My list' },
        '2026-05-05',
      ),
    ).toBeNull();
    // written as it was read, an independent parser finds the same names under the same headings, and we the same supplies
    const written = writeOwnTable(after, Object.values(after.ownLists)[0]!);
    const rows = independent(written, { columns: true }) as Record<string, string>[];
    expect(Object.keys(rows[0]!)).toEqual(list.table.headings);
    const back = table(written, after, measure);
    expect([back.reading.fresh, back.reading.changed.map((c) => c.changes)]).toEqual([[], []]);
  });

  test('what has changed in the list is shown, and changes that and nothing else', () => {
    const text = SHEETS[0]!.text;
    let plan = take(room(), table(text, room()));
    plan = run(plan, {
      type: 'setSupply',
      id: named(plan, 'Rubber stamps').id,
      set: { note: `${named(plan, 'Rubber stamps').note}\nmy own words`, family: 'Mine' },
    });
    const list = table(text.replace('2 x 2 x 3/4,12', '2 x 2 x 3/4,15').replace('fair', 'market'), plan);
    expect(list.reading.changed.map((c) => [c.row.supply.name, c.changes.map((x) => x.field)])).toEqual([
      ['Rubber stamps', ['working', 'note']],
    ]);
    const after = take(plan, list);
    expect(named(after, 'Rubber stamps')).toMatchObject({
      working: 15,
      family: 'Mine',
      note: 'Bought at: market\nmy own words',
    });
    expect(Object.keys(after.supplies)).toHaveLength(4);
  });

  test('a column said otherwise is read otherwise; one change, which undo takes back', () => {
    const plan = room();
    const list = readList(SHEETS[4]!.text, plan, { measure: 'metric', meanings: ['name', '', 'backstock', 'family'] });
    if (list.what !== 'table') throw new Error();
    const command = takeOwnTable(
      plan,
      list.reading,
      { table: list.table, meanings: list.meanings, name: 'x' },
      '2026-05-05',
    )!;
    const done = apply(plan, command);
    if (!done.ok) throw new Error(done.reason);
    expect(named(done.plan, 'Brads')).toMatchObject({ backstock: 100, family: 'x1', note: 'B: 10 x 4 x 2 cm' });
    expect(run(done.plan, done.inverse as never)).toEqual(plan);
    // the same headings mean the same the next time
    expect(table(SHEETS[4]!.text, done.plan).meanings).toEqual(['name', '', 'backstock', 'family']);
  });

  test('activities that the plan has are used, also by one of their words; a place that it has becomes the home', () => {
    const base = run(room(), { type: 'addActivity', activity: blankActivity('lanterns', 'Paper lanterns') });
    const place = Object.values(base.places)[0]!;
    const list = table(`Item,Used for,Lives in\nPaste,Lanterns,"${placeTitle(base, place)}"`, base);
    expect(list.reading.activities).toEqual([]);
    const plan = take(base, list);
    expect(Object.values(plan.uses).map((u) => u.activityId)).toEqual(['lanterns']);
    expect(Object.values(plan.homes).map((h) => h.placeId)).toEqual([place.id]);
  });

  test('bad lines are said with their number and lose no good ones; without a name column nothing is taken', () => {
    const list = table('Item,Qty,Size\nGood,3,2 x 2\n,4,1 x 1\nAlso good,x,red', room());
    expect(list.reading.troubles).toEqual([{ line: 3, reason: 'There is no name.' }]);
    expect(list.reading.fresh.map((r) => [r.supply.name, r.supply.note])).toEqual([
      ['Good', ''],
      ['Also good', 'Qty: x\nSize: red'],
    ]);
    const nameless = readList('A,B\n1,2\n3,4', room(), { measure: 'metric', meanings: ['working', 'backstock'] });
    expect(nameless.what === 'table' && nameless.reading.troubles[0]!.reason).toMatch(
      /No column says what each thing is called/,
    );
  });

  test('plain lines are lines, our own list is our own, and that one too is read again without doubling', () => {
    expect(readList('24 ink pads\n3 packs card, 12x12, 216 g\nscissors', room(), { measure: 'metric' }).what).toBe(
      'lines',
    );
    expect(readList('Ink pads\nScissors', room(), { measure: 'metric' }).what).toBe('lines');
    const plan = take(room(), table(SHEETS[0]!.text, room()));
    const ours = readList(writeSupplies(plan), plan, { measure: 'metric' });
    if (ours.what !== 'ours') throw new Error(ours.what);
    expect([ours.reading.fresh, ours.reading.changed, ours.reading.same.length]).toEqual([[], [], 4]);
    expect(tableOf('only one line, with a comma')).toBeNull();
    expect(meaningsOf({ headings: ['x'], rows: [] }, room())).toHaveLength(1);
  });

  test('whatever stands in the cells, hostile or not, an independent parser reads what was written, and no cell is a formula', () => {
    const cell = fc.oneof(
      fc.string({ maxLength: 12 }),
      fc.constantFrom(
        '=1+1',
        '+cmd',
        '-2',
        '@x',
        '"q"',
        'a,b',
        'a\nb',
        "'='",
        '\t=1',
        '{}',
        'constructor',
        '__proto__',
        '12 x 3',
        '½',
      ),
    );
    const clean = (s: string) =>
      s
        .replace(/[\0\r]/g, '')
        .normalize('NFC')
        .trim();
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(cell, cell, cell).map((r) => r.map(clean)),
          { minLength: 1, maxLength: 6 },
        ),
        (rows) => {
          const list = {
            headings: ['Item', 'What', 'More'],
            rows: rows.map((r) => [`Thing ${r[0]!.replace(/\n/g, ' ')}`.trim(), r[1]!, r[2]!]),
          };
          const text = [list.headings, ...list.rows]
            .map((r) => r.map((c) => `"${c.replaceAll('"', '""')}"`).join(','))
            .join('\n');
          const read = readList(text, room(), { measure: 'metric', meanings: ['name', '', ''] });
          if (read.what !== 'table') return;
          expect(read.reading.troubles).toEqual([]);
          const plan = take(room(), read);
          expect(Object.keys(plan.supplies)).toHaveLength(rows.length);
          const written = writeOwnTable(plan, Object.values(plan.ownLists)[0]!);
          const back = independent(written) as string[][];
          expect(back).toHaveLength(rows.length + 1);
          for (const row of back) for (const c of row) expect(c).not.toMatch(/^\s*[=+\-@]/);
        },
      ),
      { numRuns: 60 },
    );
  });

  // an invented sheet after the one that gave 0 lines before: own headings, sizes in one column, ounces, colours as words, "Cards, Tags" and "all"
  test('a sheet of 48 lines kept by somebody else comes in whole', () => {
    const kinds = [
      'Rubber stamps',
      'Ink pads',
      'Embossing powder',
      'Card',
      'Envelopes',
      'Washi tape',
      'Twine',
      'Scissors',
    ];
    const sizes = [
      '2 x 2 x 3/4',
      '2 1/2 x 4 x 3/4',
      '2 dia x 2.5',
      '12 x 12',
      '5 x 7',
      '2 1/4 dia x 5/8',
      '3 dia x 3',
      '8 x 3 x 1/2',
    ];
    const rows = Array.from({ length: 48 }, (_, i) => {
      const k = i % 8;
      return [
        `${kinds[k]!} ${String.fromCharCode(65 + Math.floor(i / 8))}`,
        sizes[k]!,
        `${(i % 9) + 1}`,
        i % 3 === 0 ? `${(i % 12) + 1} oz` : '',
        ['red', 'navy', 'cream', ''][i % 4]!,
        i % 5 === 0 ? 'all' : 'Cards, Tags',
      ];
    });
    const text = [['Supply item', 'Measures', 'How many', 'Wt', 'Colour', 'Used for'], ...rows]
      .map((r) => r.map((c) => `"${c}"`).join(','))
      .join('\n');
    const list = table(text, room());
    expect([list.reading.fresh.length, list.reading.troubles]).toEqual([48, []]);
    for (const [i, row] of list.reading.fresh.entries()) {
      expect(row.supply.width).not.toBeNull();
      expect(row.said).toEqual(expect.arrayContaining(['width', 'depth', 'working']));
      expect(row.supply.working).toBe((i % 9) + 1);
      if (rows[i]![3] !== '') expect(row.supply.mass).toBeCloseTo(((i % 12) + 1) * 28.349523125, 2);
      if (rows[i]![4] !== '') expect(row.supply.colour).toMatch(/^#/);
      expect(row.uses.length).toBeGreaterThan(0);
      expect(row.supply.note).not.toMatch(/Measures|How many|Wt/);
    }
  });

  test('130,000 rows are read, and cells of a million blanks too', () => {
    const rows = Array.from({ length: 130_000 }, (_, i) => `Bead ${i};10`);
    expect(tableOf(`thing;width\n${rows.join('\n')}`)!.rows).toHaveLength(130_000);
    // looked through from every one of its blanks this would go on for hours
    const wide = `Bead${' '.repeat(1_000_000)}tray`;
    const table = tableOf(`thing;width (mm)\n${wide};${' '.repeat(1_000_000)}10\nBox;20\nTin;30`)!;
    expect(table.rows[0]).toEqual(['Bead tray', '10']);
    expect(readList(`thing;width\n${wide};10\nBox;20\nTin;30`, tinyRoom(), { measure: 'metric' }).what).toBe('table');
  });
});
