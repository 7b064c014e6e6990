import { describe, expect, test } from '@jest/globals';
import { type PrinterStatus } from '../../../state/api.ts';
import { printerWords, waitingIn } from './printer-words.ts';

const status = (trouble: PrinterStatus['trouble'], ...states: PrinterStatus['jobs'][number]['state'][]) =>
  ({ trouble, jobs: states.map((state, i) => ({ ref: `${i}`, state })) }) as unknown as PrinterStatus;

describe('what the label printer says of itself', () => {
  test('what is printing has yet to come out, what is out or taken back has not', () => {
    expect(waitingIn(null)).toBe(0);
    expect(waitingIn(status(null, 'waiting', 'printing', 'printed'))).toBe(2);
  });
  test.each([
    [null, 'The printer does not answer.'],
    [status(null), /stand-in.*ready/],
    [status(null, 'printed'), /ready/],
    [status(null, 'printing'), 'It prints; 1 label to go.'],
    [status(null, 'printing', 'waiting'), 'It prints; 2 labels to go.'],
    [status('off'), 'The printer is off.'],
    [status('outOfTape', 'waiting', 'waiting'), 'The tape is at its end: put in another reel. 2 labels wait.'],
    [status('jam', 'printing'), /jammed.* 1 label waits\.$/],
  ])('%#', (told, words) => expect(printerWords(told)).toMatch(words));
});
