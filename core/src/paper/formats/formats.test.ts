import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { gunzipSync } from 'node:zlib';
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { z } from 'zod';
import { apply, HARMFUL, type Plan, type Supply, emptyPlan } from '../../record/plan/index.ts';
import { block, sheet, tinyRoom, unit, use, withUnits } from '../../testing/index.ts';
import { CalendarFile } from '../../better/doing/index.ts';
import { ScheduleProblem } from '../../better/schedule/index.ts';
import { MeasureFile } from '../../measures/picture/index.ts';
import { CutFile } from '../../things/cutting/index.ts';
import { SlottingFile, SlottingProblem1, SlottingProblem2 } from '../../living/slotting/index.ts';
import { decodeText, exportPlan, importPlan, PLAN_VERSION, PlanFile, readSupplies, writeSupplies } from './index.ts';

let n = 0;
const makeId = () => `id-${++n}`;

const piece = fc.oneof(
  fc.string({ maxLength: 6 }),
  fc.constantFrom(';', '\t', '|', "'", '=', '@', '+', ' ', '=1+1', '\n-2'),
);
const text = fc
  .array(piece, { minLength: 1, maxLength: 8 })
  .map((pieces) => pieces.join(''))
  .filter((s) => s.trim() === s && s !== '' && !/[\r\0]/.test(s) && s.normalize('NFC') === s);
const size = fc.option(
  fc.integer({ min: 1, max: 25_000 }).map((x) => x / 10),
  { nil: null },
);
const supply: fc.Arbitrary<Supply> = fc
  .record({
    name: text,
    family: fc.oneof(text, fc.constant('')),
    width: size,
    depth: size,
    height: size,
    mass: fc.integer({ min: 0, max: 9999 }),
    working: fc.nat(500),
    backstock: fc.nat(50),
    note: fc.oneof(text, fc.constant('')),
    stackLimit: fc.option(fc.integer({ min: 1, max: 9 }), { nil: null }),
  })
  .map((over) => block({ id: makeId(), hazards: ['blade'], sensitive: ['sun', 'damp'], colour: '#aabb00', ...over }));

function planWith(supplies: Supply[]): Plan {
  let plan = withUnits(tinyRoom(), unit('lowChest', { x: 900, y: 5700 }), unit('away', { awayMinutes: 4 }));
  const run = (command: Parameters<typeof apply>[1]) => {
    const done = apply(plan, command);
    if (!done.ok) throw new Error(done.reason);
    plan = done.plan;
  };
  if (supplies.length) run({ type: 'addSupplies', supplies });
  for (const s of supplies)
    if (s.working > 0)
      run({ type: 'assignHome', supplyId: s.id, share: 'working', placeId: 'lowChest.1.0', since: '2026-04-01' });
  if (supplies[0]) run({ type: 'addUse', use: use(supplies[0].id, 2) });
  return plan;
}

describe('plan file', () => {
  test('export → import → export is byte-identical', () => {
    fc.assert(
      fc.property(fc.array(supply, { maxLength: 8 }), (supplies) => {
        const plan = planWith(supplies);
        const once = exportPlan(plan);
        const back = importPlan(once, 'tiny');
        if (!back.ok) throw new Error(back.reason);
        expect(exportPlan(back.plan)).toBe(once);
        expect(back.plan).toEqual(plan);
      }),
    );
  });

  test('a file cut anywhere, or a wrong one, is refused with a reason', () => {
    const whole = exportPlan(planWith([block()]));
    fc.assert(
      fc.property(fc.integer({ min: 0, max: whole.length - 2 }), (cut) =>
        expect(importPlan(whole.slice(0, cut), 'x').ok).toBe(false),
      ),
    );
    const WRITTEN = new RegExp(`heronstone-plan/${PLAN_VERSION}`);
    const damage = (from: RegExp, to: string) => {
      const read = importPlan(whole.replace(from, to), 'x');
      return read.ok ? null : read.reason;
    };
    expect(importPlan(whole.slice(0, whole.length / 2), 'x')).toEqual({
      ok: false,
      reason: expect.stringMatching(/not whole/),
    });
    expect(damage(WRITTEN, 'something/18')).toMatch(/not a plan file/);
    expect(damage(WRITTEN, `heronstone-plan/${PLAN_VERSION + 1}`)).toMatch(
      new RegExp(`newer Heronstone \\(plan ${PLAN_VERSION + 1}\\)`),
    );
    expect(damage(/"placeId": "lowChest.1.0"/, '"placeId": "lowChest.9.9"')).toMatch(/contradicts itself/);
    expect(damage(/"ceiling": 2600/, '"ceiling": "high"')).toMatch(/plan.ceiling must be a number/);
    expect(damage(/"id": "lowChest.1.0"/, '"id": "lowChest.0.0"')).toMatch(/same id twice/);
  });

  test.each([
    [`heronstone-plan-${PLAN_VERSION}`, PlanFile],
    ['heronstone-slotting-1', SlottingProblem1],
    ['heronstone-slotting-2', SlottingProblem2],
    ['heronstone-slotting-3', SlottingFile],
    ['heronstone-cut-1', CutFile],
    ['heronstone-measure-1', MeasureFile],
    ['heronstone-doing-1', ScheduleProblem],
    ['heronstone-calendar-1', CalendarFile],
  ])('docs/formats/%s.schema.json is the schema in the code (npm run formats)', (name, schema) => {
    const onDisk = readFileSync(new URL(`../../../../docs/formats/${name}.schema.json`, import.meta.url), 'utf8');
    expect(JSON.parse(onDisk)).toEqual(JSON.parse(JSON.stringify(z.toJSONSchema(schema, { io: 'input' }))));
  });
});

describe('plan files of every version ever written', () => {
  // kept: what the programs of those versions wrote of their own demo plan, with some changes made, undone and redone
  const kept = (version: number) =>
    gunzipSync(readFileSync(new URL(`kept/plan-${version}.heron.json.gz`, import.meta.url))).toString();

  test.each([1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14, 15, 16, 17, 18, 19])(
    'version %i opens whole, and what is written of it opens again',
    (version) => {
      const file = JSON.parse(kept(version)) as Record<string, { id: string }[]> & { format: string };
      expect(file.format).toBe(version < 4 ? 'heronstone-plan/1' : `heronstone-plan/${version}`);
      const read = importPlan(kept(version), 'kept');
      if (!read.ok) throw new Error(read.reason);
      const { plan } = read;
      for (const [table, rows] of Object.entries(file)) {
        if (!Array.isArray(rows) || table === 'organiserSets') continue;
        for (const row of rows as { id: string; kind?: string; unitId?: string }[]) {
          const now = (plan as unknown as Record<string, Record<string, object>>)[table]![row.id];
          // drawers for sheets have a kind of their own since version 5
          const other = table === 'places' && version < 5 && plan.units[row.unitId!]?.kind === 'sheetChest';
          expect(now).toMatchObject(other && row.kind === 'drawer' ? { ...row, kind: 'sheetDrawer' } : row);
        }
      }
      // sets of organisers are so many containers since version 5, where they were
      for (const set of (file.organiserSets ?? []) as unknown as {
        organiserId: string;
        placeId: string;
        count: number;
      }[])
        expect(
          Object.values(plan.places).filter((p) => p.organiserId === set.organiserId && p.inId === set.placeId),
        ).toHaveLength(set.count);
      for (const unit of Object.values(plan.units))
        if (unit.kind === 'worktable') expect(plan.places).toHaveProperty([`${unit.id}.1000.0`]);
      expect(importPlan(exportPlan(read.plan), 'again')).toEqual({ ok: true, plan: { ...read.plan, id: 'again' } });
    },
  );

  test('before ages were asked, a child was kept from everything harmful; a grown person from nothing', () => {
    const read = importPlan(kept(1), 'kept');
    if (!read.ok) throw new Error(read.reason);
    expect(read.plan.people['kept-child']).toMatchObject({ age: null, keepFrom: [...HARMFUL] });
    expect(Object.values(read.plan.people).filter((p) => !p.child && p.keepFrom.length > 0)).toEqual([]);
  });

  test('the version is that of what a plan can hold: another schema needs another version, a kept file and a kept folder', () => {
    const schema = JSON.stringify(z.toJSONSchema(PlanFile, { io: 'input' }));
    expect([PLAN_VERSION, createHash('sha256').update(schema).digest('hex').slice(0, 16)]).toEqual([
      19,
      'e6d108ffae8d04ad',
    ]);
  });
});

describe('supplies as CSV', () => {
  test('what is written can be read back, whatever the texts', () => {
    fc.assert(
      fc.property(fc.array(supply, { maxLength: 6 }), (supplies) => {
        const plan = { ...emptyPlan('x'), supplies: Object.fromEntries(supplies.map((s) => [s.id, s])) };
        const report = readSupplies(writeSupplies(plan), makeId);
        expect(report.troubles).toEqual([]);
        const bare = (list: Supply[]) => list.map(({ id: _id, ...s }) => JSON.stringify(s)).sort();
        expect(bare(report.supplies)).toEqual(bare(supplies));
      }),
    );
  });

  test('a plan in inches is written in inches and ounces, as its heading says, and read back the same', () => {
    const empty = emptyPlan('x');
    const head = { ...empty.head, measure: 'imperial' as const };
    const thing = block({ name: 'Pad', width: 215.9, depth: 279.4, height: 12.7, mass: 340.194 });
    const [header, row] = writeSupplies({ ...empty, head, supplies: { a: thing } }).split('\r\n');
    expect(header).toMatch(/,mass_oz,/);
    expect(header).not.toMatch(/mass_g/);
    expect(row).not.toMatch(/ mm/);
    expect(row).toMatch(/,8\.5 in,11 in,0\.5 in,12,/);
    fc.assert(
      fc.property(fc.array(supply, { minLength: 1, maxLength: 4 }), (supplies) => {
        const plan = { ...empty, head, supplies: Object.fromEntries(supplies.map((s) => [s.id, s])) };
        const report = readSupplies(writeSupplies(plan), makeId);
        expect(report.troubles).toEqual([]);
        const by = (list: Supply[]) => [...list].sort((a, b) => (a.name < b.name ? -1 : 1));
        const [before, after] = [by(Object.values(plan.supplies)), by(report.supplies)];
        const sum = (list: Supply[], of: (s: Supply) => number | null) => list.reduce((n, s) => n + (of(s) ?? 0), 0);
        for (const field of [(s: Supply) => s.width, (s: Supply) => s.openLength, (s: Supply) => s.mass])
          expect(Math.abs(sum(after, field) - sum(before, field))).toBeLessThan(0.01 * before.length);
      }),
    );
  });

  test('cells a spreadsheet would run are written so that it does not', () => {
    const csv = writeSupplies({
      ...emptyPlan('x'),
      supplies: { a: block({ name: '=HYPERLINK("x")', note: '@cmd', family: '+1' }) },
    });
    expect(csv).not.toMatch(/(^|,|")[=+@]/m);
    expect(readSupplies(csv, makeId).supplies[0]!.name).toBe('=HYPERLINK("x")');
  });

  test('… whichever separator a spreadsheet splits at: no formula behind any of them, and the texts come back', () => {
    const name = 'Reel;=1+1\t@x|-2+3 and =A1, +4';
    const csv = writeSupplies({ ...emptyPlan('x'), supplies: { a: block({ name, note: "first\n=2+2;'=3" }) } });
    for (const separator of [',', ';', '\t', '|', ' ', ':'])
      for (const cell of csv.split(/[\r\n]+/).flatMap((line) => line.split(separator)))
        expect(cell.replace(/^["\s]+/, '')).not.toMatch(/^[=@]/);
    for (const separator of [',', ';', '\t', '|'])
      for (const cell of csv.split(/[\r\n]+/).flatMap((line) => line.split(separator)))
        expect(cell.replace(/^["\s]+/, '')).not.toMatch(/^[+-]/);
    expect(readSupplies(csv, makeId).supplies[0]).toMatchObject({ name, note: "first\n=2+2;'=3" });
  });

  const lengths = (csv: string, said?: 'dot' | 'comma') => {
    const report = readSupplies(`name;width;working\n${csv}`, makeId, said);
    return { ...report, widths: report.supplies.map((s) => s.width), counts: report.supplies.map((s) => s.working) };
  };

  test('1,200 is asked as long as nothing in the list tells; then read as said', () => {
    const open = lengths('Reel;1,200;3\nTin;40;2');
    expect(open.widths).toEqual([40]);
    expect(open.unclear).toEqual({ line: 2, number: '1,200' });
    expect(open.troubles[0]!.reason).toMatch(/“1,200” may be 1200 or 1\.2;/);
    expect(lengths('Reel;1,200;3', 'dot')).toMatchObject({ widths: [1200], unclear: null, troubles: [] });
    expect(lengths('Reel;1,200;3', 'comma')).toMatchObject({ widths: [1.2], unclear: null });
    expect(lengths('Reel;1,200 mm;1,200', 'dot')).toMatchObject({ widths: [1200], counts: [1200] });
  });

  test('clear numbers tell how the others are meant; both kinds in one list tell nothing', () => {
    expect(lengths('Reel;12,5;3\nTin;1,200;2')).toMatchObject({ widths: [12.5, 1.2], decimal: 'comma' });
    expect(lengths('Reel;12.5;3\nTin;1,200;2')).toMatchObject({ widths: [12.5, 1200], decimal: 'dot' });
    expect(lengths('Reel;1.200,5 mm;3\nTin;1.200 mm;2')).toMatchObject({ widths: [1200.5, 1200] });
    expect(lengths('Reel;1,200,000 mm;3\nTin;0,125;2').decimal).toBeNull();
    expect(lengths('Reel;4 1/2";3\nTin;1.200;2')).toMatchObject({ widths: [114.3, 1.2], unclear: null });
  });

  test('a long note is cut between characters, never inside one', () => {
    const family = '👩‍👩‍👧';
    const [s] = readSupplies(`name,note\nReel,${'x'.repeat(1996)}${family}${family}`, makeId).supplies;
    expect(s!.note).toBe('x'.repeat(1996));
    const [pair] = readSupplies(`name,note\nReel,${'x'.repeat(1999)}😀`, makeId).supplies;
    expect(pair!.note).toBe('x'.repeat(1999));
  });

  test('UTF-8, UTF-16 and Windows-1252 are told apart; what is not text is refused', () => {
    const text = 'name,note\nTüll,größer\n';
    const utf16 = Buffer.from(text, 'utf16le');
    const swapped = Buffer.from(utf16).swap16();
    const read = (bytes: Uint8Array) => decodeText(new Uint8Array(bytes));
    expect(read(Buffer.from(text))).toEqual({ ok: true, text, encoding: 'UTF-8' });
    expect(read(Buffer.from(`\uFEFF${text}`, 'utf8'))).toEqual({ ok: true, text, encoding: 'UTF-8' });
    expect(read(Buffer.concat([Buffer.from([0xff, 0xfe]), utf16]))).toEqual({ ok: true, text, encoding: 'UTF-16' });
    expect(read(Buffer.concat([Buffer.from([0xfe, 0xff]), swapped]))).toEqual({ ok: true, text, encoding: 'UTF-16' });
    expect(read(utf16)).toEqual({ ok: true, text, encoding: 'UTF-16' });
    expect(read(swapped)).toEqual({ ok: true, text, encoding: 'UTF-16' });
    expect(read(Buffer.from(text, 'latin1'))).toEqual({ ok: true, text, encoding: 'Windows-1252' });
    // a PNG begins with these bytes (PNG specification, section 5.2)
    const png = [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a, 0, 0, 0, 13];
    for (const bytes of [png, png.slice(0, 7), [0x50, 0x4b, 3, 4, 0xff]])
      expect(read(Uint8Array.from(bytes))).toMatchObject({ ok: false, reason: expect.stringMatching(/not text/) });
  });

  test('bad rows are reported with line and reason, good ones kept, unknown columns become notes', () => {
    const report = readSupplies(
      'Name,Width,Depth,Working,Shelf mark\nReel,12 cm,"4 1/2""",3,B7\nBad,twelve,5,1,\n,5,5,1,\nNeg,5,5,-2,\nFrac,5,5,1.5,\n',
      makeId,
    );
    expect(report.supplies).toHaveLength(1);
    expect(report.supplies[0]).toMatchObject({ name: 'Reel', width: 120, working: 3, note: 'Shelf mark: B7' });
    expect(report.supplies[0]!.depth).toBeCloseTo(114.3, 6);
    expect(report.troubles.map((t) => t.line)).toEqual([3, 4, 5, 6]);
    expect(report.troubles[0]!.reason).toMatch(/width.*not a length/);
    expect(report.unknown).toEqual(['Shelf mark']);
  });

  test.each([
    ['', /empty/],
    ['a;b\n1;2', /no column called “name”/],
    ['thing,size\nReel,4', /thing, size/],
  ])('wrong file %j', (csv, why) => {
    const report = readSupplies(csv, makeId);
    expect(report.supplies).toEqual([]);
    expect(report.troubles[0]!.reason).toMatch(why);
  });

  test('a bare number is millimetres; a sheet lies or is filed by default', () => {
    const [s] = readSupplies('name,form,width,depth,grammage\nTissue,sheet,500,750,18', makeId).supplies;
    expect(s).toMatchObject({
      ...sheet({
        name: 'Tissue',
        family: '',
        width: 500,
        depth: 750,
        grammage: 18,
        mass: 0,
        lies: ['flat', 'upright'],
      }),
      id: s!.id,
    });
  });
});
