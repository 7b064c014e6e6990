import { Check, ChevronDown, ChevronRight, RotateCcw, TriangleAlert } from 'lucide-react';
import { memo, useState } from 'react';
import {
  ALIKE,
  type CheckName,
  CHECKS,
  type Finding,
  type FindingGroup,
  type FindingLine,
  FIRST,
  groupedFindings,
  type GroupedFindings,
} from '@heronstone/core/findings';
import { useFindingsTrouble } from '../../state/findings.ts';
import { inMeasure } from '@heronstone/core/lengths';
import { usePlan } from '../../state/plan-store.ts';
import { Button } from '../../ui/button.tsx';
import { countWords, today } from '../../ui/words.ts';
import { useRoving } from '../../ui/roving.ts';

/** Everything that is not as it should be, in groups by what it can do to one, alike ones in one line; the chosen one shows its source, its care line, and can be acknowledged. */
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
        className="min-h-0 grow space-y-2 overflow-auto py-1"
        aria-label="All findings"
        ref={roving.ref}
        onKeyDown={roving.onKeyDown}
      >
        {groupedFindings(findings ?? []).map((g) => (
          <Group key={g.group} {...g} chosen={chosen} onChoose={onChoose} />
        ))}
      </ul>
    </section>
  );
});

/** What only could be better, and what is left as it is, waits folded. */
const FOLDED: readonly FindingGroup[] = ['better', 'left'];

type Choosing = { chosen: string | null; onChoose: (finding: Finding | null) => void };

function Group({ group, title, count, lines, chosen, onChoose }: GroupedFindings & Choosing) {
  const [shown, setShown] = useState(!FOLDED.includes(group));
  const holds = lines.some((l) => l.findings.some((f) => f.key === chosen));
  const open = shown || holds;
  return (
    <li>
      <h3>
        <button
          type="button"
          aria-expanded={open}
          className="flex min-h-7 w-full items-center gap-1 text-left text-[14px] font-semibold hover:text-heron"
          onClick={() => setShown(!open)}
        >
          {open ? <ChevronDown size={15} aria-hidden /> : <ChevronRight size={15} aria-hidden />}
          {title} <span className="font-normal text-soft">({count})</span>
        </button>
      </h3>
      {open && (
        <ul aria-label={title} className="space-y-1">
          {lines.map((line) =>
            line.findings.length < ALIKE ? (
              line.findings.map((f) => <Row key={f.key} finding={f} chosen={chosen} onChoose={onChoose} />)
            ) : (
              <Line key={line.check} {...line} chosen={chosen} onChoose={onChoose} />
            ),
          )}
        </ul>
      )}
    </li>
  );
}

/** Many findings of one check: one line, and each of them when it is pressed. */
function Line({ check, findings, chosen, onChoose }: FindingLine & Choosing) {
  const [shown, setShown] = useState(false);
  const open = shown || findings.some((f) => f.key === chosen);
  return (
    <li className="rounded-xl border border-transparent hover:border-line">
      <button
        type="button"
        aria-expanded={open}
        className="block w-full px-2 py-1 text-left"
        onClick={() => setShown(!open)}
      >
        <Title check={check} left={findings.every((f) => f.acknowledged)} />
        <span className="block leading-snug">
          {findings.length} times{open ? '.' : `: ${findings[0]!.words}`}
        </span>
      </button>
      {open && (
        <ul aria-label={CHECKS[check].title} className="space-y-1 pl-2">
          {findings.map((f) => (
            <Row key={f.key} finding={f} chosen={chosen} onChoose={onChoose} />
          ))}
        </ul>
      )}
    </li>
  );
}

function Title({ check, left }: { check: CheckName; left: boolean }) {
  return (
    <span className={`flex items-center gap-1 text-[13px] font-semibold ${left ? 'text-soft' : 'text-clash'}`}>
      {CHECKS[check].care && !left && <TriangleAlert size={14} aria-label="somebody can be hurt" />}
      {left && <Check size={14} aria-hidden />}
      {CHECKS[check].title}
    </span>
  );
}

function Row({ finding: f, chosen, onChoose }: { finding: Finding } & Choosing) {
  return (
    <li
      className={`rounded-xl border px-2 py-1 ${f.key === chosen ? 'border-clash bg-paper' : 'border-transparent hover:border-line'}`}
    >
      <button
        data-row
        type="button"
        aria-expanded={f.key === chosen}
        className="block w-full text-left"
        onClick={() => onChoose(f.key === chosen ? null : f)}
      >
        <Title check={f.check} left={f.acknowledged !== null} />
        <span className={`block leading-snug ${f.acknowledged ? 'text-soft' : ''}`}>{f.words}</span>
        {f.acknowledged && (
          <span className="block text-[13px] text-soft">
            left as it is since {f.acknowledged.since}: {f.acknowledged.reason}
          </span>
        )}
      </button>
      {f.key === chosen && <More finding={f} />}
    </li>
  );
}

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
