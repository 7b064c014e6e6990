import { describe, expect, test } from '@jest/globals';
import { fitting } from './place-label.ts';

describe('names in places', () => {
  test('the longest that goes in; none where the place is too low or too narrow', () => {
    const ways = ['Adhesives and tapes', 'Adhesives …'];
    expect(fitting(ways, 200, 20)).toBe('Adhesives and tapes');
    expect(fitting(ways, 80, 20)).toBe('Adhesives …');
    expect(fitting(ways, 40, 20)).toBeNull();
    expect(fitting(ways, 200, 8)).toBeNull();
  });
});
