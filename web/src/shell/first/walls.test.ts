import { describe, expect, test } from '@jest/globals';
import { readWalls } from './walls.ts';

describe('four walls as they are typed', () => {
  test('nothing typed is no room yet; two that meet stand for those across; four are four', () => {
    expect(readWalls(['', ' ', '', ''], 'metric')).toEqual({ ok: true, lengths: [] });
    expect(readWalls(['410', '3.2 m', '', ''], 'metric')).toEqual({ ok: true, lengths: [4100, 3200, 4100, 3200] });
    expect(readWalls(['', '320', '410', ''], 'metric')).toEqual({ ok: true, lengths: [4100, 3200, 4100, 3200] });
    expect(readWalls(['410', '320', '412', '320'], 'metric')).toEqual({ ok: true, lengths: [4100, 3200, 4120, 3200] });
    expect(readWalls(["10' 6", '13 ft', '', ''], 'imperial')).toMatchObject({ ok: true });
  });
  test('what is no length, nothing, or longer than a house is told, with the wall', () => {
    expect(readWalls(['410', 'wide', '', ''], 'metric')).toMatchObject({
      ok: false,
      reason: expect.stringMatching(/^Wall 2: /),
    });
    expect(readWalls(['410', '0', '', ''], 'metric')).toMatchObject({ ok: false });
    expect(readWalls(['410', '90 m', '', ''], 'metric')).toMatchObject({ ok: false });
    expect(readWalls(['410', '', '', ''], 'metric')).toMatchObject({
      ok: false,
      reason: expect.stringMatching(/^Two walls/),
    });
    expect(readWalls(['410', '', '400', ''], 'metric')).toMatchObject({ ok: false });
  });
});
