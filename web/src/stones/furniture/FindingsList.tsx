import { Check, RotateCcw, TriangleAlert } from 'lucide-react';
import { memo, useState } from 'react';
import { CHECKS, type Finding, FIRST } from '@heronstone/core/findings';
import { useFindingsTrouble } from '../../state/findings.ts';
import { inMeasure } from '@heronstone/core/lengths';
import { usePlan } from '../../state/plan-store.ts';
import { Button } from '../../ui/button.tsx';
import { countWords, today } from '../../ui/words.ts';
import { useRoving } from '../../ui/roving.ts';

/** Everything that is not as it should be, in one list; the chosen one shows its source, its care line, and can be acknowledged. */
export const FindingsList = memo(function FindingsList({
  findings,
  chosen,
  onChoose,
}: {
  findings: Finding[] | null;
  chosen: string | null;
  onChoose: (finding: Finding | null) => void;
}) {
  const trouble = useFindingsTrouble((s) => s.words);
  const open = findings?.filter((f) => !f.acknowledged) ?? [];
  const done = findings?.filter((f) => f.acknowledged) ?? [];
  const roving = useRoving<HTMLUListElement>();
  return (
    <section aria-label="Findings" className="flex min-h-0 flex-col">
      <h2 className="flex items-baseline justify-between border-b border-line pb-1">
        <span className="font-display text-lg font-semibold">Findings</span>
        <span className="text-[13px] text-soft" role="status">
          {findings === null
            ? trouble
              ? 'not checked'
              : 'looking …'
            : `${open.length} open${done.length ? `, ${countWords(done.length, 'left as it is', 'left as they are')}` : ''}`}
        </span>
      </h2>
      {trouble && (
        <p role="alert" className="py-2 text-clash">
          The plan could not be checked just now: {trouble}. It is tried again with your next change.
        </p>
      )}
      {findings?.length === 0 && (
        <p className="py-3 text-soft">Nothing found: everything opens, passes and holds as far as the plan tells.</p>
      )}
      <ul
        className="min-h-0 grow space-y-1 overflow-auto py-1"
        aria-label="All findings"
        ref={roving.ref}
        onKeyDown={roving.onKeyDown}
      >
        {findings?.map((f) => (
          <li
            key={f.key}
            className={`rounded-xl border px-2 py-1 ${f.key === chosen ? 'border-clash bg-paper' : 'border-transparent hover:border-line'}`}
          >
            <button
              data-row
              type="button"
              aria-expanded={f.key === chosen}
              className="block w-full text-left"
              onClick={() => onChoose(f.key === chosen ? null : f)}
            >
              <span
                className={`flex items-center gap-1 text-[13px] font-semibold ${f.acknowledged ? 'text-soft' : 'text-clash'}`}
              >
                {CHECKS[f.check].care && !f.acknowledged && (
                  <TriangleAlert size={14} aria-label="somebody can be hurt" />
                )}
                {f.acknowledged && <Check size={14} aria-hidden />}
                {CHECKS[f.check].title}
              </span>
              <span className={`block leading-snug ${f.acknowledged ? 'text-soft' : ''}`}>{f.words}</span>
              {f.acknowledged && (
                <span className="block text-[13px] text-soft">
                  left as it is since {f.acknowledged.since}: {f.acknowledged.reason}
                </span>
              )}
            </button>
            {f.key === chosen && <More finding={f} />}
          </li>
        ))}
      </ul>
    </section>
  );
});

function More({ finding }: { finding: Finding }) {
  const dispatch = usePlan((s) => s.dispatch);
  const [reason, setReason] = useState('');
  const measure = usePlan((s) => s.plan.head.measure);
  const { source, care } = CHECKS[finding.check];
  return (
    <div className="mt-1 border-t border-line pt-1 text-[13px]">
      <p className="text-soft">Limit: {inMeasure(source, measure)}.</p>
      {care && (
        <p>
          {inMeasure(care, measure)} {FIRST}
        </p>
      )}
      {finding.acknowledged ? (
        <Button className="mt-1" onClick={() => dispatch({ type: 'reopen', id: finding.key })}>
          <RotateCcw size={14} aria-hidden /> Look at it again
        </Button>
      ) : (
        <form
          className="mt-1 flex gap-1"
          onSubmit={(e) => {
            e.preventDefault();
            dispatch({
              type: 'acknowledge',
              acknowledgement: { id: finding.key, reason: reason.trim(), since: today() },
            });
          }}
        >
          <input
            aria-label="Why it stays as it is"
            placeholder="Why it stays as it is"
            className="min-h-8 min-w-0 grow rounded-md border border-edge bg-ground px-2"
            value={reason}
            onChange={(e) => setReason(e.target.value)}
          />
          <Button type="submit" disabled={reason.trim().length < 3}>
            Leave it so
          </Button>
        </form>
      )}
    </div>
  );
}
