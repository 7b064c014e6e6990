import { CutFile, cutTogether, drawnOf } from '@heronstone/core/cutting';
import { json, jsonOf, type Result, Trouble } from '../input.ts';
import { type Verb } from './verb.ts';

export const cutVerb: Verb = {
  usage: ['cut FILE'],
  flags: [],
  run: cut,
};

/** Patterns and cuts for a list of pieces out of sheets of one or several papers. */
function cut(file: string): Result {
  const read = CutFile.safeParse(jsonOf(file));
  if (!read.success) {
    const [issue] = read.error.issues;
    throw new Trouble(`${file}: ${issue!.path.join('.') || 'the file'} ${issue!.message}`);
  }
  const { pieces, sheets, kerf, stack } = read.data;
  const jobs = sheets.map((s) => ({
    id: s.id,
    sheet: { width: s.width, depth: s.depth, grain: s.grain },
    caliper: s.caliper,
    wanted: pieces.map((p) => s.wanted[p.id] ?? 0),
  }));
  const unknown = sheets.flatMap((s) => Object.keys(s.wanted).filter((id) => !pieces.some((p) => p.id === id)));
  if (unknown.length > 0) throw new Trouble(`${file}: no piece is called “${unknown[0]}”`);
  const { lists, runs } = cutTogether(jobs, pieces, kerf, stack);
  const names = (counts: readonly number[]) =>
    Object.fromEntries(pieces.flatMap((p, i) => (counts[i]! > 0 ? [[p.id, counts[i]]] : [])));
  return {
    code: 0,
    out: json({
      sheets: [...lists].map(([id, l]) => ({
        id,
        sheets: l.sheets,
        bound: l.bound,
        waste: Math.round(l.waste * 100) / 100,
        tooLarge: l.tooLarge.map((i) => pieces[i]!.id),
      })),
      patterns: runs.map((r) => {
        const { laid, left, strokes } = drawnOf(r.cut, kerf);
        return {
          gives: names(r.counts),
          sheets: Object.fromEntries(r.sheets.map((s) => [s.id, s.count])),
          stacks: r.stacks,
          cuts: strokes,
          pieces: laid.map(({ piece, ...rest }) => ({ piece: pieces[piece]!.id, ...rest })),
          left,
        };
      }),
    }),
  };
}
