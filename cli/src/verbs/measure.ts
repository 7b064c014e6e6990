import { MeasureFile, measureFile } from '@heronstone/core/picture';
import { json, jsonOf, type Result, Trouble } from '../input.ts';
import { type Verb } from './verb.ts';

export const measureVerb: Verb = {
  usage: ['measure FILE'],
  flags: [],
  run: measure,
};

/** Lengths in a picture of a plane with something of known size in it. */
function measure(file: string): Result {
  const read = MeasureFile.safeParse(jsonOf(file));
  if (!read.success) {
    const [issue] = read.error.issues;
    throw new Trouble(`${file}: ${issue!.path.join('.') || 'the file'} ${issue!.message}`);
  }
  return { code: 0, out: json(measureFile(read.data)) };
}
