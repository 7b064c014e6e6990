import { expect, test } from '@jest/globals';
import { keyOf, keyPressed } from './family-keys.ts';

test('one key a family, as many as there are keys; other keys are of none', () => {
  expect([keyOf(0), keyOf(8), keyOf(9), keyOf(34), keyOf(35)]).toEqual(['1', '9', 'a', 'z', '']);
  for (let i = 0; i < 35; i++) expect(keyPressed(keyOf(i), 35)).toBe(i);
  expect(keyPressed('B', 35)).toBe(10);
  expect(keyPressed('4', 3)).toBeNull();
  for (const key of ['', 'Enter', '0', '/', 'é']) expect(keyPressed(key, 35)).toBeNull();
});
