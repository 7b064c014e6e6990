import { useState } from 'react';
import { goesIn } from '@heronstone/core/fit';
import { inMeasure } from '@heronstone/core/lengths';
import { sizeOf } from '@heronstone/core/lines';
import { type Plan } from '@heronstone/core/plan';
import { type SlotRow } from '@heronstone/core/stock';
import { TextField } from '../../../ui/fields/index.ts';

/** A pad with one thickness, when only its face is said, mm (own assumption). */
const USUAL_PAD = 10;

/** “Does this pad go in?”: a size typed as people write it, against the slots of a row. */
export function PadFits({ plan, row }: { plan: Plan; row: SlotRow }) {
  const [text, setText] = useState('');
  const size = text.trim() === '' ? null : sizeOf(text, plan.head.measure);
  const [width, depth, height = USUAL_PAD] = size?.given ?? [];
  const place = row.places[0]!;
  let words = '';
  if (text.trim() !== '') {
    if (width === undefined || depth === undefined) words = 'A size is two or three lengths: 12 1/4 x 12 1/2 x 1/2 in.';
    else {
      const fit = goesIn(place, { width, depth, height }, true);
      const thick = size!.given.length < 3 ? ' (1 cm thick, as nobody said)' : '';
      words = fit.ok
        ? `Yes, ${fit.fits === 1 ? 'one' : fit.fits} in each slot${thick}.`
        : `No: it ${inMeasure(fit.words, plan.head.measure)}${thick}.`;
    }
  }
  return (
    <div className="flex flex-wrap items-end gap-2">
      <TextField
        label="Does this pad go in?"
        placeholder={plan.head.measure === 'metric' ? '31 x 31,5 x 1 cm' : '12 1/4 x 12 1/2 x 1/2'}
        value={text}
        onCommit={setText}
      />
      <p role="status" className="py-1.5 text-[14px]">
        {words}
      </p>
    </div>
  );
}
