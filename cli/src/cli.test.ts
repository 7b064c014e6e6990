import { mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { spawnSync } from 'node:child_process';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { afterAll, describe, expect, test } from '@jest/globals';
import { PDFDocument } from 'pdf-lib';
import { exportPlan, importPlan } from '@heronstone/core/formats';
import { checkAnswer } from '@heronstone/core/slotting';
import { block, randomSlotting, tinyRoom, unit, withUnits } from '@heronstone/core/testing';
import { apply } from '@heronstone/core/plan';
import { run } from './run.ts';

const folder = mkdtempSync(join(tmpdir(), 'heronstone-cli-'));
afterAll(() => rmSync(folder, { recursive: true }));
const file = (name: string, text: string) => {
  writeFileSync(join(folder, name), text);
  return join(folder, name);
};

const room = withUnits(tinyRoom(), unit('lowChest', { x: 3900, y: 3600 }));
const stocked = apply(room, {
  type: 'addSupplies',
  supplies: [block({ id: 'a' }), block({ id: 'b', name: 'Unmeasured', width: null })],
});
const planFile = file('room.heron.json', exportPlan(stocked.ok ? stocked.plan : room));

const demoFile = fileURLToPath(new URL('../../demo/plans/the-pump-house.heron.json', import.meta.url));

describe('the command line', () => {
  test('doing gives an order of a bare problem, by its rules, and says what is wrong with a bad one', async () => {
    const problem = {
      format: 'heronstone-doing/1',
      jobs: [
        { id: 'paint', minutes: 60, saves: 1 },
        { id: 'shelf', minutes: 60, people: 2, saves: 5, before: ['paint'] },
        { id: 'sort', minutes: 60, saves: 3 },
      ],
      sessions: [
        { date: '2026-10-03', minutes: 60 },
        { date: '2026-10-10', minutes: 120, people: 2 },
      ],
    };
    const done = await run(['doing', '--problem', file('d.json', JSON.stringify(problem))]);
    // by hand: sorted the first Saturday, painted and the shelf put up at the second: 7 × (1 + 5); painted first, 7 × (5 + 3)
    expect(JSON.parse(done.out!)).toMatchObject({ value: 42, bound: 42, late: [] });
    const bad = await run([
      'doing',
      '--problem',
      file('e.json', JSON.stringify({ ...problem, jobs: [{ id: 'a', minutes: -1 }] })),
    ]);
    expect(bad).toMatchObject({ code: 2, error: expect.stringMatching(/jobs.0.minutes must be more than zero/) });
  });

  test('doing gives the way from one plan to another over the days there are, and a calendar that another program reads', async () => {
    const free = { weekday: 'saturday', from: '10:30', minutes: 60 };
    const calendar = {
      format: 'heronstone-calendar/1',
      begins: '2026-10-01',
      free: [free, { date: '2026-10-10', minutes: 0 }],
    };
    const out = join(folder, 'plan.ics');
    const args = [
      'doing',
      demoFile,
      demoFile.replace('the-pump-house', 'spring'),
      '--calendar',
      file('c.json', JSON.stringify(calendar)),
      '--out',
      out,
      '--work',
      '500',
    ];
    const done = await run(args);
    const said = JSON.parse(done.out!) as { order: { session: string; to: number }[]; late: unknown[] };
    expect(said.late).toEqual([]);
    expect(said.order.length).toBeGreaterThan(5);
    for (const o of said.order)
      expect([new Date(o.session).getUTCDay(), o.session === '2026-10-10', o.to <= 60]).toEqual([6, false, true]);
    const text = readFileSync(out, 'utf8');
    expect(text).toMatch(/DTSTART:20261003T103000/);
    expect(text.match(/^UID:doing-/gm)).toHaveLength(new Set(said.order.map((o) => o.session)).size);
  });

  test('slot gives the answer object, feasible and with a bound', async () => {
    const problem = randomSlotting(2, { lots: 20, places: 8 });
    const { code, out } = await run([
      'slot',
      file('p.json', JSON.stringify(problem)),
      '--seconds',
      '0.2',
      '--seed',
      '3',
    ]);
    const answer = JSON.parse(out!);
    expect(code).toBe(0);
    expect(Object.keys(answer).sort()).toEqual([
      'bound',
      'gap',
      'homes',
      'proposals',
      'seconds',
      'total',
      'unplaced',
      'work',
    ]);
    const worked = () => run(['slot', join(folder, 'p.json'), '--work', '40000', '--seed', '3']);
    expect(JSON.parse((await worked()).out!).homes).toEqual(JSON.parse((await worked()).out!).homes);
    expect(checkAnswer(problem, answer.homes)).toEqual([]);
  });

  test('read-list understands lines and tables, in either system; what it cannot is said with its line', async () => {
    const lines = JSON.parse(
      (await run(['read-list', file('lines.txt', '24 small ink pads\n3 pads\n24\n4 clear boxes here\n')])).out!,
    );
    expect(lines.rows.map((r: { line: number; supply: object }) => [r.line, r.supply])).toEqual([
      [1, expect.objectContaining({ name: 'Small ink pads', kind: 'small-ink-pad', working: 24, width: 46 })],
      [2, expect.objectContaining({ name: 'Pads', kind: '', working: 3, width: null })],
    ]);
    expect(lines.rows[0].guessed).toEqual(['width', 'depth', 'height', 'mass']);
    expect(lines.rows[1].doubts[0].candidates.length).toBeGreaterThan(1);
    expect(lines.troubles.map((t: { line: number }) => t.line)).toEqual([3, 4]);
    const list = file('list.csv', 'Item,Dims,How many,Used for\nStamps,2 x 2 x 3/4,12,"Cards, Tags"\n,1 x 1,2,\n');
    const table = JSON.parse((await run(['read-list', list, '--measure', 'imperial'])).out!);
    expect(table.columns.map((c: { meaning: string }) => c.meaning)).toEqual(['name', 'size', 'working', 'uses']);
    expect(table.rows[0]).toMatchObject({
      line: 2,
      supply: { width: 50.8, height: 19.05, working: 12 },
      uses: ['Cards', 'Tags'],
    });
    expect(table.troubles).toEqual([{ line: 3, reason: 'There is no name.' }]);
    expect(await run(['read-list', list, '--measure', 'cubits'])).toMatchObject({
      code: 2,
      error: expect.stringMatching(/metric or imperial/),
    });
    expect(await run(['read-list', join(folder, 'none.csv')])).toMatchObject({
      code: 2,
      error: expect.stringMatching(/there is no file/),
    });
    writeFileSync(join(folder, 'x.png'), Buffer.from([0x89, 0x50, 0x4e, 0x47, 0, 1, 2, 3]));
    expect(await run(['read-list', join(folder, 'x.png')])).toMatchObject({
      code: 2,
      error: expect.stringMatching(/not text/),
    });
  });

  test('budget says what room is asked for and offered, and what is not measured', async () => {
    const told = JSON.parse((await run(['budget', planFile])).out!);
    expect(told.unmeasured).toEqual(['Unmeasured']);
    const drawers = told.room.find((r: { room: string }) => r.room === 'drawer');
    expect(drawers).toMatchObject({ zone: null, nature: 'area', more: [] });
    expect(drawers.low).toBe(drawers.high);
    expect(drawers.offer).toBeGreaterThan(drawers.likely);
    const demo = JSON.parse((await run(['budget', demoFile])).out!);
    expect(demo.guessed).toBeGreaterThan(0);
    expect(demo.room.some((r: { low: number; high: number }) => r.low < r.high)).toBe(true);
  });

  test('reach lists every place from every seat with its motions', async () => {
    const { out } = await run(['reach', planFile, '--seat', 'Seat']);
    const rows = JSON.parse(out!);
    // four drawers and its top
    expect(rows).toHaveLength(5);
    expect(rows[0]).toMatchObject({
      seat: 'Seat',
      unit: 'Low chest',
      place: 'drawer 1',
      band: expect.any(String),
      seconds: expect.any(Number),
    });
    const sum = rows[0].motions.reduce((s: number, m: { tmu: number }) => s + m.tmu, 0);
    expect(sum * 0.036).toBeCloseTo(rows[0].seconds, 2);
  });

  test('homes writes a plan in which what can be homed is', async () => {
    const to = join(folder, 'out.heron.json');
    const { code, out } = await run(['homes', planFile, '--seconds', '0.1', '--out', to]);
    expect(code).toBe(0);
    expect(JSON.parse(out!)).toMatchObject({
      ...{ homes: 1, unplaced: ['b.working'], apart: [] },
      places: [{ place: expect.any(String), name: expect.any(String), oddsAndEnds: false }],
      lives: [{ share: 'working', looks: 1, remembered: expect.any(Number) }],
      foundAgain: {
        hoursAYear: expect.any(Number),
        moreUntilLabelled: expect.any(Number),
        meanLooks: expect.any(Number),
        atFirstLook: expect.any(Number),
      },
    });
    const written = importPlan(readFileSync(to, 'utf8'), 'x');
    expect(written.ok && Object.keys(written.plan.homes)).toEqual(['a.working']);
    expect(importPlan((await run(['homes', planFile, '--seconds', '0.1'])).out!, 'x').ok).toBe(true);
  });

  test('check prints every finding with its source and, where somebody can be hurt, the caution', async () => {
    const { code, out } = await run(['check', planFile]);
    expect(code).toBe(0);
    const tipping = JSON.parse(out!).find((f: { check: string }) => f.check === 'Tipping');
    expect(tipping).toMatchObject({
      units: ['lowChest'],
      source: expect.stringMatching(/ASTM F2057/),
      acknowledged: null,
    });
    expect(tipping.words).toMatch(/78 cm tall/);
    expect(tipping.care).toMatch(/licensed/);
  });

  test('fill tells of every place, nested ones included, how it is laid', async () => {
    const rows = JSON.parse((await run(['fill', planFile])).out!) as Record<string, unknown>[];
    expect(rows).toHaveLength(5);
    expect(rows[0]).toEqual({
      unit: 'Low chest',
      place: expect.any(String),
      path: expect.stringMatching(/^Low chest › /),
      kind: expect.any(String),
      name: null,
      oddsAndEnds: false,
      nature: 'area',
      width: expect.any(Number),
      depth: expect.any(Number),
      height: expect.any(Number),
      capacity: expect.any(Number),
      used: expect.any(Number),
      mass: expect.any(Number),
      load: expect.any(Number),
      zone: null,
      things: expect.any(Array),
      faults: [],
    });
    const demo = JSON.parse((await run(['fill', demoFile])).out!) as {
      path: string;
      zone: string | null;
      things: { rects: object[] }[];
    }[];
    expect(demo.find((r) => r.path === 'Cube unit › cubby 3-1 › Deep bin 1')).toMatchObject({ nature: 'bulk' });
    expect(demo.find((r) => r.path === 'Window chest › drawer 1')).toMatchObject({ zone: 'Kites' });
    expect(demo.some((r) => r.things.some((t) => t.rects.length > 0))).toBe(true);
  });

  test('zones: balance and findings; with --find which unit each would have', async () => {
    const plain = JSON.parse((await run(['zones', planFile])).out!) as object;
    expect(plain).toEqual({ balance: [], findings: [] });
    const found = JSON.parse((await run(['zones', demoFile, '--find', '--seconds', '1'])).out!) as {
      balance: { zone: string }[];
      findings: { check: string }[];
      proposal: { units: { unit: string; zone: string }[]; secondsFree: number; secondsZoned: number };
    };
    expect(found.balance.map((b) => b.zone)).toContain('The wet corner');
    expect(found.findings.length).toBeGreaterThan(0);
    expect(found.findings.every((f) => f.check.startsWith('zone'))).toBe(true);
    expect(found.proposal.units).toContainEqual({ unit: 'Wet bench', zone: 'The wet corner' });
    expect(Math.min(found.proposal.secondsFree, found.proposal.secondsZoned)).toBeGreaterThan(3600);
  });

  test('book and maps write PDFs: as many pages as they say, the letters they lack named', async () => {
    const out = file('out.pdf', '');
    for (const args of [
      ['book', planFile, '--chapters', 'room, index', '--paper', 'letter'],
      ['maps', planFile, '--unit', 'Low chest'],
      ['maps', planFile, '--cut', '12 cm x 30', '--pictures', '--trial'],
    ]) {
      const said = JSON.parse((await run([...args, '--out', out])).out!) as Record<string, unknown>;
      const pdf = await PDFDocument.load(readFileSync(out));
      expect(said).toEqual({ out, pages: pdf.getPageCount(), bytes: statSync(out).size, lettersLacking: [] });
      expect(pdf.getPageCount()).toBeGreaterThan(0);
    }
  });

  test.each([
    [
      [],
      /say slot, reach, homes, check, fill, zones, read-list, budget, cut, doing, measure, tryout, help-most, arrange, book or maps/,
    ],
    [['fly'], /not “fly”/],
    [['slot'], /needs a file/],
    [['slot', '/nowhere/p.json'], /there is no file/],
    [['slot', file('cut.json', '{"format": "heron')], /not whole JSON/],
    [['slot', file('other.json', '{"format": "x"}')], /heronstone-slotting\/3/],
    [
      ['slot', file('ok.json', JSON.stringify(randomSlotting(1, { lots: 3, places: 2 }))), '--seconds', 'many'],
      /--seconds takes a number/,
    ],
    [['slot', file('ok2.json', '{}'), '--fast'], /Unknown option/],
    [['reach', planFile, '--out', 'x'], /does not take --out/],
    [['reach', planFile, '--seat', 'Throne'], /there is no seat “Throne”; there is Seat/],
    [['reach', file('half.heron.json', exportPlan(room).slice(0, 700))], /not whole/],
    [['check', planFile, '--seat', 'Seat'], /does not take --seat/],
    [['homes', planFile, '--seconds', '0.1', '--out', '/nowhere/out.json'], /cannot write/],
    [['homes', planFile, 'second.json'], /one file at a time/],
    [['doing', planFile], /doing needs two plans/],
    [['doing', planFile, planFile, 'third.json'], /two files at a time, not also “third.json”/],
    [['doing'], /doing needs two plans/],
    [['fill', '--problem', 'x.json'], /fill needs a file/],
    [['book', planFile], /say where to with --out/],
    [['book', planFile, '--out', '/tmp/x.pdf', '--chapters', 'rom'], /no chapter “rom”; there are room, zones/],
    [['book', planFile, '--out', '/nowhere/x.pdf'], /cannot write/],
    [['maps', planFile, '--out', '/tmp/x.pdf', '--paper', 'a5'], /a4 or letter, not “a5”/],
    [['maps', planFile, '--out', '/tmp/x.pdf', '--unit', 'Throne'], /no unit “Throne” with places; there is Low chest/],
    [['maps', planFile, '--out', '/tmp/x.pdf', '--cut', '30'], /width x a height/],
    [['maps', planFile, '--out', '/tmp/x.pdf', '--cut', '30 x 4'], /6 cm or more as “20 x 30”, not “30 x 4”/],
    [['maps', planFile, '--out', '/tmp/x.pdf', '--cut', 'wide x high'], /--cut takes door/],
    [['measure', file('m.json', '{"sheet": "a3"}')], /sheet/],
    [['measure', file('m2.json', '{}'), '--seat', 'Seat'], /does not take --seat/],
    [['homes', planFile, '--finding-again', 'lots'], /none, little, some, much, not “lots”/],
  ])('bad input %#: one line why, code 2', async (args, why) => {
    const { code, out, error } = await run(args);
    expect([code, out]).toEqual([2, undefined]);
    expect(error).toMatch(why);
    expect(error!.split('\n')).toHaveLength(1);
  });

  test('as a program: JSON alone on stdout, the reason alone on stderr', () => {
    const script = fileURLToPath(new URL('../../scripts/run.mjs', import.meta.url));
    const call = (...args: string[]) =>
      spawnSync(process.execPath, [script, 'cli/src/main.ts', ...args], {
        encoding: 'utf8',
        env: { ...process.env, NODE_OPTIONS: '' },
        cwd: folder,
      });
    const good = call('reach', planFile);
    expect(good.status).toBe(0);
    expect(Array.isArray(JSON.parse(good.stdout))).toBe(true);
    const bad = call('reach', 'nothing.json');
    expect([bad.status, bad.stdout]).toEqual([2, '']);
    expect(bad.stderr).toBe('heronstone: there is no file nothing.json\n');
  });

  test('measures in a picture: a card seen straight from above, ten points to the millimetre', async () => {
    const picture = {
      sheet: 'card',
      corners: [
        [100, 100],
        [956, 100],
        [956, 639.8],
        [100, 639.8],
      ],
      image: { width: 4000, height: 3000 },
      lines: [
        [
          [100, 1000],
          [1600, 1000],
        ],
      ],
    };
    const { code, out } = await run(['measure', file('picture.json', JSON.stringify(picture))]);
    expect(code).toBe(0);
    const { lines, troubles } = JSON.parse(out!) as {
      lines: { length: number; plusMinus: number }[];
      troubles: string[];
    };
    expect(lines[0]!.length).toBeCloseTo(150, 1);
    expect(lines[0]!.plusMinus).toBeGreaterThan(0);
    expect(troubles).toEqual([]);
  });

  test('cut says patterns, cuts in order and a bound; what is wrong with the file in one line', async () => {
    const bases = {
      format: 'heronstone-cut/1',
      pieces: [
        { id: 'base', width: 105, depth: 148, grain: 'depth' },
        { id: 'huge', width: 900, depth: 900 },
      ],
      sheets: [
        { id: 'red', width: 210, depth: 297, grain: 'depth', wanted: { base: 8 } },
        { id: 'blue', width: 210, depth: 297, grain: 'depth', wanted: { base: 4, huge: 1 } },
      ],
      stack: 1,
    };
    const { code, out } = await run(['cut', file('cut.json', JSON.stringify(bases))]);
    expect(code).toBe(0);
    const answer = JSON.parse(out!);
    expect(answer.sheets).toEqual([
      { id: 'red', sheets: 2, bound: 2, waste: 2 * 210 * 297 - 8 * 105 * 148, tooLarge: [] },
      { id: 'blue', sheets: 1, bound: 1, waste: 210 * 297 - 4 * 105 * 148, tooLarge: ['huge'] },
    ]);
    expect(answer.patterns).toMatchObject([{ gives: { base: 4 }, sheets: { red: 2, blue: 1 }, stacks: 1 }]);
    expect(answer.patterns[0].pieces).toHaveLength(4);
    const wrong = async (change: object) =>
      (await run(['cut', file('wrong.json', JSON.stringify({ ...bases, ...change }))])).error;
    expect(await wrong({ format: 'other' })).toMatch(/must be "heronstone-cut\/1"/);
    expect(await wrong({ pieces: [bases.pieces[0], bases.pieces[0]] })).toMatch(/has a piece twice/);
    expect(await wrong({ sheets: [{ ...bases.sheets[0], wanted: { card: 1 } }] })).toMatch(/no piece is called “card”/);
    expect((await run(['cut', file('half.json', '{"format"')])).error).toMatch(/not whole JSON/);
  });

  test('tryout says what a session asks for at each seat, played and in closed form; same seed, same answer', async () => {
    const demo = fileURLToPath(new URL('../../demo/plans/spring.heron.json', import.meta.url));
    const { code, out } = await run(['tryout', demo, '--activity', 'Marbled papers', '--sessions', '200']);
    expect(code).toBe(0);
    const [row, ...more] = JSON.parse(out!);
    expect(more).toEqual([]);
    const { mean, half } = row.simulated;
    expect(Math.abs(mean.seconds - row.expected.seconds)).toBeLessThanOrEqual(2 * half.seconds);
    expect(row.aYear.seconds).toBeCloseTo(row.expected.seconds * row.sessionsAYear, 0);
    expect(row.bands.reduce((sum: number, b: { seconds: number }) => sum + b.seconds, 0)).toBeLessThanOrEqual(
      row.expected.seconds + 0.01,
    );
    expect((await run(['tryout', demo, '--activity', 'Marbled papers', '--sessions', '200'])).out).toBe(out);
    expect((await run(['tryout', demo, '--activity', 'Diving'])).error).toMatch(/nobody works at “Diving”; there are/);
    expect((await run(['tryout', demo, '--sessions', '0'])).error).toMatch(/whole number from 1 on/);
  });

  test('help-most says the changes that help, best first, and what they come to; a plan with nothing in it needs no help', async () => {
    const { code, out } = await run(['help-most', planFile, '--seconds', '3']);
    expect(code).toBe(0);
    const answer = JSON.parse(out!) as { tried: number; changes: { secondsAYear: number; effort: string }[] };
    expect(answer.tried).toBeGreaterThan(0);
    const saves = answer.changes.map((c) => c.secondsAYear);
    expect(saves).toEqual([...saves].sort((a, b) => b - a));
    expect((await run(['help-most', planFile, '--seconds', 'soon'])).error).toMatch(/--seconds takes a number/);
  });
});
