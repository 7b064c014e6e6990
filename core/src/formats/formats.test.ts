import { readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { z } from 'zod';
import { apply, type Plan, type Supply } from '../plan/index.ts';
import { block, sheet, tinyRoom, unit, use, withUnits } from '../testing/index.ts';
import { SlottingProblem } from '../slotting/index.ts';
import { exportPlan, importPlan, PlanFile, readSupplies, writeSupplies } from './index.ts';

let n = 0;
const makeId = () => `id-${++n}`;

const text = fc
  .string({ minLength: 1, maxLength: 30 })
  .filter(
    (s) =>
      s.trim() === s && s.trim() !== '' && !/[\r\0]/.test(s) && !(s.startsWith("'") && /^[=+\-@\t]/.test(s.slice(1))),
  );
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
    const damage = (from: RegExp, to: string) => {
      const read = importPlan(whole.replace(from, to), 'x');
      return read.ok ? null : read.reason;
    };
    expect(importPlan(whole.slice(0, whole.length / 2), 'x')).toEqual({
      ok: false,
      reason: expect.stringMatching(/not whole/),
    });
    expect(damage(/heronstone-plan\/1/, 'something/9')).toMatch(/not a plan file/);
    expect(damage(/"placeId": "lowChest.1.0"/, '"placeId": "lowChest.9.9"')).toMatch(/contradicts itself/);
    expect(damage(/"ceiling": 2600/, '"ceiling": "high"')).toMatch(/plan.ceiling must be a number/);
    expect(damage(/"id": "lowChest.1.0"/, '"id": "lowChest.0.0"')).toMatch(/same id twice/);
  });

  test.each([
    ['heronstone-plan-1', PlanFile],
    ['heronstone-slotting-1', SlottingProblem],
  ])('docs/formats/%s.schema.json is the schema in the code (npm run formats)', (name, schema) => {
    const onDisk = readFileSync(new URL(`../../../docs/formats/${name}.schema.json`, import.meta.url), 'utf8');
    expect(JSON.parse(onDisk)).toEqual(JSON.parse(JSON.stringify(z.toJSONSchema(schema, { io: 'input' }))));
  });
});

describe('supplies as CSV', () => {
  test('what is written can be read back, whatever the texts', () => {
    fc.assert(
      fc.property(fc.array(supply, { maxLength: 6 }), (supplies) => {
        const plan = { supplies: Object.fromEntries(supplies.map((s) => [s.id, s])) };
        const report = readSupplies(writeSupplies(plan), makeId);
        expect(report.troubles).toEqual([]);
        const bare = (list: Supply[]) => list.map(({ id: _id, ...s }) => JSON.stringify(s)).sort();
        expect(bare(report.supplies)).toEqual(bare(supplies));
      }),
    );
  });

  test('cells a spreadsheet would run are written so that it does not', () => {
    const csv = writeSupplies({ supplies: { a: block({ name: '=HYPERLINK("x")', note: '@cmd', family: '+1' }) } });
    expect(csv).not.toMatch(/(^|,|")[=+@]/m);
    expect(readSupplies(csv, makeId).supplies[0]!.name).toBe('=HYPERLINK("x")');
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

  test('a bare number is millimetres; a sheet lies flat by default', () => {
    const [s] = readSupplies('name,form,width,depth,grammage\nTissue,sheet,500,750,18', makeId).supplies;
    expect(s).toMatchObject({
      ...sheet({ name: 'Tissue', family: '', width: 500, depth: 750, grammage: 18, mass: 0 }),
      id: s!.id,
    });
  });
});
