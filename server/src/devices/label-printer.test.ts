import { describe, expect, test } from '@jest/globals';
import { labelLength, LabelPrinter, REEL } from './label-printer.ts';

const job = (name: string) => ({ ref: name, lines: [name], code: null });
const states = (p: LabelPrinter) => p.status().jobs.map((j) => `${j.ref} ${j.state}`);

describe('the label printer that stands in', () => {
  test('prints one after the other, each in its time, and uses up tape by their length', () => {
    let now = 0;
    const printer = new LabelPrinter(() => now);
    printer.send([job('one'), job('three longer')]);
    expect(states(printer)).toEqual(['one printing', 'three longer waiting']);
    const time = (words: string) => (labelLength(job(words)) / 20 + 0.6) * 1000;
    now = time('one') + 1;
    expect(states(printer)).toEqual(['one printed', 'three longer printing']);
    now = time('one') + time('three longer') - 1;
    expect(states(printer)[1]).toBe('three longer printing');
    now += 1;
    expect(states(printer)[1]).toBe('three longer printed');
    expect(printer.status().tape).toBe(REEL - labelLength(job('one')) - labelLength(job('three longer')));
  });

  test('a jam spoils the one being printed, which comes again; the others wait; off and on likewise', () => {
    let now = 0;
    const printer = new LabelPrinter(() => now);
    printer.send([job('one'), job('two')]);
    expect(printer.act('jam').trouble).toBe('jam');
    now = 60_000;
    expect(states(printer)).toEqual(['one spoilt', 'one waiting', 'two waiting']);
    expect(printer.act('on').trouble).toBe('jam');
    expect(printer.act('clear').trouble).toBeNull();
    expect(states(printer)).toEqual(['one spoilt', 'one printing', 'two waiting']);
    now = 120_000;
    expect(states(printer)).toEqual(['one spoilt', 'one printed', 'two printed']);
    expect(printer.act('off').trouble).toBe('off');
    printer.send([job('three')]);
    expect(states(printer).at(-1)).toBe('three waiting');
    expect(printer.act('on').trouble).toBeNull();
    expect(states(printer).at(-1)).toBe('three printing');
  });

  test('out of tape it stops before a label it could not finish; what waits can be taken back', () => {
    let now = 0;
    const printer = new LabelPrinter(() => now);
    const long = 'x'.repeat(100);
    const each = labelLength(job(long));
    const most = Math.floor(REEL / each);
    printer.send(Array.from({ length: most + 2 }, () => job(long)));
    now = 1e7;
    expect(printer.status()).toMatchObject({ trouble: 'outOfTape', tape: REEL - most * each });
    expect(states(printer).filter((s) => s.endsWith('printed'))).toHaveLength(most);
    const [waiting] = printer.status().jobs.filter((j) => j.state === 'waiting');
    expect(printer.cancel(waiting!.id).jobs.filter((j) => j.state === 'waiting')).toHaveLength(1);
    expect(printer.act('tape')).toMatchObject({ trouble: null });
    expect(printer.cancel(null).jobs.filter((j) => j.state === 'waiting')).toHaveLength(0);
  });
});
