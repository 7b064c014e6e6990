import { useMemo } from 'react';
import { toast } from 'sonner';
import { type Plan } from '@heronstone/core/plan';
import { GUESS_WORTH, loggedUses, usesFromLog } from '@heronstone/core/upkeep';
import { usePlan } from '../../../state/plan-store.ts';
import { Button } from '../../../ui/button.tsx';
import { today } from '../../../ui/words.ts';

export function WhatItSays({ plan }: { plan: Plan }) {
  const dispatch = usePlan((s) => s.dispatch);
  const told = useMemo(() => loggedUses(plan), [plan]);
  const command = useMemo(() => usesFromLog(plan, told), [plan, told]);
  return (
    <section aria-labelledby="log-says">
      <h2 id="log-says" className="font-display text-lg font-semibold">
        What it says of uses
      </h2>
      {told.length === 0 ? (
        <p className="text-soft">
          Once an activity has {GUESS_WORTH} sessions in the log, what was taken in them is weighed with what you
          guessed: the guess is worth {GUESS_WORTH} sessions.
        </p>
      ) : (
        <>
          <table className="mt-1 w-full text-[14px]">
            <thead>
              <tr className="border-b border-line text-left text-soft">
                <th className="py-1 font-normal">fetches a session</th>
                <th className="text-right font-normal">guessed</th>
                <th className="text-right font-normal">logged</th>
                <th className="text-right font-normal">weighed</th>
              </tr>
            </thead>
            <tbody>
              {told.map((u) => (
                <tr key={`${u.activityId} ${u.supply.id}`} className="border-b border-line">
                  <td className="py-1">
                    {u.supply.name}{' '}
                    <span className="text-soft">
                      {plan.activities[u.activityId]?.name}, {u.sessions} sessions
                    </span>
                  </td>
                  <td className="text-right">{u.fetches.guess.toFixed(1)}</td>
                  <td className="text-right">{u.fetches.logged.toFixed(1)}</td>
                  <td className="text-right font-semibold">{u.fetches.weighed.toFixed(1)}</td>
                </tr>
              ))}
            </tbody>
          </table>
          <Button
            className="mt-2"
            look="main"
            disabled={!command}
            onClick={() =>
              command &&
              dispatch(command) &&
              toast(`Uses are as the log has them since ${today()}. Find homes anew at Homes when it pays.`)
            }
          >
            {command ? 'Use the weighed ones' : 'The uses are so already'}
          </Button>
          <p className="mt-1 text-[13px] text-soft">Find homes, and the moves below, then go by them.</p>
        </>
      )}
    </section>
  );
}
