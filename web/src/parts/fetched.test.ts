import { describe, expect, test } from '@jest/globals';
import { fetched, PartMissing } from './fetched.ts';

describe('a part of the app', () => {
  test('that does not come is asked for again; when it comes it is there', async () => {
    let times = 0;
    const load = async () => {
      if (++times < 3) throw new TypeError('Failed to fetch dynamically imported module');
      return 'the part';
    };
    expect(await fetched(load, [0, 0])).toBe('the part');
    expect(times).toBe(3);
  });

  test('that never comes is said to be missing, in plain words', async () => {
    let times = 0;
    const load = () => {
      times++;
      return Promise.reject(new TypeError('Failed to fetch'));
    };
    await expect(fetched(load, [0, 0])).rejects.toThrow(PartMissing);
    await expect(fetched(load, [])).rejects.toThrow(/could not be fetched: the server does not answer/);
    expect(times).toBe(4);
  });
});
