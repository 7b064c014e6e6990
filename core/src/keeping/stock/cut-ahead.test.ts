import { describe, expect, test } from '@jest/globals';
import { kindOf, ofKind } from '../../things/kinds/index.ts';
import { type Command, type CutPiece, type Plan } from '../../record/plan/index.ts';
import { applied, block, home, sheet, tinyRoom, unit, use, withUnits } from '../../testing/index.ts';
import { cutAhead, cutCommand, cutSaves, isCut, missingOf, takeScrap } from './index.ts';

const keep = (id: string, supplyId: string, set: Partial<CutPiece> = {}): Command => ({
  type: 'addCutPiece',
  cutPiece: {
    id,
    supplyId,
    name: id,
    width: 105,
    depth: 148,
    grain: 'any',
    have: 0,
    keep: 8,
    below: 3,
    placeId: null,
    ...set,
  },
});
const red = sheet({ id: 'red', width: 210, depth: 297, height: 0.3, working: 3, backstock: 5 });
const room = (...commands: Command[]): Plan =>
  applied(
    withUnits(tinyRoom(), unit('lowChest', { x: 3900, y: 3600 })),
    {
      type: 'addSupplies',
      supplies: [
        red,
        block({ id: 'cloth', form: 'soft', openWidth: 1000, openLength: 350 }),
        block({ id: 'folded', form: 'soft' }),
      ],
    },
    ...commands,
  );
const asked = (plan: Plan, ...list: [string, number][]) =>
  list.map(([id, count]) => ({ piece: plan.cutPieces[id]!, count }));

describe('cutting ahead', () => {
  test('when there are too few, what is missing of those kept; folded stuff is cut only when it is said how large it is', () => {
    const plan = room(keep('a', 'red', { have: 2 }), keep('b', 'red', { have: 3 }));
    expect([missingOf(plan.cutPieces.a!), missingOf(plan.cutPieces.b!)]).toEqual([6, 0]);
    expect(['red', 'cloth', 'folded'].map((id) => isCut(plan.supplies[id]!))).toEqual([true, true, false]);
    // a die, a stamp, an envelope is no sheet to be cut; vinyl is
    const flat = ['cutting-plate', 'thin-die', 'stencil', 'envelope', 'vinyl-sheet', 'acetate-sheet'];
    expect(flat.filter((kind) => !kindOf(kind))).toEqual([]);
    expect(flat.filter((kind) => isCut(block(ofKind(kindOf(kind)!))))).toEqual(['vinyl-sheet', 'acetate-sheet']);
  });

  test('out of scraps first, then of sheets; cut, everything is counted and taken off, the reserve when the rest is used', () => {
    const plan = room(keep('base', 'red'), keep('huge', 'red', { width: 400, depth: 400 }), {
      type: 'addScrap',
      scrap: { id: 's', supplyId: 'red', colour: null, width: 110, depth: 150, count: 3, placeId: null },
    });
    const want = asked(plan, ['base', 18], ['huge', 2]);
    const work = cutAhead(plan, want, 1);
    expect(work.scraps).toMatchObject([{ count: 3 }]);
    // fifteen more at four a sheet (ISO 216, memory: A4 is four A6)
    expect(work.lists.get('red')).toMatchObject({ sheets: 4, bound: 4 });
    expect([...work.missing]).toEqual([['huge', 2]]);
    const then = applied(plan, cutCommand(plan, want, work, false));
    // the fourth sheet gives one more than was asked for
    expect(then.cutPieces.base!.have).toBe(19);
    expect(then.cutPieces.huge!.have).toBe(0);
    expect(then.scraps).toEqual({});
    expect(then.supplies.red).toMatchObject({ working: 0, backstock: 4 });
  });

  test('off a roll as many as its length gives; the length used is taken off', () => {
    const plan = room(keep('panel', 'cloth', { width: 500, depth: 100, grain: 'depth' }));
    const want = asked(plan, ['panel', 9]);
    const work = cutAhead(plan, want, 1);
    expect([...work.missing]).toEqual([['panel', 3]]);
    const then = applied(plan, cutCommand(plan, want, work, false));
    expect(then.cutPieces.panel!.have).toBe(6);
    expect(then.supplies.cloth!.openLength).toBe(50);
  });

  test('cut ahead saves nothing of what is never used up, and the more the larger the batch', () => {
    const used: Command = { type: 'addUse', use: { ...use('red', 2), usedUp: 2 } };
    const plan = room(keep('a', 'red'), keep('b', 'red', { keep: 20 }), home('red', 'lowChest.0.0'));
    expect(cutSaves(plan, plan.cutPieces.a!)).toBe(0);
    const busy = applied(plan, used);
    expect(cutSaves(busy, busy.cutPieces.a!)).toBeGreaterThan(0);
    expect(cutSaves(busy, busy.cutPieces.b!)).toBeGreaterThan(cutSaves(busy, busy.cutPieces.a!));
  });

  test('what a pattern gives beyond what was asked for is counted, rests worth it are filed; what is cut once is kept nowhere', () => {
    const plan = room(keep('base', 'red'));
    const want = asked(plan, ['base', 6]);
    const work = cutAhead(plan, want, 1);
    // two sheets of four (A4 is four A6) make eight
    expect([...work.extra]).toEqual([['base', 2]]);
    expect(applied(plan, cutCommand(plan, want, work, true)).cutPieces.base!.have).toBe(8);

    const once = { ...plan.cutPieces.base!, id: 'once', width: 100, depth: 297 };
    const one = cutAhead(plan, [{ piece: once, count: 1 }], 1);
    // a strip of 110 × 297 mm is left of the sheet (or less, when a second one is cut of it): bases come out of it
    const left = one.lists.get('red')!.patterns[0]!.counts[0] === 2 ? [] : [110];
    expect(one.rests.map((r) => r.width)).toEqual(left);
    const then = applied(plan, cutCommand(plan, [{ piece: once, count: 1 }], one, true));
    expect(Object.keys(then.cutPieces)).toEqual(['base']);
    expect(then.supplies.red!.working).toBe(2);
  });

  test('a scrap that is cut is used up but for what is left of it and worth filing: beside its like, or anew', () => {
    const scrap = (id: string, width: number, count: number): Command => ({
      type: 'addScrap',
      scrap: { id, supplyId: 'red', colour: null, width, depth: 148, count, placeId: 'lowChest.0.0' },
    });
    const plan = room(keep('base', 'red'), scrap('long', 215, 2), scrap('like', 110, 1), scrap('tag', 120, 1));
    // a base of 105 mm out of 215 leaves 110: one like it lies there already
    const then = applied(plan, takeScrap(plan, plan.scraps.long!, plan.cutPieces.base!));
    expect(then.scraps).toMatchObject({ long: { count: 1 }, like: { count: 2 } });
    // out of 120 × 148 nothing is left out of which a base comes
    expect(Object.keys(applied(plan, takeScrap(plan, plan.scraps.tag!, plan.cutPieces.base!)).scraps)).toHaveLength(2);
    // a list that uses up the like one cannot file beside it
    const want = asked(plan, ['base', 4]);
    const work = cutAhead(plan, want, 1);
    expect(work.scraps.map((s) => s.scrap.id)).toEqual(['like', 'tag', 'long']);
    const after = applied(plan, cutCommand(plan, want, work, true));
    expect(Object.values(after.scraps)).toMatchObject([{ width: 110, depth: 148, count: 2, placeId: 'lowChest.0.0' }]);
    expect(after.supplies.red).toMatchObject({ working: 3 });
  });
});
