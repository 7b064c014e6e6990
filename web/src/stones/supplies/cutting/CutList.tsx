import { Check, Printer } from 'lucide-react';
import { useMemo, useState } from 'react';
import { toast } from 'sonner';
import { drawnOf } from '@heronstone/core/cutting';
import { formatLength } from '@heronstone/core/lengths';
import { type Plan } from '@heronstone/core/plan';
import { cutAhead, cutCommand, type WantedPiece } from '@heronstone/core/stock';
import { usePlan } from '../../../state/plan-store.ts';
import { Button } from '../../../ui/button.tsx';
import { printPart } from '../../../ui/print.ts';
import { CheckField, NumberField } from '../../../ui/fields/index.ts';
import { countWords } from '../../../ui/words.ts';
import { PatternDrawing } from './PatternDrawing.tsx';

/** What is to be cut now: patterns, drawn, in stacks as high as the cutter takes, the cuts numbered in their order. */
export function CutList({
  plan,
  list: asked,
  onDone,
}: {
  plan: Plan;
  list: readonly WantedPiece[];
  onDone: () => void;
}) {
  const dispatch = usePlan((s) => s.dispatch);
  const [stack, setStack] = useState(1);
  const [filed, setFiled] = useState(true);
  const work = useMemo(() => cutAhead(plan, asked, stack), [plan, asked, stack]);
  if (asked.length === 0) return null;
  const { scraps, kinds, papers, rolls, lists, runs, extra, rests } = work;
  const restCount = rests.reduce((sum, r) => sum + r.count, 0);
  const more = asked.flatMap(({ piece }) =>
    extra.has(piece.id) ? [`${extra.get(piece.id)} ${piece.name} of ${plan.supplies[piece.supplyId]!.name}`] : [],
  );
  const { measure } = plan.head;
  const strokes = runs.reduce((sum, r) => sum + r.strokes, 0);
  const short = papers.filter((p) => p.working + p.backstock < lists.get(p.id)!.sheets);
  const large = papers.flatMap((p) => lists.get(p.id)!.tooLarge.map((i) => `${kinds[i]!.name} out of ${p.name}`));
  const scant = rolls.flatMap(({ supply, wanted, off }) =>
    kinds.flatMap((k, i) =>
      off.counts[i]! < wanted[i]! ? [`${off.counts[i]} of ${wanted[i]} ${k.name} out of ${supply.name}`] : [],
    ),
  );
  const sheets = papers.reduce((sum, p) => sum + lists.get(p.id)!.sheets, 0);
  const bound = papers.reduce((sum, p) => sum + lists.get(p.id)!.bound, 0);
  const done = () => {
    if (dispatch(cutCommand(plan, asked, work, filed))) {
      toast.success(
        `Cut: pieces counted, sheets taken off${filed && restCount > 0 ? ', what is left over filed' : ''}.`,
      );
      onDone();
    }
  };
  return (
    <section aria-label="Cut list" data-print-part="cuts">
      <div className="mb-1 flex flex-wrap items-end gap-2">
        <h2 className="mr-2 font-display text-lg font-semibold">Cut list</h2>
        <p className="grow self-center">
          {sheets > 0 &&
            `${countWords(sheets, 'sheet', 'sheets')}${sheets > bound ? ` (${bound} at least)` : ', which is the fewest there can be'}, ${countWords(strokes, 'cut', 'cuts')}`}
        </p>
        <NumberField
          className="w-28"
          label="the cutter takes"
          unit="mm"
          min={0.1}
          max={50}
          value={stack}
          onCommit={setStack}
        />
        <Button onClick={() => printPart('cuts')}>
          <Printer size={15} aria-hidden /> Print
        </Button>
        <Button look="main" onClick={done}>
          <Check size={16} aria-hidden /> It is cut
        </Button>
      </div>
      {more.length > 0 && <p className="text-soft">The last sheets give more than was asked for: {more.join(', ')}.</p>}
      {restCount > 0 && (
        <div data-print-part="none">
          <CheckField
            label={`file ${countWords(restCount, 'piece left over', 'pieces left over')} among the scraps: something that is kept cut comes out of ${restCount === 1 ? 'it' : 'them'}`}
            checked={filed}
            onCommit={setFiled}
          />
        </div>
      )}
      {scraps.length > 0 && (
        <p>
          Out of scraps first:{' '}
          {scraps
            .map(
              ({ piece, scrap, count }) =>
                `${count} ${piece.name} of ${plan.supplies[piece.supplyId]!.name} from ${formatLength(scrap.width, measure)} × ${formatLength(scrap.depth, measure)}`,
            )
            .join('; ')}
          .
        </p>
      )}
      {short.length > 0 && (
        <p className="text-clash">
          Not so many sheets are there of{' '}
          {short.map((p) => `${p.name} (${p.working + p.backstock} of ${lists.get(p.id)!.sheets})`).join(', ')}.
        </p>
      )}
      {scant.length > 0 && <p className="text-clash">The length that is left is not enough: {scant.join(', ')}.</p>}
      {large.length > 0 && <p className="text-clash">Too large for the sheet: {large.join(', ')}.</p>}
      <ol className="grid grid-cols-1 gap-4 sm:grid-cols-2 xl:grid-cols-3">
        {rolls.map(({ supply, off }) =>
          off.cut ? (
            <li key={supply.id} className="break-inside-avoid">
              <PatternDrawing cut={off.cut} counts={off.counts} colour={supply.colour} kinds={kinds} />
              <p className="text-[14px]">
                {supply.name}
                <span className="block text-soft">
                  {formatLength(off.used, measure)} of the {formatLength(supply.openLength!, measure)} that are left,{' '}
                  {formatLength(off.bound, measure)} at least
                </span>
              </p>
            </li>
          ) : null,
        )}
        {runs.map((run, i) => (
          <li key={i} className="break-inside-avoid">
            <PatternDrawing
              cut={run.cut}
              counts={run.counts}
              colour={plan.supplies[run.sheets[0]!.id]!.colour}
              kinds={kinds}
            />
            <p className="text-[14px]">
              {run.sheets.map((s) => `${s.count} × ${plan.supplies[s.id]!.name}`).join(', ')}
              <span className="block text-soft">
                {run.stacks === 1 ? 'in one stack' : `in ${run.stacks} stacks`} ·{' '}
                {kinds.flatMap((k, n) => (run.counts[n]! > 0 ? [`${run.counts[n]} ${k.name}`] : [])).join(', ')} a sheet
              </span>
            </p>
            <p className="text-[13px] text-soft">
              {drawnOf(run.cut)
                .strokes.map((s, n) => `${n + 1}: ${formatLength(s.at, measure)}`)
                .join(' · ')}{' '}
              from the edge
            </p>
          </li>
        ))}
      </ol>
    </section>
  );
}
