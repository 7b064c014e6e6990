import { describe, expect, test } from '@jest/globals';
import { fileName } from './file-name.ts';

describe('names of files', () => {
  test('letters of any language stay, what a disk does not take becomes a hyphen', () => {
    expect(fileName('The pump house', 'plan book', 'pdf')).toBe('The-pump-house-plan-book.pdf');
    expect(fileName('Żółta: pracownia/2', 'map of “A”', 'pdf')).toBe('Żółta-pracownia-2-map-of-A.pdf');
    expect(fileName('../..', 'a4', 'svg')).toBe('a4.svg');
  });
});
