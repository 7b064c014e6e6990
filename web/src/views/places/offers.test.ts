import { describe, expect, test } from '@jest/globals';
import { applied, block, tinyRoom, unit, use, withUnits } from '@heronstone/core/testing';
import { holderOf, fitOf } from '@heronstone/core/fit';
import { refitAround } from '@heronstone/core/homes';
import { bestPlaces, dropWords, refitWords, roomWords } from './offers.ts';

const wide = block({ id: 'wide', name: 'Frame', width: 500, depth: 300, height: 100, lies: ['flat'] });
const plan = applied(
  withUnits(tinyRoom(), unit('lowChest', { x: 3900, y: 3600 }), unit('bookcase', { x: 700, y: 5800, depth: 340 })),
  { type: 'addSupplies', supplies: [wide, { ...wide, id: 'other', name: 'Tray' }] },
  { type: 'addUse', use: use('wide', 5) },
  { type: 'assignHome', supplyId: 'other', share: 'working', placeId: 'lowChest.0.0', since: '2026-05-05' },
  { type: 'assignHome', supplyId: 'wide', share: 'working', placeId: 'bookcase.1.0', since: '2026-05-05' },
);
const supply = plan.supplies.wide!;

describe('before letting go', () => {
  test('says band, seconds, the year, what changes against today’s home, and the room', () => {
    expect(dropWords(plan, supply, 'working', 'lowChest.1.0')).toMatch(
      /^\w+ · \d+\.\d s a fetch · .* a year, .* a year less · \d+ % full then$/,
    );
    expect(dropWords(plan, supply, 'working', 'lowChest.0.0')).toMatch(/no room (beside what is there|then for Tray)$/);
    expect(refitWords(plan, refitAround(plan, supply, 'working', 'lowChest.0.0', '2026-05-05'))).toMatch(
      /^; room if Tray goes to .*, .* a year (less|more) in all$/,
    );
  });
  test('says why it does not go in or nobody gets there', () => {
    expect(roomWords(plan, plan.places['lowChest.0.0']!, { ...supply, height: 400 }, 'working')).toEqual({
      ok: false,
      words: expect.stringMatching(/needs \d+ mm more/),
    });
    const knees = applied(plan, { type: 'setPerson', id: 'maker', set: { mayKneel: false } });
    expect(dropWords(knees, knees.supplies.wide!, 'working', 'bookcase.5.0')).toMatch(
      /Out of reach for The maker: it needs kneeling/,
    );
  });
  test('best places: with room before without, then the cheapest first', () => {
    const offers = bestPlaces(plan, supply, 'working', 20);
    expect(offers[0]!.place.unitId).toBe('lowChest');
    const withRoom = offers.filter((o) => o.room.ok);
    expect(offers.slice(0, withRoom.length)).toEqual(withRoom);
    for (let i = 1; i < withRoom.length; i++)
      expect(withRoom[i]!.seconds).toBeGreaterThanOrEqual(withRoom[i - 1]!.seconds);
    expect(offers.find((o) => o.place.id === 'lowChest.0.0')!.room.ok).toBe(false);
    // where it lives now is said too, however far down it comes
    expect(bestPlaces(plan, supply, 'working', 1).map((o) => o.place.id)).toEqual([
      offers[0]!.place.id,
      'bookcase.1.0',
    ]);
    // no place that it does not go into is ever offered
    const high = { ...supply, height: 900 };
    const fits = Object.values(plan.places).filter((p) => fitOf(holderOf(p), high, 1).ok);
    expect(bestPlaces({ ...plan, supplies: { ...plan.supplies, wide: high } }, high, 'working', 50)).toHaveLength(
      fits.length,
    );
  });
});
