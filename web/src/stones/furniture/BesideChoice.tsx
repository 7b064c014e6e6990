import { useEffect, useState } from 'react';
import { listPlans, type PlanSummary } from '../../state/api.ts';

/** The other plans of the same origin first: which one is seen beside this one. */
export function BesideChoice({
  planId,
  beside,
  onChoose,
}: {
  planId: string;
  beside: string | null;
  onChoose: (id: string | null) => void;
}) {
  const [plans, setPlans] = useState<PlanSummary[]>([]);
  useEffect(() => {
    listPlans().then(setPlans, () => setPlans([]));
  }, [planId]);
  const others = plans.filter((p) => p.id !== planId && p.keptUntil === null);
  if (others.length === 0) return null;
  return (
    <select
      aria-label="Plan seen beside this one"
      className="min-h-8 max-w-44 rounded-md border border-edge bg-paper px-1 text-[13px]"
      value={beside ?? ''}
      onChange={(e) => onChoose(e.target.value || null)}
    >
      <option value="">nothing beside it</option>
      {others.map((p) => (
        <option key={p.id} value={p.id}>
          beside: {p.name}
        </option>
      ))}
    </select>
  );
}
