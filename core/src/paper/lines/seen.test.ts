import { describe, expect, test } from '@jest/globals';
import { closeCall, closeRoom, holderOf } from '../../things/fit/index.ts';
import { apply, blankSupply, type Plan } from '../../record/plan/index.ts';
import { doubtedNeed } from '../../keeping/stock/index.ts';
import { applied, block, tinyRoom, unit, withUnits } from '../../testing/index.ts';
import { readSeen, type Seen, sizesSeen, takeSeen, thirdSide, usualWay } from './index.ts';

const room = (): Plan => withUnits(tinyRoom({ standing: true }), unit('lowChest', { id: 'chest', x: 3000, y: 4200 }));
const seen = (line: string, more: Partial<Seen> = {}): Seen => ({
  line,
  ...{ width: 62, depth: 88, round: false, plusMinus: 2.4, way: 'flat', height: null, colour: null },
  ...more,
});
const TODAY = '2026-11-30';

describe('a thing seen from above', () => {
  test('has two sides by picture and the third as it was known; which two, its way of lying says', () => {
    const of = {
      form: 'block' as const,
      width: 100,
      depth: 70,
      height: 20,
      usual: ['width', 'depth', 'height', 'mass'] as const,
      unsure: [],
    };
    const s = (more: Partial<Seen>) => sizesSeen({ ...of, usual: [...of.usual] }, seen('', more), []);
    expect(s({})).toMatchObject({
      width: 88,
      depth: 62,
      height: 20,
      pictured: ['width', 'depth'],
      usual: ['height', 'mass'],
    });
    expect(s({ way: 'edge', width: 88, depth: 21 })).toMatchObject({
      width: 88,
      depth: 70,
      height: 21,
      usual: ['depth', 'mass'],
    });
    expect(s({ way: 'upright', width: 66, depth: 21 })).toMatchObject({
      width: 100,
      depth: 66,
      height: 21,
      usual: ['width', 'mass'],
    });
    expect(s({ height: 30 })).toMatchObject({ height: 30, usual: ['mass'], pictured: ['width', 'depth'] });
    // a bottle stands: one looks onto its width and depth however it is said to lie
    expect(
      sizesSeen({ ...of, form: 'bottle', usual: [] }, seen('', { way: 'upright', width: 40, depth: 40 }), []),
    ).toMatchObject({
      ...{ width: 40, depth: 40, height: 20 },
    });
    // what was measured with a tape stays
    expect(sizesSeen({ ...of, usual: [] }, seen(''), ['width'])).toMatchObject({
      width: 100,
      depth: 62,
      pictured: ['depth'],
    });
    expect(usualWay({ form: 'bottle', lies: ['upright'] })).toBe('upright');
    expect(usualWay({ form: 'block', lies: ['edge'] })).toBe('edge');
  });

  test('its line is understood, and its size is the picture’s unless the line says one', () => {
    const plan = room();
    const ink = readSeen(plan, plan.places['chest.0.0']!, seen('3 ink pads', { colour: '#aa3322' }));
    if (ink.what !== 'supply') throw new Error(ink.what);
    expect(ink.supply).toMatchObject({
      working: 3,
      width: 62,
      depth: 88,
      plusMinus: 2.4,
      colour: '#aa3322',
      kind: 'ink-pad',
    });
    expect(ink.guessed).not.toContain('width');
    const typed = readSeen(plan, null, seen('ink pad 10 x 7 x 2 cm'));
    if (typed.what !== 'supply') throw new Error(typed.what);
    expect(typed.supply).toMatchObject({ width: 100, depth: 70, height: 20, pictured: [] });
    expect(readSeen(plan, null, seen('')).what).toBe('nothing');
  });

  test('a drawer of things is taken in as one change: each lives there, one that was on the list has its size from now', () => {
    let plan = room();
    plan = applied(plan, {
      type: 'addSupplies',
      supplies: [
        {
          ...block({ id: 'pads', name: 'Ink pads' }),
          width: 100,
          depth: 70,
          height: 20,
          usual: ['width', 'depth', 'height'],
        },
        { ...block({ id: 'knife', name: 'Paper knife' }), width: 150, depth: 20, height: 10 },
      ],
    });
    const place = plan.places['chest.0.0']!;
    const done = takeSeen(
      plan,
      place,
      [
        seen('2 ink pads'),
        seen('paper knife', { width: 160, depth: 26 }),
        seen('4 bone folders', { width: 25, depth: 152 }),
      ],
      TODAY,
    );
    if (!done.ok) throw new Error(done.reason);
    const after = applied(plan, done.command);
    expect(done.things).toBe(3);
    expect(after.supplies.pads).toMatchObject({
      width: 88,
      depth: 62,
      usual: ['height'],
      pictured: ['width', 'depth'],
    });
    // the tape’s word stands against the picture’s
    expect(after.supplies.knife).toMatchObject({ width: 150, depth: 20, pictured: [] });
    const folder = Object.values(after.supplies).find((s) => /folder/i.test(s.name))!;
    expect(folder).toMatchObject({ width: 25, depth: 152, working: 4 });
    expect(Object.values(after.homes).filter((h) => h.placeId === place.id)).toHaveLength(3);
    const back = apply(plan, done.command);
    if (!back.ok) throw new Error(back.reason);
    expect(apply(back.plan, back.inverse)).toMatchObject({ ok: true, plan });
    expect(takeSeen(plan, place, [seen('ink pads'), seen('12')], TODAY)).toMatchObject({ ok: false, at: 1 });
    expect(takeSeen(plan, place, [], TODAY).ok).toBe(false);
  });

  test('turned and seen again, its third side is the one that both pictures do not share', () => {
    expect(thirdSide([120, 80], [119, 45])).toBe(45);
    expect(thirdSide([120, 80], [45, 82])).toBe(45);
    expect(thirdSide([120, 80], [30, 45])).toBeNull();
    const of = {
      form: 'block' as const,
      width: 1,
      depth: 1,
      height: 1,
      usual: ['width', 'height'] as never[],
      unsure: [],
    };
    expect(sizesSeen(of, seen('', { height: 45, heightSeen: true }), [])).toMatchObject({
      ...{ height: 45, pictured: ['width', 'depth', 'height'], usual: [] },
    });
  });

  test('a size said anew is no longer the picture’s', () => {
    const plan = applied(room(), {
      type: 'addSupplies',
      supplies: [{ ...blankSupply('a', 'A'), width: 10, depth: 10, pictured: ['width', 'depth'], plusMinus: 2 }],
    });
    expect(applied(plan, { type: 'setSupply', id: 'a', set: { width: 12 } }).supplies.a!.pictured).toEqual(['depth']);
  });

  test('its doubt is the picture’s, not the quarter of a guess', () => {
    const plan = room();
    const place = plan.places['chest.0.0']!;
    const of = (more: object) => ({ ...block({ id: 'a', name: 'A' }), width: 80, depth: 60, height: 20, ...more });
    const doubt = (more: object) => {
      const need = doubtedNeed(of(more), 4, place)!;
      return Math.sqrt(need.moves.reduce((sum, m) => sum + m.by ** 2, 0)) / need.amount;
    };
    const [known, seen, guessed] = [
      doubt({}),
      doubt({ pictured: ['width', 'depth'], plusMinus: 2 }),
      doubt({ usual: ['width', 'depth'] }),
    ] as const;
    expect(known).toBe(0);
    expect(seen).toBeGreaterThan(0);
    expect(seen).toBeLessThan(guessed / 2);
  });

  test('what goes in only just is told by how much larger it may be', () => {
    const plan = room();
    const holder = holderOf(plan.places['chest.0.0']!);
    const long = {
      ...block({ id: 'a', name: 'A' }),
      width: holder.width - 4,
      depth: 60,
      height: 20,
      pictured: ['width' as const],
      plusMinus: 9,
    };
    const left = closeCall(holder, { ...long, lies: ['flat'], depth: holder.depth - 4 }, 1);
    expect(left).not.toBeNull();
    expect('mm' in left! && left.mm < 9).toBe(true);
    expect(closeCall(holder, { ...long, width: 50 }, 1)).toBeNull();
    // guessed, not seen: as a share of the guess, and one that would be measured is no doubt
    const wide = holder.width / 1.1;
    const guess = closeCall(
      holder,
      { ...long, lies: ['flat'], depth: holder.depth - 4, width: wide, pictured: [], unsure: ['width'] },
      1,
    );
    expect('share' in guess! && guess.share > 0.05 && guess.share < 0.11).toBe(true);
    // by picture it goes in whatever the doubt; what is guessed of it does not
    const both = { ...long, lies: ['flat' as const], width: 200, depth: 200, height: holder.height * 0.9 };
    const mixed = closeCall(holder, { ...both, pictured: ['width', 'depth'], usual: ['height'] }, 1);
    expect('share' in mixed! && mixed.share < 0.12).toBe(true);
    expect(closeCall(holder, { ...long, pictured: [] }, 1)).toBeNull();
  });

  test('a place that nobody measured is a doubt of its own: told by how much smaller it may be', () => {
    const plan = room();
    const holder = holderOf(plan.places['chest.0.0']!);
    const chest = plan.units.chest!;
    // so wide that it cannot be turned
    const thing = { ...block({ id: 'a', name: 'A' }), width: holder.width - 20, depth: holder.depth - 20, height: 20 };
    const flat = { ...thing, lies: ['flat' as const] };
    expect(closeRoom(holder, chest, flat, 1)).toBeNull();
    const usual = closeRoom(holder, { ...chest, usual: ['depth'] }, flat, 1);
    expect('share' in usual! && usual.share > 0.01 && usual.share < 0.06).toBe(true);
    const seen = closeRoom(holder, { ...chest, pictured: ['depth'], plusMinus: 30 }, flat, 1);
    // the thing has its play on either side: of the 20 mm there are so many to lose
    expect('mm' in seen! && seen.mm > 8 && seen.mm < 30).toBe(true);
    // far smaller than its place it goes in whatever the doubt; what does not go in is said elsewhere
    expect(closeRoom(holder, { ...chest, usual: ['depth'] }, { ...flat, width: 60, depth: 60 }, 1)).toBeNull();
    expect(closeRoom(holder, { ...chest, usual: ['depth'] }, { ...flat, depth: 2 * holder.depth }, 1)).toBeNull();
  });
});
