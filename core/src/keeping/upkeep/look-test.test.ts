import { describe, expect, test } from '@jest/globals';
import { foundAgainOf } from '../../living/homes/index.ts';
import { type Command, type Plan } from '../../record/plan/index.ts';
import { applied, block, home, tinyRoom, unit, use, withUnits } from '../../testing/index.ts';
import { asksToday, isThere, knownByHeart, livingWhereLooked, questionsFor } from './index.ts';

const things = [
  { id: 'acid', name: 'Citric acid', family: 'Chemistry' },
  { id: 'paper', name: 'Print paper', family: 'Paper' },
  { id: 'zips', name: 'Zips', family: 'Sewing' },
];
const plan = applied(
  withUnits(tinyRoom(), unit('lowChest', { id: 'chest', x: 5200, y: 900, facing: 270 })),
  ...things.map((of): Command => ({
    type: 'addSupplies',
    supplies: [block({ width: 40, depth: 40, height: 40, working: 1, ...of })],
  })),
  ...things.map(({ id }, i): Command => ({ type: 'addUse', use: use(id, 1 + i) })),
  ...things.map(({ id }, i) => home(id, `chest.${i}.0`)),
);
const since = '2026-05-01';

describe('the look test', () => {
  test('each thing is asked for once, what was answered last comes last; so few as there are', () => {
    const asked = questionsFor(plan).map((s) => s.id);
    expect([...asked].sort()).toEqual(['acid', 'paper', 'zips']);
    expect(questionsFor(plan, 2)).toHaveLength(2);
    const answered = applied(plan, {
      type: 'addLook',
      look: { id: 'l', supplyId: asked[0]!, placeId: null, personId: null, lookedOn: since, found: 'not' },
    });
    expect(questionsFor(answered).at(-1)!.id).toBe(asked[0]);
  });

  test('a miss may live where it was looked for, at its price; never beside what it must be apart from', () => {
    expect(isThere(plan, 'zips', 'chest.2.0')).toBe(true);
    expect(isThere(plan, 'zips', 'chest.1.0')).toBe(false);
    const refit = livingWhereLooked(plan, plan.supplies.zips!, 'chest.1.0', since)!;
    expect(isThere(applied(plan, refit.command), 'zips', 'chest.1.0')).toBe(true);
    expect(livingWhereLooked(plan, plan.supplies.zips!, 'chest.2.0', since)).toBeNull();
    expect(livingWhereLooked(plan, plan.supplies.acid!, 'chest.1.0', since)).toBeNull();
    expect(livingWhereLooked(plan, plan.supplies.paper!, 'chest.0.0', since)).toBeNull();
  });

  test('where she said she would look counts in the measure, and goes with its place', () => {
    const strayed = applied(plan, home('paper', 'chest.2.0'));
    const id = Object.values(strayed.homes).find((h) => h.supplyId === 'paper')!.id;
    const said = applied(strayed, {
      type: 'addLook',
      look: { id: 'l', supplyId: 'paper', placeId: 'chest.2.0', personId: null, lookedOn: since, found: 'first' },
    });
    expect(foundAgainOf(said, id)!.again.match).toBeLessThanOrEqual(foundAgainOf(strayed, id)!.again.match);
    expect(applied(said, { type: 'removeSupply', id: 'paper' }).looks).toEqual({});
    expect(applied(said, { type: 'removeUnit', id: 'chest' }).looks).toEqual({});
  });

  test('what is known without its label weeks later may lose it: all that was asked for found at the first look, by everybody, nothing poisonous', () => {
    const labelled = applied(
      plan,
      ...[0, 1, 2].map((i): Command => ({
        type: 'setPlace',
        id: `chest.${i}.0`,
        set: { label: 'permanent', labelSince: since },
      })),
    );
    const look = (supplyId: string, lookedOn: string, over: Partial<Plan['looks'][string]> = {}): Command => {
      const place = Object.values(plan.homes).find((h) => h.supplyId === supplyId)!.placeId;
      const id = `${supplyId}-${lookedOn}-${over.found ?? 'first'}`;
      return {
        type: 'addLook',
        look: { id, supplyId, placeId: place, personId: null, lookedOn, found: 'first', ...over },
      };
    };
    const known = (...commands: Command[]) => knownByHeart(applied(labelled, ...commands)).map((k) => k.place.id);
    expect(known()).toEqual([]);
    // eight weeks, not a day less
    expect(known(look('zips', '2026-06-25'))).toEqual([]);
    expect(known(look('zips', '2026-06-26'))).toEqual(['chest.2.0']);
    // what somebody did not find since then is not known; found later by the same, it is again
    const missed = look('zips', '2026-07-01', { found: 'not', placeId: 'chest.0.0' });
    expect(known(look('zips', '2026-06-26'), missed)).toEqual([]);
    expect(known(missed, look('zips', '2026-07-20'))).toEqual(['chest.2.0']);
    // one of two things there is not enough
    const more = [block({ id: 'snaps', name: 'Snaps', width: 40, depth: 40, height: 40, working: 1 })];
    const two: Command[] = [{ type: 'addSupplies', supplies: more }, home('snaps', 'chest.2.0')];
    expect(known(...two, look('zips', '2026-06-26'))).toEqual([]);
    // the poisonous keeps its label
    const toxic: Command = { type: 'setSupply', id: 'acid', set: { hazards: ['toxic'] } };
    expect(known(look('acid', '2026-06-26'))).toEqual(['chest.0.0']);
    expect(known(toxic, look('acid', '2026-06-26'))).toEqual([]);
    // asked once, with two answers; off, it is known by heart; staying, it is asked again weeks later
    const asked = applied(labelled, look('zips', '2026-06-26'));
    const [ask] = asksToday(asked, '2026-06-27').filter((a) => a.key.startsWith('byHeart'));
    expect(ask).toMatchObject({
      kind: 'label',
      words: 'Low chest: 1 label not needed any more',
      detail: 'Zips: found at the first look',
    });
    const off = applied(asked, ask!.answers[0]!.command!);
    expect(off.places['chest.2.0']!.label).toBe('learnt');
    const stays = applied(asked, ask!.answers[1]!.command!);
    expect(stays.places['chest.2.0']!.label).toBe('permanent');
    expect(knownByHeart(stays)).toEqual([]);
  });
});
