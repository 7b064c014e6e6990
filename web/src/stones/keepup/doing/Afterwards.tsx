import { useEffect, useMemo, useState } from 'react';
import { afterwardsOf, wayAway } from '@heronstone/core/doing';
import { tallyOf } from '@heronstone/core/homes';
import { asOne } from '@heronstone/core/plan';
import { openFindings } from '../../../state/findings.ts';
import { usePlan } from '../../../state/plan-store.ts';
import { Button } from '../../../ui/button.tsx';
import { longWords, today } from '../../../ui/words.ts';
import { afterwardsWords } from './afterwards-words.ts';
import { doingOf } from './use-doing.ts';

/** After it all: what was promised, against what the plan and the log say now. */
export function Afterwards() {
  const plan = usePlan((s) => s.plan);
  const dispatch = usePlan((s) => s.dispatch);
  const doing = doingOf(plan)!;
  const [findings, setFindings] = useState<number | null>(null);
  useEffect(() => {
    let here = true;
    openFindings(plan).then(
      (n) => here && setFindings(n),
      () => {},
    );
    return () => void (here = false);
  }, [plan]);
  const then = useMemo(() => afterwardsOf(plan, today()), [plan]);
  return (
    <section aria-label="Afterwards" className="rounded-xl border border-heron bg-paper p-3">
      <h2 className="font-display text-xl font-semibold">The room is as it was wanted</h2>
      <ul className="my-1 space-y-0.5">
        <li>
          Promised:{' '}
          {doing.promised > 0 ? `${longWords(doing.promised)} a year less` : 'no time, but a home for everything'}; a
          year takes {longWords(tallyOf(plan).year)} now.
        </li>
        <li>
          Findings: {doing.findingsBefore} before, {doing.findingsAfter} promised
          {findings !== null && `, ${findings} now`}.
        </li>
        {afterwardsWords(then).map((words) => (
          <li key={words}>{words}</li>
        ))}
      </ul>
      <Button onClick={() => dispatch(asOne('put the way away', wayAway(plan)))}>Put the way away</Button>
    </section>
  );
}
