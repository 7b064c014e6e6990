import { decodeText, readList } from '@heronstone/core/formats';
import { emptyPlan, type Supply } from '@heronstone/core/plan';
import { type Doubt } from '@heronstone/core/lines';
import { bytesOf, json, type Result, Trouble } from '../input.ts';
import { type Verb } from './verb.ts';

export const readListVerb: Verb = {
  usage: ['read-list FILE [--measure metric|imperial]'],
  flags: ['measure'],
  run: (file, { measure }) => list(file, measure),
};

/** A list as it would be taken in: CSV of any headings, or plain lines. Millimetres, grams. */
function list(file: string, measure = 'metric'): Result {
  if (measure !== 'metric' && measure !== 'imperial')
    throw new Trouble(`--measure takes metric or imperial, not “${measure}”`);
  const decoded = decodeText(bytesOf(file));
  if (!decoded.ok) throw new Trouble(`${file}: ${decoded.reason}`);
  let n = 0;
  const read = readList(decoded.text, emptyPlan('list', { measure }), { measure, makeId: () => `supply-${++n}` });
  const asked = (doubts: readonly Doubt[]) => doubts.map(({ why, candidates }) => ({ why, candidates }));
  if (read.what === 'lines') {
    const rows = read.lines.flatMap(({ line, text, read: got }) =>
      got.what === 'supply'
        ? [
            {
              line,
              text,
              supply: got.supply,
              guessed: got.guessed,
              doubts: asked(got.doubts),
              container: got.container,
            },
          ]
        : [],
    );
    const troubles = read.lines.flatMap(({ line, text, read: got }) =>
      got.what === 'nothing'
        ? [{ line, text, reason: got.reason }]
        : got.what === 'containers'
          ? [{ line, text, reason: 'Containers stand in a place: say them on the tour.' }]
          : [],
    );
    return { code: 0, out: json({ what: read.what, rows, troubles }) };
  }
  const { fresh, troubles, activities, kept } = read.reading;
  const columns =
    read.what === 'table'
      ? read.table.headings.map((heading, i) => ({ heading, meaning: read.meanings[i] || null }))
      : undefined;
  const rows = fresh.map(({ line, text, supply, guessed, doubts, uses }) => {
    const bare: Partial<Supply> = { ...supply };
    delete bare.id;
    return { line, text, supply: bare, guessed, doubts: asked(doubts), uses };
  });
  return { code: 0, out: json({ what: read.what, columns, rows, troubles, activities, kept }) };
}
