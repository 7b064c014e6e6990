import { useEffect, useState } from 'react';
import { wayAway } from '@heronstone/core/doing';
import { tallyOf } from '@heronstone/core/homes';
import { asOne } from '@heronstone/core/plan';
import { daysBetween } from '@heronstone/core/upkeep';
import { openFindings } from '../../../state/findings.ts';
import { usePlan } from '../../../state/plan-store.ts';
import { Button } from '../../../ui/button.tsx';
import { countWords, longWords, today } from '../../../ui/words.ts';
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
  const done =
    Object.values(plan.jobs)
      .flatMap((j) => (j.doneOn ? [j.doneOn] : []))
      .sort()
      .at(-1) ?? today();
  const weeks = daysBetween(done, today()) / 7;
  const sessions = Object.values(plan.diary).filter((d) => d.what === 'began' && d.at.slice(0, 10) > done).length;
  const expected =
    (Object.values(plan.stations).reduce((sum, s) => {
      const a = plan.activities[s.activityId];
      return sum + (a ? (a.sessionsPerMonth * a.months.length) / 12 : 0);
    }, 0) *
      12 *
      weeks) /
    52;
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
        <li>
          {weeks < 4
            ? `In four weeks, and again in twelve, the log says how much of it has come true; so far ${countWords(sessions, 'session', 'sessions')}.`
            : expected > 0 && doing.promised > 0
              ? `The log has ${countWords(sessions, 'session', 'sessions')} in ${Math.round(weeks)} weeks where ${Math.round(expected)} were reckoned: ${longWords((doing.promised * weeks * sessions) / (52 * expected))} saved so far.`
              : `The log has ${countWords(sessions, 'session', 'sessions')} in ${Math.round(weeks)} weeks.`}
        </li>
      </ul>
      <Button onClick={() => dispatch(asOne('put the way away', wayAway(plan)))}>Put the way away</Button>
    </section>
  );
}
