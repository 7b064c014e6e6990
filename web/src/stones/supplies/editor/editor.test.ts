import { describe, expect, test } from '@jest/globals';
import { applied, block, home, sheet, tinyRoom, unit, withUnits } from '@heronstone/core/testing';
import { type Plan } from '@heronstone/core/plan';
import { heightBan, withHeight } from './height-ban.ts';
import { withPaperWeight } from './paper-weight.ts';
import { seasonWords } from './season-words.ts';

describe('the weight of a paper, typed', () => {
  const card = sheet({ id: 'card', width: 304.8, depth: 304.8, grammage: null, mass: 1 });

  test('a bare number is g/m², and the sheet weighs what it must', () => {
    for (const text of ['216', '216 g', ' 216 g/m² ']) {
      const typed = withPaperWeight(card, text);
      if (!typed.ok) throw new Error(typed.reason);
      expect(typed.set.grammage).toBe(216);
      // 0.3048² m² × 216 g/m²
      expect(typed.set.mass).toBeCloseTo(20.07, 1);
    }
  });

  // handbook check value, from memory
  test('80 lb cover is 216 g/m²', () => {
    const typed = withPaperWeight(card, '80 lb cover');
    expect(typed.ok && Math.round(typed.set.grammage!)).toBe(216);
  });

  test('without a size only the paper is known; nothing typed takes it away', () => {
    const typed = withPaperWeight({ ...card, width: null }, '160');
    expect(typed.ok && typed.set).toEqual({ grammage: 160, mass: 1 });
    expect(withPaperWeight(card, ' ')).toEqual({ ok: true, set: { grammage: null } });
  });

  test.each(['heavy', '216 g of card', '9000', '-5', '2 kg'])('“%s” is told off', (text) => {
    const typed = withPaperWeight(card, text);
    expect(typed.ok).toBe(false);
    expect(!typed.ok && typed.reason).toContain(`“${text}”`);
  });
});

describe('heights it never lives at', () => {
  const begin = applied(tinyRoom(), { type: 'addSupplies', supplies: [block({ id: 'reel' })] });
  const with_ = (plan: Plan, part: Parameters<typeof withHeight>[2]): Plan => {
    const command = withHeight(plan, 'reel', part);
    return command ? applied(plan, command) : plan;
  };

  test('are written once, changed one by one, and gone with the last of them', () => {
    let plan = with_(begin, { above: 1500 });
    plan = with_(plan, { below: 400 });
    expect(Object.values(plan.bans)).toHaveLength(1);
    expect(heightBan(plan, 'reel')).toMatchObject({ above: 1500, below: 400, unitId: null });
    plan = with_(plan, { above: null });
    expect(heightBan(plan, 'reel')).toMatchObject({ above: null, below: 400 });
    plan = with_(plan, { below: null });
    expect(Object.values(plan.bans)).toHaveLength(0);
  });

  test('nothing said where nothing was: nothing is done', () =>
    expect(withHeight(begin, 'reel', { above: null })).toBeNull());

  test('a unit it never lives in is another matter', () => {
    const plan = applied(withUnits(begin, unit('lowChest', { id: 'chest' })), {
      type: 'addBan',
      ban: { id: 'no-chest', supplyId: 'reel', unitId: 'chest', above: null, below: null },
    });
    expect(heightBan(plan, 'reel')).toBeUndefined();
    expect(Object.values(with_(plan, { above: 1500 }).bans)).toHaveLength(2);
  });
});

describe('what its season means for it', () => {
  const chest = withUnits(tinyRoom(), unit('lowChest', { id: 'chest', x: 4300, y: 2600, facing: 270 }));
  const having = (months: number[], rests: boolean) => {
    const plan = applied(
      chest,
      { type: 'addSupplies', supplies: [block({ id: 'reel', months })] },
      ...(rests ? [{ ...home('reel', 'chest.1.0'), share: 'resting' } as ReturnType<typeof home>] : []),
    );
    return seasonWords(plan, plan.supplies.reel!);
  };

  test('wanted all the year: nothing rests, and a resting home said all the same may be taken away', () => {
    expect(having([], false)).toEqual({
      seasonal: false,
      rests: false,
      words: 'None pressed: wanted all the year.',
    });
    const said = having([], true);
    expect(said).toMatchObject({ seasonal: false, rests: true });
    expect(said.words).toMatch(
      /^None pressed: wanted all the year\. It is said to rest in .*, and is wanted all the year\.$/,
    );
  });

  test('wanted in some months: where it rests in the others, or that it stays', () => {
    expect(having([4, 5, 6], false)).toEqual({
      seasonal: true,
      rests: false,
      words: 'Out of its season it stays where it is.',
    });
    const resting = having([4, 5, 6], true);
    expect(resting).toMatchObject({ seasonal: true, rests: true });
    expect(resting.words).toMatch(/^In July to March it rests in /);
  });
});
