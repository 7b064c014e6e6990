import { describe, expect, test } from '@jest/globals';
import { type Command } from '@heronstone/core/plan';
import { notTheirs, roleOf, type Told } from '../../state/access.ts';
import { deviceWords } from './device-words.ts';
import { limitWords, roleWords } from './role-words.ts';

const told = (role: 'keeper' | 'helper' | 'guest'): Told => ({
  guild: true,
  fromHouse: true,
  known: true,
  addresses: [],
  secure: true,
  role,
});
const count: Command = { type: 'countSupply', id: 'a', by: { working: -1 } };
const rename: Command = { type: 'setPlan', set: { name: 'Other' } };
const carry: Command = { type: 'assignHome', supplyId: 'a', share: 'working', placeId: 'p', since: '2026-11-30' };
const tick: Command = { type: 'setJob', id: 'j', set: { state: 'done' } };
const several = (...commands: Command[]): Command => ({ type: 'several', words: 'x', commands: commands as never });

describe('what somebody in a household may do', () => {
  test('on the machine itself and in a house everything; keepers everything; helpers what helps; guests nothing', () => {
    expect([roleOf(null), roleOf({ ...told('guest'), role: undefined } as unknown as Told)]).toEqual([
      'keeper',
      'keeper',
    ]);
    for (const command of [count, rename, carry]) {
      expect(notTheirs(null, command)).toBeNull();
      expect(notTheirs(told('keeper'), command)).toBeNull();
      expect(notTheirs(told('guest'), command)).toMatch(/guests look/);
    }
    expect(notTheirs(told('helper'), count)).toBeNull();
    expect(notTheirs(told('helper'), rename)).toMatch(/Ask a keeper/);
  });

  test('carrying is a helper’s where it ticks a job, and nowhere else; nothing is smuggled in with it', () => {
    const helper = (command: Command) => notTheirs(told('helper'), command) === null;
    expect(helper(carry)).toBe(false);
    expect(helper(several(carry, carry))).toBe(false);
    expect(helper(several(carry, tick))).toBe(true);
    expect(helper(several(carry, tick, rename))).toBe(false);
    expect(helper(several(count, count))).toBe(true);
  });

  test('each role is said in a sentence', () => {
    for (const role of ['keeper', 'helper', 'guest'] as const) expect(roleWords(role)).toMatch(/^[A-Z].*\.$/);
  });
});

describe('limits are said before they bite', () => {
  test.each([
    [0, 200, null],
    [159, 200, null],
    [160, 200, /160 of 200 plans: nearly all/],
    [200, 200, /no room for more plans: 200 of 200/],
    [0, 0, /no room/],
  ])('%i of %i', (now, most, words) => {
    const said = limitWords('plans', now, most);
    if (words === null) expect(said).toBeNull();
    else expect(said).toMatch(words);
  });
});

describe('devices by what their browser says of itself', () => {
  // forms of the header as browsers send it, common practice
  test.each([
    ['Mozilla/5.0 (X11; x86_64)', 'a computer'],
    ['Mozilla/5.0 (Something; Mobile) Mobi/1', 'a phone'],
    ['Mozilla/5.0 (Something; Tablet; rv:1.0)', 'a tablet'],
    ['curl/8.0', 'curl/8.0'],
    ['', 'an unknown device'],
  ])('%s', (said, words) => expect(deviceWords(said)).toBe(words));
});
