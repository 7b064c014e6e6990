import { useMemo, useState } from 'react';
import { dayWords, holdingEntries } from '@heronstone/core/upkeep';
import { jot } from '../../../state/jot.ts';
import { usePlan } from '../../../state/plan-store.ts';
import { Button } from '../../../ui/button.tsx';
import { PaysBack } from '../PaysBack.tsx';
import { Tap } from './Tap.tsx';
import { lineWords } from './line-words.ts';
import { Gathered } from './Gathered.tsx';
import { WhatItSays } from './WhatItSays.tsx';

/** So many lines are shown at once. */
const SHOWN = 40;

/** What happened in the room, and what it says of uses. Lines stay; a mistaken one is struck. */
export default function Log() {
  const plan = usePlan((s) => s.plan);
  const [all, setAll] = useState(false);
  const lines = useMemo(() => [...holdingEntries(plan)].reverse(), [plan]);
  return (
    <div className="grid grid-cols-1 gap-x-8 gap-y-4 lg:grid-cols-[minmax(0,1fr)_30rem]">
      <section aria-label="Log">
        <Tap />
        {lines.length === 0 && (
          <p className="py-3 text-soft">Nothing is logged yet. Begin a session under Today, or tap something above.</p>
        )}
        <ul className="mt-2 divide-y divide-line">
          {lines.slice(0, all ? undefined : SHOWN).map((e) => (
            <li key={e.id} className="flex items-center gap-3 py-1">
              <span className="w-36 shrink-0 text-soft">{dayWords(e.day)}</span>
              <span className="min-w-0 grow">{lineWords(plan, e)}</span>
              <Button
                look="quiet"
                className="text-[13px]"
                aria-label={`Strike it: ${dayWords(e.day)} ${lineWords(plan, e)}`}
                onClick={() => jot({ what: 'struck', strikesId: e.id })}
              >
                Strike it
              </Button>
            </li>
          ))}
        </ul>
        {lines.length > SHOWN && !all && (
          <Button look="quiet" onClick={() => setAll(true)}>
            Show all {lines.length}
          </Button>
        )}
        <Gathered plan={plan} />
      </section>
      <div className="space-y-6">
        <WhatItSays plan={plan} />
        <PaysBack />
      </div>
    </div>
  );
}
