import { useEffect, useRef } from 'react';
import { type Plan } from '@heronstone/core/plan';
import { zonable } from '@heronstone/core/zones';
import { Button } from '../../../ui/button.tsx';
import { type ZonesFound } from '../../../workers/zones.worker.ts';
import { costWords } from './zone-words.ts';

/** Zones as they would be: seen on the floor before anything is kept. */
export function Offer({
  plan,
  found,
  onKeep,
  onLeave,
}: {
  plan: Plan;
  found: ZonesFound;
  onKeep: () => void;
  onLeave: () => void;
}) {
  const nameOf = (p: Plan, id: string) => p.zones[p.units[id]?.zoneId ?? '']?.name ?? 'everybody';
  const others = zonable(plan).filter((id) => plan.units[id]!.zoneId !== found.plan.units[id]!.zoneId);
  const heading = useRef<HTMLHeadingElement>(null);
  useEffect(() => heading.current?.focus(), []);
  return (
    <section aria-label="Zones for you" className="basis-full rounded-xl border border-heron px-3 py-2">
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
        <h2 ref={heading} tabIndex={-1} className="font-semibold">
          {others.length === 1
            ? 'One unit would be kept for others'
            : `${others.length} units would be kept for others`}
        </h2>
        <span className="grow text-[14px] text-soft">{costWords(found)}</span>
        <Button look="main" onClick={onKeep}>
          Keep these zones
        </Button>
        <Button look="quiet" onClick={onLeave}>
          Leave them as they are
        </Button>
      </div>
      <ul className="mt-1 flex max-h-28 flex-wrap gap-x-5 gap-y-0.5 overflow-auto text-[14px]">
        {others.map((id) => (
          <li key={id}>
            {plan.units[id]!.name}: <s className="text-soft">{nameOf(plan, id)}</s> {nameOf(found.plan, id)}
          </li>
        ))}
      </ul>
    </section>
  );
}
