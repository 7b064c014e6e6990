import { useState } from 'react';
import { toast } from 'sonner';
import { type Supply } from '@heronstone/core/plan';
import { sessionGoingOn } from '@heronstone/core/upkeep';
import { jot } from '../../../state/jot.ts';
import { usePlan } from '../../../state/plan-store.ts';
import { Button } from '../../../ui/button.tsx';
import { SupplySearch } from '../SupplySearch.tsx';
import { openSpare, usedUp } from '../taps.ts';

/** Something taken, used up, or whose spare was opened: tapped for the session that goes on, if one does. */
export function Tap() {
  const plan = usePlan((s) => s.plan);
  const [supply, setSupply] = useState<Supply | null>(null);
  const now = new Date().toISOString();
  const going = Object.values(plan.stations).find((s) => sessionGoingOn(plan, s.id, now));
  const at = { stationId: going?.id ?? null, activityId: going?.activityId ?? null };
  return (
    <div>
      {supply ? (
        <div className="flex flex-wrap items-center gap-2 py-1">
          <strong className="font-semibold">{supply.name}</strong>
          {going && <span className="text-soft">at {going.name}</span>}
          <Button
            look="main"
            onClick={() => {
              if (jot({ what: 'fetched', supplyId: supply.id, count: 1, ...at })) toast(`Took ${supply.name}.`);
            }}
          >
            Took it
          </Button>
          <Button onClick={() => usedUp(plan.supplies[supply.id] ?? supply, at) && toast(`${supply.name}: one less.`)}>
            Used one up
          </Button>
          <Button onClick={() => openSpare(plan.supplies[supply.id] ?? supply, at)}>Opened the spare</Button>
          <Button look="quiet" onClick={() => setSupply(null)}>
            Another thing
          </Button>
        </div>
      ) : (
        <SupplySearch label="What was taken or used up?" onChoose={setSupply} />
      )}
    </div>
  );
}
