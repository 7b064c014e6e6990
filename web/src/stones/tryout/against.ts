import { useEffect, useMemo, useState } from 'react';
import { type Plan, type Station } from '@heronstone/core/plan';
import { getPlan, listPlans, type PlanSummary } from '../../state/api.ts';

/** The plans there are besides this one. */
export function useOtherPlans(planId: string): readonly PlanSummary[] {
  const [plans, setPlans] = useState<readonly PlanSummary[]>([]);
  useEffect(() => {
    let here = true;
    listPlans()
      .then((all) => here && setPlans(all.filter((p) => p.id !== planId && p.keptUntil === null)))
      .catch(() => undefined);
    return () => void (here = false);
  }, [planId]);
  return plans;
}

/** What a run is set beside: another plan, or this one with somebody else at the seat. */
export type Other = { plan: Plan; name: string };

/** What the address names to be set beside (`plan ID`, `person ID`); null: nothing, or it is not there (yet). */
export function useOther(plan: Plan, station: Station, against: string): Other | null {
  const [got, setGot] = useState<Plan | null>(null);
  const [what, id = ''] = against.split(' ') as [string, string?];
  useEffect(() => {
    if (what !== 'plan') return;
    let here = true;
    getPlan(id)
      .then((answer) => here && setGot(answer.plan))
      .catch(() => here && setGot(null));
    return () => void (here = false);
  }, [what, id]);
  return useMemo(() => {
    if (what === 'plan') return got?.id === id ? { plan: got, name: got.head.name } : null;
    const person = what === 'person' ? plan.people[id] : undefined;
    if (!person) return null;
    const stations = { ...plan.stations, [station.id]: { ...station, personId: person.id } };
    return { plan: { ...plan, stations }, name: person.name };
  }, [what, id, got, plan, station]);
}

/** The seat of another plan that is meant by one of this: the same one, else one of the same name or activity. */
export function otherOf(plan: Plan, station: Station): Station | null {
  const all = Object.values(plan.stations);
  return (
    plan.stations[station.id] ??
    all.find((s) => s.name === station.name) ??
    all.find((s) => s.activityId === station.activityId) ??
    null
  );
}
