import { useEffect, useMemo, useState } from 'react';
import { type Plan, type Station } from '@heronstone/core/plan';
import { getPlan, listPlans, type PlanSummary } from '../../state/api.ts';

/** What a run is set beside: another plan, or this one with somebody else at the seat. */
export type Other = { plan: Plan; name: string; plans: PlanSummary[] };

/** The other plan that the address names, and all there are to choose from. */
export function useOther(
  plan: Plan,
  station: Station,
  against: string,
): Other | { plan: Plan; name: ''; plans: PlanSummary[] } | null {
  const [plans, setPlans] = useState<PlanSummary[]>([]);
  const [got, setGot] = useState<Plan | null>(null);
  useEffect(() => {
    let here = true;
    listPlans()
      .then((all) => here && setPlans(all.filter((p) => p.id !== plan.id && p.keptUntil === null)))
      .catch(() => undefined);
    return () => void (here = false);
  }, [plan.id]);
  const [what, id] = against.split(' ') as [string, string?];
  useEffect(() => {
    if (what !== 'plan' || !id) return;
    let here = true;
    getPlan(id)
      .then((answer) => here && setGot(answer.plan))
      .catch(() => here && setGot(null));
    return () => void (here = false);
  }, [what, id]);
  return useMemo(() => {
    if (what === 'plan' && got && got.id === id) return { plan: got, name: got.head.name, plans };
    const person = what === 'person' && id ? plan.people[id] : undefined;
    if (person) {
      const stations = { ...plan.stations, [station.id]: { ...station, personId: person.id } };
      return { plan: { ...plan, stations }, name: person.name, plans };
    }
    return plans.length > 0 ? { plan, name: '' as const, plans } : null;
  }, [what, id, got, plans, plan, station]);
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
